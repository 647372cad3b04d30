package org.gullyrun.core.runmap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
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
     * The map of two readings, with levels or with where rates meet.
     *
     * @param scene the place of a scene in the later one; -1 for all of them
     * @param changes what leads from the one rig to the other
     */
    public static MapDifference of(
            Reading before, Reading after, int scene, List<? extends Change> changes, boolean rates) {
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
                    numbering = Passing.compare(was, is, sources, numbering, came, went);
                }
            }
        }
        Rig all = union(before.rig(), after.rig());
        List<Reading> both = List.of(after, before);
        int sceneBefore = scene < 0 ? -1 : before.placeOf(after.scenes().get(scene));
        List<MapModel> maps = both.parallelStream() // each takes as long as all the rest
                .map(r -> MapBuilder.build(r, all, new SceneOverlay(r, both, r == after ? scene : sceneBefore)))
                .toList();
        MapModel was = maps.getLast();
        MapModel is = maps.getFirst();
        if (rates) {
            RateLens.over(was, before);
            RateLens.over(is, after);
        }
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
        Map<String, MapNode> grids = new HashMap<>();
        was.nodes().stream().filter(n -> !n.crossings.isEmpty()).forEach(n -> grids.put(n.id, n));
        for (MapNode node : is.nodes()) {
            MapNode before = grids.get(node.id);
            if (before == null) {
                continue;
            }
            Set<SegmentKey> known = new HashSet<>();
            node.crossings.forEach(c -> known.add(c.key()));
            before.crossings.stream()
                    .filter(c -> went.contains(c.key()) && !known.contains(c.key()))
                    .forEach(c ->
                            node.crossings.add(new MapNode.Crossing(c.row(), c.column(), c.key(), false, c.wanted())));
        }
    }
}
