package org.gullyrun.desktop.look;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import javafx.scene.Node;

/**
 * Rows of a list that is made anew at every change: one whose look has not changed stays the control it was, since a new
 * one has to find its styles and be laid out, which costs more than all else in an answer.
 */
public final class KeptNodes {
    private record Kept(Object look, Node node) {}

    private final Map<Object, Kept> kept = new HashMap<>();
    private final Set<Object> used = new HashSet<>();

    /** Begins a list. */
    public void begin() {
        used.clear();
    }

    /**
     * A row, as it was or made anew.
     *
     * @param key which row
     * @param look all that its looks and what it does depend on
     */
    public Node of(Object key, Object look, Supplier<? extends Node> made) {
        used.add(key);
        Kept known = kept.get(key);
        if (known == null || !known.look.equals(look)) {
            known = new Kept(look, made.get());
            if (known.node.getId() == null) {
                known.node.setId("row-" + key); // what has a name is never taken for another by KeptControls.exchange
            }
            kept.put(key, known);
        }
        return known.node;
    }

    /** Ends a list: lets go of what was not in it. */
    public void end() {
        kept.keySet().retainAll(used);
    }
}
