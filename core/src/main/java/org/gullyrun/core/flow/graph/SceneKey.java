package org.gullyrun.core.flow.graph;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;

/**
 * One place on the scene axis: a production in one of its scenes, all other productions in their current one.
 *
 * @param production the id of the production; empty where the rig has none
 * @param scene the id of the scene; empty where the production has none
 */
public record SceneKey(String production, String scene) {

    /** The scene axis of a rig: for every production in turn its scenes, in their order. Never empty. */
    public static List<SceneKey> axis(Rig rig) {
        List<SceneKey> axis = new ArrayList<>();
        for (Element production : rig.of(Kind.PRODUCTION)) {
            List<Element> scenes = rig.in(production.id(), Kind.SCENE);
            if (scenes.isEmpty()) {
                axis.add(new SceneKey(production.id(), ""));
            }
            scenes.forEach(scene -> axis.add(new SceneKey(production.id(), scene.id())));
        }
        return axis.isEmpty() ? List.of(new SceneKey("", "")) : axis;
    }

    /** The scene in which a production is here: the named one, or else its current one; empty if it has none. */
    public String sceneOf(Rig rig, Element production) {
        if (production.id().equals(this.production)) {
            return scene;
        }
        String current = production.get(Productions.CURRENT_SCENE);
        List<Element> scenes = rig.in(production.id(), Kind.SCENE);
        if (current != null && scenes.stream().anyMatch(s -> s.id().equals(current))) {
            return current;
        }
        return scenes.stream()
                .map(Element::id)
                .min(org.gullyrun.core.rig.Ids.ORDER)
                .orElse("");
    }

    /** The scene's name; with several productions also whose it is. */
    public String name(Rig rig) {
        if (scene.isEmpty()) {
            return production.isEmpty() ? "always" : rig.name(production);
        }
        return rig.of(Kind.PRODUCTION).size() > 1 ? rig.name(production) + " · " + rig.name(scene) : rig.name(scene);
    }
}
