package org.gullyrun.desktop.trace;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.runmap.FoldedMap;
import org.gullyrun.core.runmap.MapEdge;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.core.runmap.MapNode;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Shown;
import org.junit.jupiter.api.Test;

/** A map folded to what is lit holds all of that, and counts the rest. */
class FoldedMapTest {

    @Test
    void aRouteOfTheSampleShowIsLeftWithItsLanesAndTheRestIsCounted() {
        Case what = SampleShow.make();
        Reading reading = RuleCatalogue.usual()
                .quick()
                .read(what.survey(SampleShow.AS_FOUND).orElseThrow().rig(), what.brief());
        MapModel whole = MapModel.of(reading, -1, false);
        MapModel folded = fold(whole, Shown.of(reading, new Selection.Pair("crew", "live"), -1));
        assertEquals(
                Set.of("Crew", "Huddlewick", "Mole speakers", "Orrery", "Live"),
                folded.nodes().stream()
                        .filter(n -> !FoldedMap.isMore(n))
                        .map(n -> n.title())
                        .collect(Collectors.toSet()));
        MapNode orrery = folded.nodes().stream()
                .filter(n -> n.title().equals("Orrery"))
                .findFirst()
                .orElseThrow();
        assertEquals(1, orrery.rows().size(), "only the input that takes it");
        assertTrue(folded.nodes().stream().anyMatch(n -> n.title().equals("10 more")), "the other sources");
    }

    @Test
    void whateverIsLitIsThereAndEverythingElseIsCounted() {
        int folds = 0;
        for (long seed = 0; seed < RandomRigs.many(60, 1_000); seed++) {
            Reading reading = RuleCatalogue.usual().quick().read(RandomRigs.of(seed), Brief.EMPTY);
            MapModel whole = MapModel.of(reading, -1, false);
            for (Element source : reading.rig().of(Kind.SOURCE)) {
                for (Element outlet : reading.rig().of(Kind.OUTLET)) {
                    Shown shown = Shown.of(reading, new Selection.Pair(source.id(), outlet.id()), -1);
                    check("seed " + seed + " " + source.id() + " > " + outlet.id(), whole, shown);
                    folds += shown.isEmpty() ? 0 : 1;
                }
            }
        }
        assertTrue(folds > 100, "folds: " + folds);
    }

    private static MapModel fold(MapModel whole, Shown shown) {
        return FoldedMap.of(whole, shown.points(), shown.segments());
    }

    private static void check(String where, MapModel whole, Shown shown) {
        MapModel folded = fold(whole, shown);
        Set<PointId> placed = points(folded);
        placed.retainAll(shown.points());
        Set<PointId> lit = points(whole);
        lit.retainAll(shown.points());
        assertEquals(lit, placed, where);
        assertEquals(keys(whole, shown), keys(folded, shown), where);
        for (MapEdge edge : folded.edges()) {
            assertTrue(edge.fromPort() < Math.max(1, edge.from().columns().size()), where + " " + edge.ports());
            assertTrue(edge.toPort() < Math.max(1, edge.to().rows().size()), where + " " + edge.ports());
        }
        Map<Integer, Integer> counted = layers(
                folded,
                n -> FoldedMap.isMore(n)
                        ? Integer.parseInt(n.title().substring(0, n.title().indexOf(' ')))
                        : 1);
        assertEquals(layers(whole, n -> 1), counted, where);
    }

    private static Map<Integer, Integer> layers(MapModel model, Function<MapNode, Integer> count) {
        return model.nodes().stream()
                .collect(Collectors.groupingBy(MapNode::layer, Collectors.summingInt(count::apply)));
    }

    private static Set<PointId> points(MapModel model) {
        Set<PointId> points = new HashSet<>();
        model.nodes().forEach(n -> points.addAll(n.points()));
        return points;
    }

    /** The lit segments that a map draws, as channels or crossings. */
    private static Set<SegmentKey> keys(MapModel model, Shown shown) {
        Set<SegmentKey> keys = new HashSet<>();
        model.edges().forEach(e -> keys.addAll(e.keys()));
        model.nodes().forEach(n -> n.crossings().forEach(c -> keys.add(c.key())));
        keys.retainAll(shown.segments());
        return keys;
    }
}
