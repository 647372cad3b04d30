package org.gullyrun.desktop.look;

import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import org.jspecify.annotations.Nullable;

/** A row that does something when clicked, or with Enter or Space; its words wrap, which a button's do not. */
public final class ClickRow extends HBox {
    private Runnable action;
    /** What the row is about, where it has no name of its own. */
    private @Nullable Object subject;

    /** A row of a style class, with a name for those who hear the screen. */
    public ClickRow(String style, @Nullable String id, String spoken, Runnable action, Node... content) {
        super(9, content);
        this.action = action;
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().add(style);
        setId(id);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.BUTTON);
        setAccessibleText(spoken);
        setOnMouseClicked(e -> {
            requestFocus();
            this.action.run();
        });
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER && !e.isShortcutDown() || e.getCode() == KeyCode.SPACE) {
                this.action.run();
                e.consume();
            }
        });
    }

    /**
     * A row of a list that shows other rows with every selection. It has no name of its own: JavaFX looks for the styles of
     * a row and of all in it anew with every name.
     *
     * @param subject what it is about, by which the focus finds it again
     */
    public static ClickRow of(Object subject, String style, String spoken, Runnable action, Node... content) {
        ClickRow row = new ClickRow(style, null, spoken, action, content);
        row.subject = subject;
        return row;
    }

    /** Whether another node is a row about the same. */
    boolean isAbout(Node other) {
        return subject != null && other instanceof ClickRow row && subject.equals(row.subject);
    }

    /**
     * Stands for another row from now on: does what that does, under its name. While the pointer or the focus is on this one,
     * only if both are about the same: else it would seem to be on something that nobody has chosen.
     */
    boolean takesOver(ClickRow other) {
        if ((isHover() || Nodes.isFocusOwner(this)) && !isAbout(other)) {
            return false;
        }
        action = other.action;
        subject = other.subject;
        setId(other.getId());
        setAccessibleText(other.getAccessibleText());
        setOnMouseEntered(other.getOnMouseEntered());
        setOnMouseExited(other.getOnMouseExited());
        return true;
    }

    @Override
    public void executeAccessibleAction(javafx.scene.AccessibleAction what, Object... parameters) {
        if (what == javafx.scene.AccessibleAction.FIRE) {
            action.run();
        } else {
            super.executeAccessibleAction(what, parameters);
        }
    }
}
