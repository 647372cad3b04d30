package org.gullyrun.desktop.evidence;

import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import org.gullyrun.desktop.look.SidePane;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.Lens;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** What is selected: said in words first, then as a ladder, then what would take the trouble away, with its price. */
public final class EvidenceView extends SidePane {
    private final Store store;
    private final FixesSheet fixes;
    private final PairSheet pair;
    private final Listing listing;

    /** Evidence of what the store's state has selected. */
    public EvidenceView(Store store) {
        super("evidence");
        this.store = store;
        this.fixes = new FixesSheet(store);
        this.pair = new PairSheet(store, fixes);
        this.listing = new Listing(store);
        store.watch(this::update);
    }

    /** Draws the evidence anew when what is selected, or what is known of it, differs. */
    private void update(State before, State now) {
        boolean first = box.getChildren().isEmpty();
        boolean same = before.shown() == now.shown()
                && (before.reading() == now.reading()
                        || before.soundsAs(now) && !(now.selection() instanceof Selection.Nothing))
                && before.alerts().failure().equals(now.alerts().failure())
                && asked(before) == asked(now)
                && before.hop() == now.hop()
                && before.lens() == now.lens()
                && (before.step() == now.step() || now.lens() == Lens.LEVELS)
                && before.fixes() == now.fixes()
                && before.textScale() == now.textScale()
                && before.selection().equals(now.selection());
        if (first || !same) {
            fit(now.textScale());
            double at = before.selection().equals(now.selection()) ? getVvalue() : 0;
            fixes.show(now);
            show(() -> content(now));
            setVvalue(at);
        }
        if (now.hop() >= 0
                && (before.hop() != now.hop()
                        || before.fixes() != now.fixes()
                        || !before.selection().equals(now.selection()))) {
            Platform.runLater(this::reveal);
        }
    }

    /** The difference that a person asked for; one that only the pointer shows leaves what it rests on where it is. */
    private static @Nullable Against asked(State state) {
        Against against = state.against();
        return against == null || against.kind() == Against.Kind.FIX ? null : against;
    }

    /** Scrolls so far that the rung looked at and its settings are seen. */
    private void reveal() {
        Node rung = box.lookup("#rung-" + store.state().hop());
        if (rung == null || rung.getParent() == null) {
            return;
        }
        box.applyCss();
        box.layout();
        var siblings = rung.getParent().getChildrenUnmodifiable();
        int place = siblings.indexOf(rung);
        Node last = place + 1 < siblings.size()
                        && siblings.get(place + 1).getStyleClass().contains("settings")
                ? siblings.get(place + 1)
                : rung;
        double room = getViewportBounds().getHeight();
        double spare = box.getHeight() - room;
        double top = rung.getParent().getBoundsInParent().getMinY()
                + rung.getBoundsInParent().getMinY();
        double bottom = rung.getParent().getBoundsInParent().getMinY()
                + last.getBoundsInParent().getMaxY();
        double now = getVvalue() * spare;
        if (spare > 0 && (top < now || bottom > now + room)) {
            setVvalue(Math.clamp((bottom - top > room ? top : Math.max(0, bottom - room + 12)) / spare, 0, 1));
        }
    }

    /** The sheet that fits what is selected. */
    private List<Node> content(State state) {
        Against against = asked(state);
        if (against != null) {
            return new DifferenceSheet(store).content(state, against);
        }
        return switch (state.selection()) {
            case Selection.Nothing nothing ->
                state.lens() == Lens.RATES && state.step() == Step.TRACE
                        ? new RatesSheet(store).content(state)
                        : new Summary(store).content(state);
            case Selection.OfSource(String id) -> listing.content(state, id, true);
            case Selection.OfOutlet(String id) -> listing.content(state, id, false);
            case Selection.OfElement(String id) -> new ElementSheet(store).content(state, id);
            case Selection.Pair ofPair -> pair.ofPair(state);
            case Selection.Trouble trouble -> pair.ofTrouble(state);
        };
    }
}
