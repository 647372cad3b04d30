package org.gullyrun.desktop.find;

import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Bounds;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Store;

/** The find field with its list of hits. */
public final class FindField extends TextField {
    private static final double WIDTH = 380;

    private static final List<String> PROMPTS =
            List.of("Find a source, listener, setting …", "Find a source …", "Find …");

    private final Store store;
    private final Supplier<List<Action>> actions;
    private final Popup popup = new Popup();
    private final VBox list = new VBox();
    private List<FindIndex.Hit> hits = List.of();
    private int at;

    /** A field that searches what the store holds, and these actions. */
    public FindField(Store store, Supplier<List<Action>> actions) {
        this.store = store;
        this.actions = actions;
        setId("find");
        widthProperty().addListener(x -> prompt());
        fontProperty().addListener(x -> prompt());
        getStyleClass().setAll("find-field", "text-input", "text-field");
        setAccessibleText("Find");
        list.getStyleClass().add("popup-panel");
        list.setPrefWidth(WIDTH);
        popup.setAutoHide(true);
        popup.getContent().add(list);
        textProperty().addListener(x -> search());
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        focusedProperty().addListener((o, was, is) -> {
            if (!is) {
                popup.hide();
            }
        });
    }

    /** Says as much of what can be found as there is room for. */
    private void prompt() {
        double room = getWidth() - snappedLeftInset() - snappedRightInset();
        setPromptText(PROMPTS.stream()
                .filter(p -> Type.width(p, getFont()) <= room)
                .findFirst()
                .orElse(PROMPTS.getLast()));
    }

    /** Arrow keys walk through what was found while the cursor stays in the field. */
    private void key(KeyEvent e) {
        switch (e.getCode()) {
            case DOWN -> move(1, e);
            case UP -> move(-1, e);
            case ENTER -> {
                choose(at);
                e.consume();
            }
            case ESCAPE -> {
                clear();
                popup.hide();
                getParent().requestFocus();
                e.consume();
            }
            default -> {}
        }
    }

    /** Moves the choice among what was found, round the ends. */
    private void move(int by, KeyEvent e) {
        if (!hits.isEmpty()) {
            at = Math.floorMod(at + by, hits.size());
            mark();
        }
        e.consume();
    }

    /** Searches as one types. */
    private void search() {
        hits = FindIndex.search(getText(), store.state().reading(), actions.get());
        at = 0;
        list.getChildren().clear();
        for (int i = 0; i < hits.size(); i++) {
            FindIndex.Hit hit = hits.get(i);
            var text = Nodes.label(hit.text());
            text.setWrapText(false);
            var kind = Nodes.label(hit.kind(), "caption");
            kind.setWrapText(false);
            kind.setMinWidth(USE_PREF_SIZE);
            HBox row = new HBox(12, text, Nodes.spacer(), kind);
            row.setAlignment(Pos.CENTER_LEFT);
            row.getStyleClass().add("hit-row");
            row.setId("hit-" + i);
            int place = i;
            row.setOnMousePressed(e -> choose(place));
            list.getChildren().add(row);
        }
        if (hits.isEmpty() && !getText().isBlank()) {
            list.getChildren()
                    .add(Nodes.label(
                            "Nothing by that name. To trace a pair, type two names, like “music archive”.", "soft"));
        }
        mark();
        if (getText().isBlank() || getScene() == null || getScene().getWindow() == null) {
            popup.hide();
        } else {
            list.getStylesheets().setAll(getScene().getStylesheets());
            list.getStyleClass().setAll("root", "popup-panel", "flat");
            Nodes.mark(list, "popup", true);
            if (getScene().getRoot().getStyleClass().contains("night")) {
                list.getStyleClass().add("night");
            }
            list.setStyle(getScene().getRoot().getStyle());
            Bounds where = localToScreen(getBoundsInLocal());
            popup.show(this, where.getMaxX() - WIDTH - 8, where.getMaxY() + 2);
        }
    }

    /** Marks the one that Enter takes. */
    private void mark() {
        for (int i = 0; i < list.getChildren().size(); i++) {
            Nodes.mark(list.getChildren().get(i), "selected", i == at);
        }
    }

    /** Shows what was chosen, or runs the action. */
    private void choose(int place) {
        if (place < hits.size()) {
            FindIndex.Hit hit = hits.get(place);
            popup.hide();
            clear();
            getParent().requestFocus();
            if (hit.selection() instanceof Selection.Nothing) {
                hit.action().run();
            } else {
                store.select(hit.selection());
            }
        }
    }
}
