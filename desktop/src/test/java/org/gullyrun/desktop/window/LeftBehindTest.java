package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Store;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** What the program had not saved when it was ended is offered when the case is opened again. */
class LeftBehindTest extends WindowTest {
    private Case saved;
    private Case unsaved;

    @Start
    void start(Stage shown) throws Exception {
        saved = SampleShow.make();
        keep(saved, "sample.json");
        Path journals = folder.resolve("journals");
        Store ended = new Store(saved, file, new ArrayList<Runnable>()::add, journals, QUIET);
        for (int track : List.of(2, 5)) {
            ended.change(List.of(Objects.requireNonNull(Change.set(
                    ended.state().surveyShown().rig(),
                    track == 2 ? "in-music" : "in-effects",
                    Productions.TRACK.of(track),
                    false))));
        }
        unsaved = ended.state().what();
        ended.close(); // without saving or giving up, as where the program is ended
        show(shown, new Store(CaseFiles.open(file), file, Platform::runLater, journals, QUIET));
    }

    private void asked(Hands robot) throws Exception {
        until(() -> text(robot, ".veil .label").contains("not saved when the program ended"));
        String told = text(robot, ".veil .label");
        assertTrue(told.contains("2 changes to Lantern Hill Skywatch were not saved"), told);
        assertTrue(told.contains("Last change, "), told);
        assertEquals(saved, state().what(), "nothing is done before the answer");
    }

    @Test
    void restoredItIsTakenUpStepByStepAndCanBeSaved(Hands robot) throws Exception {
        asked(robot);
        robot.clickOn("#answer-restore");
        until(() -> state().what().equals(unsaved));
        assertTrue(state().unsaved());
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> !state().what().equals(unsaved) && !state().what().equals(saved));
        robot.push(KeyCode.CONTROL, KeyCode.Y);
        until(() -> state().what().equals(unsaved));
        robot.push(KeyCode.CONTROL, KeyCode.S);
        until(() -> !state().unsaved());
        assertEquals(unsaved, CaseFiles.open(file));
    }

    @Test
    void discardedItIsGone(Hands robot) throws Exception {
        asked(robot);
        robot.clickOn("#answer-discard");
        until(() -> state().leftovers().isEmpty());
        assertEquals(saved, state().what());
        assertFalse(state().unsaved());
        assertEquals(List.of(), offeredNextTime());
    }

    @Test
    void decidedLaterItIsOfferedAgain(Hands robot) throws Exception {
        asked(robot);
        robot.clickOn("#answer-decide-later");
        until(() -> state().leftovers().isEmpty());
        assertEquals(saved, state().what());
        assertEquals(List.of(unsaved), offeredNextTime());
    }

    /** Closes the window's case, opens it again and gives what is offered then. */
    private List<Case> offeredNextTime() throws Exception {
        Store before = store;
        Platform.runLater(before::close);
        until(() -> true);
        store = new Store(CaseFiles.open(file), file, Platform::runLater, folder.resolve("journals"), QUIET);
        return state().leftovers().stream().map(left -> left.made()).toList();
    }
}
