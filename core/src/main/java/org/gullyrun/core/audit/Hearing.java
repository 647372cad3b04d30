package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * What one listener hears: two that are equal look the same.
 *
 * @param outlet the id of the listener
 * @param name its name
 * @param coil whether a loop ends in it
 * @param drops what arrives or is missing, in the order of the rig
 */
public record Hearing(String outlet, String name, boolean coil, List<Drop> drops) {

    /**
     * One source that a listener hears, or ought to.
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
    public record Drop(
            String source,
            String name,
            Sources.@Nullable SourceClass sourceClass,
            Verdict verdict,
            double level,
            boolean loud,
            String word,
            String where) {}

    /** Whether anything in it is trouble. */
    public boolean isBad() {
        return coil || drops.stream().anyMatch(Drop::loud);
    }

    /** What all listeners hear in a scene by its place, or at worst in any if it is -1; in the order of the rig. */
    public static List<Hearing> all(Reading reading, int scene) {
        return IntStream.range(0, reading.rig().of(Kind.OUTLET).size())
                .mapToObj(place -> of(reading, scene, place))
                .toList();
    }

    /** What each listener hears in the chosen scene, or the worst over all of them. */
    private static Hearing of(Reading reading, int chosen, int place) {
        Element outlet = reading.rig().of(Kind.OUTLET).get(place);
        List<Drop> drops = new ArrayList<>();
        for (int s = 0; s < reading.rig().of(Kind.SOURCE).size(); s++) {
            int scene = chosen >= 0 ? chosen : reading.worstScene(s, place);
            CellReading cell = reading.scenes().get(scene).cell(s, place);
            if (cell.delivery().arrives() || cell.verdict() == Verdict.MISSING) {
                boolean loud = reading.isLoud(scene, cell);
                drops.add(new Drop(
                        cell.source().id(),
                        cell.source().name(),
                        cell.source().get(Sources.CLASS),
                        cell.verdict(),
                        cell.usualLevel(),
                        loud,
                        reading.word(scene, cell),
                        chosen < 0 && loud ? reading.scenes().get(scene).name() : ""));
            }
        }
        List<SceneReading> scenes = chosen >= 0 ? List.of(reading.scenes().get(chosen)) : reading.scenes();
        boolean coil = scenes.stream().anyMatch(s -> s.endsLoop(s.graph().point(outlet.id())));
        return new Hearing(outlet.id(), outlet.name(), coil, List.copyOf(drops));
    }
}
