package org.gullyrun.core.audit;

import java.util.List;
import java.util.Map;
import org.gullyrun.core.flow.BlockedWay;
import org.gullyrun.core.rig.Element;

/**
 * A must that does not arrive in some or all of the scenes in which it is due.
 *
 * @param source the source
 * @param outlet the outlet
 * @param due the scenes in which it must arrive
 * @param absent the scenes in which it does not, or only too faintly
 * @param unexplained those of them whose blocked way holds no gate of an element that is a finding of its own
 * @param ways for each scene in which it is absent its first blocked way
 */
public record MissingPair(
        Element source,
        Element outlet,
        List<Integer> due,
        List<Integer> absent,
        List<Integer> unexplained,
        Map<Integer, BlockedWay> ways) {

    /** Whether it is absent wherever it is due. */
    public boolean everywhere() {
        return absent.size() == due.size();
    }
}
