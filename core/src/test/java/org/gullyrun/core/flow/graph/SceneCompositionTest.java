package org.gullyrun.core.flow.graph;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
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

    /** Scenes that bring each other in any way, held against following every entry one by one. */
    @Test
    void scenesThatBringEachOtherAreFollowedAsWrittenDownPlainly() {
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            List<Element> all = new ArrayList<>(List.of(show));
            for (int i = 0; i < 3; i++) {
                all.add(Element.of(Kind.INPUT, "i" + i).with(Productions.INPUT_OF, "show"));
            }
            int scenes = 2 + random.nextInt(5);
            for (int s = 0; s < scenes; s++) {
                all.add(Element.of(Kind.SCENE, "s" + s).with(Productions.SCENE_OF, "show"));
                for (int e = 0; e < 3; e++) {
                    all.add(Element.of(Kind.ENTRY, "e" + s + e)
                            .with(Productions.ENTRY_OF, "s" + s)
                            .with(
                                    Productions.BRINGS,
                                    random.nextInt(3) == 0 ? "i" + random.nextInt(3) : "s" + random.nextInt(scenes))
                            .with(Productions.ENTRY_LEVEL, (double) random.nextInt(9) - 4)
                            .with(Productions.ENTRY_MUTED, random.nextInt(5) == 0));
                }
            }
            Rig rig = Rig.of(all);
            for (int s = 0; s < scenes; s++) {
                Set<String> leftOut = new HashSet<>();
                backwards(rig, "s" + s, List.of("s" + s), new HashSet<>(), leftOut);
                Map<String, double[]> plainly = new HashMap<>(); // open or not, level, and how many entries bring it
                Map<String, Set<String>> by = new HashMap<>();
                follow(rig, "s" + s, true, 0, List.of(), leftOut, plainly, by);
                SceneComposition is = SceneComposition.of(rig, show, "s" + s);
                for (int i = 0; i < 3; i++) {
                    double[] want = plainly.get("i" + i);
                    String about = "seed " + seed + ", scene " + s + ", input " + i;
                    if (want == null) {
                        assertNull(is.input("i" + i), about);
                    } else {
                        assertEquals(want[0] > 0, is.input("i" + i).open(), about);
                        assertEquals(
                                want[0] > 0 ? want[1] : 0, is.input("i" + i).level(), 1e-9, about);
                        assertEquals(
                                by.get("i" + i), Set.copyOf(is.input("i" + i).entries()), about);
                    }
                }
            }
        }
    }

    private static void backwards(Rig rig, String at, List<String> path, Set<String> seen, Set<String> found) {
        seen.add(at);
        for (Element entry : rig.in(at, Kind.ENTRY)) {
            String to = entry.get(Productions.BRINGS);
            if (path.contains(to)) {
                found.add(entry.id());
            } else if (to.startsWith("s") && !seen.contains(to)) {
                List<String> longer = new ArrayList<>(path);
                longer.add(to);
                backwards(rig, to, longer, seen, found);
            }
        }
    }

    private static void follow(
            Rig rig,
            String at,
            boolean open,
            double level,
            List<String> path,
            Set<String> leftOut,
            Map<String, double[]> found,
            Map<String, Set<String>> by) {
        for (Element entry : rig.in(at, Kind.ENTRY)) {
            boolean passes = open && !entry.get(Productions.ENTRY_MUTED);
            double sum = level + entry.get(Productions.ENTRY_LEVEL);
            List<String> longer = new ArrayList<>(path);
            longer.add(entry.id());
            String to = entry.get(Productions.BRINGS);
            if (to.startsWith("i")) {
                by.computeIfAbsent(to, x -> new HashSet<>()).addAll(longer);
                double[] one = found.computeIfAbsent(to, x -> new double[] {0, Double.NEGATIVE_INFINITY});
                if (passes) {
                    one[0] = 1;
                    one[1] = Math.max(one[1], sum);
                }
            } else if (!leftOut.contains(entry.id())) {
                follow(rig, to, passes, sum, longer, leftOut, found, by);
            }
        }
    }
}
