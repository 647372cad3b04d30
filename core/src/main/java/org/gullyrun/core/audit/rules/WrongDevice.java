package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * The device that was chosen wrongly where somebody doesn't hear what they should: the sound plays on another device than they
 * listen on, or a call listens to another microphone. A cue that no input is on could bring it, but isn't what went wrong.
 *
 * @param why what leads elsewhere, and where: "bus Ears in Sluice goes to Shelf speakers"
 * @param listens on which device they listen: "Ann listens on Headset"; empty for a call
 * @param route the open segments to the other device; empty for a call
 * @param choice the setting that leads there
 */
record WrongDevice(String why, String listens, List<Integer> route, Address choice) {
    /** What leads to a device: a bus rather than what plays into its mixer. */
    private static final List<Kind> ORDER = List.of(Kind.BUS, Kind.PASS_THROUGH, Kind.APP_OUTPUT);

    /**
     * The wrong device of a pair in a scene; null if the sound plays to none, or what blocks its route is what went wrong.
     *
     * @param hearer who listens, by their name
     */
    static @Nullable WrongDevice of(SceneReading scene, MissingPair pair, BlockedRoute route, String hearer) {
        Rig rig = scene.graph().rig();
        Outlets.Sort sort = pair.outlet().get(Outlets.SORT);
        if (!route.exists() || !isUnusedCue(rig, route)) {
            return null;
        } else if (sort == Outlets.Sort.FAR_END) {
            return microphone(rig, pair);
        }
        Element worn =
                rig.find(Choices.listensOn(rig, pair.outlet()), Kind.DEVICE).orElse(null);
        if (sort != Outlets.Sort.EARS || worn == null) {
            return null;
        }
        FlowGraph graph = scene.graph();
        boolean[] reached = scene.electricView()
                .reachedFrom(new int[] {graph.point(pair.source().id())});
        List<Integer> ends = new ArrayList<>();
        for (int s = 0; s < graph.segments(); s++) {
            if (graph.isOpen(s) && reached[graph.from(s)] && leadsElsewhere(graph, s, worn)) {
                ends.add(s);
            }
        }
        return ends.stream()
                .min(Comparator.comparingInt(s -> ORDER.indexOf(by(graph, s).kind())))
                .map(s -> told(scene, pair, s, hearer + Say.verb(hearer, " listens on ", " listen on ") + worn.name()))
                .orElse(null);
    }

    /** A call that listens to another microphone than the one somebody speaks into; null if it doesn't. */
    static @Nullable WrongDevice microphone(Rig rig, MissingPair pair) {
        Element call = rig.find(pair.outlet().get(Outlets.APPLICATION), Kind.APPLICATION)
                .orElse(null);
        Element spoken = rig.find(pair.source().get(Sources.AT), Kind.DEVICE).orElse(null);
        Choices.Going going = call == null ? null : Choices.input(rig, call);
        Element heard = going == null ? null : rig.find(going.device());
        return call == null || going == null || spoken == null || heard == null || heard.equals(spoken)
                ? null
                : new WrongDevice(
                        call.name() + " listens to " + heard.name() + ", not to " + spoken.name(),
                        "",
                        List.of(),
                        new Address(
                                going.decidedBy().kind() == Kind.MACHINE
                                        ? call.or(Applications.MACHINE, "")
                                        : call.id(),
                                going.decidedBy().key()));
    }

    /** Whether all that blocks a route is a cue that no input is on. */
    private static boolean isUnusedCue(Rig rig, BlockedRoute route) {
        return route.closed().stream().allMatch(gate -> {
            Element production =
                    rig.find(gate.at().element(), Kind.INPUT).map(rig::owner).orElse(null);
            return Productions.CUE.equals(gate.setting())
                    && production != null
                    && rig.in(production.id(), Kind.INPUT).stream().noneMatch(i -> i.is(Productions.CUE, false));
        });
    }

    /** Whether a segment leads to another device on the computer of the one that is worn; of a bus or pass-through not into a cable. */
    private static boolean leadsElsewhere(FlowGraph graph, int segment, Element worn) {
        Element by = by(graph, segment);
        Element device =
                graph.rig().find(graph.element(graph.to(segment)), Kind.DEVICE).orElse(null);
        return device != null
                && ORDER.contains(by.kind())
                && graph.kind(graph.to(segment)) == PointKind.PLAYBACK
                && !device.equals(worn)
                && Objects.equals(device.get(Devices.MACHINE), worn.get(Devices.MACHINE))
                && (by.kind() == Kind.APP_OUTPUT || !device.is(Devices.VIRTUAL, false));
    }

    private static Element by(FlowGraph graph, int segment) {
        return graph.rig().get(graph.segmentElement(segment));
    }

    private static @Nullable WrongDevice told(SceneReading scene, MissingPair pair, int segment, String listens) {
        FlowGraph graph = scene.graph();
        Rig rig = graph.rig();
        Element by = by(graph, segment);
        String device = rig.name(graph.element(graph.to(segment)));
        List<Integer> route = scene.strongestTo(pair.source(), graph.to(segment));
        String name = Sentences.noun(rig, by);
        if (by.kind() == Kind.BUS) {
            String why = name + " in " + rig.program(by).name() + " goes to " + device;
            return new WrongDevice(why, listens, route, new Address(by.id(), Mixers.TARGET.key()));
        } else if (by.kind() == Kind.PASS_THROUGH) {
            Address choice = new Address(by.id(), Links.PASS_TO.key());
            return new WrongDevice(name + " plays to " + device, listens, route, choice);
        }
        String plays = Spoken.plays(rig, pair.source());
        Address choice = Missing.setsOut(rig, pair.source()).getFirst();
        return plays.isEmpty() ? null : new WrongDevice(plays, listens, route, choice);
    }
}
