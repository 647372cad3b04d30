package org.gullyrun.desktop.look;

import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * A field that holds one value. What is typed is entered with Enter, or as soon as one goes anywhere else; if it can't be
 * taken the field says why in words and keeps it. Escape brings the value back.
 */
public final class ValueField extends TextField {
    private String shown;
    private final Function<String, String> enter;
    private Consumer<String> refused = why -> {};

    /**
     * A field.
     *
     * @param shown the value as it is
     * @param enter takes what was typed and gives an empty text, or says why it can't
     */
    public ValueField(String id, String name, String shown, Function<String, String> enter) {
        super(shown);
        this.shown = shown;
        this.enter = enter;
        setId(id);
        setAccessibleText(name);
        getStyleClass().add("number-field");
        setOnAction(e -> take());
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE && !getText().equals(this.shown)) {
                setText(this.shown);
                selectAll();
                say("");
                e.consume();
            }
        });
        Caret.whenLeft(this, () -> {
            // Only a person leaves a field that is in the window; one that is taken out of it has been left by nobody.
            if (getScene() != null) {
                take();
            }
        });
    }

    /** Has somebody told why a text can't be taken, besides the field itself; with an empty text once it can. */
    public ValueField telling(Consumer<String> told) {
        refused = told;
        return this;
    }

    /** Sets how many letters it has room for. */
    public ValueField columns(int letters) {
        setPrefColumnCount(letters);
        return this;
    }

    /** Shows a value in place of the one before. */
    public void show(String value) {
        shown = value;
        if (!getText().equals(value)) {
            setText(value);
        }
    }

    /** Enters what was typed, and says what is wrong with it. */
    private void take() {
        say(getText().strip().equals(shown) ? "" : enter.apply(getText().strip()));
    }

    /** Says why what is typed can't be valid; an empty text takes that back. */
    private void say(String why) {
        Nodes.mark(this, "wrong", !why.isEmpty());
        setAccessibleHelp(why);
        if (!why.isEmpty() || getProperties().containsKey(Tooltips.class)) {
            Tooltips.say(this, why);
        }
        refused.accept(why);
    }

    /** Takes over what was being typed into the field that stood in its place before. */
    void takeOver(ValueField was) {
        if (!was.getText().equals(was.shown) && !was.getText().strip().equals(shown)) {
            setText(was.getText());
        }
    }
}
