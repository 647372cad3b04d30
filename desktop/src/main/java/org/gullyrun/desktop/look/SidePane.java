package org.gullyrun.desktop.look;

import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** The sheet at the right edge of a step: as wide at every step, scrolled up and down only. */
public class SidePane extends ScrollPane {
    private static final double WIDTH = 320;
    /** In a narrow window large letters widen the side no further than to this part of it. */
    private static final double LARGEST_PART = 0.34;

    private double textScale = 1;

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
        sceneProperty().addListener((x, was, now) -> {
            if (now != null) {
                now.widthProperty().addListener(y -> fit(textScale));
                fit(textScale);
            }
        });
    }

    /** Takes the width that fits a size of text and leaves the step itself enough of the window. */
    protected final void fit(double scale) {
        textScale = scale;
        double wanted = WIDTH * scale;
        double width = getScene() == null || getScene().getWidth() <= 0
                ? wanted
                : Math.min(wanted, Math.max(WIDTH, LARGEST_PART * getScene().getWidth()));
        setMinWidth(width);
        setPrefWidth(width);
        setMaxWidth(width);
    }

    /**
     * Shows other content; what had the focus gets it again, with what was being typed and the cursor where it was.
     *
     * @param content makes it; may change what stands there already
     */
    protected void show(Supplier<List<Node>> content) {
        Node owner = getScene() == null ? null : getScene().getFocusOwner();
        boolean inside = owner != null && isWithin(owner);
        KeptControls.exchange(box.getChildren(), content.get());
        if (owner != null && inside && !isWithin(owner)) {
            Node again = again(owner);
            if (owner instanceof ValueField was && again instanceof ValueField is) {
                is.takeOver(was);
                is.applyCss(); // a field selects all when it first gets its skin with the focus: that must be over
            }
            // What is gone gives the focus to nothing: nothing else may seem to have been chosen.
            (again == null ? getScene().getRoot() : again).requestFocus();
            if (owner instanceof TextField was && again instanceof TextField is) {
                is.selectRange(was.getAnchor(), was.getCaretPosition());
            }
        }
    }

    /** What stands for a node that is gone: of the same name, or about the same. */
    private @Nullable Node again(Node gone) {
        return gone instanceof ClickRow row && row.getId() == null
                ? Nodes.focusable(box).stream().filter(row::isAbout).findFirst().orElse(null)
                : gone.getId() == null ? null : box.lookup("#" + gone.getId());
    }

    /** Whether a node belongs to the pane's content. */
    private boolean isWithin(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == box) {
                return true;
            }
        }
        return false;
    }
}
