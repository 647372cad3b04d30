package org.gullyrun.desktop.state;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Change;

/** From where on the routes shown are wrong: from the gate that the best fix closes, or else at their very end. */
public final class WrongSegments {
    private WrongSegments() {}

    /** The segments of the routes shown that are to be drawn as wrong. */
    public static Set<SegmentKey> wrong(State state) {
        Set<SegmentKey> wrong = new HashSet<>();
        if (!state.shown().bad()) {
            return wrong;
        }
        FlowGraph graph = state.graph();
        for (Evidence.Trace route : state.shown().routes()) {
            List<Integer> segments = route.in(graph);
            if (route.form() == Evidence.Form.BLOCKED) {
                segments.stream().filter(s -> !graph.isOpen(s)).forEach(s -> wrong.add(graph.key(s)));
                continue;
            }
            int from = route.form() == Evidence.Form.CIRCLE ? 0 : segments.size() - 1;
            int culprit = hop(state, route);
            for (int i = culprit >= 0 ? culprit : from; i < segments.size(); i++) {
                wrong.add(graph.key(segments.get(i)));
            }
        }
        return wrong;
    }

    /** The place on a route of the gate that the best fix moves, or -1. */
    public static int hop(State state, Evidence.Trace route) {
        if (route.form() == Evidence.Form.CIRCLE
                || state.fixes() == null
                || state.fixes().fixes().isEmpty()) {
            return -1;
        }
        List<Change> changes = state.fixes().fixes().getFirst().changes();
        FlowGraph graph = state.graph();
        List<Integer> segments = route.in(graph);
        for (int i = 0; i < segments.size(); i++) {
            for (var gate : graph.gates(segments.get(i))) {
                for (Change change : changes) {
                    boolean same = change instanceof Change.Set set
                            ? set.address().equals(gate.at())
                            : gate.at().element().endsWith("@" + change.element());
                    if (same) {
                        return i;
                    }
                }
            }
        }
        return -1;
    }
}
