package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.compare.Difference;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** What is different between two states: for whom, which findings come and go; of a pair, before and now side by side. */
final class DifferenceSheet {
    private static final int MOST = 6;

    private final Store store;

    DifferenceSheet(Store store) {
        this.store = store;
    }

    List<Node> content(State state, Against against) {
        List<Node> all = new ArrayList<>();
        boolean tried = against.kind() == Against.Kind.WHAT_IF;
        if (state.selection() instanceof Selection.Pair(String source, String outlet)) {
            CellReading[] cells = against.cells(source, outlet);
            if (cells != null) {
                pair(all, cells[0], cells[1]);
                all.add(Nodes.rule());
                offers(all, tried);
                return all;
            }
        }
        Difference difference = against.difference();
        all.add(Nodes.label(title(against.asked()), "water-title"));
        all.add(Nodes.label(tried ? "Tried on a copy. Nothing has changed yet." : "Hold B to see how it was.", "soft"));
        for (int i = 0; tried && i < against.asked().sentences().size(); i++) {
            all.add(change(against.asked().sentences().get(i), i));
        }
        if (difference.isNothing()) {
            all.add(Nodes.label("Nothing changes for any listener.", "good-text"));
        }
        heard(all, "Newly heard", difference.gained());
        heard(all, "No longer heard", difference.lost());
        heard(all, "Heard differently", difference.moved());
        findings(all, "Resolved", difference.gone(), against.asked().before().rig(), "good-text");
        findings(all, "New", difference.come(), against.asked().after().rig(), "bad-text");
        all.add(Nodes.rule());
        offers(all, tried);
        return all;
    }

    private static String title(Against.Asked asked) {
        return switch (asked.kind()) {
            case WHAT_IF, FIX -> "What would be different";
            case STEP -> "What this step does";
            case COMPARE -> "Since " + asked.than();
        };
    }

    /** One of the changes that are tried, with a way to leave it out. */
    private Node change(String sentence, int place) {
        Label what = Nodes.label(sentence, "strong");
        HBox.setHgrow(what, Priority.ALWAYS);
        what.setMaxWidth(Double.MAX_VALUE);
        Label out = Nodes.label("leave out", "small", "link-text");
        out.setMinWidth(Label.USE_PREF_SIZE);
        return new ClickRow(
                "fix",
                "tried-" + place,
                "Leave out: " + sentence,
                () -> store.tryout().drop(place),
                what,
                out);
    }

    /** By listener, which sources. */
    private static void heard(List<Node> all, String heading, List<Difference.Heard> lines) {
        if (lines.isEmpty()) {
            return;
        }
        all.add(Nodes.label(heading, "caption"));
        for (Difference.Heard line : lines.subList(0, Math.min(MOST, lines.size()))) {
            Label name = Nodes.label(line.name(), "strong", line.isWrong() ? "bad-text" : "water-text");
            name.setMinWidth(92);
            name.setMaxWidth(92);
            all.add(new HBox(8, name, Nodes.label(String.join(", ", line.sources()))));
        }
        if (lines.size() > MOST) {
            all.add(Nodes.label("and " + (lines.size() - MOST) + " more listeners", "caption"));
        }
    }

    private static void findings(List<Node> all, String heading, List<Finding> findings, Rig rig, String tone) {
        if (findings.isEmpty()) {
            return;
        }
        all.add(Nodes.label(
                heading + ": " + findings.size() + (findings.size() == 1 ? " finding" : " findings"), "small", tone));
        List<JoinedFindings> rows = JoinedFindings.of(rig, findings);
        for (JoinedFindings row : rows.subList(0, Math.min(MOST, rows.size()))) {
            all.add(new HBox(8, new Tally(row.first().severity(), 0.8), Nodes.label(row.title())));
        }
        if (rows.size() > MOST) {
            all.add(Nodes.label("and " + (rows.size() - MOST) + " more", "caption"));
        }
    }

    /** What can be done now. */
    private void offers(List<Node> all, boolean tried) {
        if (tried) {
            all.add(offer(
                    "tried-more",
                    "Try another change as well …",
                    "I",
                    () -> store.tryout().askMore()));
            all.add(offer(
                    "tried-keep", "Keep", "Ctrl Enter", () -> store.tryout().keep()));
            all.add(offer(
                    "tried-plan",
                    "Plan the repair with it",
                    "5",
                    () -> store.tryout().plan()));
        }
        all.add(offer(
                "tried-end",
                tried ? "Discard" : "Close",
                "Esc",
                () -> store.tryout().end()));
    }

    private static Node offer(String id, String name, String keys, Runnable run) {
        Label words = Nodes.label(name, id.equals("tried-keep") ? "strong" : "plain");
        Label cap = Nodes.label(keys, "key-cap");
        cap.setMinWidth(Label.USE_PREF_SIZE);
        return new ClickRow("fix", id, name, run, words, Nodes.spacer(), cap);
    }

    /** A pair, before and now. */
    private static void pair(List<Node> all, CellReading was, CellReading is) {
        all.add(Nodes.label(is.source().name() + " → " + is.outlet().name(), "water-title"));
        GridPane grid = new GridPane(14, 5);
        grid.setId("before-and-now");
        grid.addRow(0, Nodes.label(""), Nodes.label("before", "caption"), Nodes.label("now", "caption"));
        row(grid, 1, "verdict", was.verdict().word(), is.verdict().word());
        row(grid, 2, "level", level(was), level(is));
        row(grid, 3, "delay", delay(was), delay(is));
        row(grid, 4, "routes", routes(was), routes(is));
        all.add(grid);
    }

    private static void row(GridPane grid, int at, String what, String was, String is) {
        Label before = Nodes.label(was, "figures", "soft");
        Label now = Nodes.label(is, "figures", was.equals(is) ? "soft" : "strong");
        grid.addRow(at, Nodes.label(what, "caption"), before, now);
    }

    private static String level(CellReading cell) {
        return cell.delivery().arrives() ? Decimals.one(cell.usualLevel()) + " dBFS" : "nothing";
    }

    private static String delay(CellReading cell) {
        return cell.delivery().arrives() ? Decimals.whole(cell.delivery().strongestDelay()) + " ms" : "–";
    }

    private static String routes(CellReading cell) {
        return (cell.delivery().atLeast() ? "at least " : "") + cell.delivery().routes();
    }
}
