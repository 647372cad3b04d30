package org.gullyrun.core.audit;

/** What a rule is about. */
public enum Topic {
    /** Sound that comes back to where it was. */
    LOOP,
    /** Scenes that don't say what they bring. */
    SCENE,
    /** What a listener should never hear. */
    LEAK,
    /** Engines and outputs that don't run. */
    DOWN,
    /** Devices that can't be used. */
    DEVICE,
    /** What a listener should hear and doesn't. */
    MISSING,
    /** The same sound more than once. */
    DOUBLE,
    /** What is on which track. */
    TRACK,
    /** Sample rates. */
    RATE,
    /** Clocks with nothing to keep them in step. */
    CLOCK,
    /** What calls do to sound. */
    CALL,
    /** When sound arrives. */
    TIME,
    /** How loud it is. */
    LEVEL,
    /** What may go wrong later. */
    RISK,
    /** What hides faults. */
    CLUTTER
}
