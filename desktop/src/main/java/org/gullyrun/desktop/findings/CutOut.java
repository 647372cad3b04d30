package org.gullyrun.desktop.findings;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.QuadCurveTo;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.flow.graph.PointWords;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.WrongSegments;

/** The routes of a finding cut out of the map: points from left to right, each route its own channel, what is shared once. */
final class CutOut extends Region {
    private static final int MOST_WAYS = 3;
    private static final double TOP = 34;
    private static final double LANE = 46;
    private static final double MARGIN = 14;
    /** Between the end of a bank and the beginning of the next: the least that a channel can be seen in. */
    private static final double GAP = 18;
    /** Names are not cut shorter than to this width, nor given more than the other. */
    private static final double SHORTEST_NAME = 38;

    private static final double LONGEST_NAME = 150;

    private record Stop(int point, int column, int lane) {}

    private final State state;
    private final FlowGraph graph;
    private final double u;
    private final List<Evidence.Trace> routes;
    private final Map<Integer, Stop> stops = new LinkedHashMap<>();
    private final Set<SegmentKey> wrong;
    private int columns;
    private double drawnWidth;
    private double[] left = {};
    private double[] banks = {};

    CutOut(State state) {
        this.state = state;
        this.graph = state.graph();
        this.u = state.textScale();
        this.routes = state.shown()
                .routes()
                .subList(0, Math.min(MOST_WAYS, state.shown().routes().size()));
        this.wrong = WrongSegments.wrong(state);
        getStyleClass().add("cutout");
        setId("cutout");
        place();
        boolean circle = routes.stream().anyMatch(w -> w.form() == Evidence.Form.CIRCLE);
        int lanes = 1 + stops.values().stream().mapToInt(Stop::lane).max().orElse(0);
        double height = (TOP + LANE * (lanes - 1) + (circle ? 44 : 26)) * u;
        setMinHeight(height);
        setPrefHeight(height);
        setMinWidth((2 * MARGIN + columns * (SHORTEST_NAME + GAP)) * u);
    }

    /** In a pane that scrolls to the side where the points need more than its width. */
    static ScrollPane scrolled(State state) {
        CutOut cutOut = new CutOut(state);
        ScrollPane pane = new ScrollPane(cutOut);
        pane.getStyleClass().add("plain-scroll");
        pane.setFitToWidth(true);
        pane.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        pane.setFocusTraversable(false);
        Nodes.uncached(pane);
        return pane;
    }

    @Override
    protected void layoutChildren() {
        if (getWidth() != drawnWidth && getWidth() > 0) {
            drawnWidth = getWidth();
            draw();
        }
    }

    /** Columns by the longest route to a point, lanes by the first route that passes it. */
    private void place() {
        for (int w = 0; w < routes.size(); w++) {
            List<Integer> points = points(routes.get(w));
            for (int i = 0; i < points.size(); i++) {
                int point = points.get(i);
                Stop known = stops.get(point);
                int before = i == 0 ? -1 : at(points.get(i - 1)).column;
                int column = Math.max(before + 1, known == null ? 0 : known.column);
                stops.put(point, new Stop(point, column, known == null ? w : known.lane));
                columns = Math.max(columns, column + 1);
            }
        }
        for (int round = 0; round < 20; round++) {
            for (Evidence.Trace route : routes) {
                List<Integer> points = points(route);
                for (int i = 1; i < points.size(); i++) {
                    Stop a = at(points.get(i - 1));
                    Stop b = at(points.get(i));
                    if (b.column <= a.column && route.form() != Evidence.Form.CIRCLE && a.column < 24) {
                        stops.put(b.point, new Stop(b.point, a.column + 1, b.lane));
                        columns = Math.max(columns, a.column + 2);
                    }
                }
            }
        }
    }

    /** The points of a route; the closing point of a circle once. */
    private List<Integer> points(Evidence.Trace route) {
        List<Integer> points = new ArrayList<>();
        for (int s : route.in(graph)) {
            if (points.isEmpty()) {
                points.add(graph.from(s));
            }
            if (!points.contains(graph.to(s))) {
                points.add(graph.to(s));
            }
        }
        return points;
    }

    /** The left edge of a stop in pixels. */
    private double x(Stop stop) {
        return left[stop.column];
    }

    /** The right edge of a stop in pixels. */
    private double bank(Stop stop) {
        return banks[stop.column];
    }

    /** Shares the width out: each column what its names need, cut alike where that is too much, spread where it is too little. */
    private void share() {
        double[] wanted = new double[columns];
        Arrays.fill(wanted, SHORTEST_NAME * u / 2);
        for (Stop stop : stops.values()) {
            double name = Math.max(
                    Type.width(name(stop), nameFont(stop)),
                    Type.width(PointWords.program(graph, stop.point), programFont()));
            wanted[stop.column] = Math.max(wanted[stop.column], Math.min(name, LONGEST_NAME * u));
        }
        double room = getWidth() - (2 * MARGIN + columns * GAP) * u;
        double most = LONGEST_NAME * u;
        while (most > SHORTEST_NAME * u && total(wanted, most) > room) {
            most -= u;
        }
        double spare = Math.max(0, room - total(wanted, most)) / Math.max(1, columns);
        left = new double[columns];
        banks = new double[columns];
        double x = MARGIN * u;
        for (int c = 0; c < columns; c++) {
            left[c] = x;
            banks[c] = Math.min(wanted[c], most) + spare / 2;
            x += banks[c] + GAP * u + spare / 2;
        }
    }

    /** The width of all columns if none may be wider than so much. */
    private static double total(double[] wanted, double most) {
        return Arrays.stream(wanted).map(w -> Math.min(w, most)).sum();
    }

    private String name(Stop stop) {
        return PointWords.within(graph, stop.point).replaceFirst("^(input|strip|bus) ", "");
    }

    private Font nameFont(Stop stop) {
        return graph.kind(stop.point) == PointKind.OUTLET ? Type.water(13 * u) : Type.sans(11.5 * u);
    }

    private Font programFont() {
        return Type.sans(10 * u);
    }

    /** The middle of a stop's lane in pixels. */
    private double y(Stop stop) {
        return (TOP + LANE * stop.lane) * u;
    }

    /** Draws channels first, so that names lie above them. */
    private void draw() {
        getChildren().clear();
        share();
        for (int w = routes.size() - 1; w >= 0; w--) {
            for (int s : routes.get(w).in(graph)) {
                channel(s);
            }
        }
        stops.values().forEach(this::stop);
    }

    private Stop at(int point) {
        return Objects.requireNonNull(stops.get(point));
    }

    /** A channel from one stop to the next. */
    private void channel(int s) {
        Stop a = at(graph.from(s));
        Stop b = at(graph.to(s));
        double x1 = x(a) + bank(a);
        double x2 = x(b);
        Path path;
        if (b.column <= a.column) {
            double under = getHeight() - 12 * u;
            path = new Path(
                    new MoveTo(x1, y(a)),
                    new QuadCurveTo(x1 + 12 * u, y(a), x1 + 12 * u, y(a) + 10 * u),
                    new LineTo(x1 + 12 * u, under - 8 * u),
                    new QuadCurveTo(x1 + 12 * u, under, x1, under),
                    new LineTo(x2 - 4 * u, under),
                    new QuadCurveTo(x2 - 11 * u, under, x2 - 11 * u, under - 8 * u),
                    new LineTo(x2 - 11 * u, y(b) + 8 * u),
                    new QuadCurveTo(x2 - 11 * u, y(b), x2 - 2 * u, y(b)));
            Polygon arrow = new Polygon(x2 - 7 * u, y(b) - 4 * u, x2, y(b), x2 - 7 * u, y(b) + 4 * u);
            arrow.getStyleClass().addAll("arrow", "loop");
            getChildren().add(arrow);
        } else {
            double bend = (x2 - x1) * 0.5;
            path = new Path(new MoveTo(x1, y(a)), new CubicCurveTo(x1 + bend, y(a), x2 - bend, y(b), x2, y(b)));
        }
        path.getStyleClass().add("channel");
        Nodes.mark(path, "lit", true);
        path.setStrokeWidth(3 * u);
        boolean bad = wrong.contains(graph.key(s));
        if (bad) {
            path.getStyleClass().add("bad");
        }
        getChildren().add(path);
        if (!graph.isOpen(s)) {
            path.getStyleClass().add("dry");
            path.setStrokeWidth(1.6 * u);
            Rectangle bar = new Rectangle((x1 + x2) / 2 - 1.5 * u, (y(a) + y(b)) / 2 - 8 * u, 3 * u, 16 * u);
            bar.getStyleClass().add("gate-bar");
            Nodes.mark(bar, "lit", true);
            getChildren().add(bar);
        }
        if (graph.latency(s) >= 0.05 && b.column > a.column) {
            String ms = String.format(Locale.ROOT, graph.latency(s) >= 10 ? "%.0f ms" : "%.1f ms", graph.latency(s));
            Font font = Type.figures(9.5 * u);
            // Under the bank it leads to: there no channel runs.
            getChildren().add(Nodes.text(ms, font, x2 + 1, y(b) + 13 * u, "caption"));
        }
    }

    /** A stop with its name. */
    private void stop(Stop stop) {
        double x = x(stop);
        double y = y(stop);
        boolean outlet = graph.kind(stop.point) == PointKind.OUTLET;
        String program = PointWords.program(graph, stop.point);
        double room = bank(stop) + GAP / 2 * u;
        Text name = Nodes.text(
                Type.fit(name(stop), nameFont(stop), room), nameFont(stop), x, y - 6 * u, outlet ? "water" : "plain");
        if (!name.getText().equals(name(stop))) {
            Tooltips.say(name, name(stop));
        }
        if (outlet && state.shown().bad()) {
            name.getStyleClass().add("bad");
        }
        getChildren().addAll(Nodes.line(x, y, x + bank(stop), y, "bank"), name);
        if (!program.isEmpty()) {
            getChildren()
                    .add(Nodes.text(Type.fit(program, programFont(), room), programFont(), x, y - 20 * u, "caption"));
        }
    }
}
