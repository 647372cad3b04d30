package org.gullyrun.core.brief;

import java.util.Collections;
import java.util.Comparator;
import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.rig.Ids;
import org.jspecify.annotations.Nullable;

/**
 * What has been entered in the brief. Immutable. What counts for a cell, presets included, says {@link Wishes}.
 *
 * @param cells the wishes entered
 * @param windows level windows: a source's level at an outlet in dBFS
 * @param voiceOverMusic for an outlet, by how many dB voice is to be above music
 */
public record Brief(Map<Cell, Wish> cells, Map<Cell, Window> windows, Map<String, Double> voiceOverMusic) {

    /** Nothing entered. */
    public static final Brief EMPTY = new Brief(Map.of(), Map.of(), Map.of());

    /**
     * One cell.
     *
     * @param source the id of the source
     * @param outlet the id of the outlet
     * @param scene the id of the scene in which it counts; empty for all that have no entry of their own
     */
    public record Cell(String source, String outlet, String scene) implements Comparable<Cell> {
        private static final Comparator<Cell> ORDER = Comparator.comparing(Cell::source, Ids.ORDER)
                .thenComparing(Cell::outlet, Ids.ORDER)
                .thenComparing(Cell::scene, Ids.ORDER);

        @Override
        public int compareTo(Cell other) {
            return ORDER.compare(this, other);
        }
    }

    /** A level window in dBFS; an end that is null is open. */
    public record Window(@Nullable Double least, @Nullable Double most) {
        public Window {
            if (least != null && !Double.isFinite(least) || most != null && !Double.isFinite(most)) {
                throw new IllegalArgumentException("a level window ends at a number of dBFS");
            }
        }
    }

    public Brief {
        cells = Collections.unmodifiableMap(new TreeMap<>(cells));
        windows = Collections.unmodifiableMap(new TreeMap<>(windows));
        voiceOverMusic = Collections.unmodifiableMap(new TreeMap<>(voiceOverMusic));
    }

    /** This brief with a cell set, or cleared by null. */
    public Brief with(Cell cell, @Nullable Wish wish) {
        if (cells.get(cell) == wish) {
            return this;
        }
        Map<Cell, Wish> changed = new TreeMap<>(cells);
        if (wish == null) {
            changed.remove(cell);
        } else {
            changed.put(cell, wish);
        }
        return new Brief(changed, windows, voiceOverMusic);
    }

    /** What was entered for a pair in a scene, or else for all scenes; null if nothing was. */
    @Nullable
    Wish entered(String source, String outlet, String scene) {
        Wish there = scene.isEmpty() ? null : cells.get(new Cell(source, outlet, scene));
        return there != null ? there : cells.get(new Cell(source, outlet, ""));
    }
}
