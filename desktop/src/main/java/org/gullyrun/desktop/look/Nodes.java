package org.gullyrun.desktop.look;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import javafx.css.PseudoClass;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import org.jspecify.annotations.Nullable;

/** Small makers of nodes with style classes. */
public final class Nodes {
    /** Blanks where no line may end: between a number and its unit, and before a dot that parts two things. */
    private static final Pattern KEPT = Pattern.compile("(?<=\\d) (?=(?:ms|s|dB|dBFS|Hz|kHz)\\b)| (?=· )");

    private Nodes() {}

    /** A label that wraps, but never between a number and its unit, nor before a dot. */
    public static Label label(String text, String... classes) {
        Label label = new Label(KEPT.matcher(text).replaceAll("\u00a0"));
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.getStyleClass().addAll(classes);
        return label;
    }

    /** Shows the text of a button or menu as it is: an underscore in a name or a file's name is no mark of a key. */
    public static <T extends Labeled> T asWritten(T labelled) {
        labelled.setMnemonicParsing(false);
        return labelled;
    }

    /** An item of a menu that shows its text as it is. */
    public static MenuItem item(String text) {
        MenuItem item = new MenuItem(text);
        item.setMnemonicParsing(false);
        return item;
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

    /** Whether a node has the focus of its window, be that window in front or not. */
    static boolean isFocusOwner(Node node) {
        return node.getScene() != null && node.getScene().getFocusOwner() == node;
    }

    /** The first control within a node that can have the focus, in the order in which Tab meets them; null if none can. */
    public static @Nullable Node firstFocusable(Node node) {
        return focusable(node).stream().findFirst().orElse(null);
    }

    /** All controls within a node that can have the focus, in the order in which Tab meets them. */
    public static List<Node> focusable(Node node) {
        List<Node> found = new ArrayList<>();
        collect(node, found);
        return found;
    }

    /** Collects what the focus can rest on, in the order of the window. */
    private static void collect(Node node, List<Node> found) {
        if (!node.isVisible() || node.isDisabled()) {
            return;
        }
        if (node.isFocusTraversable() && !(node instanceof ScrollPane)) {
            found.add(node);
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> collect(child, found));
        }
    }

    /** The style class of what is laid over the window, asks, and gives the focus back. */
    public static final String DIALOG = "veil";

    /** Whether a node lies in a dialog. */
    public static boolean isInDialog(@Nullable Node node) {
        Node at = node;
        while (at != null && !at.getStyleClass().contains(DIALOG)) {
            at = at.getParent();
        }
        return at != null;
    }

    /** Something that takes the room that is left over. */
    public static Region spacer() {
        Region spacer = new Region();
        HBox.setHgrow(spacer, Priority.ALWAYS);
        return spacer;
    }

    /** Gives or takes a style class; a node that has it so already is not touched. */
    public static void turn(Node node, String styleClass, boolean on) {
        List<String> classes = node.getStyleClass();
        if (on != classes.contains(styleClass)) {
            if (on) {
                classes.add(styleClass);
            } else {
                classes.remove(styleClass);
            }
        }
    }

    /** Sets or clears a pseudo-class, as {@code :lit}. */
    public static void mark(Node node, String pseudo, boolean on) {
        node.pseudoClassStateChanged(PseudoClass.getPseudoClass(pseudo), on);
    }
}
