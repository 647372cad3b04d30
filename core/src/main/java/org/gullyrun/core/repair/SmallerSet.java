package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.SideEffects;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Kind;
import org.jspecify.annotations.Nullable;

/**
 * Looks for fewer changes that repair a rig as well as those that were found, of which none can be left out.
 *
 * <p>Needs: a reading, its fixes, and the repair to better. Gives: a smaller set that leaves nothing serious that the known one
 * doesn't leave, and that listeners notice no more of; null if none was found. Where there are few sets, all are tried; else
 * changes are made one after the other, each for the finding that fewest changes may clear, as in the tree of hitting sets of
 * Reiter (1987), up to a number of trials. Cost: an audit for each trial.
 */
final class SmallerSet {
    /** How many pairs of source and listener may be looked at in all: so many trials less on a larger rig. */
    private static final int MOST_PAIRS = 120_000;

    private static final int LEAST_TRIALS = 150;
    private static final int MOST_TRIALS = 3_000;
    /** Of more changes than this, no smaller set was ever found among so few trials. */
    private static final int MOST_CHANGES = 7;
    /** Of so few sets, all are tried on any rig. */
    private static final int FEW_SETS = 400;

    private final Audit audit;
    private final Fixes fixes;
    private final Reading reading;
    private final BooleanSupplier cancelled;
    private final Map<Change, Set<String>> mayClear;
    private Set<String> left = Set.of();
    private int noticed;
    private int most;
    private int trials;

    SmallerSet(Audit audit, Fixes fixes, Reading reading, BooleanSupplier cancelled) {
        this.audit = audit;
        this.fixes = fixes;
        this.reading = reading;
        this.cancelled = cancelled;
        List<Finding> bad = reading.findings().stream()
                .filter(f -> f.isBad() && audit.asks(f.rule()))
                .toList();
        this.mayClear = new LinkedHashMap<>(fixes.mayClear(reading, bad));
    }

    /** A smaller set than that of a repair; null if none was found. */
    @Nullable
    List<Change> than(Repair known) {
        left = bad(known.after());
        noticed = SideEffects.between(reading, known.after()).size();
        most = known.changes().size() - 1;
        trials = mostTrials();
        // What only goes with many others is no idea by itself, but the known set may hold some of it.
        known.changes().forEach(change -> mayClear.putIfAbsent(change, Set.of()));
        List<Change> all = List.copyOf(mayClear.keySet());
        List<Change> found = !triesAll(most)
                ? null
                : IntStream.rangeClosed(1, most)
                        .mapToObj(size -> among(all, 0, new ArrayList<>(), size))
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse(null);
        return found == null && most < MOST_CHANGES ? on(reading, List.of()) : found;
    }

    /** Whether there are so few sets of at most so many changes that all are tried. */
    boolean triesAll(int size) {
        int few = Math.max(FEW_SETS, mostTrials());
        long sets = 0;
        long ofSize = 1;
        for (int k = 1; k <= size && sets <= few; k++) {
            ofSize = ofSize * Math.max(0, mayClear.size() - k + 1) / k;
            sets += ofSize;
        }
        return sets <= few;
    }

    private int mostTrials() {
        int pairs = reading.rig().of(Kind.SOURCE).size()
                * reading.rig().of(Kind.OUTLET).size()
                * reading.scenes().size();
        return Math.clamp(MOST_PAIRS / Math.max(1, pairs), LEAST_TRIALS, MOST_TRIALS);
    }

    /** A set of so many changes, some made already and the others from a place in the list on, that does; null if there is none. */
    private @Nullable List<Change> among(List<Change> all, int from, List<Change> made, int size) {
        if (made.size() == size) {
            return does(made) ? List.copyOf(made) : null;
        }
        for (int i = from; i < all.size() && !cancelled.getAsBoolean(); i++) {
            made.add(all.get(i));
            List<Change> found = among(all, i + 1, made, size);
            made.removeLast();
            if (found != null) {
                return found;
            }
        }
        return null;
    }

    private boolean does(List<Change> changes) {
        Reading after = WholeRepair.read(audit, reading, changes);
        return after != null && does(after);
    }

    private boolean does(Reading after) {
        return left.containsAll(bad(after))
                && SideEffects.between(reading, after).size() <= noticed;
    }

    /** Goes on from a rig on which changes have been made. */
    private @Nullable List<Change> on(Reading now, List<Change> made) {
        Set<String> rest = bad(now);
        rest.removeAll(left);
        if (rest.isEmpty()) {
            return does(now) ? made : null;
        }
        int more = most - made.size();
        for (Change change : next(ideas(now, made, rest), rest, more)) {
            if (trials == 0 || cancelled.getAsBoolean()) {
                return null;
            }
            Reading after = isMade(made, change) ? null : WholeRepair.read(audit, now, List.of(change));
            trials -= after == null ? 0 : 1;
            List<Change> with = new ArrayList<>(made);
            with.add(change);
            List<Change> found = after == null ? null : on(after, with);
            if (found != null) {
                return found;
            }
        }
        return null;
    }

    /**
     * The changes that may clear what is left on a rig on which changes have been made. What these have opened up may need others
     * than seemed to be needed at first.
     */
    private Map<Change, Set<String>> ideas(Reading now, List<Change> made, Set<String> rest) {
        if (made.isEmpty()) {
            return mayClear;
        }
        Map<Change, Set<String>> ideas = new LinkedHashMap<>(mayClear);
        List<Finding> findings =
                now.findings().stream().filter(f -> rest.contains(f.identity())).toList();
        fixes.mayClear(now, findings).forEach((change, cleared) -> ideas.merge(change, cleared, SmallerSet::both));
        return ideas;
    }

    private static Set<String> both(Set<String> one, Set<String> other) {
        Set<String> both = new HashSet<>(one);
        both.addAll(other);
        return both;
    }

    /** Whether a change, or another of the same setting, has been made. */
    private static boolean isMade(List<Change> made, Change change) {
        return !Collections.disjoint(Changes.places(made), Changes.places(List.of(change)));
    }

    /** The changes that may clear the finding that fewest may clear, those first that may clear most; none if too few are to come. */
    private static List<Change> next(Map<Change, Set<String>> mayClear, Set<String> rest, int more) {
        Map<Change, Integer> worth = mayClear.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e ->
                (int) rest.stream().filter(e.getValue()::contains).count()));
        int atBest = worth.values().stream()
                .sorted(Comparator.reverseOrder())
                .limit(more)
                .mapToInt(n -> n)
                .sum();
        if (atBest < rest.size()) {
            return List.of();
        }
        List<Change> fewest = rest.stream()
                .map(f -> mayClear.entrySet().stream()
                        .filter(e -> e.getValue().contains(f))
                        .map(Map.Entry::getKey)
                        .toList())
                .min(Comparator.comparingInt(List::size))
                .orElse(List.of());
        return fewest.stream()
                .filter(c -> more > 1 || worth.getOrDefault(c, 0) == rest.size())
                .sorted(Comparator.comparingInt((Change c) -> -worth.getOrDefault(c, 0)))
                .toList();
    }

    private Set<String> bad(Reading of) {
        return WholeRepair.bad(audit, of);
    }
}
