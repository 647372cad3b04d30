package org.gullyrun.core.audit;

import java.util.Set;
import org.gullyrun.core.brief.Complaint.What;

/** What a rule is about. */
public enum Topic {
    /** Sound that comes back to where it was. */
    LOOP(What.TWICE, What.ECHO, What.HOWL),
    /** Scenes that don't say what they bring. */
    SCENE,
    /** What a listener should never hear. */
    LEAK(What.NOT_MEANT),
    /** Engines and outputs that don't run. */
    DOWN(What.NOTHING),
    /** Devices that can't be used. */
    DEVICE(What.NOTHING),
    /** What a listener should hear and doesn't. */
    MISSING(What.NOTHING, What.TOO_QUIET, What.CUTS_OUT),
    /** The same sound more than once. */
    DOUBLE(What.TWICE, What.ECHO, What.TOO_LOUD, What.ROBOTIC),
    /** What is on which track. */
    TRACK,
    /** Sample rates. */
    RATE(What.ROBOTIC, What.OFF_PITCH),
    /** Clocks with nothing to keep them in step. */
    CLOCK(What.ROBOTIC, What.OFF_PITCH, What.CUTS_OUT),
    /** What calls do to sound. */
    CALL,
    /** When sound arrives. */
    TIME(What.LATE),
    /** How loud it is. */
    LEVEL(What.TOO_QUIET, What.TOO_LOUD),
    /** What may go wrong later. */
    RISK,
    /** What hides faults. */
    CLUTTER;

    private final Set<What> heardAs;

    Topic(What... heardAs) {
        this.heardAs = Set.of(heardAs);
    }

    /** What a creator would report of it, as a rule; empty if it is not heard. */
    public Set<What> heardAs() {
        return heardAs;
    }
}
