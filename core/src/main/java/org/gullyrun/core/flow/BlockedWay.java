package org.gullyrun.core.flow;

import java.util.List;

/**
 * A way from a source to an outlet that would exist but for closed gates: the one with fewest of them.
 *
 * @param segments its segments, in order; empty if there is no way at all
 * @param closed its closed gates in the order met, each once
 * @param exact whether it is certain that no other way comes before it
 */
public record BlockedWay(List<Integer> segments, List<Gate> closed, boolean exact) {

    /** There is no way, whatever gates are opened. */
    static final BlockedWay NONE = new BlockedWay(List.of(), List.of(), true);

    /** The same way in a graph in which segments have other numbers. */
    BlockedWay by(Numbering numbering) {
        return numbering.renumbers() && exists() ? new BlockedWay(numbering.now(segments), closed, exact) : this;
    }

    /** Whether there is a way. */
    public boolean exists() {
        return !segments.isEmpty();
    }
}
