package org.gullyrun.desktop.window;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** A field in which a person types what might happen, and takes one of the events that fit. */
final class WhatIfSheet {
    private static final int MOST = 9;
    private static final double WIDTH = 620;

    private final Store store;
    private final Overlay overlay;
    private final TextField field = new TextField();
    private final VBox list = new VBox(1);
    /** All that may happen in a rig, worked out once for each. */
    private List<WhatIf.Event> all = List.of();

    private @Nullable Rig of;
    private List<WhatIf.Event> fitting = List.of();
    private String about = "";
    private int at;

    WhatIfSheet(Store store, Overlay overlay) {
        this.store = store;
        this.overlay = overlay;
        field.setId("what-if-field");
        field.setPromptText("headset off, stop …, default to …");
        field.setAccessibleText("What if");
        list.setId("what-if-list");
        field.textProperty().addListener(x -> search());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        store.tryout().whenAskedForMore(this::open);
    }

    /** Asks what might happen; what is selected comes first. */
    void open() {
        Rig rig = store.state().reading().rig();
        if (store.state().isAnswerOld() || rig.of(Kind.DEVICE).isEmpty()) {
            store.tell(new Message(
                    rig.of(Kind.DEVICE).isEmpty()
                            ? "Nothing in this rig can be unplugged, closed or moved yet."
                            : "The last change is still being worked out. Try again in a moment.",
                    false));
            return;
        }
        about = selected(rig);
        field.setText("");
        if (of != rig) {
            of = rig;
            all = List.of();
            store.ask(reading -> WhatIf.events(rig), events -> {
                all = events;
                search();
            });
        }
        search();
        overlay.take("What if …", List.of(field, list), WIDTH, field);
    }

    /** The device or program that is selected, or that a selected source or listener is at; may be empty. */
    private String selected(Rig rig) {
        return switch (store.state().selection()) {
            case Selection.OfElement(String element) ->
                rig.find(element) instanceof Element e ? rig.program(e).id() : "";
            case Selection.OfSource(String source) ->
                rig.find(source, Kind.SOURCE).map(e -> e.or(Sources.AT, "")).orElse("");
            case Selection.OfOutlet(String outlet) ->
                rig.find(outlet, Kind.OUTLET).map(WhatIfSheet::listensOn).orElse("");
            case Selection.Pair(String source, String outlet) ->
                rig.find(source, Kind.SOURCE).map(e -> e.or(Sources.AT, "")).orElse("");
            case Selection.Nothing n -> "";
            case Selection.Trouble t -> "";
        };
    }

    /** The device a listener wears, empty if it is none. */
    private static String listensOn(Element outlet) {
        return outlet.get(Outlets.DEVICE) instanceof Choice.To(String device) ? device : "";
    }

    /** Shows what fits. */
    private void search() {
        fitting = WhatIf.search(all, field.getText(), about, MOST);
        at = 0;
        list.getChildren().clear();
        for (int i = 0; i < fitting.size(); i++) {
            Label said = Nodes.label(fitting.get(i).sentence());
            said.setWrapText(false);
            HBox row = new HBox(said);
            row.setAlignment(Pos.CENTER_LEFT);
            row.setPadding(new Insets(4, 8, 4, 8));
            row.getStyleClass().add("hit-row");
            row.setId("what-if-" + i);
            row.setAccessibleRole(AccessibleRole.BUTTON);
            row.setAccessibleText(fitting.get(i).sentence());
            int place = i;
            row.setOnMouseClicked(e -> choose(place));
            list.getChildren().add(row);
        }
        if (fitting.isEmpty() && !all.isEmpty()) {
            list.getChildren()
                    .add(Nodes.label(
                            "Nothing fits. Name a device or program and what happens to it: off, mute, default, track.",
                            "soft"));
        }
        mark();
    }

    private void mark() {
        for (int i = 0; i < list.getChildren().size(); i++) {
            Node row = list.getChildren().get(i);
            Nodes.mark(row, "selected", i == at && !fitting.isEmpty());
        }
    }

    /** Arrow keys walk through what fits while the cursor stays in the field. */
    private void key(KeyEvent e) {
        int by = e.getCode() == KeyCode.DOWN ? 1 : e.getCode() == KeyCode.UP ? -1 : 0;
        if (by != 0 && !fitting.isEmpty()) {
            at = Math.floorMod(at + by, fitting.size());
            mark();
            e.consume();
        } else if (e.getCode() == KeyCode.ENTER) {
            choose(at);
            e.consume();
        }
    }

    private void choose(int place) {
        if (place < fitting.size()) {
            WhatIf.Event event = fitting.get(place);
            overlay.close();
            store.tryout().add(event.change(), event.sentence());
        }
    }
}
