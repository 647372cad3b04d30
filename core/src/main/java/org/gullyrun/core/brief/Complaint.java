package org.gullyrun.core.brief;

import org.gullyrun.core.rig.Worded;
import org.jspecify.annotations.Nullable;

/**
 * What the creator reports, as they say it: who notices what, of which sound, and since when. Each may be left open.
 *
 * @param listener the id of the outlet at which it is noticed; empty if that isn't said
 * @param what what is noticed; null if that isn't said
 * @param source the id of the source it is about; empty if that isn't said
 * @param since since when, in the creator's words: an update, a new device, always
 */
public record Complaint(String listener, @Nullable What what, String source, String since) {

    /** What people notice. */
    public enum What implements Worded {
        TWICE("twice"),
        ECHO("an echo that repeats"),
        HOWL("a howl"),
        NOTHING("nothing"),
        TOO_QUIET("too quiet"),
        TOO_LOUD("too loud"),
        ROBOTIC("robotic or crackling"),
        OFF_PITCH("off pitch"),
        LATE("late"),
        NOT_MEANT("something that should not be heard"),
        CUTS_OUT("cuts out");

        private final String word;

        What(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** Nothing is reported. */
    public static final Complaint NONE = new Complaint("", null, "", "");

    /** Whether anything is said by which a finding could fit. */
    public boolean isOpen() {
        return listener.isEmpty() && what == null && source.isEmpty();
    }

    /** The same, noticed at another outlet. */
    public Complaint withListener(String other) {
        return new Complaint(other, what, source, since);
    }

    /** The same, with something else noticed. */
    public Complaint with(@Nullable What other) {
        return new Complaint(listener, other, source, since);
    }

    /** The same, of another source. */
    public Complaint withSource(String other) {
        return new Complaint(listener, what, other, since);
    }

    /** The same, since another time. */
    public Complaint withSince(String other) {
        return new Complaint(listener, what, source, other);
    }
}
