package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** Whatever is offered to open or close a gate does so, on rigs of all kinds of elements. */
class GateMovesTest {

    private static boolean has(FlowGraph graph, Gate gate, boolean open) {
        for (int s : graph.gated(gate.at())) {
            if (graph.gates(s).stream()
                    .anyMatch(g -> g.at().equals(gate.at()) && g.sort() == gate.sort() && g.open() == open)) {
                return true;
            }
        }
        return false;
    }

    private static boolean bringsWhole(Rig rig, SceneKey scene) {
        return rig.in(scene.scene(), Kind.ENTRY).stream()
                .anyMatch(
                        e -> rig.find(e.or(Productions.BRINGS, ""), Kind.INPUT).isEmpty());
    }

    @TakesLong
    @Test
    void aGateThatIsToBeOpenedIsOpenAndOneThatIsToBeClosedIsNot() {
        Map<Gate.Sort, Integer> opened = new EnumMap<>(Gate.Sort.class);
        Map<Gate.Sort, Integer> closed = new EnumMap<>(Gate.Sort.class);
        for (int seed = 0; seed < RandomRigs.many(30, 1_000); seed++) {
            Rig rig = RandomRigs.of(seed);
            for (SceneKey scene : SceneKey.axis(rig)) {
                FlowGraph graph = FlowGraph.of(rig, scene);
                GateMoves moves = new GateMoves(rig, scene);
                for (int s = 0; s < graph.segments(); s++) {
                    for (Gate gate : graph.gates(s)) {
                        List<Change> changes = gate.open() ? moves.close(gate) : moves.open(gate);
                        if (changes.isEmpty()) {
                            continue;
                        }
                        FlowGraph after = FlowGraph.of(Changes.apply(rig, changes), scene);
                        String what = "seed " + seed + ", " + gate + " by " + changes;
                        if (gate.open()) {
                            // What is brought with a group or another scene as well stays where it is.
                            assertTrue(
                                    !has(after, gate, true)
                                            || gate.sort() == Gate.Sort.IN_SCENE && bringsWhole(rig, scene),
                                    what);
                            closed.merge(gate.sort(), 1, Integer::sum);
                        } else {
                            assertTrue(!has(after, gate, false), what);
                            opened.merge(gate.sort(), 1, Integer::sum);
                        }
                    }
                }
            }
        }
        for (Gate.Sort sort : Gate.Sort.values()) {
            assertTrue(opened.getOrDefault(sort, 0) > 0, "never opened: " + sort + " of " + opened);
        }
        assertEquals(java.util.Set.of(Gate.Sort.ON, Gate.Sort.OFF, Gate.Sort.IN_SCENE), closed.keySet());
    }
}
