package org.gullyrun.core.repair;

import java.util.List;
import org.gullyrun.core.rig.Change;

/**
 * Changes that were verified to take a finding away.
 *
 * @param changes the changes, applicable to the rig as it was read
 * @param sentence what a person does, in plain words
 * @param cleared the identities of all findings that are gone or down to minor by it
 * @param created the identities of findings that were not there before, or rose to major or critical
 * @param altered what else happens: other deliveries that were good and change, in plain words, each once
 */
public record Remedy(
        List<Change> changes, String sentence, List<String> cleared, List<String> created, List<String> altered) {
    public Remedy {
        changes = List.copyOf(changes);
        cleared = List.copyOf(cleared);
        created = List.copyOf(created);
        altered = List.copyOf(altered);
    }

    /** How many other deliveries that were good it changes. */
    public int disturbance() {
        return altered.size();
    }

    /** What it clears and costs, in one line. */
    public String price() {
        String cost = altered.isEmpty()
                ? "alters nothing else"
                : altered.size() <= 2
                        ? String.join(", ", altered)
                        : altered.getFirst() + " and " + (altered.size() - 1) + " more";
        return "clears " + cleared.size()
                + (created.isEmpty() ? ", " + cost : ", brings " + created.size() + " new; " + cost);
    }
}
