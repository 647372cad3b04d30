package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.ToIntFunction;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.jspecify.annotations.Nullable;

/**
 * Finds the settings that stand behind the findings of a reading: the change that clears most first, then on the rig so
 * changed the next, until nothing is left that a change can clear.
 *
 * <p>Needs: a reading and the audit that made it. Gives: groups of findings, each with the change behind it; what each
 * clears was found by making it, after those before it, and auditing again. Cost: one audit for each candidate, and a
 * few again where what came before may have changed its effect.
 */
public final class Causes {

    /**
     * The findings that go away by one change.
     *
     * @param remedy the change, and what it clears and alters on the rig as the groups before leave it
     * @param findings the findings of the reading that it clears, worst first
     */
    public record Group(Remedy remedy, List<Finding> findings) {
        public Group {
            findings = List.copyOf(findings);
        }
    }

    /**
     * What stands behind a reading.
     *
     * @param groups in the order in which the changes were made
     * @param left findings above a note that no change clears
     * @param done whether it was worked out to the end
     */
    public record Found(List<Group> groups, List<Finding> left, boolean done) {
        /** Nothing worked out yet. */
        public static final Found NOTHING = new Found(List.of(), List.of(), false);

        public Found {
            groups = List.copyOf(groups);
            left = List.copyOf(left);
        }

        /** How many findings the changes clear. */
        public int cleared() {
            return groups.stream().mapToInt(g -> g.findings().size()).sum();
        }
    }

    private final Remedies remedies;
    private final Reading first;
    private final BooleanSupplier cancelled;
    private final Consumer<Found> progress;
    /** What changes do, and after how many groups that was verified. */
    private record Tried(Remedy remedy, int at) {}

    private static final int MOST_TRIES = 40;
    private static final Function<ToIntFunction<Remedy>, Comparator<Tried>> ORDER =
            clears -> Comparator.comparingInt((Tried t) -> -clears.applyAsInt(t.remedy))
                    .thenComparingInt(t -> t.remedy.disturbance())
                    .thenComparingInt(t -> t.remedy.changes().size())
                    .thenComparing(t -> t.remedy.sentence());

    private final Map<List<Change>, Tried> known = new LinkedHashMap<>();
    private final Set<String> seen = new HashSet<>();
    private final Set<String> told = new HashSet<>();
    private final List<Group> groups = new ArrayList<>();
    private Reading now;
    private Map<String, Finding> open;

    private Causes(Audit audit, Reading reading, BooleanSupplier cancelled, Consumer<Found> progress) {
        this.remedies = new Remedies(audit);
        this.first = reading;
        this.now = reading;
        this.cancelled = cancelled;
        this.progress = progress;
        this.open = open(reading);
    }

    /**
     * Works out what stands behind the findings of a reading.
     *
     * @param cancelled asked before each trial; what was found so far is then given, not done
     * @param progress told of every group as it is found
     */
    public static Found of(Audit audit, Reading reading, BooleanSupplier cancelled, Consumer<Found> progress) {
        return new Causes(audit, reading, cancelled, progress).find();
    }

    private static Map<String, Finding> open(Reading reading) {
        Map<String, Finding> open = new LinkedHashMap<>();
        reading.findings().stream().filter(f -> f.severity() != Severity.NOTE).forEach(f -> open.put(f.identity(), f));
        return open;
    }

    private Found find() {
        while (!cancelled.getAsBoolean()) {
            Remedy best = best();
            if (best == null) {
                List<Finding> left = first.findings().stream()
                        .filter(f -> open.containsKey(f.identity()))
                        .toList();
                return new Found(groups, left, !cancelled.getAsBoolean());
            }
            take(best);
            progress.accept(new Found(groups, List.of(), false));
        }
        return new Found(groups, List.of(), false);
    }

    private void take(Remedy best) {
        Set<String> before = open.keySet();
        now = remedies.audit().read(Changes.apply(now.rig(), best.changes()), first.brief(), now);
        Map<String, Finding> after = open(now);
        List<Finding> gone = first.findings().stream()
                .filter(f -> before.contains(f.identity())
                        && (best.cleared().contains(f.identity()) || !after.containsKey(f.identity())))
                .toList();
        gone.forEach(f -> told.add(f.identity())); // what is down to minor counts as cleared, once
        told.forEach(after::remove);
        open = after;
        known.remove(best.changes());
        if (!gone.isEmpty()) {
            groups.add(new Group(best, gone));
        }
    }

    /** The change that clears most of what is open, verified on the rig as it stands; null if none clears anything. */
    private @Nullable Remedy best() {
        lookAtTheRest();
        List<Remedy> blocked = new ArrayList<>();
        Set<List<Change>> out = new HashSet<>();
        while (!cancelled.getAsBoolean()) {
            Tried top = known.values().stream()
                    .filter(t -> !out.contains(t.remedy.changes()) && clears(t.remedy) > 0)
                    .min(ORDER.apply(this::clears))
                    .orElse(null);
            if (top == null) {
                if (!lookAtTheRest()) {
                    return null;
                }
                continue;
            }
            List<Change> changes = top.remedy.changes();
            if (top.at < groups.size()) {
                Remedy again = remedies.tried(now, changes, null);
                if (again == null) {
                    known.remove(changes);
                } else {
                    known.put(changes, new Tried(again, groups.size()));
                }
            } else if (top.remedy.created().isEmpty()) {
                Remedy before = unblocking(blocked, top.remedy);
                return before == null ? top.remedy : before;
            } else {
                blocked.add(top.remedy);
                out.add(changes);
            }
        }
        return null;
    }

    /**
     * Collects what might clear each finding, and looks again at what nothing known clears: what was cleared may have
     * hidden what clears it. Whether there was anything to look at.
     */
    private boolean lookAtTheRest() {
        boolean any = false;
        for (Finding finding : List.copyOf(open.values())) {
            String identity = finding.identity();
            boolean isNew = seen.add(identity);
            if (isNew || !isCleared(identity) && seen.add(identity + "@" + groups.size())) {
                collect(finding);
                any = true;
            }
        }
        return any;
    }

    private boolean isCleared(String identity) {
        return known.values().stream()
                .anyMatch(
                        t -> t.remedy.created().isEmpty() && t.remedy.cleared().contains(identity));
    }

    /**
     * A change that makes way for one that clears more but would, as things stand, bring something new: of a default that
     * moved, say, while something that must not be there plays on it.
     */
    private @Nullable Remedy unblocking(List<Remedy> blocked, Remedy instead) {
        List<Remedy> small = known.values().stream()
                .filter(t -> t.remedy.created().isEmpty() && clears(t.remedy) > 0)
                .sorted(ORDER.apply(this::clears))
                .map(Tried::remedy)
                .toList();
        int tries = 0;
        for (Remedy large : blocked) {
            for (Remedy first : clears(large) > clears(instead) ? small : List.<Remedy>of()) {
                if (!concernsAlike(first, large)) {
                    continue;
                }
                if (cancelled.getAsBoolean() || ++tries > MOST_TRIES) {
                    return null;
                }
                Remedy fresh = remedies.tried(now, first.changes(), null);
                if (fresh == null || !fresh.created().isEmpty() || clears(fresh) == 0) {
                    continue;
                }
                Reading after = remedies.audit().read(Changes.apply(now.rig(), first.changes()), now.brief(), now);
                Remedy then = remedies.tried(after, large.changes(), null);
                if (then != null && then.created().isEmpty() && clears(then) > clears(instead)) {
                    return fresh;
                }
            }
        }
        return null;
    }

    /** Whether one clears something of a source or element about which the other brings something new. */
    private static boolean concernsAlike(Remedy first, Remedy large) {
        return large.created().stream()
                .anyMatch(c -> first.cleared().stream().anyMatch(f -> about(f).equals(about(c))));
    }

    private static String about(String identity) {
        String subject = identity.substring(identity.indexOf(':') + 1);
        int end = subject.indexOf('>');
        return end < 0 ? subject : subject.substring(0, end);
    }

    private void collect(Finding finding) {
        for (List<Change> changes : Candidates.of(now, finding)) {
            Tried was = known.get(changes);
            if ((was == null || was.at < groups.size()) && !cancelled.getAsBoolean()) {
                Remedy remedy = remedies.tried(now, changes, null);
                if (remedy != null) {
                    known.put(changes, new Tried(remedy, groups.size()));
                }
            }
        }
    }

    /** Bad findings count more than any number of others. */
    private int clears(Remedy remedy) {
        int sum = 0;
        for (String identity : remedy.cleared()) {
            Finding finding = open.get(identity);
            sum += finding == null ? 0 : finding.isBad() ? 1000 : 1;
        }
        return sum;
    }
}
