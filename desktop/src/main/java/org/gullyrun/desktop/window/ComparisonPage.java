package org.gullyrun.desktop.window;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiConsumer;
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
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.compare.Comparison;
import org.gullyrun.core.compare.Matching;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** A comparison: what is to blame for what, what does no harm, what was taken to be the same; and what to do about each. */
final class ComparisonPage {
    private static final double WIDTH = 820;
    private static final double HEIGHT = 430;

    private final Store store;
    private final Overlay overlay;
    private final BiConsumer<CompareSheet.Earlier, Matching> again;

    /**
     * A page over a window.
     *
     * @param again compares once more, with other matches
     */
    ComparisonPage(Store store, Overlay overlay, BiConsumer<CompareSheet.Earlier, Matching> again) {
        this.store = store;
        this.overlay = overlay;
        this.again = again;
    }

    /** Shows a comparison: what is to blame first, then what does no harm. */
    void show(Comparison comparison, CompareSheet.Earlier earlier) {
        VBox list = new VBox(5);
        list.setPadding(new Insets(2, 12, 2, 2));
        for (Change change : comparison.toBlame()) {
            blamed(list, comparison, change);
        }
        heading(list, "Changes that do no harm", comparison.harmless().size());
        for (Change change : comparison.harmless()) {
            Label said = Nodes.label(comparison.happened(change), "soft");
            Button over =
                    link("Make it there too", "over-" + comparison.changes().indexOf(change), () -> {
                        overlay.close();
                        store.edit(
                                new Edit.OfRig(earlier.survey().id(), List.of(change)),
                                "in " + earlier.survey().name() + ": " + comparison.said(change));
                    });
            over.setVisible(earlier.isOwn());
            list.getChildren().add(row(said, over));
        }
        heading(list, "Resolved since", comparison.resolved().size());
        comparison
                .resolved()
                .forEach(f -> list.getChildren().add(Nodes.label(f.words().title(), "soft")));
        matches(list, comparison, earlier);
        ScrollPane scroll = new ScrollPane(list);
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToWidth(true);
        scroll.setPrefHeight(HEIGHT);
        String name = earlier.survey().name();
        List<Change> back = comparison.back();
        Map<String, Runnable> answers = new LinkedHashMap<>();
        answers.put("Close", () -> {});
        answers.put("Show on the map", () -> store.tryout().compare(comparison, name));
        if (!back.isEmpty()) {
            answers.put("Plan it as a repair", () -> {
                store.go(Step.REPAIR);
                store.planner().require(back);
            });
            answers.put(
                    back.size() == 1 ? "Take it back" : "Take back all that does harm",
                    () -> store.change(back, "take back what does harm since " + name));
        }
        overlay.sheet("Since " + name, comparison.summary(), List.of(scroll), WIDTH, answers);
    }

    /** One change, what it brought, and ways to take it back or to live with it. */
    private void blamed(VBox list, Comparison comparison, Change change) {
        Label said = Nodes.label(comparison.happened(change), "strong");
        int place = comparison.changes().indexOf(change);
        Button accept = link("Accept …", "accept-" + place, () -> accept(comparison, change));
        Button back = link("Take back", "back-" + place, () -> {
            overlay.close();
            store.change(List.of(change.inverse()));
        });
        back.setAccessibleText("Take back: " + comparison.happened(change));
        accept.setAccessibleText("Accept: " + comparison.happened(change));
        HBox row = row(said, accept, back);
        VBox.setMargin(row, new Insets(7, 0, 0, 0));
        list.getChildren().add(row);
        double scale = 0.85 * store.state().textScale();
        for (JoinedFindings joined : JoinedFindings.of(comparison.to().rig(), comparison.broughtBy(change))) {
            list.getChildren().add(finding(comparison, joined, scale));
        }
    }

    /** Lives with what a change brought, for a reason. */
    private void accept(Comparison comparison, Change change) {
        List<String> brought =
                comparison.broughtBy(change).stream().map(Finding::identity).toList();
        overlay.form(
                "Accept: " + comparison.happened(change),
                List.of(new Overlay.Entry("reason", "Why is it meant to be so?", "")),
                entered -> {
                    String reason = entered.getOrDefault("reason", "").strip();
                    if (reason.isEmpty()) {
                        return "Give a reason, for the next person who looks at this.";
                    }
                    store.edit(store.state().waivingAll(brought, reason), "accept: " + comparison.happened(change));
                    return "";
                });
    }

    private static Node finding(Comparison comparison, JoinedFindings joined, double scale) {
        Finding first = joined.first();
        Label title = Nodes.label(joined.title() + comparison.together(first));
        HBox line = new HBox(9, new Tally(first.severity(), scale), title);
        line.setPadding(new Insets(0, 0, 0, 14));
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    /** What was taken to be the same although its id differs, and what of the earlier survey has no match. */
    private void matches(VBox list, Comparison comparison, CompareSheet.Earlier earlier) {
        Rig was = earlier.survey().rig();
        Rig is = comparison.to().rig();
        Matching matching = comparison.matching();
        List<String> guessed = matching.pairs().entrySet().stream()
                .filter(e -> e.getValue().by() != Matching.By.ID)
                .map(Map.Entry::getKey)
                .sorted(Ids.ORDER)
                .toList();
        heading(list, "Taken to be the same", guessed.size());
        for (String id : guessed) {
            Matching.Pair pair = Objects.requireNonNull(matching.pairs().get(id));
            String said = Sentences.noun(was, was.get(id)) + " = " + Sentences.noun(is, is.get(pair.id())) + ", "
                    + pair.by().word();
            list.getChildren()
                    .add(row(
                            Nodes.label(said, "soft"),
                            link("Not the same", "apart-" + id, () -> again.accept(earlier, matching.without(id)))));
        }
        List<Element> free = was.elements().stream()
                .filter(e -> !matching.pairs().containsKey(e.id()))
                .toList();
        heading(list, "Only in the earlier survey", free.size());
        for (Element element : free) {
            Button same = link("Same as …", "match-" + element.id(), () -> match(comparison, earlier, element));
            same.setVisible(!candidates(is, matching, element).isEmpty());
            list.getChildren().add(row(Nodes.label(Sentences.noun(was, element), "soft"), same));
        }
    }

    /** What of the later rig an element could be: of its kind, and matched with nothing else. */
    private static List<Element> candidates(Rig is, Matching matching, Element element) {
        List<String> taken =
                matching.pairs().values().stream().map(Matching.Pair::id).toList();
        return is.of(element.kind()).stream()
                .filter(e -> !taken.contains(e.id()))
                .sorted(Comparator.comparing(Element::name))
                .toList();
    }

    /** Asks what an element is the same as. */
    private void match(Comparison comparison, CompareSheet.Earlier earlier, Element element) {
        Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
        for (Element other : candidates(comparison.to().rig(), comparison.matching(), element)) {
            choices.put(
                    "same-" + other.id(),
                    new Overlay.Choice(
                            other.name(),
                            "",
                            () -> again.accept(earlier, comparison.matching().with(element.id(), other.id()))));
        }
        overlay.choose(element.name() + " is the same as", choices);
    }

    private static HBox row(Label said, Button... buttons) {
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMaxWidth(Double.MAX_VALUE);
        List<Node> all = new ArrayList<>(List.of(said));
        all.addAll(List.of(buttons));
        HBox row = new HBox(10);
        row.getChildren().setAll(all);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static Button link(String text, String id, Runnable run) {
        Button link = Nodes.asWritten(new Button(text));
        link.getStyleClass().setAll("button", "link");
        link.setId(id);
        link.setMinWidth(Region.USE_PREF_SIZE);
        link.setOnAction(e -> run.run());
        return link;
    }

    private static void heading(VBox list, String heading, int count) {
        if (count > 0) {
            Label head = Nodes.label(heading + " (" + count + ")", "section-title");
            VBox.setMargin(head, new Insets(12, 0, 0, 0));
            list.getChildren().add(head);
        }
    }
}
