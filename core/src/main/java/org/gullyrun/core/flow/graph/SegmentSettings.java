package org.gullyrun.core.flow.graph;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Which settings decide a segment: its gates first, then choices, levels, delays and rates, in that order. */
public final class SegmentSettings {
    private final FlowGraph graph;
    private final Rig rig;
    private final Set<Address> found = new LinkedHashSet<>();

    private SegmentSettings(FlowGraph graph) {
        this.graph = graph;
        this.rig = graph.rig();
    }

    /** The addresses of all settings that decide a segment. */
    public static List<Address> of(FlowGraph graph, int segment) {
        SegmentSettings settings = new SegmentSettings(graph);
        settings.gates(segment);
        settings.own(segment);
        settings.device(graph.from(segment));
        settings.device(graph.to(segment));
        return List.copyOf(settings.found);
    }

    private void add(Element element, Setting<?>... settings) {
        for (Setting<?> setting : settings) {
            found.add(new Address(element.id(), setting.key()));
        }
    }

    /** The settings of the gates of a segment. */
    private void gates(int segment) {
        for (Gate gate : graph.gates(segment)) {
            Element element = rig.find(gate.at().element());
            if (element == null) {
                continue;
            }
            if (gate.setting() != null && gate.at().key().equals(gate.setting().key())) {
                found.add(gate.at());
            } else if (gate.sort() == Gate.Sort.USABLE && !gate.open()) {
                add(element, Devices.PRESENT, Devices.ENABLED);
                if (element.get(Devices.DIRECTION) == Devices.Direction.RECORDING) {
                    add(element, Devices.PERMITTED);
                }
            }
        }
    }

    /** The settings of the element that makes the segment, and of the points it joins. */
    private void own(int segment) {
        Element by = rig.find(graph.segmentElement(segment));
        if (by == null) {
            return;
        }
        PointKind to = graph.kind(graph.to(segment));
        switch (by.kind()) {
            case SOURCE -> add(by, Sources.LEVEL);
            case APP_OUTPUT -> {
                add(by, Applications.PROGRAM_CHOICE, Applications.SYSTEM_CHOICE, Applications.OUTPUT_LEVEL);
                Element program = rig.program(by);
                follows(
                        program.get(Applications.MACHINE),
                        Choices.output(rig, program, by).effective(),
                        true);
            }
            case APPLICATION -> {
                add(by, Applications.INPUT, Applications.INPUT_LEVEL);
                follows(by.get(Applications.MACHINE), Choices.input(rig, by).effective(), false);
            }
            case CABLE -> add(by, Links.CABLE_LATENCY);
            case WIRE -> add(by, Links.WIRE_GAIN, Links.WIRE_LATENCY);
            case COUPLING -> add(by, Links.COUPLING_GAIN, Links.COUPLING_LATENCY);
            case PASS_THROUGH -> add(by, Links.PASS_TO, Links.PASS_GAIN, Links.PASS_LATENCY);
            case PROCESSOR -> add(by, Links.PROCESSOR_FROM, Links.PROCESSOR_GAIN, Links.PROCESSOR_LATENCY);
            case STRIP -> {
                if (to == PointKind.BUS) {
                    String bus = graph.element(graph.to(segment));
                    add(by, Mixers.CROSSING_LEVEL.of(bus));
                    rig.find(bus, Kind.BUS).ifPresent(b -> add(b, Mixers.BUS_LEVEL));
                } else {
                    add(by, Mixers.FEED, Mixers.STRIP_LEVEL);
                }
            }
            case BUS -> add(by, Mixers.TARGET);
            case PRODUCTION -> {
                if (to == PointKind.CUE) {
                    add(by, Productions.CUE_PROGRAM);
                } else {
                    add(by, Productions.CUE_DEVICE, Productions.CUE_LATENCY);
                    follows(by.get(Productions.MACHINE), by.get(Productions.CUE_DEVICE), true);
                }
            }
            case INPUT -> {
                if (to == PointKind.INPUT || to == PointKind.COPY) {
                    input(by, graph.id(graph.to(segment)));
                }
            }
            case OUTLET -> {
                if (graph.kind(graph.from(segment)) == PointKind.TRACK) {
                    rig.find(by.get(Outlets.OUTPUT), Kind.OUTPUT).ifPresent(o -> takes(o, segment));
                } else if (graph.kind(graph.from(segment)) != PointKind.APPLICATION_IN) {
                    add(by, Outlets.DEVICE);
                    follows(Choices.machineOf(rig, by), by.get(Outlets.DEVICE), true);
                }
            }
            case OUTPUT -> takes(by, segment);
            case MACHINE, DEVICE, MIXER, GROUP, SCENE, ENTRY -> {}
        }
    }

    /** Adds whether an output takes the track from which a segment leads to a listener. */
    private void takes(Element output, int segment) {
        int track = graph.id(graph.from(segment)).track();
        if (track > 0) {
            add(output, Productions.TAKES_TRACK.of(track));
        }
    }

    /** Adds the default that a choice follows, if it follows one. */
    private void follows(@Nullable String machine, @Nullable Choice choice, boolean playback) {
        Element m = rig.find(machine, Kind.MACHINE).orElse(null);
        if (m == null) {
            return;
        }
        if (choice == Choice.Special.CALL_DEFAULT) {
            add(m, playback ? Machines.CALL_PLAYBACK : Machines.CALL_RECORDING);
        }
        if (choice == Choice.Special.CALL_DEFAULT || choice == Choice.Special.DEFAULT) {
            add(m, playback ? Machines.PLAYBACK : Machines.RECORDING);
        }
    }

    /** The settings of an input: its own and those of its entries. */
    private void input(Element input, PointId point) {
        Productions.Takes takes = input.get(Productions.TAKES);
        Element production = rig.owner(input);
        if (takes == Productions.Takes.RECORDING || takes == Productions.Takes.PLAYBACK) {
            add(input, Productions.DEVICE);
            follows(
                    production == null ? null : production.get(Productions.MACHINE),
                    input.get(Productions.DEVICE),
                    takes == Productions.Takes.PLAYBACK);
        }
        if (takes == Productions.Takes.APPLICATION) {
            Productions.programs(rig, input).stream()
                    .filter(program -> input.is(Productions.ALSO.of(program.id()), false))
                    .forEach(program -> add(input, Productions.ALSO.of(program.id())));
        }
        add(input, Productions.INPUT_LEVEL, Productions.INPUT_DELAY);
        if (production != null) {
            add(production, Productions.CAPTURE_LATENCY);
        }
        if (point.role() == PointId.Role.COPY) {
            rig.find(point.entry(), Kind.ENTRY)
                    .ifPresent(e -> add(e, Productions.ENTRY_MUTED, Productions.ENTRY_LEVEL, Productions.ENTRY_DELAY));
        } else {
            List<Element> entries = new ArrayList<>(rig.in(graph.scene().scene(), Kind.ENTRY));
            entries.stream()
                    .filter(e -> brings(e, input))
                    .forEach(e -> add(e, Productions.ENTRY_MUTED, Productions.ENTRY_LEVEL));
            add(input, Productions.ALWAYS);
        }
    }

    /** Whether an entry brings an input, also through a group. */
    private boolean brings(Element entry, Element input) {
        Element brought = rig.find(entry.get(Productions.BRINGS));
        return brought != null
                && !entry.is(Productions.COPY, false)
                && (brought.id().equals(input.id())
                        || brought.kind() == Kind.GROUP && brought.is(Productions.MEMBER.of(input.id()), false));
    }

    private void device(int point) {
        rig.find(graph.element(point), Kind.DEVICE).ifPresent(d -> add(d, Devices.LEVEL, Devices.RATE));
    }
}
