package org.gullyrun.desktop.state;

import java.util.List;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.RootCauses;

/**
 * The fixes of one finding.
 *
 * @param finding its identity
 * @param fixes best first
 * @param state how far candidates have been verified
 */
public record FixList(String finding, List<Fix> fixes, RootCauses.Progress state) {
    public FixList {
        fixes = List.copyOf(fixes);
    }

    /** Whether nothing more comes: all candidates have been verified, or as many as there was time for. */
    public boolean complete() {
        return state != RootCauses.Progress.WORKING;
    }
}
