package org.gullyrun.core.brief;

/** What the brief says of one source at one outlet. */
public enum Wish {
    MUST("must"),
    MAY("may"),
    NEVER("never");

    private final String word;

    Wish(String word) {
        this.word = word;
    }

    /** The word used in files and on screen. */
    public String word() {
        return word;
    }
}
