package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.fix.AffectedFindings;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.Work;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Puts one change in the place of several of a repair: what was led around a fault, strip by strip, isn't needed any more once
 * the fault itself is put right.
 *
 * <p>Each change is left out in turn. What might fix the worst of what is missing then is made instead, and everything is dropped
 * that turns out not to be needed with it. Cost: for each change an audit for each idea, and one for each other change for each
 * idea that helps.
 */
final class Replacement {
    /** So many ideas are tried at a time. */
    private static final int AT_A_TIME = 2;

    private final Audit audit;
    private final Fixes fixes;
    private final Conditions conditions;
    private final Function<List<Change>, Repair> irreducible;
    private final BooleanSupplier ended;

    /**
     * Replacements by what some fixes allow, until it is ended.
     *
     * @param conditions what is required stays
     * @param irreducible what is left of some changes without those that aren't needed
     */
    Replacement(
            Audit audit,
            Fixes fixes,
            Conditions conditions,
            Function<List<Change>, Repair> irreducible,
            BooleanSupplier ended) {
        this.audit = audit;
        this.fixes = fixes;
        this.conditions = conditions;
        this.irreducible = irreducible;
        this.ended = ended;
    }

    /** A repair of fewer changes that leaves no more than another; null if there is none. */
    @Nullable
    Repair of(Repair repair) {
        Set<String> left = bad(repair.after());
        List<LeftOut> each = leftOut(repair, repair.changes(), repair.after());
        for (LeftOut one : each) {
            List<Change> rest = without(repair.changes(), one.change);
            List<LeftOut> spares = new ArrayList<>();
            for (LeftOut other : each) {
                // What comes back without both is only worked out where the one has to do with what comes back without
                // the other.
                if (other != one && other.isTouchedBy(one.change)) {
                    addLeftOut(repair, rest, other.change, one.reading, spares);
                } else if (other != one) {
                    spares.add(other);
                }
            }
            Repair fewer = fewer(
                    repair, rest, one.reading, spares, left, repair.changes().size() - 1);
            if (fewer != null) {
                return fewer;
            }
        }
        return null;
    }

    /**
     * A change left out.
     *
     * @param reading the rig without it
     * @param back the serious findings that come back
     * @param touches what might clear them
     */
    private record LeftOut(Change change, Reading reading, List<Finding> back, AffectedFindings touches) {
        /** Whether taking another change back as well has to do with what comes back. */
        boolean isTouchedBy(Change other) {
            return switch (other) {
                case Change.Set set -> {
                    Change.Set undone = reading.rig().find(set.element()) == null
                            ? null
                            : Change.setRaw(reading.rig(), set.element(), set.setting(), set.from());
                    yield undone == null || !touches.by(List.of(undone), back).isEmpty();
                }
                // Taking it out again closes routes, while `touches` tells what opening them clears: no leak is among
                // that.
                case Change.Add add ->
                    back.stream().anyMatch(f -> reading.rule(f).topic() == Topic.LEAK)
                            || !touches.by(List.of(add), back).isEmpty();
                case Change.Remove remove -> true;
            };
        }

        /** Whether it might stay left out once something else is made. */
        boolean isSpareWith(Change made) {
            return back.isEmpty()
                    || made.element().equals(change.element())
                    || touches.by(List.of(made), back).size() == back.size();
        }
    }

    private List<LeftOut> leftOut(Repair repair, List<Change> changes, Reading with) {
        List<LeftOut> each = new ArrayList<>();
        changes.stream()
                .filter(change -> !conditions.requires(change))
                .forEach(change -> addLeftOut(repair, changes, change, with, each));
        return each;
    }

    /** Adds a change left out of some, with what comes back that isn't there with it. */
    private void addLeftOut(Repair repair, List<Change> of, Change change, Reading with, List<LeftOut> to) {
        Reading without =
                ended.getAsBoolean() ? null : WholeRepair.read(audit, repair.before(), without(of, change), with);
        if (without != null) {
            Set<String> anyway = bad(with);
            List<Finding> back = without.findings().stream()
                    .filter(f -> f.isBad() && audit.asks(f.rule()) && !anyway.contains(f.identity()))
                    .toList();
            to.add(new LeftOut(change, without, back, new AffectedFindings(without)));
        }
    }

    /**
     * Some changes with what fixes the worst that they leave, and without what isn't needed then.
     *
     * @param reading the rig with the changes
     * @param spares those of them that might be left out besides
     * @param most so many changes at most
     * @return null if there is nothing
     */
    private @Nullable Repair fewer(
            Repair repair, List<Change> changes, Reading reading, List<LeftOut> spares, Set<String> left, int most) {
        Finding worst = worst(reading, left);
        if (worst == null) {
            return null;
        }
        List<Try> tries = fixes.ideas(reading, worst).stream()
                .filter(idea -> idea.size() == 1
                        && !Work.buildsAnew(idea.getFirst())
                        && !repair.changes().contains(idea.getFirst()))
                .map(idea -> new Try(idea.getFirst(), spares))
                .filter(one -> !one.mayGo.isEmpty())
                .toList();
        for (int i = 0; i < tries.size(); i += AT_A_TIME) {
            List<Optional<List<Change>>> smaller =
                    tries.subList(i, Math.min(i + AT_A_TIME, tries.size())).parallelStream()
                            .map(one -> one.smaller(repair, changes, reading, worst))
                            .toList();
            for (Optional<List<Change>> one : smaller) {
                Repair other = one.map(irreducible).orElse(null);
                if (other != null && other.changes().size() <= most && left.containsAll(bad(other.after()))) {
                    return other;
                }
                if (other != null
                        && other.changes().size() < most
                        && spares.size() > other.changes().size()) {
                    List<LeftOut> more = leftOut(repair, other.changes(), other.after());
                    Repair both = fewer(repair, other.changes(), other.after(), more, left, most);
                    if (both != null) {
                        return both;
                    }
                }
            }
        }
        return null;
    }

    /** An idea, and what may be left out with it. */
    private final class Try {
        private final Change idea;
        private final List<Change> mayGo;

        Try(Change idea, List<LeftOut> spares) {
            this.idea = idea;
            this.mayGo = spares.stream()
                    .filter(spare -> spare.isSpareWith(idea))
                    .map(LeftOut::change)
                    .toList();
        }

        /** Changes with the idea and without one that may go, if that leaves no more than without the idea; empty if it does. */
        Optional<List<Change>> smaller(Repair repair, List<Change> changes, Reading reading, Finding worst) {
            Reading tried = ended.getAsBoolean() ? null : WholeRepair.read(audit, reading, List.of(idea));
            int most =
                    tried == null ? 0 : Math.min(bad(reading).size(), bad(tried).size());
            return mayGo.stream()
                    .map(spare -> tried == null ? null : swapped(repair, without(changes, spare), idea, tried))
                    .filter(now -> now != null && !bad(now).contains(worst.identity()) && bad(now).size() <= most)
                    .findFirst()
                    .map(now -> Changes.between(repair.before().rig(), now.rig()));
        }
    }

    /** The rig with some changes and then an idea, read from one that is nearly the same; null if they don't fit. */
    private @Nullable Reading swapped(Repair repair, List<Change> changes, Change idea, Reading near) {
        Rig without = ended.getAsBoolean()
                ? null
                : WholeRepair.changed(repair.before().rig(), changes);
        Rig rig = without == null ? null : WholeRepair.changed(without, List.of(idea));
        return rig == null ? null : WholeRepair.read(audit, rig, near);
    }

    private static List<Change> without(List<Change> changes, Change one) {
        return changes.stream().filter(c -> c != one).toList();
    }

    private static @Nullable Finding worst(Reading of, Set<String> left) {
        return of.findings().stream()
                .filter(f -> f.isBad() && !left.contains(f.identity()))
                .findFirst()
                .orElse(null);
    }

    private Set<String> bad(Reading of) {
        return WholeRepair.bad(audit, of);
    }
}
