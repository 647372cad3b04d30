package org.gullyrun.core.flow.route;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.jspecify.annotations.Nullable;

/**
 * Finds the route with the fewest distinct closed gates, then fewest segments, then highest gain, lowest delay, ids.
 *
 * <p>Source: label setting over pairs (point, set of gates), best first. A label is dropped if another at its point has
 * a subset of its gates and is no worse in all that follows; this is exact, since whatever the route goes on over adds at
 * most as many gates to the subset. The number of sets can grow without bound, so beyond eight gates, or so many
 * labels ({@link SearchBudget}), gates are simply counted each time they are met (a shortest route; any one with few).
 */
public final class BlockedSearch {
    private static final int EXACT_GATES = 8;
    /** So many labels at its point each label may be held against, on average. */
    private static final long COMPARISONS = 40;

    private record Label(
            int point,
            int[] gates,
            int segments,
            double gain,
            double delay,
            @Nullable Path path) implements Comparable<Label> {

        @Override
        public int compareTo(Label other) {
            int order = Integer.compare(gates.length, other.gates.length);
            return order != 0 ? order : compareRest(other);
        }

        /** Segments, then gain, delay and ids, as the model orders them. */
        int compareRest(Label other) {
            int order = Integer.compare(segments, other.segments);
            if (order == 0) {
                order = -Figures.compare(gain, other.gain);
            }
            if (order == 0) {
                order = Figures.compare(delay, other.delay);
            }
            return order != 0 ? order : Path.compare(path, other.path);
        }
    }

    private final FlowGraph graph;
    private final boolean electric;
    private final int end;
    private final boolean[] reaching;

    private BlockedSearch(FlowGraph graph, boolean electric, int end) {
        this.graph = graph;
        this.electric = electric;
        this.end = end;
        this.reaching = graph.reachingAt(electric ? -1 - end : end, x -> reaching());
    }

    /** Finds the first blocked route between two points; couplings are left out if {@code electric}. */
    public static BlockedRoute find(FlowGraph graph, boolean electric, int start, int end) {
        BlockedSearch search = new BlockedSearch(graph, electric, end);
        if (!search.reaching[start]) {
            return BlockedRoute.NONE;
        }
        Label found = search.exact(start);
        boolean exact = found != null;
        if (found == null) {
            found = search.counting(start);
        }
        List<Integer> path = found.path == null ? List.of() : List.copyOf(found.path);
        int[] gates = {};
        List<Gate> closed = new ArrayList<>();
        for (int s : path) {
            for (int gate : graph.gateNumbers(s)) {
                if (!graph.gate(gate).open() && !holds(gates, gate)) {
                    gates = Arrays.copyOf(gates, gates.length + 1);
                    gates[gates.length - 1] = gate;
                    closed.add(graph.gate(gate));
                }
            }
        }
        return new BlockedRoute(path, List.copyOf(closed), exact);
    }

    /** Whether a route between two points is open once a single gate is. */
    public static boolean opens(FlowGraph graph, boolean electric, int start, int end, Gate gate) {
        boolean[] seen = new boolean[graph.points()];
        int[] stack = new int[graph.points()];
        int top = 0;
        stack[top++] = start;
        seen[start] = true;
        while (top > 0) {
            int p = stack[--top];
            for (int s = graph.outStart(p); s < graph.outStart(p + 1); s++) {
                if (seen[graph.to(s)] || electric && graph.isCoupling(s) || !passes(graph, s, gate)) {
                    continue;
                }
                if (graph.to(s) == end) {
                    return true;
                }
                seen[graph.to(s)] = true;
                stack[top++] = graph.to(s);
            }
        }
        return false;
    }

    /** Whether a gate lies on a segment. */
    private static boolean passes(FlowGraph graph, int segment, Gate gate) {
        for (int g : graph.gateNumbers(segment)) {
            if (!graph.gate(g).open() && !graph.gate(g).equals(gate)) {
                return false;
            }
        }
        return true;
    }

    /** Whether a list of gates, in order, holds one. */
    private static boolean holds(int[] gates, int gate) {
        for (int one : gates) {
            if (one == gate) {
                return true;
            }
        }
        return false;
    }

    private boolean has(int segment) {
        return !(electric && graph.isCoupling(segment));
    }

    /** From where the listener can be reached if all gates were open. */
    private boolean[] reaching() {
        boolean[] seen = new boolean[graph.points()];
        int[] queue = new int[graph.points()];
        int head = 0;
        int tail = 0;
        queue[tail++] = end;
        seen[end] = true;
        while (head < tail) {
            int p = queue[head++];
            for (int i = graph.inStart(p); i < graph.inStart(p + 1); i++) {
                int s = graph.inSegment(i);
                if (has(s) && !seen[graph.from(s)]) {
                    seen[graph.from(s)] = true;
                    queue[tail++] = graph.from(s);
                }
            }
        }
        return seen;
    }

    /** Searches by number of distinct closed gates, which needs the sets of gates. */
    private @Nullable Label exact(int start) {
        Map<Integer, List<Label>> settled = new HashMap<>();
        PriorityQueue<Label> queue = new PriorityQueue<>();
        queue.add(new Label(start, new int[0], 0, 0, 0, null));
        int labels = 0;
        long work = 0;
        int most = SearchBudget.labels(graph.rig());
        while (!queue.isEmpty() && ++labels < most && work < COMPARISONS * most) {
            Label label = queue.poll();
            if (label.gates.length > EXACT_GATES) {
                return null;
            }
            if (label.point == end) {
                return label;
            }
            List<Label> here = settled.computeIfAbsent(label.point, p -> new ArrayList<>(2));
            work += 1 + here.size();
            if (isWorse(label, here)) {
                continue;
            }
            here.add(label);
            for (int s = graph.outStart(label.point); s < graph.outStart(label.point + 1); s++) {
                if (has(s) && reaching[graph.to(s)]) {
                    queue.add(next(label, s, union(label.gates, s)));
                }
            }
        }
        return null;
    }

    /** Whether one of the labels here is as good in every respect. */
    private static boolean isWorse(Label label, List<Label> here) {
        for (Label other : here) {
            if (subset(other.gates, label.gates) && other.compareRest(label) <= 0) {
                return true;
            }
        }
        return false;
    }

    /** Dijkstra with gates counted each time: not always the fewest distinct ones, but never far off. */
    private Label counting(int start) {
        boolean[] done = new boolean[graph.points()];
        record Counted(int gates, Label label) {}
        PriorityQueue<Counted> queue = new PriorityQueue<>((a, b) -> {
            int order = Integer.compare(a.gates, b.gates);
            return order != 0 ? order : a.label.compareRest(b.label);
        });
        queue.add(new Counted(0, new Label(start, new int[0], 0, 0, 0, null)));
        while (true) {
            Counted counted = queue.remove(); // never empty: the end can be reached
            Label label = counted.label;
            if (label.point == end) {
                return label;
            }
            if (done[label.point]) {
                continue;
            }
            done[label.point] = true;
            for (int s = graph.outStart(label.point); s < graph.outStart(label.point + 1); s++) {
                if (has(s) && reaching[graph.to(s)] && !done[graph.to(s)]) {
                    queue.add(new Counted(counted.gates + closed(s), next(label, s, label.gates)));
                }
            }
        }
    }

    /** A label one segment further. */
    private Label next(Label label, int s, int[] gates) {
        return new Label(
                graph.to(s),
                gates,
                label.segments + 1,
                label.gain + graph.gain(s),
                label.delay + graph.latency(s),
                new Path(label.path, s));
    }

    /** The closed gates of a label and of a segment together, sorted. */
    private int[] union(int[] gates, int segment) {
        if (graph.isOpen(segment)) {
            return gates;
        }
        int[] all = gates;
        for (int gate : graph.gateNumbers(segment)) {
            if (!graph.gate(gate).open() && Arrays.binarySearch(all, gate) < 0) {
                int at = -1 - Arrays.binarySearch(all, gate);
                int[] more = Arrays.copyOf(all, all.length + 1);
                System.arraycopy(all, at, more, at + 1, all.length - at);
                more[at] = gate;
                all = more;
            }
        }
        return all;
    }

    /** How many gates of a segment are closed. */
    private int closed(int segment) {
        int closed = 0;
        for (int gate : graph.gateNumbers(segment)) {
            closed += graph.gate(gate).open() ? 0 : 1;
        }
        return closed;
    }

    /** Whether one sorted set is part of another. */
    private static boolean subset(int[] small, int[] large) {
        if (small.length > large.length) {
            return false;
        }
        for (int g : small) {
            if (Arrays.binarySearch(large, g) < 0) {
                return false;
            }
        }
        return true;
    }
}
