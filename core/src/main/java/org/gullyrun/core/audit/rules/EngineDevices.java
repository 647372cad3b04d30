package org.gullyrun.core.audit.rules;

import java.util.LinkedHashSet;
import java.util.Set;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;

/** The devices that a mixer or production reads and feeds. */
final class EngineDevices {
    private EngineDevices() {}

    /** Their ids, each once; those chosen, whether they can be used or not. */
    static Set<String> of(Rig rig, Element engine) {
        Set<String> ids = new LinkedHashSet<>();
        if (engine.kind() == Kind.MIXER) {
            rig.in(engine.id(), Kind.STRIP).forEach(s -> ids.add(Choices.feed(rig, s)));
            rig.in(engine.id(), Kind.BUS).forEach(b -> ids.add(Choices.target(rig, b)));
        } else {
            String machine = engine.get(Productions.MACHINE);
            for (Element input : rig.in(engine.id(), Kind.INPUT)) {
                switch (input.get(Productions.TAKES)) {
                    case RECORDING ->
                        ids.add(Choices.device(rig, machine, input.get(Productions.DEVICE), Direction.RECORDING));
                    case PLAYBACK ->
                        ids.add(Choices.device(rig, machine, input.get(Productions.DEVICE), Direction.PLAYBACK));
                    case null, default -> {}
                }
            }
            ids.add(Choices.device(rig, machine, engine.get(Productions.CUE_DEVICE), Direction.PLAYBACK));
        }
        ids.remove("");
        return ids;
    }
}
