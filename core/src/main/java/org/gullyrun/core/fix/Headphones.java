package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** Where a microphone picks up a loudspeaker: everything that plays there, and who listens there, on headphones instead. */
final class Headphones {
    /** Of the devices that no microphone picks up so many are tried. */
    private static final int MOST = 3;

    private Headphones() {}

    /** Hands on what takes all off the loudspeakers that are picked up on a route. */
    static void instead(FlowGraph graph, List<Integer> route, Consumer<List<Change>> to) {
        Rig rig = graph.rig();
        Set<Element> loudspeakers = new LinkedHashSet<>();
        route.stream()
                .filter(graph::isCoupling)
                .forEach(
                        s -> rig.find(graph.element(graph.from(s)), Kind.DEVICE).ifPresent(loudspeakers::add));
        for (Element loudspeaker : loudspeakers) {
            rig.of(Kind.DEVICE).stream()
                    .filter(d -> isInstead(rig, d, loudspeaker))
                    .limit(MOST)
                    .forEach(d -> to.accept(moved(rig, loudspeaker, d)));
        }
    }

    /** Whether a device can be listened on in place of a loudspeaker, and no microphone picks it up. */
    private static boolean isInstead(Rig rig, Element device, Element loudspeaker) {
        return !device.equals(loudspeaker)
                && device.get(Devices.DIRECTION) == Direction.PLAYBACK
                && !device.is(Devices.VIRTUAL, false)
                && Objects.equals(device.get(Devices.MACHINE), loudspeaker.get(Devices.MACHINE))
                && Choices.usable(rig, device)
                && rig.of(Kind.COUPLING).stream().noneMatch(c -> device.id().equals(c.get(Links.COUPLING_FROM)));
    }

    /** Every choice that names a device, set to another one. */
    private static List<Change> moved(Rig rig, Element from, Element to) {
        List<Change> changes = new ArrayList<>();
        for (Element element : rig.elements()) {
            for (String key : element.keys()) {
                Setting<?> setting = Catalogue.find(element.kind(), key);
                if (setting != null && Choice.to(from.id()).equals(element.raw(setting))) {
                    changes.add(Objects.requireNonNull(Change.setRaw(rig, element.id(), setting, Choice.to(to.id()))));
                }
            }
        }
        return changes;
    }
}
