package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Arrival;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.KeptList;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** All that one source reaches, or all that reaches one outlet. */
final class Listing {
    private static final int MOST = 20;

    private final Store store;
    /** What all rows are shown of. */
    private String allOf = "";

    private final KeptList rows = new KeptList(6);

    /** A source and a listener in the scene that counts, and the one of them that a row names. */
    private record Pair(CellReading cell, Element other, int scene, boolean trouble) {}

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
            String level = Decimals.whole(Sources.level(element)) + " dBFS";
            all.add(Nodes.label(kind + flags + ", usually " + level, "soft"));
        } else {
            SceneReading chosen = state.scene() >= 0 ? reading.scenes().get(state.scene()) : null;
            int arriving = Arrival.sources(reading, id, chosen);
            all.add(Nodes.label(arriving + (arriving == 1 ? " source arrives" : " sources arrive") + " here.", "soft"));
        }
        all.add(Nodes.rule());
        HBox unit = new HBox(Nodes.spacer(), Nodes.label("dBFS", "caption"));
        unit.setPadding(new Insets(0, 8, 0, 0));
        all.add(unit);
        rows.show(rows(state, element, source));
        all.add(rows);
        return all;
    }

    /** A row for each pair, what is wrong first; of many the first, until one asks for all. */
    private List<Node> rows(State state, Element element, boolean source) {
        Reading reading = state.reading();
        List<Element> others = reading.rig().of(source ? Kind.OUTLET : Kind.SOURCE);
        int mine = reading.rig().of(source ? Kind.SOURCE : Kind.OUTLET).indexOf(element);
        List<Pair> wrong = new ArrayList<>();
        List<Pair> well = new ArrayList<>();
        for (int i = 0; i < others.size(); i++) {
            int s = source ? mine : i;
            int o = source ? i : mine;
            int scene = state.scene() >= 0 ? state.scene() : reading.worstScene(s, o);
            CellReading cell = reading.scenes().get(scene).cell(s, o);
            if (cell.delivery().arrives() || cell.wish() == Wish.MUST) {
                boolean trouble = reading.isLoud(scene, cell);
                (trouble ? wrong : well).add(new Pair(cell, others.get(i), scene, trouble));
            }
        }
        wrong.addAll(well);
        boolean whole = wrong.size() <= MOST + 3 || element.id().equals(allOf);
        List<Node> rows = new ArrayList<>();
        for (Pair pair : whole ? wrong : wrong.subList(0, MOST)) {
            rows.add(row(state, pair, source));
        }
        if (!whole) {
            Button more = new Button("Show " + (wrong.size() - MOST) + " more");
            more.setId("more-pairs");
            more.getStyleClass().setAll("button", "plain");
            more.setOnAction(e -> {
                allOf = element.id();
                this.rows.show(rows(store.state(), element, source));
                this.rows.getChildren().get(MOST).requestFocus(); // from here on they are new
            });
            rows.add(more);
        }
        return rows;
    }

    /** A row: the other end, its level, and what the brief says; what is wrong on a line of its own, with room for its scene. */
    private Node row(State state, Pair pair, boolean source) {
        CellReading cell = pair.cell;
        Element other = pair.other;
        boolean trouble = pair.trouble;
        List<SceneReading> scenes = state.reading().scenes();
        var name = Nodes.label(other.name(), source ? "water" : "plain");
        name.setWrapText(false);
        if (trouble) {
            name.getStyleClass().add("bad-text");
        }
        String level = cell.delivery().arrives() ? Decimals.one(cell.usualLevel()) : "–";
        String word = state.reading().word(pair.scene, cell)
                + (trouble && state.scene() < 0 && scenes.size() > 1
                        ? " in " + scenes.get(pair.scene).name()
                        : "");
        var verdict = Nodes.label(word, "small", trouble ? "bad-text" : "soft");
        verdict.setWrapText(false);
        var figure = Nodes.label(level, "figures");
        figure.setMinWidth(44 * state.textScale());
        figure.setAlignment(Pos.CENTER_RIGHT);
        var both = new Selection.Pair(cell.source().id(), cell.outlet().id());
        ClickRow line = ClickRow.of(
                both,
                "fix",
                other.name() + ": " + word + ", " + level + " dBFS",
                () -> store.select(both),
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
