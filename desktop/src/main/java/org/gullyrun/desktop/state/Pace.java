package org.gullyrun.desktop.state;

/**
 * When long work begins beside what a person does. It would take the processor away from what is to be on screen first.
 *
 * @param fixes after a selection or a change, ms: fixes of the selected finding; {@link #NEVER} for not at all
 * @param deeper after a change, ms: the slow rules, then root causes; {@link #NEVER} likewise
 * @param atStart the same after a start, ms, when the window itself comes first
 * @param idle how long nothing has to be pressed before long work goes on, ms
 */
public record Pace(int fixes, int deeper, int atStart, int idle) {
    /** Not at all. */
    public static final int NEVER = -1;

    /** The pace for a person at the window. */
    public static final Pace OF_A_PERSON = new Pace(60, 180, 3_000, 400);
}
