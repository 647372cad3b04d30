package org.gullyrun.desktop.basins;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.compare.HeardDifference;

/**
 * How the sources that one listener hears share the width of its basin. What is wrong, or differs from what it is set against,
 * is drawn in full size and never overlaps. What is right takes the rest, and where its tokens would touch, becomes one band.
 *
 * @param spots the tokens, from left to right
 * @param band the sources in the band; empty if there is none
 * @param bandX the left edge of the band
 * @param more what is wrong and has no room left, at the right of the others
 * @param moreX where their number begins
 */
record Spread(List<Spot> spots, List<Hearing.Drop> band, double bandX, List<Hearing.Drop> more, double moreX) {
    /** Half of what the rim takes on each side. */
    private static final double EDGE = 17;

    private static final double WIDEST = 17;
    private static final double ROOMY = 12;
    private static final double FULL = 13;
    private static final double SMALL = 8.6;
    /** Two signs this far apart beside each other don't touch, twins included. */
    private static final double APART = 12.5;
    /** Two signs this far apart above each other don't touch. */
    private static final double TALL = 12;
    /** The width of the band. */
    static final double BAND = 28;
    /** What "+3" takes. */
    private static final double NUMBER = 16;

    /**
     * A token.
     *
     * @param drop the source
     * @param x its middle
     * @param scale the size of its sign
     */
    record Spot(Hearing.Drop drop, double x, double scale) {}

    /** Shares a width among what is heard; {@code u} is a pixel at the size of text. */
    static Spread of(HeardDifference difference, double width, double u) {
        List<Hearing.Drop> drops = difference.shown().drops();
        int n = drops.size();
        double room = width - 2 * EDGE * u;
        double even = n < 2 ? 0 : Math.min(WIDEST * u, room / (n - 1));
        if (n < 2 || even >= ROOMY * u) {
            List<Spot> spots = new ArrayList<>();
            double x = (width - even * (n - 1)) / 2;
            for (int i = 0; i < n; i++) {
                spots.add(new Spot(drops.get(i), x + i * even, 0.95 * u));
            }
            return new Spread(spots, List.of(), 0, List.of(), 0);
        }
        List<Hearing.Drop> wrong = new ArrayList<>();
        List<Hearing.Drop> right = new ArrayList<>();
        drops.forEach(d -> (isToldApart(difference, d) ? wrong : right).add(d));
        double needed = FULL * u * wrong.size() + SMALL * u * right.size();
        return needed <= room + SMALL * u
                ? oneByOne(difference, width, u, needed)
                : banded(difference, wrong, right, width, u);
    }

    /** Whether a source has to be seen by itself. */
    private static boolean isToldApart(HeardDifference difference, Hearing.Drop drop) {
        HeardDifference.Mark mark = difference.marks().get(drop.source());
        return drop.loud() || mark != null && mark.sort() != HeardDifference.Sort.SAME;
    }

    /** All side by side in the order of the rig, what is right a little smaller. */
    private static Spread oneByOne(HeardDifference difference, double width, double u, double needed) {
        List<Spot> spots = new ArrayList<>();
        double at = (width - needed) / 2;
        for (Hearing.Drop drop : difference.shown().drops()) {
            boolean apart = isToldApart(difference, drop);
            double mine = (apart ? FULL : SMALL) * u;
            spots.add(new Spot(drop, at + mine / 2, (apart ? 0.95 : 0.68) * u));
            at += mine;
        }
        return new Spread(spots, List.of(), 0, List.of(), 0);
    }

    /** What is wrong from the left, each where it touches none before it, the rest as a band at the right. */
    private static Spread banded(
            HeardDifference difference, List<Hearing.Drop> wrong, List<Hearing.Drop> right, double width, double u) {
        double left = (EDGE + 3) * u;
        double end = width - EDGE * u;
        double last = end - (right.isEmpty() ? 0 : (BAND + 7) * u);
        List<Spot> spots = new ArrayList<>();
        List<Double> heights = new ArrayList<>();
        List<Hearing.Drop> more = new ArrayList<>();
        double farthest = left;
        // What leaks or is missing comes before what is only doubled: if something has no room, it is the least of it.
        for (Hearing.Drop drop : wrong.stream()
                .sorted(Comparator.comparing(Hearing.Drop::verdict))
                .toList()) {
            double y = Token.stand(drop, difference.marks().get(drop.source()), u);
            double x = left;
            while (x <= last && touches(spots, heights, x, y, u)) {
                x += 2 * u;
            }
            // What has no room is counted; its number takes the place of what would have been the last.
            if (x > last) {
                more.add(drop);
            } else {
                spots.add(new Spot(drop, x, 0.9 * u));
                heights.add(y);
                farthest = Math.max(farthest, x);
            }
        }
        double shift = more.isEmpty() && !spots.isEmpty() ? (last - farthest) / 2 : 0;
        List<Spot> placed =
                spots.stream().map(s -> new Spot(s.drop, s.x + shift, s.scale)).toList();
        double bandX = wrong.isEmpty() ? (width - BAND * u) / 2 : end - (BAND - 2) * u;
        return new Spread(placed, right, bandX, more, last - NUMBER * u / 2);
    }

    private static boolean touches(List<Spot> spots, List<Double> heights, double x, double y, double u) {
        for (int i = 0; i < spots.size(); i++) {
            if (Math.abs(spots.get(i).x - x) < APART * u && Math.abs(heights.get(i) - y) < TALL * u) {
                return true;
            }
        }
        return false;
    }
}
