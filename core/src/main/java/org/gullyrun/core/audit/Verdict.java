package org.gullyrun.core.audit;

/** What the audit says of one cell of the brief, worst first. */
public enum Verdict {
    /** It must arrive and does not, or only too faintly. */
    MISSING("missing"),
    /** It must never arrive and does. */
    LEAK("leaking"),
    /** It arrives more than once. */
    DOUBLE("doubled"),
    /** It arrives, and once more so faintly that it hardly matters. */
    FAINT("faint double"),
    /** It arrives and may. */
    GOOD("good"),
    /** Nothing arrives and nothing must. */
    NOTHING_DUE("silent");

    private final String word;

    Verdict(String word) {
        this.word = word;
    }

    /** The word used on screen and in files. */
    public String word() {
        return word;
    }

    /** Whether something is wrong. */
    public boolean isTrouble() {
        return compareTo(FAINT) < 0;
    }
}
