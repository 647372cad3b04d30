package org.gullyrun.core.flow.graph;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.flow.graph.GraphBuilder.Draft;
import org.gullyrun.core.flow.graph.GraphBuilder.Point;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * Compiles a rig in one scene into its flow graph.
 *
 * <p>Needs: a rig and a scene. Gives: points and segments with all their gates, open or closed. Source: the table
 * <em>Flow graph of one scene</em> of the rig model; what it leaves open stands in {@code docs/model.md}. Cost: linear
 * in elements, with strips × buses and inputs × tracks.
 *
 * <p>This class holds what devices and links make, and the order of the stages; {@link ApplicationSegments}, {@link
 * MixerSegments} and {@link ProductionSegments} hold the rest.
 */
final class Compiler {
    final Rig rig;
    final SceneKey scene;
    final GraphBuilder graph;
    private final Map<String, List<Element>> directFrom = new HashMap<>();
    private final Map<String, List<Element>> directTo = new HashMap<>();
    private @Nullable ApplicationSegments applications;
    private @Nullable MixerSegments mixers;
    private GraphBuilder.@Nullable Arrays arrays;
    private @Nullable FlowGraph made;

    private Compiler(Rig rig, SceneKey scene) {
        this.rig = rig;
        this.scene = scene;
        this.graph = new GraphBuilder(rig);
    }

    private Compiler(Compiler first, SceneKey scene) {
        this.rig = first.rig;
        this.scene = scene;
        this.graph = first.graph.forAnotherScene();
    }

    /**
     * The graphs of some scenes. Scenes without copies are of one shape: only what differs is made once more.
     *
     * @param ofAll how many scenes the rig has
     */
    static List<FlowGraph> compile(Rig rig, List<SceneKey> scenes, int ofAll) {
        List<FlowGraph> graphs = new ArrayList<>();
        Compiler first = null;
        SceneComposition.Cache compositions = new SceneComposition.Cache();
        for (SceneKey scene : scenes) {
            if (first != null && first.arrays != null && first.applications != null && first.mixers != null) {
                Compiler next = new Compiler(first, scene);
                ProductionSegments productions = new ProductionSegments(next, compositions);
                if (!productions.hasCopies()) {
                    productions.take(first.applications, first.mixers);
                    next.ownSources(productions);
                    graphs.add(new FlowGraph(rig, scene, next.graph.over(first.arrays), first.made));
                    continue;
                }
            }
            Compiler compiler = new Compiler(rig, scene);
            ProductionSegments productions = new ProductionSegments(compiler, compositions);
            FlowGraph graph = compiler.whole(productions);
            RigTooLarge.checkSegments(graph.segments(), ofAll);
            graphs.add(graph);
            if (first == null && !productions.hasCopies()) {
                first = compiler;
            }
        }
        return graphs;
    }

    /** Compiles the scene: points first, as segments refer to them. */
    private FlowGraph whole(ProductionSegments productions) {
        for (Element device : rig.of(Kind.DEVICE)) {
            graph.point(
                    device,
                    device.get(Devices.DIRECTION) == Direction.RECORDING ? PointKind.RECORDING : PointKind.PLAYBACK,
                    rate(device, Devices.RATE));
        }
        findDirect();
        applications = new ApplicationSegments(this);
        mixers = new MixerSegments(this);
        productions.take(applications, mixers);
        productions.leave();
        applications.compile(productions);
        mixers.compile();
        links();
        sources(applications);
        ownSources(productions);
        outlets(applications, productions);
        arrays = graph.finish();
        made = new FlowGraph(rig, scene, arrays, null);
        return made;
    }

    /** A sample rate in Hz, NaN where it isn't known. */
    static double rate(Element e, Setting<Double> setting) {
        return e.or(setting, Double.NaN);
    }

    /** A device as the end of something: its point, and the element unless it is not there or faces the wrong way. */
    record End(Point point, @Nullable Element device) {}

    /** The point of a device that plays the given part; a point that is never usable where there is no such device. */
    End end(String id, Direction direction) {
        Element found = rig.find(id);
        PointKind kind = direction == Direction.PLAYBACK ? PointKind.PLAYBACK : PointKind.RECORDING;
        if (found != null && found.kind() == Kind.DEVICE) {
            if (Choices.faces(found, direction)) {
                return new End(graph.point(found, kind, rate(found, Devices.RATE)), found);
            }
        }
        PointId missing = found == null ? PointId.of(id) : PointId.wrong(id, direction);
        return new End(graph.point(missing, kind, Double.NaN), null);
    }

    /** The gate of a device: one, whatever the reasons why it cannot be used. */
    void usable(Draft draft, End end) {
        Element device = end.device;
        if (device == null) {
            String id = end.point.element();
            draft.gate(
                    new Address(end.point.id().text(), "usable"),
                    Gate.Sort.USABLE,
                    null,
                    false,
                    () -> "there is no device " + rig.name(id) + " for this");
            return;
        }
        for (Setting<Boolean> each : List.of(Devices.PRESENT, Devices.ENABLED, Devices.PERMITTED)) {
            if (device.isUnknown(each)) {
                draft.assume(device, each);
            }
        }
        Element engine = Choices.provider(rig, device);
        Capabilities.Engine runs = engine == null ? null : Capabilities.engine(engine.kind());
        if (engine != null && runs != null) {
            draft.on(engine, runs.running());
        }
        boolean lacksEngine = engine == null && device.get(Devices.PROVIDED_BY) != null;
        draft.gate(
                new Address(device.id(), "usable"),
                Gate.Sort.USABLE,
                null,
                !lacksEngine && Choices.usableItself(device),
                () -> device.name()
                        + (lacksEngine ? " is offered by a program that isn't here" : " is " + unusable(device)));
    }

    /** Why a device isn't usable, for its gate. */
    private static String unusable(Element device) {
        List<String> reasons = new ArrayList<>();
        if (!device.is(Devices.PRESENT, true)) {
            reasons.add("unplugged or switched off");
        }
        if (!device.is(Devices.ENABLED, true)) {
            reasons.add("disabled");
        }
        if (device.get(Devices.DIRECTION) == Direction.RECORDING && !device.is(Devices.PERMITTED, true)) {
            reasons.add("blocked by the privacy settings");
        }
        return String.join(" and ", reasons);
    }

    /** Adds the latency of a physical device; a virtual one has none. */
    private static void deviceLatency(Draft draft, Element device) {
        if (!device.is(Devices.VIRTUAL, false)) {
            draft.latency(device, Devices.LATENCY);
        }
    }

    /** Finds the pass-throughs in hardware, which are points of their own. */
    private void findDirect() {
        for (Element pass : rig.of(Kind.PASS_THROUGH)) {
            String to = passTarget(pass);
            if (pass.is(Links.PASS_DIRECT, false)
                    && pass.get(Links.PASS_FROM) instanceof String from
                    && !to.isEmpty()) {
                graph.point(pass, PointKind.DIRECT, Double.NaN);
                directFrom.computeIfAbsent(from, x -> new ArrayList<>()).add(pass);
                directTo.computeIfAbsent(to, x -> new ArrayList<>()).add(pass);
            }
        }
    }

    /** The device that a pass-through plays on, the default of its computer resolved. */
    private String passTarget(Element pass) {
        String machine = rig.find(pass.get(Links.PASS_FROM), Kind.DEVICE)
                .map(d -> d.get(Devices.MACHINE))
                .orElse(null);
        return Choices.device(rig, machine, pass.get(Links.PASS_TO), Direction.PLAYBACK);
    }

    /** What a segment gets for going into a recording device, or around it into a direct pass-through. */
    interface Leg {
        void apply(Draft draft);
    }

    /** All routes into a recording device: itself, and every direct pass-through that starts there. */
    Map<Point, Leg> into(String recording) {
        Map<Point, Leg> routes = new java.util.LinkedHashMap<>();
        End end = end(recording, Direction.RECORDING);
        routes.put(end.point, draft -> {
            usable(draft, end);
            if (end.device != null) {
                draft.off(end.device, Devices.MUTED).gain(end.device, Devices.LEVEL);
                deviceLatency(draft, end.device);
            }
        });
        for (Element pass : directFrom.getOrDefault(recording, List.of())) {
            Point point = graph.point(pass, PointKind.DIRECT, Double.NaN);
            routes.put(point, draft -> {
                draft.on(pass, Links.PASS_ENABLED);
                present(draft, end);
                present(draft, end(passTarget(pass), Direction.PLAYBACK));
                draft.gain(pass, Links.PASS_GAIN).latency(pass, Links.PASS_LATENCY);
            });
        }
        return routes;
    }

    /** A route around a device needs it to be there; if it is not, that is the gate that it has for everything else too. */
    private void present(Draft draft, End end) {
        Element device = end.device;
        if (device == null || !device.is(Devices.PRESENT, true)) {
            usable(draft, end);
        } else if (device.isUnknown(Devices.PRESENT)) {
            draft.assume(device, Devices.PRESENT);
        }
    }

    /** All routes out of a playback device: itself, and every direct pass-through that ends there. */
    Map<Point, Leg> outOf(String playback, boolean withLatency) {
        Map<Point, Leg> routes = new java.util.LinkedHashMap<>();
        End end = end(playback, Direction.PLAYBACK);
        routes.put(end.point, draft -> {
            usable(draft, end);
            if (end.device != null) {
                draft.off(end.device, Devices.MUTED).gain(end.device, Devices.LEVEL);
                if (withLatency) {
                    deviceLatency(draft, end.device);
                }
            }
        });
        for (Element pass : directTo.getOrDefault(playback, List.of())) {
            routes.put(graph.point(pass, PointKind.DIRECT, Double.NaN), draft -> {
                if (end.device != null) {
                    draft.off(end.device, Devices.MUTED).gain(end.device, Devices.LEVEL);
                }
            });
        }
        return routes;
    }

    /** Adds cables, wires, couplings, processors and pass-throughs. */
    private void links() {
        for (Element cable : rig.of(Kind.CABLE)) {
            join(cable, Links.CABLE_FROM, Links.CABLE_TO, d -> d.latency(cable, Links.CABLE_LATENCY));
        }
        for (Element wire : rig.of(Kind.WIRE)) {
            join(
                    wire,
                    Links.WIRE_FROM,
                    Links.WIRE_TO,
                    d -> d.gain(wire, Links.WIRE_GAIN).latency(wire, Links.WIRE_LATENCY));
        }
        for (Element air : rig.of(Kind.COUPLING)) {
            join(air, Links.COUPLING_FROM, Links.COUPLING_TO, d -> {
                d.coupling().gain(air, Links.COUPLING_GAIN);
                Double metres = air.get(Links.COUPLING_DISTANCE);
                if (air.isUnknown(Links.COUPLING_LATENCY) && metres != null) {
                    d.late(metres / 343 * 1000);
                } else {
                    d.latency(air, Links.COUPLING_LATENCY);
                }
            });
        }
        for (Element pass : rig.of(Kind.PASS_THROUGH)) {
            String to = passTarget(pass);
            if (!pass.is(Links.PASS_DIRECT, false)
                    && pass.get(Links.PASS_FROM) instanceof String from
                    && !to.isEmpty()) {
                graph.segment(end(from, Direction.RECORDING).point, end(to, Direction.PLAYBACK).point, pass.id())
                        .on(pass, Links.PASS_ENABLED)
                        .gain(pass, Links.PASS_GAIN)
                        .latency(pass, Links.PASS_LATENCY);
            }
        }
        for (Element processor : rig.of(Kind.PROCESSOR)) {
            List<String> all = Choices.devices(
                    rig,
                    processor.get(Links.PROCESSOR_MACHINE),
                    processor.get(Links.PROCESSOR_FROM),
                    Direction.RECORDING);
            for (String from : processor.get(Links.PROCESSOR_TO) == null ? List.<String>of() : all) {
                End start = end(from, Direction.RECORDING);
                into(processor.or(Links.PROCESSOR_TO, "")).forEach((point, route) -> {
                    Draft draft = graph.segment(start.point, point, processor.id())
                            .on(processor, Links.PROCESSOR_RUNNING)
                            .gain(processor, Links.PROCESSOR_GAIN)
                            .latency(processor, Links.PROCESSOR_LATENCY);
                    if (!from.equals(all.getFirst())) {
                        usable(draft, start); // the default that is set, and has moved
                    }
                    route.apply(draft);
                });
            }
        }
    }

    /** Joins two devices: levels, latencies and gates of both count. */
    private void join(Element link, Setting<String> fromSetting, Setting<String> toSetting, Leg own) {
        if (link.get(fromSetting) instanceof String from && link.get(toSetting) instanceof String to) {
            Map<Point, Leg> ends = into(to);
            outOf(from, true)
                    .forEach((start, leave) -> ends.forEach((point, enter) -> {
                        Draft draft = graph.segment(start, point, link.id());
                        leave.apply(draft);
                        own.apply(draft);
                        enter.apply(draft);
                    }));
        }
    }

    /** Adds the sources where they start. */
    private void sources(ApplicationSegments applications) {
        for (Element source : rig.of(Kind.SOURCE)) {
            Point start = start(source);
            String at = source.get(Sources.AT);
            if (at == null) {
                continue;
            }
            Element place = rig.find(at);
            Element application = Sources.application(rig, source);
            if (place != null && application != null) {
                applications.source(start, source, application, place);
            } else if (place == null || place.kind() != Kind.INPUT) { // those are with the inputs
                into(at).forEach((point, route) -> route.apply(graph.segment(start, point, source.id())));
            }
        }
    }

    /** Adds the sources that start in an input of a production. */
    private void ownSources(ProductionSegments productions) {
        for (Element source : rig.of(Kind.SOURCE)) {
            rig.find(source.get(Sources.AT), Kind.INPUT)
                    .ifPresent(input -> productions.ownSource(start(source), source, input));
        }
    }

    private Point start(Element source) {
        return graph.point(source, PointKind.SOURCE, Double.NaN);
    }

    /** Adds the listeners where they listen. */
    private void outlets(ApplicationSegments applications, ProductionSegments productions) {
        for (Element outlet : rig.of(Kind.OUTLET)) {
            Point end = graph.point(outlet, PointKind.OUTLET, Double.NaN);
            Outlets.Sort sort = outlet.get(Outlets.SORT);
            switch (sort) {
                case null -> {}
                case EARS, ROOM, MACHINE -> {
                    for (String device : Choices.devices(
                            rig, Choices.machineOf(rig, outlet), outlet.get(Outlets.DEVICE), Direction.PLAYBACK)) {
                        outOf(device, true)
                                .forEach((point, route) -> route.apply(graph.segment(point, end, outlet.id())));
                    }
                }
                case LIVE, ARCHIVE, RELAY, TRACK -> productions.outlet(end, outlet, sort);
                case FAR_END -> applications.farEnd(end, outlet);
            }
        }
    }
}
