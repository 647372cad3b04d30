package org.gullyrun.desktop.trace;

import java.util.Set;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.HLineTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.QuadCurveTo;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.runmap.MapEdge;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.trace.MapSheet.Layer;

/** Draws channels: those that run on, those that go back beneath, and the bars of closed gates. */
final class MapChannels {
    private final MapSheet sheet;
    private final MapGeometry at;
    private final MapMetrics m;
    private final double u;

    MapChannels(MapSheet sheet, MapGeometry geometry) {
        this.sheet = sheet;
        this.at = geometry;
        this.m = geometry.metrics;
        this.u = m.unit();
    }

    private record Look(
            int lane,
            boolean open,
            boolean openEverywhere,
            boolean air,
            String loop,
            String closed,
            long thickness,
            String rates,
            boolean ratesBad,
            MapEdge.Turn turn,
            Set<SegmentKey> keys) {}

    /**
     * What a channel looks like, where it is and what lights it.
     *
     * @param lane which of those that go back it is; −1 if it runs on
     */
    MapPlan plan(MapEdge edge, int lane) {
        Bounds bounds = lane < 0 ? forwardBounds(edge) : backBounds(edge, lane);
        return new MapPlan(edge.ports(), look(edge, lane), bounds, edge.keys(), Set.of());
    }

    private Bounds forwardBounds(MapEdge edge) {
        double startY = startY(edge);
        double endY = endY(edge);
        double top = Math.min(startY, endY);
        double bottom = Math.max(startY, endY);
        for (double[] layer : at.passing(edge)) {
            top = Math.min(top, layer[2]);
            bottom = Math.max(bottom, layer[2]);
        }
        double left = at.right(edge.from());
        double right = at.left(edge.to());
        return around(Math.min(left, right), top, Math.max(left, right), bottom, 18 * u);
    }

    private Bounds backBounds(MapEdge edge, int lane) {
        double from = at.right(edge.from());
        double to = at.left(edge.to());
        double startY = startY(edge);
        double endY = endY(edge);
        double under = at.lane(lane);
        double said = said(edge).isEmpty() ? 0 : Type.width(said(edge), m.small()) / 2;
        double middle = (from + to) / 2;
        return around(
                Math.min(Math.min(from, to), middle - said),
                Math.min(Math.min(startY, endY), under),
                Math.max(Math.max(from, to), middle + said),
                Math.max(Math.max(startY, endY), under),
                24 * u);
    }

    private static Bounds around(double left, double top, double right, double bottom, double margin) {
        return new BoundingBox(left - margin, top - margin, right - left + 2 * margin, bottom - top + 2 * margin);
    }

    private double startY(MapEdge edge) {
        return at.top(edge.from()) + m.east(edge.from(), edge.fromPort());
    }

    private double endY(MapEdge edge) {
        return at.top(edge.to()) + m.west(edge.to(), edge.toPort());
    }

    /** Draws a channel. */
    void draw(MapEdge edge, int lane) {
        if (lane < 0) {
            forward(edge);
        } else {
            back(edge, lane);
        }
    }

    /** All that a channel's looks depend on. */
    private static Look look(MapEdge edge, int lane) {
        return new Look(
                lane,
                edge.isOpen(),
                edge.isOpenEverywhere(),
                edge.isAir(),
                edge.loop(),
                edge.closed(),
                Math.round(thickness(edge.level(), 4)),
                edge.rates(),
                edge.isRatesBad(),
                edge.turn(),
                edge.keys());
    }

    /** The width of a channel in pixels: 1 at −60 dBFS, 3.8 from −12 on. */
    private static double thickness(double level, double u) {
        double above = Math.clamp((level + 60) / 48, 0, 1);
        return (1 + 2.8 * above) * u;
    }

    /** Draws a channel that runs on from left to right. */
    private void forward(MapEdge edge) {
        double x = at.right(edge.from());
        double y = startY(edge);
        Path path = new Path(new MoveTo(x, y));
        for (double[] layer : at.passing(edge)) {
            curve(path, x, y, layer[0], layer[2]);
            x = layer[1];
            y = layer[2];
            path.getElements().add(new HLineTo(x));
        }
        double endX = at.left(edge.to());
        double endY = endY(edge);
        curve(path, x, y, endX, endY);
        style(path, edge);
        sheet.put(Layer.CHANNELS, path, edge.keys());
        if (!edge.rates().isEmpty()) {
            Font font = m.small();
            double w = Type.width(edge.rates(), font);
            double room = endX - x;
            // Before the end, above the channel; where there is no room the tooltip and the list beside tell it.
            if (room > w + 12 * u) {
                sheet.put(
                        Layer.MARKS,
                        Nodes.text(
                                edge.rates(),
                                font,
                                endX - w - 6 * u,
                                endY - 5 * u,
                                edge.isRatesBad() ? "bad" : "caption"));
            }
        }
        if (!edge.isOpen() || !edge.isOpenEverywhere()) {
            bar(edge, endX - 7 * u, endY, edge.isOpen());
        }
    }

    /** A curve that leaves and arrives horizontally. */
    private static void curve(Path path, double x1, double y1, double x2, double y2) {
        double bend = (x2 - x1) * 0.5;
        path.getElements().add(new CubicCurveTo(x1 + bend, y1, x2 - bend, y2, x2, y2));
    }

    /** The look of a channel: open or dry, through the air, in a loop. */
    private void style(Path path, MapEdge edge) {
        path.getStyleClass().add("channel");
        if (edge.turn() == MapEdge.Turn.WENT) {
            path.getStyleClass().add("went");
            path.setStrokeWidth(1.8 * u);
        } else if (!edge.isOpen()) {
            path.getStyleClass().add("dry");
            path.setStrokeWidth(1.2 * u);
        } else {
            path.setStrokeWidth(thickness(edge.level(), u));
        }
        if (!edge.rates().isEmpty()) {
            path.getStyleClass().add(edge.isRatesBad() ? "rates-bad" : "rates-meet");
            path.setStrokeWidth(2.4 * u);
        }
        path.setMouseTransparent(false);
        Tooltips.say(
                path,
                edge.from().title() + " → " + edge.to().title() + (edge.isOpen() ? "" : "\n" + edge.closed())
                        + (edge.rates().isEmpty() ? "" : "\n" + edge.rates()));
    }

    /** A closed gate is a bar across the channel; one that is open in some scenes only stands ajar. */
    private void bar(MapEdge edge, double x, double y, boolean ajar) {
        double reach = 7 * u;
        double[][] pieces = ajar
                ? new double[][] {{-reach, reach - 2.6 * u}, {2.6 * u, reach - 2.6 * u}}
                : new double[][] {{-reach, 2 * reach}};
        for (double[] piece : pieces) {
            Rectangle bar = new Rectangle(x - 1.5 * u, y + piece[0], 3 * u, piece[1]);
            bar.getStyleClass().add("gate-bar");
            Tooltips.say(bar, edge.closed());
            sheet.put(Layer.MARKS, bar, edge.keys());
        }
    }

    /** A channel that goes back is led down, beneath everything, and up again before where it enters. */
    private void back(MapEdge edge, int lane) {
        double x1 = at.right(edge.from());
        double y1 = startY(edge);
        double x2 = at.left(edge.to());
        double y2 = endY(edge);
        double under = at.lane(lane);
        double down = x1 + (9 + 4 * (lane % 3)) * u;
        double up = x2 - (10 + 4 * (lane % 3)) * u;
        double r = 8 * u;
        Path path = new Path(
                new MoveTo(x1, y1),
                new LineTo(down - r, y1),
                new QuadCurveTo(down, y1, down, y1 + r),
                new LineTo(down, under - r),
                new QuadCurveTo(down, under, down - r, under),
                new LineTo(up + r, under),
                new QuadCurveTo(up, under, up, under - r),
                new LineTo(up, y2 + (under > y2 ? r : -r)),
                new QuadCurveTo(up, y2, up + r * 0.7, y2),
                new LineTo(x2 - 5 * u, y2));
        style(path, edge);
        path.getStyleClass().add("return");
        boolean loop = !edge.loop().isEmpty();
        boolean loopGone = edge.turn() == MapEdge.Turn.LOOP_GONE;
        if (edge.isAir()) {
            path.getStyleClass().add("air");
            path.setStrokeWidth(1.6 * u);
        }
        Polygon arrow = new Polygon(x2 - 7 * u, y2 - 4 * u, x2, y2, x2 - 7 * u, y2 + 4 * u);
        arrow.getStyleClass().add("arrow");
        if (loop) {
            path.getStyleClass().add("loop");
            arrow.getStyleClass().add("loop");
            path.setStrokeWidth(2.6 * u);
        }
        sheet.put(Layer.CHANNELS, path, edge.keys());
        sheet.put(Layer.CHANNELS, arrow, edge.keys());
        if (!edge.isOpen()) {
            bar(edge, x2 - 3 * u, y2, false);
            arrow.setVisible(false);
        }
        if (loopGone) {
            path.getStyleClass().add("went");
        }
        String said = said(edge);
        if (!said.isEmpty()) {
            Font font = m.small();
            double w = Type.width(said, font);
            double cx = (down + up) / 2;
            Rectangle plaque = new Rectangle(cx - w / 2 - 8 * u, under - 9 * u, w + 16 * u, 18 * u);
            plaque.setArcWidth(5 * u);
            plaque.setArcHeight(5 * u);
            plaque.getStyleClass().addAll("plaque", loop ? "loop" : "plain");
            Text text = Nodes.text(
                    said, font, cx - w / 2, under + 4 * u, loop ? "bad" : loopGone ? "good-mark" : "caption");
            sheet.put(Layer.MARKS, plaque);
            sheet.put(Layer.MARKS, text);
        }
    }

    /** What is said on a channel that goes back; empty as a rule. */
    private static String said(MapEdge edge) {
        return !edge.loop().isEmpty()
                ? edge.loop()
                : edge.turn() == MapEdge.Turn.LOOP_GONE ? "loop gone" : edge.isAir() ? "through the air" : "";
    }
}
