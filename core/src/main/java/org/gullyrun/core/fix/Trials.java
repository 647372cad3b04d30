package org.gullyrun.core.fix;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import org.gullyrun.core.audit.Reading;
import org.jspecify.annotations.Nullable;

/** Makes candidates on the rig as it stands and audits what comes of it, some at a time on several threads. */
final class Trials {
    private final Fixes fixes;
    private final BooleanSupplier cancelled;
    private Reading now;
    private CertainLosses losses;
    /** The best candidate so far, and those made last: their rigs are kept as they were read. */
    private @Nullable CauseCandidate kept;

    private List<CauseCandidate> lastMade = List.of();
    /** How many changes have been made: what was tried before the last of them has to be tried again. */
    private int changes;

    Trials(Fixes fixes, Reading reading, BooleanSupplier cancelled) {
        this.fixes = fixes;
        this.now = reading;
        this.losses = new CertainLosses(reading);
        this.cancelled = cancelled;
    }

    /** The rig as it stands, read. */
    Reading now() {
        return now;
    }

    /** How many candidates the rig has been given so far. */
    int changes() {
        return changes;
    }

    /** Gives the rig a candidate for good. */
    void take(CauseCandidate candidate) {
        now = after(candidate);
        kept = null;
        lastMade = List.of();
        losses = new CertainLosses(now);
        changes++;
    }

    /** The rig as it stands with a candidate that fits it, read. */
    Reading after(CauseCandidate candidate) {
        return candidate.after == null ? fixes.read(now, candidate.changes) : candidate.after;
    }

    /** Whether a candidate has been made on the rig as it stands. */
    boolean isMade(CauseCandidate candidate) {
        return candidate.at == changes;
    }

    /** Marks those of some candidates that are certain to lose a must, and gives them. */
    List<CauseCandidate> lose(Collection<CauseCandidate> candidates) {
        List<CauseCandidate> lost = candidates.stream()
                .filter(c -> !isMade(c) && losses.isCertain(c.changes))
                .toList();
        candidates.stream().filter(c -> !isMade(c)).forEach(c -> c.loses = false);
        for (CauseCandidate candidate : lost) {
            candidate.loses = true;
            candidate.fix = null;
            candidate.at = changes;
        }
        return lost;
    }

    /** Makes those of some candidates that have not been made on the rig as it stands, and gives them. */
    List<CauseCandidate> make(Collection<CauseCandidate> candidates) {
        List<CauseCandidate> due = candidates.stream().filter(c -> !isMade(c)).toList();
        due.parallelStream().filter(c -> !cancelled.getAsBoolean()).forEach(c -> {
            Fixes.Made made = fixes.made(now, c.changes);
            c.fix = made == null ? null : made.fix();
            c.after = made == null || c.brings() ? null : made.after();
            c.at = changes;
            if (changes == 0) {
                c.alone = c.fix;
            }
        });
        return due;
    }

    /**
     * Keeps the rigs of those last made, once they are weighed, and of the best so far, no more: on big rigs each takes
     * megabytes.
     */
    void keep(List<CauseCandidate> last) {
        CauseCandidate best = last.stream()
                .filter(c -> c.after != null)
                .min(CauseCandidate.ORDER)
                .filter(c -> kept == null || CauseCandidate.ORDER.compare(c, kept) < 0)
                .orElse(kept);
        for (CauseCandidate candidate : lastMade) {
            if (candidate != best && !last.contains(candidate)) {
                candidate.after = null;
            }
        }
        if (kept != null && kept != best && !last.contains(kept)) {
            kept.after = null;
        }
        kept = best;
        lastMade = last;
    }

    /** What one candidate clears once another has been made; null if it brings something even then. */
    @Nullable
    Set<String> clearedAfter(CauseCandidate first, CauseCandidate then) {
        Fixes.Made made = fixes.made(after(first), then.changes);
        return made == null || !made.fix().isSafe()
                ? null
                : Set.copyOf(made.fix().cleared());
    }
}
