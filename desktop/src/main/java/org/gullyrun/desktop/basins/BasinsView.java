package org.gullyrun.desktop.basins;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.text.TextAlignment;
import org.gullyrun.core.compare.HeardDifference;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.KeptControls;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.Planning;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** One basin for every outlet, side by side along the bottom of the window. */
public final class BasinsView extends StackPane {
    /** The height of the strip at 100 % text. */
    public static final double HEIGHT = 108;

    /** The height of the bar with which basins are scrolled where there is no room for all. */
    private static final double SCROLL_BAR = 10;

    private final Store store;
    /** Whether all listeners are shown, however many there are. */
    private boolean open;

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
        open &= before.survey().equals(now.survey());
        if (row.getChildren().isEmpty()
                || !before.soundsAs(now)
                || !before.alerts().failure().equals(now.alerts().failure())
                || before.scene() != now.scene()
                || before.textScale() != now.textScale()
                || before.against() != now.against()
                || before.step() != now.step()
                || before.planning() != now.planning()
                || !before.selection().equals(now.selection()) && folds()) {
            rebuild(now);
        }
        row.getChildren().forEach(child -> {
            if (child instanceof Basin basin) {
                basin.select(now.selection(), now.shown());
            }
        });
    }

    private boolean folds() {
        return !row.getChildren().isEmpty() && !(row.getChildren().getLast() instanceof Basin);
    }

    /**
     * What is heard: where a difference is shown, with marks; while steps of a repair are shown, after the one looked at; else
     * as the rig is.
     */
    private static List<HeardDifference> hearings(State state) {
        Planning planning = state.planning();
        Against against = state.against();
        List<HeardDifference> after = planning.hearings();
        if (against != null) {
            return against.hearings();
        } else if (after != null
                && state.step() == Step.REPAIR
                && planning.scene() == state.scene()
                && planning.isOf(state.reading())) {
            return after;
        }
        return state.answer().models().hearings(state.scene()).stream()
                .map(HeardDifference::plain)
                .toList();
    }

    /** Makes the basins anew. Those with trouble come first if there isn't room for all. */
    private void rebuild(State state) {
        double room = getWidth() > 0 ? getWidth() : expected;
        if (!(room > 0)) {
            return; // what they share is not known yet; once it is, they are made
        }
        List<HeardDifference> hearings = hearings(state);
        if (hearings.isEmpty()) {
            height(HEIGHT * state.textScale());
            var none = Nodes.label(
                    state.alerts().isNotAudited()
                            ? "What listeners hear could not be worked out."
                            : "No listeners yet.",
                    "soft");
            none.setPadding(new javafx.geometry.Insets(18, 22, 0, 22));
            row.getChildren().setAll(none);
            return;
        }
        double u = state.textScale();
        Map<String, Double> needed = needed(state);
        List<HeardDifference> shown = shown(state, hearings, needed, room);
        boolean folds = shown.size() < hearings.size();
        List<Double> wanted =
                new ArrayList<>(shown.stream().map(h -> needed(needed, h, u)).toList());
        if (folds) {
            wanted.add(BasinWidths.NARROWEST * u);
        }
        double[] widths = BasinWidths.of(wanted, room, u);
        boolean scrolls = DoubleStream.of(widths).sum() > room;
        height(HEIGHT * u + (scrolls ? SCROLL_BAR : 0)); // the bar would lie over the second line of names
        List<Node> next = new ArrayList<>();
        for (int o = 0; o < shown.size(); o++) {
            next.add(basin(shown.get(o), widths[o], u));
        }
        if (folds) {
            next.add(folded(hearings.size() - shown.size(), widths[shown.size()], state));
        }
        KeptControls.exchange(row.getChildren(), next);
        row.getChildren().forEach(child -> {
            if (child instanceof Basin basin) {
                basin.select(state.selection(), state.shown());
            }
        });
    }

    /** The basin of a listener: the one that is there, with what is heard now, or a new one for another size or name. */
    private Basin basin(HeardDifference hearing, double width, double u) {
        for (Node child : row.getChildren()) {
            if (child instanceof Basin known && known.show(hearing, width, u)) {
                return known;
            }
        }
        return new Basin(store, hearing, width, u);
    }

    private void height(double height) {
        setPrefHeight(height);
        setMinHeight(height);
    }

    /** What the basin of each listener needs for what is wrong as the rig is: what the pointer shows leaves all in place. */
    private static Map<String, Double> needed(State state) {
        Map<String, Double> needed = new HashMap<>();
        state.answer()
                .models()
                .hearings(state.scene())
                .forEach(h -> needed.put(h.outlet(), BasinWidths.needed(HeardDifference.plain(h), state.textScale())));
        return needed;
    }

    private static double needed(Map<String, Double> needed, HeardDifference hearing, double u) {
        return needed.getOrDefault(hearing.shown().outlet(), BasinWidths.NARROWEST * u);
    }

    /**
     * The listeners that have a basin of their own. Where there isn't room for all, those with trouble, those that differ and the
     * one that is selected come first, then as many others as fit.
     */
    private List<HeardDifference> shown(
            State state, List<HeardDifference> all, Map<String, Double> needed, double room) {
        double narrowest = BasinWidths.NARROWEST * state.textScale();
        if (open || all.size() <= (int) (room / narrowest)) {
            return all;
        }
        List<HeardDifference> first =
                all.stream().filter(h -> isToldApart(state, h)).toList();
        double taken = first.stream()
                .mapToDouble(h -> needed(needed, h, state.textScale()))
                .sum();
        List<HeardDifference> shown = new ArrayList<>(first);
        all.stream()
                .filter(h -> !first.contains(h))
                .limit(Math.max(0, (int) ((room - taken) / narrowest) - 1))
                .forEach(shown::add);
        return shown;
    }

    private static boolean isToldApart(State state, HeardDifference hearing) {
        String outlet = hearing.shown().outlet();
        return hearing.shown().isBad()
                || !hearing.caption().isEmpty()
                || state.selection().equals(new Selection.OfOutlet(outlet))
                || state.selection() instanceof Selection.Pair pair
                        && pair.outlet().equals(outlet);
    }

    /** Stands for the listeners that have no basin of their own, and shows them all when it is clicked. */
    private Node folded(int count, double width, State state) {
        Label said = Nodes.label(
                count + (count == 1 ? " more listener gets" : " more listeners get") + " what they should", "soft");
        said.setMaxWidth(width - 14);
        said.setTextAlignment(TextAlignment.CENTER);
        ClickRow cell = new ClickRow(
                "fix",
                "basins-folded",
                said.getText() + ", show them",
                () -> {
                    open = true;
                    rebuild(store.state());
                },
                said);
        cell.setAlignment(Pos.CENTER);
        cell.setPrefSize(width, HEIGHT * state.textScale());
        cell.setMinWidth(width);
        return cell;
    }
}
