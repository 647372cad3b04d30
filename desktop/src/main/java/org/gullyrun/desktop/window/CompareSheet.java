package org.gullyrun.desktop.window;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.compare.Comparison;
import org.gullyrun.core.compare.Matching;
import org.gullyrun.core.rig.Change;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** What changed since another survey, which change is to blame for what, and taking it back. */
final class CompareSheet {
    private static final double WIDTH = 820;
    private static final double HEIGHT = 430;

    private final Store store;
    private final Overlay overlay;

    CompareSheet(Store store, Overlay overlay) {
        this.store = store;
        this.overlay = overlay;
    }

    /** Asks which survey to compare the one shown with, if there are several, and compares. */
    void open() {
        State state = store.state();
        List<Survey> others = state.what().surveys().stream()
                .filter(s -> !s.id().equals(state.survey()))
                .toList();
        if (others.isEmpty()) {
            store.tell(new Message(
                    "There is only one survey. Duplicate it before you change things, or import one, to compare them.",
                    false));
        } else if (others.size() == 1) {
            compare(others.getFirst());
        } else {
            Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
            for (Survey other : others) {
                boolean good = other.id().equals(state.what().knownGood());
                choices.put(
                        "with-" + other.id(),
                        new Overlay.Choice(other.name(), good ? "known good" : other.date(), () -> compare(other)));
            }
            overlay.choose("Compare with", choices);
        }
    }

    /** Compares away from the interface thread, and shows what came of it unless the rig has changed meanwhile. */
    private void compare(Survey earlier) {
        Case what = store.state().what();
        Survey later = store.state().surveyShown();
        store.tell(new Message("Comparing with " + earlier.name() + " …", false));
        CompletableFuture.supplyAsync(() -> Comparison.of(
                        RuleCatalogue.on(what.terms(), what.showHours()).quick(),
                        earlier.rig(),
                        later.rig(),
                        what.brief(),
                        Matching.of(earlier.rig(), later.rig()),
                        () -> false))
                .whenComplete((comparison, fault) -> Platform.runLater(() -> {
                    if (fault != null) {
                        store.tell(new Message("The surveys could not be compared: " + fault.getMessage(), true));
                    } else if (store.state().surveyShown() == later) {
                        store.dismiss();
                        show(comparison, earlier);
                    }
                }));
    }

    /** Shows a comparison: what is to blame first, then what does no harm. */
    private void show(Comparison comparison, Survey earlier) {
        VBox list = new VBox(5);
        list.setPadding(new Insets(2, 12, 2, 2));
        for (Change change : comparison.toBlame()) {
            blamed(list, comparison, change);
        }
        part(
                list,
                "Changes that do no harm",
                comparison.harmless().stream().map(comparison::said).toList());
        part(
                list,
                "Resolved since",
                comparison.resolved().stream().map(f -> f.words().title()).toList());
        ScrollPane scroll = new ScrollPane(list);
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToWidth(true);
        scroll.setPrefHeight(HEIGHT);
        List<Change> back = comparison.back();
        Map<String, Runnable> answers = new LinkedHashMap<>();
        answers.put("Close", () -> {});
        answers.put("Show on the map", () -> store.tryout().compare(comparison, earlier.name()));
        if (!back.isEmpty()) {
            answers.put(
                    back.size() == 1 ? "Take it back" : "Take back all that does harm",
                    () -> store.change(back, "take back what does harm since " + earlier.name()));
        }
        overlay.sheet("Since " + earlier.name(), comparison.summary(), List.of(scroll), WIDTH, answers);
    }

    /** One change, what it brought, and a way to take it back. */
    private void blamed(VBox list, Comparison comparison, Change change) {
        Label said = Nodes.label(comparison.said(change), "strong");
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMaxWidth(Double.MAX_VALUE);
        Button back = new Button("Take back");
        back.getStyleClass().setAll("button", "link");
        back.setId("back-" + comparison.changes().indexOf(change));
        back.setMinWidth(Region.USE_PREF_SIZE);
        back.setAccessibleText("Take back: " + comparison.said(change));
        back.setOnAction(e -> {
            overlay.close();
            store.change(List.of(change.inverse()));
        });
        HBox row = new HBox(10, said, back);
        row.setAlignment(Pos.CENTER_LEFT);
        VBox.setMargin(row, new Insets(7, 0, 0, 0));
        list.getChildren().add(row);
        double scale = 0.85 * store.state().textScale();
        for (JoinedFindings joined : JoinedFindings.of(comparison.to().rig(), comparison.broughtBy(change))) {
            list.getChildren().add(finding(comparison, joined, scale));
        }
    }

    private static Node finding(Comparison comparison, JoinedFindings joined, double scale) {
        Finding first = joined.first();
        int by = comparison.blame().getOrDefault(first, List.of()).size();
        Label title = Nodes.label(joined.title() + (by > 1 ? " (with " + (by - 1) + " more)" : ""));
        HBox line = new HBox(9, new Tally(first.severity(), scale), title);
        line.setPadding(new Insets(0, 0, 0, 14));
        return line;
    }

    private static void part(VBox list, String heading, List<String> lines) {
        if (lines.isEmpty()) {
            return;
        }
        Label head = Nodes.label(heading + " (" + lines.size() + ")", "section-title");
        VBox.setMargin(head, new Insets(12, 0, 0, 0));
        list.getChildren().add(head);
        lines.forEach(line -> list.getChildren().add(Nodes.label(line, "soft")));
    }
}
