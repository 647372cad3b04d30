package org.gullyrun.core.flow.route;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import org.gullyrun.core.flow.graph.FlowGraph;

/**
 * Lists the elementary circuits inside one strongly connected set of points.
 *
 * <p>Source: D. B. Johnson, Finding all the elementary circuits of a directed graph (1975), written without recursion:
 * circuits are sought from each point over later points only, and a point from which the start could not be reached beside
 * the path stays blocked until that changes. Segments follow the graph's order, so the circuits come in the order of
 * their segments. Cost: circuits × segments.
 */
final class Circles {
    /** The circuits kept have at most so many segments in all: some ten megabytes. */
    private static final int MOST_KEPT = 500_000;

    private final OpenView view;
    private final FlowGraph graph;
    private final List<Loop.Circle> found = new ArrayList<>();
    private final boolean[] inside;
    private final boolean[] blocked;
    private final List<List<Integer>> freeing;
    private int kept;
    private boolean more;

    /** What was found, and whether there are more. */
    record Found(List<Loop.Circle> circles, boolean more) {}

    /** Searches the circles among open segments. */
    private Circles(OpenView view) {
        this.view = view;
        this.graph = view.graph;
        this.inside = new boolean[graph.points()];
        this.blocked = new boolean[graph.points()];
        this.freeing = new ArrayList<>();
        for (int p = 0; p < graph.points(); p++) {
            freeing.add(new ArrayList<>(0));
        }
    }

    /** The circuits among some points, in order, which all reach each other. */
    static Found among(OpenView view, List<Integer> points) {
        Circles circles = new Circles(view);
        List<Integer> left = points;
        while (!left.isEmpty() && !circles.more) {
            int start = circles.nextStart(left);
            if (start < 0) {
                break;
            }
            circles.from(start);
            left = left.stream().filter(p -> p > start).toList();
        }
        return new Found(List.copyOf(circles.found), circles.more);
    }

    /**
     * The first point that still lies on a circuit of what is left; what shares one with it is marked as inside. −1 if
     * there is none. Found by dropping points without a way in or out until none is left to drop, then by who reaches it.
     */
    private int nextStart(List<Integer> left) {
        Arrays.fill(inside, false);
        left.forEach(p -> inside[p] = true);
        int[] in = new int[graph.points()];
        int[] out = new int[graph.points()];
        for (int p : left) {
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                int q = graph.to(view.out[i]);
                if (inside[q]) {
                    out[p]++;
                    in[q]++;
                }
            }
        }
        Deque<Integer> bare = new ArrayDeque<>();
        left.stream().filter(p -> in[p] == 0 || out[p] == 0).forEach(bare::add);
        while (!bare.isEmpty()) {
            int p = bare.poll();
            if (!inside[p]) {
                continue;
            }
            inside[p] = false;
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                int q = graph.to(view.out[i]);
                if (inside[q] && --in[q] == 0) {
                    bare.add(q);
                }
            }
            for (int i = view.inStart[p]; i < view.inStart[p + 1]; i++) {
                int q = graph.from(view.in[i]);
                if (inside[q] && --out[q] == 0) {
                    bare.add(q);
                }
            }
        }
        for (int p : left) {
            if (inside[p]) {
                boolean[] reached = reach(p, true);
                boolean[] reaching = reach(p, false);
                if (reached[p] && reaching[p]) {
                    for (int q : left) {
                        inside[q] &= reached[q] && reaching[q];
                    }
                    return p;
                }
                inside[p] = false; // only between circuits, on none
            }
        }
        return -1;
    }

    /** The points inside that are reached from one, or reach it, over at least one segment. */
    private boolean[] reach(int start, boolean onward) {
        boolean[] seen = new boolean[graph.points()];
        int[] stack = new int[graph.points() + 1];
        int top = 0;
        stack[top++] = start;
        while (top > 0) {
            int p = stack[--top];
            int from = onward ? view.outStart[p] : view.inStart[p];
            int to = onward ? view.outStart[p + 1] : view.inStart[p + 1];
            for (int i = from; i < to; i++) {
                int q = onward ? graph.to(view.out[i]) : graph.from(view.in[i]);
                if (inside[q] && !seen[q]) {
                    seen[q] = true;
                    stack[top++] = q;
                }
            }
        }
        return seen;
    }

    /** Johnson's search from one start, within the points that come after it. */
    private void from(int start) {
        int n = graph.points();
        Arrays.fill(blocked, false);
        freeing.forEach(List::clear);
        int[] next = new int[n + 1];
        int[] at = new int[n + 1];
        int[] path = new int[n + 1];
        boolean[] closed = new boolean[n + 1];
        int depth = 0;
        at[0] = start;
        next[0] = view.outStart[start];
        blocked[start] = true;
        while (depth >= 0) {
            int p = at[depth];
            if (next[depth] == view.outStart[p + 1] || more) {
                leave(p, closed[depth]);
                if (depth > 0) {
                    closed[depth - 1] |= closed[depth];
                }
                depth--;
                continue;
            }
            int s = view.out[next[depth]++];
            int q = graph.to(s);
            if (!inside[q]) {
                continue;
            }
            if (q == start) {
                path[depth] = s;
                closed[depth] = true;
                keep(path, depth + 1);
            } else if (!blocked[q]) {
                path[depth] = s;
                depth++;
                at[depth] = q;
                next[depth] = view.outStart[q];
                closed[depth] = false;
                blocked[q] = true;
            }
        }
    }

    /** Keeps a circle. */
    private void keep(int[] path, int length) {
        if (found.size() == Loops.MOST_CIRCLES || kept + length > MOST_KEPT) {
            more = true;
            return;
        }
        Route route = Route.of(graph, path, length);
        found.add(new Loop.Circle(route.segments(), route.gain(), route.delay()));
        kept += length;
    }

    /** A point from which a circuit was closed is free again; another waits for one that it leads to. */
    private void leave(int point, boolean closed) {
        if (closed) {
            Deque<Integer> free = new ArrayDeque<>(List.of(point));
            while (!free.isEmpty()) {
                int p = free.poll();
                if (blocked[p]) {
                    blocked[p] = false;
                    free.addAll(freeing.get(p));
                    freeing.get(p).clear();
                }
            }
            return;
        }
        for (int i = view.outStart[point]; i < view.outStart[point + 1]; i++) {
            int q = graph.to(view.out[i]);
            if (inside[q] && !freeing.get(q).contains(point)) {
                freeing.get(q).add(point);
            }
        }
    }
}
