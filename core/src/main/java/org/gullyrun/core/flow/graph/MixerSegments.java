package org.gullyrun.core.flow.graph;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.flow.graph.GraphBuilder.Draft;
import org.gullyrun.core.flow.graph.GraphBuilder.Point;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;

/** The segments that mixers make: from feeds into strips, over crossings to buses, to targets. */
final class MixerSegments {
    private final Compiler in;
    /** For each device: the buses that go there. */
    private final Map<String, List<Element>> senders = new HashMap<>();

    /** Notes which buses go where, which a capture of a device has to know. */
    MixerSegments(Compiler compiler) {
        this.in = compiler;
        for (Element bus : in.rig.of(Kind.BUS)) {
            String target = Choices.target(in.rig, bus);
            if (in.rig.owner(bus) != null && !target.isEmpty()) {
                senders.computeIfAbsent(target, x -> new ArrayList<>()).add(bus);
            }
        }
    }

    /** The mixers with a bus to a device. */
    List<Element> senders(String device) {
        return senders.getOrDefault(device, List.of());
    }

    /** Adds the strips, crossings and buses of all mixers. */
    void compile() {
        for (Element mixer : in.rig.of(Kind.MIXER)) {
            double rate = Compiler.rate(mixer, Mixers.RATE);
            List<Element> buses = in.rig.in(mixer.id(), Kind.BUS);
            for (Element bus : buses) {
                target(bus, in.graph.point(bus, PointKind.BUS, rate));
            }
            for (Element strip : in.rig.in(mixer.id(), Kind.STRIP)) {
                Point point = in.graph.point(strip, PointKind.STRIP, rate);
                feed(mixer, strip, point);
                for (Element bus : buses) {
                    in.graph
                            .segment(point, in.graph.point(bus, PointKind.BUS, rate), strip.id())
                            .on(strip, Mixers.CROSSING.of(bus.id()))
                            .off(bus, Mixers.BUS_MUTED)
                            .gain(strip, Mixers.CROSSING_LEVEL.of(bus.id()))
                            .gain(bus, Mixers.BUS_LEVEL)
                            .latency(mixer, Mixers.LATENCY);
                }
            }
        }
    }

    /** Adds what a strip reads. */
    private void feed(Element mixer, Element strip, Point point) {
        String feed = Choices.feed(in.rig, strip);
        if (feed.isEmpty()) {
            return;
        }
        Element device = in.rig.find(feed, Kind.DEVICE).orElse(null);
        boolean played = strip.get(Mixers.FEED) == Choice.Special.PLAYBACK_DEFAULT
                || device != null && device.get(Devices.DIRECTION) == Direction.PLAYBACK;
        if (played) {
            in.outOf(feed, false).forEach((start, route) -> {
                Draft draft = enter(in.graph.segment(start, point, strip.id()), mixer, strip);
                route.apply(draft);
            });
        } else {
            Compiler.End end = in.end(feed, Direction.RECORDING);
            Draft draft = enter(in.graph.segment(end.point(), point, strip.id()), mixer, strip);
            if (end.device() == null) {
                in.usable(draft, end);
            }
        }
    }

    /** Adds what every way into a strip passes: mixer running, strip not muted, strip level. */
    private static Draft enter(Draft draft, Element mixer, Element strip) {
        return draft.on(mixer, Mixers.RUNNING).off(strip, Mixers.STRIP_MUTED).gain(strip, Mixers.STRIP_LEVEL);
    }

    /** Adds where a bus leads. */
    private void target(Element bus, Point point) {
        String target = Choices.target(in.rig, bus);
        if (target.isEmpty()) {
            return;
        }
        Element device = in.rig.find(target, Kind.DEVICE).orElse(null);
        if (device != null && device.get(Devices.DIRECTION) == Direction.RECORDING) {
            in.into(target).forEach((end, route) -> route.apply(in.graph.segment(point, end, bus.id())));
        } else {
            for (String each : Choices.targets(in.rig, bus)) {
                Compiler.End end = in.end(each, Direction.PLAYBACK);
                in.usable(in.graph.segment(point, end.point(), bus.id()), end);
            }
        }
    }
}
