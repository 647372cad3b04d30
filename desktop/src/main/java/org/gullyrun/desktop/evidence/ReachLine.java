package org.gullyrun.desktop.evidence;

import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import org.gullyrun.core.audit.Reach;
import org.gullyrun.core.rig.Address;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/**
 * One line that says which listeners an element reaches, or the setting that has the pointer or the focus. It is worked out
 * off the interface thread: on a large rig that takes longer than a frame.
 */
final class ReachLine {
    /** Keeps the line's room until the answer is there. */
    private static final String NOTHING_YET = " ";

    private final Store store;
    private final Label line = Nodes.label(NOTHING_YET, "soft");
    private String whole = NOTHING_YET;
    /** The setting that is pointed at; null if none is. */
    private @Nullable Address at;

    /** The line of an element; at first it says what the whole element reaches. */
    ReachLine(Store store, String element) {
        this.store = store;
        line.setId("reach");
        ask(new Address(element, ""), sentence -> {
            whole = sentence;
            if (at == null) {
                line.setText(whole);
            }
        });
    }

    /** The line itself. */
    Label line() {
        return line;
    }

    /** Has the line speak of a setting while its row has the pointer, or anything in it the focus. */
    void watch(Node row, Address setting, String name) {
        row.hoverProperty().addListener((x, was, is) -> show(is, setting, name));
        row.focusWithinProperty().addListener((x, was, is) -> show(is, setting, name));
    }

    /** Shows what one setting reaches while it is pointed at, else what the whole element does. */
    private void show(boolean is, Address setting, String name) {
        at = is ? setting : null;
        if (!is) {
            line.setText(whole);
            return;
        }
        ask(setting, sentence -> {
            if (setting.equals(at)) { // the pointer may have moved on meanwhile
                line.setText(name + ": " + decapitalised(sentence));
            }
        });
    }

    private void ask(Address about, Consumer<String> then) {
        store.ask(reading -> Reach.of(reading, about).sentence() + ".", then);
    }

    private static String decapitalised(String sentence) {
        return Character.toLowerCase(sentence.charAt(0)) + sentence.substring(1);
    }
}
