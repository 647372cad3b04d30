package org.gullyrun.core.audit;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.rig.Element;

/**
 * A must that does not arrive in some or all of the scenes in which it is due.
 *
 * @param row the place of the source among the sources of the rig
 * @param column the place of the listener among the listeners
 * @param source the source
 * @param outlet the outlet
 * @param due the scenes in which it must arrive
 * @param absent the scenes in which it does not, or only too faintly
 * @param unexplained those of them that no other finding's closed gate explains
 * @param routes for each scene in which it is absent its first blocked route
 * @param explainedBy the gates of findings of their own for which it does not arrive
 */
public record MissingPair(
        int row,
        int column,
        Element source,
        Element outlet,
        List<Integer> due,
        List<Integer> absent,
        List<Integer> unexplained,
        Map<Integer, BlockedRoute> routes,
        Set<Gate> explainedBy) {

    /** Whether it is absent wherever it is due. */
    public boolean everywhere() {
        return absent.size() == due.size();
    }
}
