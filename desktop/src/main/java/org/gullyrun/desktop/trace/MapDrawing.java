package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.Circle;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.HLineTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.QuadCurveTo;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.SegmentKey;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Shown;

/** Draws a laid-out run map into a group, and lights parts of it. It is made anew for each map and size. */
final class MapDrawing {
    private static final double TOP = 34;
    private static final double FIRST_LANE = 16;
    private static final double LANE = 17;

    /** Something that is lit with segments or points. */
    private record Lit(Node node, Set<SegmentKey> keys, Set<String> points, boolean onlyWhenLit) {}

    private final MapModel model;
    private final MapLayout layout;
    private final MapMetrics m;
    private final double u;
    private final double stretch;
    private final Consumer<Selection> select;
    private final Consumer<Selection> preview;
    private final Group patches = new Group();
    private final Group channels = new Group();
    private final Group banks = new Group();
    private final Group marks = new Group();
    private final Group world = new Group(patches, channels, banks, marks);
    private final List<Lit> lit = new ArrayList<>();
    private final Map<Integer, Double> layerX = new HashMap<>();
    private final Map<Integer, Double> layerWidth = new HashMap<>();
    private final List<Integer> layers = new ArrayList<>();
    private double width;
    private double height;

    /**
     * Draws.
     *
     * @param roomWidth how wide the map may be
     * @param roomHeight how high it may be; a lower map is spread over it
     */
    MapDrawing(
            MapModel model,
            MapLayout layout,
            MapMetrics metrics,
            double roomWidth,
            double roomHeight,
            Consumer<Selection> select,
            Consumer<Selection> preview) {
        this.model = model;
        this.layout = layout;
        this.m = metrics;
        this.u = metrics.unit();
        this.select = select;
        this.preview = preview;
        long returns = model.edges().stream().filter(MapEdge::isReturn).count();
        double below = returns == 0 ? 10 * u : (FIRST_LANE + LANE * returns) * u;
        double free = roomHeight - TOP * u - below;
        this.stretch = Math.clamp(free / layout.height(), 1, 1.3);
        this.height = TOP * u + layout.height() * stretch + below;
        across(Math.max(roomWidth, 0));
        if (!model.nodes().isEmpty()) {
            headings();
        }
        int lane = 0;
        for (MapEdge edge : model.edges()) {
            if (edge.isReturn()) {
                int mine = lane++;
                if (edge.here) {
                    back(edge, mine);
                }
            } else if (edge.here) {
                forward(edge);
            }
        }
        model.nodes().forEach(this::node);
    }

    Group world() {
        return world;
    }

    double width() {
        return width;
    }

    double height() {
        return height;
    }

    private void across(double room) {
        double sum = 0;
        for (List<MapNode> layer : model.layers()) {
            int key = layer.getFirst().layer();
            double widest = layer.stream().mapToDouble(m::width).max().orElse(0);
            layers.add(key);
            layerWidth.put(key, widest);
            sum += widest;
        }
        boolean returns = model.edges().stream().anyMatch(MapEdge::isReturn);
        double margin = 14 * u;
        double right = returns ? 22 * u : 10 * u;
        double gap = layers.size() < 2
                ? 0
                : Math.clamp((room - margin - right - sum) / (layers.size() - 1), 36 * u, 150 * u);
        double x = margin;
        for (int key : layers) {
            layerX.put(key, x);
            x += layerWidth.get(key) + gap;
        }
        width = x - gap + right;
    }

    private double left(MapNode node) {
        return layerX.get(node.layer());
    }

    private double right(MapNode node) {
        return left(node) + layerWidth.get(node.layer());
    }

    private double top(MapNode node) {
        return TOP * u + layout.y().get(node.id) * stretch;
    }

    private void headings() {
        double y = 15 * u;
        Set<MapNode.Stage> done = new HashSet<>();
        for (List<MapNode> layer : model.layers()) {
            MapNode first = layer.getFirst();
            if (done.add(first.stage)) {
                String title = first.stage.title;
                banks.getChildren().add(Nodes.text(title, m.small(), left(first), y, "caption"));
            }
        }
        banks.getChildren().add(Nodes.line(14 * u, 22 * u, width - 8 * u, 22 * u, "grid-line"));
    }

    // Channels.

    private static double thickness(double level, double u) {
        double above = Math.clamp((level + 60) / 48, 0, 1);
        return (1 + 2.8 * above) * u;
    }

    private void forward(MapEdge edge) {
        double x = right(edge.from);
        double y = top(edge.from) + m.east(edge.from, edge.fromPort);
        Path path = new Path(new MoveTo(x, y));
        List<Double> passing = layout.passing().getOrDefault(edge.ports(), List.of());
        int at = layers.indexOf(edge.from.layer());
        for (double height : passing) {
            int layer = layers.get(++at);
            double toY = TOP * u + height * stretch;
            curve(path, x, y, layerX.get(layer) - 4 * u, toY);
            x = layerX.get(layer) + layerWidth.get(layer) + 4 * u;
            y = toY;
            path.getElements().add(new HLineTo(x));
        }
        double endX = left(edge.to);
        double endY = top(edge.to) + m.west(edge.to, edge.toPort);
        curve(path, x, y, endX, endY);
        style(path, edge);
        channels.getChildren().add(path);
        lit.add(new Lit(path, edge.keys, Set.of(), false));
        if (!edge.open || !edge.openEverywhere) {
            bar(edge, endX - 7 * u, endY, edge.open);
        }
    }

    private static void curve(Path path, double x1, double y1, double x2, double y2) {
        double bend = (x2 - x1) * 0.5;
        path.getElements().add(new CubicCurveTo(x1 + bend, y1, x2 - bend, y2, x2, y2));
    }

    private void style(Path path, MapEdge edge) {
        path.getStyleClass().add("channel");
        if (!edge.open) {
            path.getStyleClass().add("dry");
            path.setStrokeWidth(1.2 * u);
        } else {
            path.setStrokeWidth(thickness(edge.level, u));
        }
        path.setMouseTransparent(false);
        Tooltip.install(
                path, new Tooltip(edge.from.title + " → " + edge.to.title + (edge.open ? "" : "\n" + edge.closed)));
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
            Tooltip.install(bar, new Tooltip(edge.closed));
            marks.getChildren().add(bar);
            lit.add(new Lit(bar, edge.keys, Set.of(), false));
        }
    }

    /** A channel that goes back is led down, beneath everything, and up again before where it enters. */
    private void back(MapEdge edge, int lane) {
        double x1 = right(edge.from);
        double y1 = top(edge.from) + m.east(edge.from, edge.fromPort);
        double x2 = left(edge.to);
        double y2 = top(edge.to) + m.west(edge.to, edge.toPort);
        double under = TOP * u + layout.height() * stretch + (FIRST_LANE + LANE * lane) * u;
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
        boolean loop = !edge.loop.isEmpty();
        if (edge.air) {
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
        channels.getChildren().addAll(path, arrow);
        lit.add(new Lit(path, edge.keys, Set.of(), false));
        lit.add(new Lit(arrow, edge.keys, Set.of(), false));
        if (!edge.open) {
            bar(edge, x2 - 3 * u, y2, false);
            arrow.setVisible(false);
        }
        if (loop || edge.air) {
            String said = loop ? edge.loop : "through the air";
            Font font = m.small();
            double w = Type.width(said, font);
            double cx = (down + up) / 2;
            Rectangle plaque = new Rectangle(cx - w / 2 - 8 * u, under - 9 * u, w + 16 * u, 18 * u);
            plaque.setArcWidth(5 * u);
            plaque.setArcHeight(5 * u);
            plaque.getStyleClass().addAll("plaque", loop ? "loop" : "plain");
            Text text = Nodes.text(said, font, cx - w / 2, under + 4 * u, loop ? "bad" : "caption");
            marks.getChildren().addAll(plaque, text);
        }
    }

    // Nodes.

    private void node(MapNode node) {
        if (node.isGrid()) {
            grid(node);
        } else if (node.stage == MapNode.Stage.OUTLETS) {
            outlet(node);
        } else {
            line(node);
        }
    }

    private void line(MapNode node) {
        double x = left(node);
        double w = layerWidth.get(node.layer());
        double y = top(node) + m.west(node, 0);
        Node bank = Nodes.line(x, y, x + w, y, "bank");
        double textX = x;
        if (node.stage == MapNode.Stage.SOURCES) {
            SVGPath glyph = Glyph.of(node.sourceClass, u * 0.95);
            glyph.setTranslateX(x + 6 * u);
            glyph.setTranslateY(y - 9 * u);
            add(banks, glyph, node);
            textX += 18 * u;
        }
        double tagWidth = node.tag.isEmpty() ? 0 : Type.width(node.tag, m.tag()) + 6 * u;
        Text title = Nodes.text(Type.fit(node.title, m.name(), x + w - textX - tagWidth), m.name(), textX, y - 5 * u);
        add(banks, bank, node);
        add(banks, title, node);
        if (!node.tag.isEmpty()) {
            Text tag = Nodes.text(
                    node.tag, m.tag(), x + w - tagWidth + 6 * u, y - 5 * u, node.tagIsBad ? "bad" : "caption");
            add(banks, tag, node);
        }
        if (!node.under.isEmpty()) {
            add(banks, Nodes.text(Type.fit(node.under, m.small(), w), m.small(), x, y + 12 * u, "caption"), node);
        }
        hit(
                node,
                x - 2 * u,
                y - 19 * u,
                w + 4 * u,
                node.under.isEmpty() ? 24 * u : 34 * u,
                node.title,
                selection(node));
    }

    private static Selection selection(MapNode node) {
        return switch (node.stage) {
            case SOURCES -> new Selection.OfSource(node.id);
            case OUTLETS -> new Selection.OfOutlet(node.id);
            case PROGRAMS, DEVICES, MIXERS, PRODUCTIONS ->
                new Selection.OfElement(node.points.iterator().next().replaceAll("#.*", ""));
        };
    }

    private void outlet(MapNode node) {
        double x = left(node);
        double w = layerWidth.get(node.layer());
        double y = top(node) + m.west(node, 0);
        Path hook = new Path(
                new MoveTo(x, y - 8 * u),
                new LineTo(x, y + 2 * u),
                new QuadCurveTo(x, y + 7 * u, x + 6 * u, y + 7 * u));
        hook.getStyleClass().add("basin-hook");
        Text name = Nodes.text(Type.fit(node.title, m.water(), w - 12 * u), m.water(), x + 12 * u, y + 3 * u, "water");
        if (node.bad) {
            hook.getStyleClass().add("bad");
            name.getStyleClass().add("bad");
        }
        add(banks, hook, node);
        add(banks, name, node);
        if (!node.under.isEmpty()) {
            add(
                    banks,
                    Nodes.text(
                            Type.fit(node.under, m.small(), w - 12 * u), m.small(), x + 12 * u, y + 15 * u, "caption"),
                    node);
        }
        hit(node, x - 2 * u, y - 13 * u, w + 4 * u, 30 * u, node.title, selection(node));
    }

    /** Clears the sheet behind a label, as maps do, so that no line shows through it. */
    private void clear(Text text) {
        var bounds = text.getLayoutBounds();
        Rectangle patch = new Rectangle(
                bounds.getMinX() - 1, bounds.getMinY() + 2 * u, bounds.getWidth() + 2, bounds.getHeight() - 4 * u);
        patch.getStyleClass().add("patch");
        patches.getChildren().add(patch);
    }

    private void add(Group group, Node drawn, MapNode node) {
        if (drawn instanceof Text text) {
            clear(text);
        }
        group.getChildren().add(drawn);
        lit.add(new Lit(drawn, Set.of(), node.points, false));
    }

    private void hit(MapNode node, double x, double y, double w, double h, String name, Selection selection) {
        Rectangle hit = new Rectangle(x, y, w, h);
        hit.getStyleClass().add("hit");
        hit.setId("map-" + node.id + (name.equals(node.title) ? "" : "-" + name));
        hit.setFocusTraversable(true);
        hit.setAccessibleRole(AccessibleRole.BUTTON);
        hit.setAccessibleText(name);
        hit.setOnMouseClicked(e -> {
            if (e.isStillSincePress()) {
                select.accept(selection);
                e.consume();
            }
        });
        hit.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                select.accept(selection);
                e.consume();
            }
        });
        hit.hoverProperty().addListener((o, was, is) -> preview.accept(is ? selection : Selection.NOTHING));
        marks.getChildren().add(hit);
    }

    private void grid(MapNode node) {
        double x = left(node);
        double t = top(node);
        double w = layerWidth.get(node.layer());
        add(banks, Nodes.text(Type.fit(node.title, m.strong(), w), m.strong(), x, t + 14 * u), node);
        banks.getChildren().add(Nodes.line(x, t + 20 * u, x + w, t + 20 * u, "grid-line"));
        Set<Integer> openColumns = new HashSet<>();
        Map<Integer, Integer> topRow = new HashMap<>();
        for (MapNode.Crossing c : node.crossings) {
            if (c.open()) {
                openColumns.add(c.column());
            }
            topRow.merge(c.column(), c.row(), Math::min);
        }
        int last = node.columns.size() - 1;
        for (int c = 0; c < node.columns.size(); c++) {
            MapNode.Lane lane = node.columns.get(c);
            double cx = x + m.column(node, c);
            double exit = t + m.east(node, c);
            double from = t + m.west(node, topRow.getOrDefault(c, 0));
            Path column = new Path(
                    new MoveTo(cx, from),
                    new LineTo(cx, exit - 6 * u),
                    new QuadCurveTo(cx, exit, cx + 6 * u, exit),
                    new HLineTo(x + w));
            column.getStyleClass().add(openColumns.contains(c) ? "channel" : "grid-line");
            column.setStrokeWidth((openColumns.contains(c) ? 1.4 : 1) * u);
            banks.getChildren().add(column);
            if (openColumns.contains(c)) {
                lit.add(new Lit(column, Set.of(), Set.of(), false));
            }
            double room = m.column(node, c) - 6 * u;
            String label = Type.fit(lane.label(), m.row(), room);
            Text text = Nodes.text(label, m.row(), cx - 7 * u - Type.width(label, m.row()), exit + 4 * u, "soft");
            clear(text);
            banks.getChildren().add(text);
            lit.add(new Lit(text, Set.of(), Set.of(lane.point()), false));
        }
        for (int r = 0; r < node.rows.size(); r++) {
            MapNode.Lane lane = node.rows.get(r);
            double y = t + m.west(node, r);
            String label = Type.fit(lane.label(), m.row(), m.labelWidth(node));
            double end = x + 4 * u + Type.width(label, m.row());
            Node line = Nodes.line(end + 4 * u, y, x + m.column(node, last), y, "grid-line");
            banks.getChildren().add(line);
            Text text = Nodes.text(label, m.row(), x + 4 * u, y + 4 * u, "soft");
            clear(text);
            banks.getChildren().add(text);
            lit.add(new Lit(text, Set.of(), Set.of(lane.point()), false));
            if (node.crossings.stream().noneMatch(c -> node.rows.get(c.row()) == lane)) {
                text.getStyleClass().setAll("drawn", "absent");
            }
            hit(
                    node,
                    x,
                    y - 9 * u,
                    m.column(node, 0) - 8 * u,
                    18 * u,
                    lane.label(),
                    new Selection.OfElement(lane.element()));
        }
        for (MapNode.Crossing c : node.crossings) {
            crossing(node, c, x, t, w);
        }
    }

    private void crossing(MapNode node, MapNode.Crossing c, double x, double t, double w) {
        double cx = x + m.column(node, c.column());
        double cy = t + m.west(node, c.row());
        double exit = t + m.east(node, c.column());
        double start =
                x + 8 * u + Type.width(Type.fit(node.rows.get(c.row()).label(), m.row(), m.labelWidth(node)), m.row());
        Path through = new Path(
                new MoveTo(start, cy),
                new LineTo(cx - 4 * u, cy),
                new QuadCurveTo(cx, cy, cx, cy + 4 * u),
                new LineTo(cx, exit - 6 * u),
                new QuadCurveTo(cx, exit, cx + 6 * u, exit),
                new HLineTo(x + w));
        through.getStyleClass().add("channel");
        through.setStrokeWidth(2.6 * u);
        if (!c.open()) {
            through.getStyleClass().add("dry");
            through.setStrokeWidth(1.4 * u);
        }
        through.setVisible(false);
        through.setMouseTransparent(true);
        marks.getChildren().add(through);
        lit.add(new Lit(through, Set.of(c.key()), Set.of(), true));
        Circle dot = new Circle(cx, cy, (c.open() ? 3.3 : c.wanted() ? 3 : 1.6) * u);
        dot.getStyleClass().add("crossing");
        if (!c.open()) {
            dot.getStyleClass().add("off");
        }
        dot.setMouseTransparent(true);
        marks.getChildren().add(dot);
        lit.add(new Lit(dot, Set.of(c.key()), Set.of(), false));
    }

    // Light.

    /** Lights what is shown and dims the rest; {@code wrong} is drawn as wrong. */
    void light(Shown shown, Set<SegmentKey> wrong) {
        boolean any = !shown.isEmpty();
        for (Lit each : lit) {
            boolean on = false;
            boolean bad = false;
            for (SegmentKey key : each.keys) {
                on |= shown.segments().contains(key);
                bad |= wrong.contains(key);
            }
            for (String point : each.points) {
                on |= shown.points().contains(point);
            }
            Node node = each.node;
            if (each.onlyWhenLit) {
                node.setVisible(any && on);
            }
            Nodes.mark(node, "lit", any && on);
            Nodes.mark(node, "dimmed", any && !on);
            if (!each.keys.isEmpty()) {
                mark(node, bad && on);
            }
            if (any && on && node.getParent() == channels) {
                node.toFront();
            }
        }
    }

    private static void mark(Node node, boolean bad) {
        boolean has = node.getStyleClass().contains("bad");
        if (bad && !has) {
            node.getStyleClass().add("bad");
        } else if (!bad && has) {
            node.getStyleClass().remove("bad");
        }
    }
}
