package org.gullyrun.desktop.look;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javafx.css.PseudoClass;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
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

    /**
     * Shows other nodes in place of those that are there. One that is there already stays, and so does what looks the same
     * but for its words (labels, boxes, hairlines): a control that is made anew has to find its style and make its parts
     * once more, which costs more than all else in an answer. What has a name or is clicked is never taken for another.
     */
    public static void exchange(List<Node> there, List<? extends Node> wanted) {
        Set<Node> asked = Collections.newSetFromMap(new IdentityHashMap<>());
        asked.addAll(wanted);
        List<Node> next = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            Node known = i < there.size() ? there.get(i) : null;
            Node node = wanted.get(i);
            next.add(known != null && !asked.contains(known) && takesOver(known, node) ? known : node);
        }
        asked.addAll(next);
        there.removeIf(node -> !asked.contains(node));
        for (int i = 0; i < next.size(); i++) {
            if (i == there.size() || there.get(i) != next.get(i)) {
                there.remove(next.get(i));
                there.add(i, next.get(i));
            }
        }
    }

    /** Whether a control that is there can take over what another one shows. */
    private static boolean takesOver(Node known, Node other) {
        if (known == other) {
            return true;
        }
        if (known.getClass() != other.getClass()
                || !(known instanceof Region one && other instanceof Region two && looksAlike(one, two))) {
            return false;
        }
        if (known.getClass() == Label.class) {
            Label label = (Label) known;
            Label is = (Label) other;
            boolean alike = label.isWrapText() == is.isWrapText()
                    && label.getAlignment() == is.getAlignment()
                    && label.getGraphic() == null
                    && is.getGraphic() == null;
            if (alike) {
                label.setText(is.getText());
                label.setAccessibleText(is.getAccessibleText());
            }
            return alike;
        }
        if (known.getClass() == VBox.class) {
            VBox box = (VBox) known;
            VBox is = (VBox) other;
            return box.getSpacing() == is.getSpacing() && box.getAlignment() == is.getAlignment() && exchanged(box, is);
        }
        if (known.getClass() == HBox.class) {
            HBox box = (HBox) known;
            HBox is = (HBox) other;
            return box.getSpacing() == is.getSpacing() && box.getAlignment() == is.getAlignment() && exchanged(box, is);
        }
        return known.getClass() == Region.class;
    }

    /** Takes over the children of another pane; always true, so that it can end a comparison. */
    private static boolean exchanged(Pane known, Pane other) {
        exchange(known.getChildren(), List.copyOf(other.getChildren()));
        return true;
    }

    /** Whether two regions have the same styles. */
    private static boolean looksAlike(Region one, Region other) {
        return one.getId() == null
                && other.getId() == null
                && !isClicked(one)
                && !isClicked(other)
                && one.getStyleClass().equals(other.getStyleClass())
                && marks(one).equals(marks(other))
                && held(one).equals(held(other))
                && one.getMinWidth() == other.getMinWidth()
                && one.getMinHeight() == other.getMinHeight()
                && one.getPrefWidth() == other.getPrefWidth()
                && one.getMaxWidth() == other.getMaxWidth();
    }

    /** What was marked, without what JavaFX itself tells of where a node stands and where the pointer is. */
    private static Set<String> marks(Node node) {
        return node.getPseudoClassStates().stream()
                .map(PseudoClass::getPseudoClassName)
                .filter(name -> !name.contains("-child") && !name.equals("hover"))
                .collect(Collectors.toSet());
    }

    /** Whether a node answers clicks or keys itself, so that it can't take another's place. */
    private static boolean isClicked(Node node) {
        return node.getOnMouseClicked() != null || node.getOnKeyPressed() != null;
    }

    private static Map<Object, Object> held(Node node) {
        return node.hasProperties() ? node.getProperties() : Map.of();
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
