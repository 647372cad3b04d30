package org.gullyrun.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.BlockedWay;
import org.gullyrun.core.flow.Delivery;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.flow.Loop;
import org.gullyrun.core.flow.Run;

/** Deliveries and loops as plain data, for JSON. */
final class Plain {
    /** The most runs of one cell that are listed. */
    static final int MOST_RUNS = 100;

    private Plain() {}

    static List<String> points(FlowGraph graph, List<Integer> segments) {
        List<String> points = new ArrayList<>();
        for (int s : segments) {
            if (points.isEmpty()) {
                points.add(graph.id(graph.from(s)));
            }
            points.add(graph.id(graph.to(s)));
        }
        return points;
    }

    static Map<String, Object> cell(SceneReading scene, CellReading cell) {
        FlowGraph graph = scene.graph();
        Delivery delivery = cell.delivery();
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("source", cell.source().id());
        one.put("outlet", cell.outlet().id());
        one.put("wish", cell.wish().word());
        one.put("verdict", cell.verdict().word());
        one.put("runs", delivery.runs());
        one.put("atLeast", delivery.atLeast());
        if (delivery.arrives()) {
            one.put("strength", Json.number(delivery.strength()));
            one.put("usualLevel", Json.number(cell.usualLevel()));
            one.put("worstLevel", Json.number(cell.worstLevel()));
            one.put("first", delivery.first());
            one.put("last", delivery.last());
            one.put("spread", delivery.spread());
            one.put("strongest", points(graph, delivery.strongest()));
            one.put(
                    "ways",
                    scene.runs(cell, MOST_RUNS).runs().stream()
                            .map(r -> run(graph, r))
                            .toList());
        }
        if (!delivery.arrives() || cell.tooFaint()) {
            BlockedWay blocked = scene.blocked(cell);
            Map<String, Object> way = new LinkedHashMap<>();
            way.put("exists", blocked.exists());
            way.put("points", points(graph, blocked.segments()));
            way.put(
                    "gates",
                    blocked.closed().stream()
                            .map(g -> {
                                Map<String, Object> gate = new LinkedHashMap<>();
                                gate.put("element", g.at().element());
                                gate.put("setting", g.at().key());
                                gate.put("why", g.why());
                                return gate;
                            })
                            .toList());
            way.put("exact", blocked.exact());
            one.put("blocked", way);
        }
        return one;
    }

    private static Map<String, Object> run(FlowGraph graph, Run run) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("points", run.points(graph));
        one.put("gain", run.gain());
        one.put("delay", run.delay());
        return one;
    }

    static Map<String, Object> loop(FlowGraph graph, Loop loop) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("points", loop.points().stream().map(graph::id).toList());
        one.put("runsAway", loop.runsAway());
        one.put("loopGain", Json.number(loop.loopGain()));
        one.put("margin", Json.number(loop.margin()));
        one.put("atLeast", loop.atLeast());
        one.put(
                "circles",
                loop.circles().stream()
                        .map(c -> {
                            Map<String, Object> circle = new LinkedHashMap<>();
                            circle.put("points", points(graph, c.segments()));
                            circle.put("gain", c.gain());
                            circle.put("time", c.time());
                            circle.put("repeats", c.repeats());
                            return circle;
                        })
                        .toList());
        return one;
    }
}
