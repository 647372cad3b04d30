package org.gullyrun.benchmarks;

import java.util.Locale;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Rig;

/**
 * How time grows with the rig: the audit without remedies of rigs from some 250 to some 32 000 points, ten outlets and two
 * scenes each, best of several rounds; and the memory that the largest reading holds.
 */
public final class Growth {
    private static final int[] SOURCES = {26, 52, 105, 210, 420, 840, 1680, 3360};

    private static final int ROUNDS = 60;

    private Growth() {}

    /** Prints one line a size. */
    public static void main(String[] args) {
        Audit audit = RuleCatalogue.usual().quick();
        for (int warm = 0; warm < 30; warm++) {
            audit.read(LargeRigs.make(1, 60, 10, 2), LargeRigs.brief(60));
        }
        double before = 0;
        for (int sources : SOURCES) {
            Rig rig = LargeRigs.make(1, sources, 10, 2);
            Brief brief = LargeRigs.brief(sources);
            double best = Double.POSITIVE_INFINITY;
            Reading reading = audit.read(rig, brief);
            for (int round = 0; round < ROUNDS; round++) {
                long began = System.nanoTime();
                reading = audit.read(rig, brief);
                best = Math.min(best, (System.nanoTime() - began) / 1e6);
            }
            System.gc();
            Runtime runtime = Runtime.getRuntime();
            long held = (runtime.totalMemory() - runtime.freeMemory()) / (1 << 20);
            System.out.printf(
                    Locale.ROOT,
                    "%6d points %7d segments  %9.2f ms  × %.2f  %d doubled of %d, %d with a gap of %d  %4d MB in use%n",
                    reading.scenes().getFirst().graph().points(),
                    reading.scenes().getFirst().graph().segments(),
                    best,
                    before == 0 ? 1 : best / before,
                    count(reading, "double"),
                    (sources + LargeRigs.FAULT_EVERY - 1) / LargeRigs.FAULT_EVERY,
                    count(reading, "scene.gap"),
                    (sources + LargeRigs.GAP_EVERY - 1) / LargeRigs.GAP_EVERY
                            - (sources + LargeRigs.FAULT_EVERY - 1) / LargeRigs.FAULT_EVERY,
                    held);
            before = best;
        }
    }

    private static long count(Reading reading, String rule) {
        return reading.findings().stream().filter(f -> f.rule().equals(rule)).count();
    }
}
