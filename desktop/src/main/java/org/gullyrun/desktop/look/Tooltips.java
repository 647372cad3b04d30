package org.gullyrun.desktop.look;

import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;

/**
 * What is said of something when the pointer rests on it. JavaFX makes a window of its own for each tooltip as soon as
 * the tooltip is made; here that waits until the pointer comes, for most things are never pointed at.
 */
public final class Tooltips {
    /** The key under which a node holds what is said of it. */
    private static final Object SAID = Tooltips.class;

    private Tooltips() {}

    /** Says a text when the pointer rests on a node, in place of what was said before. */
    public static void say(Node node, String text) {
        if (node.getProperties().put(SAID, text) == null) {
            // Before the tooltip's own handlers, which count from the first move on.
            node.addEventHandler(MouseEvent.MOUSE_ENTERED, e -> show(node));
        }
        if (node.isHover()) {
            show(node); // the pointer is there already, as in a field in which something wrong was just typed
        }
    }

    /** Whether anything is said of a node. */
    static boolean isSaid(Node node) {
        return node.getProperties().get(SAID) instanceof String text && !text.isEmpty();
    }

    /** Says nothing of a node any more. */
    static void hush(Node node) {
        node.getProperties().put(SAID, "");
        if (node.getProperties().remove(Tooltip.class) instanceof Tooltip known) {
            Tooltip.uninstall(node, known);
        }
    }

    /** Installs the tooltip of a node when it is first needed: each costs a window of its own. */
    private static void show(Node node) {
        String text = (String) node.getProperties().get(SAID);
        if (text == null || text.isEmpty()) {
            return;
        }
        if (node.getProperties().get(Tooltip.class) instanceof Tooltip known) {
            known.setText(text);
        } else {
            Tooltip made = new Tooltip(text);
            node.getProperties().put(Tooltip.class, made);
            Tooltip.install(node, made);
        }
    }
}
