package org.gullyrun.core.flow.route;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;

/** The plainest way to find runs, blocked routes and circles: try everything. For comparison with the fast ones only. */
final class SlowRoutes {
    private final FlowGraph graph;
    private final boolean electric;

    SlowRoutes(FlowGraph graph, boolean electric) {
        this.graph = graph;
        this.electric = electric;
    }

    /** All simple routes between two points; through closed segments too if {@code closed}. Null if more than a limit. */
    @org.jspecify.annotations.Nullable
    List<List<Integer>> routes(int from, int to, boolean closed, int limit) {
        List<List<Integer>> found = new ArrayList<>();
        int[] budget = {400_000};
        walk(from, to, closed, limit, new ArrayList<>(), new HashSet<>(Set.of(from)), found, budget);
        return found.size() > limit || budget[0] <= 0 ? null : found;
    }

    private void walk(
            int at,
            int to,
            boolean closed,
            int limit,
            List<Integer> path,
            Set<Integer> seen,
            List<List<Integer>> found,
            int[] budget) {
        if (budget[0]-- <= 0 || found.size() > limit) {
            return;
        }
        for (int s = 0; s < graph.segments(); s++) {
            int next = graph.to(s);
            if (graph.from(s) != at
                    || electric && graph.isCoupling(s)
                    || !closed && !graph.isOpen(s)
                    || seen.contains(next)) {
                continue;
            }
            path.add(s);
            if (next == to) {
                found.add(List.copyOf(path));
            } else {
                seen.add(next);
                walk(next, to, closed, limit, path, seen, found, budget);
                seen.remove(next);
            }
            path.removeLast();
        }
    }

    double gain(List<Integer> route) {
        return route.stream().mapToDouble(graph::gain).sum();
    }

    double delay(List<Integer> route) {
        return route.stream().mapToDouble(graph::latency).sum();
    }

    Set<Gate> closedGates(List<Integer> route) {
        Set<Gate> closed = new LinkedHashSet<>();
        route.forEach(s -> graph.gates(s).stream().filter(g -> !g.open()).forEach(closed::add));
        return closed;
    }

    /** All circles, each from its least point. */
    List<List<Integer>> circles() {
        List<List<Integer>> circles = new ArrayList<>();
        for (int start = 0; start < graph.points(); start++) {
            circle(start, start, new ArrayList<>(), new HashSet<>(Set.of(start)), circles);
        }
        return circles;
    }

    private void circle(int start, int at, List<Integer> path, Set<Integer> seen, List<List<Integer>> circles) {
        for (int s = 0; s < graph.segments(); s++) {
            int next = graph.to(s);
            if (graph.from(s) != at || !graph.isOpen(s) || electric && graph.isCoupling(s) || next < start) {
                continue;
            }
            path.add(s);
            if (next == start) {
                circles.add(List.copyOf(path));
            } else if (seen.add(next)) {
                circle(start, next, path, seen, circles);
                seen.remove(next);
            }
            path.removeLast();
        }
    }
}
