package org.gullyrun.desktop.look;

import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;
import javafx.scene.input.MouseEvent;

/** Says the whole of a text that had to be cut when the pointer comes to it. */
public final class CutTexts {
    /** Marks what is said only because the text is cut. */
    private static final Object CUT = CutTexts.class;

    private CutTexts() {}

    /** Watches every label and button of a scene. */
    public static void watch(Scene scene) {
        scene.addEventFilter(MouseEvent.MOUSE_ENTERED_TARGET, e -> {
            if (e.getTarget() instanceof Node node) {
                labeled(node);
            }
        });
    }

    /** Gives a label that is cut off its whole text as a tooltip, and takes it back when it fits. */
    private static void labeled(Node node) {
        if (!(node instanceof Labeled label)) {
            return;
        }
        boolean own = Tooltips.isSaid(label) && !label.getProperties().containsKey(CUT);
        if (label.isTextTruncated() && !own) {
            label.getProperties().put(CUT, true);
            Tooltips.say(label, label.getText());
        } else if (!label.isTextTruncated() && label.getProperties().remove(CUT) != null) {
            Tooltips.hush(label);
        }
    }
}
