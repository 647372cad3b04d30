package org.gullyrun.core.flow.reuse;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Iterator;
import java.util.Set;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * The one entry by which two versions of a rig differ. It matters only in the scene that has it and in those that bring this
 * scene, at any depth.
 */
final class OneEntry {
    private final Rig rig;
    private final Element production;
    private final String scene;

    private OneEntry(Rig rig, Element production, String scene) {
        this.rig = rig;
        this.production = production;
        this.scene = scene;
    }

    /** The entry, if two rigs differ by one and by nothing else; null if not. */
    static @Nullable OneEntry between(Rig before, Rig after) {
        boolean comes = before.elements().size() < after.elements().size();
        Rig with = comes ? after : before;
        Element entry = only(comes ? before : after, with);
        Element scene = entry == null || entry.kind() != Kind.ENTRY ? null : with.owner(entry);
        Element production = scene == null || scene.kind() != Kind.SCENE ? null : with.owner(scene);
        return scene == null || production == null ? null : new OneEntry(with, production, scene.id());
    }

    /** The one element that a rig has and another lacks, all others being the same; null if there is more to it. */
    private static @Nullable Element only(Rig without, Rig with) {
        if (with.elements().size() != without.elements().size() + 1) {
            return null;
        }
        Element found = null;
        Iterator<Element> all = with.elements().iterator();
        for (Element one : without.elements()) {
            Element other = all.next();
            if (one != other && found == null) {
                found = other;
                other = all.next();
            }
            if (one != other) {
                return null;
            }
        }
        return found == null ? all.next() : found;
    }

    /** Whether the entry can matter in a scene: one that has the entry, or brings the scene that has it. */
    boolean mattersIn(SceneKey key) {
        Deque<String> next = new ArrayDeque<>(Set.of(key.sceneOf(rig, production)));
        Set<String> seen = new HashSet<>();
        while (!next.isEmpty()) {
            String at = next.pop();
            if (at.equals(scene)) {
                return true;
            }
            if (seen.add(at)) {
                rig.in(at, Kind.ENTRY).stream()
                        .map(entry -> rig.find(entry.get(Productions.BRINGS)))
                        .filter(brought -> brought != null && brought.kind() == Kind.SCENE)
                        .forEach(brought -> next.push(brought.id()));
            }
        }
        return false;
    }
}
