package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.MenuButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The step Findings and the sheets that go with it, in the real window. */
class FindingsStepTest extends SampleWindowTest {

    @Start
    void start(Stage shown) throws Exception {
        open(shown, SampleShow.make(), LIVELY);
    }

    @BeforeEach
    void worked(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT4);
        until(() -> state().causes().done());
    }

    @Test
    void theChangeBehindMostFindingsComesFirstAndIsMadeFromThere(Hands robot) throws Exception {
        assertTrue(text(robot, "#findings .title").contains("11 changes fix 41 findings"));
        assertTrue(text(robot, "#findings .cause-title").startsWith("[In Orrery, mute input All of default"));
        robot.clickOn("#make-0");
        until(() -> !has("leak:crew>live") && !has("double:chimes>live") && !has("loop.electric:orrery"));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> has("leak:crew>live"));
    }

    @Test
    void findingsAreWalkedByKeyAndTheFirstFixMadeByKey(Hands robot) throws Exception {
        assertEquals(Step.FINDINGS, state().step());
        robot.push(KeyCode.N);
        assertNotNull(state().shown().finding());
        assertTrue(robot.lookup("#cutout").tryQuery().isPresent());
        robot.push(KeyCode.DOWN);
        robot.push(KeyCode.P);
        String identity = state().shown().finding().identity();
        until(() -> state().fixes() != null && !state().fixes().fixes().isEmpty());
        List<String> cleared = state().fixes().fixes().getFirst().cleared();
        assertTrue(cleared.size() > 1, cleared.toString());
        robot.push(KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> !has(identity));
        assertTrue(state().reading().findings().stream().noneMatch(f -> f.isBad() && cleared.contains(f.identity())));
        robot.push(KeyCode.T);
        assertEquals(Step.TRACE, state().step());
    }

    @Test
    void theSelectedFindingStaysWhereItIsWhenWhatIsAboveItGoes(Hands robot) throws Exception {
        robot.interact(() -> store.select(new Selection.Trouble("double:host>live")));
        until(() -> robot.lookup("#cutout").tryQuery().isPresent());
        double before = top();
        List<Change> first = state().causes().groups().getFirst().fix().changes();
        robot.interact(() -> store.change(first));
        until(() -> !has("loop.electric:orrery") && state().causes().done());
        assertEquals(before, top(), 2);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> has("loop.electric:orrery") && state().causes().done());
        assertEquals(before, top(), 2);
    }

    /** Where the selected finding begins on the screen, px. */
    private double top() throws Exception {
        return WaitForAsyncUtils.asyncFx(() -> stage.getScene().getRoot().lookupAll(".finding").stream()
                        .filter(row -> row.getPseudoClassStates().contains(PseudoClass.getPseudoClass("selected")))
                        .findFirst()
                        .orElseThrow()
                        .localToScreen(0, 0)
                        .getY())
                .get();
    }

    @TakesLong
    @Test
    void whatIsWaivedStaysSoInTheFileUntilWhatItRestsOnChanges(Hands robot) throws Exception {
        robot.push(KeyCode.DOWN);
        Finding first = state().shown().finding();
        assertEquals("loop.electric:orrery", first.identity());
        robot.push(KeyCode.W);
        robot.write("nobody listens on cue");
        robot.push(KeyCode.ENTER);
        until(() -> !has(first.identity()));
        assertEquals(List.of(first), state().reading().waived());
        robot.push(KeyCode.CONTROL, KeyCode.S);
        until(() -> !state().unsaved());
        Case saved = CaseFiles.open(file);
        assertEquals(
                "nobody listens on cue", saved.terms().waivers().getFirst().reason(), "without the letter of the key");
        // With the default elsewhere the loop goes another way: that has to be looked at again.
        WaitForAsyncUtils.asyncFx(() -> store.change(List.of(Change.set(
                        store.state().surveyShown().rig(),
                        "desk-pc",
                        org.gullyrun.core.rig.Machines.PLAYBACK,
                        org.gullyrun.core.rig.Choice.to("plover-play")))))
                .get();
        until(() -> has(first.identity()));
    }

    @Test
    void filtersLeaveOutAndTheLetterSaysWhatIsListed(Hands robot) throws Exception {
        int all = state().wanted().size();
        WaitForAsyncUtils.asyncFx(() -> robot.lookup("#filter-source").queryAs(MenuButton.class).getItems().stream()
                        .filter(i -> i.getText().equals("Music"))
                        .findFirst()
                        .orElseThrow()
                        .fire())
                .get();
        until(() -> state().wanted().size() < all);
        assertTrue(state().wanted().stream().allMatch(f -> f.subject().source().equals("music")));
        robot.clickOn("#filter-none");
        until(() -> state().wanted().size() == all);
        robot.push(KeyCode.C);
        String letter = WaitForAsyncUtils.asyncFx(
                        () -> Clipboard.getSystemClipboard().getString())
                .get();
        assertTrue(letter.startsWith("1. In Orrery, mute input All of default."), letter);
        assertTrue(letter.contains("Live hears Crew: Huddlewick plays to Mole speakers, "), letter);
    }

    @TakesLong
    @Test
    void levelsAndTimesAreAPictureWithFiguresAClickAway(Hands robot) throws Exception {
        robot.push(KeyCode.L);
        until(() -> text(robot, "#overlay .title").contains("Levels in Doors"));
        assertEquals(11, robot.lookup("#levels-picture .level-body").queryAll().size(), "every listener has a peak");
        assertEquals(
                3, robot.lookup("#levels-picture .level-body.bad").queryAll().size(), "live, archive and relay clip");
        robot.clickOn("#answer-times");
        until(() -> text(robot, "#overlay .title").contains("Times in Doors"));
        assertTrue(robot.lookup("#times-picture .level-copy").queryAll().size() > 3, "doubles have a second arrival");
        robot.clickOn("#answer-next-scene");
        until(() -> text(robot, "#overlay .title").contains("Times in Sky"));
        robot.clickOn("#answer-figures");
        until(() -> text(robot, "#overlay .title").contains("Levels and times"));
        assertFalse(text(robot, "#overlay .water").isEmpty());
    }

    @TakesLong
    @Test
    void aLimitIsSetForThisCaseAndAWrongFigureIsRefused(Hands robot) throws Exception {
        assertTrue(has("leak:crew>live"));
        int before = state().reading().findings().size();
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("thresholds");
        robot.push(KeyCode.ENTER);
        until(() -> robot.lookup("#limit-rate-many").tryQuery().isPresent());
        set(robot, "loud");
        assertTrue(robot.lookup("#limit-rate-many")
                .query()
                .getPseudoClassStates()
                .toString()
                .contains("wrong"));
        assertEquals("[Enter a number from 0 to 1000]", text(robot, "#usual-rate-many"));
        set(robot, "0");
        until(() -> state().what().terms().limits().equals(java.util.Map.of("rate.many", 0.0)));
        until(() -> state().reading().findings().size() > before);
        assertTrue(text(robot, "#usual-rate-many").contains("usually 2"));
        set(robot, "");
        until(() -> state().what().terms().limits().isEmpty());
        until(() -> state().reading().findings().size() == before);
        robot.push(KeyCode.ESCAPE);
    }

    private static void set(Hands robot, String text) throws Exception {
        var field = robot.lookup("#limit-rate-many").queryAs(javafx.scene.control.TextField.class);
        WaitForAsyncUtils.asyncFx(() -> {
                    field.requestFocus();
                    field.setText(text);
                    org.gullyrun.desktop.look.KeyStroke.on(field, KeyCode.ENTER);
                })
                .get();
    }
}
