package org.gullyrun.desktop.basins;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.compare.HeardDifference;

/**
 * How wide each basin is. All are equal as long as everything that is wrong has room; else basins in trouble take what they need
 * from the room that the others can spare.
 */
final class BasinWidths {
    /** The least width of a basin in which several sources are heard, at 100 % text. */
    static final double NARROWEST = 92;
    /** The least where one or two are heard, if others need the room. */
    private static final double LEAST = 72;

    private static final int FEW = 2;

    /** So many times as wide as the narrowest a basin becomes at most. */
    private static final double WIDEST = 3;

    /** By how much of the narrowest a basin is tried wider. */
    private static final double STEP = 0.25;
    /** What stays free at the end of the strip. */
    private static final double MARGIN = 6;

    private BasinWidths() {}

    /**
     * The width at which all that is wrong in a basin has a place of its own, or the most that a basin may take, in pixels.
     *
     * @param u a pixel at the size of text
     */
    static double needed(HeardDifference hearing, double u) {
        if (hearing.shown().drops().size() <= FEW) {
            return LEAST * u;
        }
        double width = NARROWEST * u;
        double most = WIDEST * NARROWEST * u;
        while (hearing.shown().isBad()
                && width < most
                && !Spread.of(hearing, width, u).more().isEmpty()) {
            width += STEP * NARROWEST * u;
        }
        return Math.min(width, most);
    }

    /**
     * Shares the room of the strip among basins.
     *
     * @param needed what each needs
     * @param room the width of the strip
     * @param u a pixel at the size of text
     * @return whole pixels; together no more than the room, unless there isn't even room for the least of each
     */
    static double[] of(List<Double> needed, double room, double u) {
        int n = needed.size();
        double equal = Math.floor((room - MARGIN) / n);
        if (equal >= NARROWEST * u && needed.stream().allMatch(w -> w <= equal)) {
            return IntStream.range(0, n).mapToDouble(i -> equal).toArray();
        }
        double[] least =
                needed.stream().mapToDouble(w -> Math.min(w, NARROWEST * u)).toArray();
        double free = room - MARGIN - Arrays.stream(least).sum();
        if (free < 0) {
            return needed.stream().mapToDouble(Math::floor).toArray(); // the strip is scrolled anyway
        }
        double wanted =
                needed.stream().mapToDouble(w -> w).sum() - Arrays.stream(least).sum();
        double share = wanted > free ? free / wanted : 1;
        double rest = Math.max(0, free - wanted) / n;
        return IntStream.range(0, n)
                .mapToDouble(i -> Math.floor(least[i] + (needed.get(i) - least[i]) * share + rest))
                .toArray();
    }
}
