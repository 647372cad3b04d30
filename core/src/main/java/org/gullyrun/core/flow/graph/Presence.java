package org.gullyrun.core.flow.graph;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * How a scene has an input. What brings it is kept as a graph, since the routes through nested scenes can be more than
 * could ever be listed.
 */
public final class Presence {
    private final boolean open;
    private final double level;
    private final String entry;
    private final List<Presence> over;

    Presence(boolean open, double level, String entry, List<Presence> over) {
        this.open = open;
        this.level = open ? level : 0;
        this.entry = entry;
        this.over = over;
    }

    /** Whether some route by which it is brought has no muted entry. */
    public boolean open() {
        return open;
    }

    /** The level in dB of the highest way without a muted entry, 0 if there is none. */
    public double level() {
        return level;
    }

    /** The entries that bring it, each once, inner ones first; empty for an input that is <em>always</em> there. */
    public List<String> entries() {
        Set<String> found = new LinkedHashSet<>();
        Set<Presence> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        Deque<Presence> stack = new ArrayDeque<>(List.of(this));
        List<String> outer = new ArrayList<>();
        while (!stack.isEmpty()) {
            Presence at = stack.pop();
            if (seen.add(at)) {
                if (!at.entry.isEmpty()) {
                    outer.add(at.entry);
                }
                at.over.reversed().forEach(stack::push);
            }
        }
        found.addAll(outer.reversed());
        return List.copyOf(found);
    }
}
