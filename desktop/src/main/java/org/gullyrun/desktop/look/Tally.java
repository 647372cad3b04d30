package org.gullyrun.desktop.look;

import javafx.css.PseudoClass;
import javafx.scene.Group;
import javafx.scene.shape.Rectangle;
import org.gullyrun.core.audit.Severity;

/** A severity as a tally of three strokes: three, two, one or none of them inked. */
public final class Tally extends Group {
    /** A tally, 14 by 12 pixels at scale 1. */
    public Tally(Severity severity, double scale) {
        int inked = 3 - severity.ordinal();
        for (int i = 0; i < 3; i++) {
            Rectangle stroke = new Rectangle(i * 5 * scale, 0, 3.2 * scale, 12 * scale);
            stroke.getStyleClass().addAll("tally", severity.word());
            stroke.pseudoClassStateChanged(PseudoClass.getPseudoClass("inked"), i < inked);
            getChildren().add(stroke);
        }
        setAccessibleText(severity.word());
    }
}
