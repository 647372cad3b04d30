package org.gullyrun.desktop.repair;

import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import org.gullyrun.core.repair.Channel;
import org.gullyrun.core.repair.Channel.Sort;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;

/**
 * Draws how a listener is off over some steps: a calm band where all is well, a red one where something forbidden arrives or a
 * loop ends, twin lines where something is doubled, a dry dashed bed where something is missing. What changes has a mark: the
 * glyph of the source concerned, a coil, or a tick.
 */
final class ChannelMarks {
    private static final double BAND = 7;

    private ChannelMarks() {}

    /** Draws one state of a channel between two heights. */
    static void draw(Group into, Channel channel, int at, double x, double top, double bottom, double u) {
        Channel.State state = channel.states().get(at);
        Group piece = new Group();
        switch (state.sort()) {
            case GOOD -> band(piece, "good", x, top, bottom, u);
            case FORBIDDEN, LOOPING -> band(piece, "bad", x, top, bottom, u);
            case DOUBLED -> {
                piece.getChildren().add(Nodes.line(x - 2.6 * u, top, x - 2.6 * u, bottom, "flow", "double"));
                piece.getChildren().add(Nodes.line(x + 2.6 * u, top, x + 2.6 * u, bottom, "flow", "double"));
            }
            case MISSING -> piece.getChildren().add(Nodes.line(x, top, x, bottom, "flow", "dry"));
            case OTHER -> piece.getChildren().add(Nodes.line(x, top, x, bottom, "flow", "other"));
            case SILENT -> piece.getChildren().add(Nodes.line(x, top, x, bottom, "flow", "still"));
        }
        mark(piece, channel, at, x, top + 20 * u, u);
        String said = state.sort().words(channel.name()) + (state.about().isEmpty() ? "" : ": " + state.about());
        Rectangle reach = new Rectangle(x - 10 * u, top, 20 * u, Math.max(0, bottom - top));
        reach.getStyleClass().add("hit");
        Tooltips.say(reach, said);
        piece.getChildren().add(reach);
        piece.setAccessibleText(said);
        into.getChildren().add(piece);
    }

    private static void band(Group into, String tone, double x, double top, double bottom, double u) {
        Rectangle band = new Rectangle(x - BAND * u / 2, top, BAND * u, Math.max(0, bottom - top));
        band.getStyleClass().addAll("flow-band", tone);
        into.getChildren().add(band);
    }

    /** The mark at the beginning of a state, on a plate that keeps it legible. */
    private static void mark(Group into, Channel channel, int at, double x, double y, double u) {
        Channel.State state = channel.states().get(at);
        boolean cleared = state.sort() == Sort.GOOD && at > 0;
        if (!state.sort().isTrouble() && !cleared) {
            return;
        }
        if (cleared) {
            SVGPath tick = new SVGPath();
            tick.setContent("M-3,0.4L-0.8,2.8L3.4,-2.6");
            tick.getStyleClass().add("flow-tick");
            place(into, tick, x, y, u);
            return;
        }
        Circle plate = new Circle(x, y, 9.5 * u);
        plate.getStyleClass()
                .addAll("flow-plate", state.sort() == Sort.FORBIDDEN || state.sort() == Sort.LOOPING ? "bad" : "plain");
        into.getChildren().add(plate);
        switch (state.sort()) {
            case LOOPING -> {
                SVGPath coil = new SVGPath();
                coil.setContent("M4.4,-1.6A4.6,4.6 0 1,0 4.4,2.2M4.6,-5L4.6,-1.4L1,-1.4");
                coil.getStyleClass().add("coil");
                place(into, coil, x, y, u);
            }
            case FORBIDDEN -> glyph(into, state, "bad", x, y, u);
            case MISSING -> glyph(into, state, "hollow", x, y, 0.9 * u);
            case DOUBLED -> {
                glyph(into, state, "warn", x - 3.4 * u, y, 0.62 * u);
                glyph(into, state, "warn", x + 3.4 * u, y, 0.62 * u);
            }
            case OTHER -> glyph(into, state, "warn", x, y, 0.75 * u);
            case GOOD, SILENT -> {}
        }
    }

    private static void glyph(Group into, Channel.State state, String tone, double x, double y, double scale) {
        SVGPath glyph = Glyph.of(state.source(), scale);
        glyph.getStyleClass().add(tone);
        glyph.setTranslateX(x);
        glyph.setTranslateY(y);
        into.getChildren().add(glyph);
    }

    private static void place(Group into, Node node, double x, double y, double u) {
        node.setScaleX(u);
        node.setScaleY(u);
        node.setTranslateX(x);
        node.setTranslateY(y);
        into.getChildren().add(node);
    }
}
