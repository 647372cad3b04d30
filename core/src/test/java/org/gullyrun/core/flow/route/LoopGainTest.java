package org.gullyrun.core.flow.route;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.rig.Devices.Direction;
import org.junit.jupiter.api.Test;

/** The gain of loops of many points and circles, which is worked out another way than that of small ones. */
class LoopGainTest {

    /** A ring of stages, each a playback and a recording device; between the two so many wires of one gain. */
    private static SmallRig ring(int stages, int wires, double gain) {
        SmallRig rig = new SmallRig();
        for (int i = 0; i < stages; i++) {
            rig.device("p" + i, Direction.PLAYBACK).device("r" + i, Direction.RECORDING);
            for (int w = 0; w < wires; w++) {
                rig.wire("w" + i + "-" + w, "p" + i, "r" + i, gain, 1 + w);
            }
            rig.pass("t" + i, "r" + i, "p" + (i + 1) % stages, 0, 0);
        }
        return rig;
    }

    private static Loop only(SmallRig rig) {
        var loops = Loops.of(OpenView.of(rig.graph(), false));
        assertEquals(1, loops.size());
        return loops.getFirst();
    }

    @Test
    void moreCirclesThanAreListedAreAllCounted() {
        Loop loop = only(ring(20, 2, -7));
        assertTrue(loop.atLeast(), "a million circles");
        assertEquals(Loops.MOST_CIRCLES, loop.circles().size());
        assertFalse(loop.buildsUp());
        // Every circle passes every point, and parallel wires add up: (2 · 10^(−7/20))^20, which is 20 · −0.9794 dB.
        assertEquals(20 * (20 * Math.log10(2) - 7), loop.loopGain(), 1e-6);
        assertEquals(140, -loop.circles().getFirst().gain(), 1e-9);
    }

    @Test
    void aLongLoopHasTheGainOfTheCirclesThroughItsMostSensitivePoint() {
        // 40 stages are 80 points: past where each point is solved for by itself. A short cut makes a second circle.
        SmallRig rig = ring(40, 1, -0.5).pass("cut", "r9", "p30", -3, 0);
        Loop loop = only(rig);
        assertEquals(2, loop.circles().size());
        double whole = Math.pow(10, -20 / 20.0); // 40 stages of −0.5 dB
        double cut = Math.pow(10, -(20 * 0.5 + 3) / 20.0); // stages 30 to 39 and 0 to 9, and the short cut
        assertEquals(20 * Math.log10(whole + cut), loop.loopGain(), 1e-6);
        assertFalse(loop.buildsUp());
    }

    @Test
    void aLongLoopWithoutLossRunsAway() {
        Loop loop = only(ring(40, 1, 0));
        assertTrue(loop.buildsUp());
        assertEquals(0, loop.loopGain(), 1e-9);
    }

    /** L_p = 1 − 1/((I − A)^-1)_pp, the same as solving without p: both are used, by the size of a loop. */
    @Test
    void bothWaysOfWorkingItOutAgree() {
        for (int seed = 0; seed < 30; seed++) {
            Random random = new Random(seed);
            int n = 3 + random.nextInt(8);
            double[][] a = new double[n][n];
            for (double[] row : a) {
                for (int j = 0; j < n; j++) {
                    row[j] = random.nextInt(3) == 0 ? 0.6 * random.nextDouble() / n : 0;
                }
            }
            double[] diagonal = LoopMatrix.inverseDiagonal(a);
            for (int p = 0; p < n; p++) {
                // By summing: what is back after one hop, two hops and so on, each time it arrives taken out.
                double back = 0;
                double[] at = a[p].clone();
                for (int hop = 0; hop < 200; hop++) {
                    back += at[p];
                    at[p] = 0;
                    double[] next = new double[n];
                    for (int i = 0; i < n; i++) {
                        for (int j = 0; j < n; j++) {
                            next[j] += at[i] * a[i][j];
                        }
                    }
                    at = next;
                }
                assertEquals(back, LoopMatrix.firstReturn(a, p), 1e-12, "seed " + seed);
                assertEquals(back, 1 - 1 / diagonal[p], 1e-12, "seed " + seed);
            }
        }
    }
}
