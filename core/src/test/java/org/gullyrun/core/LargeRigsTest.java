package org.gullyrun.core;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WholeRepair;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Productions;
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

    @TakesLong
    @Test
    void oneChangeForEachPlantedTroubleRepairsThem() {
        Audit audit = RuleCatalogue.usual().quick();
        Reading reading = audit.read(LargeRigs.make(1, 60, 20, 10), LargeRigs.brief(60));
        Repair repair =
                Objects.requireNonNull(new WholeRepair(audit, null, reading, Conditions.NONE, () -> false).best());
        assertEquals(List.of(), repair.left());
        Set<String> elements = repair.changes().stream()
                .map(c -> c instanceof Change.Add(Element what) ? what.or(Productions.BRINGS, "") : c.element())
                .map(id -> id.substring(id.indexOf('-') + 1))
                .collect(Collectors.toSet());
        assertEquals(
                IntStream.range(0, 60)
                        .filter(i -> i % LargeRigs.GAP_EVERY == 0)
                        .mapToObj("%04d"::formatted)
                        .collect(Collectors.toSet()),
                elements,
                repair.changes().toString());
        assertEquals(elements.size(), repair.changes().size());
    }
}
