package org.gullyrun.core.flow.graph;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.gullyrun.core.flow.graph.Compiler.End;
import org.gullyrun.core.flow.graph.GraphBuilder.Draft;
import org.gullyrun.core.flow.graph.GraphBuilder.Point;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;

/** The segments that applications make: from their sources, to devices, from devices, to the far end. */
final class ApplicationSegments {
    private final Compiler in;
    /** For each playback device: the applications that play to it. */
    private final Map<String, List<Element>> players = new HashMap<>();
    /** The outputs at which a source starts that the other outputs of its program don't carry. */
    private final Set<String> starting = new HashSet<>();

    /** Notes who plays where, which a capture of a device has to know. */
    ApplicationSegments(Compiler compiler) {
        this.in = compiler;
        for (Element source : in.rig.of(Kind.SOURCE)) {
            in.rig.find(source.get(Sources.AT), Kind.APP_OUTPUT).ifPresent(o -> starting.add(o.id()));
        }
        for (Element application : in.rig.of(Kind.APPLICATION)) {
            for (Element output : in.rig.in(application.id(), Kind.APP_OUTPUT)) {
                Choices.Going going = Choices.output(in.rig, application, output);
                String plays = going.fallback().isEmpty() ? going.device() : going.fallback();
                if (!plays.isEmpty()) {
                    players.computeIfAbsent(plays, x -> new java.util.ArrayList<>())
                            .add(application);
                }
            }
        }
    }

    /** Where the sound of an application comes together. */
    Point out(Element application) {
        return in.graph.point(PointId.out(application.id()), PointKind.APPLICATION_OUT, Double.NaN);
    }

    /** Where a source that starts at one output only enters: the output itself. */
    private Point out(Element application, Element place) {
        return place.kind() == Kind.APP_OUTPUT
                ? in.graph.point(place, PointKind.APPLICATION_OUT, Double.NaN)
                : out(application);
    }

    /** Where what an application listens to enters it. */
    private Point into(Element application) {
        return in.graph.point(PointId.in(application.id()), PointKind.APPLICATION_IN, Double.NaN);
    }

    /** The applications that play to a device. */
    List<Element> players(String device) {
        return players.getOrDefault(device, List.of());
    }

    /** Adds what every application plays and hears. */
    void compile(ProductionSegments productions) {
        for (Element application : in.rig.of(Kind.APPLICATION)) {
            Point out = out(application);
            for (Element output : in.rig.in(application.id(), Kind.APP_OUTPUT)) {
                playing(application, output, out);
                if (starting.contains(output.id())) {
                    playing(application, output, out(application, output));
                }
            }
            listening(application, out);
        }
    }

    /** Adds what an output plays to. */
    private void playing(Element application, Element output, Point out) {
        Choices.Going going = Choices.output(in.rig, application, output);
        for (String device : List.of(going.device(), going.moved())) {
            if (!device.isEmpty()) {
                End end = in.end(device, Direction.PLAYBACK);
                Draft draft = in.graph.segment(out, end.point(), output.id()).gain(output, Applications.OUTPUT_LEVEL);
                in.usable(draft, end);
            }
        }
        if (!going.fallback().isEmpty()) {
            in.graph
                    .segment(out, in.end(going.fallback(), Direction.PLAYBACK).point(), output.id())
                    .gain(output, Applications.OUTPUT_LEVEL)
                    .fallback();
        }
    }

    /** Adds what an application hears, and what of it it passes on. */
    private void listening(Element application, Point out) {
        Choices.Going going = Choices.input(in.rig, application);
        for (String device : List.of(going.device(), going.moved())) {
            if (!device.isEmpty()) {
                listen(application, in.end(device, Direction.RECORDING));
            }
        }
        if (!going.fallback().isEmpty()) {
            listen(application, in.end(going.fallback(), Direction.RECORDING)).fallback();
        }
        if (application.is(Applications.PASSES_ON, false)) {
            in.graph
                    .segment(into(application), out, application.id())
                    .gain(application, Applications.PASS_GAIN)
                    .latency(application, Applications.PASS_LATENCY);
        }
    }

    /** Adds the segment from the microphone that an application listens to. */
    private Draft listen(Element application, End end) {
        Draft draft = in.graph
                .segment(end.point(), into(application), application.id())
                .on(application, Applications.MAY_LISTEN)
                .gain(application, Applications.INPUT_LEVEL);
        in.usable(draft, end);
        return draft;
    }

    /** Adds a source that an application plays, on all outputs or on one. */
    void source(Point start, Element source, Element application, Element place) {
        in.graph
                .segment(start, out(application, place), source.id())
                .off(application, Applications.MUTED)
                .gain(application, Applications.LEVEL);
    }

    /** Adds the far end of a call, which hears what the application hears. */
    void farEnd(Point end, Element outlet) {
        in.rig
                .find(outlet.get(Outlets.APPLICATION), Kind.APPLICATION)
                .ifPresent(application -> in.graph
                        .segment(into(application), end, outlet.id())
                        .off(application, Applications.INPUT_MUTED));
        in.rig
                .find(outlet.get(Outlets.APPLICATION), Kind.APPLICATION)
                .filter(application -> application.is(Applications.PASSES_GUESTS, true))
                .ifPresent(application -> guests(end, outlet, application));
    }

    /** Adds the voices of the others in a call, which its service passes on. */
    private void guests(Point end, Element outlet, Element application) {
        for (Element source : in.rig.of(Kind.SOURCE)) {
            Element own = Sources.application(in.rig, source);
            if (own != null && own.id().equals(application.id()) && Outlets.isForOther(outlet, source)) {
                in.graph.segment(in.graph.point(source, PointKind.SOURCE, Double.NaN), end, application.id());
            }
        }
    }

    /** Adds the segments by which something takes an application, wherever it plays: whole, and each output with sound of its own. */
    void capture(Element application, Function<Point, Draft> enter) {
        List<Element> outputs = in.rig.in(application.id(), Kind.APP_OUTPUT);
        boolean somewhere = outputs.isEmpty() || outputs.stream().anyMatch(o -> playsSomewhere(application, o));
        capture(enter.apply(out(application)), application, application, somewhere);
        for (Element output : outputs) {
            if (starting.contains(output.id())) {
                Draft draft = enter.apply(out(application, output));
                capture(draft, application, output, playsSomewhere(application, output));
            }
        }
    }

    /** Whether an output isn't set to nothing. */
    private boolean playsSomewhere(Element application, Element output) {
        return Choices.output(in.rig, application, output).effective() != Choice.Special.NOTHING;
    }

    /** The conditions for what an application or output plays to be captured. */
    private void capture(Draft draft, Element application, Element place, boolean somewhere) {
        standardPath(draft, application);
        draft.gate(
                new Address(place.id(), "plays"),
                Gate.Sort.PLAYS_SOMEWHERE,
                null,
                somewhere,
                () -> application.name() + " plays to nothing");
    }

    /** The gate of an application that goes around the system's mixing, where nothing can capture it. */
    void standardPath(Draft draft, Element application) {
        DriverPath path = application.or(Applications.PATH, DriverPath.STANDARD);
        if (application.isUnknown(Applications.PATH)) {
            draft.assume(application, Applications.PATH);
        }
        draft.gate(
                new Address(application.id(), Applications.PATH.key()),
                Gate.Sort.STANDARD_PATH,
                Applications.PATH,
                !path.goesAround(),
                () -> application.name() + "'s " + path.word() + " path cannot be captured");
    }
}
