package org.gullyrun.desktop.look;

import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.IndexRange;
import javafx.scene.control.TextInputControl;
import org.jspecify.annotations.Nullable;

/**
 * Where the cursor of a field was when the focus went elsewhere for a while. A field that gets the focus back marks all
 * its text, so that the next letter would replace what was being typed.
 */
public final class Caret {
    private final TextInputControl field;
    private @Nullable IndexRange marked;
    private int place;

    /** The cursor of a field. */
    public Caret(TextInputControl field) {
        this.field = field;
    }

    /**
     * Does something when the focus goes from a field to another part of the window: then what was typed is to be entered.
     * It is not when another window has the focus, as on a call, or a dialog that gives it back: the field stays as it is,
     * its cursor too.
     */
    public static void whenLeft(TextInputControl field, Runnable left) {
        Caret caret = new Caret(field);
        field.focusedProperty().addListener((o, was, is) -> {
            if (is) {
                caret.restore();
            } else if (isKept(field)) {
                caret.keep();
            } else {
                left.run();
            }
        });
    }

    /** Whether a field keeps its caret, because it or what belongs to it has the focus. */
    private static boolean isKept(TextInputControl field) {
        Node owner = field.getScene() == null ? null : field.getScene().getFocusOwner();
        return owner == field || Nodes.isInDialog(owner) && !Nodes.isInDialog(field);
    }

    /** Remembers where it is. */
    public void keep() {
        marked = field.getSelection();
        place = field.getCaretPosition();
    }

    /** Puts it back where it was kept, once the field has done what fields do when they get the focus. */
    public void restore() {
        IndexRange was = marked;
        int at = place;
        marked = null;
        if (was != null) {
            Platform.runLater(() -> {
                boolean backwards = at == was.getStart() && was.getLength() > 0;
                field.selectRange(backwards ? was.getEnd() : was.getStart(), backwards ? was.getStart() : was.getEnd());
            });
        }
    }
}
