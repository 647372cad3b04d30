package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.gullyrun.desktop.state.SegmentKey;
import org.jspecify.annotations.Nullable;

/** One thing drawn on the run map: a line with a name, or a grid of rows against columns. Filled while being built. */
final class MapNode {
    /** The columns of the map, from left to right. */
    enum Stage {
        SOURCES("sources"),
        PROGRAMS("programs, microphones"),
        DEVICES("devices, cables"),
        MIXERS("mixer"),
        PRODUCTIONS("production"),
        OUTLETS("listeners");

        final String title;

        Stage(String title) {
            this.title = title;
        }
    }

    /** A row of a grid (something comes in) or a column (something goes out). */
    record Lane(String point, String element, String label) {}

    /** A crossing: where a row meets a column. */
    record Crossing(int row, int column, SegmentKey key, boolean open, boolean wanted) {}

    final String id;
    final Stage stage;
    final String title;
    final Set<String> points = new LinkedHashSet<>();
    final List<Lane> rows = new ArrayList<>();
    final List<Lane> columns = new ArrayList<>();
    final List<Crossing> crossings = new ArrayList<>();

    @Nullable
    SourceClass sourceClass;

    String tag = "";
    String under = "";
    boolean tagIsBad;
    boolean bad;
    int depth;

    MapNode(String id, Stage stage, String title) {
        this.id = id;
        this.stage = stage;
        this.title = title;
    }

    boolean isGrid() {
        return !rows.isEmpty() || !columns.isEmpty();
    }

    /** The layer of the layout: stage, then depth within it. */
    int layer() {
        return stage.ordinal() * 16 + depth;
    }

    /** Whether nothing of a row is there in the scenes drawn. */
    boolean isAbsent(int row) {
        return crossings.stream().noneMatch(c -> c.row() == row);
    }

    /** All that the looks of a node depend on. */
    private record Look(
            String title,
            String tag,
            boolean tagIsBad,
            String under,
            boolean bad,
            @Nullable SourceClass sourceClass,
            List<Lane> rows,
            List<Lane> columns,
            BitSet present) {}

    /** All that its looks depend on; of a grid, without its crossings, which are drawn one by one. */
    Object look() {
        BitSet present = new BitSet();
        crossings.forEach(c -> present.set(c.row()));
        return new Look(title, tag, tagIsBad, under, bad, sourceClass, rows, columns, present);
    }
}
