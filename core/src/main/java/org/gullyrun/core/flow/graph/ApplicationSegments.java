package org.gullyrun.core.flow.graph;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
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

/** The segments that applications make: from their sources, to devices, from devices, to the far end. */
final class ApplicationSegments {
    private final Compiler in;
    /** For each playback device: the applications that play to it. */
    private final Map<String, List<Element>> players = new HashMap<>();

    ApplicationSegments(Compiler compiler) {
        this.in = compiler;
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

    Point out(Element application) {
        return in.graph.point(PointId.out(application.id()), PointKind.APPLICATION_OUT, Double.NaN);
    }

    private Point into(Element application) {
        return in.graph.point(PointId.in(application.id()), PointKind.APPLICATION_IN, Double.NaN);
    }

    List<Element> players(String device) {
        return players.getOrDefault(device, List.of());
    }

    /** Adds what every application plays and hears. */
    void compile(ProductionSegments productions) {
        for (Element application : in.rig.of(Kind.APPLICATION)) {
            Point out = out(application);
            for (Element output : in.rig.in(application.id(), Kind.APP_OUTPUT)) {
                Choices.Going going = Choices.output(in.rig, application, output);
                if (!going.device().isEmpty()) {
                    End end = in.end(going.device(), Direction.PLAYBACK);
                    Draft draft =
                            in.graph.segment(out, end.point(), output.id()).gain(output, Applications.OUTPUT_LEVEL);
                    in.usable(draft, end);
                }
                if (!going.fallback().isEmpty()) {
                    in.graph
                            .segment(
                                    out,
                                    in.end(going.fallback(), Direction.PLAYBACK).point(),
                                    output.id())
                            .gain(output, Applications.OUTPUT_LEVEL)
                            .fallback();
                }
            }
            listening(application, out);
        }
    }

    /** Adds what an application hears, and what of it it passes on. */
    private void listening(Element application, Point out) {
        Choices.Going going = Choices.input(in.rig, application);
        if (!going.device().isEmpty()) {
            listen(application, in.end(going.device(), Direction.RECORDING));
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

    /** Adds a source that an application plays. */
    void source(Point start, Element source, Element application) {
        in.graph
                .segment(start, out(application), source.id())
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
    }

    /** The conditions for an application's output to be captured, wherever it plays. */
    void capture(Draft draft, Element application) {
        standardPath(draft, application);
        List<Element> outputs = in.rig.in(application.id(), Kind.APP_OUTPUT);
        boolean somewhere = outputs.isEmpty()
                || outputs.stream()
                        .anyMatch(o -> Choices.output(in.rig, application, o).effective() != Choice.Special.NOTHING);
        draft.gate(
                new Address(application.id(), "plays"),
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
