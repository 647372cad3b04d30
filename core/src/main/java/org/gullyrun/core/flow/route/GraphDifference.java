package org.gullyrun.core.flow.route;

import java.util.Arrays;
import org.gullyrun.core.flow.graph.FlowGraph;

/**
 * What differs between the graphs of two versions of a rig, or of two scenes: so that only what a change touches has to
 * be computed again.
 *
 * <p>Needs: two graphs. Gives: for each point and segment of the one its number in the other, and which segments are not
 * the same in both. Cost: linear in both.
 */
public final class GraphDifference {
    private final FlowGraph before;
    private final FlowGraph after;
    private final Numbering numbering;
    /** Whether a segment before is gone or another; the same for those after. */
    private final boolean[] goneBefore;

    private final boolean[] newAfter;
    private boolean anything;

    private GraphDifference(FlowGraph before, FlowGraph after, Numbering numbering) {
        this.before = before;
        this.after = after;
        this.numbering = numbering;
        this.goneBefore = new boolean[before.segments()];
        this.newAfter = new boolean[after.segments()];
        compare();
    }

    /** What differs between two graphs that are numbered so. */
    public static GraphDifference between(FlowGraph before, FlowGraph after, Numbering numbering) {
        return new GraphDifference(before, after, numbering);
    }

    /** Finds points and segments that differ. */
    private void compare() {
        if (before.sharesAllButGates(after)) {
            compareGates();
            return;
        }
        boolean[] sameGate = numbering.sameGates(before, after);
        if (numbering.renumbers()) {
            Arrays.fill(newAfter, true);
        }
        for (int i = 0; i < goneBefore.length; i++) {
            int j = numbering.segment(i);
            boolean same = j >= 0
                    && before.isOpen(i) == after.isOpen(j)
                    && before.gain(i) == after.gain(j)
                    && before.latency(i) == after.latency(j)
                    && before.isCoupling(i) == after.isCoupling(j)
                    && numbering.hasSameGates(before, i, after, j, sameGate);
            goneBefore[i] = !same;
            if (j >= 0) {
                newAfter[j] = !same;
            }
            anything |= !same;
        }
        for (boolean each : newAfter) {
            anything |= each;
        }
    }

    /** Finds the segments of gates that differ, where nothing else does. */
    private void compareGates() {
        for (int gate = 0; gate < before.gateCount(); gate++) {
            if (before.gate(gate) != after.gate(gate) && !before.gate(gate).equals(after.gate(gate))) {
                for (int segment : before.gated(gate)) {
                    goneBefore[segment] = true;
                    newAfter[segment] = true;
                    anything = true;
                }
            }
        }
    }

    /** Whether the graphs are the same but for rates, names and assumptions. */
    public boolean isNothing() {
        return !anything;
    }

    /** The ids of the points from which, before or after, an open segment that differs is reached. */
    boolean[] touchedAfter(OpenView was, OpenView is) {
        boolean[] touched = is.reaching(starts(is, newAfter));
        boolean[] old = was.reaching(starts(was, goneBefore));
        for (int p = 0; p < old.length; p++) {
            if (old[p]) {
                int q = numbering.point(p);
                if (q >= 0) {
                    touched[q] = true;
                }
            }
        }
        return touched;
    }

    /** The points at which a difference begins. */
    private static int[] starts(OpenView view, boolean[] differs) {
        int[] starts = new int[view.out.length];
        int n = 0;
        for (int s : view.out) {
            if (differs[s]) {
                starts[n++] = view.graph.from(s);
            }
        }
        return Arrays.copyOf(starts, n);
    }

    /** Whether no open segment that differs lies inside a loop, before or after: then the loops are the same. */
    public boolean leavesLoops(OpenView was, OpenView is) {
        return !inside(was, goneBefore) && !inside(is, newAfter);
    }

    /** Whether any of a set of points reaches another one of it. */
    private static boolean inside(OpenView view, boolean[] differs) {
        for (int s : view.out) {
            if (differs[s] && view.set[view.graph.from(s)] == view.set[view.graph.to(s)]) {
                return true;
            }
        }
        return false;
    }

    /** For each point after, whether a route through it, whatever is closed, may meet a segment that differs. */
    public boolean[] mayMeet() {
        return reached(after, false, newAfter, before, goneBefore);
    }

    /** For each point after, whether it may lie behind a segment that differs, whatever is closed. */
    public boolean[] mayFollow() {
        return reached(after, true, newAfter, before, goneBefore);
    }

    /** What lies behind a difference, before or after it; in the numbers of the graph after. */
    private boolean[] reached(
            FlowGraph graph, boolean forward, boolean[] differs, FlowGraph other, boolean[] otherDiffers) {
        boolean[] seen = spread(graph, forward, differs);
        boolean[] old = spread(other, forward, otherDiffers);
        for (int p = 0; p < old.length; p++) {
            if (old[p]) {
                int q = numbering.point(p);
                if (q >= 0) {
                    seen[q] = true;
                }
            }
        }
        return seen;
    }

    /** Spreads a difference along all segments in one direction. */
    private static boolean[] spread(FlowGraph graph, boolean forward, boolean[] differs) {
        boolean[] seen = new boolean[graph.points()];
        int[] stack = new int[graph.points()];
        int top = 0;
        for (int s = 0; s < differs.length; s++) {
            int p = forward ? graph.to(s) : graph.from(s);
            if (differs[s] && !seen[p]) {
                seen[p] = true;
                stack[top++] = p;
            }
        }
        while (top > 0) {
            int p = stack[--top];
            int first = forward ? graph.outStart(p) : graph.inStart(p);
            int end = forward ? graph.outStart(p + 1) : graph.inStart(p + 1);
            for (int i = first; i < end; i++) {
                int q = forward ? graph.to(i) : graph.from(graph.inSegment(i));
                if (!seen[q]) {
                    seen[q] = true;
                    stack[top++] = q;
                }
            }
        }
        return seen;
    }

    /** How the points and segments of the one are numbered in the other. */
    public Numbering numbering() {
        return numbering;
    }
}
