package org.gullyrun.desktop.look;

import javafx.geometry.Insets;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;

/** The sheet at the right edge of a step: as wide at every step, scrolled up and down only. */
public class SidePane extends ScrollPane {
    private static final double WIDTH = 320;

    /** What stands in it, one below the other. */
    protected final VBox box = new VBox(6);

    /** An empty side. */
    @SuppressWarnings("this-escape") // nothing that a subclass might do otherwise is called
    protected SidePane(String id) {
        setId(id);
        getStyleClass().addAll("evidence", "plain-scroll");
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        box.setPadding(new Insets(16, 18, 16, 18));
        setContent(box);
        Nodes.uncached(this);
    }

    /** Takes the width that fits a size of text. */
    protected void fit(double textScale) {
        double width = WIDTH * textScale;
        setMinWidth(width);
        setPrefWidth(width);
        setMaxWidth(width);
    }
}
