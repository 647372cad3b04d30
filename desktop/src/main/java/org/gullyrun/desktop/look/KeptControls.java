package org.gullyrun.desktop.look;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.SVGPath;

/**
 * Shows other content in the controls that are there. A control that is made anew has to find its style and make its parts
 * once more, which costs more than all else in an answer.
 */
public final class KeptControls {
    private KeptControls() {}

    /**
     * Shows other nodes in place of those that are there. One that is there already stays, and so does what looks the same
     * but for its words: labels, signs, boxes, hairlines, and rows to click unless the pointer or the focus is on them. What else
     * has a name or is clicked is never taken for another.
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

    /** Whether a control that is there can take over what another one shows; if so, it shows it. */
    static boolean takesOver(Node known, Node other) {
        if (known == other) {
            return true;
        }
        if (known instanceof SVGPath sign && other instanceof SVGPath is && looksAlike(sign, is)) {
            sign.setContent(is.getContent());
            return true;
        }
        if (known.getClass() != other.getClass()
                || !(known instanceof Region one && other instanceof Region two && looksAlike(one, two))) {
            return false;
        }
        if (one instanceof ClickRow row && two instanceof ClickRow is) {
            return row.takesOver(is) && exchanged(row, is);
        }
        if (isNamedOrClicked(one) || isNamedOrClicked(two)) {
            return false;
        }
        if (one.getClass() == Label.class) {
            return takesOver((Label) one, (Label) two);
        }
        if (one.getClass() == VBox.class) {
            VBox box = (VBox) one;
            VBox is = (VBox) two;
            return box.getSpacing() == is.getSpacing() && box.getAlignment() == is.getAlignment() && exchanged(box, is);
        }
        if (one.getClass() == HBox.class) {
            HBox box = (HBox) one;
            HBox is = (HBox) two;
            return box.getSpacing() == is.getSpacing() && box.getAlignment() == is.getAlignment() && exchanged(box, is);
        }
        return one.getClass() == Region.class;
    }

    private static boolean takesOver(Label label, Label is) {
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

    /** Takes over the children of another pane; always true, so that it can end a comparison. */
    private static boolean exchanged(Pane known, Pane other) {
        exchange(known.getChildren(), List.copyOf(other.getChildren()));
        return true;
    }

    /** Whether two nodes have the same styles. */
    private static boolean looksAlike(Node one, Node other) {
        return one.getStyleClass().equals(other.getStyleClass())
                && marks(one).equals(marks(other))
                && held(one).equals(held(other));
    }

    /** Whether two signs have the same styles and size. */
    private static boolean looksAlike(SVGPath one, SVGPath other) {
        return looksAlike((Node) one, other)
                && one.getScaleX() == other.getScaleX()
                && one.getTranslateX() == other.getTranslateX()
                && one.getTranslateY() == other.getTranslateY();
    }

    /** Whether two regions have the same styles and bounds to their size. */
    private static boolean looksAlike(Region one, Region other) {
        return looksAlike((Node) one, other)
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

    /** Whether a node has a name or answers clicks or keys itself, so that it can't take another's place. */
    private static boolean isNamedOrClicked(Node node) {
        return node.getId() != null || node.getOnMouseClicked() != null || node.getOnKeyPressed() != null;
    }

    private static Map<Object, Object> held(Node node) {
        return node.hasProperties() ? node.getProperties() : Map.of();
    }
}
