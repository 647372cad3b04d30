package org.gullyrun.benchmarks;

import java.util.Arrays;
import java.util.Locale;
import org.gullyrun.core.LargeRigs;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Rig;

/**
 * How time grows with the rig: the audit without fixes of rigs from some 250 to some 32 000 points, ten outlets and two
 * scenes each, best of several rounds; and the memory that the largest reading holds.
 */
public final class Growth {
    private static final int[] SOURCES = {26, 52, 105, 210, 420, 840, 1680, 3360};

    private static final int ROUNDS = 20;

    private Growth() {}

    /** Prints one line a size. In each round every size has its turn, so that a slow hour of the machine meets them all. */
    public static void main(String[] args) {
        Audit audit = RuleCatalogue.usual().quick();
        for (int warm = 0; warm < 30; warm++) {
            audit.read(LargeRigs.make(1, 60, 10, 2), LargeRigs.brief(60));
        }
        double[] best = new double[SOURCES.length];
        Arrays.fill(best, Double.POSITIVE_INFINITY);
        for (int round = 0; round < ROUNDS; round++) {
            for (int i = 0; i < SOURCES.length; i++) {
                Brief brief = LargeRigs.brief(SOURCES[i]);
                Rig rig = LargeRigs.make(1, SOURCES[i], 10, 2);
                System.gc(); // each size begins with what is its own only, not with what others left
                long began = System.nanoTime();
                audit.read(rig, brief);
                best[i] = Math.min(best[i], (System.nanoTime() - began) / 1e6);
            }
        }
        for (int i = 0; i < SOURCES.length; i++) {
            tell(audit, SOURCES[i], best[i], i == 0 ? best[0] : best[i - 1]);
        }
    }

    /** Prints one line: the size of the rig, its time, the ratio to the size before, what was found and the memory held. */
    private static void tell(Audit audit, int sources, double best, double before) {
        Rig rig = LargeRigs.make(1, sources, 10, 2);
        long without = inUse();
        Reading reading = audit.read(rig, LargeRigs.brief(sources));
        long held = inUse() - without;
        System.out.printf(
                Locale.ROOT,
                "%6d points %7d segments  %9.2f ms  × %.2f  %d doubled of %d, %d with a gap of %d  %4d MB for the reading%n",
                reading.scenes().getFirst().graph().points(),
                reading.scenes().getFirst().graph().segments(),
                best,
                best / before,
                count(reading, "double"),
                (sources + LargeRigs.FAULT_EVERY - 1) / LargeRigs.FAULT_EVERY,
                count(reading, "scene.gap"),
                (sources + LargeRigs.GAP_EVERY - 1) / LargeRigs.GAP_EVERY
                        - (sources + LargeRigs.FAULT_EVERY - 1) / LargeRigs.FAULT_EVERY,
                held);
    }

    /** The heap in use after a collection, in MB. */
    private static long inUse() {
        System.gc();
        Runtime runtime = Runtime.getRuntime();
        return (runtime.totalMemory() - runtime.freeMemory()) / (1 << 20);
    }

    private static long count(Reading reading, String rule) {
        return reading.findings().stream().filter(f -> f.rule().equals(rule)).count();
    }
}
