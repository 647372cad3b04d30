package org.gullyrun.desktop.evidence;

import javafx.scene.Node;
import javafx.scene.control.Label;
import org.gullyrun.core.audit.Reach;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Address;
import org.gullyrun.desktop.look.Nodes;

/** One line that says which listeners an element reaches, or the setting that has the pointer or the focus. */
final class ReachLine {
    private final Reading reading;
    private final Label line;
    private final String whole;

    /** The line of an element; at first it says what the whole element reaches. */
    ReachLine(Reading reading, String element) {
        this.reading = reading;
        this.whole = Reach.of(reading, new Address(element, "")).sentence() + ".";
        this.line = Nodes.label(whole, "soft");
        line.setId("reach");
    }

    /** The line itself. */
    Label line() {
        return line;
    }

    /** Has the line speak of a setting while its row has the pointer, or anything in it the focus. */
    void watch(Node row, Address at, String name) {
        row.hoverProperty().addListener((x, was, is) -> show(is, at, name));
        row.focusWithinProperty().addListener((x, was, is) -> show(is, at, name));
    }

    private void show(boolean is, Address at, String name) {
        line.setText(is ? name + ": " + decapitalised(Reach.of(reading, at).sentence()) + "." : whole);
    }

    private static String decapitalised(String sentence) {
        return Character.toLowerCase(sentence.charAt(0)) + sentence.substring(1);
    }
}
