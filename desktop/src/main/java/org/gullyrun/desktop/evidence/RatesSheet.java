package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rates;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Clocks;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** What the evidence says while the map shows rates: where rates meet, which devices share a clock, what drifts. */
final class RatesSheet {
    private final Store store;

    RatesSheet(Store store) {
        this.store = store;
    }

    /** Each place where rates meet, those that differ first. */
    List<Node> content(State state) {
        List<Node> all = new ArrayList<>();
        Reading reading = state.reading();
        List<Rates.Place> places = state.answer().rates();
        all.add(Nodes.label("Rates and clocks", "water-title"));
        all.add(Nodes.label(
                places.isEmpty()
                        ? "Everything runs at one rate, as far as rates are known."
                        : places.size() + (places.size() == 1 ? " place" : " places") + " where two rates meet.",
                "soft"));
        all.add(Nodes.rule());
        for (Rates.Place place : places) {
            all.add(place(state, place));
        }
        List<Finding> drifting = reading.findings().stream()
                .filter(f -> reading.rule(f).topic() == Topic.CLOCK)
                .toList();
        if (!drifting.isEmpty()) {
            all.add(Nodes.rule());
            all.add(Nodes.label("Clocks connected without resampling", "caption"));
            for (Finding finding : drifting) {
                var words = Nodes.label(finding.words().title());
                HBox.setHgrow(words, Priority.ALWAYS);
                all.add(new ClickRow(
                        "fix",
                        "drift-" + finding.identity(),
                        finding.words().title(),
                        () -> store.select(new Selection.Trouble(finding.identity())),
                        new Tally(finding.severity(), 0.85 * state.textScale()),
                        words));
                finding.figures()
                        .forEach(f ->
                                all.add(figure(f.name(), String.format(Locale.ROOT, "%.1f %s", f.value(), f.unit()))));
            }
        }
        all.add(Nodes.rule());
        all.add(Nodes.label("Devices on one clock", "caption"));
        Clocks.shared(reading.rig()).forEach((clock, devices) -> {
            all.add(Nodes.label(clock, "strong"));
            all.add(Nodes.label(
                    String.join(" · ", devices.stream().map(Element::name).toList()), "small"));
        });
        all.add(Nodes.label("All other devices have their own clock. R shows levels again.", "caption"));
        return all;
    }

    /** One place where two rates or clocks meet, and whether that does harm. */
    private Node place(State state, Rates.Place place) {
        Element by = state.reading().rig().find(place.by());
        String name = by == null ? place.by() : Sentences.noun(state.reading().rig(), by);
        boolean bad = place.meeting() != Rates.Meeting.RESAMPLED;
        String what = switch (place.meeting()) {
            case RESAMPLED -> "resampled";
            case NOT_KNOWN -> "unknown whether resampled";
            case WRONG -> "not resampled";
        };
        var title = Nodes.label(name, "strong");
        var line = Nodes.label(place.kilohertz() + ", " + what, "small", bad ? "bad-text" : "soft");
        VBox words = new VBox(1, title, line);
        if (bad) {
            words.getChildren()
                    .add(Nodes.label(
                            Decimals.whole(place.cents())
                                    + String.format(Locale.ROOT, " cents, speed × %.3f", place.ratio()),
                            "small",
                            "figures"));
        }
        HBox.setHgrow(words, Priority.ALWAYS);
        return new ClickRow(
                "fix",
                "rate-" + place.from() + "-" + place.by(),
                name + ": " + what,
                () -> store.select(new Selection.OfElement(place.by())),
                words);
    }

    /** A figure with its name. */
    private static Node figure(String name, String value) {
        HBox line = new HBox(8, Nodes.label(name, "caption"), Nodes.spacer(), Nodes.label(value, "figures"));
        line.setPadding(new Insets(0, 8, 0, 30));
        return line;
    }
}
