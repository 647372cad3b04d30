package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.fix.Together;
import org.gullyrun.core.fix.Work;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Finds the changes that repair a whole rig: after them no critical and no major finding is left, nothing of that severity has
 * come, and none of them can be left out.
 *
 * <p>Needs: a reading and the audit that made it. Gives: the root causes as one set, from which every change is dropped that
 * turns out not to be needed; an irreducible set in the sense of Junker, QuickXplain (2004), found by leaving out one change
 * after the other, for which fewer are put where some are found ({@link Replacement}, {@link SmallerSet}). Which sets are
 * smallest is the minimal hitting set problem of Reiter, A theory of diagnosis from first principles (1987); that nothing smaller
 * does is only said where every smaller set was tried. Cost: that of the root causes, and an audit for each change; an
 * alternative costs as much again.
 */
public final class WholeRepair {
    /** Of so many root causes, each is ruled out in turn to see whether there is another way. */
    private static final int MOST_RULED_OUT = 3;
    /** So many alternatives are kept. */
    private static final int MOST_ALTERNATIVES = 2;
    /** With more serious findings than this, fewer changes are not sought: which of them each change may clear would take too long. */
    private static final int MOST_SERIOUS = 150;
    /** Other changes are tried for at most this long; only a rig with dozens of serious findings needs more than a few seconds. */
    private static final int BETTERING_SECONDS = 20;

    /** Where nothing is left, at most so many changes are made instead of one: the others may make some unnecessary. */
    private static final int MOST_INSTEAD = 3;

    private final Audit audit;
    private final @Nullable Rig knownGood;
    private final Reading reading;
    private final Conditions conditions;
    private final BooleanSupplier cancelled;
    private final RootCauses.Found known;
    private final @Nullable Repair before;

    /**
     * The repair of a rig.
     *
     * @param audit the audit to go by, usually without its slow rules
     * @param knownGood the rig as it was when all was well; null if not known
     * @param conditions what may not be changed, and what has to be
     * @param cancelled asked before each trial; what was found so far is then given
     */
    public WholeRepair(
            Audit audit, @Nullable Rig knownGood, Reading reading, Conditions conditions, BooleanSupplier cancelled) {
        this(audit, knownGood, reading, conditions, cancelled, RootCauses.Found.NOTHING, null);
    }

    private WholeRepair(
            Audit audit,
            @Nullable Rig knownGood,
            Reading reading,
            Conditions conditions,
            BooleanSupplier cancelled,
            RootCauses.Found known,
            @Nullable Repair before) {
        this.known = known;
        this.before = before;
        this.audit = audit;
        this.knownGood = knownGood;
        this.reading = reading;
        this.conditions = conditions;
        this.cancelled = cancelled;
    }

    /**
     * The same repair, found sooner where the root causes of this reading under the same audit and conditions were worked out to
     * the end.
     */
    public WholeRepair knowing(RootCauses.Found causes) {
        return new WholeRepair(audit, knownGood, reading, conditions, cancelled, causes, before);
    }

    /**
     * The same repair, found sooner from one that was planned before more was ruled out or required: what that did and may still
     * do is kept, and only the rest is fixed otherwise.
     *
     * @param repair a repair of the same rig and brief under fewer conditions
     */
    public WholeRepair goingOnFrom(Repair repair) {
        return new WholeRepair(audit, knownGood, reading, conditions, cancelled, known, repair);
    }

    /**
     * Finds the repair, then other ways to the same end.
     *
     * @param progress told of the repairs so far whenever there is one more, the best first
     * @return the repairs, the best first; none if cancelled before the first
     */
    public List<Repair> find(Consumer<List<Repair>> progress) {
        return find(progress, MOST_ALTERNATIVES);
    }

    /** The same with at most so many other ways. */
    public List<Repair> find(Consumer<List<Repair>> progress, int mostOthers) {
        List<Repair> repairs = new ArrayList<>();
        Repair irreducible = irreducible();
        if (irreducible == null) {
            return repairs;
        }
        progress.accept(List.of(irreducible));
        Repair first = smallest(bettered(irreducible, better -> progress.accept(List.of(better))));
        repairs.add(first);
        if (first != irreducible) {
            progress.accept(List.copyOf(repairs));
        }
        for (Change change : mostOthers == 0 ? List.<Change>of() : largest(first)) {
            Repair other = repairs.size() > mostOthers || conditions.requires(change)
                    ? null
                    : without(first, change, List.of(), Integer.MAX_VALUE);
            if (other != null && isAnotherWay(other, repairs)) {
                repairs.add(other);
                progress.accept(List.copyOf(repairs));
            }
        }
        return repairs;
    }

    /** The repair alone, without other ways to the same end; null if cancelled. */
    public @Nullable Repair best() {
        Repair irreducible = irreducible();
        return irreducible == null ? null : smallest(bettered(irreducible, better -> {}));
    }

    /** The same repair with other changes where those leave less, are fewer, or take less to be built anew. */
    private Repair bettered(Repair repair, Consumer<Repair> progress) {
        long until = System.nanoTime() + BETTERING_SECONDS * 1_000_000_000L;
        BooleanSupplier ended = () -> cancelled.getAsBoolean() || System.nanoTime() > until;
        Replacement replacement = new Replacement(
                audit,
                new Fixes(audit, knownGood, conditions::allows),
                conditions,
                changes -> irreducible(changes, conditions),
                ended);
        Repair best = new Exchange(new OtherRepairs(ended), ended).bettered(repair, progress);
        for (Repair fewer = replacement.of(best); fewer != null; fewer = replacement.of(best)) {
            progress.accept(fewer);
            best = new Exchange(new OtherRepairs(ended), ended).bettered(fewer, progress);
        }
        return best;
    }

    /** The same repair with fewer changes where there are any, and with what is known of its size. */
    private Repair smallest(Repair repair) {
        if (repair.changes().size() < 2
                || bad(reading).size() > MOST_SERIOUS
                || !conditions.due(reading.rig()).isEmpty()
                || repair.proof() == Repair.Proof.UNPROVED) {
            return repair;
        }
        SmallerSet smaller = new SmallerSet(audit, new Fixes(audit, knownGood, conditions::allows), reading, cancelled);
        Repair now = repair;
        for (List<Change> fewer = smaller.than(now); fewer != null; fewer = smaller.than(now)) {
            now = irreducible(fewer, conditions);
        }
        return smaller.triesAll(now.changes().size() - 1) && !cancelled.getAsBoolean()
                ? new Repair(now.changes(), reading, now.after(), Repair.Proof.NO_SMALLER_SET)
                : now;
    }

    /** A repair of which nothing can be left out; null if cancelled. */
    private @Nullable Repair irreducible() {
        Repair near = before == null ? null : keptOf(before);
        if (near != null) {
            return near;
        }
        Reading start = read(conditions.due(reading.rig())); // null if what is required doesn't fit the rig any more
        return start == null ? null : repair(conditions, start, Integer.MAX_VALUE, Integer.MAX_VALUE);
    }

    /** What may be kept of a repair, and other changes for the rest; null if that leaves more than the repair did. */
    private @Nullable Repair keptOf(Repair repair) {
        List<Change> kept = repair.changes().stream().filter(conditions::allows).toList();
        Reading start = read(audit, reading, kept, repair.after());
        start = start == null ? null : read(audit, start, conditions.due(start.rig()));
        return start == null ? null : repair(conditions, start, repair.left().size(), Integer.MAX_VALUE);
    }

    /**
     * Another way without one of the changes, and without others that aren't part of it any more: what it leaves is fixed otherwise,
     * then whatever isn't needed any more is dropped; null if there is none that leaves no more by so many changes at most.
     */
    private @Nullable Repair without(Repair first, Change change, List<Change> before, int mostChanges) {
        Reading start = without(first.changes(), change, first.after());
        Conditions under = conditions.without(Conditions.about(change));
        for (Change other : before) {
            under = under.without(Conditions.about(other));
        }
        return start == null ? null : repair(under, start, first.left().size(), mostChanges);
    }

    /** Repairs that have other changes than one that is known. */
    private final class OtherRepairs implements Exchange.Others {
        private final BooleanSupplier ended;
        private final Fixes fixes = new Fixes(audit, knownGood, conditions::allows);

        OtherRepairs(BooleanSupplier ended) {
            this.ended = ended;
        }

        @Override
        public @Nullable Repair without(Repair repair, Change change, List<Change> before) {
            // Where nothing is left, only what takes no more changes is better.
            int most = repair.left().isEmpty() ? MOST_INSTEAD : Integer.MAX_VALUE;
            return conditions.requires(change) ? null : WholeRepair.this.without(repair, change, before, most);
        }

        @Override
        public List<List<Change>> clearing(Repair repair, Finding left) {
            return fixes.clearing(repair.after(), left, ended);
        }

        @Override
        public @Nullable Repair with(Repair repair, List<Change> changes) {
            Reading start = WholeRepair.read(audit, repair.after(), changes);
            Conditions under = conditions;
            for (Change change : changes) {
                under = under.without(Conditions.about(change));
            }
            return start == null ? null : repair(under, start, repair.left().size(), Integer.MAX_VALUE);
        }
    }

    /** The changes of a repair without which most is left. */
    private List<Change> largest(Repair repair) {
        Map<Change, Integer> left = repair.changes().stream().collect(Collectors.toMap(c -> c, c -> {
            Reading without = cancelled.getAsBoolean() ? null : without(repair.changes(), c, repair.after());
            return without == null ? 0 : bad(without).size();
        }));
        return repair.changes().stream()
                .sorted(Comparator.comparingInt((Change c) -> -left.getOrDefault(c, 0)))
                .limit(MOST_RULED_OUT)
                .toList();
    }

    /**
     * Whether a repair leaves no more than the first, goes about it otherwise than all found so far, and is no detour: it takes at
     * most one change more, or only more that is added, in no more programs. Where the first only turns switches and levels, nobody builds
     * anything anew instead.
     */
    private static boolean isAnotherWay(Repair other, List<Repair> known) {
        Repair first = known.getFirst();
        boolean onlyTurns = Work.of(first.before().rig(), first.changes()).effort() == 0;
        boolean isDetour = other.changes().size() > first.changes().size() + 1
                && (other.programs().size() > first.programs().size()
                        || other.changes().stream()
                                        .filter(c -> !Work.buildsAnew(c))
                                        .count()
                                > first.changes().size());
        return other.left().size() <= first.left().size()
                && !isDetour
                && (!onlyTurns || other.changes().stream().noneMatch(Work::buildsAnew))
                && known.stream().allMatch(r -> differsInKind(other, r));
    }

    /** Whether one repair makes its changes elsewhere than another: not only by other settings of the same things. */
    private static boolean differsInKind(Repair one, Repair other) {
        return !one.approaches().equals(other.approaches())
                && !elements(other.beyond(one)).containsAll(elements(one.beyond(other)));
    }

    private static Set<String> elements(List<Change> changes) {
        return changes.stream().map(Change::element).collect(Collectors.toSet());
    }

    /**
     * The repair under some conditions, from a rig on which changes have been made already; null if cancelled, or if it turns out
     * to leave more findings than wanted, or to take more changes besides.
     */
    private @Nullable Repair repair(Conditions under, Reading start, int mostLeft, int mostChanges) {
        RootCauses.Found causes = known.done() && start == reading && under.equals(conditions)
                ? known
                : RootCauses.of(new Fixes(audit, knownGood, under::allows), start, cancelled, mostLeft, mostChanges);
        if (!causes.done()) {
            return null;
        }
        List<RootCauses.Group> serious = causes.groups();
        List<Change> all = serious.isEmpty() ? List.of() : Together.of(start.rig(), serious);
        if (causes.left().stream().filter(Finding::isBad).count() > mostLeft) {
            return null;
        }
        Reading mended = all.isEmpty() ? start : audit.read(start, all);
        all = Changes.between(reading.rig(), mended.rig());
        return irreducible(all, under);
    }

    /** Drops every change that isn't needed, again and again, as one may be needed only because of another that was dropped. */
    private Repair irreducible(List<Change> all, Conditions under) {
        List<Change> kept = new ArrayList<>(all);
        Reading after = kept.isEmpty() ? reading : audit.read(reading, kept);
        Set<String> left = bad(after);
        boolean dropped = true;
        while (dropped && !cancelled.getAsBoolean()) {
            dropped = false;
            for (Change change : List.copyOf(kept).reversed()) {
                Reading without =
                        cancelled.getAsBoolean() || under.requires(change) ? null : without(kept, change, after);
                if (without != null && left.containsAll(bad(without))) {
                    kept.remove(change);
                    after = without;
                    left = bad(without);
                    dropped = true;
                }
            }
        }
        Repair.Proof proof = cancelled.getAsBoolean()
                ? Repair.Proof.UNPROVED
                : kept.size() < 2 ? Repair.Proof.NO_SMALLER_SET : Repair.Proof.NONE_CAN_BE_LEFT_OUT;
        return new Repair(kept, reading, after, proof);
    }

    /** The rig with all of some changes but one, read; null if the others don't fit without it. */
    private @Nullable Reading without(List<Change> changes, Change one, Reading with) {
        return read(audit, reading, changes.stream().filter(c -> c != one).toList(), with);
    }

    private @Nullable Reading read(List<Change> changes) {
        return read(audit, reading, changes);
    }

    /** A rig with some changes, read; null if they don't fit it. */
    static @Nullable Reading read(Audit audit, Reading before, List<Change> changes) {
        try {
            return changes.isEmpty() ? before : audit.read(before, changes);
        } catch (Changes.Conflict e) {
            return null;
        }
    }

    /** The same from the reading of a rig that is nearly the same: less differs from that, so less is read again. */
    static @Nullable Reading read(Audit audit, Reading before, List<Change> changes, Reading near) {
        Rig rig = changed(before.rig(), changes);
        return rig == null ? null : read(audit, rig, near);
    }

    /** A rig, read from the reading of one that is nearly the same. */
    static Reading read(Audit audit, Rig rig, Reading near) {
        List<Change> others = Changes.between(near.rig(), rig);
        return others.isEmpty() ? near : audit.read(near, others);
    }

    /** A rig with some changes; null if they don't fit it. */
    static @Nullable Rig changed(Rig rig, List<Change> changes) {
        try {
            return Changes.apply(rig, changes);
        } catch (Changes.Conflict e) {
            return null;
        }
    }

    private Set<String> bad(Reading of) {
        return bad(audit, of);
    }

    /** The critical and major findings of the rules that are asked, by identity. */
    static Set<String> bad(Audit audit, Reading of) {
        Set<String> bad = new HashSet<>();
        of.findings().stream().filter(f -> f.isBad() && audit.asks(f.rule())).forEach(f -> bad.add(f.identity()));
        return bad;
    }
}
