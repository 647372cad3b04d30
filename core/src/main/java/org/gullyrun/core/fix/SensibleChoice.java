package org.gullyrun.core.fix;

import java.util.stream.IntStream;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** Which devices a technician would choose at all: what leads sound back into itself, or no mixer can do, needs no trial. */
final class SensibleChoice {
    private SensibleChoice() {}

    /** Whether a change is no choice of a device, or a sensible one. */
    static boolean is(SceneReading scene, Change change) {
        Rig rig = scene.graph().rig();
        Element device =
                change instanceof Change.Set set && set.to() instanceof Choice.To(String id) ? rig.find(id) : null;
        Element holder = rig.find(change.element());
        return device == null
                || holder == null
                || !(change instanceof Change.Set set)
                || is(scene, holder, set.setting(), device);
    }

    /** Whether an element's choice could sensibly be a device. */
    static boolean is(SceneReading scene, Element holder, Setting<?> setting, Element device) {
        boolean mixer = setting.equals(Mixers.FEED) || setting.equals(Mixers.TARGET);
        return (!mixer || mixersCanUse(scene.graph().rig(), device, setting.equals(Mixers.FEED)))
                && !closesLoop(scene, holder, setting, device);
    }

    /**
     * Whether a mixer can be led to a device: it takes what programs play only from virtual devices, and of microphones feeds
     * only virtual ones that nothing else feeds.
     */
    private static boolean mixersCanUse(Rig rig, Element device, boolean feed) {
        boolean usual = (device.get(Devices.DIRECTION) == Direction.RECORDING) == feed;
        return usual || device.is(Devices.VIRTUAL, false) && (feed || !isFed(rig, device));
    }

    /** Whether a microphone is the end of a processor or a cable. */
    private static boolean isFed(Rig rig, Element microphone) {
        return rig.of(Kind.PROCESSOR).stream().anyMatch(p -> microphone.id().equals(p.get(Links.PROCESSOR_TO)))
                || rig.of(Kind.CABLE).stream().anyMatch(c -> microphone.id().equals(c.get(Links.CABLE_TO)));
    }

    /** Whether sound would come back to where it left without going through the air. */
    private static boolean closesLoop(SceneReading scene, Element holder, Setting<?> setting, Element device) {
        FlowGraph graph = scene.graph();
        int there = graph.point(device.id());
        ChoiceEnd end = there < 0 ? null : ChoiceEnd.of(graph, holder, setting);
        return end != null
                && IntStream.of(end.points())
                        .anyMatch(p -> end.listens()
                                ? scene.electricView().reachingOne(there)[p]
                                : scene.electricView().reachingOne(p)[there]);
    }
}
