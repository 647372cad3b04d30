package org.gullyrun.desktop.trace;

import javafx.scene.text.Font;
import org.gullyrun.core.runmap.MapNode;
import org.gullyrun.desktop.look.Type;

/**
 * The sizes of what the run map draws, in pixels.
 *
 * @param unit one pixel at 100 % text
 * @param longest how wide a name may be before it is cut, in units
 */
record MapMetrics(double unit, double longest) {
    /** How wide names may be, tried in turn until the map has room at full size. */
    static final double[] LONGEST = {170, 130, 104, 84};

    private static final double LINE_HEIGHT = 35;
    private static final double LINE_AT = 21;
    private static final double GRID_HEAD = 25;
    private static final double GRID_ROW = 18;
    private static final double GRID_COLUMN = 15;

    /** All sizes by a factor. */
    MapMetrics times(double factor) {
        return new MapMetrics(unit * factor, longest);
    }

    Font name() {
        return Type.sans(12.5 * unit);
    }

    Font strong() {
        return Type.strong(12.5 * unit);
    }

    Font water() {
        return Type.water(13.5 * unit);
    }

    Font row() {
        return Type.sans(11.5 * unit);
    }

    Font tag() {
        return Type.figures(10.5 * unit);
    }

    Font small() {
        return Type.sans(10.5 * unit);
    }

    /** The height of a node in pixels: a grid has a head and a line for each row and column. */
    double height(MapNode node) {
        return unit
                * (node.isGrid()
                        ? GRID_HEAD
                                + GRID_ROW
                                        * (node.rows().size() + node.columns().size())
                                + 4
                        : LINE_HEIGHT);
    }

    /** How far down a node's row comes in. */
    double west(MapNode node, int row) {
        return unit * (node.isGrid() ? GRID_HEAD + GRID_ROW * (row + 0.5) : LINE_AT);
    }

    /** How far down a node's column goes out. */
    double east(MapNode node, int column) {
        return unit * (node.isGrid() ? GRID_HEAD + GRID_ROW * (node.rows().size() + column + 0.5) : LINE_AT);
    }

    /** How far across a column of a grid stands. */
    double column(MapNode node, int column) {
        return column(labelWidth(node), column);
    }

    /** The same where the room for the names of the rows is known. */
    double column(double labelWidth, int column) {
        return labelWidth + unit * (16 + GRID_COLUMN * column);
    }

    /** How much room the names of a grid's rows have. */
    double labelWidth(MapNode node) {
        double widest = 0;
        for (MapNode.Lane lane : node.rows()) {
            widest = Math.max(widest, Type.width(lane.label(), row()));
        }
        for (int c = 0; c < node.columns().size(); c++) {
            // A column's name stands before its exit, so later ones have more room.
            widest = Math.max(widest, Type.width(node.columns().get(c).label(), row()) - unit * (GRID_COLUMN * c + 5));
        }
        return Math.min(widest + 1, 0.85 * longest * unit);
    }

    /** How wide a node has to be for everything on it to be read. */
    double width(MapNode node) {
        if (node.isGrid()) {
            double head = Math.min(longest * unit, Type.width(node.title(), strong()));
            return Math.max(head, column(node, node.columns().size() - 1) + unit * 12);
        }
        double title = Math.min(
                longest * unit, Type.width(node.title(), node.stage() == MapNode.Stage.OUTLETS ? water() : name()));
        double under = Math.min(longest * unit, Type.width(node.under(), small()));
        double tag = node.tag().isEmpty() ? 0 : Type.width(node.tag(), tag()) + unit * 8;
        double lead = node.sourceClass() != null || node.stage() == MapNode.Stage.SOURCES
                ? 18
                : node.stage() == MapNode.Stage.OUTLETS ? 12 : 0;
        return unit * lead + Math.max(title + tag, under) + unit * 2;
    }
}
