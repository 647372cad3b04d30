package org.gullyrun.cli;

/** What the program's exit codes mean. Exceptions become codes in {@link Gullyrun} only. */
public final class Exit {
    /** All is well, and no finding is as bad as the one to fail on. */
    public static final int OK = 0;
    /** The audit has a finding at least as bad as {@code --fail-on} says. */
    public static final int FINDINGS = 1;
    /** The command was not understood: an option or name is wrong. */
    public static final int USAGE = 2;
    /** A file or the output cannot be read or written, or holds a rig too large to audit. */
    public static final int FILE = 3;
    /** The window can't be shown, or not in time for a picture. */
    public static final int NO_DISPLAY = 4;
    /** The launcher found no JDK 25, a package is missing, or the build failed; given by the scripts in {@code bin}. */
    public static final int SET_UP = 5;
    /** Something went wrong that should not. */
    public static final int BROKEN = 70;

    private Exit() {}
}
