package org.gullyrun.desktop.basins;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.state.State;
import org.jspecify.annotations.Nullable;

/**
 * What one outlet hears, as far as a basin shows it: two that are equal look the same.
 *
 * @param outlet the id of the outlet
 * @param name its name
 * @param coil whether a loop ends in it
 * @param drops what arrives or is missing, in the order of the rig
 */
record Hearing(String outlet, String name, boolean coil, List<Drop> drops) {

    /**
     * One source in a basin.
     *
     * @param source its id
     * @param name its name
     * @param sourceClass its class
     * @param verdict what the audit says, in the worst scene
     * @param level dBFS, NaN if nothing arrives
     * @param loud whether it is shown as trouble
     * @param word how it is, in a word
     * @param where the name of the scene that it is of, where all are shown and it is trouble; else empty
     */
    record Drop(
            String source,
            String name,
            Sources.@Nullable SourceClass sourceClass,
            Verdict verdict,
            double level,
            boolean loud,
            String word,
            String where) {}

    /** Whether anything in it is trouble. */
    boolean isBad() {
        return coil || drops.stream().anyMatch(Drop::loud);
    }

    /** What an outlet, by its place, hears in the scene chosen, or at worst in any. */
    static Hearing of(State state, int place) {
        Reading reading = state.reading();
        Element outlet = reading.rig().of(Kind.OUTLET).get(place);
        List<Drop> drops = new ArrayList<>();
        for (int s = 0; s < reading.rig().of(Kind.SOURCE).size(); s++) {
            int scene = state.scene() >= 0 ? state.scene() : reading.worstScene(s, place);
            CellReading cell = reading.scenes().get(scene).cell(s, place);
            if (cell.delivery().arrives() || cell.verdict() == Verdict.MISSING) {
                drops.add(new Drop(
                        cell.source().id(),
                        cell.source().name(),
                        cell.source().get(Sources.CLASS),
                        cell.verdict(),
                        cell.usualLevel(),
                        reading.isLoud(scene, cell),
                        reading.word(scene, cell),
                        state.scene() < 0 && reading.isLoud(scene, cell)
                                ? reading.scenes().get(scene).name()
                                : ""));
            }
        }
        List<SceneReading> scenes =
                state.scene() >= 0 ? List.of(reading.scenes().get(state.scene())) : reading.scenes();
        boolean coil = scenes.stream().anyMatch(s -> s.endsLoop(s.graph().point(outlet.id())));
        return new Hearing(outlet.id(), outlet.name(), coil, List.copyOf(drops));
    }
}
