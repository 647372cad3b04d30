package org.gullyrun.desktop.window;

import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.util.Duration;
import org.gullyrun.desktop.basins.BasinsView;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** What there is to tell, over the listeners: an error stays until it is dismissed, all else as long as it takes to read. */
final class MessageBar extends HBox {
    /** At least so many seconds, and one for each so many letters. */
    private static final double SECONDS = 4;

    private static final double LETTERS = 15;

    private final PauseTransition time = new PauseTransition();

    MessageBar(Store store) {
        setId("message");
        setVisible(false);
        setMaxSize(560, Region.USE_PREF_SIZE);
        StackPane.setAlignment(this, Pos.BOTTOM_CENTER);
        StackPane.setMargin(this, new Insets(0, 0, BasinsView.HEIGHT + 14, 0));
        setOnMouseClicked(e -> store.dismiss());
        time.setOnFinished(e -> store.dismiss());
        store.watch(this::update);
    }

    /** Shows the latest message until another takes its place. */
    private void update(State before, State now) {
        if (before.message() != now.message() || before == now) {
            tell(now.message());
        }
    }

    /** Shows a message until the next one. Bad news stays until it is closed. */
    private void tell(@Nullable Message what) {
        time.stop();
        setVisible(what != null);
        if (what != null) {
            getStyleClass().setAll("message", what.isError() ? "error" : "plain");
            getChildren().setAll(Nodes.label(what.text()));
            setAccessibleText(what.text());
            if (!what.isError()) {
                time.setDuration(Duration.seconds(Math.max(SECONDS, what.text().length() / LETTERS)));
                time.playFromStart();
            }
        }
    }
}
