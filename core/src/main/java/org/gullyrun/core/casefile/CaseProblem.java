package org.gullyrun.core.casefile;

/** A case file cannot be read or written. The message says which file, where in it, why, and what to do. */
public final class CaseProblem extends Exception {
    private final String place;

    CaseProblem(String file, String place, String reason, String fix) {
        super(file + (place.isEmpty() ? "" : ", " + place) + ": " + reason + ". " + fix);
        this.place = place;
    }

    /** Where in the file: line and column, or the path of a value; empty if it is about the file as a whole. */
    public String place() {
        return place;
    }
}
