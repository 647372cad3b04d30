package org.gullyrun.core.casefile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CountDownLatch;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** What becomes of a journal when its case is saved. */
class JournalSaveTest extends JournalChecks {

    @Test
    void afterASaveTheJournalHoldsWhatCameMeanwhileAndIsStillHeld() throws Exception {
        Path file = folder.resolve("night.json");
        Journal journal = journal(file);
        List<Edit> edits = edits();
        Case saved = edits.getFirst().apply(sample);
        journal.append(sample, "old", edits.getFirst(), "first");
        journal.append(saved, "old", edits.get(1), "second");
        journal.saved(saved, "new", List.of(new Journal.Entry(edits.get(1), "second")));
        journal.append(edits.get(1).apply(saved), "new", edits.get(2), "third");
        written(journal);
        assertEquals(1, UnsavedChanges.find(file, folder.resolve("else"), null).others());
        Path copy = Files.copy(journal.path(), folder.resolve("copy.journal"));
        UnsavedChanges left = Objects.requireNonNull(UnsavedChanges.read(copy, file));
        assertEquals("new", left.stamp());
        assertEquals(saved, left.base());
        assertEquals(
                List.of("second", "third"),
                left.steps().stream().map(UnsavedChanges.Step::name).toList());
        assertEquals(0, left.unreadable());
        journal.close(false);
    }

    @Test
    void whileAJournalIsWrittenAnewEveryLineIsInOneOfThemAndItStaysHeld() throws Exception {
        Path file = folder.resolve("night.json");
        CaseFiles.save(sample, file);
        Journal journal = journal(file);
        Case at = sample;
        for (int i = 1; i <= 60; i++) {
            Rig rig = at.surveys().getFirst().rig();
            Edit edit = new Edit.OfRig(
                    at.surveys().getFirst().id(),
                    List.of(Objects.requireNonNull(Change.set(rig, "in-music", Productions.INPUT_LEVEL, -i / 10.0))));
            journal.append(at, "s", edit, "step " + i);
            Case before = at;
            at = edit.apply(at);
            if (i % 3 == 0) {
                CaseFiles.save(before, file); // as it stood when the save began
                journal.saved(before, FileStamp.of(file), List.of(new Journal.Entry(edit, "step " + i)));
            }
            // What the next start would see if the process ended just here.
            Path copy = folder.resolve("copy.journal");
            CountDownLatch handed = new CountDownLatch(1);
            journal.whenWritten(handed::countDown);
            handed.await();
            Files.copy(journal.path(), copy, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            UnsavedChanges left = Objects.requireNonNull(UnsavedChanges.read(copy, file));
            assertEquals(at, left.made(), "step " + i);
            assertEquals(0, left.unreadable());
            assertEquals(
                    1, UnsavedChanges.find(file, folder.resolve("else"), null).others());
        }
        journal.close(true);
        assertEquals(
                at,
                UnsavedChanges.find(file, folder.resolve("else"), null)
                        .leftovers()
                        .getFirst()
                        .made());
        try (var left = Files.list(folder)) {
            assertTrue(left.noneMatch(p -> p.toString().contains(".part")), "no parts are left lying about");
        }
    }

    @Test
    void aCrashBeforeTheRenameLosesNothingThatOnlyTheNewJournalHas() throws Exception {
        Path file = folder.resolve("night.json");
        CaseFiles.save(sample, file);
        List<String> all = lines(file);
        Path old = folder.resolve(".night.json.4242-1.journal");
        Path first = folder.resolve(old.getFileName() + ".part9");
        Path second = folder.resolve(old.getFileName() + ".part10");
        Files.write(old, all.subList(0, 2));
        Files.write(first, all.subList(0, 3));
        Files.write(second, all);
        UnsavedChanges left = UnsavedChanges.find(file, folder.resolve("else"), null)
                .leftovers()
                .getFirst();
        assertEquals(all.size() - 1, left.steps().size());
        assertEquals(old, left.journal());
        assertFalse(Files.exists(first) || Files.exists(second));

        Files.write(second, List.of(all.getFirst().substring(9))); // the crash came before it was whole
        left = UnsavedChanges.find(file, folder.resolve("else"), null)
                .leftovers()
                .getFirst();
        assertEquals(all.size() - 1, left.steps().size());
        assertFalse(Files.exists(second));
    }

    @Test
    void whatIsInTheFileAlreadyIsNotOfferedAgain() throws Exception {
        Path file = folder.resolve("night.json");
        Edit edit = edits().getFirst();
        Journal journal = journal(file);
        journal.append(sample, "", edit, "x");
        journal.close(true);
        assertEquals(
                1,
                UnsavedChanges.find(file, folder.resolve("else"), null)
                        .leftovers()
                        .size());
        CaseFiles.save(edit.apply(sample), file); // and the crash came before the journal knew
        assertEquals(
                0,
                UnsavedChanges.find(file, folder.resolve("else"), null)
                        .leftovers()
                        .size());
        assertFalse(Files.exists(journal.path()));
    }
}
