package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.KeptControls;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/**
 * The fixes of a finding, in two places: the first two fixes above the ladder, since people choose by what they
 * must give up, others beneath.
 */
final class FixesSheet {
    private static final int MOST = 5;
    private static final int ABOVE = 2;

    private final Store store;
    private final VBox first = new VBox(2);
    private final VBox others = new VBox(2);

    FixesSheet(Store store) {
        this.store = store;
        first.setId("fixes");
    }

    Node first() {
        return first;
    }

    Node others() {
        return others;
    }

    /** Shows the fixes as far as they are known. */
    void show(State state) {
        List<Node> above = new ArrayList<>(List.of(Nodes.label("Fixes", "caption")));
        List<Node> beneath = new ArrayList<>();
        Finding finding = state.shown().finding();
        var known = state.fixes();
        if (known == null) {
            above.add(Nodes.label("Trying fixes …", "soft"));
        } else if (known.fixes().isEmpty()) {
            above.add(Nodes.label(
                    known.state() == RootCauses.Progress.OUT_OF_TIME
                            ? "No fix found in the time allowed. Not every change was tried."
                            : finding != null && finding.severity() == Severity.NOTE
                                    ? "Nothing has to be changed. This is only good to know."
                                    : "No single change fixes this.",
                    "soft"));
        } else {
            List<Fix> fixes = known.fixes();
            for (int i = 0; i < Math.min(MOST, fixes.size()); i++) {
                (i < ABOVE ? above : beneath).add(fix(fixes.get(i), i));
            }
            if (known.state() == RootCauses.Progress.OUT_OF_TIME) {
                above.add(Nodes.label("Not every change was tried. There may be more fixes.", "soft"));
            } else if (!known.complete()) {
                above.add(Nodes.label(fixes.size() + " found, trying more …", "soft"));
            }
            if (!beneath.isEmpty()) {
                beneath.addAll(0, List.of(Nodes.rule(), Nodes.label("More fixes", "caption")));
            }
        }
        KeptControls.exchange(first.getChildren(), above);
        KeptControls.exchange(others.getChildren(), beneath);
    }

    /** One fix: what to do, what it costs, and a click that applies it. */
    private Node fix(Fix fix, int place) {
        var what = Nodes.label(fix.sentence(), place == 0 ? "strong" : "plain");
        var price = Nodes.label(fix.price(), "small", fix.isClean() ? "good-text" : "warn-text");
        VBox words = new VBox(what, price);
        HBox.setHgrow(words, Priority.ALWAYS);
        ClickRow line = new ClickRow(
                "fix", "fix-" + place, fix.sentence() + ": " + fix.price(), () -> store.change(fix.changes()), words);
        line.setAlignment(Pos.TOP_LEFT);
        line.setOnMouseEntered(e -> store.tryout().preview(fix));
        line.setOnMouseExited(e -> store.tryout().endPreview());
        if (place == 0) {
            var key = Nodes.label("Ctrl Enter", "figures", "soft");
            key.setWrapText(false);
            key.setMinWidth(Region.USE_PREF_SIZE);
            line.getChildren().add(key);
        }
        return line;
    }
}
