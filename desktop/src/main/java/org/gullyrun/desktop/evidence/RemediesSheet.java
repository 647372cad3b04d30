package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.gullyrun.core.repair.Causes;
import org.gullyrun.core.repair.Remedy;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/**
 * What would take the trouble away, in two places: the first two remedies above the ladder, since people choose by what they
 * must give up, others beneath.
 */
final class RemediesSheet {
    private static final int MOST = 5;
    private static final int ABOVE = 2;

    private final Store store;
    private final VBox first = new VBox(2);
    private final VBox others = new VBox(2);

    RemediesSheet(Store store) {
        this.store = store;
        first.setId("remedies");
    }

    Node first() {
        return first;
    }

    Node others() {
        return others;
    }

    /** Shows the remedies as far as they are known. */
    void show(State state) {
        List<Node> above = new ArrayList<>(List.of(Nodes.label("Takes it away", "caption")));
        List<Node> beneath = new ArrayList<>();
        var known = state.remedies();
        if (known == null) {
            above.add(Nodes.label("Trying remedies …", "soft"));
        } else if (known.remedies().isEmpty()) {
            above.add(Nodes.label(
                    known.state() == Causes.Progress.OUT_OF_TIME
                            ? "None found in the time there was: not all changes were tried."
                            : "No single setting takes it away.",
                    "soft"));
        } else {
            List<Remedy> remedies = known.remedies();
            for (int i = 0; i < Math.min(MOST, remedies.size()); i++) {
                (i < ABOVE ? above : beneath).add(remedy(remedies.get(i), i));
            }
            if (known.state() == Causes.Progress.OUT_OF_TIME) {
                above.add(Nodes.label("Not all changes were tried: others may help too.", "soft"));
            } else if (!known.complete()) {
                above.add(Nodes.label(remedies.size() + " found, trying others …", "soft"));
            }
            if (!beneath.isEmpty()) {
                beneath.addAll(0, List.of(Nodes.rule(), Nodes.label("More ways to take it away", "caption")));
            }
        }
        Nodes.exchange(first.getChildren(), above);
        Nodes.exchange(others.getChildren(), beneath);
    }

    private Node remedy(Remedy remedy, int place) {
        boolean clean = remedy.created().isEmpty() && remedy.altered().isEmpty();
        var what = Nodes.label(remedy.sentence(), place == 0 ? "strong" : "plain");
        var price = Nodes.label(remedy.price(), "small", clean ? "good-text" : "warn-text");
        VBox words = new VBox(what, price);
        HBox.setHgrow(words, Priority.ALWAYS);
        ClickRow line = new ClickRow(
                "remedy",
                "remedy-" + place,
                remedy.sentence() + ": " + remedy.price(),
                () -> store.change(remedy.changes()),
                words);
        line.setAlignment(Pos.TOP_LEFT);
        if (place == 0) {
            var key = Nodes.label("Ctrl Enter", "figures", "soft");
            key.setWrapText(false);
            key.setMinWidth(Region.USE_PREF_SIZE);
            line.getChildren().add(key);
        }
        return line;
    }
}
