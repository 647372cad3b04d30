package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
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
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/**
 * Root causes are applied in whatever order somebody likes, each with those it needs, as the window offers them: what is
 * said of each is true at that moment, and in the end the sample show is clean.
 */
@TakesLong
class AnyOrderTest {
    private static final Case SHOW = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static Set<String> bad(Reading reading) {
        return reading.findings().stream()
                .filter(Finding::isBad)
                .map(Finding::identity)
                .collect(Collectors.toSet());
    }

    private static Reading applied(Reading before, List<RootCauses.Group> groups, int place, String at) {
        RootCauses.Group group = groups.get(place);
        Reading after = AUDIT.read(before, Together.offered(before.rig(), groups, place));
        Set<String> risen = new HashSet<>(bad(after));
        risen.removeAll(bad(before));
        risen.removeIf(identity -> FixClaimsTest.wasMissing(before, after, identity));
        assertEquals(Set.of(), risen, at + ": " + group.fix().sentence() + " brings nothing bad");
        group.findings().stream()
                .filter(Finding::isBad)
                .forEach(finding -> assertTrue(
                        !bad(after).contains(finding.identity()),
                        at + ": " + group.fix().sentence() + " leaves " + finding.identity()));
        return after;
    }

    @Test
    void inWhateverOrderTheSampleShowComesOutClean() {
        Rig found = SHOW.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        Rig good = SHOW.goodRig(SampleShow.AS_FOUND);
        for (int seed = 0; seed < RandomRigs.many(2, 40); seed++) {
            Random random = new Random(seed);
            Reading reading = AUDIT.read(found, SHOW.brief());
            int steps = 0;
            while (!bad(reading).isEmpty()) {
                List<RootCauses.Group> groups = causes(reading, good);
                assertTrue(!groups.isEmpty(), "order " + seed + ": no way on from " + bad(reading));
                reading = applied(reading, groups, random.nextInt(groups.size()), "order " + seed);
                assertTrue(++steps < 20, "order " + seed + " comes to an end");
            }
            assertTrue(steps > 1, "more than one change was needed");
        }
    }

    @Test
    void onRandomRigsWhatIsOfferedIsTrueWhereverItStands() {
        int tried = 0;
        for (int seed = 0; seed < RandomRigs.many(5, 200); seed++) {
            Rig rig = RandomRigs.of(seed);
            Reading reading = AUDIT.read(rig, RandomRigs.brief(rig, new Random(seed)));
            List<RootCauses.Group> groups = causes(reading, null);
            for (int place = 0; place < groups.size(); place++) {
                applied(reading, groups, place, "seed " + seed);
                tried++;
            }
        }
        assertTrue(tried > 15, "tried: " + tried);
    }

    private static List<RootCauses.Group> causes(Reading reading, @org.jspecify.annotations.Nullable Rig good) {
        return RootCauses.of(new Fixes(AUDIT, good), reading, () -> false, () -> false, progress -> {})
                .groups();
    }
}
