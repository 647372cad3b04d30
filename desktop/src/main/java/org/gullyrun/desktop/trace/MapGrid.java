package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.shape.ArcTo;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.HLineTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.QuadCurveTo;
import javafx.scene.text.Text;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.runmap.MapNode;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.trace.MapSheet.Layer;

/** Draws mixers and productions: rows that come in, columns that go out, a dot where one takes the other. */
final class MapGrid {
    private final MapSheet sheet;
    private final MapGeometry at;
    private final MapMetrics m;
    private final double u;
    private final MapBanks banks;

    MapGrid(MapSheet sheet, MapGeometry geometry, MapBanks banks) {
        this.sheet = sheet;
        this.at = geometry;
        this.m = geometry.metrics;
        this.u = m.unit();
        this.banks = banks;
    }

    /** The names of a grid's rows as they are drawn, and where they end; measured once for all crossings. */
    private record Rows(double labelWidth, List<String> labels, double[] ends) {}

    /** A row: what it stands for, and the line from the end of its name across all columns. */
    private record Row(MapNode.Lane lane, boolean absent, double from, double to, double y) {}

    /** Crossings that are drawn alike. */
    private record Crossings(boolean open, boolean wanted, Map<SegmentKey, MapNode.Crossing> of) {
        List<MapNode.Crossing> of(Set<SegmentKey> keys) {
            return keys.stream().map(of::get).filter(Objects::nonNull).toList();
        }
    }

    private Rows rows(MapNode node) {
        double widest = m.labelWidth(node);
        List<String> labels = node.rows().stream()
                .map(lane -> Type.fit(lane.label(), m.row(), widest))
                .toList();
        double x = at.left(node) + 4 * u;
        return new Rows(
                widest,
                labels,
                labels.stream().mapToDouble(l -> x + Type.width(l, m.row())).toArray());
    }

    /** Draws a mixer or production, part by part, so that only what changes is drawn anew. */
    void draw(MapNode node) {
        Rows rows = rows(node);
        Map<Integer, Integer> tops = new HashMap<>();
        Set<Integer> open = new HashSet<>();
        for (MapNode.Crossing crossing : node.crossings()) {
            tops.merge(crossing.column(), crossing.row(), Math::min);
            if (crossing.open()) {
                open.add(crossing.column());
            }
        }
        Bounds all = new BoundingBox(
                at.left(node) - 4 * u, at.top(node) - 4 * u, at.width(node) + 8 * u, m.height(node) + 8 * u);
        sheet.item(
                new MapPlan("node " + node.id(), node.look(), all, Set.of(), Set.copyOf(node.points())),
                () -> frame(node));
        for (int r = 0; r < node.rows().size(); r++) {
            int number = r;
            Row row = row(node, rows, r);
            Bounds place = new BoundingBox(at.left(node) - 4 * u, row.y - 10 * u, at.width(node) + 8 * u, 20 * u);
            Set<PointId> point = Set.of(node.rows().get(r).point());
            sheet.item(
                    new MapPlan("row " + node.id() + " " + r, row, place, Set.of(), point),
                    () -> draw(node, rows, number, row));
        }
        for (int c = 0; c < node.columns().size(); c++) {
            int column = c;
            int top = tops.getOrDefault(c, 0);
            boolean isOpen = open.contains(c);
            Set<PointId> point = Set.of(node.columns().get(c).point());
            sheet.item(
                    new MapPlan("column " + node.id() + " " + c, isOpen + " " + top, all, Set.of(), point),
                    () -> column(node, rows, column, isOpen, top));
        }
        Set<SegmentKey> keys =
                node.crossings().stream().map(MapNode.Crossing::key).collect(Collectors.toSet());
        sheet.item(
                new MapPlan("crossings " + node.id(), node.crossings(), all, keys, Set.of()),
                () -> crossings(node, rows));
    }

    private double crossingX(MapNode node, Rows rows, MapNode.Crossing c) {
        return at.left(node) + m.column(rows.labelWidth, c.column());
    }

    private double crossingY(MapNode node, MapNode.Crossing c) {
        return at.top(node) + m.west(node, c.row());
    }

    /** Draws the head of a mixer. */
    private void frame(MapNode node) {
        double x = at.left(node);
        double t = at.top(node);
        double w = at.width(node);
        sheet.putAt(
                Layer.BANKS,
                Nodes.text(Type.fit(node.title(), m.strong(), w), m.strong(), x, t + 14 * u),
                node.points());
        double titled = Type.width(node.title(), m.strong()) + 8 * u;
        if (!node.under().isEmpty() && titled + Type.width(node.under(), m.small()) < w) {
            sheet.putAt(
                    Layer.BANKS, Nodes.text(node.under(), m.small(), x + titled, t + 14 * u, "caption"), node.points());
        }
        sheet.put(Layer.BANKS, Nodes.line(x, t + 20 * u, x + w, t + 20 * u, "grid-line"));
    }

    private Row row(MapNode node, Rows rows, int number) {
        return new Row(
                node.rows().get(number),
                node.isAbsent(number),
                rows.ends[number] + 4 * u,
                at.left(node) + m.column(rows.labelWidth, node.columns().size() - 1),
                at.top(node) + m.west(node, number));
    }

    /** Draws a strip or an input as a row. */
    private void draw(MapNode node, Rows rows, int number, Row row) {
        double x = at.left(node);
        sheet.put(Layer.BANKS, Nodes.line(row.from, row.y, row.to, row.y, "grid-line"));
        Text text =
                Nodes.text(rows.labels.get(number), m.row(), x + 4 * u, row.y + 4 * u, row.absent ? "absent" : "soft");
        sheet.putAt(Layer.BANKS, text, Set.of(row.lane.point()));
        banks.hit(
                node,
                x,
                row.y - 9 * u,
                m.column(rows.labelWidth, 0) - 8 * u,
                18 * u,
                row.lane.label(),
                new Selection.OfElement(row.lane.element()));
    }

    /** Draws a bus as a column. */
    private void column(MapNode node, Rows rows, int c, boolean open, int top) {
        MapNode.Lane lane = node.columns().get(c);
        double x = at.left(node);
        double t = at.top(node);
        double cx = x + m.column(rows.labelWidth, c);
        double exit = t + m.east(node, c);
        Path column = new Path(
                new MoveTo(cx, t + m.west(node, top)),
                new LineTo(cx, exit - 6 * u),
                new QuadCurveTo(cx, exit, cx + 6 * u, exit),
                new HLineTo(x + at.width(node)));
        column.getStyleClass().add(open ? "channel" : "grid-line");
        column.setStrokeWidth((open ? 1.4 : 1) * u);
        sheet.putAt(Layer.BANKS, column, Set.of());
        String label = Type.fit(lane.label(), m.row(), m.column(rows.labelWidth, c) - 6 * u);
        Text text = Nodes.text(label, m.row(), cx - 7 * u - Type.width(label, m.row()), exit + 4 * u, "soft");
        sheet.putAt(Layer.BANKS, text, Set.of(lane.point()));
    }

    /**
     * Draws all crossings: where they are, and of those that are lit the ways through them. Those that look alike are one
     * shape, for a large mixer has some hundred.
     */
    private void crossings(MapNode node, Rows rows) {
        List<Crossings> kinds = new ArrayList<>();
        for (boolean open : List.of(true, false)) {
            for (boolean wanted : List.of(true, false)) {
                Map<SegmentKey, MapNode.Crossing> alike = new HashMap<>();
                for (MapNode.Crossing c : node.crossings()) {
                    if (c.open() == open && c.wanted() == wanted) {
                        alike.put(c.key(), c);
                    }
                }
                kinds.add(new Crossings(open, wanted, alike));
            }
        }
        kinds.forEach(kind -> sheet.put(Layer.MARKS, dots(node, rows, kind, kind.of.keySet())));
        kinds.forEach(kind -> sheet.whenLit(Layer.MARKS, kind.of.keySet(), lit -> through(node, rows, kind, lit)));
        kinds.forEach(kind -> sheet.whenLit(Layer.MARKS, kind.of.keySet(), lit -> dots(node, rows, kind, lit)));
    }

    /** A dot at each of some crossings. */
    private Path dots(MapNode node, Rows rows, Crossings kind, Set<SegmentKey> keys) {
        double r = (kind.open ? 3.3 : kind.wanted ? 3 : 1.6) * u;
        Path dots = new Path();
        for (MapNode.Crossing c : kind.of(keys)) {
            double cx = crossingX(node, rows, c);
            double cy = crossingY(node, c);
            dots.getElements()
                    .addAll(
                            new MoveTo(cx + r, cy),
                            new ArcTo(r, r, 0, cx - r, cy, false, true),
                            new ArcTo(r, r, 0, cx + r, cy, false, true),
                            new ClosePath());
        }
        dots.getStyleClass().add("crossing");
        if (!kind.open) {
            dots.getStyleClass().add("off");
        }
        dots.setMouseTransparent(true);
        return dots;
    }

    /** The ways through crossings, from the names of their rows to where their columns go out; what they share once. */
    private Path through(MapNode node, Rows rows, Crossings kind, Set<SegmentKey> keys) {
        Path through = new Path();
        Map<Integer, Double> furthest = new HashMap<>();
        Map<Integer, Double> highest = new HashMap<>();
        for (MapNode.Crossing c : kind.of(keys)) {
            double cx = crossingX(node, rows, c);
            double cy = crossingY(node, c);
            furthest.merge(c.row(), cx, Math::max);
            highest.merge(c.column(), cy, Math::min);
            through.getElements().addAll(new MoveTo(cx - 4 * u, cy), new QuadCurveTo(cx, cy, cx, cy + 4 * u));
        }
        furthest.forEach((row, cx) -> through.getElements()
                .addAll(new MoveTo(rows.ends[row] + 4 * u, at.top(node) + m.west(node, row)), new HLineTo(cx - 4 * u)));
        highest.forEach((column, cy) -> {
            double cx = at.left(node) + m.column(rows.labelWidth, column);
            double exit = at.top(node) + m.east(node, column);
            through.getElements()
                    .addAll(
                            new MoveTo(cx, cy + 4 * u),
                            new LineTo(cx, exit - 6 * u),
                            new QuadCurveTo(cx, exit, cx + 6 * u, exit),
                            new HLineTo(at.left(node) + at.width(node)));
        });
        through.getStyleClass().add("channel");
        through.setStrokeWidth((kind.open ? 2.6 : 1.4) * u);
        if (!kind.open) {
            through.getStyleClass().add("dry");
        }
        through.setMouseTransparent(true);
        return through;
    }
}
