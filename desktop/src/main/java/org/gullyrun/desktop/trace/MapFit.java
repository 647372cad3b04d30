package org.gullyrun.desktop.trace;

import org.gullyrun.core.runmap.MapModel;

/**
 * How a map fits a room: at which size it is drawn, and which part is seen where it is larger.
 *
 * @param width of the room, px
 * @param height of the room, px
 * @param textScale the size of text, 1 as usual
 */
record MapFit(double width, double height, double textScale) {
    /** Maps that would have to be smaller to be seen whole cannot be read so: they are folded to what is lit. */
    private static final double LEAST_DRAWN = 0.75;
    /** What a map may reach beyond its room. */
    private static final double HAIR = 0.01;

    /** The factor at which a whole map is seen. */
    double whole(MapGeometry geometry) {
        return exact(Math.min(1, Math.min(height / geometry.height(), width / geometry.width())));
    }

    /** Widths of letters do not grow quite evenly with their size; to be smaller by a hair is not to be smaller. */
    static double exact(double factor) {
        return factor > 1 - HAIR ? 1 : factor;
    }

    /** The size in which a map is shown as long as nobody has moved it, of which all can be seen at another size. */
    double settled(double whole) {
        return isLarge(whole) ? 1 : Math.min(1, whole * Math.max(1, textScale));
    }

    /** Whether a map would have to be shown smaller than can be read, to be seen whole. */
    boolean isLarge(double whole) {
        return whole * Math.max(1, textScale) < LEAST_DRAWN;
    }

    /** Whether a map would have to be shown smaller than can be read, to be seen whole. */
    boolean isLarge(MapModel model, MapLayout layout) {
        return isLarge(whole(trial(model, layout, MapMetrics.LONGEST[0])));
    }

    /** Tries one size of names. */
    private MapGeometry trial(MapModel model, MapLayout layout, double longest) {
        return new MapGeometry(model, layout, new MapMetrics(textScale, longest), width, height);
    }

    /**
     * The places for the room there is, in the size in which they are shown: names are cut shorter only as far as that makes
     * the map larger. To draw it in full and zoom would be the same to the eye, but without a graphics card the display draws
     * each letter under a zoom as a shape, which made half of the time to paint a map.
     */
    MapGeometry geometry(MapModel model, MapLayout layout) {
        MapGeometry trial = trial(model, layout, MapMetrics.LONGEST[0]);
        for (double longest : MapMetrics.LONGEST) {
            trial = trial(model, layout, longest);
            if (trial.width() <= width * Math.max(1, trial.height() / height)) {
                break;
            }
        }
        double whole = whole(trial);
        double size = settled(whole);
        if (size == 1) {
            return trial;
        }
        double room = size / whole;
        return new MapGeometry(model, layout, trial.metrics.times(size), width * room, height * room);
    }

    /**
     * Where the map begins: in the middle of the room if it fits, else so that what lies between two places is in the
     * middle; where that is longer than the room its end is shown, for there the listeners are.
     */
    static double pan(double room, double size, double from, double to) {
        double end = size - to < room / 5 ? size : to + 16; // names at the edge are not cut for so little
        double wanted = to - from > room ? room - end : (room - from - to) / 2;
        return size <= room ? (room - size) / 2 : Math.clamp(wanted, room - size, 0);
    }
}
