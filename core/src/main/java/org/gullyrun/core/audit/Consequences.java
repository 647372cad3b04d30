package org.gullyrun.core.audit;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointId;

/**
 * What is silent only because of something that another finding says: it lies on the blocked route of a required source, or
 * sound would reach it if the one closed gate were open that an engine, a device or an output has as a finding of its own.
 */
final class Consequences {
    private final Set<PointId> points = new HashSet<>();

    /**
     * Collects them, over all scenes.
     *
     * @param own the closed gates that are findings of their own
     */
    Consequences(List<SceneReading> scenes, List<MissingPair> missing, List<Gate> own) {
        for (MissingPair pair : missing) {
            pair.routes().forEach((scene, route) -> {
                FlowGraph graph = scenes.get(scene).graph();
                route.segments().forEach(s -> {
                    points.add(graph.id(graph.from(s)));
                    points.add(graph.id(graph.to(s)));
                });
            });
        }
        for (int i = 0; i < scenes.size(); i++) {
            if (i == 0 || !scenes.get(i).isLike(scenes.get(i - 1))) {
                for (Gate gate : own) {
                    fed(scenes.get(i).graph(), gate);
                }
            }
        }
    }

    /** Whether a point is silent only for a reason that another finding gives. */
    boolean contains(PointId point) {
        return points.contains(point);
    }

    /** Adds all that sources reach once a gate is open. */
    private void fed(FlowGraph graph, Gate gate) {
        boolean[] seen = new boolean[graph.points()];
        Deque<Integer> next = new ArrayDeque<>();
        for (int source : graph.sources()) {
            seen[source] = true;
            next.add(source);
        }
        while (!next.isEmpty()) {
            for (int s : graph.out(next.remove())) {
                int to = graph.to(s);
                boolean opens =
                        graph.isOpen(s) || graph.gates(s).stream().allMatch(g -> g.open() || g.at().equals(gate.at()));
                if (opens && !seen[to]) {
                    seen[to] = true;
                    points.add(graph.id(to));
                    next.add(to);
                }
            }
        }
    }
}
