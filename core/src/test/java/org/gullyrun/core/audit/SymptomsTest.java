package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the creator reports is kept with the case, and what can be behind it comes first. */
class SymptomsTest {
    private static final Case SHOW = SampleShow.make();
    private static final Rig FOUND =
            SHOW.survey(SampleShow.AS_FOUND).orElseThrow().rig();

    @TempDir
    Path folder;

    private static final Reading READING = RuleCatalogue.on(Terms.USUAL, 4).read(FOUND, SHOW.brief());

    private static List<Finding> found(Complaint complaint) {
        return RuleCatalogue.on(Terms.USUAL.with(complaint), 4)
                .read(FOUND, SHOW.brief())
                .findings();
    }

    private static List<Finding> first(Complaint complaint) {
        return found(complaint).stream()
                .takeWhile(f -> READING.fits(complaint, f))
                .toList();
    }

    @Test
    void theHostWhoHearsEverythingTwiceReadsOfDoublesFirst() {
        Complaint complaint = new Complaint("live", What.TWICE, "host", "since the update");
        List<Finding> fitting = first(complaint);
        assertTrue(fitting.stream().anyMatch(f -> f.identity().equals("double:host>live")), fitting.toString());
        assertTrue(fitting.stream()
                .allMatch(f ->
                        f.subject().source().isEmpty() || f.subject().source().equals("host")));
        assertTrue(fitting.stream()
                .allMatch(f ->
                        f.subject().outlet().isEmpty() || f.subject().outlet().equals("live")));
    }

    @Test
    void everyFindingIsStillThereAndThoseThatFitAreAllBeforeTheOthers() {
        Set<String> all = found(Complaint.NONE).stream().map(Finding::identity).collect(Collectors.toSet());
        for (What what : What.values()) {
            Complaint complaint = Complaint.NONE.with(what);
            List<Finding> findings = found(complaint);
            assertEquals(
                    all, new HashSet<>(findings.stream().map(Finding::identity).toList()), what.word());
            int fitting = first(complaint).size();
            assertTrue(findings.stream().skip(fitting).noneMatch(f -> READING.fits(complaint, f)), what.word());
        }
    }

    @Test
    void aHowlIsALoopAndNothingElse() {
        assertTrue(first(Complaint.NONE.with(What.HOWL)).stream()
                .allMatch(f -> f.rule().startsWith("loop.")));
        assertFalse(first(Complaint.NONE.with(What.HOWL)).isEmpty());
    }

    @Test
    void eachRuleSaysAsWhatItsFindingsAreReported() {
        assertEquals(Set.of("leak", "track.mixed", "loop.far-end"), rules(What.NOT_MEANT));
        assertEquals(Set.of("missing", "scene.gap", "rate.drift", "device.fallback"), rules(What.CUTS_OUT));
        assertEquals(Set.of("late.apart", "late.self"), rules(What.LATE));
        assertEquals(Set.of("missing", "level.balance", "level.window"), rules(What.TOO_QUIET));
    }

    private static Set<String> rules(What what) {
        return RuleCatalogue.ALL.stream()
                .filter(rule -> rule.heardAs().contains(what))
                .map(Rule::id)
                .collect(Collectors.toSet());
    }

    @Test
    void withNothingReportedNothingFits() {
        assertTrue(found(Complaint.NONE).stream().noneMatch(f -> READING.fits(Complaint.NONE, f)));
        Complaint onlySince = Complaint.NONE.withSince("always");
        assertTrue(found(onlySince).stream().noneMatch(f -> READING.fits(onlySince, f)));
    }

    @Test
    void itIsKeptInTheFile() throws Exception {
        Complaint complaint = new Complaint("host-ears", What.NOTHING, "crew", "a new headset");
        Edit.About about = Edit.About.of(SHOW);
        Case reported = new Edit.OfCase(about, about.with(about.terms().with(complaint))).apply(SHOW);
        Path file = folder.resolve("show.json");
        CaseFiles.save(reported, file);
        assertEquals(complaint, CaseFiles.open(file).terms().complaint());
        assertEquals(
                SHOW,
                new Edit.OfCase(about, about.with(about.terms().with(complaint)))
                        .inverse()
                        .apply(reported));
        CaseFiles.save(SHOW, file);
        assertFalse(Files.readString(file).contains("complaint"), "nothing is written where nothing is reported");
    }

    @Test
    void aWordThatIsNoneIsRefusedWithThoseThatAre() throws Exception {
        Path file = folder.resolve("odd.json");
        Files.writeString(
                file,
                "{\"format\":\"gullyrun case\",\"version\":1,\"complaint\":{\"what\":\"weird\"},"
                        + "\"surveys\":[{\"id\":\"a\",\"rig\":{}}]}");
        CaseProblem e = assertThrows(CaseProblem.class, () -> CaseFiles.open(file));
        assertTrue(e.getMessage().contains("complaint.what") && e.getMessage().contains("a howl"), e.getMessage());
    }
}
