package org.gullyrun.core.flow.route;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** The fast calculations against the slow ones, on thousands of seeded rigs with all kinds of elements. */
class FastAgainstSlowTest {
    private static final int RIGS = RandomRigs.many(100, 4_000);
    private static final int MOST = 3_000;
    private static final double CLOSE = 1e-7;

    private int pairs;
    private int looping;
    private int blocked;
    private int circles;

    @Test
    void deliveriesBlockedWaysAndLoopsAgreeWithTryingEverything() {
        for (int seed = 0; seed < RIGS; seed++) {
            Rig rig = RandomRigs.of(seed);
            for (SceneKey key : SceneKey.axis(rig)) {
                FlowGraph graph = FlowGraph.of(rig, key);
                for (boolean electric : new boolean[] {false, true}) {
                    compare("seed " + seed + " " + key, graph, electric);
                }
            }
        }
        assertTrue(pairs > 4_500, "pairs compared: " + pairs);
        assertTrue(looping > 45, "pairs with loops on the way: " + looping);
        assertTrue(blocked > 450, "blocked routes compared: " + blocked);
        assertTrue(circles > 90, "circles compared: " + circles);
    }

    private void compare(String where, FlowGraph graph, boolean electric) {
        OpenView view = OpenView.of(graph, electric);
        Deliveries deliveries = Deliveries.of(view);
        SlowRoutes slow = new SlowRoutes(graph, electric);
        for (int source : graph.sources()) {
            for (int outlet : graph.outlets()) {
                String at = where + " " + graph.id(source) + ">" + graph.id(outlet) + (electric ? " electric" : "");
                List<List<Integer>> routes = slow.routes(source, outlet, false, MOST);
                if (routes == null) {
                    continue;
                }
                Delivery fast = deliveries.get(source, outlet);
                same(at, graph, slow, routes, fast);
                pairs++;
                if (!routes.isEmpty() && routes.getFirst().stream().anyMatch(s -> view.isLooping(graph.to(s)))) {
                    looping++;
                    RouteSearch.Found found = RouteSearch.search(view, source, outlet, MOST);
                    assertEquals(
                            routes, found.routes().stream().map(Route::segments).toList(), at);
                }
                if (routes.isEmpty()) {
                    blocked(at, graph, electric, slow, source, outlet);
                }
            }
        }
        loops(where, graph, view, slow);
    }

    private static void same(String at, FlowGraph graph, SlowRoutes slow, List<List<Integer>> routes, Delivery fast) {
        assertEquals(routes.size(), fast.routes(), at);
        assertFalse(fast.atLeast(), at);
        if (routes.isEmpty()) {
            return;
        }
        double power = routes.stream()
                .mapToDouble(w -> Math.pow(10, slow.gain(w) / 10))
                .sum();
        double amplitude = routes.stream()
                .mapToDouble(w -> Math.pow(10, slow.gain(w) / 20))
                .sum();
        assertEquals(10 * Math.log10(power), fast.strength(), CLOSE, at);
        assertEquals(20 * Math.log10(amplitude), fast.worst(), CLOSE, at);
        assertEquals(routes.stream().mapToDouble(slow::delay).min().orElseThrow(), fast.first(), CLOSE, at);
        assertEquals(routes.stream().mapToDouble(slow::delay).max().orElseThrow(), fast.last(), CLOSE, at);
        Comparator<List<Integer>> strongest = Comparator.<List<Integer>>comparingDouble(
                        w -> -Math.rint(slow.gain(w) * 1e9) / 1e9)
                .thenComparingDouble(w -> Math.rint(slow.delay(w) * 1e9) / 1e9)
                .thenComparing(w -> w.stream()
                        .map(s -> graph.id(graph.to(s)) + "\0" + graph.segmentElement(s))
                        .toList()
                        .toString());
        List<Integer> best = routes.stream().min(strongest).orElseThrow();
        assertEquals(best, fast.strongest(), at);
        double copy = routes.stream()
                .filter(w -> w != best)
                .mapToDouble(slow::gain)
                .max()
                .orElse(Double.NaN);
        assertEquals(copy, fast.copyGain(), CLOSE, at);
        if (routes.size() > 1) {
            double apart = routes.stream()
                    .filter(w -> w != best && Math.abs(slow.gain(w) - copy) < 1e-8)
                    .mapToDouble(w -> Math.abs(slow.delay(w) - slow.delay(best)))
                    .max()
                    .orElseThrow();
            assertEquals(apart, fast.copyApart(), CLOSE, at);
        }
    }

    private void blocked(String at, FlowGraph graph, boolean electric, SlowRoutes slow, int source, int outlet) {
        List<List<Integer>> all = slow.routes(source, outlet, true, 20_000);
        if (all == null) {
            return;
        }
        BlockedRoute fast = BlockedSearch.find(graph, electric, source, outlet);
        assertEquals(!all.isEmpty(), fast.exists(), at);
        if (all.isEmpty()) {
            return;
        }
        blocked++;
        List<Integer> first = all.stream()
                .min(Comparator.<List<Integer>>comparingInt(
                                w -> slow.closedGates(w).size())
                        .thenComparingInt(List::size)
                        .thenComparingDouble(w -> -Math.rint(slow.gain(w) * 1e9) / 1e9)
                        .thenComparingDouble(w -> Math.rint(slow.delay(w) * 1e9) / 1e9)
                        .thenComparing(SlowWaysOrder::compare))
                .orElseThrow();
        if (fast.exact()) {
            assertEquals(first, fast.segments(), at);
            assertEquals(List.copyOf(slow.closedGates(first)), fast.closed(), at);
        } else {
            assertTrue(slow.closedGates(first).size() > 8, at + ": not exact although few gates are enough");
        }
    }

    private void loops(String where, FlowGraph graph, OpenView view, SlowRoutes slow) {
        List<List<Integer>> all = slow.circles();
        List<Loop> loops = Loops.of(view);
        Set<List<Integer>> listed = new HashSet<>();
        for (Loop loop : loops) {
            loop.circles().forEach(c -> assertTrue(listed.add(c.segments()), where + ": a circle twice"));
            double radius = spectralRadius(graph, loop);
            if (Math.abs(radius - 1) > 1e-6) {
                assertEquals(radius > 1, loop.buildsUp(), where + ": radius " + radius);
            }
            if (loop.circles().size() == 1) {
                assertEquals(loop.circles().getFirst().gain(), loop.loopGain(), CLOSE, where);
            }
            if (!loop.buildsUp() && radius < 0.999) {
                assertEquals(firstReturn(graph, loop), loop.loopGain(), 1e-5, where);
            }
        }
        assertEquals(Set.copyOf(all), listed, where);
        circles += all.size();
    }

    /** By repeated squaring of I + A, whose radius is one more; A alone may turn in circles. */
    private static double spectralRadius(FlowGraph graph, Loop loop) {
        double[][] a = matrix(graph, loop);
        double[] x = new double[a.length];
        java.util.Arrays.fill(x, 1);
        double radius = 0;
        for (int round = 0; round < 20_000; round++) {
            double[] y = new double[x.length];
            double most = 0;
            for (int i = 0; i < x.length; i++) {
                y[i] = x[i];
                for (int j = 0; j < x.length; j++) {
                    y[i] += a[i][j] * x[j];
                }
                most = Math.max(most, y[i]);
            }
            for (int i = 0; i < x.length; i++) {
                x[i] = y[i] / most;
            }
            radius = most - 1;
        }
        return radius;
    }

    /** The largest first return, summed hop by hop until nothing is left. */
    private static double firstReturn(FlowGraph graph, Loop loop) {
        double[][] a = matrix(graph, loop);
        double best = 0;
        for (int p = 0; p < a.length; p++) {
            double[] x = a[p].clone();
            double sum = x[p];
            for (int round = 0; round < 20_000; round++) {
                double[] y = new double[x.length];
                for (int i = 0; i < x.length; i++) {
                    for (int j = 0; i != p && j < x.length; j++) {
                        y[j] += x[i] * a[i][j];
                    }
                }
                sum += y[p];
                x = y;
            }
            best = Math.max(best, sum);
        }
        return 20 * Math.log10(best);
    }

    private static double[][] matrix(FlowGraph graph, Loop loop) {
        List<Integer> points = loop.points();
        double[][] a = new double[points.size()][points.size()];
        for (int s : loop.segments()) {
            a[points.indexOf(graph.from(s))][points.indexOf(graph.to(s))] += Math.pow(10, graph.gain(s) / 20);
        }
        return a;
    }

    /** Segments are numbered in the declared order of ties; here it is only spelled out. */
    private static final class SlowWaysOrder {
        static int compare(List<Integer> a, List<Integer> b) {
            for (int i = 0; i < Math.min(a.size(), b.size()); i++) {
                if (!a.get(i).equals(b.get(i))) {
                    return Integer.compare(a.get(i), b.get(i));
                }
            }
            return Integer.compare(a.size(), b.size());
        }
    }
}
