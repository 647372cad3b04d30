package org.gullyrun.core.audit;

import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Kind;
import org.jspecify.annotations.Nullable;

/** How a source arrives at a listener, in one sentence. */
public final class Arrival {
    private Arrival() {}

    /**
     * By how many routes it arrives in a scene and how loud, or that it doesn't.
     *
     * @param cell the pair in the scene with this index
     * @param everywhere whether the question is about all scenes: where it arrives in none of them, that is said
     */
    public static String sentence(Reading reading, int scene, CellReading cell, boolean everywhere) {
        String where = reading.scenes().size() > 1
                ? " in " + reading.scenes().get(scene).name()
                : "";
        if (cell.delivery().arrives()) {
            return "Arrives by " + (cell.delivery().atLeast() ? "at least " : "")
                    + cell.delivery().routes()
                    + (cell.delivery().routes() == 1 ? " route" : " routes") + where
                    + " at " + Decimals.one(cell.usualLevel()) + " dBFS.";
        }
        boolean nowhere = everywhere && !where.isEmpty() && !arrivesSomewhere(reading, cell);
        return "Doesn't arrive" + (nowhere ? " in any scene" : where) + ".";
    }

    /** How many sources arrive at a listener in a scene, or in any of them; none where there is no such listener. */
    public static int sources(Reading reading, String outlet, @Nullable SceneReading scene) {
        int o = reading.rig().place(Kind.OUTLET, outlet);
        List<SceneReading> scenes = scene == null ? reading.scenes() : List.of(scene);
        return (int) IntStream.range(0, reading.rig().of(Kind.SOURCE).size())
                .filter(s -> o >= 0
                        && scenes.stream()
                                .anyMatch(each -> each.cell(s, o).delivery().arrives()))
                .count();
    }

    private static boolean arrivesSomewhere(Reading reading, CellReading cell) {
        int source = reading.rig().of(Kind.SOURCE).indexOf(cell.source());
        int outlet = reading.rig().of(Kind.OUTLET).indexOf(cell.outlet());
        return reading.scenes().stream()
                .anyMatch(scene -> scene.cell(source, outlet).delivery().arrives());
    }
}
