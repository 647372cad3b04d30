package org.gullyrun.desktop.window;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** Says above the step which two states are shown, for as long as a difference is. */
final class DifferenceBand extends HBox {
    private final Label title = Nodes.label("", "strong");
    private final Label than = Nodes.label("", "soft");

    DifferenceBand(Store store) {
        super(14);
        setId("difference-band");
        getStyleClass().add("difference-band");
        setAlignment(Pos.CENTER_LEFT);
        title.setWrapText(false);
        than.setWrapText(false);
        than.setMinWidth(USE_PREF_SIZE);
        setMaxHeight(USE_PREF_SIZE);
        HBox.setHgrow(title, Priority.SOMETIMES);
        Label hold = Nodes.label("Hold B to see how it was", "soft");
        hold.setWrapText(false);
        hold.setMinWidth(USE_PREF_SIZE);
        Button end = new Button("Close");
        end.setId("difference-end");
        end.getStyleClass().setAll("button", "link");
        end.setMinWidth(USE_PREF_SIZE);
        end.setOnAction(e -> store.tryout().end());
        getChildren().addAll(title, than, Nodes.spacer(), hold, end);
        store.watch(this::update);
    }

    private void update(State before, State now) {
        Against against = now.against();
        setVisible(against != null && (against.kind() != Against.Kind.FIX || now.step() == Step.TRACE));
        if (against != null) {
            title.setText(
                    against.held() ? against.asked().than() : against.asked().title());
            than.setText(
                    against.held() ? "as it was" : "against " + against.asked().than());
            Nodes.mark(this, "held", against.held());
        }
    }
}
