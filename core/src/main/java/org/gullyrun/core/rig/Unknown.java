package org.gullyrun.core.rig;

/** The value <em>not yet known</em>: the technician has not learned what a setting stands at. */
public enum Unknown {
    UNKNOWN;

    @Override
    public String toString() {
        return "?";
    }
}
