package org.gullyrun.desktop.basins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.DoubleStream;
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
                double wall = 12 * u + 6.5 * a.scale();
                assertTrue(a.x() > wall && a.x() < width - wall, "inside the rim: " + a.x() + " of " + width);
                for (Spread.Spot b : spread.spots()) {
                    boolean twins =
                            a.drop().verdict() == Verdict.DOUBLE && b.drop().verdict() == Verdict.DOUBLE;
                    boolean apart = Math.abs(a.x() - b.x()) >= (twins ? 17 : 12) * u - 1e-9
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

    @Test
    void aBasinInTroubleTakesWhatTheOthersCanSpareAndNoMore() {
        Random random = new Random(3);
        for (int round = 0; round < 2_000; round++) {
            double u = 1 + random.nextInt(3) * 0.25;
            List<Double> needed = new ArrayList<>();
            int n = 1 + random.nextInt(20);
            for (int i = 0; i < n; i++) {
                needed.add(u * (random.nextInt(4) == 0 ? 72 : 92 + random.nextInt(9) * 23 * random.nextInt(2)));
            }
            double room = 900 + random.nextInt(1_000);
            double[] widths = BasinWidths.of(needed, room, u);
            boolean fits = needed.stream().mapToDouble(w -> Math.min(w, 92 * u)).sum() + 6 <= room;
            double sum = 0;
            for (int i = 0; i < n; i++) {
                assertTrue(widths[i] >= Math.floor(Math.min(needed.get(i), 92 * u)), "round " + round);
                assertTrue(fits || widths[i] == Math.floor(needed.get(i)));
                sum += widths[i];
            }
            assertTrue(!fits || sum <= room, sum + " of " + room);
            assertTrue(!fits || sum >= room - 6 - n, "all of the room is used: " + sum + " of " + room);
        }
        assertEquals(
                List.of(149.0, 149.0),
                DoubleStream.of(BasinWidths.of(List.of(92.0, 138.0), 305, 1))
                        .boxed()
                        .toList());
        assertEquals(
                List.of(102.0, 194.0),
                DoubleStream.of(BasinWidths.of(List.of(92.0, 184.0), 302, 1))
                        .boxed()
                        .toList());
    }

    @Test
    void aBasinNeedsNoMoreThanShowsAllThatIsWrong() {
        List<Hearing.Drop> drops = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            drops.add(drop(i, i < 9 ? Verdict.LEAK : Verdict.GOOD, -30));
        }
        HeardDifference crowded = HeardDifference.plain(new Hearing("o", "O", false, drops));
        double needed = BasinWidths.needed(crowded, 1);
        assertEquals(List.of(), Spread.of(crowded, needed, 1).more());
        assertTrue(!Spread.of(crowded, needed - 23, 1).more().isEmpty(), "no wider than it has to be: " + needed);
        HeardDifference quiet = HeardDifference.plain(new Hearing("o", "O", false, drops.subList(9, 30)));
        assertEquals(BasinWidths.NARROWEST, BasinWidths.needed(quiet, 1));
    }
}
