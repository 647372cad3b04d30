package org.gullyrun.desktop.state;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.flow.route.Route;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * What a selection lights: routes through the graph of one scene, and the points and segments on them.
 *
 * @param scene the place in the reading of the scene that the routes are of
 * @param routes the routes, the most telling first; empty where a whole area is lit
 * @param points the ids of the points lit
 * @param segments the segments lit
 * @param finding the finding that the selection is about, or null
 * @param cell the cell that the selection is about, or null
 * @param bad whether what is lit is trouble
 */
public record Shown(
        int scene,
        List<Evidence.Trace> routes,
        Set<PointId> points,
        Set<SegmentKey> segments,
        @Nullable Finding finding,
        @Nullable CellReading cell,
        boolean bad) {

    /** The most routes that are laid side by side. */
    public static final int MOST_ROUTES = 12;

    /** Nothing is lit. */
    public static final Shown NOTHING = new Shown(0, List.of(), Set.of(), Set.of(), null, null, false);

    /** Whether anything is lit. */
    public boolean isEmpty() {
        return points.isEmpty();
    }

    /** What a selection lights in a reading; {@code scene} is the scene chosen, -1 for all. */
    public static Shown of(Reading reading, Selection selection, int scene) {
        return switch (selection) {
            case Selection.Nothing nothing -> NOTHING;
            case Selection.Pair(String source, String outlet) -> pair(reading, source, outlet, scene);
            case Selection.Trouble(String identity) ->
                reading.findings().stream()
                        .filter(f -> f.identity().equals(identity))
                        .findFirst()
                        .map(f -> trouble(reading, f, scene))
                        .orElse(NOTHING);
            case Selection.OfSource(String source) ->
                area(reading, Math.max(0, scene), List.of(PointId.of(source)), true, false);
            case Selection.OfOutlet(String outlet) ->
                area(reading, Math.max(0, scene), List.of(PointId.of(outlet)), false, true);
            case Selection.OfElement(String element) -> {
                SceneReading at = reading.scenes().get(Math.max(0, scene));
                Set<String> parts = parts(reading.rig(), Set.of(element));
                List<PointId> points = java.util.stream.IntStream.range(
                                0, at.graph().points())
                        .filter(p -> element.equals(at.graph().element(p))
                                || parts.contains(at.graph().element(p)))
                        .mapToObj(at.graph()::id)
                        .toList();
                yield area(reading, Math.max(0, scene), points, true, true);
            }
        };
    }

    /**
     * What is shown once the trouble shown here is no longer found: how its source reaches its listener now, so that one sees
     * what the change did; or, where the trouble was of no pair, the place where it was, as far as that is still there.
     */
    Shown cleared(Reading reading, int chosen) {
        int at = chosen >= 0 ? chosen : scene;
        if (at >= reading.scenes().size()) {
            return NOTHING;
        }
        if (cell != null) {
            Shown now = pair(reading, cell.source().id(), cell.outlet().id(), at);
            return new Shown(now.scene, now.routes, now.points, now.segments, null, now.cell, now.bad);
        }
        FlowGraph graph = reading.scenes().get(at).graph();
        Set<PointId> there = new HashSet<>(points);
        there.removeIf(id -> graph.point(id) < 0);
        return there.isEmpty() ? NOTHING : new Shown(at, List.of(), there, segments, null, null, false);
    }

    /** What is drawn for a finding. */
    private static Shown trouble(Reading reading, Finding finding, int scene) {
        if (!finding.subject().source().isEmpty()) {
            boolean here = scene < 0 || finding.scenes().contains(scene);
            int at = scene >= 0 && here ? scene : finding.evidence().scene();
            Shown pair = pair(
                    reading,
                    finding.subject().source(),
                    finding.subject().outlet(),
                    here ? at : finding.evidence().scene());
            if (at != finding.evidence().scene() || finding.evidence().routes().isEmpty()) {
                return new Shown(pair.scene, pair.routes, pair.points, pair.segments, finding, pair.cell, true);
            }
            Shown routes = routes(
                    reading, finding.evidence().scene(), finding.evidence().routes(), finding, true);
            return new Shown(routes.scene, routes.routes, routes.points, routes.segments, finding, pair.cell, true);
        }
        if (!finding.evidence().routes().isEmpty()) {
            return routes(
                    reading, finding.evidence().scene(), finding.evidence().routes(), finding, true);
        }
        Set<String> concerned = new HashSet<>(finding.subject().elements());
        finding.evidence().settings().forEach(a -> concerned.add(a.element()));
        int at = scene >= 0 ? scene : finding.scenes().stream().findFirst().orElse(0);
        Shown shown = elements(reading, at, concerned, finding);
        return shown.isEmpty() && shown.segments.isEmpty()
                ? elements(reading, at, parts(reading.rig(), concerned), finding)
                : shown;
    }

    /** What is drawn for a finding about some elements: where they are, and what of them sound can go through. */
    private static Shown elements(Reading reading, int scene, Set<String> elements, Finding finding) {
        FlowGraph graph = reading.scenes().get(scene).graph();
        Set<PointId> points = new HashSet<>();
        Set<SegmentKey> segments = new HashSet<>();
        for (int p = 0; p < graph.points(); p++) {
            if (elements.contains(graph.element(p))) {
                points.add(graph.id(p));
            }
        }
        for (int s = 0; s < graph.segments(); s++) {
            if (elements.contains(graph.segmentElement(s)) && graph.isOpen(s)) {
                segments.add(graph.key(s));
            }
        }
        return new Shown(scene, List.of(), points, segments, finding, null, true);
    }

    /** What stands on the map for elements that don't: the parts of a program, who hears an output, what a scene brings. */
    private static Set<String> parts(Rig rig, Set<String> elements) {
        Set<String> parts = new HashSet<>();
        rig.elements().stream()
                .filter(each -> elements.contains(rig.program(each).id()))
                .forEach(each -> parts.add(each.id()));
        rig.of(Kind.OUTLET).stream()
                .filter(outlet -> elements.contains(outlet.or(Outlets.OUTPUT, "")))
                .forEach(outlet -> parts.add(outlet.id()));
        rig.of(Kind.ENTRY).stream()
                .filter(entry -> elements.contains(entry.or(Productions.ENTRY_OF, "")))
                .forEach(entry -> parts.add(entry.or(Productions.BRINGS, "")));
        return parts;
    }

    /** What is drawn for a source and a listener. */
    private static Shown pair(Reading reading, String source, String outlet, int scene) {
        int s = place(reading.rig().of(Kind.SOURCE), source);
        int o = place(reading.rig().of(Kind.OUTLET), outlet);
        if (s < 0 || o < 0) {
            return NOTHING;
        }
        int at = scene >= 0 ? scene : reading.worstScene(s, o);
        SceneReading in = reading.scenes().get(at);
        CellReading cell = in.cell(s, o);
        Finding finding = reading.findings().stream()
                .filter(f -> f.subject().source().equals(source)
                        && f.subject().outlet().equals(outlet))
                .filter(f -> f.scenes().contains(at))
                .findFirst()
                .orElse(null);
        List<Evidence.Trace> routes;
        if (cell.delivery().arrives()) {
            routes = new java.util.ArrayList<>();
            routes.add(in.trace(Evidence.Form.ROUTE, cell.delivery().strongest()));
            for (Route route : in.routes(cell, MOST_ROUTES).routes()) {
                Evidence.Trace trace = in.trace(Evidence.Form.ROUTE, route.segments());
                if (!routes.contains(trace)) {
                    routes.add(trace);
                }
            }
        } else {
            BlockedRoute blocked = in.blocked(cell);
            routes = blocked.exists() ? List.of(in.trace(Evidence.Form.BLOCKED, blocked.segments())) : List.of();
        }
        // Without any route it helps to see where the source does go, and where that ends.
        Shown shown = routes.isEmpty()
                ? area(reading, at, List.of(PointId.of(source)), true, false)
                : routes(reading, at, routes, finding, cell.verdict().isTrouble());
        Set<PointId> points = new HashSet<>(shown.points);
        points.add(PointId.of(source));
        points.add(PointId.of(outlet));
        return new Shown(
                at,
                shown.routes,
                points,
                shown.segments,
                finding,
                cell,
                shown.bad || routes.isEmpty() && finding != null);
    }

    /** The place of an element in a list, −1 if it isn't there. */
    private static int place(List<Element> list, String id) {
        for (int i = 0; i < list.size(); i++) {
            if (list.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }

    /** What is drawn for routes. */
    private static Shown routes(
            Reading reading, int scene, List<Evidence.Trace> routes, @Nullable Finding finding, boolean bad) {
        FlowGraph graph = reading.scenes().get(scene).graph();
        Set<PointId> points = new HashSet<>();
        Set<SegmentKey> segments = new HashSet<>();
        for (Evidence.Trace route : routes) {
            for (int s : route.in(graph)) {
                points.add(graph.id(graph.from(s)));
                points.add(graph.id(graph.to(s)));
                segments.add(graph.key(s));
            }
        }
        return new Shown(scene, routes, points, segments, finding, null, bad);
    }

    /** All open segments before or behind some points, as far as sound of any source goes there. */
    private static Shown area(Reading reading, int scene, List<PointId> from, boolean down, boolean up) {
        FlowGraph graph = reading.scenes().get(scene).graph();
        var view = reading.scenes().get(scene).view();
        int[] starts = from.stream().mapToInt(graph::point).filter(p -> p >= 0).toArray();
        boolean[] behind = view.reachedFrom(starts);
        boolean[] before = view.reaching(starts);
        boolean[] fed = view.reachedFrom(graph.sources());
        Set<PointId> points = new HashSet<>(from);
        Set<SegmentKey> segments = new HashSet<>();
        for (int s = 0; s < graph.segments(); s++) {
            boolean on = down && behind[graph.from(s)] || up && before[graph.to(s)];
            if (graph.isOpen(s) && on && fed[graph.from(s)]) {
                segments.add(graph.key(s));
                points.add(graph.id(graph.from(s)));
                points.add(graph.id(graph.to(s)));
            }
        }
        return new Shown(scene, List.of(), points, segments, null, null, false);
    }
}
