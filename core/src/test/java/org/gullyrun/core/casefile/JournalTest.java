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
import java.util.concurrent.CountDownLatch;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Edits and their journal: nothing that was handed over may be lost or read as something else. */
class JournalTest {
    private final Case sample = SampleShow.make();

    @TempDir
    Path folder;

    /** One edit of every sort, each fitting the case after the ones before. */
    private List<Edit> edits() {
        Rig rig = sample.surveys().getFirst().rig();
        String survey = sample.surveys().getFirst().id();
        Brief.Cell cell = new Brief.Cell("music", "archive", "");
        Survey copy = new Survey("after", "after repair, „geprüft“", "15 Nov", "", rig, Map.of());
        Edit.About about = Edit.About.of(sample);
        return List.of(
                new Edit.OfRig(
                        survey,
                        List.of(Objects.requireNonNull(Change.set(rig, "in-music", Productions.INPUT_LEVEL, -7.25)))),
                new Edit.OfRig(survey, Changes.removal(rig, "brookdesk")),
                new Edit.OfBrief(List.of(
                        new BriefChange.OfCell(cell, sample.brief().cells().get(cell), Wish.MUST),
                        new BriefChange.OfWindow(cell, null, new Brief.Window(-40.0, null)),
                        new BriefChange.OfVoice("live", null, 6.0))),
                new Edit.Several(List.of(
                        new Edit.OfSurvey(2, null, copy),
                        new Edit.OfSurvey(2, copy, new Survey("after", "checked", "", "with\nlines", rig, Map.of())))),
                new Edit.OfCase(
                        about,
                        new Edit.About(
                                "Another title",
                                "a note",
                                2.5,
                                "after",
                                new Terms(
                                        Map.of("leak.minor", -33.0), List.of(new Waiver("leak:a>b", "known", "x"))))));
    }

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
        for (long seed = 1; seed <= RandomRigs.many(80, 600); seed++) {
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

    private Journal journal(Path file) {
        return Objects.requireNonNull(Journal.open(file, folder.resolve("else"), Clock.systemUTC(), why -> {}));
    }

    private static void written(Journal journal) throws InterruptedException {
        CountDownLatch latch = new CountDownLatch(1);
        journal.whenWritten(latch::countDown);
        latch.await();
    }

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

    /** A journal left behind with all the edits in it, and what the case is after each. */
    private List<String> lines(Path file) throws Exception {
        Journal journal = journal(file);
        Case at = sample;
        for (Edit edit : edits()) {
            journal.append(at, "stamp", edit, "step");
            at = edit.apply(at);
        }
        journal.close(true);
        List<String> lines = Files.readAllLines(journal.path());
        Files.delete(journal.path());
        return lines;
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
