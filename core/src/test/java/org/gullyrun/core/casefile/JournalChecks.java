package org.gullyrun.core.casefile;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CountDownLatch;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.io.TempDir;

/** Journals of the sample show, with an edit of every sort. */
abstract class JournalChecks {
    final Case sample = SampleShow.make();

    @TempDir
    Path folder;

    /** One edit of every sort, each fitting the case after the ones before. */
    List<Edit> edits() {
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
                                        Map.of("leak.minor", -33.0),
                                        List.of(new Waiver("leak:a>b", "known", "x")),
                                        new Complaint("call", Complaint.What.TWICE, "", "since the update")))));
    }

    Journal journal(Path file) {
        return Objects.requireNonNull(Journal.open(file, folder.resolve("else"), Clock.systemUTC(), why -> {}));
    }

    static void written(Journal journal) throws InterruptedException {
        CountDownLatch latch = new CountDownLatch(1);
        journal.whenWritten(latch::countDown);
        latch.await();
    }

    /** A journal left behind with all the edits in it, and what the case is after each. */
    List<String> lines(Path file) throws Exception {
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
}
