package org.gullyrun.core.runmap;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.flow.route.Numbering;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Two readings on one map, so that nothing moves from one to the other: what is heard through which channel now, and was
 * before.
 *
 * <p>A channel has come if a source gets through it to some listener that didn't before, and has gone if one did that no
 * longer does. Cost: for each scene and source, linear in the segments.
 *
 * @param before the map as it was
 * @param after the map as it is now, of the same shape, with channels that have gone drawn too
 * @param came the segments through which something has come
 * @param went the segments through which something no longer gets
 * @param lit all points on those, and those at which something was changed
 * @param rings where something was changed
 */
public record MapDifference(
        MapModel before,
        MapModel after,
        Set<SegmentKey> came,
        Set<SegmentKey> went,
        Set<PointId> lit,
        List<Ring> rings) {

    /**
     * A place at which something was changed.
     *
     * @param node the id of the node
     * @param row the point of its row; null where it is about none
     * @param column the point of its column, with a row that of a crossing; null where it is about none
     * @param text what was changed, as "off → on"
     */
    public record Ring(
            String node, @Nullable PointId row, @Nullable PointId column, String text) {}

    public MapDifference {
        came = Set.copyOf(came);
        went = Set.copyOf(went);
        lit = Set.copyOf(lit);
        rings = List.copyOf(rings);
    }

    /**
     * The map of two readings.
     *
     * @param scene the place of a scene in the later one; -1 for all of them
     * @param changes what leads from the one rig to the other
     */
    public static MapDifference of(Reading before, Reading after, int scene, List<? extends Change> changes) {
        Set<SegmentKey> came = new HashSet<>();
        Set<SegmentKey> went = new HashSet<>();
        List<SceneReading> seen = new ArrayList<>();
        Numbering numbering = null;
        List<String> sources = sources(before.rig(), after.rig());
        for (int i = 0; i < after.scenes().size(); i++) {
            SceneReading is = after.scenes().get(i);
            int place = before.placeOf(is);
            if ((scene < 0 || scene == i) && place >= 0) {
                SceneReading was = before.scenes().get(place);
                if (!seen(seen, was, is)) {
                    numbering = Numbering.between(was.graph(), is.graph(), numbering);
                    Passing then = new Passing(was, sources);
                    Passing now = new Passing(is, sources);
                    int[] later = IntStream.range(0, was.graph().segments())
                            .map(numbering::segment)
                            .toArray();
                    then.collect(now, later, went);
                    now.collect(then, turned(later, is.graph().segments()), came);
                }
            }
        }
        Rig all = union(before.rig(), after.rig());
        List<Reading> both = List.of(after, before);
        int sceneBefore = scene < 0 ? -1 : before.placeOf(after.scenes().get(scene));
        MapModel was = MapBuilder.build(before, all, new SceneOverlay(before, both, sceneBefore));
        MapModel is = MapBuilder.build(after, all, new SceneOverlay(after, both, scene));
        Set<PointId> lit = new HashSet<>();
        for (Set<SegmentKey> keys : List.of(came, went)) {
            keys.forEach(key -> lit.addAll(List.of(key.from(), key.to())));
        }
        mark(was, is, came, went);
        List<Ring> rings = new RingFinder(before.rig(), after.rig(), is).of(changes, lit);
        return new MapDifference(was, is, came, went, lit, rings);
    }

    /** Whether two scenes that are just like these were set against each other already; they are kept in mind. */
    private static boolean seen(List<SceneReading> pairs, SceneReading was, SceneReading is) {
        for (int i = 0; i < pairs.size(); i += 2) {
            if (pairs.get(i).isLike(was) && pairs.get(i + 1).isLike(is)) {
                return true;
            }
        }
        pairs.add(was);
        pairs.add(is);
        return false;
    }

    /** What gets through the segments of a scene: which sources reach a point, and from where a listener is reached. */
    private static final class Passing {
        private final FlowGraph graph;
        private final long[][] sources;
        private final boolean[] heard;

        Passing(SceneReading scene, List<String> sources) {
            this.graph = scene.graph();
            this.sources = scene.view()
                    .reachedFromEach(sources.stream().mapToInt(graph::point).toArray());
            this.heard = scene.view().reaching(graph.outlets());
        }

        boolean passes(int segment) {
            return graph.isOpen(segment) && heard[graph.to(segment)];
        }

        /** Whether a source gets to a listener through a segment that doesn't through one of another scene, -1 for none. */
        boolean adds(int segment, Passing other, int counterpart) {
            if (!passes(segment)) {
                return false;
            }
            long[] here = sources[graph.from(segment)];
            boolean both = counterpart >= 0 && other.passes(counterpart);
            long[] there = both ? other.sources[other.graph.from(counterpart)] : new long[here.length];
            for (int w = 0; w < here.length; w++) {
                if ((here[w] & ~there[w]) != 0) {
                    return true;
                }
            }
            return false;
        }

        /**
         * Adds the segments through which something gets to a listener here, but not in another scene.
         *
         * @param counterparts for each segment its number in the other, -1 for none
         */
        void collect(Passing other, int[] counterparts, Set<SegmentKey> found) {
            for (int s = 0; s < counterparts.length; s++) {
                if (adds(s, other, counterparts[s])) {
                    found.add(graph.key(s));
                }
            }
        }
    }

    /** For each number after, the number before, -1 for none. */
    private static int[] turned(int[] later, int segments) {
        int[] earlier = new int[segments];
        Arrays.fill(earlier, -1);
        for (int s = 0; s < later.length; s++) {
            if (later[s] >= 0) {
                earlier[later[s]] = s;
            }
        }
        return earlier;
    }

    /** All sources of two rigs, each once. */
    private static List<String> sources(Rig before, Rig after) {
        return Stream.of(before, after)
                .flatMap(r -> r.of(Kind.SOURCE).stream())
                .map(Element::id)
                .distinct()
                .toList();
    }

    /** A rig with all that is in either, for names and places; the later one where the earlier doesn't fit into it. */
    private static Rig union(Rig before, Rig after) {
        try {
            return Changes.apply(
                    after,
                    Changes.between(after, before).stream()
                            .filter(Change.Add.class::isInstance)
                            .toList());
        } catch (Changes.Conflict | IllegalArgumentException e) {
            return after;
        }
    }

    /** Tells the channels of now how they differ, and draws those too that have gone. */
    private static void mark(MapModel was, MapModel is, Set<SegmentKey> came, Set<SegmentKey> went) {
        Map<String, MapEdge> old = new HashMap<>();
        was.edges().forEach(e -> old.put(e.ports(), e));
        for (MapEdge edge : is.edges()) {
            MapEdge before = old.get(edge.ports());
            if (edge.keys.stream().anyMatch(came::contains)) {
                edge.turn = MapEdge.Turn.CAME;
            } else if (edge.keys.stream().anyMatch(went::contains)) {
                edge.turn = MapEdge.Turn.WENT;
                edge.here = true;
            }
            if (before != null && !before.loop.isEmpty() && edge.loop.isEmpty()) {
                edge.turn = edge.turn == MapEdge.Turn.CAME ? edge.turn : MapEdge.Turn.LOOP_GONE;
                edge.here = true;
            }
        }
        for (MapNode node : is.nodes()) {
            Set<SegmentKey> known = new HashSet<>();
            node.crossings.forEach(c -> known.add(c.key()));
            was.nodes().stream()
                    .filter(n -> n.id.equals(node.id))
                    .flatMap(n -> new ArrayList<>(n.crossings).stream())
                    .filter(c -> went.contains(c.key()) && !known.contains(c.key()))
                    .forEach(c ->
                            node.crossings.add(new MapNode.Crossing(c.row(), c.column(), c.key(), false, c.wanted())));
        }
    }
}
