package org.gullyrun.core.flow;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** What scenes bring: levels add, mutes join, the loudest entry counts, copies stand apart. */
class SceneCompositionTest {
    private final Element show = Element.of(Kind.PRODUCTION, "show");
    private final List<Element> parts = new ArrayList<>(List.of(show));

    private void input(String id, boolean always) {
        parts.add(Element.of(Kind.INPUT, id).with(Productions.INPUT_OF, "show").with(Productions.ALWAYS, always));
    }

    private void scene(String id) {
        parts.add(Element.of(Kind.SCENE, id).with(Productions.SCENE_OF, "show"));
    }

    private void entry(String id, String scene, String brings, double level, boolean muted, boolean copy) {
        parts.add(Element.of(Kind.ENTRY, id)
                .with(Productions.ENTRY_OF, scene)
                .with(Productions.BRINGS, brings)
                .with(Productions.ENTRY_LEVEL, level)
                .with(Productions.ENTRY_MUTED, muted)
                .with(Productions.COPY, copy));
    }

    private SceneComposition of(String scene) {
        return SceneComposition.of(Rig.of(parts), show, scene);
    }

    @Test
    void levelsAddAlongInclusionAndTheLoudestOpenEntryCounts() {
        input("a", false);
        scene("outer");
        scene("inner");
        entry("e1", "outer", "inner", -6, false, false);
        entry("e2", "inner", "a", -3, false, false);
        entry("e3", "outer", "a", -20, false, false);
        entry("e4", "outer", "a", 0, true, false);
        assertEquals(-9, of("outer").input("a").level(), 1e-12);
        assertTrue(of("outer").input("a").open());
    }

    @Test
    void mutesJoinAndAllMutedIsClosed() {
        input("a", false);
        scene("outer");
        scene("inner");
        entry("e1", "outer", "inner", 0, true, false);
        entry("e2", "inner", "a", 0, false, false);
        assertFalse(of("outer").input("a").open());
        assertTrue(of("inner").input("a").open());
    }

    @Test
    void anEntryTakesThePlaceOfAlwaysAlsoThroughGroups() {
        input("a", true);
        input("b", true);
        scene("s");
        parts.add(
                Element.of(Kind.GROUP, "g").with(Productions.GROUP_OF, "show").with(Productions.MEMBER.of("a"), true));
        entry("e", "s", "g", -12, false, false);
        assertEquals(-12, of("s").input("a").level(), 1e-12);
        assertEquals(0, of("s").input("b").level(), 1e-12);
    }

    @Test
    void aCopyStandsBesideAlwaysAndIsOneHoweverOftenItIsReached() {
        input("a", true);
        scene("s");
        scene("t");
        entry("copy", "t", "a", -2, false, true);
        entry("i1", "s", "t", -1, false, false);
        entry("i2", "s", "t", -5, false, false);
        assertEquals(0, of("s").input("a").level(), 1e-12);
        assertEquals(1, of("s").copies().size());
        assertEquals(
                -3, of("s").copies().get(new SceneComposition.Copy("a", "copy")).level(), 1e-12);
    }

    @Test
    void aSceneThatReachesItselfIsNotFollowedASecondTime() {
        input("a", false);
        scene("s");
        scene("t");
        entry("e1", "s", "t", -1, false, false);
        entry("e2", "t", "s", -1, false, false);
        entry("e3", "s", "a", -4, false, false);
        assertEquals(-4, of("s").input("a").level(), 1e-12);
        assertEquals(-5, of("t").input("a").level(), 1e-12);
    }

    @Test
    void whatASceneDoesNotBringIsNotThere() {
        input("a", false);
        scene("s");
        entry("e", "s", "nowhere", 0, false, false);
        assertNull(of("s").input("a"));
    }

    @Test
    void withoutScenesEveryInputIsThere() {
        input("a", false);
        assertTrue(of("").input("a").open());
    }
}
