package org.gullyrun.core.casefile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** Edits and their journal: nothing that was handed over may be lost or read as something else. */
class JournalTest extends JournalChecks {

    @Test
    void everyEditHasAnInverseAndIsReadAsItWasWritten() throws Exception {
        Case at = sample;
        for (Edit edit : edits()) {
            Case next = edit.apply(at);
            assertFalse(next.equals(at));
            assertEquals(at, edit.inverse().apply(next));
            assertEquals(
                    edit,
                    EditCodec.read(
                            CaseReader.JSON.readTree(EditCodec.write(edit).toString())));
            assertThrows(Edit.Misfit.class, () -> edit.apply(next), "it does not fit twice");
            at = next;
        }
    }

    @Test
    void theDifferenceOfAnyTwoRigsOutlivesTheJournal() throws Exception {
        for (long seed = 1; seed <= RandomRigs.many(40, 600); seed++) {
            Rig from = RandomRigs.of(seed);
            Rig to = RandomRigs.of(seed + 1_000_000);
            // Ids of one sort in both: what is another kind of thing in the other cannot become it.
            List<Change> changes = new ArrayList<>();
            from.elements().forEach(e -> changes.add(new Change.Remove(e)));
            Edit away = new Edit.OfRig("s", changes);
            Edit come = new Edit.OfRig("s", Changes.between(Rig.EMPTY, to));
            Case what = new Case("c", "", 4, "", List.of(new Survey("s", "s", "", "", from, Map.of())), Brief.EMPTY);
            Case want = come.apply(away.apply(what));
            Case read = what;
            for (Edit edit : List.of(away, come)) {
                read = EditCodec.read(
                                CaseReader.JSON.readTree(EditCodec.write(edit).toString()))
                        .apply(read);
            }
            assertEquals(want, read, "seed " + seed);
        }
    }

    @TakesLong
    @Test
    void aJournalCutOffAtAnyByteGivesWhatWasWholeBeforeIt() throws Exception {
        Path file = folder.resolve("night.json");
        Journal journal = journal(file);
        Case at = sample;
        List<Case> cases = new ArrayList<>(List.of(at));
        for (Edit edit : edits()) {
            journal.append(at, "stamp", edit, "step " + cases.size());
            at = edit.apply(at);
            cases.add(at);
        }
        written(journal);
        byte[] whole = Files.readAllBytes(journal.path());
        int stride = RandomRigs.many(797, 97);
        int tail = RandomRigs.many(150, 2_000);
        int known = 0;
        Path cut = folder.resolve("cut.journal");
        int first = new String(whole, java.nio.charset.StandardCharsets.ISO_8859_1).indexOf('\n') + 1;
        for (int length = first; length <= whole.length; ) {
            Files.write(cut, Arrays.copyOf(whole, length));
            UnsavedChanges left = UnsavedChanges.read(cut, file);
            int steps = left == null ? 0 : left.steps().size();
            assertTrue(steps >= known, "more bytes cannot give less");
            known = steps;
            assertEquals(cases.get(steps), left == null ? sample : left.made());
            length += length >= whole.length - tail ? 1 : Math.min(stride, whole.length - tail - length);
        }
        assertEquals(edits().size(), known);
        Files.write(cut, Arrays.copyOf(whole, first / 2));
        assertNull(UnsavedChanges.read(cut, file));
        journal.close(false);
    }

    @Test
    void aHeldJournalTellsOfAnotherWindowAndALeftOneGivesItsChangesBack() throws Exception {
        Path file = folder.resolve("night.json");
        CaseFiles.save(sample, file);
        Journal mine = journal(file);
        Journal other = journal(file);
        assertEquals(
                1,
                UnsavedChanges.find(file, folder.resolve("else"), mine.path()).others());
        Edit edit = edits().getFirst();
        other.append(sample, FileStamp.of(file), edit, "set the level");
        other.close(true); // as a crash: what was unsaved stays
        UnsavedChanges.Found found = UnsavedChanges.find(file, folder.resolve("else"), mine.path());
        assertEquals(0, found.others());
        assertEquals(1, found.leftovers().size());
        UnsavedChanges left = found.leftovers().getFirst();
        assertEquals(edit.apply(sample), left.made());
        assertEquals("set the level", left.steps().getFirst().name());
        assertEquals(FileStamp.of(file), left.stamp());
        left.drop();
        mine.append(sample, "", edit, "x");
        mine.saved(edit.apply(sample), "", List.of());
        written(mine);
        assertEquals(0, Files.size(mine.path()), "what is saved needs no journal");
        mine.close(true);
        assertFalse(Files.exists(mine.path()));
    }

    @Test
    void whereNothingCanBeWrittenBesideTheCaseItIsJournaledElsewhere() throws Exception {
        Path file = folder.resolve("no-such-folder").resolve("night.json");
        Journal journal = journal(file);
        assertNotNull(journal);
        journal.append(sample, "", edits().getFirst(), "x");
        journal.close(true);
        UnsavedChanges.Found found = UnsavedChanges.find(file, folder.resolve("else"), null);
        assertEquals(1, found.leftovers().size());
        assertEquals(
                file.toAbsolutePath().normalize(), found.leftovers().getFirst().file());
    }

    private UnsavedChanges read(Path file, List<String> lines) throws Exception {
        Path damaged = folder.resolve("damaged.journal");
        Files.write(damaged, lines);
        return Objects.requireNonNull(UnsavedChanges.read(damaged, file));
    }

    @Test
    void aDamagedLineIsCountedAndWhatFollowsItIsKept() throws Exception {
        Path file = folder.resolve("night.json");
        List<String> lines = lines(file);
        List<String> flipped = new ArrayList<>(lines);
        flipped.set(3, flipped.get(3).replace("-40", "-41")); // still JSON, but not what was written
        UnsavedChanges left = read(file, flipped);
        assertEquals(edits().size() - 1, left.steps().size());
        assertEquals(1, left.unreadable());
        assertEquals("Another title", left.made().title(), "the last edit is made");
        assertEquals(sample.brief(), left.made().brief(), "the damaged one is not");

        List<String> gap = new ArrayList<>(lines);
        gap.remove(1);
        gap.remove(1);
        assertEquals(2, read(file, gap).unreadable(), "lines that are not there are missed by their numbers");
        List<String> twice = new ArrayList<>(lines);
        twice.add(2, lines.get(1));
        assertEquals(1, read(file, twice).unreadable(), "a line counts once");
    }

    @Test
    void aJournalThatCannotBeReadAtAllIsNamedAndStays() throws Exception {
        Path file = folder.resolve("night.json");
        Path bad = Files.writeString(folder.resolve(".night.json.1-1.journal"), "no journal\nat all\n");
        UnsavedChanges.Found found = UnsavedChanges.find(file, folder.resolve("else"), null);
        assertEquals(List.of(bad), found.damaged());
        assertTrue(Files.exists(bad));
    }

    @Test
    void aJournalOfNothingButLineEndsIsNoneThatCanBeRead() throws Exception {
        Path file = folder.resolve("night.json");
        for (String text : List.of("", "\n", "\n\n", "\r\n\n", " \n")) {
            Path bad = Files.writeString(folder.resolve(".night.json.1-1.journal"), text);
            assertNull(UnsavedChanges.read(bad, file), "“" + text.replace("\n", "↵") + "”");
        }
    }

    @Test
    void aJournalNeverDecidesWhereACaseIsSaved() throws Exception {
        Path file = folder.resolve("night.json");
        String head = lines(file).getFirst();
        String json = head.substring(0, head.lastIndexOf('\t')).replaceFirst("\\{", "{\"file\":\"/etc/passwd\",");
        List<String> lines = new ArrayList<>(lines(file));
        lines.set(0, JournalLine.write(json).strip());
        assertEquals(file, read(file, lines).file());
    }

    @Test
    void linksAndPipesAreNoJournals() throws Exception {
        Path file = folder.resolve("night.json");
        Path real = Files.write(folder.resolve("real"), lines(file));
        Files.createSymbolicLink(folder.resolve(".night.json.1-1.journal"), real);
        Process mkfifo = new ProcessBuilder(
                        "mkfifo", folder.resolve(".night.json.2-1.journal").toString())
                .start();
        assertEquals(0, mkfifo.waitFor());
        UnsavedChanges.Found found = UnsavedChanges.find(file, folder.resolve("else"), null);
        assertEquals(List.of(), found.leftovers());
        assertEquals(List.of(), found.damaged());
        assertTrue(Files.exists(real));
    }

    @Test
    void aJournalIsNotOpenToMoreThanItsCase() throws Exception {
        Path file = folder.resolve("night.json");
        CaseFiles.save(sample, file);
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
        Journal journal = journal(file);
        assertEquals("rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(journal.path())));
        journal.append(sample, "", edits().getFirst(), "x");
        journal.saved(sample, "", List.of(new Journal.Entry(edits().getFirst(), "x")));
        written(journal);
        assertEquals("rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(journal.path())));
        journal.close(false);
        Journal none = Objects.requireNonNull(Journal.open(null, folder.resolve("else"), Clock.systemUTC(), why -> {}));
        assertEquals("rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(none.path())));
        none.close(false);
    }
}
