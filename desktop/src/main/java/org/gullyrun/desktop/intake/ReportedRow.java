package org.gullyrun.desktop.intake;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.ChoiceMenu;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.ValueField;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** What the creator reports: who notices what, of which source, since when. Findings that fit it come first. */
final class ReportedRow {
    private final Store store;

    ReportedRow(Store store) {
        this.store = store;
    }

    /** The row with what is reported so far. */
    Node row(State state) {
        Rig rig = state.reading().rig();
        Complaint now = state.what().terms().complaint();
        Map<String, Runnable> what = new LinkedHashMap<>();
        what.put("anything", () -> report(c -> c.with((Complaint.What) null)));
        for (Complaint.What each : Complaint.What.values()) {
            what.put(each.word(), () -> report(c -> c.with(each)));
        }
        ValueField since = new ValueField("reported-since", "Since when", now.since(), text -> {
                    report(c -> c.withSince(text));
                    return "";
                })
                .columns(11);
        since.setPromptText("since …");
        since.getStyleClass().add("words-field");
        FlowPane row = new FlowPane(
                6,
                6,
                new ChoiceMenu(
                        "reported-who",
                        "Who notices it",
                        named(rig, now.listener(), "anybody"),
                        elements(rig, Kind.OUTLET, "anybody", id -> report(c -> c.withListener(id)))),
                new ChoiceMenu(
                        "reported-what",
                        "What they notice",
                        now.what() == null ? "anything" : now.what().word(),
                        what),
                new ChoiceMenu(
                        "reported-source",
                        "Of which source",
                        named(rig, now.source(), "any source"),
                        elements(rig, Kind.SOURCE, "any source", id -> report(c -> c.withSource(id)))),
                since);
        VBox box = new VBox(4, Nodes.label("What the creator reports", "section-title"), row);
        box.setId("reported");
        return box;
    }

    private static String named(Rig rig, String id, String none) {
        return id.isEmpty() ? none : rig.name(id);
    }

    /** A menu of elements by name, with the id where two share one. */
    private static Map<String, Runnable> elements(Rig rig, Kind kind, String none, Consumer<String> chosen) {
        Map<String, Runnable> entries = new LinkedHashMap<>();
        entries.put(none, () -> chosen.accept(""));
        for (Element element : rig.of(kind)) {
            boolean twin = entries.containsKey(element.name());
            entries.put(
                    twin ? element.name() + " · " + element.id() : element.name(), () -> chosen.accept(element.id()));
        }
        return entries;
    }

    /** Reports something else. */
    private void report(UnaryOperator<Complaint> how) {
        Edit.About from = Edit.About.of(store.state().what());
        Complaint to = how.apply(from.terms().complaint());
        if (!to.equals(from.terms().complaint())) {
            store.edit(new Edit.OfCase(from, from.with(from.terms().with(to))), "set what is reported");
        }
    }
}
