package org.gullyrun.core.flow.route;

import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.rig.Ids;
import org.jspecify.annotations.Nullable;

/**
 * Which points and segments of two graphs are the same ones: those with the same ids at the same ends, whatever their
 * numbers.
 *
 * <p>Needs: two graphs. Gives: for each point and segment of the one its number in the other. It hangs on their shapes
 * alone, so one does for all scenes that are compiled together. Cost: linear in both.
 */
public final class Numbering {
    private final FlowGraph before;
    private final FlowGraph after;
    /** For each point of the graph before its number in the other, or -1. Null where nothing is renumbered. */
    private final int @Nullable [] points;
    /** For each segment of the graph before its number in the other, or -1. Null where nothing is renumbered. */
    private final int @Nullable [] segments;

    /** For each gate of the graph before its number in the other, or -1. Null where gates have the same numbers. */
    private final int @Nullable [] gates;
    /** The gates last compared, and whether those with the same place are the same: most are shared between scenes. */
    private final Gate[] gatesBefore;

    private final @Nullable Gate[] gatesAfter;
    private final boolean[] sameGates;
    /** The lists of gates last compared, by segment: all but those that depend on the scene are shared between scenes. */
    private int[] @Nullable [] listsBefore = {};

    private int[] @Nullable [] listsAfter = {};
    private boolean[] sameLists = {};
    /** Rows that several scenes share are renumbered once, so that they share them afterwards. */
    private final Map<Object, Delivery[]> rows = new IdentityHashMap<>();

    private Numbering(FlowGraph before, FlowGraph after) {
        this.before = before;
        this.after = after;
        this.points = before.hasShapeOf(after) ? null : matchedPoints();
        this.segments = points == null ? null : matched(points);
        this.gates = before.sharesGates(after) ? null : gateNumbers(before, after);
        this.gatesBefore = new Gate[before.gateCount()];
        this.gatesAfter = new Gate[before.gateCount()];
        this.sameGates = new boolean[before.gateCount()];
    }

    /** Matches gates by place, setting and kind. */
    private static int[] gateNumbers(FlowGraph before, FlowGraph after) {
        int[] numbers = new int[before.gateCount()];
        for (int g = 0; g < numbers.length; g++) {
            numbers[g] = after.gate(before.gate(g).at());
        }
        return numbers;
    }

    /** For each gate of a graph before, whether the gate with its address is the same in one after. */
    boolean[] sameGates(FlowGraph was, FlowGraph is) {
        for (int g = 0; g < sameGates.length; g++) {
            int h = gate(g);
            Gate old = was.gate(g);
            Gate now = h < 0 ? null : is.gate(h);
            if (old != gatesBefore[g] || now != gatesAfter[g]) {
                gatesBefore[g] = old;
                gatesAfter[g] = now;
                sameGates[g] = old == now || old.equals(now);
            }
        }
        return sameGates;
    }

    /**
     * Whether two segments, by their numbers, have the same gates in two graphs.
     *
     * @param sameGate what {@link #sameGates(FlowGraph, FlowGraph)} gives for the graphs
     */
    boolean hasSameGates(FlowGraph was, int segment, FlowGraph is, int now, boolean[] sameGate) {
        int[] old = was.gateNumbers(segment);
        int[] other = is.gateNumbers(now);
        if (sameLists.length == 0) {
            listsBefore = new int[was.segments()][];
            listsAfter = new int[was.segments()][];
            sameLists = new boolean[was.segments()];
        }
        // What is one list in two scenes is of gates that do not depend on the scene: they compare as they did.
        if (listsBefore[segment] != old || listsAfter[segment] != other) {
            listsBefore[segment] = old;
            listsAfter[segment] = other;
            sameLists[segment] = compare(old, other, sameGate);
        }
        return sameLists[segment];
    }

    /** Whether a segment has the same gates in both graphs. */
    private boolean compare(int[] old, int[] other, boolean[] sameGate) {
        if (old.length != other.length) {
            return false;
        }
        for (int i = 0; i < old.length; i++) {
            if (gate(old[i]) != other[i] || !sameGate[old[i]]) {
                return false;
            }
        }
        return true;
    }

    /** The number after of a gate of the graph before, or -1. */
    public int gate(int old) {
        return gates == null ? old : gates[old];
    }

    /** How two graphs are numbered; {@code known} is given back where it is of graphs of the same shapes. */
    public static Numbering between(FlowGraph before, FlowGraph after, @Nullable Numbering known) {
        return known != null
                        && known.before.sharesShape(before)
                        && known.after.sharesShape(after)
                        && known.before.sharesGates(before)
                        && known.after.sharesGates(after)
                ? known
                : new Numbering(before, after);
    }

    /** Matches points by their ids. */
    private int[] matchedPoints() {
        int[] found = new int[before.points()];
        for (int i = 0, j = 0; i < found.length; i++) {
            int order = -1;
            while (j < after.points() && (order = after.id(j).compareTo(before.id(i))) < 0) {
                j++;
            }
            found[i] = j < after.points() && order == 0 ? j : -1;
        }
        return found;
    }

    /** For each segment before the one after with the same ends and element; −1 if there is none. */
    private int[] matched(int[] points) {
        int[] matched = new int[before.segments()];
        for (int i = 0, j = 0; i < matched.length; i++) {
            matched[i] = -1;
            int from = points[before.from(i)];
            int to = points[before.to(i)];
            if (from < 0 || to < 0) {
                continue;
            }
            int order = 1;
            while (j < after.segments() && (order = order(j, from, to, before.segmentElement(i))) < 0) {
                j++;
            }
            if (j < after.segments() && order == 0) {
                matched[i] = j++;
            }
        }
        return matched;
    }

    private int order(int segment, int from, int to, String element) {
        int order = Integer.compare(after.from(segment), from);
        order = order != 0 ? order : Integer.compare(after.to(segment), to);
        return order != 0 ? order : Ids.ORDER.compare(after.segmentElement(segment), element);
    }

    /** Whether anything has another number now, came or went. */
    public boolean renumbers() {
        return segments != null;
    }

    /** The number after of a point of the graph before, or -1. */
    public int point(int old) {
        return points == null ? old : points[old];
    }

    /** The number after of a segment of the graph before, or -1. */
    public int segment(int old) {
        return segments == null ? old : segments[old];
    }

    /** A row as it was handed on before, or made by {@code renumbered}. */
    Delivery[] row(Delivery[] old, UnaryOperator<Delivery[]> renumbered) {
        return rows.computeIfAbsent(old, x -> renumbered.apply(old));
    }

    /** Everything that was to be renumbered has been: what was kept for it is let go. */
    public void finished() {
        rows.clear();
        Arrays.fill(gatesBefore, null);
        Arrays.fill(gatesAfter, null);
        listsBefore = new int[0][];
        listsAfter = new int[0][];
        sameLists = new boolean[0];
    }

    /** Points of the graph before by their numbers after; all of them must have one. */
    List<Integer> nowPoints(List<Integer> old) {
        return now(points, old);
    }

    /** Segments of the graph before by their numbers after; all of them must have one. */
    public List<Integer> now(List<Integer> old) {
        return now(segments, old);
    }

    /** A list of numbers in the numbers of the graph after. */
    private static List<Integer> now(int @Nullable [] numbers, List<Integer> old) {
        if (numbers == null) {
            return old;
        }
        Integer[] now = new Integer[old.size()];
        for (int i = 0; i < now.length; i++) {
            now[i] = numbers[old.get(i)];
        }
        return List.of(now);
    }
}
