package org.gullyrun.core.repair;

import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.fix.Work;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * Betters a repair by doing without one of its changes: what that leaves is repaired otherwise, and the better of both is
 * gone on with until no such exchange betters it; where something is left, two are exchanged as well, and what clears that is
 * insisted on, whatever it brings. So a change goes that was only the best one as long as another fault was in the way of the right one.
 *
 * <p>Better is what leaves less, then what has fewer changes, then what takes less to be built anew ({@link Work}). Where nothing is
 * left, only what takes most effort is exchanged. Cost: a repair of the little that is left, for each exchange that is tried; local search
 * that takes the first improvement, as in Aarts and Lenstra, Local Search in Combinatorial Optimization (1997).
 */
final class Exchange {
    /** So many exchanges are tried in all. */
    private static final int MOST = 24;
    /** So many changes that do harm at first are insisted on. */
    private static final int MOST_INSISTED = 12;
    /** Of this effort is what leads sound elsewhere, or is added: only that is exchanged where nothing is left. */
    private static final int LARGE = 2;

    private static final Comparator<Repair> BETTER = Comparator.comparingInt((Repair repair) -> left(repair))
            .thenComparingInt((Repair repair) -> repair.changes().size())
            .thenComparingInt(Exchange::effort);

    /** Gives other repairs. */
    interface Others {
        /**
         * The repair that has something else in the place of a change.
         *
         * @param before what else may not come back
         * @return null if there is none, or the change has to stay
         */
        @Nullable
        Repair without(Repair repair, Change change, List<Change> before);

        /** The changes that clear a finding that a repair leaves, though they bring something else. */
        List<List<Change>> clearing(Repair repair, Finding left);

        /** The repair that has some changes besides, and whatever takes back what they bring; null if there is none. */
        @Nullable
        Repair with(Repair repair, List<Change> changes);
    }

    private final Others others;
    private final BooleanSupplier ended;
    private final Set<Change> tried = new HashSet<>();
    private int tries;
    private int insisted;

    /** Exchanges by what gives other repairs, until it is ended. */
    Exchange(Others others, BooleanSupplier ended) {
        this.others = others;
        this.ended = ended;
    }

    /**
     * The best that exchanges make of a repair; itself if none betters it.
     *
     * @param progress told of each that is better than the one before
     */
    Repair bettered(Repair first, Consumer<Repair> progress) {
        Repair best = first;
        for (Repair other = better(best); other != best; other = better(best)) {
            best = other;
            progress.accept(best);
        }
        return best;
    }

    /** A repair that is better by one exchange, or by two where something is left; the same if there is none. */
    private Repair better(Repair best) {
        Map<Change, Repair> asGood = new LinkedHashMap<>();
        for (Change change : inTurn(best)) {
            Repair other = tried.add(change) ? without(best, change, List.of()) : null;
            if (other != null && BETTER.compare(other, best) < 0) {
                return other;
            }
            if (other != null && left(other) <= left(best)) {
                asGood.put(change, other);
            }
        }
        if (left(best) == 0) {
            return best;
        }
        for (Map.Entry<Change, Repair> by : asGood.entrySet()) {
            for (Change instead : by.getValue().beyond(best)) {
                Repair other = without(by.getValue(), instead, List.of(by.getKey()));
                if (other != null && BETTER.compare(other, best) < 0) {
                    return other;
                }
            }
        }
        return insisted(best);
    }

    /** A repair that is better by what clears something that is left, and at first brings as much; the same if there is none. */
    private Repair insisted(Repair best) {
        for (Finding left : best.left()) {
            for (List<Change> changes : mayGoOn() ? others.clearing(best, left) : List.<List<Change>>of()) {
                Repair other = mayGoOn() ? others.with(best, changes) : null;
                insisted++;
                if (other != null && BETTER.compare(other, best) < 0) {
                    return other;
                }
            }
        }
        return best;
    }

    private boolean mayGoOn() {
        return insisted < MOST_INSISTED && !ended.getAsBoolean();
    }

    /** A repair without one change, and without others that were done without before; null if there is none. */
    private @Nullable Repair without(Repair repair, Change change, List<Change> before) {
        return ended.getAsBoolean() || tries++ >= MOST ? null : others.without(repair, change, before);
    }

    /** The changes of a repair that may be exchanged, what takes most first. */
    private static List<Change> inTurn(Repair repair) {
        boolean isWhole = repair.left().isEmpty();
        return repair.changes().stream()
                .filter(change -> !isWhole || effort(repair, change) >= LARGE)
                .sorted(Comparator.comparingInt(change -> -effort(repair, change)))
                .toList();
    }

    private static int effort(Repair repair) {
        return Work.of(repair.before().rig(), repair.changes()).effort();
    }

    private static int effort(Repair repair, Change change) {
        return Work.of(repair.before().rig(), List.of(change)).effort();
    }

    /** How bad what is left is. */
    private static int left(Repair repair) {
        return repair.left().stream().mapToInt(f -> f.severity().weight()).sum();
    }
}
