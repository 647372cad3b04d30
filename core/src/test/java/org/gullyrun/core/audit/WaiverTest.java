package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import java.util.function.Predicate;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** A finding that somebody lives with, and which findings a list shows. */
class WaiverTest {
    private static final Case CASE = SampleShow.make();
    private static final Rig FOUND =
            CASE.survey(SampleShow.AS_FOUND).orElseThrow().rig();
    private static final Reading READING = RuleCatalogue.usual().read(FOUND, CASE.brief());
    private static final String LEAK = "leak:music>archive";

    private static Finding finding(Reading reading, String identity) {
        return reading.findings().stream()
                .filter(f -> f.identity().equals(identity))
                .findFirst()
                .orElseThrow();
    }

    private static boolean isWaived(Rig rig, Waiver waiver) {
        Audit audit = RuleCatalogue.on(new Terms(Terms.USUAL.limits(), List.of(waiver)), 4);
        Reading reading = audit.read(rig, CASE.brief());
        boolean waived = reading.waived().stream().anyMatch(f -> f.identity().equals(waiver.finding()));
        boolean open = reading.findings().stream().anyMatch(f -> f.identity().equals(waiver.finding()));
        assertFalse(waived && open, "told once at most");
        return waived;
    }

    private static <T> Rig with(String id, Setting<T> setting, T value) {
        return Changes.apply(FOUND, List.of(Change.set(FOUND, id, setting, value)));
    }

    @Test
    void aWaiverHoldsUntilWhatItRestsOnChanges() {
        Waiver waiver = READING.waiver(finding(READING, LEAK), "cleared with the label");
        assertTrue(isWaived(FOUND, waiver));
        assertTrue(isWaived(with("music", Sources.LEVEL, -35.0), waiver), "a level that decides nothing");
        assertFalse(isWaived(with("in-music", Productions.TRACK.of(2), false), waiver), "the leak is gone");
        // Music off that input's track, and played to the default instead, which the production records as well.
        Rig byDefault = with("in-music", Productions.TRACK.of(2), false);
        byDefault = Changes.apply(
                byDefault,
                List.of(Change.set(byDefault, "driftbox-out", Applications.PROGRAM_CHOICE, Choice.Special.DEFAULT)));
        Reading other = RuleCatalogue.usual().read(byDefault, CASE.brief());
        assertEquals(LEAK, finding(other, LEAK).identity());
        assertFalse(isWaived(byDefault, waiver), "another way is another matter");
    }

    @Test
    void everyFindingCanBeWaivedAndAllOthersStay() {
        for (Finding finding : READING.findings()) {
            Audit audit =
                    RuleCatalogue.on(new Terms(Terms.USUAL.limits(), List.of(READING.waiver(finding, "seen"))), 4);
            Reading reading = audit.read(FOUND, CASE.brief());
            assertEquals(List.of(finding.identity()), identities(reading.waived()), finding.identity());
            List<String> others = identities(READING.findings());
            others = others.stream().filter(i -> !i.equals(finding.identity())).toList();
            assertEquals(others, identities(reading.findings()));
        }
    }

    private static List<String> identities(List<Finding> findings) {
        return findings.stream().map(Finding::identity).toList();
    }

    @Test
    void aFilterLetsThroughWhatIsAskedForAndNothingElse() {
        assertTrue(READING.findings().stream().allMatch(f -> FindingFilter.ALL.lets(f, -1)));
        Random random = new Random(4);
        List<String> outlets = FOUND.of(Kind.OUTLET).stream().map(e -> e.id()).toList();
        List<String> sources = FOUND.of(Kind.SOURCE).stream().map(e -> e.id()).toList();
        List<String> rules =
                READING.findings().stream().map(Finding::rule).distinct().toList();
        int some = 0;
        for (int i = 0; i < 2_000; i++) {
            Severity least = random.nextInt(3) > 0 ? null : Severity.values()[random.nextInt(4)];
            String outlet = random.nextBoolean() ? "" : outlets.get(random.nextInt(outlets.size()));
            String source = random.nextBoolean() ? "" : sources.get(random.nextInt(sources.size()));
            String rule = random.nextInt(3) > 0 ? "" : rules.get(random.nextInt(rules.size()));
            int scene = random.nextInt(-1, 4);
            FindingFilter filter = FindingFilter.ALL
                    .withLeast(least)
                    .withOutlet(outlet)
                    .withSource(source)
                    .withRule(rule);
            Predicate<Finding> wanted = f -> (least == null || f.severity().ordinal() <= least.ordinal())
                    && (outlet.isEmpty()
                            || f.subject().outlet().equals(outlet)
                            || f.subject().elements().contains(outlet))
                    && (source.isEmpty() || f.subject().source().equals(source))
                    && (rule.isEmpty() || f.rule().equals(rule))
                    && (scene < 0 || f.scenes().isEmpty() || f.scenes().contains(scene));
            for (Finding finding : READING.findings()) {
                assertEquals(wanted.test(finding), filter.lets(finding, scene), filter + " " + finding.identity());
                some += wanted.test(finding) ? 1 : 0;
            }
        }
        assertTrue(some > 1_000, "the filters let something through: " + some);
    }
}
