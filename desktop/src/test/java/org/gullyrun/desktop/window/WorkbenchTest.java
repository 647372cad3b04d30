package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Selection;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The real window, driven by mouse and keys as a technician would. */
class WorkbenchTest extends SampleWindowTest {

    @Start
    void start(Stage shown) throws Exception {
        open(shown, SampleShow.make(), WITH_FIXES);
    }

    @Test
    void aTechnicianTracesAPairFlipsItsSwitchUndoesSavesAndOpensAgain(Hands robot) throws Exception {
        robot.clickOn("#token-music-archive");
        assertEquals(new Selection.Pair("music", "archive"), state().selection());
        assertTrue(text(robot, "#evidence .label").contains("The saved show can be muted or taken down."));
        until(() -> robot.lookup("#pill-in-music-tracks-2").tryQuery().isPresent());

        robot.clickOn("#pill-in-music-tracks-2");
        until(() -> !has("leak:music>archive"));
        assertTrue(text(robot, "#evidence .label").contains("Doesn't arrive"), text(robot, "#evidence .label"));
        assertTrue(robot.lookup("#token-music-archive").tryQuery().isEmpty(), "no token in the basin any more");
        assertTrue(stage.getTitle().contains("unsaved"));

        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> has("leak:music>archive"));
        assertFalse(state().unsaved());
        robot.push(KeyCode.CONTROL, KeyCode.Y);
        until(() -> !has("leak:music>archive"));

        robot.push(KeyCode.CONTROL, KeyCode.S);
        until(() -> !state().unsaved());
        assertTrue(CaseFiles.open(folder.resolve("sample.json"))
                        .surveys()
                        .getFirst()
                        .rig()
                        .get("in-music")
                        .get(Productions.TRACK.of(2))
                == Boolean.FALSE);
        Mockito.when(picker.toOpen(FilePicker.Sort.CASE)).thenReturn(Optional.of(folder.resolve("sample.json")));
        robot.push(KeyCode.CONTROL, KeyCode.O);
        until(() -> state().selection() instanceof Selection.Nothing);
        assertFalse(has("leak:music>archive"));
    }

    @Test
    void scenesAreChosenByKeyAndByTab(Hands robot) throws Exception {
        robot.push(KeyCode.CLOSE_BRACKET);
        assertEquals(0, state().scene());
        robot.clickOn("#scene-1");
        assertEquals("Sky", state().reading().scenes().get(state().scene()).name());
        robot.clickOn("#token-charts-live");
        until(() -> robot.lookup("#pill-in-charts-scene").tryQuery().isPresent());
        robot.clickOn("#pill-in-charts-scene");
        until(() -> !has("scene.gap:charts>live"));
        robot.push(KeyCode.OPEN_BRACKET);
        assertEquals(0, state().scene());
    }

    @TakesLong
    @Test
    void whatIsDrawnOnTheMapCanBeClicked(Hands robot) throws Exception {
        until(() -> robot.lookup("#map-music").tryQuery().isPresent());
        for (Node hit : robot.lookup(".hit").queryAll()) {
            assertFalse(hit.getBoundsInLocal().isEmpty(), hit.getId() + " has no place to be clicked at");
        }
        robot.clickOn("#map-music");
        assertEquals(new Selection.OfSource("music"), state().selection());
        robot.clickOn("#map-archive");
        assertEquals(new Selection.OfOutlet("archive"), state().selection());
    }

    @Test
    void theFindFieldTracesAPairInTwoActions(Hands robot) throws Exception {
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("tunes archive");
        robot.push(KeyCode.ENTER);
        until(() -> state().selection().equals(new Selection.Pair("music", "archive")));
        robot.push(KeyCode.RIGHT);
        robot.push(KeyCode.RIGHT);
        assertEquals(1, state().hop());
        robot.push(KeyCode.LEFT);
        assertEquals(0, state().hop());
        robot.push(KeyCode.ESCAPE);
        assertTrue(state().selection() instanceof Selection.Nothing);
    }

    @Test
    void unsavedChangesAreAskedAboutBeforeAnotherCaseIsOpened(Hands robot) throws Exception {
        robot.clickOn("#token-music-archive");
        until(() -> robot.lookup("#pill-in-music-tracks-2").tryQuery().isPresent());
        robot.clickOn("#pill-in-music-tracks-2");
        until(() -> state().unsaved());
        robot.push(KeyCode.CONTROL, KeyCode.O);
        robot.clickOn("#answer-cancel");
        Mockito.verifyNoInteractions(picker);
        Mockito.when(picker.toOpen(FilePicker.Sort.CASE)).thenReturn(Optional.of(folder.resolve("not-there.json")));
        robot.push(KeyCode.CONTROL, KeyCode.O);
        robot.clickOn("#answer-save");
        until(() -> state().message() != null && state().message().isError());
        assertTrue(text(robot, "#message .label").contains("there is no such file"), text(robot, "#message .label"));
        assertFalse(state().unsaved());
    }

    @Test
    void everyKeyStandsOnTheSheetAndTheNightSheetIsOneOfThem(Hands robot) throws Exception {
        robot.push(KeyCode.F1);
        assertTrue(text(robot, "#overlay .label").contains("Ctrl Shift N"));
        robot.push(KeyCode.ESCAPE);
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.N);
        assertTrue(stage.getScene().getRoot().getStyleClass().contains("night"));
    }

    @Test
    void anotherSurveyIsClean(Hands robot) throws Exception {
        WaitForAsyncUtils.asyncFx(() -> store.chooseSurvey(SampleShow.KNOWN_GOOD))
                .get();
        until(() -> state().reading().rig() == state().surveyShown().rig());
        assertTrue(text(robot, "#evidence .label").contains("Everything is as the brief asks"));
    }

    /** As when a key is held down while every answer takes longer than the key repeats: nothing must pile up. */
    @TakesLong
    @Test
    void aKeyHeldDownActsOnceAFrameHoweverFastItRepeats(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT4);
        robot.push(KeyCode.DOWN);
        int first = place();
        WaitForAsyncUtils.asyncFx(() -> {
                    for (int i = 0; i < 200; i++) {
                        fire(KeyEvent.KEY_PRESSED, KeyCode.DOWN);
                    }
                })
                .get();
        assertEquals(first + 1, place());
        until(() -> {
            WaitForAsyncUtils.asyncFx(() -> fire(KeyEvent.KEY_PRESSED, KeyCode.DOWN))
                    .get();
            return place() == first + 2; // with the next frame it goes on
        });
        WaitForAsyncUtils.asyncFx(() -> {
                    for (int i = 0; i < 3; i++) {
                        fire(KeyEvent.KEY_RELEASED, KeyCode.DOWN);
                        fire(KeyEvent.KEY_PRESSED, KeyCode.DOWN);
                    }
                    fire(KeyEvent.KEY_RELEASED, KeyCode.DOWN);
                })
                .get();
        assertEquals(first + 5, place(), "keys that are let go all count");
    }

    private void fire(EventType<KeyEvent> type, KeyCode code) {
        Event.fireEvent(stage.getScene().getRoot(), new KeyEvent(type, "", "", code, false, false, false, false));
    }

    private int place() throws Exception {
        return state().listed().indexOf(state().shown().finding());
    }

    @Test
    void whatIsPointedAtIsSaidWhenThePointerRests(Hands robot) throws Exception {
        robot.moveTo("#token-music-archive");
        until(() -> robot.listWindows().stream()
                .anyMatch(w -> w instanceof Tooltip tip
                        && tip.isShowing()
                        && tip.getText().startsWith("Music at Archive: leak")));
        robot.moveTo("#verdict");
        until(() -> robot.listWindows().stream()
                .anyMatch(w -> w instanceof Tooltip tip
                        && tip.isShowing()
                        && tip.getText().contains("critical")));
    }

    @Test
    void aRateIsTypedInKilohertzOnASettingToo(Hands robot) throws Exception {
        WaitForAsyncUtils.asyncFx(() -> store.select(new Selection.OfElement("larch")))
                .get();
        WaitForAsyncUtils.waitForFxEvents();
        TextField rate = robot.lookup("#set-larch-rate").queryAs(TextField.class);
        assertEquals("48", rate.getText());
        robot.interact(() -> {
            rate.setText("44,1");
            rate.fireEvent(new ActionEvent());
        });
        assertEquals(44_100.0, rig().get("larch").get(Devices.RATE));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        TextField level = robot.lookup("#set-larch-level").queryAs(TextField.class);
        robot.interact(() -> {
            level.setText("61");
            level.fireEvent(new ActionEvent());
        });
        assertEquals(0.0, rig().get("larch").get(Devices.LEVEL), "out of its range, it is refused");
    }

    @Test
    void whatShipsWithTheProgramIsNamedInIt(Hands robot) throws Exception {
        act(robot, "licences");
        until(() -> text(robot, ".label").contains("Classpath Exception"));
        assertTrue(text(robot, ".label").contains("SIL Open Font License"));
    }
}
