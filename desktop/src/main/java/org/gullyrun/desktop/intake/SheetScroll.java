package org.gullyrun.desktop.intake;

import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.gullyrun.desktop.state.Store;

/** Keeps the cell that is typed into in sight, and what it offers beside it. */
final class SheetScroll {
    private final Store store;
    private final ScrollPane scroll;
    private final Region tables;
    /** What the options lie over. */
    private final Region over;

    private final CellEditor editor;

    SheetScroll(Store store, ScrollPane scroll, Region tables, Region over, CellEditor editor) {
        this.store = store;
        this.scroll = scroll;
        this.tables = tables;
        this.over = over;
        this.editor = editor;
        scroll.vvalueProperty().addListener(x -> {
            placeOptions();
            follow();
        });
        tables.heightProperty().addListener(x -> follow());
        scroll.viewportBoundsProperty().addListener(x -> follow());
    }

    /** Keeps the headings of tables in sight that are longer than the room, and has the cells in the window that are in sight. */
    private void follow() {
        double room = scroll.getViewportBounds().getHeight();
        double top = scroll.getVvalue() * Math.max(0, tables.getHeight() - room);
        for (Node table : tables.getChildrenUnmodifiable()) {
            if (table instanceof TableGrid grid) {
                grid.keepHeading(top - grid.getLayoutY());
                grid.comeIntoSight(top - grid.getLayoutY(), top + room - grid.getLayoutY());
            }
        }
    }

    /** Scrolls as little as shows a line and the cell in it; all the way back where that is its first. */
    void reveal(Node line, boolean firstCell) {
        Platform.runLater(() -> {
            Bounds inside = tables.sceneToLocal(line.localToScene(line.getBoundsInLocal()));
            double room = scroll.getViewportBounds().getHeight();
            double spare = tables.getHeight() - room;
            double top = scroll.getVvalue() * spare;
            if (spare > 0
                    && (inside.getMinY() < top + 30 * store.state().textScale()
                            || inside.getMaxY() > top + room - 40)) {
                scroll.setVvalue(Math.clamp((inside.getMinY() - room / 2) / spare, 0, 1));
            }
            TextField field = editor.field();
            double wide = tables.getWidth() - scroll.getViewportBounds().getWidth();
            if (wide > 1 && field.getScene() != null) {
                Bounds cell = tables.sceneToLocal(field.localToScene(field.getBoundsInLocal()));
                double left = scroll.getHvalue() * wide;
                double right = left + scroll.getViewportBounds().getWidth();
                if (cell.getMinX() < left || cell.getMaxX() > right) {
                    double to = cell.getMinX() < left
                            ? firstCell ? 0 : cell.getMinX() - 40
                            : cell.getMaxX() - scroll.getViewportBounds().getWidth() + 40;
                    scroll.setHvalue(Math.clamp(to / wide, 0, 1));
                }
            }
            placeOptions();
        });
    }

    /** Puts the options beneath the cell, or above it where there is no room. */
    void placeOptions() {
        TextField field = editor.field();
        if (editor.isOpen() && field.getScene() != null) {
            Bounds bounds = over.sceneToLocal(field.localToScene(field.getBoundsInLocal()));
            VBox list = editor.list();
            list.applyCss();
            double width = Math.max(field.getWidth(), 260 * store.state().textScale());
            list.resize(width, list.prefHeight(width));
            double y = bounds.getMaxY() + 2;
            list.relocate(
                    Math.min(bounds.getMinX(), over.getWidth() - width - 8),
                    y + list.getHeight() > over.getHeight() ? bounds.getMinY() - list.getHeight() - 2 : y);
        }
    }
}
