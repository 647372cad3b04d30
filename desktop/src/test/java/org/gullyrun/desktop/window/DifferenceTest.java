package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** What would be different, tried by typing, and drawn: nothing is altered until it is kept. */
class DifferenceTest extends WindowTest {
    @Start
    void start(Stage shown) throws Exception {
        open(shown, SampleShow.make(), WITH_FIXES);
    }

    private Against against() throws Exception {
        return Objects.requireNonNull(state().against());
    }

    /** Types what might happen and takes the first that fits. */
    private void whatIf(Hands robot, String typed) throws Exception {
        Against before = state().against();
        robot.push(KeyCode.I);
        until(() -> robot.lookup("#what-if-field").tryQuery().isPresent());
        robot.write(typed);
        robot.push(KeyCode.ENTER);
        until(() -> state().against() != null && state().against() != before);
    }

    @Test
    void whatIsTypedIsTriedOnACopyAndDrawn(Hands robot) throws Exception {
        Rig found = state().surveyShown().rig();
        robot.push(KeyCode.DIGIT4);
        whatIf(robot, "default to plover");
        assertEquals(Step.TRACE, state().step());
        assertTrue(text(robot, "#difference-band .strong").contains("playback default of Desk PC to Plover"));
        String told = text(robot, "#evidence .label");
        assertTrue(told.contains("Tried on a copy. Nothing has changed yet."), told);
        assertTrue(told.contains("Newly heard"), told);
        until(() -> robot.lookup(".change-text").queryAll().stream()
                .anyMatch(n -> n instanceof Text said && said.getText().contains("now the playback default")));
        assertEquals(found, state().surveyShown().rig());

        robot.interact(() -> fire(robot, KeyEvent.KEY_PRESSED));
        until(() -> against().held());
        assertTrue(text(robot, "#difference-band .soft").contains("as it was"));
        assertEquals(against().map().before(), against().model());
        robot.interact(() -> fire(robot, KeyEvent.KEY_RELEASED));
        until(() -> !against().held());

        whatIf(robot, "brookdesk gone");
        assertEquals(2, against().asked().changes().size());
        robot.clickOn("#tried-1");
        until(() -> against().asked().changes().size() == 1);

        robot.push(KeyCode.ESCAPE);
        until(() -> state().against() == null);
        assertEquals(Step.FINDINGS, state().step(), "back to where it was asked");
        assertEquals(found, state().surveyShown().rig());
    }

    private void fire(Hands robot, javafx.event.EventType<KeyEvent> type) {
        workbench.scene().getRoot().fireEvent(new KeyEvent(type, "b", "b", KeyCode.B, false, false, false, false));
    }

    @Test
    void whatIsSelectedComesFirstArrowsWalkAndWhatFitsNothingSaysHowToGoOn(Hands robot) throws Exception {
        robot.interact(() -> store.select(new Selection.Pair("music", "live")));
        robot.push(KeyCode.I);
        until(() -> robot.lookup("#what-if-0").tryQuery().isPresent());
        assertTrue(
                text(robot, "#what-if-list .label").startsWith("[Mute Driftbox"), text(robot, "#what-if-list .label"));
        robot.write("xyzzy");
        until(() -> text(robot, "#what-if-list .label").contains("Nothing fits. Name a device or program"));
        robot.push(KeyCode.ESCAPE);
        robot.interact(() -> store.select(new Selection.OfOutlet("host-ears")));
        robot.push(KeyCode.I);
        until(() -> text(robot, "#what-if-list .label").startsWith("[Unplug Tern headset"));
        String second = robot.lookup("#what-if-list .label").queryAllAs(Label.class).stream()
                .skip(1)
                .findFirst()
                .orElseThrow()
                .getText();
        robot.push(KeyCode.DOWN);
        robot.push(KeyCode.ENTER);
        until(() -> state().against() != null);
        assertEquals(List.of(second), against().asked().sentences());
    }

    @Test
    void whatIsTriedCanBeKeptAndIsOneStepToUndo(Hands robot) throws Exception {
        whatIf(robot, "default to plover");
        robot.push(KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> state().against() == null
                && Choice.to("plover-play")
                        .equals(state().surveyShown().rig().get("desk-pc").get(Machines.PLAYBACK)));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> !state().isAnswerOld() && state().past().undo().isEmpty());
    }

    @TakesLong
    @Test
    void whatIsTriedBecomesPartOfTheRepair(Hands robot) throws Exception {
        whatIf(robot, "tern off");
        var tried = against().asked().changes();
        robot.push(KeyCode.DIGIT5);
        until(() -> state().step() == Step.REPAIR && state().against() == null);
        assertEquals(tried, state().planning().conditions().required());
    }

    @TakesLong
    @Test
    void aPairIsShownBeforeAndNowSideBySide(Hands robot) throws Exception {
        whatIf(robot, "default to plover");
        robot.interact(() -> store.select(new Selection.Pair("clips", "host-ears")));
        until(() -> robot.lookup("#before-and-now").tryQuery().isPresent());
        String told = text(robot, "#before-and-now .label");
        assertTrue(told.contains("missing") && told.contains("nothing"), told);
        assertTrue(state().against() != null);
        robot.push(KeyCode.ESCAPE);
        until(() -> state().selection() instanceof Selection.Nothing);
        robot.push(KeyCode.ESCAPE);
        until(() -> state().against() == null);
    }

    @Test
    void thePointerOnAFixShowsWhatItWouldChange(Hands robot) throws Exception {
        robot.interact(() -> store.select(new Selection.Trouble("leak:music>archive")));
        until(() -> state().fixes() != null && state().fixes().complete());
        robot.moveTo("#fix-0");
        until(() -> state().against() != null);
        assertEquals(Against.Kind.FIX, against().kind());
        assertTrue(robot.lookup("#fix-0").tryQuery().isPresent(), "what the pointer rests on stays");
        assertEquals(List.of(), against().difference().come());
        robot.moveTo("#find");
        until(() -> state().against() == null);
        assertEquals(new Selection.Trouble("leak:music>archive"), state().selection());
    }

    @TakesLong
    @Test
    void aComparisonIsShownOnTheMap(Hands robot) throws Exception {
        robot.push(KeyCode.D);
        until(() -> robot.lookup("#answer-show-on-the-map").tryQuery().isPresent());
        robot.clickOn("#answer-show-on-the-map");
        until(() -> state().against() != null);
        assertEquals(Against.Kind.COMPARE, against().kind());
        assertTrue(against().asked().before().findings().size()
                < against().asked().after().findings().size());
        String told = text(robot, "#evidence .label");
        assertTrue(told.contains("Since known good"), told);
        robot.push(KeyCode.ESCAPE);
        until(() -> state().against() == null);
        assertNull(state().message());
    }
}
