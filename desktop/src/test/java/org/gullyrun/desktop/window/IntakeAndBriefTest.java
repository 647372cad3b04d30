package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.intake.Questions;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.intake.IntakeView;
import org.gullyrun.desktop.look.KeyStroke;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The first two steps in the real window, by keys and clicks. */
class IntakeAndBriefTest extends WindowTest {
    private final Case sample = SampleShow.make();

    @Start
    void start(Stage shown) throws Exception {
        open(shown, sample);
    }

    private void begin(Hands robot) throws Exception {
        robot.push(KeyCode.CONTROL, KeyCode.N);
        until(() -> robot.lookup("#choice-empty").tryQuery().isPresent());
        robot.push(KeyCode.ENTER);
        until(() -> state().step() == Step.INTAKE && rig().elements().isEmpty());
        until(() -> robot.lookup("#cell").tryQuery().map(Node::isFocused).orElse(false));
    }

    @TakesLong
    @Test
    void aRigIsTypedWithNothingButKeysAndEveryStepCanBeUndone(Hands robot) throws Exception {
        begin(robot);
        robot.write("Owl")
                .push(KeyCode.TAB)
                .write("v")
                .push(KeyCode.TAB)
                .write("44,1")
                .push(KeyCode.TAB);
        until(() -> text(robot, "#message .label").contains("Nothing here is called “44,1” yet"));
        robot.clickOn("#section-devices").clickOn("#section-devices");
        assertEquals(0, rig().of(Kind.DEVICE).size(), "a slip makes nothing, wherever one clicks");
        robot.clickOn("#cell");
        robot.push(KeyCode.ESCAPE);
        robot.write("Lark boom").push(KeyCode.TAB).push(KeyCode.TAB);
        until(() -> rig().of(Kind.DEVICE).size() == 1);
        robot.write("-18").push(KeyCode.ENTER);
        robot.write("Tune")
                .push(KeyCode.TAB)
                .write("mus")
                .push(KeyCode.TAB)
                .write("Driftbox")
                .push(KeyCode.ENTER)
                .push(KeyCode.ENTER);
        until(() -> rig().of(Kind.APPLICATION).size() == 1);
        Element owl = rig().of(Kind.SOURCE).getFirst();
        assertEquals(Sources.SourceClass.VOICE, owl.get(Sources.CLASS));
        assertEquals(-18, owl.get(Sources.LEVEL));
        assertEquals("Lark boom", rig().name(String.valueOf(owl.get(Sources.AT))));
        assertEquals(
                "Which device is the playback default of Computer?",
                Questions.of(rig()).getFirst().wording(),
                "a program follows it, so it decides most");
        assertTrue(Questions.of(rig()).stream()
                .anyMatch(q -> q.wording().equals("What sample rate is Lark boom set to?")));
        assertEquals(
                "In the sheet: " + 2, "In the sheet: " + rig().of(Kind.SOURCE).size());
        for (int i = 0; !rig().elements().isEmpty() && i < 20; i++) {
            robot.push(KeyCode.CONTROL, KeyCode.Z);
        }
        assertTrue(rig().elements().isEmpty(), "all of it can be taken back");
    }

    @TakesLong
    @Test
    void oneValueGoesIntoEveryRowAndWhatCannotStandIsRefusedInPlace(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT1);
        until(() -> robot.lookup("#section-devices").tryQuery().isPresent());
        robot.clickOn("#section-devices");
        until(() -> robot.lookup("#cell").tryQuery().map(Node::isFocused).orElse(false));
        robot.push(KeyCode.UP).push(KeyCode.TAB, KeyCode.TAB).push(KeyCode.TAB);
        Rig before = rig();
        robot.write("fast").push(KeyCode.ENTER);
        assertEquals(before, rig());
        assertTrue(
                robot.lookup("#cell").query().getPseudoClassStates().toString().contains("wrong"));
        robot.push(KeyCode.ESCAPE).write("44,1").push(KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> rig().of(Kind.DEVICE).stream()
                .allMatch(d -> Double.valueOf(44_100).equals(d.get(Devices.RATE))));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        assertEquals(before, rig(), "one step");
    }

    @Test
    void everyRowSaysWhereItLeadsInEverySection(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT1);
        until(() -> robot.lookup("#section-mixers").tryQuery().isPresent());
        robot.clickOn("#section-mixers");
        until(() -> robot.lookup("#intake .sheet-row .label.water").queryAll().stream()
                .anyMatch(n -> ((Label) n).getText().contains("Guests")));
        robot.clickOn("#section-programs");
        until(() -> robot.lookup("#intake .sheet-row .label.water").queryAll().stream()
                .anyMatch(n -> ((Label) n).getText().matches(".*Live.*|\\d+ in all")));
        robot.clickOn("#section-listeners");
        until(() -> robot.lookup("#intake .sheet-row .label.water").queryAll().stream()
                .anyMatch(n -> ((Label) n).getText().startsWith("Host, ")));
        assertTrue(
                robot.lookup("#intake .sheet-head .label").queryAll().stream()
                        .anyMatch(n -> ((Label) n).getText().equals("hears")),
                "a listener leads to nothing");
    }

    @Test
    void noTextOfTheProgramsIsCutWhereOthersCanGiveRoom(Hands robot) throws Exception {
        robot.interact(() -> {
            stage.setWidth(1280);
            stage.setHeight(800);
        });
        robot.push(KeyCode.DIGIT1);
        until(() -> robot.lookup("#section-programs").tryQuery().isPresent());
        robot.clickOn("#section-programs");
        until(() -> texts(robot, ".sheet-cell").contains("Brookdesk Music"));
        WaitForAsyncUtils.waitForFxEvents();
        for (String part : List.of(".sheet-cell", ".sheet-head .label")) {
            assertEquals(texts(robot, part), seen(robot, part), part);
        }
    }

    private static List<String> texts(Hands robot, String part) {
        return labels(robot, part).map(Label::getText).toList();
    }

    /** What of the texts is to be seen. */
    private static List<String> seen(Hands robot, String part) {
        return labels(robot, part)
                .map(label -> ((Text) label.lookup(".text")).getText())
                .toList();
    }

    private static Stream<Label> labels(Hands robot, String part) {
        return robot.lookup("#intake " + part).queryAll().stream()
                .map(Label.class::cast)
                .filter(label -> !label.getText().isEmpty());
    }

    @Test
    void aRemovalSaysWhatIsLeftHangingAndIsOneStep(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT1);
        until(() -> robot.lookup("#section-programs").tryQuery().isPresent());
        WaitForAsyncUtils.asyncFx(() -> ((IntakeView) robot.lookup("#intake").query()).goTo("driftbox", "class"))
                .get();
        Rig before = rig();
        holdDelete(robot);
        until(() -> state().message() != null
                && state().message().text().contains("Press Ctrl Delete again to remove it all the same"));
        assertEquals(before, rig(), "what refers to it is said first");
        holdDelete(robot);
        until(() -> rig().find("driftbox") == null);
        assertEquals(
                before.of(Kind.APPLICATION).size() - 1,
                rig().of(Kind.APPLICATION).size());
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        assertEquals(before, rig());
    }

    /** A key held down repeats by itself: it takes away one row, not row after row. */
    private static void holdDelete(Hands robot) throws Exception {
        WaitForAsyncUtils.asyncFx(() -> {
                    Node cell = robot.lookup("#cell").query();
                    for (int repeat = 0; repeat < 5; repeat++) {
                        Event.fireEvent(
                                cell,
                                new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.DELETE, false, true, false, false));
                    }
                    Event.fireEvent(
                            cell.getScene(),
                            new KeyEvent(KeyEvent.KEY_RELEASED, "", "", KeyCode.DELETE, false, true, false, false));
                })
                .get();
    }

    @TakesLong
    @Test
    void theBriefOfTheSampleShowIsSetFromStartingBriefsInTwentyOneActions(Hands robot) throws Exception {
        WaitForAsyncUtils.asyncFx(() -> {
                    Case what = store.state().what();
                    store.brief(
                            org.gullyrun.core.brief.BriefChange.between(what.brief(), Brief.EMPTY), "clear the brief");
                })
                .get();
        until(() -> state().reading().brief().cells().isEmpty());
        robot.push(KeyCode.DIGIT2);
        until(() -> robot.lookup("#wish-film-live").tryQuery().isPresent());
        int actions = 0;
        for (String start : new String[] {"#start-0", "#start-1", "#start-3"}) {
            actions += click(robot, start);
        }
        actions += click(robot, "#wish-film-live");
        actions += key(robot, KeyCode.R);
        actions += key(robot, KeyCode.DELETE);
        actions += click(robot, "#wish-charts-track-clips");
        actions += key(robot, KeyCode.M);
        actions += click(robot, "#wish-host-crew-call");
        actions += key(robot, KeyCode.M);
        actions += click(robot, "#wish-dome-dome-ears");
        actions += key(robot, KeyCode.N);
        actions += click(robot, "#wish-crew-dome-ears");
        robot.press(KeyCode.SHIFT);
        actions += click(robot, "#wish-charts-dome-ears");
        robot.release(KeyCode.SHIFT);
        actions += key(robot, KeyCode.N);
        actions += click(robot, "#wish-chimes-dome-ears");
        actions += key(robot, KeyCode.DELETE);
        actions += key(robot, KeyCode.CLOSE_BRACKET);
        until(() -> state().scene() == 0);
        actions += click(robot, "#wish-film-live");
        robot.press(KeyCode.SHIFT);
        actions += click(robot, "#wish-film-relay");
        robot.release(KeyCode.SHIFT);
        actions += key(robot, KeyCode.M);
        assertEquals(sample.brief().cells(), state().what().brief().cells());
        assertTrue(actions <= 25, actions + " actions");
        assertEquals(21, actions);
    }

    private static int click(Hands robot, String what) throws Exception {
        // The side is drawn anew with each reading: wait for the one that is there to stay.
        WaitForAsyncUtils.waitForFxEvents();
        Thread.sleep(120);
        until(() -> robot.lookup(what).tryQuery().isPresent());
        Node node = robot.lookup(what).query();
        if (what.startsWith("#start")) {
            WaitForAsyncUtils.asyncFx(() -> KeyStroke.on(node, KeyCode.ENTER)).get();
        } else {
            robot.clickOn(node);
        }
        WaitForAsyncUtils.waitForFxEvents();
        return 1;
    }

    private static int key(Hands robot, KeyCode key) throws Exception {
        robot.push(key);
        WaitForAsyncUtils.waitForFxEvents();
        return 1;
    }

    @Test
    void anInventoryIsShownBeforeItIsTakenIn(Hands robot) throws Exception {
        Path list = Files.writeString(
                folder.resolve("list.csv"),
                "name;direction;rate\nDock;playback;48\nLarch boom;recording;44,1\nBad;up;1\n");
        Mockito.when(picker.toOpen(FilePicker.Sort.LIST)).thenReturn(Optional.of(list));
        robot.push(KeyCode.DIGIT1);
        until(() -> robot.lookup("#offer-inventory-in").tryQuery().isPresent());
        Rig before = rig();
        WaitForAsyncUtils.asyncFx(
                        () -> KeyStroke.on(robot.lookup("#offer-inventory-in").query(), KeyCode.ENTER))
                .get();
        until(() -> robot.lookup("#import").tryQuery().isPresent());
        assertEquals(before, rig(), "nothing has happened yet");
        String shown = robot.lookup("#overlay .label").queryAll().stream()
                .map(n -> ((Label) n).getText())
                .reduce("", (a, b) -> a + "\n" + b);
        assertTrue(shown.contains("Row 4, direction"), shown);
        assertTrue(shown.contains("2 new, 1 changed"), shown);
        robot.push(KeyCode.ENTER);
        until(() -> !rig().equals(before));
        assertEquals(44_100, rig().get("larch").get(Devices.RATE));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        assertEquals(before, rig());
    }
}
