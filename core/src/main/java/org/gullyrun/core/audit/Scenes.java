package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.flow.Numbering;
import org.gullyrun.core.flow.RigTooLarge;
import org.gullyrun.core.flow.SceneFlow;
import org.gullyrun.core.flow.SceneKey;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/** Reads all scenes of a rig, working out only what differs from scenes that are known already. */
final class Scenes {
    private Scenes() {}

    /** The scenes of a rig; {@code before} are those of another version of it on the same thresholds, or none. */
    static List<SceneReading> read(Rig rig, Wishes wishes, Thresholds thresholds, List<SceneReading> before) {
        CellReader reader = new CellReader(rig, wishes, thresholds);
        List<SceneKey> keys = SceneKey.axis(rig);
        RigTooLarge.checkPairs(rig.of(Kind.SOURCE).size(), rig.of(Kind.OUTLET).size(), keys.size());
        List<FlowGraph> graphs = FlowGraph.all(
                rig, keys, before.stream().map(SceneReading::graph).toList());
        List<SceneReading> scenes = new ArrayList<>();
        Numbering numbering = null;
        for (int i = 0; i < keys.size(); i++) {
            SceneKey key = keys.get(i);
            SceneReading earlier =
                    before.stream().filter(s -> s.key().equals(key)).findFirst().orElse(null);
            FlowGraph graph = graphs.get(i);
            if (earlier != null) {
                numbering = Numbering.between(earlier.graph(), graph, numbering);
            }
            scenes.add(scene(key, graph, reader, i == 0 ? null : scenes.getLast(), earlier, numbering));
        }
        if (numbering != null) {
            numbering.finished();
        }
        return List.copyOf(scenes);
    }

    /** A scene, from the one beside it if they are the same, else from the earlier reading, else from the one beside. */
    private static SceneReading scene(
            SceneKey key,
            FlowGraph graph,
            CellReader reader,
            @Nullable SceneReading beside,
            @Nullable SceneReading earlier,
            @Nullable Numbering numbering) {
        if (beside != null && beside.flow().sharedWith(graph) instanceof SceneFlow shared) {
            return new SceneReading(key, shared, reader, beside, beside, numbering);
        }
        if (earlier != null && numbering != null) {
            return new SceneReading(
                    key, SceneFlow.of(graph, earlier.flow(), numbering), reader, earlier, beside, numbering);
        }
        return new SceneReading(
                key,
                beside == null
                        ? SceneFlow.of(graph)
                        : SceneFlow.of(graph, beside.flow(), Numbering.between(beside.graph(), graph, null)),
                reader,
                beside,
                beside,
                null);
    }
}
