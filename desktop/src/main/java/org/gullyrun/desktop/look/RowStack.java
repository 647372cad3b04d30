package org.gullyrun.desktop.look;

import java.util.Map;
import java.util.WeakHashMap;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;

/**
 * Rows one below the other, each as wide as the stack and as high as it needs. Unlike a {@link VBox}, whose margins it
 * understands, it asks only those rows for their height that changed: where rows wrap, a VBox asks all of them, over and
 * over.
 */
class RowStack extends Pane {
    private record Known(double width, double height) {}

    private final double spacing;
    /** Rows that nobody else holds go from here, too. */
    private final Map<Node, Known> heights = new WeakHashMap<>();

    /** An empty stack with so many px between its rows. */
    RowStack(double spacing) {
        this.spacing = spacing;
    }

    double spacing() {
        return spacing;
    }

    private double height(Node row, double width) {
        Known known = heights.get(row);
        if (known == null || known.width != width || row instanceof Parent parent && parent.isNeedsLayout()) {
            double wide = row.getContentBias() == Orientation.HORIZONTAL ? wide(row, width) : -1;
            known = new Known(width, snapSizeY(Math.max(row.minHeight(wide), row.prefHeight(wide))));
            heights.put(row, known);
        }
        return known.height;
    }

    /** How wide a row becomes in so much room. */
    private double wide(Node row, double room) {
        return snapSizeX(Math.max(row.minWidth(-1), Math.min(room, row.maxWidth(-1))));
    }

    private static Insets margin(Node row) {
        Insets margin = VBox.getMargin(row);
        return margin == null ? Insets.EMPTY : margin;
    }

    private double within(double width) {
        return width - snappedLeftInset() - snappedRightInset();
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computeMinWidth(double height) {
        return 0;
    }

    @Override
    protected double computePrefWidth(double height) {
        double widest = 0;
        for (Node row : getManagedChildren()) {
            widest = Math.max(
                    widest,
                    margin(row).getLeft() + row.prefWidth(-1) + margin(row).getRight());
        }
        return snappedLeftInset() + widest + snappedRightInset();
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computePrefHeight(double width) {
        double room = within(width < 0 ? computePrefWidth(-1) : width);
        double all = snappedTopInset() + snappedBottomInset();
        boolean first = true;
        for (Node row : getManagedChildren()) {
            Insets margin = margin(row);
            double inner = room - margin.getLeft() - margin.getRight();
            all += (first ? 0 : spacing) + margin.getTop() + height(row, inner) + margin.getBottom();
            first = false;
        }
        return all;
    }

    @Override
    protected void layoutChildren() {
        double room = within(getWidth());
        double y = snappedTopInset();
        for (Node row : getManagedChildren()) {
            Insets margin = margin(row);
            double inner = room - margin.getLeft() - margin.getRight();
            double height = height(row, inner);
            y += margin.getTop();
            layoutInArea(row, snappedLeftInset() + margin.getLeft(), y, inner, height, 0, HPos.LEFT, VPos.TOP);
            y += height + margin.getBottom() + spacing;
        }
    }
}
