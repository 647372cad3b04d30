package org.gullyrun.core.runmap;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** The map shows the whole rig: every point once, every open segment, and what is folded away is counted. */
class MapModelTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Case SAMPLE = SampleShow.make();
    private static final Reading GOOD =
            AUDIT.read(SAMPLE.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig(), SAMPLE.brief());

    private static Reading random(long seed) {
        return AUDIT.read(RandomRigs.of(seed), Brief.EMPTY);
    }

    private static Map<PointId, MapNode> nodes(MapModel model, String about) {
        Map<PointId, MapNode> nodes = new HashMap<>();
        for (MapNode node : model.nodes()) {
            for (PointId point : node.points()) {
                assertEquals(null, nodes.put(point, node), about + ": " + point + " is drawn twice");
            }
        }
        return nodes;
    }

    private static Set<SegmentKey> drawn(MapModel model) {
        Set<SegmentKey> keys = new HashSet<>();
        model.edges().forEach(edge -> keys.addAll(edge.keys()));
        model.nodes().forEach(node -> node.crossings().forEach(crossing -> keys.add(crossing.key())));
        return keys;
    }

    @Test
    void everyPointOfEverySceneIsDrawnOnce() {
        for (int seed = 0; seed < RandomRigs.many(60, 2_000); seed++) {
            Reading reading = random(seed);
            Map<PointId, MapNode> nodes = nodes(MapModel.of(reading, -1, false), "seed " + seed);
            for (SceneReading scene : reading.scenes()) {
                FlowGraph graph = scene.graph();
                for (int s = 0; s < graph.segments(); s++) {
                    if (graph.isOpen(s)) {
                        assertTrue(
                                nodes.containsKey(graph.id(graph.from(s))),
                                "seed " + seed + " " + graph.id(graph.from(s)));
                        assertTrue(
                                nodes.containsKey(graph.id(graph.to(s))), "seed " + seed + " " + graph.id(graph.to(s)));
                    }
                }
            }
            for (Kind kind : List.of(Kind.SOURCE, Kind.OUTLET)) {
                for (Element element : reading.rig().of(kind)) {
                    assertTrue(nodes.containsKey(PointId.of(element.id())), "seed " + seed + " " + element.id());
                }
            }
        }
    }

    @Test
    void everyOpenSegmentBetweenTwoNodesIsAChannelOrACrossing() {
        for (int seed = 0; seed < RandomRigs.many(60, 2_000); seed++) {
            Reading reading = random(seed);
            MapModel model = MapModel.of(reading, -1, false);
            Map<PointId, MapNode> nodes = nodes(model, "seed " + seed);
            Set<SegmentKey> drawn = drawn(model);
            for (SceneReading scene : reading.scenes()) {
                FlowGraph graph = scene.graph();
                for (int s = 0; s < graph.segments(); s++) {
                    MapNode from = nodes.get(graph.id(graph.from(s)));
                    MapNode to = nodes.get(graph.id(graph.to(s)));
                    if (graph.isOpen(s) && from != to) {
                        SegmentKey key =
                                new SegmentKey(graph.id(graph.from(s)), graph.id(graph.to(s)), graph.segmentElement(s));
                        assertTrue(drawn.contains(key), "seed " + seed + " " + key);
                    }
                }
            }
        }
    }

    @Test
    void soundFlowsFromLeftToRightUnlessItComesBack() {
        for (int seed = 0; seed < RandomRigs.many(60, 2_000); seed++) {
            MapModel model = MapModel.of(random(seed), -1, false);
            for (MapEdge edge : model.edges()) {
                assertEquals(
                        edge.from().layer() >= edge.to().layer(), edge.isReturn(), "seed " + seed + " " + edge.ports());
            }
            int before = -1;
            for (List<MapNode> layer : model.layers()) {
                assertFalse(layer.isEmpty());
                assertTrue(layer.getFirst().layer() > before, "columns are in order");
                before = layer.getFirst().layer();
            }
        }
    }

    @Test
    void aChannelIsOpenIfAnySceneOpensIt() {
        for (int scene = 0; scene < GOOD.scenes().size(); scene++) {
            MapModel model = MapModel.of(GOOD, scene, false);
            FlowGraph graph = GOOD.scenes().get(scene).graph();
            Set<SegmentKey> open = new HashSet<>();
            for (int s = 0; s < graph.segments(); s++) {
                if (graph.isOpen(s)) {
                    open.add(new SegmentKey(graph.id(graph.from(s)), graph.id(graph.to(s)), graph.segmentElement(s)));
                }
            }
            for (MapEdge edge : model.edges()) {
                assertEquals(
                        edge.keys().stream().anyMatch(open::contains),
                        edge.isOpen(),
                        GOOD.scenes().get(scene).name() + " " + edge.keys());
            }
        }
    }

    @Test
    void foldingKeepsWhatIsLitAndCountsTheRest() {
        Random random = new Random(1);
        for (int seed = 0; seed < RandomRigs.many(100, 1_000); seed++) {
            MapModel whole = MapModel.of(random(seed), -1, false);
            Set<PointId> lit = whole.nodes().stream()
                    .flatMap(node -> node.points().stream())
                    .filter(point -> random.nextInt(4) == 0)
                    .collect(Collectors.toSet());
            if (lit.isEmpty()) {
                continue;
            }
            MapModel folded = FoldedMap.of(whole, lit, Set.of());
            Set<PointId> kept = folded.nodes().stream()
                    .flatMap(node -> node.points().stream())
                    .collect(Collectors.toSet());
            assertTrue(kept.containsAll(lit), "seed " + seed);
            long gone = whole.nodes().stream()
                    .filter(node -> node.points().stream().noneMatch(lit::contains))
                    .count();
            long told = folded.nodes().stream()
                    .filter(FoldedMap::isMore)
                    .mapToLong(node -> Long.parseLong(node.title().replaceAll("\\D", "")))
                    .sum();
            assertEquals(gone, told, "seed " + seed + ": all that is folded away is counted");
        }
    }

    @Test
    void aCableWithDifferentEndsIsMarkedInTheRatesView() {
        Rig found = SAMPLE.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        Reading reading = AUDIT.read(found, SAMPLE.brief());
        MapModel rates = MapModel.of(reading, -1, true);
        assertTrue(rates.edges().stream().anyMatch(MapEdge::isRatesBad)
                || rates.nodes().stream().anyMatch(MapNode::isTagBad));
        MapModel good = MapModel.of(GOOD, -1, true);
        assertTrue(good.edges().stream().noneMatch(MapEdge::isRatesBad));
        assertTrue(good.nodes().stream().noneMatch(MapNode::isTagBad));
    }

    @Test
    void theSameRigIsDrawnAlikeWhateverItsOrder() {
        Rig rig = GOOD.rig();
        MapModel again =
                MapModel.of(AUDIT.read(Rig.of(rig.elements().stream().toList().reversed()), SAMPLE.brief()), -1, false);
        assertEquals(MapModel.of(GOOD, -1, false).signature(), again.signature());
    }
}
