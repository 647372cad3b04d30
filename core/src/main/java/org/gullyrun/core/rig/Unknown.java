package org.gullyrun.core.rig;

/** The value <em>not yet known</em>: the technician has not learned what a setting stands at. */
public enum Unknown {
    UNKNOWN;

    /** How it is written in files, and typed. No other value may be written so. */
    public static final String MARK = "?";

    @Override
    public String toString() {
        return MARK;
    }
}
