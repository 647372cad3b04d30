package org.gullyrun.core;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** The planted trouble of large rigs is found, all of it and nothing else. */
class LargeRigsTest {
    @Test
    void thePlantedDoublesAndGapsAreFoundAndNothingElse() {
        Rig rig = LargeRigs.make(1, 200, 50, 20);
        Reading reading = RuleCatalogue.usual().read(rig, LargeRigs.brief(200));
        List<String> planted = IntStream.range(0, 200)
                .filter(i -> i % LargeRigs.FAULT_EVERY == 0 || i % LargeRigs.GAP_EVERY == 0)
                .mapToObj(i -> String.format(
                        "%s:source-%04d>outlet-0000", i % LargeRigs.FAULT_EVERY == 0 ? "double" : "scene.gap", i))
                .sorted()
                .toList();
        assertEquals(
                planted,
                reading.findings().stream()
                        .filter(Finding::isBad)
                        .map(Finding::identity)
                        .sorted()
                        .toList());
        FlowGraph graph = reading.scenes().getFirst().graph();
        assertTrue(graph.points() > 1_900 && graph.segments() > 6_000, graph.points() + ", " + graph.segments());
        assertEquals(20, reading.scenes().size());
    }
}
