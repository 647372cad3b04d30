package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * What the run map draws: nodes in stages and the channels between them. Positions are for {@link MapLayout}.
 *
 * @param nodes all nodes, in the order of the rig within each stage
 * @param edges all channels
 * @param signature what the layout depends on: the same signature, the same layout
 */
record MapModel(List<MapNode> nodes, List<MapEdge> edges, String signature) {
    MapModel(List<MapNode> nodes, List<MapEdge> edges) {
        this(nodes, edges, signature(nodes, edges));
    }

    private static String signature(List<MapNode> nodes, List<MapEdge> edges) {
        return nodes.stream()
                        .map(n -> n.id + "/" + n.layer() + "/" + n.title.length() + "/" + n.rows.size() + "/"
                                + n.columns.size())
                        .collect(Collectors.joining(";"))
                + edges.stream().map(MapEdge::ports).collect(Collectors.joining(";"));
    }

    /** The nodes by layer, layers from left to right. */
    Collection<List<MapNode>> layers() {
        Map<Integer, List<MapNode>> layers = new LinkedHashMap<>();
        nodes.stream()
                .sorted(java.util.Comparator.comparingInt(MapNode::layer))
                .forEach(n -> layers.computeIfAbsent(n.layer(), x -> new ArrayList<>())
                        .add(n));
        return layers.values();
    }
}
