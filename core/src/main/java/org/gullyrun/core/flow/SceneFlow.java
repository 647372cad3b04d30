package org.gullyrun.core.flow;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * All that follows from the flow graph of one scene: what is open, what arrives, what goes round. Immutable to its
 * readers.
 *
 * <p>Needs: a graph, and optionally the flow of another version of the rig or of another scene. Gives the same with and
 * without that one; with it only what differs is computed again. Cost: linear in the graph, plus {@link Deliveries} for
 * the sources that reach a difference and {@link Loops} where one lies inside a loop.
 */
public final class SceneFlow {
    private final FlowGraph graph;
    private final OpenView view;
    private final OpenView electricView;
    private final Deliveries deliveries;
    private final Deliveries electric;
    private final List<Loop> loops;
    private final List<Loop> electricLoops;
    /** Blocked ways found so far; shared by flows that are alike. */
    private final Map<Long, BlockedWay> blocked;

    private final Map<Long, BlockedWay> electricBlocked;

    private SceneFlow(FlowGraph graph, @Nullable SceneFlow before, @Nullable GraphDifference difference) {
        this.graph = graph;
        boolean air = hasAir(graph);
        if (before != null && difference != null && difference.isNothing() && !difference.renumbers()) {
            this.view = before.view.of(graph);
            this.deliveries = before.deliveries;
            this.loops = before.loops;
            this.electricView = air ? before.electricView.of(graph) : view;
            this.electric = before.electric;
            this.electricLoops = before.electricLoops;
            this.blocked = before.blocked;
            this.electricBlocked = before.electricBlocked;
            return;
        }
        this.blocked = new ConcurrentHashMap<>();
        this.electricBlocked = new ConcurrentHashMap<>();
        this.view = OpenView.of(graph, false);
        this.electricView = air ? OpenView.of(graph, true) : view;
        if (before == null || difference == null) {
            this.deliveries = Deliveries.of(view);
            this.loops = Loops.of(view);
            this.electric = air ? Deliveries.of(electricView) : deliveries;
            this.electricLoops = air ? Loops.of(electricView) : loops;
        } else {
            this.deliveries = Deliveries.of(view, before.deliveries, difference);
            this.loops = loops(before.view, view, before.loops, difference);
            this.electric = air ? Deliveries.of(electricView, before.electric, difference) : deliveries;
            this.electricLoops =
                    air ? loops(before.electricView, electricView, before.electricLoops, difference) : loops;
            takeBlocked(before, difference);
        }
    }

    /** All that follows from a graph. */
    public static SceneFlow of(FlowGraph graph) {
        return new SceneFlow(graph, null, null);
    }

    /** The same, computing again only what differs from another flow. */
    public static SceneFlow of(FlowGraph graph, SceneFlow before) {
        return new SceneFlow(graph, before, GraphDifference.between(before.graph, graph));
    }

    /** Whether nothing differs from another flow, so that what follows from it can be shared. */
    public boolean isLike(SceneFlow other) {
        return deliveries == other.deliveries && electric == other.electric;
    }

    /** The flow of a graph that has the same segments as this one; null if it has not. */
    public @Nullable SceneFlow sharedWith(FlowGraph other) {
        if (graph.pointIds != other.pointIds) {
            return null; // not of one shape with it, so not worth the comparison
        }
        if (!Arrays.equals(graph.open, other.open)
                || !Arrays.equals(graph.gain, other.gain)
                || !Arrays.equals(graph.latency, other.latency)) {
            return null; // quickly seen, without looking at gates
        }
        GraphDifference difference = GraphDifference.between(graph, other);
        return difference.isNothing() ? new SceneFlow(other, this, difference) : null;
    }

    private static boolean hasAir(FlowGraph graph) {
        for (int s = 0; s < graph.segments(); s++) {
            if (graph.coupling[s] && graph.open[s]) {
                return true;
            }
        }
        return false;
    }

    private static List<Loop> loops(OpenView was, OpenView is, List<Loop> before, GraphDifference difference) {
        return difference.renumbers() || !difference.leavesLoops(was, is) ? Loops.of(is) : before;
    }

    /** Blocked ways stay the first ones where no way of the pair, whatever is closed, meets what differs. */
    private void takeBlocked(SceneFlow before, GraphDifference difference) {
        if (difference.renumbers() || before.blocked.isEmpty() && before.electricBlocked.isEmpty()) {
            return;
        }
        boolean[] meets = difference.mayMeet();
        boolean[] follows = difference.mayFollow();
        take(before.blocked, blocked, meets, follows);
        take(before.electricBlocked, electricBlocked, meets, follows);
    }

    private static void take(Map<Long, BlockedWay> from, Map<Long, BlockedWay> to, boolean[] meets, boolean[] follows) {
        from.forEach((at, way) -> {
            if (!meets[(int) (at >> 32)] || !follows[(int) (long) at]) {
                to.put(at, way);
            }
        });
    }

    /** The graph. */
    public FlowGraph graph() {
        return graph;
    }

    /** The open segments, couplings included. */
    public OpenView view() {
        return view;
    }

    /** What arrives, couplings included. */
    public Deliveries deliveries() {
        return deliveries;
    }

    /** What arrives over runs without couplings. */
    public Deliveries electric() {
        return electric;
    }

    /** The loops of the whole graph. */
    public List<Loop> loops() {
        return loops;
    }

    /** The loops of the graph without couplings. */
    public List<Loop> electricLoops() {
        return electricLoops;
    }

    /** The first blocked way of a pair of points; without couplings if {@code electric}. */
    public BlockedWay blocked(int source, int outlet, boolean electric) {
        return (electric ? electricBlocked : blocked)
                .computeIfAbsent(
                        (long) source << 32 | outlet, x -> BlockedSearch.find(graph, electric, source, outlet));
    }
}
