package org.gullyrun.desktop.basins;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Planning;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** One basin for every outlet, side by side along the bottom of the window. */
public final class BasinsView extends StackPane {
    /** The height of the strip at 100 % text. */
    public static final double HEIGHT = 108;

    private static final double NARROWEST = 92;

    private final Store store;
    private final HBox row = new HBox();
    private final ScrollPane scroll = new ScrollPane(row);

    /** The width that the strip will have, as long as it has none. */
    private final double expected;

    /**
     * Basins of what the store holds.
     *
     * @param expected the width that the strip will have once it is laid out, so that its basins need not be made only
     *     then; NaN if not known
     */
    public BasinsView(Store store, double expected) {
        this.store = store;
        this.expected = expected;
        setId("basins");
        getStyleClass().add("basins");
        row.setAlignment(Pos.TOP_LEFT);
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToHeight(true);
        Nodes.uncached(scroll);
        scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        getChildren().add(scroll);
        widthProperty().addListener(x -> rebuild(store.state()));
        store.watch(this::update);
    }

    /** Draws the basins anew when what is heard, the scene or the size of text differs. */
    private void update(State before, State now) {
        if (row.getChildren().isEmpty()
                || !before.soundsAs(now)
                || !before.alerts().failure().equals(now.alerts().failure())
                || before.scene() != now.scene()
                || before.textScale() != now.textScale()
                || hearings(before) != hearings(now)) {
            rebuild(now);
        }
        row.getChildren().forEach(child -> {
            if (child instanceof Basin basin) {
                basin.select(now.selection(), now.shown());
            }
        });
    }

    /** What is heard: as the rig is, or while steps of a repair are shown, after the one looked at. */
    private static List<Hearing> hearings(State state) {
        Planning planning = state.planning();
        List<Hearing> after = planning.hearings();
        boolean planned = state.step() == Step.REPAIR
                && after != null
                && planning.scene() == state.scene()
                && planning.isOf(state.reading());
        return planned && after != null ? after : state.answer().models().hearings(state.scene());
    }

    /** Makes the basins anew. Those with trouble come first if there isn't room for all. */
    private void rebuild(State state) {
        double room = getWidth() > 0 ? getWidth() : expected;
        if (!(room > 0)) {
            return; // what they share is not known yet; once it is, they are made
        }
        Reading reading = state.reading();
        List<Element> outlets = reading.rig().of(Kind.OUTLET);
        setPrefHeight(HEIGHT * state.textScale());
        setMinHeight(HEIGHT * state.textScale());
        if (outlets.isEmpty()) {
            var none = Nodes.label(
                    state.alerts().isNotAudited()
                            ? "What listeners hear could not be worked out."
                            : "No listeners yet.",
                    "soft");
            none.setPadding(new javafx.geometry.Insets(18, 22, 0, 22));
            row.getChildren().setAll(none);
            return;
        }
        double width = Math.max(NARROWEST * state.textScale(), Math.floor((room - 6) / outlets.size()));
        List<Node> children = row.getChildren();
        List<Hearing> hearings = hearings(state);
        for (int o = 0; o < outlets.size(); o++) {
            Hearing hearing = hearings.get(o);
            Node known = o < children.size() ? children.get(o) : null;
            // A basin takes over what it now hears; only one of another size or name is made anew.
            if (!(known instanceof Basin basin && basin.show(hearing, width, state.textScale()))) {
                Basin drawn = new Basin(store, hearing, width, state.textScale());
                if (o < children.size()) {
                    children.set(o, drawn);
                } else {
                    children.add(drawn);
                }
            }
        }
        children.subList(outlets.size(), children.size()).clear();
        row.getChildren().forEach(child -> {
            if (child instanceof Basin basin) {
                basin.select(state.selection(), state.shown());
            }
        });
    }
}
