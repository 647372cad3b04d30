package org.gullyrun.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.flow.route.Route;

/** Deliveries and loops as plain data, for JSON. */
final class PlainData {
    /** The most runs of one cell that are listed. */
    static final int MOST_ROUTES = 100;

    private PlainData() {}

    /** The points that a route passes, by id, from its start on. */
    static List<String> points(FlowGraph graph, List<Integer> segments) {
        List<String> points = new ArrayList<>();
        for (int s : segments) {
            if (points.isEmpty()) {
                points.add(graph.id(graph.from(s)).text());
            }
            points.add(graph.id(graph.to(s)).text());
        }
        return points;
    }

    /** A cell of the brief: what arrives, how strong, when, and by which routes. */
    static Map<String, Object> cell(SceneReading scene, CellReading cell) {
        FlowGraph graph = scene.graph();
        Delivery delivery = cell.delivery();
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("source", cell.source().id());
        one.put("outlet", cell.outlet().id());
        one.put("wish", cell.wish().word());
        one.put("verdict", cell.verdict().word());
        one.put("routeCount", delivery.routes());
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
                    "routes",
                    scene.routes(cell, MOST_ROUTES).routes().stream()
                            .map(r -> route(graph, r))
                            .toList());
        }
        if (!delivery.arrives() || cell.tooFaint()) {
            BlockedRoute blocked = scene.blocked(cell);
            Map<String, Object> route = new LinkedHashMap<>();
            route.put("exists", blocked.exists());
            route.put("points", points(graph, blocked.segments()));
            route.put(
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
            route.put("exact", blocked.exact());
            one.put("blockedRoute", route);
        }
        return one;
    }

    /** One route: its points in order, gain in dB and delay in ms. */
    private static Map<String, Object> route(FlowGraph graph, Route route) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("points", route.points(graph).stream().map(PointId::text).toList());
        one.put("gain", route.gain());
        one.put("delay", route.delay());
        return one;
    }

    /** A loop with its circles. */
    static Map<String, Object> loop(FlowGraph graph, Loop loop) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put(
                "points",
                loop.points().stream().map(graph::id).map(PointId::text).toList());
        one.put("buildsUp", loop.buildsUp());
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

    /** A map of keys and values in turn, in this order: the same input gives the same text. */
    static Map<String, Object> ordered(Object... keysAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < keysAndValues.length; i += 2) {
            map.put((String) keysAndValues[i], keysAndValues[i + 1]);
        }
        return map;
    }
}
