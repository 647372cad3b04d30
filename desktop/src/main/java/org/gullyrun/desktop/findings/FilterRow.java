package org.gullyrun.desktop.findings;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import org.gullyrun.core.audit.FindingFilter;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.desktop.look.ChoiceMenu;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** The choices of which findings are listed. */
final class FilterRow {
    private final Store store;

    FilterRow(Store store) {
        this.store = store;
    }

    /** One menu for each thing to choose by, showing what is chosen. */
    Node row(State state) {
        FindingFilter filter = state.filter();
        Map<String, Runnable> severities = new LinkedHashMap<>();
        severities.put("Any severity", () -> store.filter(filter.withLeast(null)));
        severities.put("Critical", () -> store.filter(filter.withLeast(Severity.CRITICAL)));
        severities.put("Major and worse", () -> store.filter(filter.withLeast(Severity.MAJOR)));
        severities.put("Minor and worse", () -> store.filter(filter.withLeast(Severity.MINOR)));
        String least = filter.least() == null
                ? "Any severity"
                : filter.least() == Severity.CRITICAL
                        ? "Critical"
                        : capital(filter.least().word()) + " and worse";
        FlowPane row = new FlowPane(
                8,
                6,
                menu("severity", least, severities),
                elements(state, Kind.OUTLET, "Any listener", filter.outlet(), filter::withOutlet),
                elements(state, Kind.SOURCE, "Any source", filter.source(), filter::withSource),
                rules(state));
        if (!filter.isAll()) {
            Button all = new Button("Show all");
            all.getStyleClass().setAll("button", "plain");
            all.setId("filter-none");
            all.setOnAction(e -> store.filter(FindingFilter.ALL));
            row.getChildren().add(all);
        }
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPadding(new Insets(8, 0, 0, 0));
        return row;
    }

    /** A menu of elements to filter by. */
    private Node elements(State state, Kind kind, String any, String chosen, Function<String, FindingFilter> with) {
        Map<String, Runnable> entries = new LinkedHashMap<>();
        entries.put(any, () -> store.filter(with.apply("")));
        for (Element element : state.reading().rig().of(kind)) {
            entries.put(element.name(), () -> store.filter(with.apply(element.id())));
        }
        return menu(kind.noun(), chosen.isEmpty() ? any : state.reading().rig().name(chosen), entries);
    }

    /** A menu of the rules that found something. */
    private Node rules(State state) {
        FindingFilter filter = state.filter();
        Map<String, Runnable> entries = new LinkedHashMap<>();
        entries.put("Any rule", () -> store.filter(filter.withRule("")));
        String shown = "Any rule";
        for (Rule rule : RuleCatalogue.ALL) {
            if (state.reading().findings().stream().anyMatch(f -> f.rule().equals(rule.id()))) {
                entries.put(rule.question(), () -> store.filter(filter.withRule(rule.id())));
            }
            shown = rule.id().equals(filter.rule()) ? rule.question() : shown;
        }
        return menu("rule", shown, entries);
    }

    private static String capital(String word) {
        return Character.toUpperCase(word.charAt(0)) + word.substring(1);
    }

    private static Node menu(String id, String shown, Map<String, Runnable> entries) {
        String by = "Findings filtered by " + (id.equals("outlet") ? "listener" : id);
        return new ChoiceMenu("filter-" + id, by, shown, entries);
    }
}
