package org.gullyrun.desktop.trace;

import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import org.jspecify.annotations.Nullable;

/**
 * What of a map is in the window. Of a large one that is no more than what is in sight and half as much again on every side:
 * JavaFX goes through all parts of a window with every picture, and a rig of 200 sources has fifteen thousand.
 */
final class MapSight {
    private static final Bounds NOTHING = new BoundingBox(0, 0, -1, -1);

    private @Nullable Bounds inWindow;

    /** What is in the window until it is known what is in sight; null for everything. */
    @Nullable
    Bounds begin(boolean sparing) {
        inWindow = sparing ? NOTHING : null;
        return inWindow;
    }

    /**
     * Brings in what has come into sight.
     *
     * @param room what is in sight, in pixels of the window
     * @param zoom pixels of the window for one of the map
     */
    void follow(MapDrawing map, Bounds room, double zoom, boolean sparing) {
        if (!sparing) {
            inWindow = null;
            map.see(null);
            return;
        }
        double width = room.getWidth() / zoom;
        double height = room.getHeight() / zoom;
        Bounds sight = new BoundingBox(room.getMinX() / zoom, room.getMinY() / zoom, width, height);
        if (inWindow == null || !inWindow.contains(sight)) {
            inWindow =
                    new BoundingBox(sight.getMinX() - width / 2, sight.getMinY() - height / 2, 2 * width, 2 * height);
            map.see(inWindow);
        }
    }
}
