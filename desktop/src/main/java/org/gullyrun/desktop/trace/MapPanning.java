package org.gullyrun.desktop.trace;

import java.util.function.Consumer;
import java.util.function.DoubleSupplier;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;

/** Moves a map under the pointer, and zooms it where the pointer is. */
final class MapPanning {
    /** Of the size in which letters have their usual size. */
    private static final double CLOSEST = 3;

    private static final double FARTHEST = 0.2;

    private final DoubleSupplier drawn;
    private final Translate pan = new Translate();
    private final Scale zoom = new Scale(1, 1);
    /** Whether somebody has moved it: then it stays where it is. */
    private boolean moved;

    private double grabX;
    private double grabY;

    /**
     * Listens to the mouse over a view.
     *
     * @param drawn the size in which the map is drawn, of that in which letters have their usual size
     * @param moving told when it begins and ends to move
     */
    MapPanning(Region view, DoubleSupplier drawn, Consumer<Boolean> moving) {
        this.drawn = drawn;
        view.addEventHandler(ScrollEvent.SCROLL, e -> {
            if (e.getDeltaY() != 0) {
                zoomAt(Math.exp(e.getDeltaY() * 0.002), e.getX(), e.getY());
                e.consume();
            }
        });
        view.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            grabX = e.getX() - pan.getX();
            grabY = e.getY() - pan.getY();
        });
        view.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            moved = true;
            moving.accept(true);
            pan.setX(e.getX() - grabX);
            pan.setY(e.getY() - grabY);
        });
        view.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> moving.accept(false));
    }

    Translate pan() {
        return pan;
    }

    Scale zoom() {
        return zoom;
    }

    boolean isMoved() {
        return moved;
    }

    void moved(boolean is) {
        moved = is;
    }

    /** Zooms so that a place stays where it is. */
    void zoomAt(double factor, double x, double y) {
        double to = Math.clamp(zoom.getX() * factor, FARTHEST / drawn.getAsDouble(), CLOSEST / drawn.getAsDouble());
        double real = to / zoom.getX();
        moved = true;
        pan.setX(x - (x - pan.getX()) * real);
        pan.setY(y - (y - pan.getY()) * real);
        zoom.setX(to);
        zoom.setY(to);
    }
}
