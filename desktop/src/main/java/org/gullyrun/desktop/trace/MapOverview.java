package org.gullyrun.desktop.trace;

import java.util.function.BiConsumer;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.core.runmap.MapNode;
import org.gullyrun.desktop.look.Nodes;
import org.jspecify.annotations.Nullable;

/**
 * A small picture of a map that is larger than its room: where things stand, where trouble lies, and what of it is in
 * sight. A click or a drag brings another part into sight.
 */
final class MapOverview extends Pane {
    private static final double WIDTH = 96;
    private static final double HEIGHT = 150;
    private static final double LEAST = 56;
    /** Between it and the edges of the window, and the map beside it. */
    private static final double GAP = 10;
    /** Pixels by which a map may reach beyond its room without an overview. */
    private static final double SLACK = 4;

    private final Rectangle sight = new Rectangle();
    /** Pixels for one of the map, across and down: a map that is far taller than wide is drawn wider, so that it can be aimed at. */
    private double across = 1;

    private double down = 1;
    /** What it was drawn of. */
    private @Nullable MapGeometry drawn;

    /** @param go receives the place of the map that goes into the middle */
    MapOverview(BiConsumer<Double, Double> go) {
        getStyleClass().add("overview");
        setId("overview");
        setAccessibleText("overview of the map");
        sight.getStyleClass().add("overview-sight");
        sight.setMouseTransparent(true);
        addEventHandler(MouseEvent.ANY, e -> {
            if (e.getEventType() == MouseEvent.MOUSE_PRESSED || e.getEventType() == MouseEvent.MOUSE_DRAGGED) {
                go.accept(e.getX() / across, e.getY() / down);
            }
            e.consume(); // the map beneath is not to move with it
        });
    }

    /**
     * Shows what of a map is in sight, or nothing where that is the whole of it.
     *
     * @param room the view over the map, its size and where its corner lies, in the view's measure
     * @param zoom from the map's measure to the view's
     */
    void see(MapModel model, MapGeometry geometry, Bounds room, double zoom) {
        setVisible(geometry.width() * zoom > room.getWidth() + SLACK
                || geometry.height() * zoom > room.getHeight() + SLACK);
        if (isVisible()) {
            if (drawn != geometry) {
                drawn = geometry;
                draw(model, geometry);
            }
            relocate(GAP, room.getHeight() - getPrefHeight() - GAP);
            see(new BoundingBox(
                    room.getMinX() / zoom, room.getMinY() / zoom, room.getWidth() / zoom, room.getHeight() / zoom));
        }
    }

    /** The room at the left that it covers: the map begins beside it. */
    double beside() {
        return isVisible() ? getPrefWidth() + 2 * GAP : 0;
    }

    /** Draws a map as far as it can be told at that size. */
    private void draw(MapModel model, MapGeometry geometry) {
        double scale = Math.min(WIDTH / geometry.width(), HEIGHT / geometry.height());
        across = Math.max(scale, LEAST / geometry.width());
        down = Math.max(scale, LEAST / geometry.height());
        getChildren().clear();
        for (MapNode node : model.nodes()) {
            Rectangle mark = new Rectangle(
                    geometry.left(node) * across,
                    geometry.top(node) * down,
                    Math.max(2, geometry.width(node) * across),
                    Math.max(1, geometry.metrics.height(node) * down - 0.5));
            mark.setSmooth(false);
            mark.getStyleClass().add("overview-mark");
            Nodes.turn(mark, "bad", node.isBad());
            getChildren().add(mark);
        }
        getChildren().add(sight);
        setPrefSize(geometry.width() * across, geometry.height() * down);
        setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
        resize(getPrefWidth(), getPrefHeight());
    }

    /** Says what is in sight, in the map's own measure. */
    private void see(Bounds seen) {
        double left = Math.max(0, seen.getMinX() * across);
        double top = Math.max(0, seen.getMinY() * down);
        sight.setX(left);
        sight.setY(top);
        sight.setWidth(Math.max(4, Math.min(getPrefWidth(), seen.getMaxX() * across) - left));
        sight.setHeight(Math.max(4, Math.min(getPrefHeight(), seen.getMaxY() * down) - top));
    }
}
