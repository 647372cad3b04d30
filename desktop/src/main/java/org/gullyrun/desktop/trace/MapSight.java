package org.gullyrun.desktop.trace;

import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import org.jspecify.annotations.Nullable;

/**
 * What of a map is in the window. Of a large one that is no more than what is in sight and somewhat more on every side:
 * JavaFX goes through all parts of a window with every picture, and a rig of 200 sources has fifteen thousand.
 */
final class MapSight {
    private static final Bounds NOTHING = new BoundingBox(0, 0, -1, -1);

    /** How much more than what is in sight is in the window on every side, in widths and heights of that. */
    private static final double BEYOND = 0.5;

    private static final double BEYOND_LIT = 0.125;

    private @Nullable Bounds inWindow;
    private final double beyond;

    private MapSight(@Nullable Bounds inWindow, double beyond) {
        this.inWindow = inWindow;
        this.beyond = beyond;
    }

    /**
     * What is in the window at first: nothing of a large map until it is known what is in sight, all of another one.
     *
     * @param lit whether it is only what is lit, which is drawn anew with every selection and seldom moved
     */
    static MapSight of(boolean large, boolean lit) {
        return new MapSight(large ? NOTHING : null, lit ? BEYOND_LIT : BEYOND);
    }

    /** What is in the window; null for everything. */
    @Nullable
    Bounds inWindow() {
        return inWindow;
    }

    /**
     * Brings in what has come into sight.
     *
     * @param room what is in sight, in pixels of the window
     * @param zoom pixels of the window for one of the map
     */
    void follow(MapDrawing map, Bounds room, double zoom, boolean large) {
        if (!large) {
            inWindow = null;
            map.see(null);
            return;
        }
        double width = room.getWidth() / zoom;
        double height = room.getHeight() / zoom;
        Bounds sight = new BoundingBox(room.getMinX() / zoom, room.getMinY() / zoom, width, height);
        if (inWindow == null || !inWindow.contains(sight)) {
            inWindow = new BoundingBox(
                    sight.getMinX() - beyond * width,
                    sight.getMinY() - beyond * height,
                    (1 + 2 * beyond) * width,
                    (1 + 2 * beyond) * height);
            map.see(inWindow);
        }
    }
}
