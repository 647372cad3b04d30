package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** All that one source reaches, or all that reaches one outlet. */
final class Listing {
    private final Store store;

    Listing(Store store) {
        this.store = store;
    }

    /** All that reaches a listener, or all that a source reaches. */
    List<Node> content(State state, String id, boolean source) {
        List<Node> all = new ArrayList<>();
        Reading reading = state.reading();
        Element element = reading.rig().find(id);
        if (element == null) {
            return List.of(Nodes.label("This no longer exists.", "soft"));
        }
        all.add(Nodes.label(element.name(), "water-title"));
        if (source) {
            String kind = element.get(Sources.CLASS) instanceof Sources.SourceClass c ? c.word() : "class unknown";
            String flags = (element.is(Sources.PRIVATE, false) ? ", private" : "")
                    + (element.is(Sources.LICENSED, false) ? ", licensed" : "");
            all.add(Nodes.label(
                    kind
                            + flags
                            + String.format(Locale.ROOT, ", usually %.0f dBFS", Sources.level(element))
                                    .replace('-', '−'),
                    "soft"));
        } else {
            all.add(Nodes.label(arrivals(state, id), "soft"));
        }
        all.add(Nodes.rule());
        HBox unit = new HBox(Nodes.spacer(), Nodes.label("dBFS", "caption"));
        unit.setPadding(new Insets(0, 8, 0, 0));
        all.add(unit);
        List<Node> well = new ArrayList<>(); // beneath what is wrong
        List<Element> others = reading.rig().of(source ? Kind.OUTLET : Kind.SOURCE);
        int mine = reading.rig().of(source ? Kind.SOURCE : Kind.OUTLET).indexOf(element);
        for (int i = 0; i < others.size(); i++) {
            int s = source ? mine : i;
            int o = source ? i : mine;
            int scene = state.scene() >= 0 ? state.scene() : reading.worstScene(s, o);
            CellReading cell = reading.scenes().get(scene).cell(s, o);
            if (cell.delivery().arrives() || cell.wish() == Wish.MUST) {
                Node row = cell(state, cell, others.get(i), reading.scenes().get(scene), source);
                (reading.isLoud(scene, cell) ? all : well).add(row);
            }
        }
        all.addAll(well);
        return all;
    }

    /** When the first and the last arrive. */
    private static String arrivals(State state, String outlet) {
        List<SceneReading> scenes = state.scene() >= 0
                ? List.of(state.reading().scenes().get(state.scene()))
                : state.reading().scenes();
        long arriving = state.reading().rig().of(Kind.SOURCE).stream()
                .filter(s -> scenes.stream()
                        .flatMap(x -> x.cells().stream())
                        .anyMatch(c -> c.source() == s
                                && c.outlet().id().equals(outlet)
                                && c.delivery().arrives()))
                .count();
        return arriving + (arriving == 1 ? " source arrives" : " sources arrive") + " here.";
    }

    /** A row: the other end, its level, and what the brief says; what is wrong on a line of its own, with room for its scene. */
    private Node cell(State state, CellReading cell, Element other, SceneReading scene, boolean source) {
        int place = state.reading().scenes().indexOf(scene);
        boolean trouble = state.reading().isLoud(place, cell);
        var name = Nodes.label(other.name(), source ? "water" : "plain");
        name.setWrapText(false);
        if (trouble) {
            name.getStyleClass().add("bad-text");
        }
        String level = cell.delivery().arrives()
                ? String.format(Locale.ROOT, "%.1f", cell.usualLevel()).replace('-', '−')
                : "–";
        String word = state.reading().word(place, cell)
                + (trouble && state.scene() < 0 && state.reading().scenes().size() > 1 ? " in " + scene.name() : "");
        var verdict = Nodes.label(word, "small", trouble ? "bad-text" : "soft");
        verdict.setWrapText(false);
        var figure = Nodes.label(level, "figures");
        figure.setMinWidth(44 * state.textScale());
        figure.setAlignment(Pos.CENTER_RIGHT);
        ClickRow line = new ClickRow(
                "fix",
                "cell-" + cell.source().id() + "-" + cell.outlet().id(),
                other.name() + ": " + word + ", " + level + " dBFS",
                () -> store.select(
                        new Selection.Pair(cell.source().id(), cell.outlet().id())),
                trouble ? new VBox(name, verdict) : name,
                Nodes.spacer(),
                figure);
        if (!trouble) {
            line.getChildren().add(2, verdict);
        }
        if (!source) {
            var glyph = Glyph.of(other.get(Sources.CLASS), 0.85 * state.textScale());
            if (trouble) {
                glyph.getStyleClass().add("bad");
            }
            HBox holder = new HBox(glyph);
            holder.setMinWidth(14 * state.textScale());
            line.getChildren().addFirst(holder);
        }
        return line;
    }
}
