package org.gullyrun.desktop.state;

import java.util.List;
import org.gullyrun.core.repair.Remedy;

/**
 * The remedies of one finding.
 *
 * @param finding its identity
 * @param remedies best first
 * @param complete whether all candidates have been verified
 */
public record RemedyList(String finding, List<Remedy> remedies, boolean complete) {
    public RemedyList {
        remedies = List.copyOf(remedies);
    }
}
