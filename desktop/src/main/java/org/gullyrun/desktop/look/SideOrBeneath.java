package org.gullyrun.desktop.look;

import javafx.geometry.HPos;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/** Two parts side by side, the second at the right edge; where that leaves too little for the first, one beneath the other. */
public final class SideOrBeneath extends Pane {
    private static final double GAP = 14;
    private static final double LINE = 6;

    private final Node first;
    private final Node second;
    private final double least;

    /**
     * Lays two parts out.
     *
     * @param first what takes all the width that is left; it may wrap
     * @param second what keeps its width as long as there is room
     * @param least the width in pixels below which the first part has too little beside the second
     */
    public SideOrBeneath(Node first, Node second, double least) {
        super(first, second);
        this.first = first;
        this.second = second;
        this.least = least;
    }

    /** Whether the first part keeps enough room with the second beside it: what it needs in one line, or as much as it has to. */
    private boolean isBeside(double width) {
        return width - second.prefWidth(-1) - GAP >= Math.min(least, first.prefWidth(-1));
    }

    /** The width without insets. */
    private double inner(double width) {
        return Math.max(0, width - snappedLeftInset() - snappedRightInset());
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
        return snappedLeftInset() + first.prefWidth(-1) + GAP + second.prefWidth(-1) + snappedRightInset();
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computePrefHeight(double width) {
        double room = inner(width < 0 ? computePrefWidth(-1) : width);
        double insets = snappedTopInset() + snappedBottomInset();
        if (isBeside(room)) {
            double left = room - second.prefWidth(-1) - GAP;
            return insets + Math.max(first.prefHeight(left), second.prefHeight(second.prefWidth(-1)));
        }
        return insets + first.prefHeight(room) + LINE + second.prefHeight(Math.min(room, second.prefWidth(-1)));
    }

    @Override
    protected void layoutChildren() {
        double room = inner(getWidth());
        double x = snappedLeftInset();
        double y = snappedTopInset();
        double wide = Math.min(room, second.prefWidth(-1));
        if (isBeside(room)) {
            double left = room - wide - GAP;
            place(first, x, y, left, first.prefHeight(left));
            place(second, x + left + GAP, y, wide, second.prefHeight(wide));
        } else {
            double high = first.prefHeight(room);
            place(first, x, y, room, high);
            place(second, x, y + high + LINE, wide, second.prefHeight(wide));
        }
    }

    private void place(Node node, double x, double y, double width, double height) {
        layoutInArea(node, x, y, width, height, 0, HPos.LEFT, VPos.TOP);
    }
}
