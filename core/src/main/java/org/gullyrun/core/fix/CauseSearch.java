package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.fix.RootCauses.Found;
import org.gullyrun.core.fix.RootCauses.Group;
import org.gullyrun.core.fix.RootCauses.Progress;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * The search for {@link RootCauses}.
 *
 * <p>Needs: a reading and the audit that made it. Gives: groups of findings, each with the change behind it; what each
 * clears was found by making it, after those before it, and auditing again.
 *
 * <p>Not every candidate is made: each is first held able to clear what it comes from the evidence of, and whatever has a
 * route that it touches ({@link AffectedFindings}); made and audited is what could clear most, until no other could clear more (lazy
 * greedy search, Minoux 1978). Cost: one audit for each that is made, some at a time on several threads.
 */
final class CauseSearch {
    private static final int MOST_TRIES = 40;
    /** So many candidates are made at a time: what comes next in turn is mostly needed too. */
    private static final int AT_A_TIME = 2;

    /** A change that only goes with a second has to clear so many times as much as the best single one. */
    private static final int FAR_MORE = 2;
    /** What a critical or major finding counts, where another counts one. */
    private static final int BAD = 1000;

    private final Audit audit;
    private final Reading first;
    private final BooleanSupplier cancelled;
    private final BooleanSupplier outOfTime;
    private final Consumer<Found> progress;
    private final List<Finding>
            wanted; // at first, and what was missing unseen: what only rose later belongs to no group

    private final Map<List<Change>, CauseCandidate> known = new LinkedHashMap<>();
    private final Set<List<Change>> useless = new HashSet<>();

    private final Set<String> seen = new HashSet<>();
    private final Set<String> told = new HashSet<>();
    private final List<Group> groups = new ArrayList<>();
    private final Fixes fixes;
    private final Trials trials;
    /** The search ends when more bad findings than this have no fix. */
    private final int mostLeft;

    private int thought;
    private int withoutFix;
    private AffectedFindings touched;
    private Map<String, Finding> open;

    CauseSearch(
            Fixes fixes,
            Reading reading,
            BooleanSupplier cancelled,
            BooleanSupplier outOfTime,
            int mostLeft,
            Consumer<Found> progress) {
        this.mostLeft = mostLeft;
        this.audit = fixes.audit();
        this.first = reading;
        this.touched = new AffectedFindings(reading);
        this.cancelled = () -> cancelled.getAsBoolean() || outOfTime.getAsBoolean();
        this.fixes = fixes;
        this.trials = new Trials(fixes, reading, this.cancelled);
        this.outOfTime = outOfTime;
        this.progress = progress;
        this.open = open(reading);
        this.wanted = new ArrayList<>(open.values());
    }

    /** The findings that still want a change, by identity. */
    private Map<String, Finding> open(Reading reading) {
        Map<String, Finding> open = new LinkedHashMap<>();
        // A reading may hold findings of rules that are not asked again: nothing can be said of what clears those.
        reading.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE && audit.asks(f.rule()))
                .forEach(f -> open.put(f.identity(), f));
        return open;
    }

    /** Takes the best change again and again until nothing serious is left or nothing helps. */
    Found find() {
        while (!cancelled.getAsBoolean()) {
            CauseCandidate best = best();
            if (best == null) {
                List<Finding> left = wanted.stream()
                        .filter(f -> open.containsKey(f.identity()))
                        .toList();
                return new Found(groups, left, ended(Progress.DONE));
            }
            if (!take(best, Objects.requireNonNull(best.fix))) {
                continue;
            }
            progress.accept(new Found(groups, List.of(), Progress.WORKING));
        }
        return new Found(groups, List.of(), ended(Progress.WORKING));
    }

    /** How far the search came, if it ends now. */
    private Progress ended(Progress otherwise) {
        return outOfTime.getAsBoolean()
                ? Progress.OUT_OF_TIME
                : cancelled.getAsBoolean() ? Progress.WORKING : otherwise;
    }

    /** Takes a change for the next round; not one that only clears what others have caused, as it would not be listed. */
    private boolean take(CauseCandidate best, Fix fix) {
        Set<String> before = open.keySet();
        Map<String, Finding> after = open(trials.after(best));
        List<Finding> gone = wanted.stream()
                .filter(f -> before.contains(f.identity())
                        && (fix.cleared().contains(f.identity()) || !after.containsKey(f.identity())))
                .toList();
        if (gone.isEmpty()) {
            known.remove(best.changes);
            useless.add(best.changes);
            return false;
        }
        trials.take(best);
        touched = new AffectedFindings(trials.now());
        gone.forEach(f -> told.add(f.identity())); // what is down to minor counts as cleared, once
        told.forEach(after::remove);
        after.values().stream()
                .filter(f ->
                        !wanted.contains(f) && !before.contains(f.identity()) && first.lackedUnseen(trials.now(), f))
                .forEach(wanted::add);
        open = after;
        known.remove(best.changes);
        for (CauseCandidate option : known.values()) {
            option.stuck = option.brings() && !best.concernsAlike(option);
            if (!option.stuck) {
                option.afterOthers.clear();
            }
            option.after = null;
            weigh(option);
        }
        groups.add(new Group(fix, gone, best.alone == null ? alone(best) : best.alone));
        return true;
    }

    /** What a candidate does on the rig as it was found; null if it does not fit that. */
    private @Nullable Fix alone(CauseCandidate candidate) {
        Fixes.Made made = fixes.made(first, candidate.changes);
        return made == null ? null : made.fix();
    }

    /** Sets aside those of some candidates that are certain to lose a must; whether there was one. */
    private boolean lose(List<CauseCandidate> candidates) {
        List<CauseCandidate> lost = trials.lose(candidates);
        lost.forEach(this::weigh);
        return !lost.isEmpty();
    }

    /** Makes candidates in parallel: each is an audit of its own. */
    private void make(List<CauseCandidate> candidates) {
        List<CauseCandidate> made = trials.make(candidates);
        for (CauseCandidate candidate : made) {
            if (trials.isMade(candidate) && candidate.fix == null) {
                known.remove(candidate.changes);
            }
            weigh(candidate);
        }
        trials.keep(made);
    }

    /** The change that clears most of what is open, verified on the rig as it stands; null if none clears anything. */
    private @Nullable CauseCandidate best() {
        lookAtTheRest();
        Set<CauseCandidate> blocked = Collections.newSetFromMap(new IdentityHashMap<>());
        known.values().stream().filter(o -> o.stuck).forEach(blocked::add);
        while (!cancelled.getAsBoolean()) {
            List<CauseCandidate> inTurn = CauseCandidate.first(known.values(), AT_A_TIME, o -> !blocked.contains(o));
            if (inTurn.isEmpty()) {
                if (!lookAtTheRest() && blocked.stream().noneMatch(o -> o.stuck) && !lookFurther() && !lookAtPairs()) {
                    return null;
                }
                blocked.removeIf(o -> o.stuck); // nothing else is left: they are looked at once more
                for (CauseCandidate option : known.values()) {
                    option.stuck = false;
                    option.afterOthers.clear();
                }
                continue;
            }
            CauseCandidate top = inTurn.getFirst();
            if (lose(inTurn)) {
                continue;
            }
            if (!trials.isMade(top)) {
                make(CauseCandidate.first(known.values(), AT_A_TIME, o -> !blocked.contains(o) && !trials.isMade(o)));
            } else if (!top.brings()) {
                CauseCandidate before = unblocking(CauseCandidate.first(blocked, blocked.size(), x -> true), top);
                if (before == null && lookAtPairsOf(blocked, top)) {
                    continue;
                }
                return before == null ? top : before;
            } else {
                blocked.add(top);
            }
        }
        return null;
    }

    /**
     * Collects what might clear each finding, and looks again at what nothing known clears: what was cleared may have
     * hidden what clears it. Whether there was anything to look at.
     */
    private boolean lookAtTheRest() {
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

    /** Collects what only comes into question where nothing else helps, once for each bad finding; whether there was any. */
    private boolean lookFurther() {
        boolean any = false;
        for (Finding finding : open.values()) {
            if (finding.isBad() && seen.add(finding.identity() + " further")) {
                for (List<Change> changes : fixes.lastIdeas(trials.now(), finding)) {
                    any |= !known.containsKey(changes);
                    consider(changes, finding);
                }
            }
        }
        return any;
    }

    /** Collects the best fix of several changes for each bad finding that nothing clears by itself; whether there was any. */
    private boolean lookAtPairs() {
        boolean any = false;
        for (Finding finding : List.copyOf(open.values())) {
            if (withoutFix > mostLeft || cancelled.getAsBoolean()) {
                return false;
            }
            if (finding.isBad() && seen.add(finding.identity() + " pairs")) {
                List<Fix> found = fixes.find(trials.now(), finding, cancelled);
                if (found.isEmpty()) {
                    withoutFix++;
                } else if (!useless.contains(found.getFirst().changes())) {
                    any |= !known.containsKey(found.getFirst().changes());
                    consider(found.getFirst().changes(), finding);
                }
            }
        }
        return any;
    }

    /**
     * Collects what clears far more than the best single change once a second one takes back what it brings: of two buses
     * on each other's devices, say, neither can go back alone. Whether there was any.
     */
    private boolean lookAtPairsOf(Set<CauseCandidate> blocked, CauseCandidate instead) {
        boolean any = false;
        List<CauseCandidate> large = CauseCandidate.first(
                blocked,
                blocked.size(),
                o -> o.fix != null && o.worth >= FAR_MORE * instead.worth && o.worth - brought(o.fix) > instead.worth);
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
            if (both != null && !useless.contains(both.changes())) {
                any |= !known.containsKey(both.changes());
                consider(both.changes(), finding);
            }
        }
        return any;
    }

    /** How much what a change brings counts, as what it clears does. */
    private static int brought(Fix fix) {
        return BAD * fix.merit().bad();
    }

    /**
     * A change that makes way for one that clears more but would, as things stand, bring something new: of a default that
     * moved, say, while something that must not be there plays on it.
     */
    private @Nullable CauseCandidate unblocking(List<CauseCandidate> blocked, CauseCandidate instead) {
        int tries = 0;
        for (CauseCandidate large : blocked) {
            if (large.worth <= instead.worth || tries == MOST_TRIES) {
                continue;
            }
            List<CauseCandidate> small = oneOrTwoOfEach(
                    large,
                    CauseCandidate.first(
                            known.values(),
                            MOST_TRIES - tries,
                            o -> !o.brings() && o.concernsAlike(large) && mayMakeWay(o, large, instead.worth)));
            for (int i = 0; i < small.size() && !cancelled.getAsBoolean(); i += AT_A_TIME) {
                List<CauseCandidate> some = small.subList(i, Math.min(i + AT_A_TIME, small.size()));
                tries += some.size();
                lose(some);
                make(some);
                List<CauseCandidate> fit = some.stream()
                        .filter(o -> trials.isMade(o) && o.fix != null && !o.brings() && o.worth > 0)
                        .toList();
                List<@Nullable Set<String>> then = fit.parallelStream()
                        .map(o -> trials.clearedAfter(o, large))
                        .toList();
                for (int k = 0; k < fit.size(); k++) {
                    large.afterOthers.put(fit.get(k), then.get(k));
                    if (mayMakeWay(fit.get(k), large, instead.worth)) {
                        return fit.get(k);
                    }
                }
            }
        }
        return null;
    }

    /**
     * Of those that set the same thing, a program on one device or another, say, so many that two have been tried: where
     * those don't make way, it isn't for want of a device.
     */
    private static List<CauseCandidate> oneOrTwoOfEach(CauseCandidate large, List<CauseCandidate> small) {
        Map<List<Object>, Integer> met = new HashMap<>();
        large.afterOthers.keySet().forEach(o -> met.merge(o.settings(), 1, Integer::sum));
        return small.stream()
                .filter(o -> large.afterOthers.containsKey(o) || met.merge(o.settings(), 1, Integer::sum) <= 2)
                .toList();
    }

    /** Whether one change is not known to clear less than so much after another, or to bring something even then. */
    private boolean mayMakeWay(CauseCandidate small, CauseCandidate large, int worth) {
        if (!large.afterOthers.containsKey(small)) {
            return true;
        }
        Set<String> cleared = large.afterOthers.get(small);
        return cleared != null && clears(cleared) > worth;
    }

    /** Collects what might clear a finding, and adds to a set what those might clear. */
    private void collect(Finding finding, Set<String> cleared) {
        for (List<Change> changes : fixes.candidates(trials.now(), finding)) {
            if (useless.contains(changes)) {
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
        CauseCandidate option =
                known.computeIfAbsent(changes, c -> new CauseCandidate(c, thought++, fixes.restores(c)));
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
    private void weigh(CauseCandidate option) {
        option.worth = clears(option.clears());
    }

    /** Bad findings count more than any number of others. */
    private int clears(Collection<String> identities) {
        int sum = 0;
        for (String identity : identities) {
            Finding finding = open.get(identity);
            sum += finding == null ? 0 : finding.isBad() ? BAD : 1;
        }
        return sum;
    }
}
