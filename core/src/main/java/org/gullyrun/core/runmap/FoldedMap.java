package org.gullyrun.core.runmap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.jspecify.annotations.Nullable;

/**
 * A run map of which only what is lit is kept, so that a route of eight points among six hundred reads in one glance. What
 * is folded away is counted, layer by layer.
 *
 * <p>Needs: a whole map, and what is lit of it. Gives: a map of its own, in the same layers. Cost: linear in the map.
 */
public final class FoldedMap {
    /** What the ids of nodes begin with that stand for others folded away. */
    private static final String MORE = "more ";

    private final Set<PointId> points;
    private final Set<SegmentKey> segments;
    private final Map<MapNode, MapNode> kept = new IdentityHashMap<>();
    private final Map<MapNode, int[]> rows = new IdentityHashMap<>();
    private final Map<MapNode, int[]> columns = new IdentityHashMap<>();
    private final List<MapNode> nodes = new ArrayList<>();
    private final List<MapEdge> edges = new ArrayList<>();

    /** Keeps the lit points and segments and counts the rest. */
    private FoldedMap(MapModel whole, Set<PointId> points, Set<SegmentKey> segments) {
        this.points = points;
        this.segments = segments;
        Map<Integer, MapNode> folded = new LinkedHashMap<>();
        Map<Integer, Integer> counts = new HashMap<>();
        for (MapNode node : whole.nodes()) {
            MapNode copy = copy(node, whole);
            if (copy != null) {
                kept.put(node, copy);
                nodes.add(copy);
            } else {
                folded.putIfAbsent(node.layer(), node);
                counts.merge(node.layer(), 1, Integer::sum);
            }
        }
        folded.forEach((layer, first) -> {
            MapNode more = new MapNode(MORE + layer, first.stage, counts.get(layer) + " more");
            more.depth = first.depth;
            nodes.add(more);
        });
        whole.edges().forEach(this::edge);
    }

    /** Folds a map to the points and segments that are lit. */
    public static MapModel of(MapModel whole, Set<PointId> points, Set<SegmentKey> segments) {
        FoldedMap folded = new FoldedMap(whole, points, segments);
        return new MapModel(folded.nodes, folded.edges);
    }

    /** Whether a node stands for others that are folded away. */
    public static boolean isMore(MapNode node) {
        return node.id.startsWith(MORE);
    }

    /** A node with its lit rows only; null if none is lit. */
    private @Nullable MapNode copy(MapNode node, MapModel whole) {
        boolean lit = node.points.stream().anyMatch(points::contains);
        if (!node.isGrid()) {
            return lit ? node : null;
        }
        Set<Integer> litRows = lanes(node.rows);
        Set<Integer> litColumns = lanes(node.columns);
        // Devices of an engine's own are drawn at its rows and columns: what lights them keeps the lane.
        for (MapEdge edge : whole.edges()) {
            if (edge.to == node && isLit(edge)) {
                litRows.add(edge.toPort);
            }
            if (edge.from == node && isLit(edge)) {
                litColumns.add(edge.fromPort);
            }
        }
        if (litRows.isEmpty() && litColumns.isEmpty()) {
            return lit
                    ? node
                    : null; // lit is only a device that is drawn with it: which lane it belongs to isn't known
        }
        MapNode copy = new MapNode(node.id, node.stage, node.title);
        copy.points.addAll(node.points);
        copy.tag = node.tag;
        copy.tagIsBad = node.tagIsBad;
        copy.under = node.under;
        copy.bad = node.bad;
        copy.depth = node.depth;
        copy.sourceClass = node.sourceClass;
        int[] row = take(node.rows, litRows, copy.rows);
        int[] column = take(node.columns, litColumns, copy.columns);
        for (MapNode.Crossing c : node.crossings) {
            if (row[c.row()] >= 0 && column[c.column()] >= 0) {
                copy.crossings.add(
                        new MapNode.Crossing(row[c.row()], column[c.column()], c.key(), c.open(), c.wanted()));
            }
        }
        rows.put(node, row);
        columns.put(node, column);
        return copy;
    }

    /** The rows that are lit. */
    private Set<Integer> lanes(List<MapNode.Lane> lanes) {
        Set<Integer> lit = new HashSet<>();
        for (int i = 0; i < lanes.size(); i++) {
            if (points.contains(lanes.get(i).point())) {
                lit.add(i);
            }
        }
        return lit;
    }

    /** Keeps the lanes that are lit; gives for each lane before its place after, or −1. */
    private static int[] take(List<MapNode.Lane> from, Set<Integer> lit, List<MapNode.Lane> to) {
        int[] place = new int[from.size()];
        for (int i = 0; i < place.length; i++) {
            place[i] = lit.contains(i) ? to.size() : -1;
            if (lit.contains(i)) {
                to.add(from.get(i));
            }
        }
        return place;
    }

    private boolean isLit(MapEdge edge) {
        return edge.keys.stream().anyMatch(segments::contains);
    }

    /** Adds a channel, if both its ends are kept. */
    private void edge(MapEdge edge) {
        MapNode from = kept.get(edge.from);
        MapNode to = kept.get(edge.to);
        if (from == null || to == null) {
            return;
        }
        int fromPort = place(columns.get(edge.from), edge.fromPort);
        int toPort = place(rows.get(edge.to), edge.toPort);
        if (fromPort >= 0 && toPort >= 0) {
            edges.add(edge.between(from, fromPort, to, toPort));
        }
    }

    private static int place(int @Nullable [] places, int port) {
        return places == null ? port : port < places.length ? places[port] : -1;
    }
}
