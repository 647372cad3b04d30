package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Judgement;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Dangling;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** What the evidence says while nothing is selected: what is wrong, and what to do next. */
final class Summary {
    /** How many rows are listed here. */
    private static final int MOST = 8;

    private final Store store;

    Summary(Store store) {
        this.store = store;
    }

    /** What is said while nothing is selected: how many sources, listeners and findings there are. */
    List<Node> content(State state) {
        List<Node> all = new ArrayList<>();
        Reading reading = state.reading();
        if (state.alerts().isNotAudited()) {
            all.add(Nodes.label("Not audited", "water-title"));
            all.add(Nodes.label(state.alerts().failure(), "soft"));
            return all;
        }
        int bad = reading.bad().size();
        Judgement judged = state.judgement();
        if (bad == 0 && !judged.isPossible()) {
            String missing = judged.missing();
            all.add(Nodes.label(
                    missing.substring(0, 1).toUpperCase(Locale.ROOT) + missing.substring(1), "water-title"));
            all.add(Nodes.label(judged.advice(), "soft"));
            if (reading.findings().isEmpty()) {
                return all;
            }
        } else if (bad == 0) {
            all.add(Nodes.label("Everything is as the brief asks", "water-title"));
            all.add(Nodes.label("Every listener hears what they should, and nothing they shouldn't.", "soft"));
        } else {
            all.add(Nodes.label("What is wrong", "water-title"));
            all.add(Nodes.label(outlets(reading), "soft"));
        }
        List<JoinedFindings> rows = JoinedFindings.of(reading.rig(), reading.findings());
        if (!rows.isEmpty()) {
            all.add(Nodes.rule());
        }
        for (JoinedFindings row : rows.subList(0, Math.min(MOST, rows.size()))) {
            Finding first = row.first();
            all.add(row(
                    new Tally(first.severity(), 0.85 * state.textScale()),
                    row.title(),
                    "find-" + first.identity(),
                    () -> store.select(new Selection.Trouble(first.identity()))));
        }
        if (rows.size() > MOST) {
            all.add(Nodes.label(more(rows.subList(MOST, rows.size())), "caption"));
        }
        lost(reading, all);
        all.add(Nodes.rule());
        all.add(Nodes.label(
                (rows.isEmpty() ? "" : "Press N for the next finding. ")
                        + "Click a token in a basin to see its routes, or a basin to see all that reaches it.",
                "caption"));
        return all;
    }

    /** What there is besides the first rows: notes are counted by themselves, as in Findings. */
    private static String more(List<JoinedFindings> rows) {
        long notes =
                rows.stream().filter(r -> r.first().severity() == Severity.NOTE).count();
        long others = rows.size() - notes;
        String said = notes == 0 ? "" : notes == 1 ? "1 note" : notes + " notes";
        return "and "
                + (others == 0 ? said : others + " more" + (notes == 0 ? "" : " and " + said))
                + " under Findings (key 4)";
    }

    /** The listeners that lack something or get what they shouldn't. */
    private static String outlets(Reading reading) {
        int all = reading.rig().of(Kind.OUTLET).size();
        int wrong = 0;
        for (int o = 0; o < all; o++) {
            boolean trouble = false;
            for (int s = 0; s < reading.rig().of(Kind.SOURCE).size(); s++) {
                int worst = reading.worstScene(s, o);
                trouble |= reading.isLoud(worst, reading.scenes().get(worst).cell(s, o));
            }
            wrong += trouble ? 1 : 0;
        }
        if (wrong == 0) {
            return "All listeners hear what they should. See what else was found.";
        } else if (all == 1) {
            return "The only listener is affected.";
        }
        return (wrong == all ? "All " + all : wrong + " of " + all)
                + (wrong == 1 ? " listeners is affected." : " listeners are affected.");
    }

    /** A sign and a text that can be clicked. */
    private Node row(Node sign, String text, String id, Runnable action) {
        var label = Nodes.label(text);
        HBox.setHgrow(label, Priority.ALWAYS);
        label.setMaxWidth(Double.MAX_VALUE);
        HBox.setMargin(sign, new Insets(3, 0, 0, 0));
        ClickRow line = new ClickRow("fix", id, text, action, sign, label);
        line.setAlignment(Pos.TOP_LEFT);
        return line;
    }

    /** References that lead nowhere: kept, and said. */
    private void lost(Reading reading, List<Node> into) {
        List<Dangling> dangling = Dangling.in(reading.rig());
        if (dangling.isEmpty()) {
            return;
        }
        into.add(Nodes.rule());
        into.add(Nodes.label("Refers to something that doesn't exist", "caption"));
        for (Dangling one : dangling.subList(0, Math.min(6, dangling.size()))) {
            Element element = reading.rig().get(one.at().element());
            Setting<?> setting = Catalogue.find(element.kind(), one.at().key());
            String what = setting == null ? one.at().key() : Sentences.label(reading.rig(), element, setting);
            into.add(row(
                    new Tally(Severity.MINOR, 0.85 * store.state().textScale()),
                    reading.rig().name(element.id()) + ", " + what + ": " + one.to() + " " + one.why(),
                    "lost-" + element.id(),
                    () -> store.select(new Selection.OfElement(element.id()))));
        }
    }
}
