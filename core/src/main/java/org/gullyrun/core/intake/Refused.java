package org.gullyrun.core.intake;

/** What was typed isn't valid there. The message says what was expected. */
public final class Refused extends RuntimeException {
    /** With what was expected. */
    public Refused(String message) {
        super(message);
    }
}
