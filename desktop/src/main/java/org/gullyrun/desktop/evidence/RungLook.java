package org.gullyrun.desktop.evidence;

import java.util.List;
import org.gullyrun.core.flow.graph.Gate;
import org.jspecify.annotations.Nullable;

/**
 * All that is seen of one rung.
 *
 * @param level the level so far, as it is written
 * @param delay the delay so far, as it is written
 * @param name of the point
 * @param bad whether its name is lettered as what is at fault
 * @param sub how one comes there; empty if there is nothing to say
 * @param rails for each route what is drawn of it here
 * @param gate the gate that can be turned on the rung itself
 * @param spoken the whole in words
 */
record RungLook(
        String level,
        String delay,
        String name,
        boolean bad,
        String sub,
        List<Rail> rails,
        @Nullable Gate gate,
        String spoken) {

    /** How a piece of a rail looks. */
    enum Stroke {
        NONE,
        PLAIN,
        DRY,
        BAD
    }

    /**
     * One route past or through a rung.
     *
     * @param above from the rung before to the dot
     * @param passes whether the route only passes: the piece above then goes on to the next rung
     * @param below from the dot to the next rung
     * @param dot where the route comes to the point
     */
    record Rail(Stroke above, boolean passes, Stroke below, Stroke dot) {
        static final Rail NONE = new Rail(Stroke.NONE, false, Stroke.NONE, Stroke.NONE);
    }
}
