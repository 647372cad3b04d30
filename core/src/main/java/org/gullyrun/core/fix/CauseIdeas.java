package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * What may be root causes of the findings that are open, weighed by how much of that each clears, or might: first what comes
 * from the evidence of each finding, and where that is not enough, what takes two changes. Where some changes have been agreed on,
 * only these, until none of them helps any more.
 */
final class CauseIdeas {
    /** A change that only goes with a second has to clear so many times as much as the best single one. */
    private static final int FAR_MORE = 2;
    /** What a critical or major finding counts, where another counts one. */
    private static final int BAD = 1000;
    /** Up to so many agreed changes are tried two at a time. */
    private static final int MOST_IN_PAIRS = 12;
    /** After so many findings that nothing fixes, no more are looked at one by one. */
    private static final int MOST_WITHOUT = 8;

    private final Fixes fixes;
    private final Trials trials;
    private final BooleanSupplier cancelled;
    private final Bounds bounds;
    private final Map<List<Change>, CauseCandidate> known = new LinkedHashMap<>();
    private final Set<List<Change>> useless = new HashSet<>();
    private final Set<String> seen = new HashSet<>();
    private Map<String, Finding> open = Map.of();
    private AffectedFindings touched;
    /** Of the agreed changes those that were not taken yet; null once any other may be taken too. */
    private @Nullable List<Change> agreed;

    /** How many changes may still be taken. */
    private int more;

    private int thought;
    private int withoutFix;

    /**
     * What a search keeps to.
     *
     * @param mostLeft it ends when more critical and major findings than this have no fix
     * @param mostChanges it ends when it would take more changes than this to leave no more findings
     * @param agreed what is taken before anything else is; empty where nothing has been agreed on
     */
    record Bounds(int mostLeft, int mostChanges, List<Change> agreed) {
        /** Everything is sought, by whatever changes. */
        static final Bounds NONE = new Bounds(Integer.MAX_VALUE, Integer.MAX_VALUE, List.of());

        Bounds {
            agreed = List.copyOf(agreed);
        }
    }

    CauseIdeas(Fixes fixes, Trials trials, Bounds bounds, BooleanSupplier cancelled) {
        this.fixes = fixes;
        this.trials = trials;
        this.bounds = bounds;
        this.more = bounds.mostChanges;
        this.agreed = bounds.agreed.isEmpty() ? null : new ArrayList<>(bounds.agreed);
        this.cancelled = cancelled;
        this.touched = new AffectedFindings(trials.now());
    }

    /** The findings that want a change, by identity. */
    Map<String, Finding> open() {
        return open;
    }

    /** Tells which findings want a change now. */
    void open(Reading now, Map<String, Finding> findings) {
        open = findings;
        touched = new AffectedFindings(now);
    }

    /** The candidates so far. */
    Collection<CauseCandidate> known() {
        return known.values();
    }

    /** Takes a candidate off that doesn't fit the rig as it stands. */
    void drop(CauseCandidate candidate) {
        known.remove(candidate.changes);
    }

    /** Takes a candidate off that the rig was given for good. */
    void taken(CauseCandidate candidate) {
        drop(candidate);
        more -= candidate.changes.size();
        known.values().removeIf(o -> o.changes.size() > more);
        if (agreed != null) {
            agreed.removeAll(candidate.changes);
        }
    }

    /** Takes a candidate off for all time. */
    void ruleOut(CauseCandidate candidate) {
        known.remove(candidate.changes);
        useless.add(candidate.changes);
    }

    /**
     * Collects what might clear each finding, and looks again at what nothing known clears: what was cleared may have
     * hidden what clears it. Whether there was anything to look at.
     */
    boolean lookAtTheRest() {
        Set<String> cleared = new HashSet<>();
        known.values().stream().filter(o -> !o.brings()).forEach(o -> cleared.addAll(o.clears()));
        boolean any = false;
        for (Finding finding : List.copyOf(open.values())) {
            if (cancelled.getAsBoolean()) {
                return any;
            }
            String identity = finding.identity();
            boolean isNew = seen.add(identity);
            if (isNew || !cleared.contains(identity) && seen.add(identity + "@" + trials.changes())) {
                collect(finding, cleared);
                any = true;
            }
        }
        return any;
    }

    /** Whether as many changes as may still be taken could clear all that has to be, if none clears more than the best. */
    boolean isInReach(CauseCandidate best) {
        if (bounds.mostChanges == Integer.MAX_VALUE) {
            return true;
        }
        long bad = open.values().stream().filter(Finding::isBad).count();
        return bad - bounds.mostLeft <= (long) more * (best.worth / BAD);
    }

    /** Collects what only comes into question where nothing else helps, once for each bad finding; whether there was any. */
    boolean lookFurther() {
        List<Change> rest = agreed;
        if (rest == null) {
            return lookAtLastIdeas() || lookAtPairs();
        }
        if (lookAtSeveralOf(rest)) {
            return true;
        }
        agreed = null;
        seen.clear();
        return true;
    }

    /** Collects the agreed changes that are left: each alone, else two at a time, else all at once; whether there was any. */
    private boolean lookAtSeveralOf(List<Change> rest) {
        List<List<Change>> two = new ArrayList<>();
        for (int i = 0; i < rest.size() && rest.size() <= MOST_IN_PAIRS; i++) {
            for (int k = i + 1; k < rest.size(); k++) {
                two.add(List.of(rest.get(i), rest.get(k)));
            }
        }
        return consider("one", rest.stream().map(List::of).toList())
                || consider("two", two)
                || consider("all", List.of(List.copyOf(rest)));
    }

    /** Collects some candidates for the worst that is open, once after each change that was taken; whether there was any. */
    private boolean consider(String which, List<List<Change>> some) {
        Finding worst =
                open.values().stream().filter(Finding::isBad).findFirst().orElse(null);
        if (worst == null || !seen.add(which + "@" + trials.changes())) {
            return false;
        }
        boolean any = false;
        for (List<Change> changes : some) {
            any |= !changes.isEmpty() && collected(changes, worst);
        }
        return any;
    }

    /** Collects a candidate for a finding, unless it has been ruled out; whether it wasn't known yet. */
    private boolean collected(List<Change> changes, Finding finding) {
        if (useless.contains(changes) || changes.size() > more) {
            return false;
        }
        boolean isNew = !known.containsKey(changes);
        consider(changes, finding);
        return isNew;
    }

    /** Collects other devices, and what is in the way from there, for each bad finding that nothing else clears; whether there was any. */
    private boolean lookAtLastIdeas() {
        boolean any = false;
        for (Finding finding : open.values()) {
            if (finding.isBad() && seen.add(finding.identity() + " further")) {
                for (List<Change> changes : fixes.lastIdeas(trials.now(), finding, cancelled)) {
                    any |= collected(changes, finding);
                }
            }
        }
        return any;
    }

    /** Collects the best fix of several changes for each bad finding that nothing clears by itself; whether there was any. */
    private boolean lookAtPairs() {
        boolean any = false;
        for (Finding finding : List.copyOf(open.values())) {
            if (withoutFix > Math.min(bounds.mostLeft, MOST_WITHOUT) || cancelled.getAsBoolean()) {
                return false;
            }
            if (finding.isBad() && seen.add(finding.identity() + " pairs")) {
                List<Fix> found = fixes.find(trials.now(), finding, cancelled);
                if (found.isEmpty()) {
                    withoutFix++;
                } else {
                    any |= collected(found.getFirst().changes(), finding);
                }
            }
        }
        return any;
    }

    /**
     * Collects what clears far more than the best single change once a second one takes back what it brings: of two buses
     * on each other's devices, say, neither can go back alone. Whether there was any.
     */
    boolean lookAtPairsOf(Set<CauseCandidate> blocked, CauseCandidate instead) {
        if (agreed != null) {
            return false;
        }
        boolean any = false;
        List<CauseCandidate> large = CauseCandidate.first(blocked, blocked.size(), o -> isWorthASecond(o, instead));
        for (CauseCandidate option : large) {
            Finding finding = open.values().stream()
                    .filter(f -> option.clears().contains(f.identity()))
                    .findFirst()
                    .orElseThrow();
            Fixes.Made made =
                    seen.add(option.changes + " pair") ? fixes.made(trials.now(), option.changes, finding) : null;
            Fix both = made == null
                    ? null
                    : new Pairs(fixes, trials.now(), finding, new ArrayList<>(), cancelled, x -> {}).completed(made);
            any |= both != null && collected(both.changes(), finding);
        }
        return any;
    }

    /**
     * Whether a change that does harm may be better with a second one than another alone: it clears far more, or as much
     * and leads where its name says, as the other doesn't.
     */
    private static boolean isWorthASecond(CauseCandidate large, CauseCandidate instead) {
        Fix fix = large.fix;
        Fix other = instead.fix;
        if (fix == null || other == null) {
            return false;
        }
        int net = large.worth - brought(fix);
        return (net > instead.worth || net == instead.worth && large.effort() < instead.effort())
                && (large.worth >= FAR_MORE * instead.worth
                        || fix.merit().namesakes() > other.merit().namesakes());
    }

    /** How much what a change brings counts, as what it clears does. */
    private static int brought(Fix fix) {
        return BAD * fix.merit().bad();
    }

    /** Collects what might clear a finding, and adds to a set what those might clear. */
    private void collect(Finding finding, Set<String> cleared) {
        for (List<Change> changes : fixes.candidates(trials.now(), finding)) {
            if (useless.contains(changes) || changes.size() > more || agreed != null && !agreed.containsAll(changes)) {
                continue;
            }
            CauseCandidate option = consider(changes, finding);
            if (!option.brings()) {
                cleared.addAll(option.clears());
            }
        }
    }

    /** A candidate for a finding, weighed by what it may clear. */
    private CauseCandidate consider(List<Change> changes, Finding finding) {
        CauseCandidate option = known.computeIfAbsent(
                changes, c -> new CauseCandidate(trials.now().rig(), c, thought++, fixes.restores(c)));
        if (!trials.isMade(option)) {
            if (option.fix != null || option.mayClear.isEmpty()) {
                option.fix = null;
                option.mayClear.clear();
                touched.by(changes, open.values()).forEach(f -> option.mayClear.add(f.identity()));
            }
            option.mayClear.add(finding.identity());
            weigh(option);
        }
        return option;
    }

    /** Counts again what a candidate clears of what is still open. */
    void weigh(CauseCandidate option) {
        option.worth = clears(option.clears());
    }

    /** Bad findings count more than any number of others. */
    int clears(Collection<String> identities) {
        int sum = 0;
        for (String identity : identities) {
            Finding finding = open.get(identity);
            sum += finding == null ? 0 : finding.isBad() ? BAD : 1;
        }
        return sum;
    }
}
