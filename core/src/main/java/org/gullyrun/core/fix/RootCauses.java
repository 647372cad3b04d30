package org.gullyrun.core.fix;

import java.util.List;
import java.util.Objects;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * Finds the root causes of the findings of a reading: the change that fixes most first, then on the rig so
 * changed the next, until nothing is left that a change can clear.
 */
public final class RootCauses {

    /**
     * The findings that go away by one change.
     *
     * @param fix the change, and what it clears and alters on the rig as the groups before leave it
     * @param findings the findings that it clears, worst first: of the reading, and what was missing there unseen
     * @param alone what the same changes do on the rig as it is now, without those before; null if they don't fit it
     */
    public record Group(
            Fix fix, List<Finding> findings, @Nullable Fix alone) {
        public Group {
            findings = List.copyOf(findings);
        }

        /** Whether it does now, alone, what it does after those before: nothing bad comes, and all that is bad goes. */
        public boolean standsAlone() {
            return alone != null
                    && alone.isSafe()
                    && findings.stream()
                            .filter(Finding::isBad)
                            .allMatch(f -> alone.cleared().contains(f.identity()));
        }

        /** Whether it can be applied now, and nothing else happens by it. */
        public boolean isClean() {
            return standsAlone() && Objects.requireNonNull(alone).isClean();
        }

        /** The change with what it does: applied now if it stands alone, else after those before. */
        public Fix counted() {
            return standsAlone() ? Objects.requireNonNull(alone) : fix;
        }

        /** What it costs: applied now if it stands alone, else after those before. */
        public String price() {
            return counted().price(findings.size()) + (fix.restores() ? " · as in known good" : "");
        }
    }

    /** How far causes were worked out. */
    public enum Progress {
        WORKING,
        DONE,
        /** There was no time to try all candidates: more may exist. */
        OUT_OF_TIME
    }

    /**
     * The root causes of the findings of a reading.
     *
     * @param groups in the order in which the changes were made
     * @param left findings above a note that no change clears
     * @param state how far it was worked out
     */
    public record Found(List<Group> groups, List<Finding> left, Progress state) {
        /** Nothing worked out yet. */
        public static final Found NOTHING = new Found(List.of(), List.of(), Progress.WORKING);

        public Found {
            groups = List.copyOf(groups);
            left = List.copyOf(left);
        }

        /** Whether it was worked out to the end. */
        public boolean done() {
            return state == Progress.DONE;
        }

        /** Whether nothing more comes: it is worked out, or as far as there was time. */
        public boolean ended() {
            return state != Progress.WORKING;
        }

        /** How many changes they are. */
        public int changes() {
            return groups.stream().mapToInt(g -> g.fix().changes().size()).sum();
        }

        /** How many findings the changes clear. */
        public int cleared() {
            return groups.stream().mapToInt(g -> g.findings().size()).sum();
        }
    }

    private RootCauses() {}

    /**
     * Works out the root causes of the findings of a reading, as far as the audit's rules have found them.
     *
     * @param cancelled asked before each trial; what was found so far is then given, not done
     * @param progress told of every group as it is found
     */
    public static Found of(Audit audit, Reading reading, BooleanSupplier cancelled, Consumer<Found> progress) {
        return of(new Fixes(audit), reading, cancelled, () -> false, progress);
    }

    /**
     * The same by fixes of which some may be ruled out, and not for longer than there is time.
     *
     * @param outOfTime asked before each trial, as {@code cancelled} is; what was found so far says then that more may exist
     */
    public static Found of(
            Fixes fixes,
            Reading reading,
            BooleanSupplier cancelled,
            BooleanSupplier outOfTime,
            Consumer<Found> progress) {
        return new CauseSearch(fixes, reading, cancelled, outOfTime, CauseIdeas.Bounds.NONE, progress).find();
    }

    /**
     * The same by fixes of which some may be ruled out.
     *
     * @param mostLeft the search ends when more critical and major findings than this turn out to have no fix
     * @param mostChanges it ends when more changes than this would be needed; more findings may be left then
     */
    public static Found of(Fixes fixes, Reading reading, BooleanSupplier cancelled, int mostLeft, int mostChanges) {
        return new CauseSearch(
                        fixes,
                        reading,
                        cancelled,
                        () -> false,
                        new CauseIdeas.Bounds(mostLeft, mostChanges, List.of()),
                        progress -> {})
                .find();
    }

    /**
     * The same where some changes have been agreed on: these are taken, in the order of how much each fixes, before others
     * for what they leave.
     */
    public static Found of(Fixes fixes, Reading reading, BooleanSupplier cancelled, List<Change> agreed) {
        return new CauseSearch(
                        fixes,
                        reading,
                        cancelled,
                        () -> false,
                        new CauseIdeas.Bounds(Integer.MAX_VALUE, Integer.MAX_VALUE, agreed),
                        progress -> {})
                .find();
    }
}
