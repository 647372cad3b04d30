package org.gullyrun.desktop.findings;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Judgement;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.desktop.look.KeptNodes;
import org.gullyrun.desktop.look.LongList;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.SideOrBeneath;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/**
 * The step Findings: all findings grouped by root cause, with the scenes that have them and a cut-out of
 * the one selected.
 */
public final class FindingsView extends ScrollPane {
    /** Below this width at 100 % text, scenes take less room beside the findings. */
    private static final double NARROW = 560;

    private final LongList list = new LongList(1);
    private final FindingRows rows;
    private final FilterRow filters;
    private final KeptNodes kept = new KeptNodes();

    /** The findings of what the store holds. */
    public FindingsView(Store store) {
        this.rows = new FindingRows(store);
        this.filters = new FilterRow(store);
        setId("findings");
        getStyleClass().addAll("plain-scroll", "sheet");
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        list.setPadding(new Insets(16, 20, 20, 22));
        setContent(list);
        Nodes.uncached(this);
        store.watch(this::update);
        widthProperty().addListener(x -> update(store.state(), store.state()));
    }

    /** Draws the rows anew when findings, root causes, filter or width differ; while out of sight nothing. */
    private void update(State before, State now) {
        if (now.step() != Step.FINDINGS) {
            return; // it is not seen: nothing is drawn until it is
        }
        boolean narrow = getWidth() > 0 && getWidth() < NARROW * now.textScale();
        boolean same = narrow == rows.isNarrow()
                && before.step() == now.step()
                && before.reading() == now.reading()
                && (before.shown() == now.shown()
                        || before.shown().finding() == null && now.shown().finding() == null)
                && before.causes() == now.causes()
                && before.alerts().equals(now.alerts())
                && before.filter() == now.filter()
                && before.scene() == now.scene()
                && before.textScale() == now.textScale();
        if (same && !list.getChildren().isEmpty()) {
            return;
        }
        boolean hadFocus = getScene() != null
                && getScene().getFocusOwner() instanceof Node owner
                && owner.getId() != null
                && owner.getId().startsWith("finding-");
        String focused = hadFocus ? getScene().getFocusOwner().getId() : "";
        double offset = getVvalue() * spare();
        Node held = held(before, now, offset);
        double below = held == null ? 0 : list.top(held) - offset;
        rows.narrow(narrow);
        kept.begin();
        list.show(content(now));
        kept.end();
        if (isVisible() && getScene() != null) {
            // The place is one in the new list, whose height is known only when it has been laid out.
            applyCss();
            layout();
        }
        Node again = held == null ? null : counterpart(held);
        double to = again == null ? offset : list.top(again) - below;
        setVvalue(spare() > 0 ? Math.clamp(to / spare(), 0, 1) : 0);
        if (hadFocus && lookup("#" + focused) instanceof Node owner) {
            owner.requestFocus();
        }
        reveal(now);
    }

    /** Root causes first, then what has none, then notes. */
    private List<Node> content(State state) {
        List<Node> all = new ArrayList<>();
        Reading reading = state.reading();
        List<Finding> wanted = state.wanted();
        all.add(head(state));
        all.add(Nodes.label(beneath(state, wanted), "soft"));
        if (!reading.findings().isEmpty()) {
            all.add(kept.of("filters", List.of(state.filter(), reading, state.textScale()), () -> filters.row(state)));
        }
        all.add(kept.of("scenes", List.of(reading, state.textScale(), rows.isNarrow()), () -> rows.scenes(state)));
        reading.unfinished().forEach(u -> all.add(Nodes.label(u.sentence(), "soft")));
        if (wanted.isEmpty() && !reading.findings().isEmpty()) {
            all.add(Nodes.label("No findings match the filter. “Show all” lists them again.", "soft"));
        }
        Map<String, Finding> known = byIdentity(wanted);
        Set<String> told = new HashSet<>();
        int place = 0;
        for (RootCauses.Group group : state.causes().groups()) {
            List<Finding> here = group.findings().stream()
                    .map(f -> known.get(f.identity()))
                    .filter(f -> f != null && told.add(f.identity()))
                    .toList();
            if (!here.isEmpty()) {
                int at = place;
                Node cause = kept.of(
                        "cause " + place,
                        List.of(group, reading.rig(), state.textScale()),
                        () -> rows.cause(state, group, at));
                Nodes.mark(cause, "old", state.alerts().causesOld());
                all.add(cause);
                add(state, here, all);
            }
            place++;
        }
        List<Finding> rest =
                wanted.stream().filter(f -> !told.contains(f.identity())).toList();
        boolean grouped = !told.isEmpty();
        section(state, grouped ? "No common cause" : "", worse(rest, true), all);
        section(state, grouped || !worse(rest, true).isEmpty() ? "Notes" : "", worse(rest, false), all);
        List<Finding> waived = reading.waived().stream()
                .filter(f -> state.filter().lets(f, state.scene()))
                .toList();
        if (!waived.isEmpty()) {
            all.add(rows.heading("Waived until something they are based on changes"));
            waived.forEach(f -> all.add(rows.waived(state, f)));
        }
        return all;
    }

    /** The heading, with progress while causes are sought. */
    private Node head(State state) {
        Reading reading = state.reading();
        HBox counts = new HBox(18);
        for (Severity severity : Severity.values()) {
            long n = reading.count(severity);
            if (n > 0) {
                String said = n + " " + severity.word() + (severity == Severity.NOTE && n > 1 ? "s" : "");
                Label number = Nodes.label(rows.isNarrow() ? Long.toString(n) : said);
                number.setAccessibleText(said);
                number.setWrapText(false);
                number.setMinWidth(USE_PREF_SIZE);
                HBox count = new HBox(6, new Tally(severity, 0.9 * state.textScale()), number);
                count.setAlignment(Pos.CENTER_LEFT);
                counts.getChildren().add(count);
            }
        }
        counts.setAlignment(Pos.CENTER_LEFT);
        return new SideOrBeneath(Nodes.label(title(state), "title"), counts, 250 * state.textScale());
    }

    /** One sentence on how many changes fix how many findings. */
    private static String title(State state) {
        List<Finding> findings = state.reading().findings();
        long above =
                findings.stream().filter(f -> f.severity() != Severity.NOTE).count();
        if (state.alerts().isNotAudited()) {
            return "Not audited";
        }
        if (findings.isEmpty()) {
            String missing = state.judgement().missing();
            return missing.isEmpty() ? "Clear" : "Nothing found, " + missing;
        }
        if (state.reading().bad().isEmpty()) {
            return "Nothing serious; " + findings.size() + (findings.size() == 1 ? " note" : " notes");
        }
        RootCauses.Found causes = state.causes();
        if (!causes.ended() || state.alerts().causesOld() || causes.groups().isEmpty()) {
            return above + (above == 1 ? " finding" : " findings");
        }
        int changes = causes.changes();
        Map<String, Finding> known = byIdentity(findings);
        long cleared = causes.groups().stream()
                .flatMap(g -> g.findings().stream())
                .filter(f -> known.containsKey(f.identity()))
                .count();
        return changes
                + (changes == 1 ? " change fixes " : " changes fix ")
                + (cleared == above && above > 1 ? "all " : "")
                + cleared
                + (cleared == 1 ? " finding" : " findings");
    }

    /** What is still missing to judge, or hidden by the filter. */
    private static String beneath(State state, List<Finding> wanted) {
        if (state.alerts().isNotAudited()) {
            return state.reading().findings().isEmpty()
                    ? state.alerts().failure()
                    : "These findings are from before the last change. "
                            + state.alerts().failure();
        }
        if (state.reading().findings().isEmpty()) {
            Judgement judged = state.judgement();
            return judged.isPossible() ? "Every listener hears what the brief says, in every scene." : judged.advice();
        }
        String hidden = state.reading().findings().size() == wanted.size()
                ? ""
                : wanted.size() + " of " + state.reading().findings().size() + " shown. ";
        boolean bad = state.reading().findings().stream().anyMatch(f -> f.severity() != Severity.NOTE);
        if (bad && state.alerts().causesOld() && !state.causes().groups().isEmpty()) {
            return hidden + "Looking for root causes … The ones shown are from before the last change.";
        }
        if (state.causes().state() == RootCauses.Progress.OUT_OF_TIME) {
            return hidden + "Not every change was tried: there may be more root causes.";
        }
        return hidden
                + (bad && !state.causes().done()
                        ? "Looking for root causes …"
                        : "Grouped by root cause, worst first. Up and down move through them, T shows one on the map,"
                                + " W waives it, C copies it for the creator."
                                + (bad ? leftAlone(state.ruledOut().size()) : ""));
    }

    private static String leftAlone(int ruledOut) {
        return switch (ruledOut) {
            case 0 -> "";
            case 1 -> " One setting is left alone, as ruled out in Repair.";
            default -> " " + ruledOut + " settings are left alone, as ruled out in Repair.";
        };
    }

    private static Map<String, Finding> byIdentity(List<Finding> findings) {
        return findings.stream().collect(Collectors.toMap(Finding::identity, f -> f, (one, other) -> one));
    }

    /** Those above a note, or the notes. */
    private static List<Finding> worse(List<Finding> findings, boolean aboveNote) {
        return findings.stream()
                .filter(f -> aboveNote == (f.severity() != Severity.NOTE))
                .toList();
    }

    /** A part with its heading; nothing if it is empty. */
    private void section(State state, String heading, List<Finding> findings, List<Node> all) {
        if (!findings.isEmpty()) {
            if (!heading.isEmpty()) {
                all.add(rows.heading(heading));
            }
            add(state, findings, all);
        }
    }

    /** Adds one row for findings that tell the same trouble at several listeners. */
    private void add(State state, List<Finding> findings, List<Node> all) {
        Finding shown = state.shown().finding();
        for (JoinedFindings row : JoinedFindings.of(state.reading().rig(), findings)) {
            boolean chosen = shown != null && row.holds(shown.identity());
            Node line = kept.of(
                    row.first().identity(),
                    List.of(
                            row,
                            state.reading().scenes().size(),
                            state.textScale(),
                            rows.isNarrow(),
                            rows.fits(state, row)),
                    () -> rows.row(state, row));
            Nodes.mark(line, "selected", chosen);
            all.add(line);
            if (!chosen) {
                continue;
            }
            if (row.findings().size() > 1) {
                all.add(LongList.extra(rows.listeners(state, row)));
            }
            if (!state.shown().routes().isEmpty()) {
                ScrollPane cutOut = CutOut.scrolled(state);
                VBox.setMargin(cutOut, new Insets(6, 0, 10, 0));
                all.add(LongList.extra(cutOut));
            }
        }
    }

    /** The row that stays where it is while others come above it: the selected one, or the first in sight; none at the top. */
    private @Nullable Node held(State before, State now, double offset) {
        Finding finding = now.shown().finding();
        String selected = finding != null && finding.equals(before.shown().finding()) ? finding.identity() : "";
        List<Node> inSight = offset <= 0
                ? List.of()
                : list.rows()
                        .filter(n -> n.getUserData() instanceof JoinedFindings
                                && list.top(n) >= offset
                                && list.top(n) < offset + getViewportBounds().getHeight())
                        .toList();
        return inSight.stream()
                .filter(n -> n.getUserData() instanceof JoinedFindings row && row.holds(selected))
                .findFirst()
                .orElse(inSight.isEmpty() ? null : inSight.getFirst());
    }

    /** The row that tells now what another told before; null if it is gone. */
    private @Nullable Node counterpart(Node row) {
        return list.rows()
                .filter(n -> n == row
                        || n.getUserData() instanceof JoinedFindings now
                                && row.getUserData() instanceof JoinedFindings was
                                && now.holds(was.first().identity()))
                .findFirst()
                .orElse(null);
    }

    /** By how much the list is higher than its room. */
    private double spare() {
        return getViewportBounds() == null
                ? 0
                : Math.max(0, list.getHeight() - getViewportBounds().getHeight());
    }

    /** Scrolls so far that the selected finding is seen. */
    private void reveal(State state) {
        Finding finding = state.shown().finding();
        if (finding == null || getViewportBounds() == null) {
            return;
        }
        list.rows()
                .filter(n -> n.getUserData() instanceof JoinedFindings row && row.holds(finding.identity()))
                .findFirst()
                .ifPresent(node -> {
                    double height = spare();
                    double top = list.top(node);
                    double now = getVvalue() * height;
                    if (height > 0
                            && (top < now || top > now + getViewportBounds().getHeight() - 170)) {
                        setVvalue(Math.clamp((top - 120) / height, 0, 1));
                    }
                });
    }
}
