package org.gullyrun.core.flow;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
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

    /** Rows that several scenes share are renumbered once, so that they share them afterwards. */
    private final Map<Object, Delivery[]> rows = new IdentityHashMap<>();

    private Numbering(FlowGraph before, FlowGraph after) {
        this.before = before;
        this.after = after;
        this.points = before.hasShapeOf(after) ? null : matchedPoints();
        this.segments = points == null ? null : matched(points);
    }

    /** How two graphs are numbered; {@code known} is given back where it is of graphs of the same shapes. */
    public static Numbering between(FlowGraph before, FlowGraph after, @Nullable Numbering known) {
        return known != null && known.before.from == before.from && known.after.from == after.from
                ? known
                : new Numbering(before, after);
    }

    private int[] matchedPoints() {
        int[] found = new int[before.points()];
        for (int i = 0, j = 0; i < found.length; i++) {
            int order = -1;
            while (j < after.points() && (order = Ids.ORDER.compare(after.pointIds[j], before.pointIds[i])) < 0) {
                j++;
            }
            found[i] = j < after.points() && order == 0 ? j : -1;
        }
        return found;
    }

    private int[] matched(int[] points) {
        int[] matched = new int[before.segments()];
        for (int i = 0, j = 0; i < matched.length; i++) {
            matched[i] = -1;
            int from = points[before.from[i]];
            int to = points[before.to[i]];
            if (from < 0 || to < 0) {
                continue;
            }
            int order = 1;
            while (j < after.segments() && (order = order(j, from, to, before.segmentElements[i])) < 0) {
                j++;
            }
            if (j < after.segments() && order == 0) {
                matched[i] = j++;
            }
        }
        return matched;
    }

    private int order(int segment, int from, int to, String element) {
        int order = Integer.compare(after.from[segment], from);
        order = order != 0 ? order : Integer.compare(after.to[segment], to);
        return order != 0 ? order : Ids.ORDER.compare(after.segmentElements[segment], element);
    }

    /** Whether anything has another number now, came or went. */
    public boolean renumbers() {
        return segments != null;
    }

    /** The number after of a point of the graph before, or -1. */
    int point(int old) {
        return points == null ? old : points[old];
    }

    /** The number after of a segment of the graph before, or -1. */
    int segment(int old) {
        return segments == null ? old : segments[old];
    }

    /** A row as it was handed on before, or made by {@code renumbered}. */
    Delivery[] row(Delivery[] old, UnaryOperator<Delivery[]> renumbered) {
        return rows.computeIfAbsent(old, x -> renumbered.apply(old));
    }

    /** Everything that was to be renumbered has been: what was kept for it is let go. */
    public void finished() {
        rows.clear();
    }

    /** Points of the graph before by their numbers after; all of them must have one. */
    List<Integer> nowPoints(List<Integer> old) {
        return now(points, old);
    }

    /** Segments of the graph before by their numbers after; all of them must have one. */
    public List<Integer> now(List<Integer> old) {
        return now(segments, old);
    }

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
