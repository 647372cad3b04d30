package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Change;

/**
 * Changes that are verified to fix a finding.
 *
 * @param changes the changes, applicable to the rig as it was read
 * @param sentence what a person does, in plain words
 * @param cleared the identities of all findings that are gone or down to minor by it
 * @param created the identities of findings that were not there before, or rose to major or critical
 * @param sideEffects what else listeners notice
 * @param restores whether it puts everything it changes back as it was when all was well
 * @param merit what it is ranked by
 * @param work how much there is to do
 */
public record Fix(
        List<Change> changes,
        String sentence,
        List<String> cleared,
        List<String> created,
        SideEffects sideEffects,
        boolean restores,
        Merit merit,
        Work work) {
    public Fix {
        changes = List.copyOf(changes);
        cleared = List.copyOf(cleared);
        created = List.copyOf(created);
    }

    /** Whether it causes nothing major or critical. What is minor is said beforehand, and taken into account. */
    public boolean isSafe() {
        return merit.bad() == 0;
    }

    /** Whether nothing else happens by it, no finding and no other sound anywhere. */
    public boolean isClean() {
        return created.isEmpty() && sideEffects.isEmpty();
    }

    /** What it clears and costs, in one line. */
    public String price() {
        return price(cleared.size()) + (restores ? " · as in known good" : "");
    }

    /**
     * The price in the form used everywhere: "fixes 6 · no side effects", "fixes 6 · causes 1 new" or "fixes 6 · causes 3 new,
     * only minor". What it causes is a side effect too.
     *
     * @param fixes how many findings to say that it resolves
     */
    String price(int fixes) {
        List<String> parts = new ArrayList<>(List.of("fixes " + fixes));
        if (!created.isEmpty()) {
            parts.add("causes " + created.size() + " new" + (isSafe() ? ", only minor" : ""));
        }
        if (isClean() || !sideEffects.isEmpty()) {
            parts.add(sideEffects.brief());
        }
        return String.join(" · ", parts);
    }
}
