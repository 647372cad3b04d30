package org.gullyrun.core.fix;

/**
 * Where routes may change in a scene: between what reaches any point of the one list and what is reached from any of the
 * other; from anywhere or to anywhere where that is empty.
 */
record RouteChange(int scene, Does does, int[] from, int[] to) {

    /** What a change does to routes. */
    enum Does {
        OPENS,
        CLOSES
    }

    /** Whether one of some points is marked. */
    static boolean any(int[] points, boolean[] marked) {
        for (int p : points) {
            if (marked[p]) {
                return true;
            }
        }
        return false;
    }
}
