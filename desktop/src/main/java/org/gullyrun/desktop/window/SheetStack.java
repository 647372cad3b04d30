package org.gullyrun.desktop.window;

import java.util.List;
import javafx.animation.PauseTransition;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;
import javafx.util.Duration;

/**
 * Sheets on one pile, of which the one on top is seen. The others are laid in when there is time: what is in a window is
 * styled before its first frame, whether seen or not, and more than half of the controls are on sheets not seen at the start.
 */
final class SheetStack extends StackPane {
    /** By when the window has long been painted, map and all; and from one sheet to the next. */
    private static final Duration LATER = Duration.seconds(2);

    private final List<Node> sheets;

    SheetStack(Node... sheets) {
        this.sheets = List.of(sheets);
        this.sheets.forEach(sheet -> sheet.setVisible(false));
        PauseTransition later = new PauseTransition(LATER);
        later.setOnFinished(e -> this.sheets.stream()
                .filter(sheet -> sheet.getParent() == null)
                .findFirst()
                .ifPresent(sheet -> {
                    layIn(sheet);
                    later.play();
                }));
        later.play();
    }

    /** Brings one of the sheets to the top. */
    void show(Node top) {
        sheets.forEach(sheet -> sheet.setVisible(sheet == top));
        layIn(top);
    }

    /** Lays a sheet on top of the others. */
    private void layIn(Node sheet) {
        if (sheet.getParent() == null) {
            getChildren().add(sheet);
        }
    }
}
