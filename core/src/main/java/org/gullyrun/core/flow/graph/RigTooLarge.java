package org.gullyrun.core.flow.graph;

import java.util.Locale;

/**
 * A rig has more pairs or connections than can be worked out in reasonable time and memory. The message says how many
 * there are, how many there may be, and what to do.
 */
public final class RigTooLarge extends RuntimeException {
    /** So many sources × listeners × scenes are worked out; a very large show has some 200 000. */
    public static final long MOST_PAIRS = 4_000_000;

    /** So many segments a graph may have; that of a very large show has some 20 000. */
    static final int MOST_SEGMENTS = 400_000;

    /** So many segments the graphs of all scenes together may have. */
    static final long MOST_SEGMENTS_IN_ALL = 6_000_000;

    private RigTooLarge(String message) {
        super("This rig is too large to audit: " + message + ". Split it into several cases.");
    }

    /**
     * Checks how many pairs there are.
     *
     * @throws RigTooLarge if there are too many
     */
    public static void checkPairs(long sources, long outlets, long scenes) {
        if (sources * outlets * scenes > MOST_PAIRS) {
            throw new RigTooLarge(String.format(
                    Locale.ROOT,
                    "%d sources, %d listeners and %d scene%s make %,d pairs; the program can work out %,d",
                    sources,
                    outlets,
                    scenes,
                    scenes == 1 ? "" : "s",
                    sources * outlets * scenes,
                    MOST_PAIRS));
        }
    }

    /** Refuses a scene with more segments than fit. */
    static void checkSegments(int inOneScene) {
        if (inOneScene > MOST_SEGMENTS) {
            throw new RigTooLarge(String.format(
                    Locale.ROOT,
                    "its devices, crossings and tracks make more than %,d connections in one scene",
                    MOST_SEGMENTS));
        }
    }

    /** Refuses scenes that together have more than fit. */
    static void checkSegments(int inOneScene, int scenes) {
        if ((long) inOneScene * scenes > MOST_SEGMENTS_IN_ALL) {
            throw new RigTooLarge(String.format(
                    Locale.ROOT,
                    "%,d connections in each of %d scenes are more than %,d",
                    inOneScene,
                    scenes,
                    MOST_SEGMENTS_IN_ALL));
        }
    }
}
