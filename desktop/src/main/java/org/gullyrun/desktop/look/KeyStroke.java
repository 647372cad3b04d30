package org.gullyrun.desktop.look;

import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** A key as a keyboard sends it, pressed and let go: for measuring and pictures, without a keyboard. */
public final class KeyStroke {
    private KeyStroke() {}

    /** Strikes a key on a node. */
    public static void on(Node node, KeyCode code) {
        on(node, code, false, false);
    }

    /** Strikes a key on a node, with Shift or Ctrl held. */
    public static void on(Node node, KeyCode code, boolean shift, boolean control) {
        Scene scene = node.getScene(); // letting go counts even if the key has taken the node away
        Event.fireEvent(node, new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, shift, control, false, false));
        if (scene != null) {
            Event.fireEvent(scene, new KeyEvent(KeyEvent.KEY_RELEASED, "", "", code, shift, control, false, false));
        }
    }
}
