package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Orders against all orders there are. */
class HeldKarpTest {
    private record Problem(int[][] costs, int[] first, int[] places) {
        static Problem of(Random random, int n) {
            int[][] costs = new int[5][1 << n];
            for (int[] row : costs) {
                for (int set = 0; set < row.length; set++) {
                    row[set] = random.nextInt(3);
                }
            }
            int[] first = new int[n];
            if (random.nextBoolean()) {
                first[n - 1] = 1; // the last needs the first
            }
            return new Problem(
                    costs,
                    first,
                    IntStream.range(0, n).map(x -> random.nextInt(3)).toArray());
        }

        /** What an order costs, plainly; null if something comes before what it needs. */
        @org.jspecify.annotations.Nullable
        List<Integer> cost(List<Integer> order) {
            int[] sums = new int[6];
            int set = 0;
            for (int i = 0; i < order.size(); i++) {
                int next = order.get(i);
                if ((first[next] & ~set) != 0) {
                    return null;
                }
                set |= 1 << next;
                for (int k = 0; k < 5 && i < order.size() - 1; k++) {
                    sums[k] += costs[k][set];
                }
                sums[5] += i > 0 && places[order.get(i - 1)] != places[next] ? 1 : 0;
            }
            return IntStream.of(sums).boxed().toList();
        }
    }

    /** All orders of some things. */
    static <T> List<List<T>> orders(List<T> things) {
        if (things.isEmpty()) {
            return List.of(List.of());
        }
        List<List<T>> all = new ArrayList<>();
        for (T first : things) {
            List<T> others = new ArrayList<>(things);
            others.remove(first);
            for (List<T> rest : orders(others)) {
                List<T> order = new ArrayList<>(List.of(first));
                order.addAll(rest);
                all.add(order);
            }
        }
        return all;
    }

    /** Compares costs, the weightiest first. */
    static int compare(List<Integer> a, List<Integer> b) {
        for (int i = 0; i < a.size(); i++) {
            if (!a.get(i).equals(b.get(i))) {
                return a.get(i) - b.get(i);
            }
        }
        return 0;
    }

    @Test
    void noOrderIsBetterThanTheOneFound() {
        for (int seed = 0; seed < 60; seed++) {
            int n = 2 + seed % 5;
            Problem problem = Problem.of(new Random(seed), n);
            List<Integer> things = IntStream.range(0, n).boxed().toList();
            List<Integer> found = new HeldKarp(problem.costs, problem.first, problem.places).order(things);
            List<Integer> cost = problem.cost(found);
            assertTrue(cost != null, "seed " + seed + ": what is needed comes first");
            List<Integer> least = null;
            for (List<Integer> order : orders(things)) {
                List<Integer> other = problem.cost(order);
                if (other != null && (least == null || compare(other, least) < 0)) {
                    least = other;
                }
            }
            assertEquals(least, cost, "seed " + seed);
        }
    }
}
