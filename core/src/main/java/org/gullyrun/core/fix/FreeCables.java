package org.gullyrun.core.fix;

import java.util.Objects;
import java.util.stream.Stream;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/** Virtual cables that nothing plays to, so that a rig can lead something new through them. */
final class FreeCables {
    /** So many are tried: one is as good as another. */
    private static final int MOST = 2;

    private FreeCables() {}

    /**
     * A cable by its two ends.
     *
     * @param plays the device that is played to
     * @param records the device that is listened to
     */
    record Ends(Element plays, Element records) {}

    /** The first cables of a computer that nothing plays to and that can be used. */
    static Stream<Ends> of(FlowGraph graph, @Nullable String machine) {
        Rig rig = graph.rig();
        return rig.of(Kind.CABLE).stream()
                .flatMap(cable -> rig
                        .find(cable.get(Links.CABLE_FROM), Kind.DEVICE)
                        .flatMap(from ->
                                rig.find(cable.get(Links.CABLE_TO), Kind.DEVICE).map(to -> new Ends(from, to)))
                        .stream())
                .filter(ends -> isFree(graph, ends.plays, machine))
                .limit(MOST);
    }

    private static boolean isFree(FlowGraph graph, Element device, @Nullable String machine) {
        int point = graph.point(device.id());
        return Objects.equals(device.get(Devices.MACHINE), machine)
                && Choices.usable(graph.rig(), device)
                && device.get(Devices.PROVIDED_BY) == null
                && point >= 0
                && graph.in(point).length == 0;
    }
}
