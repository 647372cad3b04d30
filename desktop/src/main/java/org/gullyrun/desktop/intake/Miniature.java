package org.gullyrun.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.layout.Pane;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointKind;
import org.jspecify.annotations.Nullable;

/** The map without words, so that one sees it grow: a dash for each point, a curve for each open segment. */
final class Miniature extends Pane {
    private static final int COLUMNS = 6;
    private static final double DASH = 12;

    private final Path dashes = new Path();
    private final Path curves = new Path();
    private @Nullable FlowGraph shown;

    Miniature() {
        dashes.getStyleClass().add("mini-dash");
        curves.getStyleClass().add("mini-curve");
        getChildren().addAll(curves, dashes);
        setMouseTransparent(true);
    }

    /** The column of a stage, from sources on the left to listeners on the right. */
    private static int column(PointKind kind) {
        return switch (kind) {
            case SOURCE -> 0;
            case APPLICATION_OUT -> 1;
            case PLAYBACK, RECORDING, DIRECT -> 2;
            case STRIP, BUS -> 3;
            case INPUT, COPY, CUE, TRACK, APPLICATION_IN -> 4;
            case OUTLET -> 5;
        };
    }

    /** Draws what is shown already into another width. */
    void widen(double width) {
        if (shown != null) {
            show(shown, width, getMinHeight());
        }
    }

    /** Draws a graph into a width and height. */
    void show(FlowGraph graph, double width, double height) {
        shown = graph;
        List<List<Integer>> columns = new ArrayList<>();
        for (int c = 0; c < COLUMNS; c++) {
            columns.add(new ArrayList<>());
        }
        for (int p = 0; p < graph.points(); p++) {
            columns.get(column(graph.kind(p))).add(p);
        }
        double[] x = new double[graph.points()];
        double[] y = new double[graph.points()];
        dashes.getElements().clear();
        curves.getElements().clear();
        for (int c = 0; c < COLUMNS; c++) {
            List<Integer> column = columns.get(c);
            for (int i = 0; i < column.size(); i++) {
                int p = column.get(i);
                x[p] = c * (width - DASH) / (COLUMNS - 1);
                y[p] = (i + 0.5) * height / column.size();
                dashes.getElements().addAll(new MoveTo(x[p], y[p]), new LineTo(x[p] + DASH, y[p]));
            }
        }
        for (int s = 0; s < graph.segments(); s++) {
            int from = graph.from(s);
            int to = graph.to(s);
            if (graph.isOpen(s) && x[to] > x[from]) {
                double bend = (x[to] - x[from] - DASH) / 2;
                curves.getElements()
                        .addAll(
                                new MoveTo(x[from] + DASH, y[from]),
                                new CubicCurveTo(x[from] + DASH + bend, y[from], x[to] - bend, y[to], x[to], y[to]));
            }
        }
        setMinSize(width, height);
        setMaxSize(width, height);
    }
}
