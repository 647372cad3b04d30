package org.gullyrun.core.flow.route;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import org.gullyrun.core.flow.graph.FlowGraph;

/**
 * What every way from one point goes through.
 *
 * <p>Needs: an open view and a starting point. Gives: for each point the elements of which a point or segment lies on
 * all routes to it. Source: K. Cooper, T. Harvey, K. Kennedy, A simple, fast dominance algorithm (2001), over points and
 * segments alike, so that a cable can be one. Cost: near linear in what is reached.
 */
public final class Dominators {
    private final FlowGraph graph;
    private final OpenView view;
    private final int start;
    /** Node numbers: points as they are, segments above them. */
    private final int[] dominator;

    private final int[] place;

    /** Iterates until nothing changes: Cooper, Harvey and Kennedy. */
    private Dominators(OpenView view, int start) {
        this.graph = view.graph;
        this.view = view;
        this.start = start;
        int n = graph.points();
        this.dominator = new int[n + graph.segments()];
        this.place = new int[n + graph.segments()];
        Arrays.fill(dominator, -1);
        Arrays.fill(place, -1);
        int[] order = order();
        dominator[start] = start;
        boolean changed = true;
        while (changed) {
            changed = false;
            for (int i = 1; i < order.length; i++) {
                int node = order[i];
                int now = -1;
                if (node >= n) {
                    now = graph.from(node - n);
                } else {
                    for (int k = view.inStart[node]; k < view.inStart[node + 1]; k++) {
                        int before = n + view.in[k];
                        if (place[before] >= 0 && dominator[before] >= 0) {
                            now = now < 0 ? before : common(before, now);
                        }
                    }
                }
                if (now >= 0 && dominator[node] != now) {
                    dominator[node] = now;
                    changed = true;
                }
            }
        }
    }

    /** What all routes from a point go through. */
    public static Dominators of(OpenView view, int start) {
        return new Dominators(view, start);
    }

    /** All nodes that are reached, each after at least one that leads to it; their places are kept. */
    private int[] order() {
        int n = graph.points();
        int[] post = new int[place.length];
        int count = 0;
        int[] stack = new int[place.length + 1];
        int[] next = new int[n];
        boolean[] seen = new boolean[place.length];
        int depth = 0;
        stack[depth] = start;
        seen[start] = true;
        next[start] = view.outStart[start];
        while (depth >= 0) {
            int node = stack[depth];
            int to = -1;
            if (node >= n) {
                int q = graph.to(node - n);
                to = seen[q] ? -1 : q;
            } else if (next[node] < view.outStart[node + 1]) {
                to = n + view.out[next[node]++];
            }
            if (to >= 0) {
                seen[to] = true;
                if (to < n) {
                    next[to] = view.outStart[to];
                }
                stack[++depth] = to;
            } else {
                post[count++] = node;
                depth--;
            }
        }
        int[] order = new int[count];
        for (int i = 0; i < count; i++) {
            order[i] = post[count - 1 - i];
            place[order[i]] = i;
        }
        return order;
    }

    /** The nearest common dominator of two points. */
    private int common(int a, int b) {
        int x = a;
        int y = b;
        while (x != y) {
            while (place[x] > place[y]) {
                x = dominator[x];
            }
            while (place[y] > place[x]) {
                y = dominator[y];
            }
        }
        return x;
    }

    /** The ids of the elements on all routes to a point, nearest the start first; empty if it is not reached. */
    public List<String> on(int point) {
        List<String> elements = new ArrayList<>();
        if (dominator[point] < 0) {
            return elements;
        }
        int n = graph.points();
        for (int node = dominator[point]; node != start; node = dominator[node]) {
            String element = node < n ? graph.element(node) : graph.segmentElement(node - n);
            if (elements.isEmpty() || !elements.getFirst().equals(element)) {
                elements.addFirst(element);
            }
        }
        return elements;
    }

    /** Whether a point is still reached when some points are left out. */
    public boolean reachesWithout(int end, IntPredicate left) {
        boolean[] seen = new boolean[graph.points()];
        int[] stack = new int[graph.points()];
        int top = 0;
        stack[top++] = start;
        seen[start] = true;
        while (top > 0) {
            int p = stack[--top];
            if (p == end) {
                return true;
            }
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                int q = graph.to(view.out[i]);
                if (!seen[q] && !left.test(q)) {
                    seen[q] = true;
                    stack[top++] = q;
                }
            }
        }
        return false;
    }
}
