package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.ExamplePair;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Fixes: each verified, the best first, with what it costs. */
class FixesTest {
    private static final Case CASE = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Reading FOUND =
            AUDIT.read(CASE.survey(SampleShow.AS_FOUND).orElseThrow().rig(), CASE.brief());

    private static List<Fix> of(String identity) {
        Finding finding = FOUND.findings().stream()
                .filter(f -> f.identity().equals(identity))
                .findFirst()
                .orElseThrow();
        return new Fixes(AUDIT).find(FOUND, finding, () -> false);
    }

    @Test
    void theObviousFixComesFirst() {
        assertEquals(
                "In Orrery, take input Music off track archive",
                of("leak:music>archive").getFirst().sentence());
        assertEquals(
                "In Brookdesk, switch strip Talk off bus Guests",
                of("loop.far-end:guests>call").getFirst().sentence());
        assertEquals(
                "In Orrery, bring Charts into scene Sky",
                of("scene.gap:charts>live").getFirst().sentence());
        assertEquals(
                "In Orrery, take the copy of House sound out of scene Panel",
                of("double:music>live").getFirst().sentence());
        assertEquals(
                "In Orrery, set the cue device to Tern headset",
                of("missing:crew>host-ears").getFirst().sentence());
        assertEquals(
                "Have Brookdesk start with the computer",
                of("engine.manual:brookdesk").getFirst().sentence());
    }

    @Test
    void ofAVoiceThatArrivesRawAndProcessedTheRawOneIsSilenced() {
        ExamplePair pair = ExamplePair.all().get("double");
        Reading reading = AUDIT.read(Changes.apply(ExamplePair.GOOD, pair.with()), pair.brief());
        Finding finding = reading.findings().stream()
                .filter(f -> f.identity().equals(pair.found()))
                .findFirst()
                .orElseThrow();
        List<Fix> fixes = new Fixes(AUDIT).find(reading, finding, () -> false);
        assertEquals(
                "In Orrery, mute input Host raw", fixes.getFirst().sentence(), "the processor is there for a reason");
        assertEquals(0, fixes.getFirst().merit().unprocessed());
        assertTrue(fixes.stream()
                .anyMatch(f -> f.sentence().equals("In Orrery, mute input Host clean")
                        && f.merit().unprocessed() > 0));
    }

    @TakesLong
    @Test
    void whatAFixSaysIsWhatHappens() {
        for (Finding finding : FOUND.findings().stream().filter(Finding::isBad).toList()) {
            List<Fix> fixes = new Fixes(AUDIT).find(FOUND, finding, () -> false);
            for (Fix fix : fixes.subList(0, Math.min(3, fixes.size()))) {
                Reading after = AUDIT.read(Changes.apply(FOUND.rig(), fix.changes()), CASE.brief());
                List<String> bad = after.findings().stream()
                        .filter(Finding::isBad)
                        .map(Finding::identity)
                        .toList();
                assertTrue(fix.cleared().contains(finding.identity()));
                fix.cleared()
                        .forEach(identity -> assertFalse(bad.contains(identity), fix.sentence() + ": " + identity));
                assertTrue(
                        bad.stream()
                                .allMatch(identity -> fix.created().contains(identity)
                                        || FOUND.findings().stream()
                                                .anyMatch(f -> f.identity().equals(identity))),
                        fix.sentence());
            }
        }
    }

    @Test
    void thePriceNamesWhoLosesWhat() {
        Fix fix = of("leak:music>archive").getFirst();
        assertEquals(List.of("Partner relay loses Music"), fix.sideEffects().words());
        assertEquals("fixes 2 · Partner relay loses Music", fix.price());
        assertEquals(
                "fixes 1 · no side effects",
                of("loop.far-end:guests>call").getFirst().price());
        assertEquals(
                "fixes 7 · causes 3 new, only minor",
                of("double:host>live").getFirst().price(),
                "a side effect too");
    }

    @Test
    void itStopsWhenTold() {
        Finding finding = FOUND.findings().getFirst();
        assertEquals(List.of(), new Fixes(AUDIT).find(FOUND, finding, () -> true));
    }
}
