package org.gullyrun.core.flow.graph;

import org.jspecify.annotations.Nullable;

/** For each gate the segments that have it, in order; listed when first asked for. */
final class GatedSegments {
    private final int[][] gates;
    private final int gateCount;
    private volatile int @Nullable [][] segments;

    /**
     * The segments of some gates.
     *
     * @param gates for each segment the numbers of its gates
     */
    GatedSegments(int[][] gates, int gateCount) {
        this.gates = gates;
        this.gateCount = gateCount;
    }

    /** The segments that have a gate. Not to be altered. */
    int[] of(int gate) {
        int[][] known = segments;
        if (known == null) {
            known = list();
            segments = known;
        }
        return known[gate];
    }

    private int[][] list() {
        int[] counts = new int[gateCount];
        for (int[] ofSegment : gates) {
            for (int gate : ofSegment) {
                counts[gate]++;
            }
        }
        int[][] lists = new int[gateCount][];
        for (int gate = 0; gate < gateCount; gate++) {
            lists[gate] = new int[counts[gate]];
        }
        for (int s = gates.length - 1; s >= 0; s--) {
            for (int gate : gates[s]) {
                lists[gate][--counts[gate]] = s;
            }
        }
        return lists;
    }
}
