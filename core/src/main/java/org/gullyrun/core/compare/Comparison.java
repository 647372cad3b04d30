package org.gullyrun.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/**
 * An earlier rig and a later one: what changed, and which change is to blame for which finding that has come.
 *
 * @param from the earlier rig with the ids of the later one, read
 * @param to the later rig, read
 * @param matching which elements were held to be the same
 * @param changes what changed, in the order of elements and settings
 * @param blame for each finding above a note that has come or got serious, the fewest changes found that bring it about;
 *     empty if even all together don't, as by a change of the brief
 * @param isWhole whether blame was worked out to the end
 */
public record Comparison(
        Reading from,
        Reading to,
        Matching matching,
        List<Change> changes,
        Map<Finding, List<Change>> blame,
        boolean isWhole) {

    /** Compares two rigs under one brief. */
    public static Comparison of(
            Audit audit, Rig earlier, Rig later, Brief brief, Matching matching, BooleanSupplier cancelled) {
        Rig named = RenamedRig.of(earlier, later, matching);
        Rig now = RenamedRig.bare(later);
        Reading from = audit.read(named, brief);
        Reading to = audit.read(now, brief, from);
        List<Change> changes = Changes.between(named, now);
        Blame search = new Blame(audit, from, changes, cancelled);
        Map<Finding, List<Change>> blame = new LinkedHashMap<>();
        for (Finding finding : come(audit, from, to)) {
            blame.put(finding, search.of(finding));
        }
        return new Comparison(from, to, matching, changes, blame, !cancelled.getAsBoolean());
    }

    /** Findings above a note that were not there, or have become major or critical. */
    private static List<Finding> come(Audit audit, Reading from, Reading to) {
        Map<String, Severity> was = new LinkedHashMap<>();
        from.findings().forEach(f -> was.put(f.identity(), f.severity()));
        return to.findings().stream()
                .filter(f -> audit.asks(f.rule()) && f.severity() != Severity.NOTE)
                .filter(f -> {
                    Severity before = was.get(f.identity());
                    return before == null || before == Severity.NOTE || f.isBad() && !before.atLeast(Severity.MAJOR);
                })
                .toList();
    }

    /** How much changed and what of it does harm, in a few words. */
    public String summary() {
        int bad = toBlame().size();
        int fine = changes.size() - bad;
        if (changes.isEmpty()) {
            return "Nothing is different.";
        }
        return count(changes.size(), "change") + ". "
                + (bad == 0
                        ? "None of them does any harm."
                        : bad + (bad == 1 ? " is" : " are") + " to blame for " + count(blame.size(), "finding") + "; "
                                + (fine == 1 ? "1 does" : fine + " do") + " no harm.")
                + (isWhole ? "" : " There was no time to look into all of them.");
    }

    private static String count(int n, String noun) {
        return n + " " + noun + (n == 1 ? "" : "s");
    }

    /** The findings for which a change is to blame, alone or with others, worst first. */
    public List<Finding> broughtBy(Change change) {
        return blame.entrySet().stream()
                .filter(e -> e.getValue().contains(change))
                .map(Map.Entry::getKey)
                .toList();
    }

    /** That it takes several changes to bring a finding about, in words to put after its title; empty where one does. */
    public String together(Finding finding) {
        int others = blame.getOrDefault(finding, List.of()).size() - 1;
        return others < 1 ? "" : " · together with " + count(others, "other change");
    }

    /** The changes to blame for something, those that bring most first. */
    public List<Change> toBlame() {
        return changes.stream()
                .filter(c -> !broughtBy(c).isEmpty())
                .sorted(Comparator.comparingInt((Change c) -> -weight(c)))
                .toList();
    }

    private int weight(Change change) {
        return broughtBy(change).stream().mapToInt(f -> f.severity().weight()).sum();
    }

    /** The changes that do no harm. */
    public List<Change> harmless() {
        return changes.stream().filter(c -> broughtBy(c).isEmpty()).toList();
    }

    /** The findings above a note that have gone. */
    public List<Finding> resolved() {
        Map<String, Severity> is = new LinkedHashMap<>();
        to.findings().forEach(f -> is.put(f.identity(), f.severity()));
        return from.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE && !is.containsKey(f.identity()))
                .toList();
    }

    /** The changes that take back what is to blame for something serious, and nothing else. */
    public List<Change> back() {
        List<Change> blamed = new ArrayList<>();
        for (Change change : toBlame()) {
            if (broughtBy(change).stream().anyMatch(Finding::isBad)) {
                blamed.add(change);
            }
        }
        return Changes.inverse(blamed);
    }

    /** What a change has done: where, and from what to what. */
    public String happened(Change change) {
        return Sentences.happened(from.rig(), to.rig(), change);
    }

    /** A change as a step that a person would take to make it. */
    public String said(Change change) {
        Rig rig = change instanceof Change.Remove ? from.rig() : to.rig();
        return Sentences.say(rig, change);
    }

    /** The name of the program or device that a change is in. */
    public String place(Change change) {
        Rig rig = change instanceof Change.Remove ? from.rig() : to.rig();
        Element element = rig.get(change.element());
        return rig.program(element).name();
    }
}
