package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.fix.Together;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

class RepairCausesTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static RootCauses.Found causes(Reading reading) {
        return RootCauses.of(AUDIT, reading, () -> false, x -> {});
    }

    @TakesLong
    @Test
    void whereTheFirstCauseIsADetourTheRepairHasTheCauses() {
        StartingRigs.Starting panel = StartingRigs.all().stream()
                .filter(s -> s.title().contains("panel"))
                .findFirst()
                .orElseThrow();
        Rig well = panel.rig();
        Rig broken = Changes.apply(
                well,
                List.of(
                        Objects.requireNonNull(Change.set(well, "thrush-microphone", Devices.MUTED, true)),
                        Objects.requireNonNull(Change.set(well, "mixer-to-first-call", Devices.LEVEL, -40.0)),
                        Objects.requireNonNull(Change.set(well, "host", Mixers.FEED, Choice.to("mixer-to-the-show")))));
        Reading reading = AUDIT.read(broken, panel.brief());
        RootCauses.Found first = causes(reading);
        assertTrue(RepairCauses.mayDoBetter(first));
        assertFalse(first.left().isEmpty(), "the strip is muted, and what it should bring stays missing");

        RootCauses.Found better = new RepairCauses(AUDIT, null, reading, Conditions.NONE, () -> false).better(first);
        assertEquals(
                new HashSet<>(Changes.between(broken, well)),
                new HashSet<>(Together.of(broken, better.groups())),
                "exactly what was planted is taken back");
        assertTrue(better.done() && better.left().isEmpty());
        assertSame(
                first, new RepairCauses(AUDIT, null, reading, Conditions.NONE, () -> true).better(first), "cancelled");
    }

    /** Whatever the rig: no more is left than before, and what the causes say they leave is what an audit from scratch finds. */
    @TakesLong
    @Test
    void onRandomRigsTheCausesNeverLeaveMoreAndTellTheTruth() {
        int better = 0;
        for (int seed = 0; seed < RandomRigs.many(20, 2000); seed++) {
            Rig rig = RandomRigs.of(seed);
            Reading reading = AUDIT.read(rig, RandomRigs.brief(rig, new Random(seed)));
            RootCauses.Found first = causes(reading);
            RootCauses.Found found = new RepairCauses(AUDIT, null, reading, Conditions.NONE, () -> false).better(first);
            assertTrue(found.done(), "seed " + seed);
            assertTrue(bad(found.left()).size() <= bad(first.left()).size(), "seed " + seed);
            List<Change> changes = found.groups().isEmpty() ? List.of() : Together.of(rig, found.groups());
            Reading after = AUDIT.read(Changes.apply(rig, changes), reading.brief());
            Set<String> before = bad(reading.findings());
            assertTrue(
                    bad(found.left())
                            .containsAll(bad(after.findings()).stream()
                                    .filter(before::contains)
                                    .toList()),
                    "seed " + seed);
            better += found == first ? 0 : 1;
        }
        assertTrue(better > 0, "some are better");
    }

    private static Set<String> bad(List<Finding> findings) {
        return findings.stream().filter(Finding::isBad).map(Finding::identity).collect(Collectors.toSet());
    }

    @Test
    void whereAlmostEveryCauseStandsByItselfTheRepairIsNotAsked() {
        Case show = SampleShow.make();
        Reading found =
                AUDIT.read(show.survey(SampleShow.AS_FOUND).orElseThrow().rig(), show.brief());
        RootCauses.Found causes = causes(found);
        assertFalse(RepairCauses.mayDoBetter(causes));
    }

    @Test
    void whatWasAgreedOnComesBeforeAllElseThoughOtherChangesFixMoreAtOnce() {
        Case show = SampleShow.make();
        Rig rig = show.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        Reading found = AUDIT.read(rig, show.brief());
        RootCauses.Found causes = causes(found);
        List<Change> agreed = causes.groups().get(3).fix().changes();
        RootCauses.Found by = RootCauses.of(new Fixes(AUDIT), found, () -> false, agreed);
        assertEquals(agreed, by.groups().getFirst().fix().changes());
        assertEquals(
                new HashSet<>(Together.of(rig, causes.groups())),
                new HashSet<>(Together.of(rig, by.groups())),
                "then everything is looked for as ever");
    }
}
