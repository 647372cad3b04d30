package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.RigTooLarge;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.flow.reuse.Reuse;
import org.gullyrun.core.flow.reuse.SceneFlow;
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
        List<FlowGraph> graphs =
                Reuse.graphs(rig, keys, before.stream().map(SceneReading::graph).toList());
        List<SceneReading> scenes = new ArrayList<>();
        Reuse reuse = new Reuse();
        for (int i = 0; i < keys.size(); i++) {
            SceneKey key = keys.get(i);
            SceneReading earlier =
                    before.stream().filter(s -> s.key().equals(key)).findFirst().orElse(null);
            scenes.add(scene(key, graphs.get(i), reader, i == 0 ? null : scenes.getLast(), earlier, reuse));
        }
        reuse.finished();
        return List.copyOf(scenes);
    }

    /** A scene, from the one beside it if they are the same, else from the earlier reading, else from the one beside. */
    private static SceneReading scene(
            SceneKey key,
            FlowGraph graph,
            CellReader reader,
            @Nullable SceneReading beside,
            @Nullable SceneReading earlier,
            Reuse reuse) {
        boolean readOn = earlier != null;
        if (beside != null && beside.flow().sharedWith(graph) instanceof SceneFlow shared) {
            return new SceneReading(key, shared, reader, beside, beside, readOn);
        }
        if (earlier != null) {
            return new SceneReading(key, reuse.of(earlier.flow(), graph), reader, earlier, beside, true);
        }
        SceneFlow flow = beside == null ? SceneFlow.of(graph) : new Reuse().of(beside.flow(), graph);
        return new SceneReading(key, flow, reader, beside, beside, false);
    }
}
