package org.gullyrun.core.audit;

import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Kind;

/**
 * Whether a rig without findings may be called clear, or what is missing to judge it.
 *
 * @param missing what is missing, in two or three words; empty if the rig can be judged
 * @param advice what to do about it, in a sentence; empty if the rig can be judged
 */
public record Judgement(String missing, String advice) {
    private static final Judgement POSSIBLE = new Judgement("", "");

    /**
     * Whether a reading can be judged.
     *
     * @param open how many questions about the rig are still unanswered
     */
    public static Judgement of(Reading reading, int open) {
        if (reading.rig().of(Kind.SOURCE).isEmpty()) {
            return new Judgement("no sources yet", "Enter what makes sound in Intake (key 1).");
        }
        if (reading.rig().of(Kind.OUTLET).isEmpty()) {
            return new Judgement("no listeners yet", "Enter who listens in Intake (key 1).");
        }
        boolean asks = reading.scenes().stream()
                .anyMatch(scene -> scene.cells().stream().anyMatch(cell -> cell.wish() != Wish.MAY));
        if (!asks) {
            return new Judgement("no brief yet", "Say in the brief (key 2) what each listener should hear.");
        }
        return open == 0
                ? POSSIBLE
                : new Judgement(
                        open == 1 ? "1 answer missing" : open + " answers missing",
                        "Answer what is still unknown in Intake (key 1).");
    }

    /** Whether nothing is missing. */
    public boolean isPossible() {
        return missing.isEmpty();
    }
}
