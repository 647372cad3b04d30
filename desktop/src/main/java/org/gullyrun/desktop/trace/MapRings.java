package org.gullyrun.desktop.trace;

import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import javafx.scene.Group;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Font;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.runmap.MapDifference;
import org.gullyrun.core.runmap.MapNode;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Type;
import org.jspecify.annotations.Nullable;

/** Rings on the map where something was changed, each with what, beside it. */
final class MapRings {
    private final MapGeometry at;
    private final MapMetrics m;
    private final double u;
    private final Function<String, @Nullable MapNode> nodes;
    private final Group group = new Group();

    MapRings(MapGeometry geometry, Function<String, @Nullable MapNode> nodes) {
        this.at = geometry;
        this.m = geometry.metrics;
        this.u = m.unit();
        this.nodes = nodes;
        group.setMouseTransparent(true);
    }

    Group group() {
        return group;
    }

    /** Draws rings in place of those that are there. */
    void draw(List<MapDifference.Ring> rings) {
        group.getChildren().clear();
        for (MapDifference.Ring ring : rings) {
            MapNode node = nodes.apply(ring.node());
            if (node != null) {
                draw(node, ring);
            }
        }
    }

    private void draw(MapNode node, MapDifference.Ring ring) {
        double x = at.left(node) - 7 * u;
        double y = at.top(node) - 5 * u;
        double w = at.width(node) + 14 * u;
        double h = 24 * u;
        if (node.stage() == MapNode.Stage.OUTLETS) {
            y = at.top(node) + m.west(node, 0) - 14 * u;
            h = (node.under().isEmpty() ? 22 : 34) * u;
        }
        int row = place(node.rows(), ring.row());
        int column = place(node.columns(), ring.column());
        if (row >= 0) {
            y = at.top(node) + m.west(node, row) - 11 * u;
            h = 22 * u;
            w = m.column(node, 0);
        }
        if (row >= 0 && column >= 0) {
            x = at.left(node) + m.column(node, column) - 9 * u;
            y = at.top(node) + m.west(node, row) - 9 * u;
            w = 18 * u;
            h = 18 * u;
        } else if (column >= 0) {
            y = at.top(node) + m.east(node, column) - 11 * u;
            w = m.column(node, column) + 10 * u;
            h = 22 * u;
        }
        Rectangle round = new Rectangle(x, y, w, h);
        round.setArcWidth(24 * u);
        round.setArcHeight(24 * u);
        round.getStyleClass().add("change-ring");
        Font font = m.small();
        double room = Math.max(150 * u, w);
        String said = Type.fit(ring.text(), font, room);
        double wide = Type.width(said, font);
        boolean lane = row >= 0 != column >= 0; // beneath one row or column the next begins
        double left =
                Math.clamp(lane ? x - wide - 8 * u : x + 8 * u, 2 * u, Math.max(2 * u, at.width() - wide - 8 * u));
        boolean whole = node.isGrid() && row < 0 && column < 0;
        boolean tall = node.stage() == MapNode.Stage.OUTLETS && !node.under().isEmpty(); // there too
        double baseline = lane ? y + h / 2 + 4 * u : whole || tall ? y - 5 * u : y + h + 12 * u;
        Rectangle patch = new Rectangle(left - 4 * u, baseline - 10.5 * u, wide + 8 * u, 14 * u);
        patch.getStyleClass().add("patch");
        group.getChildren().addAll(patch, round, Nodes.text(said, font, left, baseline, "change-text"));
    }

    /** The place of a lane; −1 if it isn't there, or none is asked for. */
    private static int place(List<MapNode.Lane> lanes, @Nullable PointId point) {
        for (int i = 0; i < lanes.size(); i++) {
            if (Objects.equals(lanes.get(i).point(), point)) {
                return i;
            }
        }
        return -1;
    }
}
