package org.gullyrun.core.brief;

/** What the brief says of one source at one outlet. */
public enum Wish {
    MUST("must", "required"),
    MAY("may", "optional"),
    NEVER("never", "forbidden");

    private final String word;
    private final String adjective;

    Wish(String word, String adjective) {
        this.word = word;
        this.adjective = adjective;
    }

    /** The word used in files and on screen. */
    public String word() {
        return word;
    }

    /** What a source is by it: "required". */
    public String adjective() {
        return adjective;
    }
}
