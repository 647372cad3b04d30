package org.gullyrun.core.fix;

import java.util.ArrayList;
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
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.fix.RootCauses.Found;
import org.gullyrun.core.fix.RootCauses.Group;
import org.gullyrun.core.fix.RootCauses.Progress;
import org.gullyrun.core.rig.Changes;
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

    private final Audit audit;
    private final Reading first;
    private final BooleanSupplier cancelled;
    private final BooleanSupplier outOfTime;
    private final Consumer<Found> progress;
    private final List<Finding>
            wanted; // at first, and what was missing unseen: what only rose later belongs to no group

    private final Set<String> told = new HashSet<>();
    private final List<Group> groups = new ArrayList<>();
    private final Fixes fixes;
    private final Trials trials;
    private final CauseIdeas ideas;

    CauseSearch(
            Fixes fixes,
            Reading reading,
            BooleanSupplier cancelled,
            BooleanSupplier outOfTime,
            CauseIdeas.Bounds bounds,
            Consumer<Found> progress) {
        this.audit = fixes.audit();
        this.first = reading;
        this.cancelled = () -> cancelled.getAsBoolean() || outOfTime.getAsBoolean();
        this.fixes = fixes;
        this.trials = new Trials(fixes, reading, this.cancelled);
        this.outOfTime = outOfTime;
        this.progress = progress;
        this.ideas = new CauseIdeas(fixes, trials, bounds, this.cancelled);
        ideas.open(reading, open(reading));
        this.wanted = new ArrayList<>(ideas.open().values());
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
                Set<String> bad =
                        trials.now().bad().stream().map(Finding::identity).collect(Collectors.toSet());
                // A change may bring back what one before it cleared, where that only hid it.
                List<Finding> left = wanted.stream()
                        .filter(f -> ideas.open().containsKey(f.identity())
                                || told.contains(f.identity()) && bad.contains(f.identity()))
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
        Set<String> before = ideas.open().keySet();
        Map<String, Finding> after = open(trials.after(best));
        List<Finding> gone = wanted.stream()
                .filter(f -> before.contains(f.identity())
                        && (fix.cleared().contains(f.identity()) || !after.containsKey(f.identity())))
                .toList();
        if (gone.isEmpty() || gone.stream().noneMatch(f -> Fixes.isWorthIt(fix, f))) {
            ideas.ruleOut(best);
            return false;
        }
        trials.take(best);
        gone.forEach(f -> told.add(f.identity())); // what is down to minor counts as cleared, once
        told.forEach(after::remove);
        after.values().stream()
                .filter(f ->
                        !wanted.contains(f) && !before.contains(f.identity()) && first.lackedUnseen(trials.now(), f))
                .forEach(wanted::add);
        ideas.open(trials.now(), after);
        ideas.taken(best);
        for (CauseCandidate option : ideas.known()) {
            option.stuck = option.brings() && !best.concernsAnyOf(option);
            if (!option.stuck) {
                option.afterOthers.clear();
            }
            option.after = null;
            ideas.weigh(option);
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
        lost.forEach(ideas::weigh);
        return !lost.isEmpty();
    }

    /** Makes candidates in parallel: each is an audit of its own. */
    private void make(List<CauseCandidate> candidates) {
        List<CauseCandidate> made = trials.make(candidates);
        for (CauseCandidate candidate : made) {
            if (trials.isMade(candidate) && candidate.fix == null) {
                ideas.drop(candidate);
            }
            ideas.weigh(candidate);
        }
        trials.keep(made);
    }

    /** The change that clears most of what is open, verified on the rig as it stands; null if none clears anything. */
    private @Nullable CauseCandidate best() {
        ideas.lookAtTheRest();
        Set<CauseCandidate> blocked = Collections.newSetFromMap(new IdentityHashMap<>());
        ideas.known().stream().filter(o -> o.stuck).forEach(blocked::add);
        while (!cancelled.getAsBoolean()) {
            List<CauseCandidate> inTurn = CauseCandidate.first(ideas.known(), AT_A_TIME, o -> !blocked.contains(o));
            if (inTurn.isEmpty()) {
                if (!ideas.lookAtTheRest() && blocked.stream().noneMatch(o -> o.stuck) && !ideas.lookFurther()) {
                    return null;
                }
                blocked.removeIf(o -> o.stuck); // nothing else is left: they are looked at once more
                for (CauseCandidate option : ideas.known()) {
                    option.stuck = false;
                    option.afterOthers.clear();
                }
                continue;
            }
            CauseCandidate top = inTurn.getFirst();
            if (!ideas.isInReach(top)) {
                return null;
            }
            if (lose(inTurn)) {
                continue;
            }
            if (!trials.isMade(top)) {
                make(CauseCandidate.first(ideas.known(), AT_A_TIME, o -> !blocked.contains(o) && !trials.isMade(o)));
            } else if (!top.brings()) {
                CauseCandidate before = unblocking(CauseCandidate.first(blocked, blocked.size(), x -> true), top);
                if (before == null && ideas.lookAtPairsOf(blocked, top)) {
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
     * A change that makes way for one that clears more but would, as things stand, bring something new: of a default that
     * moved, say, while something that must not be there plays on it.
     */
    private @Nullable CauseCandidate unblocking(List<CauseCandidate> blocked, CauseCandidate instead) {
        int tries = 0;
        for (CauseCandidate large : blocked) {
            if (!isWorthMore(large, large.worth, instead) || tries == MOST_TRIES) {
                continue;
            }
            List<CauseCandidate> small = oneOrTwoOfEach(
                    large,
                    CauseCandidate.first(
                            ideas.known(),
                            MOST_TRIES - tries,
                            o -> !o.brings() && o.concernsAlike(large) && mayMakeWay(o, large, instead)));
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
                    if (mayMakeWay(fit.get(k), large, instead)) {
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
        Map<Set<Object>, Integer> met = new HashMap<>();
        large.afterOthers.keySet().forEach(o -> met.merge(Changes.places(o.changes), 1, Integer::sum));
        return small.stream()
                .filter(o ->
                        large.afterOthers.containsKey(o) || met.merge(Changes.places(o.changes), 1, Integer::sum) <= 2)
                .toList();
    }

    /** Whether a change that clears so much comes before another: that clears less, or as much by what is built anew. */
    private static boolean isWorthMore(CauseCandidate large, int worth, CauseCandidate instead) {
        return worth > instead.worth || worth == instead.worth && instead.buildsAnew() && !large.buildsAnew();
    }

    /** Whether one change is not known to clear less after another, or to bring something even then. */
    private boolean mayMakeWay(CauseCandidate small, CauseCandidate large, CauseCandidate instead) {
        if (!large.afterOthers.containsKey(small)) {
            return true;
        }
        Set<String> cleared = large.afterOthers.get(small);
        return cleared != null && isWorthMore(large, ideas.clears(cleared), instead);
    }
}
