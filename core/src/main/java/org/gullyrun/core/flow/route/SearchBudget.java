package org.gullyrun.core.flow.route;

import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/**
 * How much work one search may be: all searches of a reading share a fixed amount, so that no rig is searched without end.
 * It is counted in steps, not in seconds, so that the same rig gives the same answer on every machine.
 */
final class SearchBudget {
    private static final long STEPS = 100_000_000;
    private static final long MOST_STEPS = 10_000_000;
    private static final long LABELS = 2_000_000;

    private SearchBudget() {}

    /** How many pairs of source and listener share the budget. */
    private static long pairs(Rig rig) {
        long scenes = Math.max(1, rig.of(Kind.SCENE).size());
        return Math.max(
                1, scenes * rig.of(Kind.SOURCE).size() * rig.of(Kind.OUTLET).size());
    }

    /** The most segments that one listing of routes between a source and an outlet may look at. */
    static long steps(Rig rig) {
        return Math.clamp(STEPS / pairs(rig), 2_000, MOST_STEPS);
    }

    /**
     * The most segments that the search for all routes of one pair may look at. Only pairs with a loop between them are
     * searched, and in most rigs those are few: they share what there is.
     */
    static long stepsBetweenLoops(OpenView view) {
        long scenes = Math.max(1, view.graph.rig().of(Kind.SCENE).size());
        return Math.clamp(STEPS / Math.max(1, scenes * view.pairsAcrossLoops()), 2_000, MOST_STEPS);
    }

    /** The most labels that one search for a blocked route may make. */
    static int labels(Rig rig) {
        return Math.clamp(LABELS / pairs(rig), 20, 50_000);
    }
}
