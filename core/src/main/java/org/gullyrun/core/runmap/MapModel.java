package org.gullyrun.core.runmap;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Reading;

/**
 * What the run map draws: nodes in stages and the channels between them. Where they are drawn is for the view.
 *
 * @param nodes all nodes, in the order of the rig within each stage
 * @param edges all channels
 * @param signature what the layout depends on: the same signature, the same layout
 */
public record MapModel(List<MapNode> nodes, List<MapEdge> edges, String signature) {
    MapModel(List<MapNode> nodes, List<MapEdge> edges) {
        this(nodes, edges, signature(nodes, edges));
    }

    /** The map of a scene by its place, -1 for all of them; with levels, or with where rates meet. */
    public static MapModel of(Reading reading, int scene, boolean rates) {
        MapModel model = MapBuilder.build(reading, scene);
        if (rates) {
            RateLens.over(model, reading);
        }
        return model;
    }

    /** What the layout depends on, so that maps of the same shape are laid out once. */
    private static String signature(List<MapNode> nodes, List<MapEdge> edges) {
        return nodes.stream().map(MapModel::shape).collect(Collectors.joining(";"))
                + edges.stream().map(MapEdge::ports).collect(Collectors.joining(";"));
    }

    private static String shape(MapNode node) {
        return node.id + "/" + node.layer() + "/" + node.title.length() + "/" + node.rows.size() + "/"
                + node.columns.size();
    }

    /** Whether another map has the same nodes in the same layers, so that only channels come or go. */
    public boolean hasNodesOf(MapModel other) {
        return nodes.size() == other.nodes.size()
                && IntStream.range(0, nodes.size())
                        .allMatch(i -> shape(nodes.get(i)).equals(shape(other.nodes.get(i))));
    }

    /** The nodes by layer, layers from left to right. */
    public Collection<List<MapNode>> layers() {
        Map<Integer, List<MapNode>> layers = new LinkedHashMap<>();
        nodes.stream()
                .sorted(java.util.Comparator.comparingInt(MapNode::layer))
                .forEach(n -> layers.computeIfAbsent(n.layer(), x -> new ArrayList<>())
                        .add(n));
        return layers.values();
    }
}
