package org.gullyrun.core.audit;

/** How bad a finding is, worst first. */
public enum Severity {
    /** On air wrong, about to howl, or the creator deaf. */
    CRITICAL("critical"),
    MAJOR("major"),
    MINOR("minor"),
    NOTE("note");

    private final String word;

    Severity(String word) {
        this.word = word;
    }

    /** The word used on screen and in files. */
    public String word() {
        return word;
    }

    /** Whether this is at least as bad as another. */
    public boolean atLeast(Severity other) {
        return compareTo(other) <= 0;
    }

    /** The worse of two. */
    public Severity or(Severity other) {
        return atLeast(other) ? this : other;
    }

    /** How much a finding of this severity counts where findings are summed up; a note counts for nothing. */
    public int weight() {
        return switch (this) {
            case CRITICAL -> 100;
            case MAJOR -> 10;
            case MINOR -> 1;
            case NOTE -> 0;
        };
    }

    /** One step less severe; a note stays one. */
    public Severity less() {
        return values()[Math.min(ordinal() + 1, NOTE.ordinal())];
    }

    /** This, but no worse than another. */
    public Severity atMost(Severity other) {
        return atLeast(other) ? other : this;
    }
}
