package org.gullyrun.desktop.basins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.compare.HeardDifference;
import org.gullyrun.core.rig.Sources;
import org.junit.jupiter.api.Test;

/** Tokens of crowded basins: nothing that is wrong overlaps, and nothing is forgotten. */
class SpreadTest {
    private static Hearing.Drop drop(int i, Verdict verdict, double level) {
        return new Hearing.Drop(
                "s" + i,
                "Source " + i,
                Sources.SourceClass.MUSIC,
                verdict,
                level,
                verdict.isTrouble(),
                verdict.word(),
                "");
    }

    private static Spread spread(List<Hearing.Drop> drops, double width, double u) {
        return Spread.of(HeardDifference.plain(new Hearing("o", "O", false, drops)), width, u);
    }

    @Test
    void whatIsWrongNeverOverlapsAndEverySourceIsCountedOnce() {
        Random random = new Random(7);
        Verdict[] verdicts = {Verdict.GOOD, Verdict.GOOD, Verdict.MISSING, Verdict.LEAK, Verdict.DOUBLE};
        for (int round = 0; round < 2_000; round++) {
            double u = 1 + random.nextInt(3) * 0.25;
            double width = (92 + random.nextInt(60)) * u;
            List<Hearing.Drop> drops = new ArrayList<>();
            int n = random.nextInt(60);
            for (int i = 0; i < n; i++) {
                Verdict verdict = verdicts[random.nextInt(verdicts.length)];
                drops.add(drop(i, verdict, verdict == Verdict.MISSING ? Double.NaN : -60 + random.nextInt(60)));
            }
            Spread spread = spread(drops, width, u);
            Set<String> seen = new HashSet<>();
            spread.spots().forEach(s -> assertTrue(seen.add(s.drop().source())));
            spread.band().forEach(d -> assertTrue(seen.add(d.source())));
            spread.more().forEach(d -> assertTrue(seen.add(d.source())));
            assertEquals(n, seen.size(), "round " + round);
            assertTrue(spread.band().stream().noneMatch(Hearing.Drop::loud), "only what is right is in the band");
            for (Spread.Spot a : spread.spots()) {
                assertTrue(a.x() > 12 * u && a.x() < width - 12 * u, "inside the rim: " + a.x() + " of " + width);
                for (Spread.Spot b : spread.spots()) {
                    boolean apart = Math.abs(a.x() - b.x()) >= 12 * u - 1e-9
                            || Math.abs(Token.stand(a.drop(), null, u) - Token.stand(b.drop(), null, u)) >= 12 * u;
                    assertTrue(a == b || !a.drop().loud() && !b.drop().loud() || apart || mixed(a, b, u), a + " " + b);
                }
            }
        }
    }

    /** Beside something wrong, what is right may stand as near as half of each. */
    private static boolean mixed(Spread.Spot a, Spread.Spot b, double u) {
        return a.drop().loud() != b.drop().loud() && Math.abs(a.x() - b.x()) >= 10.7 * u;
    }

    @Test
    void fewSourcesStandEvenlyInTheMiddle() {
        List<Hearing.Drop> drops =
                List.of(drop(1, Verdict.GOOD, -20), drop(2, Verdict.LEAK, -30), drop(3, Verdict.GOOD, -40));
        Spread spread = spread(drops, 115, 1);
        assertEquals(
                List.of(40.5, 57.5, 74.5),
                spread.spots().stream().map(Spread.Spot::x).toList());
        assertEquals(List.of(), spread.band());
    }

    @Test
    void manyThatAreRightBecomeABandWithTheirNumber() {
        List<Hearing.Drop> drops = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            drops.add(drop(i, i == 7 ? Verdict.LEAK : Verdict.GOOD, -30));
        }
        Spread spread = spread(drops, 100, 1);
        assertEquals(19, spread.band().size());
        assertEquals("s7", spread.spots().getFirst().drop().source());
    }
}
