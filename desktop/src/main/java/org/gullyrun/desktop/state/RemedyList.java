package org.gullyrun.desktop.state;

import java.util.List;
import org.gullyrun.core.repair.Causes;
import org.gullyrun.core.repair.Remedy;

/**
 * The remedies of one finding.
 *
 * @param finding its identity
 * @param remedies best first
 * @param state how far candidates have been verified
 */
public record RemedyList(String finding, List<Remedy> remedies, Causes.Progress state) {
    public RemedyList {
        remedies = List.copyOf(remedies);
    }

    /** Whether nothing more comes: all candidates have been verified, or as many as there was time for. */
    public boolean complete() {
        return state != Causes.Progress.WORKING;
    }
}
