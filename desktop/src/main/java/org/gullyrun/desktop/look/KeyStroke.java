package org.gullyrun.desktop.look;

import java.util.Locale;
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

    /** Types a letter into a node: pressed, typed and let go. */
    public static void type(Node node, char letter) {
        KeyCode known = letter == ' '
                ? KeyCode.SPACE
                : KeyCode.getKeyCode(String.valueOf(letter).toUpperCase(Locale.ROOT));
        KeyCode code = known == null ? KeyCode.UNDEFINED : known;
        Scene scene = node.getScene();
        Event.fireEvent(node, new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
        Event.fireEvent(
                node,
                new KeyEvent(
                        KeyEvent.KEY_TYPED, String.valueOf(letter), "", KeyCode.UNDEFINED, false, false, false, false));
        if (scene != null) {
            Event.fireEvent(scene, new KeyEvent(KeyEvent.KEY_RELEASED, "", "", code, false, false, false, false));
        }
    }
}
