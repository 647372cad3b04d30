package org.gullyrun.core.flow.reuse;

import java.util.Iterator;
import java.util.List;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.flow.route.Numbering;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Reads on from another version of a rig, or from another scene: only what differs is computed again.
 *
 * <p>Needs: the graphs or the flow before. Gives: exactly what computing afresh gives. One object serves all scenes of
 * one reading, which mostly differ from the reading before in the same way.
 */
public final class Reuse {
    private @Nullable Numbering numbering;

    /**
     * The graphs of a rig in several scenes. Where it differs from another version by one flag on which only a gate hangs, the gate
     * is turned and nothing compiled; where an entry comes or goes, only the scenes that contain it are compiled.
     */
    public static List<FlowGraph> graphs(Rig rig, List<SceneKey> scenes, List<FlowGraph> before) {
        if (before.isEmpty() || !before.stream().map(FlowGraph::scene).toList().equals(scenes)) {
            return FlowGraph.all(rig, scenes);
        }
        Change.Set change = OneFlag.between(before.getFirst().rig(), rig);
        if (change != null) {
            return before.stream().map(g -> g.turned(rig, change)).toList();
        }
        OneEntry entry = OneEntry.between(before.getFirst().rig(), rig);
        return entry == null ? FlowGraph.all(rig, scenes) : graphs(rig, scenes, before, entry);
    }

    private static List<FlowGraph> graphs(Rig rig, List<SceneKey> scenes, List<FlowGraph> before, OneEntry entry) {
        List<SceneKey> touched = scenes.stream().filter(entry::mattersIn).toList();
        Iterator<FlowGraph> anew = FlowGraph.some(rig, touched, scenes.size()).iterator();
        return before.stream()
                .map(g -> touched.contains(g.scene()) ? anew.next().sharingShapeOf(g) : g.withRig(rig))
                .toList();
    }

    /** All that follows from a graph, given what follows from another version of it. */
    public SceneFlow of(SceneFlow before, FlowGraph after) {
        numbering = Numbering.between(before.graph(), after, numbering);
        return SceneFlow.of(after, before, numbering);
    }

    /** Lets go of what was kept for further scenes. */
    public void finished() {
        if (numbering != null) {
            numbering.finished();
        }
    }
}
