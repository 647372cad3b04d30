package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.jspecify.annotations.Nullable;

/**
 * Fixes of two changes, where one isn't enough or does far less.
 *
 * <p>Either the first clears the finding but causes something bad, and the second comes from what it causes: so what was put
 * otherwise since the rig was well is put back together with what would go wrong by it. Or the first clears a part of it: one
 * of two loops, some of the scenes, one of two switches on the way; it may cause something bad that the second takes back.
 * Where one change is enough, such a pair only turns switches and levels back. Cost: an audit for each pair that is tried, of
 * each of these sorts at most 4 first changes with 48 second ones each.
 */
final class Pairs {
    /** Where one change is enough, a pair has to resolve so many times as much to be worth its second. */
    private static final int FAR_MORE = 2;
    /** So many changes are tried together with another one. */
    private static final int MOST_FIRST = 4;
    /** Of which so many may set the same thing, a default to one device or another. */
    private static final int MOST_ALIKE = 2;
    /** With so many others each. */
    private static final int MOST_SECOND = 48;

    private static final Comparator<Fixes.Made> HARMFUL = Comparator.comparing(
                    (Fixes.Made made) -> !made.fix().restores())
            .thenComparing(Fixes.Made::fix, Fixes.RANK);
    private static final Comparator<Fixes.Made> MOST_WORTH = Comparator.comparingInt(
                    (Fixes.Made made) -> -made.fix().merit().worth())
            .thenComparing(Fixes.Made::fix, Fixes.RANK);
    private static final Comparator<Fixes.Made> PARTIAL = Comparator.comparing(Fixes.Made::fix, Fixes.RANK);

    private final Fixes fixes;
    private final Reading reading;
    private final Finding finding;
    /** The best few that clear the finding and do harm, and that clear a part of it and do none. */
    private final List<Fixes.Made> harmful = new ArrayList<>();

    private final List<Fixes.Made> partial = new ArrayList<>();
    /** What clears a part, and causes something bad that the second change may take back. */
    private final List<Fixes.Made> causing = new ArrayList<>();

    /** The fixes so far, best first. */
    private final List<Fix> found;

    private final BooleanSupplier cancelled;
    private final Consumer<List<Fix>> progress;

    /** Pairs for one finding, which are added to the fixes found so far. */
    Pairs(
            Fixes fixes,
            Reading reading,
            Finding finding,
            List<Fix> found,
            BooleanSupplier cancelled,
            Consumer<List<Fix>> progress) {
        this.fixes = fixes;
        this.reading = reading;
        this.finding = finding;
        this.found = found;
        this.cancelled = cancelled;
        this.progress = progress;
    }

    /** Adds changes that were made and are no fix by themselves. No more than a few are kept: each holds a rig as read. */
    void add(Fixes.Made made) {
        if (Fixes.clears(made, finding)) {
            keep(harmful, made, HARMFUL);
        } else {
            Finding left = left(made);
            if (left != null && differs(left, made.after())) {
                boolean causes = made.fix().merit().bad() > (isTraded(left) ? 1 : 0);
                keep(causes ? causing : partial, made, causes ? MOST_WORTH : PARTIAL);
            }
        }
    }

    /** Keeps the best few, of those that set the same thing no more than two. */
    private static void keep(List<Fixes.Made> best, Fixes.Made made, Comparator<Fixes.Made> order) {
        best.add(made);
        best.sort(order);
        List<Fixes.Made> alike = best.stream()
                .filter(other -> Changes.places(other.fix().changes())
                        .equals(Changes.places(made.fix().changes())))
                .toList();
        if (alike.size() > MOST_ALIKE) {
            best.remove(alike.getLast());
        }
        if (best.size() > MOST_FIRST) {
            best.removeLast();
        }
    }

    /** What is left of the finding: itself, or what is missing now in some scenes instead of all or the other way round. */
    private @Nullable Finding left(Fixes.Made made) {
        return made.after().findings().stream()
                .filter(f -> f.isBad()
                        && (f.identity().equals(finding.identity())
                                || reading.rule(finding).topic() == Topic.MISSING
                                        && made.after().rule(f).topic() == Topic.MISSING
                                        && f.subject().equals(finding.subject())))
                .findFirst()
                .orElse(null);
    }

    private boolean isTraded(Finding left) {
        return !left.identity().equals(finding.identity());
    }

    /** Whether what is left is less than the finding, or somewhere else. */
    private boolean differs(Finding left, Reading after) {
        return isTraded(left)
                || !left.evidence().routes().equals(finding.evidence().routes())
                || !left.scenes().equals(finding.scenes())
                || closed(left, after) < closed(finding, reading);
    }

    /** How many segments are closed on the way that a finding shows. */
    private static long closed(Finding of, Reading in) {
        FlowGraph graph = in.scenes().get(of.evidence().scene()).graph();
        return of.evidence().routes().stream()
                .flatMap(route -> route.in(graph).stream())
                .filter(segment -> !graph.isOpen(segment))
                .count();
    }

    /** Adds the pairs that are fixes to those found so far, best first. */
    void find() {
        Fix alone = found.isEmpty() ? null : found.getFirst();
        boolean single = found.stream().anyMatch(f -> f.changes().size() == 1);
        for (Fixes.Made first : harmful) {
            if (first.fix().restores() || alone == null) {
                complete(first, caused(first), 0);
            } else if (first.fix().merit().worth() > FAR_MORE * alone.merit().worth()) {
                complete(first, turnedBack(caused(first)), 0);
            } else if (Work.of(first.fix().changes()).effort() < alone.work().effort()) {
                // Better than building something anew.
                complete(first, turnedBack(caused(first)), alone.merit().worth() - 1);
            }
        }
        for (Fixes.Made first : partial) {
            Finding left = left(first);
            if (left != null && !single) {
                complete(first, seconds(first, List.of(left)), 0);
            } else if (left != null && alone != null && isTurnedBack(first.fix().changes())) {
                complete(
                        first,
                        turnedBack(seconds(first, List.of(left))),
                        FAR_MORE * alone.merit().worth());
            }
        }
        if (!single) {
            causing.forEach(this::complete);
        } else if (alone != null && !alone.restores()) {
            further(alone);
        }
    }

    /**
     * Where one change is enough, but another leads to far more together with a second: whatever they set, as long as nothing
     * is built anew. Both together have to resolve more than the one that is enough and the second would, each by itself.
     */
    private void further(Fix alone) {
        List<Fixes.Made> firsts = new ArrayList<>(harmful);
        firsts.addAll(partial);
        int enough = FAR_MORE * alone.merit().worth();
        for (Fixes.Made first : firsts) {
            AffectedFindings after = new AffectedFindings(first.after());
            Finding left = left(first);
            List<List<Change>> seconds = Fixes.clears(first, finding)
                    ? caused(first)
                    : left == null ? List.of() : seconds(first, List.of(left));
            complete(
                    first,
                    seconds.stream()
                            .filter(second -> second.size() == 1
                                    && !Work.buildsAnew(second.getFirst())
                                    && atMost(first, after, second) > enough)
                            .sorted(Comparator.comparingInt(second -> -atMost(first, after, second)))
                            .toList(),
                    (second, both) -> both.merit().worth() > enough
                            && both.merit().worth() > alone.merit().worth() + worth(second));
        }
    }

    /** What changes resolve by themselves; nothing if they do harm or don't fit the rig. */
    private int worth(List<Change> changes) {
        Fixes.Made made = fixes.made(reading, changes, finding);
        return made == null || !made.fix().isSafe() ? 0 : made.fix().merit().worth();
    }

    /** What two changes can resolve at most: what the first does, and all that the second may clear then. */
    private int atMost(Fixes.Made first, AffectedFindings after, List<Change> second) {
        Set<Finding> clears = new HashSet<>(after.by(second, reading.findings()));
        reading.findings().stream()
                .filter(f -> first.fix().cleared().contains(f.identity()))
                .forEach(clears::add);
        return clears.stream().mapToInt(f -> f.severity().weight()).sum();
    }

    /** The best pair of a change that clears the finding and does harm, with one that makes up for that; null if there is none. */
    @Nullable
    Fix completed(Fixes.Made first) {
        complete(first, caused(first), 0);
        return found.isEmpty() ? null : found.getFirst();
    }

    /** Tries what clears a part and causes something bad, unless the best so far resolves far more than that does alone. */
    private void complete(Fixes.Made first) {
        Finding left = left(first);
        int worth = found.isEmpty() ? 0 : found.getFirst().merit().worth();
        if (left != null && FAR_MORE * first.fix().merit().worth() > worth) {
            complete(first, seconds(first, List.of(left)), worth);
        }
    }

    /** Those that only turn switches and levels. */
    private static List<List<Change>> turnedBack(List<List<Change>> all) {
        return all.stream().filter(Pairs::isTurnedBack).toList();
    }

    private static boolean isTurnedBack(List<Change> changes) {
        return Work.of(changes).effort() == 0;
    }

    /** Tries one change together with others, and adds the best pair that is a fix and resolves more than so much. */
    private void complete(Fixes.Made first, List<List<Change>> seconds, int moreThan) {
        complete(first, seconds, (second, both) -> both.merit().worth() > moreThan);
    }

    /** The same, where it is enough for a second change and both together. */
    private void complete(Fixes.Made first, List<List<Change>> seconds, BiPredicate<List<Change>, Fix> isEnough) {
        Fix best = null;
        int tries = 0;
        for (List<Change> second : seconds) {
            if (cancelled.getAsBoolean() || tries++ == MOST_SECOND) {
                break;
            }
            List<Change> both = new ArrayList<>(first.fix().changes());
            both.addAll(second);
            Fixes.Made two = goWith(first.fix().changes(), second) ? fixes.made(reading, both, finding) : null;
            if (two != null
                    && Fixes.clears(two, finding)
                    && two.fix().isSafe()
                    && badness(two) < badness(first)
                    && (best == null || Fixes.RANK.compare(two.fix(), best) < 0)
                    && found.stream()
                            .noneMatch(f -> f.changes().equals(second)
                                            && two.fix().merit().worth()
                                                    <= FAR_MORE * f.merit().worth()
                                    || Set.copyOf(f.changes()).equals(Set.copyOf(both)))
                    && isEnough.test(second, two.fix())) {
                best = two.fix();
            }
        }
        if (best != null) {
            Fixes.add(best, found);
            progress.accept(found);
        }
    }

    /** How bad what is left is: the second change must not silence what the first brought back. */
    private static int badness(Fixes.Made made) {
        return made.after().bad().stream().mapToInt(f -> f.severity().weight()).sum();
    }

    /** What might fix the bad findings that changes cause. */
    private List<List<Change>> caused(Fixes.Made made) {
        return seconds(
                made,
                made.after().findings().stream()
                        .filter(f -> f.isBad() && made.fix().created().contains(f.identity()))
                        .toList());
    }

    /** What might fix some findings of the rig as changed, what puts something back as it was first. */
    private List<List<Change>> seconds(Fixes.Made made, List<Finding> findings) {
        Set<List<Change>> all = new LinkedHashSet<>();
        findings.forEach(f -> all.addAll(fixes.candidates(made.after(), f)));
        List<List<Change>> ordered = new ArrayList<>(all);
        ordered.sort(Comparator.comparing(changes -> !fixes.restores(changes)));
        return ordered;
    }

    /** Whether no setting is in both lists, and the one doesn't silence what the other puts right. */
    private static boolean goWith(List<Change> some, List<Change> others) {
        return some.stream()
                .noneMatch(a -> others.stream()
                        .anyMatch(b -> a.element().equals(b.element())
                                && (!(a instanceof Change.Set one)
                                        || !(b instanceof Change.Set two)
                                        || one.setting().equals(two.setting())
                                        || isMuted(one)
                                        || isMuted(two))));
    }

    /** Whether something is muted: the setting has the same key in programs, devices, strips, buses and inputs. */
    private static boolean isMuted(Change.Set set) {
        return set.setting().key().equals(Applications.MUTED.key()) && Boolean.TRUE.equals(set.to());
    }
}
