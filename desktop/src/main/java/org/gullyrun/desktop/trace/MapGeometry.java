package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.runmap.MapEdge;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.core.runmap.MapNode;

/** Where everything on a laid-out map stands in the room there is: layers spread across, heights stretched. */
final class MapGeometry {
    private static final double TOP = 34;
    private static final double FIRST_LANE = 16;
    private static final double LANE = 17;
    private static final double MOST_STRETCH = 1.3;

    final MapMetrics metrics;
    private MapLayout layout;
    private final double u;
    /** From the layout's measure to this one, without the stretch. */
    private final double size;

    private final double stretch;
    private final Map<Integer, Double> layerX = new HashMap<>();
    private final Map<Integer, Double> layerWidth = new HashMap<>();
    private final List<Integer> layers = new ArrayList<>();
    private final double width;
    private final double height;
    private final long returns;

    MapGeometry(MapModel model, MapLayout layout, MapMetrics metrics, double roomWidth, double roomHeight) {
        this.metrics = metrics;
        this.layout = layout;
        this.u = metrics.unit();
        this.size = u / layout.unit();
        this.returns = returns(model);
        double below = returns == 0 ? 10 * u : (FIRST_LANE + LANE * returns) * u;
        double free = roomHeight - TOP * u - below;
        this.stretch = Math.clamp(free / (layout.height() * size), 1, MOST_STRETCH);
        this.height = TOP * u + layout.height() * size * stretch + below;
        this.width = across(model, Math.max(roomWidth, 0), returns > 0);
    }

    /** How wide the drawing may be, with room for return channels at the side. */
    private double across(MapModel model, double room, boolean returns) {
        double sum = 0;
        for (List<MapNode> layer : model.layers()) {
            int key = layer.getFirst().layer();
            double widest = layer.stream().mapToDouble(metrics::width).max().orElse(0);
            layers.add(key);
            layerWidth.put(key, widest);
            sum += widest;
        }
        double margin = 14 * u;
        double right = returns ? 22 * u : 10 * u;
        double gap = layers.size() < 2
                ? 0
                : Math.clamp((room - margin - right - sum) / (layers.size() - 1), 36 * u, 150 * u);
        double x = margin;
        for (int key : layers) {
            layerX.put(key, x);
            x += layerWidth.getOrDefault(key, 0.0) + gap;
        }
        return x - gap + right;
    }

    private static long returns(MapModel model) {
        return model.edges().stream().filter(MapEdge::isReturn).count();
    }

    /** Whether things stand here as in a layout, and channels run as in it. */
    boolean isOf(MapLayout other) {
        return layout == other;
    }

    /** Takes another layout with the same places if a map fits into it as it was stretched; returns whether it does. */
    boolean take(MapLayout other, MapModel model) {
        boolean fits = layout.hasPlacesOf(other) && fits(model);
        layout = fits ? other : layout;
        return fits;
    }

    /** Whether another map of the same places has room in this. */
    private boolean fits(MapModel model) {
        if (returns(model) > returns) {
            return false;
        }
        for (List<MapNode> layer : model.layers()) {
            double widest = layer.stream().mapToDouble(metrics::width).max().orElse(0);
            if (Math.abs(widest - layerWidth.getOrDefault(layer.getFirst().layer(), -1.0)) > 0.01) {
                return false;
            }
        }
        return true;
    }

    double width() {
        return width;
    }

    double height() {
        return height;
    }

    double left(MapNode node) {
        return layerX.getOrDefault(node.layer(), 0.0);
    }

    double width(MapNode node) {
        return layerWidth.getOrDefault(node.layer(), 0.0);
    }

    double right(MapNode node) {
        return left(node) + width(node);
    }

    double top(MapNode node) {
        return TOP * u + layout.y().getOrDefault(node.id(), 0.0) * size * stretch;
    }

    /** Where a channel passes the layers between its ends: left and right border of the layer, and height. */
    List<double[]> passing(MapEdge edge) {
        List<double[]> places = new ArrayList<>();
        int at = layers.indexOf(edge.from().layer());
        for (double y : layout.passing().getOrDefault(edge.ports(), List.of())) {
            int layer = layers.get(++at);
            double x = layerX.getOrDefault(layer, 0.0);
            places.add(new double[] {
                x - 4 * u, x + layerWidth.getOrDefault(layer, 0.0) + 4 * u, TOP * u + y * size * stretch
            });
        }
        return places;
    }

    /** The height of a lane beneath everything. */
    double lane(int lane) {
        return TOP * u + layout.height() * size * stretch + (FIRST_LANE + LANE * lane) * u;
    }
}
