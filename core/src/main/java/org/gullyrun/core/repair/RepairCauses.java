package org.gullyrun.core.repair;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.fix.Work;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Root causes that agree with the repair of the whole. With several faults at once, the change that fixes most may be a detour.
 * The repair finds that out by exchanging its changes; where it leaves less, or needs fewer, its changes are the causes.
 */
public final class RepairCauses {
    private final Fixes fixes;
    private final @Nullable Rig knownGood;
    private final Reading reading;
    private final Conditions conditions;
    private final BooleanSupplier cancelled;

    /**
     * Prepares the comparison.
     *
     * @param knownGood the rig as it was when all was well; null if not known
     * @param conditions what mustn't be changed
     * @param cancelled asked before each trial
     */
    public RepairCauses(
            Audit audit, @Nullable Rig knownGood, Reading reading, Conditions conditions, BooleanSupplier cancelled) {
        this.knownGood = knownGood;
        this.fixes = new Fixes(audit, knownGood, conditions::allows);
        this.reading = reading;
        this.conditions = conditions;
        this.cancelled = cancelled;
    }

    /**
     * Whether a repair might do better: something is left, several changes don't stand alone, or something is built anew.
     *
     * @param causes worked out to the end
     */
    public static boolean mayDoBetter(RootCauses.Found causes) {
        return left(causes) > 0
                || serious(causes).filter(g -> !g.standsAlone()).count() > 1
                || serious(causes).flatMap(g -> g.fix().changes().stream()).anyMatch(Work::buildsAnew);
    }

    /** Plans the repair, and takes its changes where they do better. Worth it only where they may ({@link #mayDoBetter}). */
    public RootCauses.Found better(RootCauses.Found causes) {
        Repair repair = new WholeRepair(fixes.audit(), knownGood, reading, conditions, cancelled)
                .knowing(causes)
                .best();
        return repair == null ? causes : better(causes, repair);
    }

    /** The root causes by the changes of a repair, if these leave less or are fewer; those given if not, and if cancelled. */
    public RootCauses.Found better(RootCauses.Found causes, Repair repair) {
        if (repair.changes().isEmpty() || !mayDoBetter(causes)) {
            return causes;
        }
        RootCauses.Found agreed = RootCauses.of(fixes, reading, cancelled, repair.changes());
        boolean less = left(agreed) < left(causes) || left(agreed) == left(causes) && changes(agreed) < changes(causes);
        return agreed.done() && less ? agreed : causes;
    }

    private static long left(RootCauses.Found causes) {
        return causes.left().stream().filter(Finding::isBad).count();
    }

    /** How many changes are made for what is critical or major. */
    private static int changes(RootCauses.Found causes) {
        return serious(causes)
                .map(RootCauses.Group::fix)
                .map(Fix::changes)
                .mapToInt(List<Change>::size)
                .sum();
    }

    private static Stream<RootCauses.Group> serious(RootCauses.Found causes) {
        return causes.groups().stream().filter(g -> g.findings().stream().anyMatch(Finding::isBad));
    }
}
