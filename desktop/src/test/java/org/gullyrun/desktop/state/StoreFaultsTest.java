package org.gullyrun.desktop.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What goes wrong is told, stays told as long as it is so, and loses nothing. */
class StoreFaultsTest {
    private final BlockingQueue<Runnable> queue = new LinkedBlockingQueue<>();
    private final Case sample = SampleShow.make();

    @TempDir
    Path folder;

    private void until(BooleanSupplier is) throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
        while (!is.getAsBoolean()) {
            assertTrue(System.nanoTime() < end, "waited in vain");
            Runnable next = queue.poll(50, TimeUnit.MILLISECONDS);
            if (next != null) {
                next.run();
            }
        }
    }

    /** More pairs of sources and listeners than are worked out. */
    private static Case tooLarge() {
        List<Element> all = new ArrayList<>();
        all.add(Element.of(Kind.DEVICE, "d").with(Devices.DIRECTION, Devices.Direction.PLAYBACK));
        for (int i = 0; i < 2_100; i++) {
            all.add(Element.of(Kind.SOURCE, "s" + i).with(Sources.AT, "d"));
            all.add(Element.of(Kind.OUTLET, "o" + i)
                    .with(Outlets.SORT, Outlets.Sort.EARS)
                    .with(Outlets.DEVICE, Choice.to("d")));
        }
        Survey survey = new Survey("s", "s", "", "", Rig.of(all), Map.of());
        return new Case("Too large", "", 4, "", List.of(survey), Brief.EMPTY);
    }

    private static Change offTheArchive(Store store) {
        return Change.set(store.state().surveyShown().rig(), "in-music", Productions.TRACK.of(2), false);
    }

    @Test
    void aCaseThatCannotBeAuditedOpensAndSaysSoAsLongAsItIsSo() throws Exception {
        Path file = folder.resolve("large.json");
        CaseFiles.save(tooLarge(), file);
        Store store = new Store(sample, null, queue::add);
        assertEquals("", store.state().alerts().told());
        boolean[] shown = {false};
        store.open(file, () -> shown[0] = true);
        until(() -> shown[0]);
        assertEquals("Too large", store.state().what().title());
        assertTrue(
                store.state().alerts().told().contains("can't be audited"),
                store.state().alerts().told());
        assertTrue(store.state().alerts().told().contains("4,410,000"), "with its numbers");
        assertTrue(store.state().isAnswerOld());
        store.dismiss();
        assertFalse(store.state().alerts().told().isEmpty(), "a message goes, this stays");
        // Half of the listeners go: then it can be.
        List<Change> fewer = new ArrayList<>();
        store.state().surveyShown().rig().of(Kind.OUTLET).stream()
                .limit(1_900)
                .forEach(o -> fewer.add(new Change.Remove(o)));
        store.change(fewer, "fewer");
        until(() -> store.state().alerts().told().isEmpty());
        assertFalse(store.state().isAnswerOld());
        store.close();
    }

    @Test
    void aFaultOfTheProgramIsWrittenIntoAFileWithWhereItHappened() throws Exception {
        Path state = folder.resolve("state 100%");
        FailureLog.into(state);
        try {
            FailureLog.write("audit failed", new IllegalStateException("a fault — planted"));
            FailureLog.write("audit failed", new IllegalStateException("another"));
            String written = Files.readString(state.resolve("gullyrun.log"));
            assertTrue(written.contains("audit failed"), written);
            assertTrue(written.contains("IllegalStateException: a fault — planted"), written);
            assertTrue(written.contains("StoreFaultsTest.java"), "where it happened");
            assertTrue(written.contains("another"), "the next is added");
        } finally {
            FailureLog.into(folder.resolve("elsewhere"));
        }
    }

    @Test
    void anEditThatCannotBeAuditedLeavesTheOldAnswerMarkedAsSuch() throws Exception {
        Case large = tooLarge();
        Rig rig = large.surveys().getFirst().rig();
        List<Change> come = new ArrayList<>();
        rig.elements().forEach(e -> come.add(new Change.Add(e)));
        Store store = new Store(sample, null, queue::add);
        var before = store.state().reading();
        store.change(come, "too much");
        until(() -> !store.state().alerts().failure().isEmpty());
        assertEquals(before, store.state().reading(), "what was last worked out is still shown");
        assertTrue(store.state().isAnswerOld());
        store.undo();
        until(() ->
                !store.state().isAnswerOld() && store.state().alerts().failure().isEmpty());
        store.close();
    }

    @Test
    void whereNoJournalCanBeWrittenThatIsSaidAllTheTime() throws Exception {
        Path taken = Files.writeString(folder.resolve("taken"), "a file, where a folder would have to be");
        Store store = new Store(sample, null, queue::add, taken.resolve("journals"), Pace.OF_A_PERSON);
        assertTrue(
                store.state().alerts().told().contains("Save often"),
                store.state().alerts().told());
        store.change(List.of(offTheArchive(store)));
        assertTrue(store.state().alerts().noJournal());
        Path file = folder.resolve("night.json");
        boolean[] done = {false};
        store.save(file, false, () -> done[0] = true, () -> {});
        until(() -> done[0]);
        assertFalse(store.state().alerts().noJournal(), "beside the case there is a place for one");
        store.giveUp();
        store.close();
    }

    @Test
    void ownSavesAreNotTakenForSomebodyElses() throws Exception {
        Path file = folder.resolve("night.json");
        CaseFiles.save(sample, file);
        Store store = new Store(sample, file, queue::add, folder.resolve("journals"), Pace.OF_A_PERSON);
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(RandomRigs.many(2, 10));
        for (int i = 0; System.nanoTime() < end; i++) {
            boolean on = i % 2 == 1;
            store.change(
                    List.of(Change.set(store.state().surveyShown().rig(), "in-music", Productions.TRACK.of(2), on)));
            boolean[] done = {false};
            store.save(file, false, () -> done[0] = true, () -> done[0] = true);
            until(() -> done[0]);
            assertFalse(
                    store.state().message() != null
                            && store.state().message().text().contains("another program"),
                    "of its own save");
            Files.setLastModifiedTime(file, FileTime.fromMillis(1_000L * i));
        }
        store.close();
    }

    @Test
    void unsavedChangesThatCannotBeReadAreNamed() throws Exception {
        Path file = folder.resolve("night.json");
        CaseFiles.save(sample, file);
        Path damaged = Files.writeString(folder.resolve(".night.json.1-1.journal"), "not a journal\n");
        Store store = new Store(sample, file, queue::add, folder.resolve("journals"), Pace.OF_A_PERSON);
        assertTrue(store.state().message().text().contains(damaged.getFileName().toString()));
        assertTrue(store.state().message().isError());
        store.close();
        assertTrue(Files.exists(damaged), "it is kept");
    }

    @Test
    void givingUpOneCaseDoesNotGiveUpTheNext() throws Exception {
        Path file = folder.resolve("night.json");
        CaseFiles.save(sample, file);
        Path journals = folder.resolve("journals");
        Store store = new Store(sample, file, queue::add, journals, Pace.OF_A_PERSON);
        store.giveUp();
        boolean[] shown = {false};
        store.open(file, () -> shown[0] = true);
        until(() -> shown[0]);
        store.change(List.of(offTheArchive(store)));
        Case unsaved = store.state().what();
        store.close();
        Store next = new Store(sample, file, queue::add, journals, Pace.OF_A_PERSON);
        assertEquals(unsaved, next.state().leftovers().getFirst().made());
        next.close();
    }

    @TakesLong
    @Test
    void rootCausesOfARigBeforeAreMarkedAtOnce() throws Exception {
        Store store = new Store(sample, null, queue::add);
        until(() -> store.state().causes().done());
        assertFalse(store.state().alerts().causesOld());
        store.change(List.of(offTheArchive(store)));
        assertTrue(store.state().alerts().causesOld());
        until(() -> !store.state().alerts().causesOld());
        assertTrue(store.state().causes().ended());
        store.close();
    }

    @Test
    void aFindingOfARuleThatTakesLongIsNotCalledClearedBeforeThatWasAskedAgain() throws Exception {
        Case good =
                sample.withSurveys(List.of(sample.survey(SampleShow.KNOWN_GOOD).orElseThrow()));
        Store store = new Store(good, null, queue::add);
        String fragile = "default.fragile";
        until(() -> store.state().reading().findings().stream()
                .anyMatch(f -> f.rule().equals(fragile)));
        String identity = store.state().reading().findings().stream()
                .filter(f -> f.rule().equals(fragile))
                .findFirst()
                .orElseThrow()
                .identity();
        store.select(new Selection.Trouble(identity));
        store.change(
                List.of(Change.set(store.state().surveyShown().rig(), "in-effects", Productions.TRACK.of(1), false)));
        until(() -> !store.state().isAnswerOld());
        if (store.state().shown().finding() == null) {
            assertFalse(store.state().reading().asks(fragile), "it is being asked again, not gone");
        }
        until(() -> store.state().shown().finding() != null);
        assertEquals(identity, store.state().shown().finding().identity());
        store.close();
    }
}
