package org.gullyrun.core.flow.graph;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * The points and segments of a flow graph without what is set on them. Shared by the graphs of all scenes that have the
 * same points, and by those of the next version of a rig where only a gate was turned.
 */
final class Shape {
    /** At most so many flags are kept about which points lead to an end: some 32 MB. */
    private static final long MOST_KEPT = 32_000_000;

    final PointId[] points;
    final PointKind[] kinds;
    /** Hz; NaN where a point has no rate or it isn't known. */
    final double[] rates;

    final int[] from;
    final int[] to;
    /** For each segment the id of the element that makes it. */
    final String[] elements;

    final boolean[] coupling;
    final boolean[] fallback;
    /** For each point where its segments start among all, which are in that order. */
    final int[] outStart;
    /** For each point where its segments start in {@link #inSegments}. */
    final int[] inStart;

    final int[] inSegments;
    final int[] sources;
    final int[] outlets;
    final int[] exits;
    final int[] copies;
    /** From where an end can be reached whatever is closed; by the end, or without couplings by −1 less it. */
    private final Map<Integer, boolean[]> reaching = new ConcurrentHashMap<>();

    /** Makes the lists of what leaves and what enters each point, in order. */
    Shape(
            PointId[] points,
            PointKind[] kinds,
            double[] rates,
            int[] from,
            int[] to,
            String[] elements,
            boolean[] coupling,
            boolean[] fallback) {
        this.points = points;
        this.kinds = kinds;
        this.rates = rates;
        this.from = from;
        this.to = to;
        this.elements = elements;
        this.coupling = coupling;
        this.fallback = fallback;
        this.outStart = new int[points.length + 1];
        this.inStart = new int[points.length + 1];
        for (int s = 0; s < from.length; s++) {
            outStart[from[s] + 1]++;
            inStart[to[s] + 1]++;
        }
        for (int p = 0; p < points.length; p++) {
            outStart[p + 1] += outStart[p];
            inStart[p + 1] += inStart[p];
        }
        this.inSegments = new int[from.length];
        int[] next = inStart.clone();
        for (int s = 0; s < from.length; s++) {
            inSegments[next[to[s]]++] = s;
        }
        this.sources = indices(k -> k == PointKind.SOURCE);
        this.outlets = indices(k -> k == PointKind.OUTLET);
        this.exits = indices(k -> k == PointKind.BUS || k == PointKind.CUE);
        this.copies = indices(k -> k == PointKind.COPY);
    }

    /** The numbers of the points of some kinds, in order. */
    private int[] indices(Predicate<PointKind> wanted) {
        int[] found = new int[points.length];
        int n = 0;
        for (int p = 0; p < kinds.length; p++) {
            if (wanted.test(kinds[p])) {
                found[n++] = p;
            }
        }
        return Arrays.copyOf(found, n);
    }

    /** The points from which an end can be reached, as worked out before or by {@code made}. */
    boolean[] reachingAt(int end, Function<Integer, boolean[]> made) {
        boolean[] known = reaching.get(end);
        if (known == null) {
            known = made.apply(end);
            if ((long) reaching.size() * points.length < MOST_KEPT) {
                reaching.put(end, known);
            }
        }
        return known;
    }

    /** The number of a point, or -1. */
    int point(PointId id) {
        int found = Arrays.binarySearch(points, id);
        return found < 0 ? -1 : found;
    }

    /** The number of a segment, or -1. */
    int segment(SegmentKey key) {
        int start = point(key.from());
        int end = point(key.to());
        if (start < 0 || end < 0) {
            return -1;
        }
        for (int s = outStart[start]; s < outStart[start + 1]; s++) {
            if (to[s] == end && elements[s].equals(key.element())) {
                return s;
            }
        }
        return -1;
    }

    /** Whether points and segments have the same numbers in another shape. */
    boolean isLike(Shape other) {
        return this == other
                || Arrays.equals(points, other.points)
                        && Arrays.equals(from, other.from)
                        && Arrays.equals(to, other.to)
                        && Arrays.equals(elements, other.elements);
    }
}
