package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.framework.junit5.Start;

/** A start without a file offers what to go on with, the file opened last among it. */
class WelcomeTest extends WindowTest {
    private Case kept;

    @Start
    void start(Stage shown) throws Exception {
        Case show = SampleShow.make();
        kept = show.withSurveys(show.surveys().subList(0, 1));
        keep(kept, "thursday.json");
        Preferences before = new Preferences(folder.resolve("window.properties"));
        before.opened(file);
        before.save();
        show(shown, new Store(StartingRigs.empty("New case"), null, Platform::runLater, null, QUIET));
        workbench.welcome();
    }

    private void offered(Hands robot) throws Exception {
        until(() -> robot.lookup("#choice-sample").tryQuery().isPresent());
        String told = text(robot, ".veil .label");
        assertTrue(told.contains("thursday.json") && told.contains(folder.toString()), told);
        assertTrue(told.contains("Sample show") && told.contains("A case file."), told);
    }

    @Test
    void theFileOpenedLastIsOneClickAway(Hands robot) throws Exception {
        offered(robot);
        robot.clickOn("#choice-recent-0");
        until(() -> file.equals(state().file()));
        assertEquals(kept, state().what());
    }

    @Test
    void theSampleShowIsShownOnTheMap(Hands robot) throws Exception {
        offered(robot);
        robot.clickOn("#choice-sample");
        until(() -> state().what().surveys().size() > 1);
        assertEquals(Step.TRACE, state().step());
        assertEquals(SampleShow.make(), state().what());
    }

    @Test
    void aCaseFileIsChosenOrTheEmptySheetStays(Hands robot) throws Exception {
        offered(robot);
        Mockito.when(picker.toOpen(FilePicker.Sort.CASE))
                .thenReturn(Optional.empty())
                .thenReturn(Optional.of(file));
        robot.clickOn("#choice-open");
        until(() -> robot.lookup("#choice-open").tryQuery().isEmpty());
        assertEquals("New case", state().what().title(), "nothing was chosen");
        robot.push(KeyCode.CONTROL, KeyCode.O);
        until(() -> file.equals(state().file()));
        assertEquals(kept, state().what());
    }
}
