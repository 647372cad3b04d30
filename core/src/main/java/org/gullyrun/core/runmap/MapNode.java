package org.gullyrun.core.runmap;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.jspecify.annotations.Nullable;

/** One thing drawn on the run map: a line with a name, or a grid of rows against columns. Complete once it is part of a {@link MapModel}. */
public final class MapNode {
    /** The columns of the map, from left to right. */
    public enum Stage {
        SOURCES("sources"),
        PROGRAMS("programs, microphones"),
        DEVICES("devices, cables"),
        MIXERS("mixer"),
        PRODUCTIONS("production"),
        OUTLETS("listeners");

        private final String title;

        Stage(String title) {
            this.title = title;
        }

        /** The heading of the column. */
        public String title() {
            return title;
        }
    }

    /** A row of a grid (something comes in) or a column (something goes out). */
    public record Lane(PointId point, String element, String label) {}

    /** A crossing: where a row meets a column. */
    public record Crossing(int row, int column, SegmentKey key, boolean open, boolean wanted) {}

    final String id;
    final Stage stage;
    final String title;
    final Set<PointId> points = new LinkedHashSet<>();
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

    /** The id of the element that it stands for, or of its first. */
    public String id() {
        return id;
    }

    /** The column that it is in. */
    public Stage stage() {
        return stage;
    }

    /** Its name. */
    public String title() {
        return title;
    }

    /** All points of the flow graph that it stands for. */
    public Set<PointId> points() {
        return Collections.unmodifiableSet(points);
    }

    /** Where something comes into a grid, from the top; empty for a line. */
    public List<Lane> rows() {
        return Collections.unmodifiableList(rows);
    }

    /** Where something goes out of a grid, from the left; empty for a line. */
    public List<Lane> columns() {
        return Collections.unmodifiableList(columns);
    }

    /** The crossings that exist in the scenes drawn. */
    public List<Crossing> crossings() {
        return Collections.unmodifiableList(crossings);
    }

    /** The class of a source; null for all else. */
    public @Nullable SourceClass sourceClass() {
        return sourceClass;
    }

    /** Rates or so at its end, in one word; empty if there is nothing to say. */
    public String tag() {
        return tag;
    }

    /** Whether the tag tells of trouble. */
    public boolean isTagBad() {
        return tagIsBad;
    }

    /** What is written below its name; may be empty. */
    public String under() {
        return under;
    }

    /** Whether a listener has something critical or major. */
    public boolean isBad() {
        return bad;
    }

    /** Whether it is a grid of rows against columns. */
    public boolean isGrid() {
        return !rows.isEmpty() || !columns.isEmpty();
    }

    /** The layer of the layout: stage, then depth within it. */
    public int layer() {
        return stage.ordinal() * 16 + depth;
    }

    /** Whether nothing of a row is there in the scenes drawn. */
    public boolean isAbsent(int row) {
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
    public Object look() {
        BitSet present = new BitSet();
        crossings.forEach(c -> present.set(c.row()));
        return new Look(title, tag, tagIsBad, under, bad, sourceClass, rows, columns, present);
    }
}
