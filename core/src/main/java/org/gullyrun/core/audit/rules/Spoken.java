package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.LowLevels;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Routes and circles as one reads them to the creator: what a program does with the sound, and which setting makes it do so. */
final class Spoken {
    /** So many places of a route are named, where more tell it from another. */
    private static final int MOST = 3;

    private Spoken() {}

    private static List<Integer> points(FlowGraph graph, List<Integer> segments) {
        List<Integer> points = new ArrayList<>();
        points.add(graph.from(segments.getFirst()));
        segments.forEach(s -> points.add(graph.to(s)));
        return points;
    }

    /** A place as one would name it aloud: "input Clips", "the copy of House sound in Panel", "Mole speakers". */
    private static String place(FlowGraph graph, int point) {
        Rig rig = graph.rig();
        Element element = rig.find(graph.element(point));
        return switch (graph.kind(point)) {
            case COPY -> copy(graph, point);
            case INPUT, STRIP, BUS -> element == null ? graph.element(point) : Sentences.noun(rig, element);
            case SOURCE, APPLICATION_OUT, APPLICATION_IN, PLAYBACK, RECORDING, DIRECT, CUE, TRACK, OUTLET ->
                Say.name(graph, point);
        };
    }

    /** An input as an entry brings it once more. */
    private static String copy(FlowGraph graph, int point) {
        Rig rig = graph.rig();
        Element entry = rig.find(graph.id(point).entry());
        Element scene = entry == null ? null : rig.owner(entry);
        return entry == null || scene == null
                ? "a copy of " + rig.name(graph.element(point))
                : "the copy of " + rig.name(entry.or(Productions.BRINGS, "")) + " in " + scene.name();
    }

    /** By what one route differs from another: "through input Clips", "through Mole speakers and input All", or "directly". */
    static String through(FlowGraph graph, List<Integer> route, List<Integer> other) {
        List<Integer> own = points(graph, route);
        own.removeAll(points(graph, other));
        List<String> names = own.stream().map(p -> place(graph, p)).distinct().toList();
        return names.isEmpty()
                ? "directly"
                : "through " + Sentences.list(names.subList(0, Math.min(MOST, names.size())));
    }

    /**
     * What puts a sound where it goes: a strip on a bus, or an input on a track or on cue.
     *
     * @param program who does it
     * @param part the strip or input, with its kind
     * @param does what it does: "is on bus Guests", "takes everything played to Mole speakers"
     * @param device the id of the device of which it takes everything; empty if it doesn't
     */
    record Doing(Element program, String part, String does, String device) {
        /** Together: "strip Talk in Brookdesk is on bus Guests". */
        String whole() {
            return part + " in " + program.name() + " " + does;
        }
    }

    /**
     * What puts a sound where a route ends: the first place, which is about this source the most, and the last one, if that
     * is another. None where no program puts it anywhere.
     */
    static List<Doing> doings(FlowGraph graph, List<Integer> route) {
        List<Doing> all = new ArrayList<>();
        for (int i = 0; i < route.size(); i++) {
            Doing doing = doing(graph, route, i);
            if (doing != null) {
                all.add(doing);
            }
        }
        return all.size() < 3 ? all : List.of(all.getFirst(), all.getLast());
    }

    /** What a program does at one segment of a route, if it is a strip that goes to a bus or an input that goes to a track. */
    private static @Nullable Doing doing(FlowGraph graph, List<Integer> route, int at) {
        int from = graph.from(route.get(at));
        int to = graph.to(route.get(at));
        Element part = graph.rig().find(graph.element(from));
        Element program = part == null ? null : graph.rig().owner(part);
        boolean puts = switch (graph.kind(from)) {
            case INPUT, COPY -> graph.kind(to) == PointKind.TRACK || graph.kind(to) == PointKind.CUE;
            case STRIP -> graph.kind(to) == PointKind.BUS;
            default -> false;
        };
        if (!puts || part == null || program == null) {
            return null;
        }
        int device = at == 0 ? -1 : everythingOf(graph, part, route.subList(0, at));
        return new Doing(
                program,
                Sentences.noun(graph.rig(), part),
                device >= 0
                        ? "takes everything played to " + place(graph, device)
                        : graph.kind(to) == PointKind.CUE ? "is on cue" : "is on " + place(graph, to),
                device < 0 ? "" : graph.element(device));
    }

    /** Them all in one sentence: "strip Crew in Brookdesk is on bus Stream, and input Desk in Orrery is on track live". */
    static String whole(List<Doing> doings) {
        return doings.stream().map(Doing::whole).collect(Collectors.joining(", and "));
    }

    /** The device of which an input takes everything that is played to it, on the way to the input; -1 if it doesn't. */
    private static int everythingOf(FlowGraph graph, Element input, List<Integer> before) {
        return input.kind() == Kind.INPUT && input.get(Productions.TAKES) == Productions.Takes.PLAYBACK
                ? points(graph, before).stream()
                        .filter(p -> graph.kind(p) == PointKind.PLAYBACK)
                        .reduce(-1, (one, next) -> next)
                : -1;
    }

    /**
     * How what a program plays comes back to it without any mixer: "Mic picks up Speakers", "Hailbeam listens to Culvert,
     * which carries what it plays". Empty where it goes another way.
     */
    static String comesBack(FlowGraph graph, List<Integer> route) {
        int played = -1;
        int taken = -1;
        int last = -1;
        for (int point : points(graph, route)) {
            PointKind kind = graph.kind(point);
            played = kind == PointKind.PLAYBACK && played < 0 ? point : played;
            taken = kind == PointKind.RECORDING ? point : taken;
            last = kind == PointKind.APPLICATION_IN ? point : last;
        }
        if (played < 0 || taken < 0 || last < 0) {
            return "";
        }
        return route.stream().anyMatch(graph::isCoupling)
                ? place(graph, taken) + " picks up " + place(graph, played)
                : place(graph, last) + " listens to " + place(graph, taken) + ", which carries what it plays";
    }

    /** Which microphone picks up which loudspeaker on a route: "Desk mic picks up Shelf speakers"; empty if none does. */
    static String pickedUp(FlowGraph graph, List<Integer> route) {
        return route.stream()
                .filter(graph::isCoupling)
                .findFirst()
                .map(s -> place(graph, graph.to(s)) + " picks up " + place(graph, graph.from(s)))
                .orElse("");
    }

    /** Why a sound arrives so faintly: the lowest of the levels on the way, what a microphone picks up, or its own level. */
    static String faint(FlowGraph graph, Element source, List<Integer> route) {
        Rig rig = graph.rig();
        List<Address> low = LowLevels.of(graph, route);
        if (!low.isEmpty()) {
            return isAt(rig, low.getFirst());
        }
        return route.stream()
                .filter(graph::isCoupling)
                .findFirst()
                .map(s -> "all that arrives is what " + place(graph, graph.to(s)) + " picks up of "
                        + place(graph, graph.from(s)))
                .orElse(
                        source.get(Sources.LEVEL) instanceof Double level
                                ? source.name() + Say.verb(source.name(), " itself is", " themselves are") + " at only "
                                        + Say.of(level, "dBFS")
                                : "the levels on the way add up to too little");
    }

    /** What a level is at: "strip Talk in Brookdesk is on bus Ears at only −40 dB". */
    private static String isAt(Rig rig, Address at) {
        Element element = rig.get(at.element());
        Element program = rig.program(element);
        String bus =
                Objects.requireNonNull(Catalogue.find(element.kind(), at.key())).sub();
        return Sentences.noun(rig, element)
                + (program == element ? "" : " in " + program.name())
                + (bus.isEmpty() ? " is at only " : " is on " + Sentences.called("bus", rig.name(bus)) + " at only ")
                + Say.of(LowLevels.gain(rig, at), "dB");
    }

    /** Which program plays to which device, and whether because that is the default; empty where it plays nowhere. */
    static String plays(Rig rig, Element source) {
        Element program = Sources.application(rig, source);
        Element device = rig.find(playedDevice(rig, source));
        if (program == null || device == null) {
            return "";
        }
        Choices.Going going =
                Choices.output(rig, program, Sources.outputs(rig, source).getFirst());
        String machine = rig.name(program.or(Applications.MACHINE, ""));
        boolean follows = going.effective() == Choice.Special.DEFAULT && !machine.isEmpty();
        return program.name() + " plays to " + device.name() + (follows ? ", " + machine + "'s default" : "");
    }

    /** The device to which a source's program plays; empty unless it has one output, which plays somewhere. */
    static String playedDevice(Rig rig, Element source) {
        Element program = Sources.application(rig, source);
        List<Element> outputs = Sources.outputs(rig, source);
        if (program == null || outputs.size() != 1) {
            return "";
        }
        Choices.Going going = Choices.output(rig, program, outputs.getFirst());
        return going.fallback().isEmpty() ? going.device() : going.fallback();
    }

    /** Through which of a program's inputs or strips a circle comes back into it: " through input All of default", or empty. */
    static String backInto(FlowGraph graph, String program, List<Integer> circle) {
        return points(graph, circle).stream()
                .filter(p -> graph.kind(p) == PointKind.INPUT || graph.kind(p) == PointKind.STRIP)
                .filter(p -> graph.rig().find(graph.element(p)) instanceof Element part
                        && graph.rig().program(part).id().equals(program))
                .findFirst()
                .map(p -> " through " + place(graph, p))
                .orElse("");
    }

    /** Whether a circle goes through what a production lets its host hear. */
    static boolean isOfCue(FlowGraph graph, List<Integer> circle) {
        return points(graph, circle).stream().anyMatch(p -> graph.kind(p) == PointKind.CUE);
    }
}
