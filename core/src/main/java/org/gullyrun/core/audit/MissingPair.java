package org.gullyrun.core.audit;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.flow.BlockedWay;
import org.gullyrun.core.flow.Gate;
import org.gullyrun.core.rig.Element;

/**
 * A must that does not arrive in some or all of the scenes in which it is due.
 *
 * @param source the source
 * @param outlet the outlet
 * @param due the scenes in which it must arrive
 * @param absent the scenes in which it does not, or only too faintly
 * @param unexplained those of them for which no gate of a finding of its own stands behind it
 * @param ways for each scene in which it is absent its first blocked way
 * @param explainedBy the gates of findings of their own for which it does not arrive
 */
public record MissingPair(
        Element source,
        Element outlet,
        List<Integer> due,
        List<Integer> absent,
        List<Integer> unexplained,
        Map<Integer, BlockedWay> ways,
        Set<Gate> explainedBy) {

    /** Whether it is absent wherever it is due. */
    public boolean everywhere() {
        return absent.size() == due.size();
    }
}
