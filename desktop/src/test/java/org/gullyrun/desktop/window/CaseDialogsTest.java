package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The case as a whole, in the real window: begun, said, saved, opened, and its surveys. */
class CaseDialogsTest extends SampleWindowTest {

    @Start
    void start(Stage shown) throws Exception {
        openSample(shown);
    }

    private List<String> surveys() throws Exception {
        return state().what().surveys().stream().map(Survey::name).toList();
    }

    @Test
    void titleAndHoursAreAskedForAndWhatCannotStandIsRefusedInPlace(Hands robot) throws Exception {
        act(robot, "title and note");
        fill(robot, "hours", "a while");
        robot.push(KeyCode.ENTER);
        assertTrue(text(robot, "#overlay .bad-text").contains("Enter a number of hours above 0"));
        fill(robot, "hours", "2,5");
        fill(robot, "title", "  ");
        robot.push(KeyCode.ENTER);
        assertTrue(text(robot, "#overlay .bad-text").contains("Enter a title."));
        fill(robot, "title", "Lantern Hill, second night");
        robot.push(KeyCode.ENTER);
        until(() -> state().what().title().equals("Lantern Hill, second night"));
        assertEquals(2.5, state().what().showHours());
        until(() -> stage.getTitle().startsWith("Lantern Hill, second night (unsaved)"));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> !state().unsaved());
        assertEquals(SampleShow.make().title(), state().what().title());
    }

    @Test
    void aSurveyIsAddedNamedMarkedAndDeletedStepByStep(Hands robot) throws Exception {
        List<String> before = surveys();
        Case was = state().what();
        act(robot, "duplicate survey");
        fill(robot, "name", "after the call");
        robot.push(KeyCode.ENTER);
        until(() -> state().surveyShown().name().equals("after the call"));
        assertEquals(was.surveys().getFirst().rig(), rig(), "it begins as a copy of the one shown");
        act(robot, "known good");
        until(() -> state().what().knownGood().equals(state().survey()));
        act(robot, "edit survey");
        fill(robot, "date", "15 Nov");
        robot.push(KeyCode.ENTER);
        until(() -> state().surveyShown().date().equals("15 Nov"));
        act(robot, "delete survey");
        until(() -> surveys().equals(before));
        assertEquals("", state().what().knownGood(), "the mark does not hang on what is gone");
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> surveys().contains("after the call"));
        assertFalse(state().what().knownGood().isEmpty());
        for (int i = 0; i < 3; i++) {
            robot.push(KeyCode.CONTROL, KeyCode.Z);
        }
        until(() -> state().what().equals(was));
    }

    @Test
    void theLastSurveyCannotBeDeleted(Hands robot) throws Exception {
        while (state().what().surveys().size() > 1) {
            int left = state().what().surveys().size() - 1;
            act(robot, "delete survey");
            until(() -> state().what().surveys().size() == left);
        }
        act(robot, "delete survey");
        until(() -> state().message() != null && state().message().isError());
        assertEquals(1, state().what().surveys().size());
        assertTrue(text(robot, "#message .label").contains("needs at least one survey"));
    }

    @Test
    void surveysOfAnotherCaseAreTakenInAndAFileThatIsNoneChangesNothing(Hands robot) throws Exception {
        Case was = state().what();
        Path broken = Files.writeString(folder.resolve("broken.json"), "{\"format\": \"gullyrun case\", ");
        Mockito.when(picker.toOpen(FilePicker.Sort.CASE)).thenReturn(Optional.of(broken));
        act(robot, "import surveys");
        until(() -> state().message() != null && state().message().isError());
        assertTrue(text(robot, "#message .label").contains("broken.json"), text(robot, "#message .label"));
        assertEquals(was, state().what());

        Path other = folder.resolve("other.json");
        CaseFiles.save(was, other);
        Mockito.when(picker.toOpen(FilePicker.Sort.CASE)).thenReturn(Optional.of(other));
        act(robot, "import surveys");
        until(() -> state().what().surveys().size() == 2 * was.surveys().size());
        assertEquals(
                state().what().surveys().size(),
                state().what().surveys().stream().map(Survey::id).distinct().count(),
                "each has an id of its own");
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> state().what().equals(was));
    }

    @Test
    void aCaseBegunWithAStartingRigIsSavedWhereThePersonSays(Hands robot) throws Exception {
        robot.push(KeyCode.CONTROL, KeyCode.N);
        until(() -> robot.lookup("#choice-empty").tryQuery().isPresent());
        robot.push(KeyCode.DOWN);
        robot.push(KeyCode.ENTER);
        until(() -> state().file() == null);
        assertEquals(Step.INTAKE, state().step());
        assertFalse(rig().elements().isEmpty(), "the first choice after the empty sheet has a rig");
        Path place = folder.resolve("new.gullyrun.json");
        Mockito.when(picker.toSave(FilePicker.Sort.CASE, "New-case")).thenReturn(Optional.of(place));
        robot.push(KeyCode.CONTROL, KeyCode.S);
        until(() -> place.equals(state().file()));
        assertEquals(state().what(), CaseFiles.open(place));
        assertEquals(
                place,
                new Preferences(folder.resolve("window.properties")).recent().getFirst());
    }

    @Test
    void whatSomebodyElseHasChangedIsNotSavedOverUnasked(Hands robot) throws Exception {
        act(robot, "known good");
        until(() -> state().unsaved());
        String theirs = Files.readString(file).replace("Lantern Hill", "Their hill");
        Files.writeString(file, theirs);
        robot.push(KeyCode.CONTROL, KeyCode.S);
        until(() -> robot.lookup("#answer-overwrite").tryQuery().isPresent());
        robot.clickOn("#answer-cancel");
        assertEquals(theirs, Files.readString(file));
        assertTrue(state().unsaved());
        robot.push(KeyCode.CONTROL, KeyCode.S);
        robot.clickOn("#answer-overwrite");
        until(() -> !state().unsaved());
        assertEquals(state().what(), CaseFiles.open(file));
    }

    @Test
    void closingAsksAboutWhatIsNotSavedAndTheWindowIsRememberedAsItWas(Hands robot) throws Exception {
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.N);
        robot.push(KeyCode.CONTROL, KeyCode.EQUALS);
        act(robot, "known good");
        until(() -> state().unsaved());
        WaitForAsyncUtils.asyncFx(() -> stage.fireEvent(new WindowEvent(stage, WindowEvent.WINDOW_CLOSE_REQUEST)))
                .get();
        robot.clickOn("#answer-cancel");
        assertTrue(stage.isShowing());
        WaitForAsyncUtils.asyncFx(() -> stage.fireEvent(new WindowEvent(stage, WindowEvent.WINDOW_CLOSE_REQUEST)))
                .get();
        robot.clickOn("#answer-save");
        until(() -> !stage.isShowing());
        assertEquals(state().what(), CaseFiles.open(file));
        Preferences again = new Preferences(folder.resolve("window.properties"));
        assertEquals(1280, again.number("width", 0));
        assertEquals(800, again.number("height", 0));
        assertEquals(1, again.number("night", 0));
        assertEquals(1.125, again.number("text", 0));
    }
}
