package org.gullyrun.desktop.state;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.rig.Change;

/** From where on the ways shown are wrong: from the gate that the best remedy closes, or else at their very end. */
public final class Culprit {
    private Culprit() {}

    /** The segments of the ways shown that are to be drawn as wrong. */
    public static Set<SegmentKey> wrong(State state) {
        Set<SegmentKey> wrong = new HashSet<>();
        if (!state.shown().bad()) {
            return wrong;
        }
        FlowGraph graph = state.graph();
        for (Evidence.Way way : state.shown().ways()) {
            List<Integer> segments = way.segments();
            if (way.sort() == Evidence.Sort.BLOCKED) {
                segments.stream().filter(s -> !graph.isOpen(s)).forEach(s -> wrong.add(SegmentKey.of(graph, s)));
                continue;
            }
            int from = way.sort() == Evidence.Sort.CIRCLE ? 0 : segments.size() - 1;
            int culprit = hop(state, way);
            for (int i = culprit >= 0 ? culprit : from; i < segments.size(); i++) {
                wrong.add(SegmentKey.of(graph, segments.get(i)));
            }
        }
        return wrong;
    }

    /** The place on a way of the gate that the best remedy moves, or -1. */
    public static int hop(State state, Evidence.Way way) {
        if (way.sort() == Evidence.Sort.CIRCLE
                || state.remedies() == null
                || state.remedies().remedies().isEmpty()) {
            return -1;
        }
        List<Change> changes = state.remedies().remedies().getFirst().changes();
        FlowGraph graph = state.graph();
        for (int i = 0; i < way.segments().size(); i++) {
            for (var gate : graph.gates(way.segments().get(i))) {
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
