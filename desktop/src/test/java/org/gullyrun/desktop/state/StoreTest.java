package org.gullyrun.desktop.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The one state, without any window: a queue stands in for the interface thread. */
class StoreTest {
    private final BlockingQueue<Runnable> queue = new LinkedBlockingQueue<>();
    private final Case sample = SampleShow.make();
    private final Store store = new Store(sample, null, queue::add);

    @TempDir
    Path folder;

    @AfterEach
    void close() {
        store.close();
    }

    private void until(BooleanSupplier met) throws InterruptedException {
        while (!met.getAsBoolean()) {
            Runnable task = queue.poll(20, TimeUnit.SECONDS);
            assertTrue(task != null, "nothing more happens");
            task.run();
        }
    }

    private void offTheArchive() {
        store.change(
                List.of(Change.set(store.state().surveyShown().rig(), "in-music", Productions.TRACK.of(2), false)));
    }

    private boolean leaks() {
        return store.state().reading().findings().stream()
                .anyMatch(f -> f.identity().equals("leak:music>archive"));
    }

    @Test
    void aChangeIsReadUndoneAndDoneAgain() throws Exception {
        assertTrue(leaks());
        offTheArchive();
        assertTrue(store.state().unsaved());
        assertEquals(
                "In Orrery, take input Music off track archive",
                store.state().past().undo());
        until(() -> !leaks());
        store.undo();
        assertFalse(store.state().unsaved());
        assertEquals(sample, store.state().what());
        until(this::leaks);
        store.redo();
        until(() -> !leaks());
    }

    @Test
    void aFindingThatIsClearedShowsHowItGoesNow() throws Exception {
        store.select(new Selection.Trouble("leak:music>archive"));
        offTheArchive();
        until(() -> !leaks());
        Shown now = store.state().shown();
        assertEquals(null, now.finding());
        assertTrue(now.cell() != null && now.cell().outlet().id().equals("archive"));
        assertFalse(now.cell().delivery().arrives());
        assertFalse(now.bad(), "what was trouble is drawn as trouble no longer");
        assertTrue(now.points().contains(PointId.of("in-music")), "the way that is blocked now");
        store.undo();
        until(this::leaks);
        assertEquals("leak:music>archive", store.state().shown().finding().identity());
    }

    @Test
    void aLoopThatIsClearedStaysLitWhereItWasUntilNothingOfItIsLeft() throws Exception {
        store.select(new Selection.Trouble(
                store.state().reading().findings().getFirst().identity()));
        Shown loop = store.state().shown();
        assertFalse(loop.routes().isEmpty());
        store.change(
                List.of(Change.set(store.state().surveyShown().rig(), "in-default", Productions.INPUT_MUTED, true)));
        until(() -> store.state().shown().finding() == null);
        assertEquals(loop.points(), store.state().shown().points());
        assertTrue(store.state().shown().routes().isEmpty(), "its places are of a graph that is no more");
        assertEquals(
                Shown.NOTHING,
                loop.cleared(
                        RuleCatalogue.usual()
                                .read(Rig.EMPTY, store.state().what().brief()),
                        -1));
    }

    @Test
    void ofManyQuickChangesOnlyTheNewestIsShown() throws Exception {
        for (int i = 0; i < 41; i++) {
            boolean on = i % 2 == 1;
            store.change(
                    List.of(Change.set(store.state().surveyShown().rig(), "in-music", Productions.TRACK.of(2), on)));
        }
        until(() -> store.state().reading().rig() == store.state().surveyShown().rig());
        assertFalse(leaks());
    }

    @Test
    void whatIsLitIsAlwaysOfTheReadingShown() throws Exception {
        store.select(new Selection.Pair("music", "archive"));
        assertTrue(store.state().shown().bad());
        assertEquals("leak:music>archive", store.state().shown().finding().identity());
        until(() -> store.state().fixes() != null);
        store.change(store.state().fixes().fixes().getFirst().changes());
        until(() -> !leaks());
        assertFalse(store.state().shown().bad());
        assertEquals(null, store.state().shown().finding());
        assertFalse(store.state().shown().cell().delivery().arrives());
    }

    @Test
    void aChangeThatNoLongerFitsIsToldAndNothingIsAltered() {
        Change off = Change.set(store.state().surveyShown().rig(), "in-music", Productions.TRACK.of(2), false);
        store.change(List.of(off));
        Case before = store.state().what();
        store.change(List.of(off));
        assertTrue(store.state().message().isError());
        assertEquals(before, store.state().what());
    }

    @Test
    void savingAndOpeningKeepsTheCaseAndTellsWhatFails() throws Exception {
        offTheArchive();
        Path file = folder.resolve("night.json");
        boolean[] done = new boolean[2];
        store.save(file, false, () -> done[0] = true, () -> {});
        until(() -> done[0]);
        assertFalse(store.state().unsaved());
        store.undo();
        assertTrue(store.state().unsaved(), "what is in the file is no longer what is shown");
        Case before = store.state().what();
        Path broken = Files.writeString(folder.resolve("broken.json"), "{\"format\": \"gullyrun case\", ");
        store.open(broken, () -> done[1] = true);
        until(() -> store.state().message() != null && store.state().message().isError());
        assertTrue(
                store.state().message().text().contains("line 1"),
                store.state().message().text());
        assertEquals(before, store.state().what());
        assertFalse(done[1]);
        store.open(file, () -> done[1] = true);
        until(() -> done[1]);
        assertFalse(leaks());
    }

    @Test
    void whatIsChangedWhileSavingCountsAsNotSaved() throws Exception {
        offTheArchive();
        boolean[] done = {false};
        Path file = folder.resolve("night.json");
        store.save(file, false, () -> done[0] = true, () -> {});
        store.undo();
        until(() -> done[0]);
        assertTrue(store.state().unsaved());
        assertFalse(org.gullyrun.core.casefile.CaseFiles.open(file)
                .equals(store.state().what()));
        store.redo();
        assertFalse(store.state().unsaved(), "now it is again what the file holds");
    }

    @Test
    void aFileThatCannotBeWrittenLeavesTheChangesUnsaved() throws Exception {
        offTheArchive();
        boolean[] done = {false};
        store.save(folder.resolve("no/such/folder/night.json"), false, () -> done[0] = true, () -> {});
        until(() -> store.state().message() != null && store.state().message().isError());
        assertTrue(store.state().unsaved());
        assertFalse(done[0]);
    }

    @Test
    void anotherChangeInThePlaceOfTheOneBeingSavedIsNotTakenForIt() throws Exception {
        offTheArchive();
        boolean[] done = {false};
        store.save(folder.resolve("night.json"), false, () -> done[0] = true, () -> {});
        store.undo();
        store.change(
                List.of(Change.set(store.state().surveyShown().rig(), "in-effects", Productions.TRACK.of(5), false)));
        until(() -> done[0]);
        assertTrue(store.state().unsaved(), "as many steps, but another one");
    }

    @Test
    void aFileChangedBySomebodyElseIsNoticedBeforeItIsSavedOver() throws Exception {
        Path file = folder.resolve("night.json");
        boolean[] done = new boolean[3];
        store.save(file, false, () -> done[0] = true, () -> {});
        until(() -> done[0]);
        String foreign = Files.readString(file).replace("Lantern", "Lamp");
        Files.writeString(file, foreign);
        offTheArchive();
        store.save(file, false, () -> done[0] = false, () -> done[1] = true);
        until(() -> done[1]);
        assertTrue(done[0], "it was not saved");
        assertEquals(foreign, Files.readString(file));
        store.save(file, true, () -> done[2] = true, () -> {});
        until(() -> done[2]);
        assertEquals(store.state().what(), org.gullyrun.core.casefile.CaseFiles.open(file));
    }

    @Test
    void whatACrashLeavesBehindIsOfferedAndTakenUpAsStepsThatCanBeUndone() throws Exception {
        Path file = folder.resolve("night.json");
        org.gullyrun.core.casefile.CaseFiles.save(sample, file);
        Path journals = folder.resolve("journals");
        Store crashed = new Store(sample, file, queue::add, journals, Pace.OF_A_PERSON);
        crashed.change(
                List.of(Change.set(crashed.state().surveyShown().rig(), "in-music", Productions.TRACK.of(2), false)));
        Case unsaved = crashed.state().what();
        crashed.close(); // without saving or giving up, as where the program is ended
        Store next = new Store(sample, file, queue::add, journals, Pace.OF_A_PERSON);
        var left = next.state().leftovers();
        assertEquals(1, left.size());
        next.restore(left.getFirst());
        until(() -> next.state().what().equals(unsaved));
        assertTrue(next.state().unsaved());
        next.undo();
        assertEquals(sample, next.state().what());
        next.giveUp();
        next.close();
        try (var files = Files.list(folder)) {
            assertEquals(
                    List.of("night.json"),
                    files.map(p -> p.getFileName().toString()).sorted().toList(),
                    "nothing is left lying about");
        }
    }

    @Test
    void aSecondWindowOnTheSameFileIsNoticed() throws Exception {
        Path file = folder.resolve("night.json");
        org.gullyrun.core.casefile.CaseFiles.save(sample, file);
        Store one = new Store(sample, file, queue::add, folder.resolve("journals"), Pace.OF_A_PERSON);
        Store two = new Store(sample, file, queue::add, folder.resolve("journals"), Pace.OF_A_PERSON);
        for (Store each : List.of(one, two)) {
            until(() -> each.state().message() != null
                    && each.state().message().text().contains("open in another window"));
        }
        one.close();
        two.close();
    }

    @Test
    void aViewThatAsksAfterTheWindowWasClosedGetsNoAnswerAndDoesNoHarm() {
        store.close();
        boolean[] told = {false};
        store.ask(reading -> 1, one -> told[0] = true);
        store.work("draw", () -> () -> told[0] = true);
        assertFalse(told[0]);
    }
}
