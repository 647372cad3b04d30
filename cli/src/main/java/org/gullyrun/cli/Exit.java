package org.gullyrun.cli;

/** What the program's exit codes mean. Exceptions become codes in {@link Gullyrun} only. */
final class Exit {
    /** All is well, and no finding is as bad as the one to fail on. */
    static final int OK = 0;
    /** The audit has a finding at least as bad as {@code --fail-on} says. */
    static final int FINDINGS = 1;
    /** The command was not understood: an option or name is wrong. */
    static final int USAGE = 2;
    /** A file cannot be read or written. */
    static final int FILE = 3;
    /** The window cannot be shown. */
    static final int NO_DISPLAY = 4;
    /** Something went wrong that should not. */
    static final int BROKEN = 70;

    private Exit() {}
}
