package org.gullyrun.desktop.look;

import javafx.css.PseudoClass;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.text.Font;
import javafx.scene.text.Text;

/** Small makers of nodes with style classes. */
public final class Nodes {
    private Nodes() {}

    /** A label that wraps. */
    public static Label label(String text, String... classes) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.getStyleClass().addAll(classes);
        return label;
    }

    /** A drawn text whose baseline begins at a place. */
    public static Text text(String text, Font font, double x, double baseline, String... classes) {
        Text node = new Text(text);
        node.setFont(font);
        node.setTextOrigin(VPos.BASELINE);
        node.setX(x);
        node.setY(baseline);
        node.getStyleClass().add("drawn");
        node.getStyleClass().addAll(classes);
        return node;
    }

    /** A drawn line. */
    public static Line line(double x1, double y1, double x2, double y2, String... classes) {
        Line line = new Line(x1, y1, x2, y2);
        line.getStyleClass().addAll(classes);
        return line;
    }

    /** A hairline across, with air above and below. */
    public static Node rule() {
        Region rule = new Region();
        rule.getStyleClass().add("rule");
        rule.setMinHeight(13);
        return rule;
    }

    /**
     * Paints what a pane shows where it changes only. JavaFX keeps a picture of all that a scroll pane shows, and makes
     * the whole of it anew whenever anything in it changes.
     */
    public static void uncached(ScrollPane pane) {
        pane.skinProperty().addListener(x -> {
            Node viewport = pane.lookup(".viewport");
            if (viewport != null) {
                viewport.setCache(false);
            }
        });
    }

    /** Something that takes the room that is left over. */
    public static Region spacer() {
        Region spacer = new Region();
        HBox.setHgrow(spacer, Priority.ALWAYS);
        return spacer;
    }

    /** Sets or clears a pseudo-class, as {@code :lit}. */
    public static void mark(Node node, String pseudo, boolean on) {
        node.pseudoClassStateChanged(PseudoClass.getPseudoClass(pseudo), on);
    }
}
