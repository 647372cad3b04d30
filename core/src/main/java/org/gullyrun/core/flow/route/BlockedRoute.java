package org.gullyrun.core.flow.route;

import java.util.List;
import org.gullyrun.core.flow.graph.Gate;

/**
 * A route from a source to an outlet that would exist but for closed gates: the one with fewest of them.
 *
 * @param segments its segments, in order; empty if there is no route at all
 * @param closed its closed gates in the order met, each once
 * @param exact whether it is certain that no other route comes before it
 */
public record BlockedRoute(List<Integer> segments, List<Gate> closed, boolean exact) {

    /** Not connected: no route exists even with every gate open. */
    static final BlockedRoute NONE = new BlockedRoute(List.of(), List.of(), true);

    /** The same route in a graph in which segments have other numbers. */
    public BlockedRoute by(Numbering numbering) {
        return numbering.renumbers() && exists() ? new BlockedRoute(numbering.now(segments), closed, exact) : this;
    }

    /** Whether there is a route. */
    public boolean exists() {
        return !segments.isEmpty();
    }
}
