package org.gullyrun.core.flow.reuse;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.flow.route.BlockedSearch;
import org.gullyrun.core.flow.route.Deliveries;
import org.gullyrun.core.flow.route.GraphDifference;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.flow.route.Loops;
import org.gullyrun.core.flow.route.Numbering;
import org.gullyrun.core.flow.route.OpenView;
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
    private final Round round;
    private final Round electricRound;
    /** Blocked routes found so far; shared by flows that are alike. */
    private final Map<Long, BlockedRoute> blocked;

    private final Map<Long, BlockedRoute> electricBlocked;

    /** Works out a scene, taking over from the scene before whatever lies beyond the difference. */
    private SceneFlow(FlowGraph graph, @Nullable SceneFlow before, @Nullable GraphDifference difference) {
        this.graph = graph;
        boolean air = hasAir(graph);
        if (before != null
                && difference != null
                && difference.isNothing()
                && !difference.numbering().renumbers()) {
            this.view = before.view.of(graph);
            this.deliveries = before.deliveries;
            this.electricView = air ? before.electricView.of(graph) : view;
            this.electric = before.electric;
            this.round = before.round;
            this.electricRound = before.electricRound;
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
            this.electric = air ? Deliveries.of(electricView) : deliveries;
        } else {
            this.deliveries = Deliveries.of(view, before.deliveries, difference);
            this.electric = air ? Deliveries.of(electricView, before.electric, difference) : deliveries;
            takeBlocked(before, difference);
        }
        this.round =
                Round.of(view, before == null ? null : before.view, before == null ? null : before.round, difference);
        this.electricRound = air
                ? Round.of(
                        electricView,
                        before == null ? null : before.electricView,
                        before == null ? null : before.electricRound,
                        difference)
                : round;
    }

    /** All that follows from a graph. */
    public static SceneFlow of(FlowGraph graph) {
        return new SceneFlow(graph, null, null);
    }

    /** The same, computing again only what differs from another flow, in which things are numbered so. */
    static SceneFlow of(FlowGraph graph, SceneFlow before, Numbering numbering) {
        return new SceneFlow(graph, before, GraphDifference.between(before.graph, graph, numbering));
    }

    /** Whether nothing differs from another flow, so that what follows from it can be shared. */
    public boolean isLike(SceneFlow other) {
        return deliveries == other.deliveries && electric == other.electric;
    }

    /** The flow of a graph that has the same segments as this one; null if it has not. */
    public @Nullable SceneFlow sharedWith(FlowGraph other) {
        if (!graph.sharesShape(other) || !graph.passesAlike(other)) {
            return null; // quickly seen, without looking at gates
        }
        GraphDifference difference = GraphDifference.between(graph, other, Numbering.between(graph, other, null));
        return difference.isNothing() ? new SceneFlow(other, this, difference) : null;
    }

    /** Whether any sound goes through the air, so that the graph without couplings is another. */
    private static boolean hasAir(FlowGraph graph) {
        for (int s = 0; s < graph.segments(); s++) {
            if (graph.isCoupling(s) && graph.isOpen(s)) {
                return true;
            }
        }
        return false;
    }

    /**
     * The loops of a view.
     *
     * @param from the list as it was found: handed on with it whatever becomes of the numbers
     */
    private record Round(List<Loop> loops, Object from) {
        /** Views, loops and deliveries of one graph, with or without couplings. */
        static Round of(
                OpenView view, @Nullable OpenView was, @Nullable Round before, @Nullable GraphDifference difference) {
            if (was == null || before == null || difference == null || !difference.leavesLoops(was, view)) {
                List<Loop> found = Loops.of(view);
                return new Round(found, found);
            }
            Numbering numbering = difference.numbering();
            return numbering.renumbers()
                    ? new Round(before.loops.stream().map(l -> l.by(numbering)).toList(), before.from)
                    : before;
        }
    }

    /** Blocked routes stay the first ones where no route of the pair, whatever is closed, meets what differs. */
    private void takeBlocked(SceneFlow before, GraphDifference difference) {
        if (before.blocked.isEmpty() && before.electricBlocked.isEmpty()) {
            return;
        }
        boolean[] meets = difference.mayMeet();
        boolean[] follows = difference.mayFollow();
        Numbering numbering = difference.numbering();
        take(before.blocked, blocked, numbering, meets, follows);
        take(before.electricBlocked, electricBlocked, numbering, meets, follows);
    }

    /** Takes over the blocked routes that the difference doesn't meet. */
    private static void take(
            Map<Long, BlockedRoute> from,
            Map<Long, BlockedRoute> to,
            Numbering numbering,
            boolean[] meets,
            boolean[] follows) {
        from.forEach((at, route) -> {
            int source = numbering.point((int) (at >> 32));
            int outlet = numbering.point((int) (long) at);
            if (source >= 0 && outlet >= 0 && (!meets[source] || !follows[outlet])) {
                to.put(pair(source, outlet), route.by(numbering));
            }
        });
    }

    private static long pair(int source, int outlet) {
        return (long) source << 32 | outlet;
    }

    /** The graph. */
    public FlowGraph graph() {
        return graph;
    }

    /** The open segments without couplings. */
    public OpenView electricView() {
        return electricView;
    }

    /** The open segments, couplings included. */
    public OpenView view() {
        return view;
    }

    /** What arrives, couplings included. */
    public Deliveries deliveries() {
        return deliveries;
    }

    /** What arrives over routes without couplings. */
    public Deliveries electric() {
        return electric;
    }

    /** The loops of the whole graph. */
    public List<Loop> loops() {
        return round.loops;
    }

    /** The loops of the graph without couplings. */
    public List<Loop> electricLoops() {
        return electricRound.loops;
    }

    /** Whether the first blocked route of a pair of points has been found already, or was taken over. */
    public boolean knowsBlocked(int source, int outlet, boolean electric) {
        return (electric ? electricBlocked : blocked).containsKey(pair(source, outlet));
    }

    /** Whether the loops were taken over from another flow, or from where that has them. */
    public boolean hasLoopsOf(SceneFlow other) {
        return round.from == other.round.from && electricRound.from == other.electricRound.from;
    }

    /** The first blocked route of a pair of points; without couplings if {@code electric}. */
    public BlockedRoute blocked(int source, int outlet, boolean electric) {
        return (electric ? electricBlocked : blocked)
                .computeIfAbsent(pair(source, outlet), x -> BlockedSearch.find(graph, electric, source, outlet));
    }
}
