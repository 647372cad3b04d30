package org.gullyrun.core.runmap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.flow.route.ChannelLevels;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.rig.Kind;
import org.jspecify.annotations.Nullable;

/**
 * The graphs of all scenes laid over one another: every segment of every scene has its place, so that nothing moves from
 * scene to scene, but only those chosen count.
 */
final class SceneOverlay {
    /** A segment over all scenes drawn. */
    static final class Segment {
        boolean here;
        boolean open;
        boolean openEverywhere = true;
        boolean air;
        boolean wanted = true;
        String closed = "";
        String loop = "";
        /** Whether it is part of a loop in any scene, so that the layout is the same for all of them. */
        boolean circle;

        double level = Double.NEGATIVE_INFINITY;
    }

    final Map<SegmentKey, Segment> segments = new LinkedHashMap<>();
    final Map<PointId, PointKind> points = new LinkedHashMap<>();
    /** The segments of graphs that were laid, as each numbers them: others of the same shape number them alike. */
    private final Map<FlowGraph, Segment[]> numbered = new IdentityHashMap<>();

    private final Map<PointId, Set<PointId>> out = new HashMap<>();
    private final Map<PointId, Set<PointId>> in = new HashMap<>();

    /** Lays all scenes of a reading over one another; the one at a place counts, with -1 all do. */
    SceneOverlay(Reading reading, int chosen) {
        this(reading, List.of(reading), chosen);
    }

    /**
     * Lays all scenes of several readings over one another, so that each has its place. Only one of the readings counts, and
     * of it the scene at a place, with -1 all of them.
     */
    SceneOverlay(Reading counted, List<Reading> all, int chosen) {
        for (Reading reading : all) {
            List<SceneReading> laid = new ArrayList<>();
            for (int i = 0; i < reading.scenes().size(); i++) {
                SceneReading scene = reading.scenes().get(i);
                boolean counts = reading == counted && (chosen < 0 || chosen == i);
                if (chosen >= 0 || laid.stream().noneMatch(scene::isLike)) { // one that is like another adds nothing
                    laid.add(scene);
                    lay(scene, counts);
                }
            }
        }
        for (Reading reading : all) {
            reading.rig().of(Kind.SOURCE).forEach(e -> points.putIfAbsent(PointId.of(e.id()), PointKind.SOURCE));
            reading.rig().of(Kind.OUTLET).forEach(e -> points.putIfAbsent(PointId.of(e.id()), PointKind.OUTLET));
        }
    }

    /** Adds what a scene opens, or what it blocks. */
    private void lay(SceneReading scene, boolean counts) {
        FlowGraph graph = scene.graph();
        ChannelLevels levels = counts ? ChannelLevels.of(scene.view()) : null;
        Segment[] known = numbered(graph);
        Segment[] here = known == null ? added(graph) : known;
        for (int s = 0; levels != null && s < here.length; s++) {
            count(here[s], graph, s, levels);
        }
        for (Loop loop : scene.loops()) {
            Loop.Circle circle = loop.strongest();
            String said =
                    String.format(Locale.ROOT, "loop %.1f dB, %.0f ms a round", circle.gain() + 0.0, circle.time());
            for (int s : loop.segments()) {
                here[s].circle = true;
                here[s].loop = counts ? said : here[s].loop;
            }
        }
    }

    /** The segments of a graph, if one of its shape has been laid; else null. */
    private Segment @Nullable [] numbered(FlowGraph graph) {
        return numbered.entrySet().stream()
                .filter(e -> e.getKey().sharesShape(graph))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse(null);
    }

    /** Gives every segment of a graph its place, and its ends. */
    private Segment[] added(FlowGraph graph) {
        Segment[] here = new Segment[graph.segments()];
        for (int s = 0; s < here.length; s++) {
            SegmentKey key = graph.key(s);
            Segment segment = segments.get(key);
            if (segment == null) { // scenes have most of their segments in common
                segment = new Segment();
                segments.put(key, segment);
                points.put(key.from(), graph.kind(graph.from(s)));
                points.put(key.to(), graph.kind(graph.to(s)));
                out.computeIfAbsent(key.from(), x -> new LinkedHashSet<>()).add(key.to());
                in.computeIfAbsent(key.to(), x -> new LinkedHashSet<>()).add(key.from());
            }
            segment.air |= graph.isCoupling(s);
            here[s] = segment;
        }
        numbered.put(graph, here);
        return here;
    }

    /** Adds up what passes a channel. */
    private static void count(Segment segment, FlowGraph graph, int s, ChannelLevels levels) {
        segment.here = true;
        if (graph.isOpen(s)) {
            segment.open = true;
            segment.level = Math.max(segment.level, levels.at(graph.from(s)) + graph.gain(s));
            return;
        }
        segment.openEverywhere = false;
        for (int number : graph.gateNumbers(s)) {
            Gate gate = graph.gate(number);
            if (!gate.open()) {
                segment.closed = segment.closed.isEmpty() ? gate.why() : segment.closed;
                segment.wanted &= !gate.at().key().startsWith("tracks:")
                        && !gate.at().key().startsWith("crossings:")
                        && !gate.at().key().equals("cue");
            }
        }
    }

    /** The points to which segments go from a point. */
    Set<PointId> after(PointId point) {
        return out.getOrDefault(point, Set.of());
    }

    /** The points from which segments come to a point. */
    Set<PointId> before(PointId point) {
        return in.getOrDefault(point, Set.of());
    }
}
