package org.gullyrun.desktop.basins;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Verdict;
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
    /** How far from each side a sign may stand without touching the wall. */
    private static final double EDGE = 19;

    private static final double WIDEST = 17;
    private static final double ROOMY = 12;
    private static final double FULL = 13;
    private static final double SMALL = 8.6;
    /** Two signs this far apart beside each other don't touch. */
    private static final double APART = 12.5;
    /** What twins take besides on each side. */
    private static final double TWIN = 2.5;
    /** Two signs this far apart above each other don't touch. */
    private static final double TALL = 12;

    private static final double BAND = 28;
    /** What the band of a hundred or more takes: its number needs it. */
    private static final double WIDE_BAND = 35;
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

    /** The width of a band of so many sources, at 100 % text. */
    static double bandWidth(int sources) {
        return sources < 100 ? BAND : WIDE_BAND;
    }

    /** Shares a width among what is heard; {@code u} is a pixel at the size of text. */
    static Spread of(HeardDifference difference, double width, double u) {
        List<Hearing.Drop> drops = difference.shown().drops();
        int n = drops.size();
        double room = width - 2 * EDGE * u;
        double even = n < 2 ? 0 : Math.min(WIDEST * u, room / (n - 1));
        if (n < 2 || even >= (ROOMY + twinsBetween(drops)) * u) {
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
        double needed =
                drops.stream().mapToDouble(d -> footprint(difference, d, u)).sum();
        return needed <= room + SMALL * u
                ? oneByOne(difference, width, u, needed)
                : banded(difference, wrong, right, width, u);
    }

    /** Whether a source has to be seen by itself. */
    private static boolean isToldApart(HeardDifference difference, Hearing.Drop drop) {
        HeardDifference.Mark mark = difference.marks().get(drop.source());
        return drop.loud() || mark != null && mark.sort() != HeardDifference.Sort.SAME;
    }

    /** What a sign takes side by side with others. */
    private static double footprint(HeardDifference difference, Hearing.Drop drop, double u) {
        return (isToldApart(difference, drop) ? FULL + 2 * twin(drop) : SMALL) * u;
    }

    /** The most that twins take between two neighbours. */
    private static double twinsBetween(List<Hearing.Drop> drops) {
        return IntStream.range(1, drops.size())
                .mapToDouble(i -> twin(drops.get(i - 1)) + twin(drops.get(i)))
                .max()
                .orElse(0);
    }

    /** All side by side in the order of the rig, what is right a little smaller. */
    private static Spread oneByOne(HeardDifference difference, double width, double u, double needed) {
        List<Spot> spots = new ArrayList<>();
        double at = (width - needed) / 2;
        for (Hearing.Drop drop : difference.shown().drops()) {
            boolean apart = isToldApart(difference, drop);
            double mine = footprint(difference, drop, u);
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
        double band = bandWidth(right.size()) * u;
        double last = end - (right.isEmpty() ? 0 : band + 7 * u);
        List<Spot> spots = new ArrayList<>();
        List<Double> heights = new ArrayList<>();
        List<Hearing.Drop> more = new ArrayList<>();
        double farthest = left;
        // What leaks or is missing comes before what is only doubled: if something has no room, it is the least of it.
        for (Hearing.Drop drop : wrong.stream()
                .sorted(Comparator.comparing(Hearing.Drop::verdict))
                .toList()) {
            double y = Token.stand(drop, difference.marks().get(drop.source()), u);
            // On the rim there is room above the band, unless a loop ends there.
            boolean onRim =
                    drop.verdict() == Verdict.MISSING && !difference.shown().coil();
            double limit = onRim ? end : last;
            double x = left;
            while (x <= limit && touches(spots, heights, drop, x, y, u)) {
                x += 2 * u;
            }
            // What has no room is counted; its number takes the place of what would have been the last.
            if (x > limit) {
                more.add(drop);
            } else {
                spots.add(new Spot(drop, x, 0.9 * u));
                heights.add(y);
                farthest = Math.max(farthest, x);
            }
        }
        double shift = more.isEmpty() && !spots.isEmpty() ? Math.max(0, last - farthest) / 2 : 0;
        List<Spot> placed =
                spots.stream().map(s -> new Spot(s.drop, s.x + shift, s.scale)).toList();
        double bandX = wrong.isEmpty() ? (width - band) / 2 : end - band + 2 * u;
        // Beside the last line rather than across it, as far as there is room.
        double moreX = Math.min(farthest + 4 * u, (right.isEmpty() ? end : bandX) - 0.8 * NUMBER * u);
        return new Spread(placed, right, bandX, more, moreX);
    }

    private static boolean touches(
            List<Spot> spots, List<Double> heights, Hearing.Drop drop, double x, double y, double u) {
        for (int i = 0; i < spots.size(); i++) {
            double apart = APART + twin(drop) + twin(spots.get(i).drop);
            if (Math.abs(spots.get(i).x - x) < apart * u && Math.abs(heights.get(i) - y) < TALL * u) {
                return true;
            }
        }
        return false;
    }

    private static double twin(Hearing.Drop drop) {
        return drop.verdict() == Verdict.DOUBLE ? TWIN : 0;
    }
}
