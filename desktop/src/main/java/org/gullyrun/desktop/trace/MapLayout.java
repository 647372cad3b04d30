package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.eclipse.elk.alg.layered.LayeredLayoutProvider;
import org.eclipse.elk.alg.layered.options.CrossingMinimizationStrategy;
import org.eclipse.elk.alg.layered.options.CycleBreakingStrategy;
import org.eclipse.elk.alg.layered.options.LayeredMetaDataProvider;
import org.eclipse.elk.alg.layered.options.LayeredOptions;
import org.eclipse.elk.alg.layered.options.LayeringStrategy;
import org.eclipse.elk.alg.layered.options.NodePlacementStrategy;
import org.eclipse.elk.core.data.LayoutMetaDataService;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.options.EdgeRouting;
import org.eclipse.elk.core.options.PortConstraints;
import org.eclipse.elk.core.options.PortSide;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.graph.ElkBendPoint;
import org.eclipse.elk.graph.ElkEdge;
import org.eclipse.elk.graph.ElkEdgeSection;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.ElkPort;
import org.eclipse.elk.graph.util.ElkGraphUtil;
import org.gullyrun.core.runmap.FoldedMap;
import org.gullyrun.core.runmap.MapEdge;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.core.runmap.MapNode;

/**
 * Where everything on the run map stands, up and down: heights of nodes, and at which height each channel passes the
 * layers between its ends. Across, {@link MapView} spreads the layers over the room there is.
 *
 * <p>Source: Eclipse ELK's layered algorithm with layers pinned to the map's stages; channels that go back are left out
 * and led beneath. Call off the interface thread: the first call in a process takes most of a second.
 *
 * @param y for each node's id its top
 * @param passing for each channel's ports the heights at which it passes the layers between, left to right
 * @param height of the whole
 * @param unit the unit of the metrics it was made with; all else is in its measure
 */
record MapLayout(Map<String, Double> y, Map<String, List<Double>> passing, double height, double unit) {

    private static final double LAYER = 1000;
    /** The height of what counts the folded. */
    private static final double MORE = 40;
    /** From so many parts on, fewer orders are tried: on a large rig nearly all is side by side in any case. */
    private static final int MANY = 100;

    static {
        // Makes the library's own value types known to it; without this it cannot copy their defaults.
        LayoutMetaDataService.getInstance().registerLayoutMetaDataProviders(new LayeredMetaDataProvider());
    }

    /** Lays out a map. */
    static MapLayout of(MapModel model, MapMetrics metrics) {
        ElkNode root = ElkGraphUtil.createGraph();
        root.setProperty(LayeredOptions.DIRECTION, Direction.RIGHT);
        root.setProperty(LayeredOptions.LAYERING_STRATEGY, LayeringStrategy.INTERACTIVE);
        root.setProperty(LayeredOptions.CYCLE_BREAKING_STRATEGY, CycleBreakingStrategy.INTERACTIVE);
        root.setProperty(LayeredOptions.FEEDBACK_EDGES, true);
        root.setProperty(LayeredOptions.SEPARATE_CONNECTED_COMPONENTS, false);
        root.setProperty(LayeredOptions.RANDOM_SEED, 1);
        root.setProperty(LayeredOptions.THOROUGHNESS, model.nodes().size() > MANY ? 10 : 40);
        root.setProperty(LayeredOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        root.setProperty(LayeredOptions.NODE_PLACEMENT_STRATEGY, NodePlacementStrategy.NETWORK_SIMPLEX);
        root.setProperty(LayeredOptions.CROSSING_MINIMIZATION_STRATEGY, CrossingMinimizationStrategy.LAYER_SWEEP);
        root.setProperty(LayeredOptions.SPACING_NODE_NODE, 7 * metrics.unit());
        root.setProperty(LayeredOptions.SPACING_EDGE_NODE, 7 * metrics.unit());
        root.setProperty(LayeredOptions.SPACING_EDGE_EDGE, 7 * metrics.unit());
        List<List<MapNode>> layers = new ArrayList<>(model.layers());
        Map<MapNode, ElkNode> made = new IdentityHashMap<>();
        Map<String, ElkPort> ports = new HashMap<>();
        for (int layer = 0; layer < layers.size(); layer++) {
            double y = 0;
            for (MapNode node : layers.get(layer)) {
                ElkNode elk = ElkGraphUtil.createNode(root);
                double height = metrics.height(node);
                elk.setDimensions(100, height);
                elk.setLocation(layer * LAYER, y);
                y += height + 10;
                elk.setProperty(LayeredOptions.PORT_CONSTRAINTS, PortConstraints.FIXED_POS);
                made.put(node, elk);
                for (int r = 0; r < Math.max(1, node.rows().size()); r++) {
                    ports.put(node.id() + "<" + r, port(elk, PortSide.WEST, 0, metrics.west(node, r)));
                }
                for (int c = 0; c < Math.max(1, node.columns().size()); c++) {
                    ports.put(node.id() + ">" + c, port(elk, PortSide.EAST, 100, metrics.east(node, c)));
                }
            }
        }
        Map<String, ElkEdge> edges = new HashMap<>();
        for (MapEdge edge : model.edges()) {
            if (!edge.isReturn()) {
                edges.put(
                        edge.ports(),
                        ElkGraphUtil.createSimpleEdge(
                                ports.get(edge.from().id() + ">" + edge.fromPort()),
                                ports.get(edge.to().id() + "<" + edge.toPort())));
            }
        }
        new LayeredLayoutProvider().layout(root, new BasicProgressMonitor());
        Map<String, Double> y = new HashMap<>();
        double bottom = root.getHeight();
        boolean folded = false;
        for (Map.Entry<MapNode, ElkNode> each : made.entrySet()) {
            boolean more = FoldedMap.isMore(each.getKey());
            folded |= more;
            y.put(each.getKey().id(), more ? bottom : each.getValue().getY()); // what is folded is counted beneath all
        }
        double height = folded ? bottom + MORE * metrics.unit() : bottom;
        double[] middle = new double[layers.size()];
        for (int i = 0; i < middle.length; i++) {
            ElkNode first = Objects.requireNonNull(made.get(layers.get(i).getFirst()));
            middle[i] = first.getX() + first.getWidth() / 2;
        }
        Map<String, List<Double>> passing = new HashMap<>();
        for (MapEdge edge : model.edges()) {
            ElkEdge elk = edges.get(edge.ports());
            if (elk != null) {
                int from = place(layers, edge.from());
                int to = place(layers, edge.to());
                List<Double> heights = new ArrayList<>();
                for (int layer = from + 1; layer < to; layer++) {
                    heights.add(at(elk, middle[layer]));
                }
                passing.put(edge.ports(), heights);
            }
        }
        return new MapLayout(y, passing, height, metrics.unit());
    }

    /**
     * The places of this layout for a map with the same nodes but other channels: nothing moves, and a channel that is new
     * passes the layers between its ends where there is room next to the straight line. Cheap enough for the interface thread.
     */
    MapLayout with(MapModel model, MapMetrics metrics) {
        List<List<MapNode>> layers = new ArrayList<>(model.layers());
        Map<String, List<Double>> all = new HashMap<>(passing);
        for (MapEdge edge : model.edges()) {
            if (!edge.isReturn() && !all.containsKey(edge.ports())) {
                int from = place(layers, edge.from());
                int to = place(layers, edge.to());
                double start = top(edge.from()) + metrics.east(edge.from(), edge.fromPort());
                double end = top(edge.to()) + metrics.west(edge.to(), edge.toPort());
                List<Double> heights = new ArrayList<>();
                for (int layer = from + 1; layer < to; layer++) {
                    double straight = start + (end - start) * (layer - from) / (to - from);
                    heights.add(free(layers.get(layer), straight, metrics));
                }
                all.put(edge.ports(), heights);
            }
        }
        return new MapLayout(y, all, height, unit);
    }

    private double top(MapNode node) {
        return y.getOrDefault(node.id(), 0.0);
    }

    /** The height next to another at which a channel passes a layer between its nodes. */
    private double free(List<MapNode> layer, double wish, MapMetrics metrics) {
        double clear = 3.5 * metrics.unit();
        List<MapNode> down =
                layer.stream().sorted(Comparator.comparingDouble(this::top)).toList();
        double best = Double.NaN;
        double above = Double.NEGATIVE_INFINITY;
        for (int i = 0; i <= down.size(); i++) {
            double below = i < down.size() ? top(down.get(i)) - clear : Double.POSITIVE_INFINITY;
            if (above <= below) {
                double here = Math.clamp(wish, above, below);
                best = Double.isNaN(best) || Math.abs(here - wish) < Math.abs(best - wish) ? here : best;
            }
            above = i < down.size() ? top(down.get(i)) + metrics.height(down.get(i)) + clear : above;
        }
        return best;
    }

    /** Whether everything stands where it does in another layout; only channels may differ. */
    boolean hasPlacesOf(MapLayout other) {
        return y == other.y;
    }

    /** The place of a node's layer among those that hold something. */
    private static int place(List<List<MapNode>> layers, MapNode node) {
        for (int i = 0; i < layers.size(); i++) {
            if (layers.get(i).getFirst().layer() == node.layer()) {
                return i;
            }
        }
        throw new IllegalStateException("a node in no layer: " + node.id());
    }

    /** A port at a fixed place, so that channels meet rows and columns exactly. */
    private static ElkPort port(ElkNode node, PortSide side, double x, double y) {
        ElkPort port = ElkGraphUtil.createPort(node);
        port.setProperty(LayeredOptions.PORT_SIDE, side);
        port.setLocation(x, y);
        port.setDimensions(0, 0);
        return port;
    }

    /** The height of a routed channel at a place across: there it runs level, since it turns between layers only. */
    private static double at(ElkEdge edge, double x) {
        if (edge.getSections().isEmpty()) {
            return 0;
        }
        ElkEdgeSection section = edge.getSections().getFirst();
        double px = section.getStartX();
        double py = section.getStartY();
        for (ElkBendPoint bend : section.getBendPoints()) {
            if (px <= x && x <= bend.getX()) {
                return py;
            }
            px = bend.getX();
            py = bend.getY();
        }
        return py;
    }
}
