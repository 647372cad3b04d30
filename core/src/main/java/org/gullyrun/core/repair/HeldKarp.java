package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The best order of some things, where what an order costs is a sum over the sets of things that are done so far, plus one for
 * every step that is made elsewhere than the step before. Dynamic programming over subsets (Held and Karp 1962): for each set
 * and its last member the least cost of any order of the set that ends with it.
 */
final class HeldKarp {
    private static final long NEVER = Long.MAX_VALUE;

    private final int n;
    /** The weightier half of the costs of each set, and the lighter one: each sort of harm has 20 bits. */
    private final long[] heavy;

    private final long[] light;
    private final int[] first;
    private final int[] places;

    /**
     * Sets the search up.
     *
     * @param costs by sort of harm, the worst first, the cost of every set of things done; five sorts
     * @param first for each thing those that have to be done before it, as bits
     * @param places where each thing is done, as a number
     */
    HeldKarp(int[][] costs, int[] first, int[] places) {
        this.n = places.length;
        this.first = first;
        this.places = places;
        this.heavy = new long[1 << n];
        this.light = new long[1 << n];
        int all = (1 << n) - 1;
        for (int set = 1; set < all; set++) { // the beginning and the end are the same in every order
            heavy[set] = (long) costs[0][set] << 40 | (long) costs[1][set] << 20 | costs[2][set];
            light[set] = (long) costs[3][set] << 40 | (long) costs[4][set] << 20;
        }
    }

    /** Things in the best order; of orders that cost the same the one with the earliest numbers at its end. */
    <T> List<T> order(List<T> things) {
        long[][] h = new long[1 << n][n];
        long[][] l = new long[1 << n][n];
        byte[][] before = new byte[1 << n][n];
        for (long[] row : h) {
            Arrays.fill(row, NEVER);
        }
        for (int c = 0; c < n; c++) {
            if (first[c] == 0) {
                h[1 << c][c] = heavy[1 << c];
                l[1 << c][c] = light[1 << c];
                before[1 << c][c] = -1;
            }
        }
        for (int set = 1; set < 1 << n; set++) {
            for (int last = 0; last < n; last++) {
                if (h[set][last] != NEVER) {
                    extend(set, last, h, l, before);
                }
            }
        }
        return traced(things, h, l, before);
    }

    /** Adds each further thing to an order. */
    private void extend(int set, int last, long[][] h, long[][] l, byte[][] before) {
        for (int next = 0; next < n; next++) {
            int with = set | 1 << next;
            if (with == set || (first[next] & ~set) != 0) {
                continue;
            }
            long heavier = h[set][last] + heavy[with];
            long lighter = l[set][last] + light[with] + (places[last] == places[next] ? 0 : 1);
            if (heavier < h[with][next] || heavier == h[with][next] && lighter < l[with][next]) {
                h[with][next] = heavier;
                l[with][next] = lighter;
                before[with][next] = (byte) last;
            }
        }
    }

    private <T> List<T> traced(List<T> things, long[][] h, long[][] l, byte[][] before) {
        int set = (1 << n) - 1;
        int last = 0;
        for (int c = 1; c < n; c++) {
            if (h[set][c] < h[set][last] || h[set][c] == h[set][last] && l[set][c] < l[set][last]) {
                last = c;
            }
        }
        List<T> order = new ArrayList<>();
        while (last >= 0) {
            order.addFirst(things.get(last));
            int earlier = before[set][last];
            set &= ~(1 << last);
            last = earlier;
        }
        return order;
    }
}
