package org.gullyrun.desktop.findings;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.fix.Together;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.SideOrBeneath;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** The rows of the Findings step: root causes, findings, and the scenes they occur in. */
final class FindingRows {
    private final Store store;
    /** Whether there is little room, so that scenes stand closer together. */
    private boolean narrow;

    FindingRows(Store store) {
        this.store = store;
    }

    void narrow(boolean is) {
        narrow = is;
    }

    boolean isNarrow() {
        return narrow;
    }

    /** A quiet heading. */
    Node heading(String text) {
        var label = Nodes.label(text, "section-title");
        VBox.setMargin(label, new Insets(16, 0, 4, 8));
        return label;
    }

    /** The change behind a group, with what it clears and costs; choosing it makes it. */
    Node cause(State state, RootCauses.Group group, int place) {
        boolean alone = group.standsAlone();
        var sentence = Nodes.label(group.fix().sentence(), "cause-title");
        var price = Nodes.label(
                (alone ? "" : "after those above: ") + group.price(),
                "small",
                group.isClean() ? "good-text" : "warn-text");
        price.setMinWidth(Region.USE_PREF_SIZE);
        price.setMaxWidth(230 * state.textScale());
        var sub = Nodes.label(where(state, group), "caption");
        VBox words = new VBox(1, sentence, sub);
        words.setMaxWidth(Double.MAX_VALUE);
        Button make = new Button(alone ? "Apply" : "Apply with those above");
        make.getStyleClass().setAll("button", "plain");
        make.setId("make-" + place);
        make.setMinWidth(Region.USE_PREF_SIZE);
        make.setAccessibleText(make.getText() + ": " + group.fix().sentence());
        make.setOnAction(e -> apply(state.causes().groups(), place));
        SideOrBeneath told = new SideOrBeneath(words, price, 240 * state.textScale());
        HBox.setHgrow(told, Priority.ALWAYS);
        HBox line = new HBox(14, told, make);
        line.setAlignment(Pos.TOP_LEFT);
        line.getStyleClass().add("cause");
        VBox.setMargin(line, new Insets(place == 0 ? 2 : 14, 0, 2, 0));
        return line;
    }

    /** Makes the change behind a group, with those before it unless it stands alone. */
    private void apply(List<RootCauses.Group> groups, int place) {
        try {
            store.change(Together.offered(store.state().surveyShown().rig(), groups, place));
        } catch (Changes.Conflict e) {
            store.tell(new Message("The rig has changed since this was found. Wait for the new root causes.", true));
        }
    }

    /** Where the settings are, and the scenes that something comes into or out of, as one finds them in the program. */
    private static String where(State state, RootCauses.Group group) {
        Rig rig = state.reading().rig();
        List<String> places = group.fix().changes().stream()
                .filter(c -> c instanceof Change.Add || rig.find(c.element()) != null)
                .map(c -> Sentences.where(rig, c))
                .distinct()
                .toList();
        return places.size() <= 2
                ? String.join(", ", places)
                : places.getFirst() + " and " + (places.size() - 1) + " more";
    }

    /** The names of the scenes over the columns of pips. */
    Node scenes(State state) {
        return SceneNames.over(state, pipWidth(state));
    }

    /** The room that the pips of all scenes take, the same in every row. */
    private double pipWidth(State state) {
        int scenes = state.reading().scenes().size();
        return (scenes > 6 ? 26 : narrow ? 22 : 46) * state.textScale();
    }

    /** One finding, or several that tell the same trouble at several listeners. */
    Node row(State state, JoinedFindings row) {
        Finding finding = row.first();
        boolean fits = fits(state, row);
        ClickRow line = new ClickRow(
                "finding",
                "finding-" + finding.identity(),
                finding.severity().word() + ": " + row.title() + (fits ? ", as reported" : ""),
                () -> store.select(new Selection.Trouble(finding.identity())),
                new Tally(finding.severity(), state.textScale()),
                fits ? titleThatFits(row.title()) : title(row.title()));
        line.setUserData(row);
        pips(state, finding, line);
        line.addEventHandler(MouseEvent.MOUSE_CLICKED, e -> {
            if (e.getClickCount() == 2) {
                store.go(Step.TRACE);
            }
        });
        return line;
    }

    /** The listeners of a row that tells of several: choosing one shows its routes. */
    Node listeners(State state, JoinedFindings row) {
        FlowPane names = new FlowPane(4, 4);
        names.setPadding(new Insets(2, 0, 4, 32 * state.textScale()));
        for (Finding each : row.findings()) {
            String listener = JoinedFindings.listener(state.reading().rig(), each);
            ClickRow choice = new ClickRow(
                    "listener",
                    "at-" + listener,
                    "Show " + each.words().title(),
                    () -> store.select(new Selection.Trouble(each.identity())),
                    Nodes.label(state.reading().rig().name(listener), "small"));
            Nodes.mark(choice, "selected", each.equals(state.shown().finding()));
            names.getChildren().add(choice);
        }
        return names;
    }

    /** Whether something that a row tells can be what the creator reports. */
    boolean fits(State state, JoinedFindings row) {
        Complaint complaint = state.what().terms().complaint();
        return row.findings().stream().anyMatch(f -> state.reading().fits(complaint, f));
    }

    /** A heading that takes as many lines as it needs. */
    private static Node titleThatFits(String text) {
        VBox words = new VBox(Nodes.label(text), Nodes.label("as reported", "caption"));
        HBox.setHgrow(words, Priority.ALWAYS);
        return words;
    }

    /** A heading that gives way to what stands beside it. */
    private static Node title(String text) {
        var title = Nodes.label(text);
        title.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(title, Priority.ALWAYS);
        return title;
    }

    /** Marks the scenes that a finding is about. */
    private void pips(State state, Finding finding, HBox line) {
        int scenes = state.reading().scenes().size();
        if (scenes > 1) {
            line.getChildren()
                    .add(ScenePips.of(
                            scenes,
                            scene -> finding.scenes().isEmpty()
                                    || finding.scenes().contains(scene),
                            finding.severity(),
                            pipWidth(state),
                            4 * state.textScale()));
        }
    }

    /** A finding that somebody lives with, with the reason; choosing it takes the waiver back. */
    Node waived(State state, Finding finding) {
        String reason = state.what().terms().waivers().stream()
                .filter(w -> w.finding().equals(finding.identity()))
                .map(Waiver::reason)
                .findFirst()
                .orElse("");
        VBox words = new VBox(title(finding.words().title()), Nodes.label("“" + reason + "”", "caption"));
        HBox.setHgrow(words, Priority.ALWAYS);
        Button back = new Button("Withdraw");
        back.getStyleClass().setAll("button", "plain");
        back.setId("unwaive-" + finding.identity());
        back.setMinWidth(Region.USE_PREF_SIZE);
        back.setOnAction(e -> store.edit(
                store.state().waiving(finding, ""),
                "no longer waive: " + finding.words().title()));
        HBox line = new HBox(9, new Tally(Severity.NOTE, state.textScale()), words, back);
        line.setAlignment(Pos.TOP_LEFT);
        line.setPadding(new Insets(4, 8, 4, 8));
        return line;
    }
}
