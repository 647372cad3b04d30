package org.gullyrun.desktop.state;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.runmap.MapModel;

/**
 * What views draw of one reading, each part worked out once and kept. Safe for several threads: what is on screen is worked
 * out away from the interface thread before views ask for it.
 */
public final class ViewModels {
    private final Reading reading;
    private final Map<Integer, List<Hearing>> hearings = new ConcurrentHashMap<>();
    private final Map<MapKey, MapModel> maps = new ConcurrentHashMap<>();

    private record MapKey(int scene, Lens lens) {}

    ViewModels(Reading reading) {
        this.reading = reading;
    }

    /** What each listener hears in a scene by its place, or at worst in any if it is -1; in the order of the rig. */
    public List<Hearing> hearings(int scene) {
        return hearings.computeIfAbsent(scene, s -> Hearing.all(reading, s));
    }

    /** The map of a scene by its place, -1 for all of them. */
    public MapModel map(int scene, Lens lens) {
        return maps.computeIfAbsent(new MapKey(scene, lens), k -> MapModel.of(reading, k.scene, k.lens == Lens.RATES));
    }

    /** Whether a map has been worked out already, so that asking for it costs nothing. */
    public boolean hasMap(int scene, Lens lens) {
        return maps.containsKey(new MapKey(scene, lens));
    }

    /** Works out all that is on screen now. */
    void prepare(State shown) {
        if (shown.scene() < reading.scenes().size()) {
            hearings(shown.scene());
            if (shown.step() == Step.TRACE) {
                map(shown.scene(), shown.lens());
            }
        }
    }
}
