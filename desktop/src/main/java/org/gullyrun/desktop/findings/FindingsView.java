package org.gullyrun.desktop.findings;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** The step Findings: all findings worst first, with the scenes that have them and a cut-out of the one selected. */
public final class FindingsView extends ScrollPane {
    private final Store store;
    private final VBox box = new VBox(1);

    /** The findings of what the store holds. */
    public FindingsView(Store store) {
        this.store = store;
        setId("findings");
        getStyleClass().addAll("plain-scroll", "sheet");
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        box.setPadding(new Insets(16, 20, 20, 22));
        setContent(box);
        store.watch(this::update);
    }

    private void update(State before, State now) {
        if (now.step() != Step.FINDINGS) {
            return; // it is not seen: nothing is drawn until it is
        }
        boolean same = before.step() == now.step()
                && before.reading() == now.reading()
                && before.shown() == now.shown()
                && before.remedies() == now.remedies()
                && before.scene() == now.scene()
                && before.textScale() == now.textScale();
        if (same && !box.getChildren().isEmpty()) {
            return;
        }
        boolean hadFocus = getScene() != null
                && getScene().getFocusOwner() instanceof Node owner
                && owner.getId() != null
                && owner.getId().startsWith("finding-");
        String focused = hadFocus ? getScene().getFocusOwner().getId() : "";
        double at = getVvalue();
        box.getChildren().setAll(content(now));
        setVvalue(at);
        if (hadFocus && lookup("#" + focused) instanceof Node again) {
            again.requestFocus();
        }
        reveal(now);
    }

    private List<Node> content(State state) {
        List<Node> all = new ArrayList<>();
        Reading reading = state.reading();
        List<Finding> findings = reading.findings().stream()
                .filter(f ->
                        state.scene() < 0 || f.scenes().isEmpty() || f.scenes().contains(state.scene()))
                .toList();
        HBox head = new HBox(18, Nodes.label(title(findings), "title"), Nodes.spacer());
        for (Severity severity : Severity.values()) {
            long n = findings.stream().filter(f -> f.severity() == severity).count();
            if (n > 0) {
                HBox count = new HBox(
                        6,
                        new Tally(severity, 0.9 * state.textScale()),
                        Nodes.label(n + " " + severity.word() + (severity == Severity.NOTE && n > 1 ? "s" : "")));
                count.setAlignment(Pos.CENTER_LEFT);
                head.getChildren().add(count);
            }
        }
        head.setAlignment(Pos.CENTER_LEFT);
        all.add(head);
        all.add(Nodes.label(
                findings.isEmpty()
                        ? "Every listener gets what the brief says, in every scene."
                        : "Worst first. Up and down go through them; T shows the one selected on the map.",
                "soft"));
        all.add(scenes(state));
        for (Finding finding : findings) {
            all.add(row(state, finding));
            if (finding.equals(state.shown().finding()) && !state.shown().ways().isEmpty()) {
                CutOut cutOut = new CutOut(state);
                VBox.setMargin(cutOut, new Insets(6, 0, 10, 0));
                all.add(cutOut);
            }
        }
        return all;
    }

    private static String title(List<Finding> findings) {
        long bad = findings.stream().filter(Finding::isBad).count();
        return findings.isEmpty()
                ? "Nothing found"
                : bad == 0 ? "Nothing bad; " + findings.size() + " to know" : findings.size() + " findings";
    }

    /** The names of the scenes over the columns of pips. */
    private Node scenes(State state) {
        HBox names = new HBox();
        names.setAlignment(Pos.BOTTOM_LEFT);
        names.getChildren().add(Nodes.spacer());
        if (state.reading().scenes().size() > 1) {
            for (var scene : state.reading().scenes()) {
                var label = Nodes.label(scene.name(), "caption");
                label.setWrapText(false);
                label.setMinWidth(pipWidth(state));
                label.setMaxWidth(pipWidth(state));
                label.setAlignment(Pos.CENTER);
                names.getChildren().add(label);
            }
        }
        names.setPadding(new Insets(6, 8, 2, 0));
        return names;
    }

    private static double pipWidth(State state) {
        int scenes = state.reading().scenes().size();
        return (scenes <= 6 ? 46 : 30) * state.textScale();
    }

    private Node row(State state, Finding finding) {
        Reading reading = state.reading();
        var title = Nodes.label(finding.words().title());
        title.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(title, Priority.ALWAYS);
        ClickRow line = new ClickRow(
                "finding",
                "finding-" + finding.identity(),
                finding.severity().word() + ": " + finding.words().title(),
                () -> store.select(new Selection.Trouble(finding.identity())),
                new Tally(finding.severity(), state.textScale()),
                title);
        if (reading.scenes().size() > 1) {
            HBox pips = new HBox();
            for (int i = 0; i < reading.scenes().size(); i++) {
                Circle pip = new Circle(4 * state.textScale());
                pip.getStyleClass().add("pip");
                if (finding.scenes().isEmpty() || finding.scenes().contains(i)) {
                    pip.getStyleClass().add(finding.severity().word());
                }
                HBox cell = new HBox(pip);
                cell.setAlignment(Pos.CENTER);
                cell.setMinWidth(pipWidth(state));
                pips.getChildren().add(cell);
            }
            line.getChildren().add(pips);
        }
        Nodes.mark(line, "selected", finding.equals(state.shown().finding()));
        line.addEventHandler(javafx.scene.input.MouseEvent.MOUSE_CLICKED, e -> {
            if (e.getClickCount() == 2) {
                store.go(Step.TRACE);
            }
        });
        return line;
    }

    /** Scrolls so far that the selected finding is seen. */
    private void reveal(State state) {
        Finding finding = state.shown().finding();
        if (finding == null || getViewportBounds() == null) {
            return;
        }
        box.getChildren().stream()
                .filter(n -> ("finding-" + finding.identity()).equals(n.getId()))
                .findFirst()
                .ifPresent(node -> {
                    box.applyCss();
                    box.layout();
                    double height = box.getHeight() - getViewportBounds().getHeight();
                    double top = node.getBoundsInParent().getMinY();
                    double now = getVvalue() * height;
                    if (height > 0
                            && (top < now || top > now + getViewportBounds().getHeight() - 170)) {
                        setVvalue(Math.clamp((top - 120) / height, 0, 1));
                    }
                });
    }
}
