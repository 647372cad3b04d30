package org.gullyrun.core.flow.graph;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.TreeSet;
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
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** The segments that productions make: into inputs and their copies, to cue and tracks, to outlets. */
final class ProductionSegments {
    private final Compiler in;
    private final Map<String, SceneComposition> compositions = new HashMap<>();
    private final Map<String, List<Instance>> instances = new HashMap<>();
    private final Map<String, List<Element>> cuesTo = new HashMap<>();

    /** Whether some entry's level is not yet known: only then is it asked which entries bring an input. */
    private final boolean levelsUnknown;

    /** An input as it stands in the scene: itself, or a copy that an entry brings. */
    private record Instance(
            Element input,
            @Nullable Element entry,
            @Nullable Presence presence,
            Point point) {}

    /** Works out what each production's scene brings, and on which device its cue plays. */
    ProductionSegments(Compiler compiler, SceneComposition.Cache shared) {
        this.in = compiler;
        this.levelsUnknown = in.rig.of(Kind.ENTRY).stream().anyMatch(e -> e.isUnknown(Productions.ENTRY_LEVEL));
        for (Element production : in.rig.of(Kind.PRODUCTION)) {
            compositions.put(
                    production.id(),
                    SceneComposition.of(in.rig, production, in.scene.sceneOf(in.rig, production), shared));
            String cue = cueDevice(production);
            if (!cue.isEmpty()) {
                cuesTo.computeIfAbsent(cue, x -> new ArrayList<>()).add(production);
            }
        }
    }

    /** The device that the cue plays on; empty if none is chosen. */
    private String cueDevice(Element production) {
        return Choices.device(
                in.rig,
                production.get(Productions.MACHINE),
                production.get(Productions.CUE_DEVICE),
                Direction.PLAYBACK);
    }

    /** Whether the scene brings an input a second time, so that it has points that other scenes have not. */
    boolean hasCopies() {
        return compositions.values().stream().anyMatch(c -> !c.copies().isEmpty());
    }

    /** What leads into inputs: it is another in every scene. */
    void take(ApplicationSegments applications, MixerSegments mixers) {
        for (Element production : in.rig.of(Kind.PRODUCTION)) {
            double rate = Compiler.rate(production, Productions.RATE);
            for (Element input : in.rig.in(production.id(), Kind.INPUT)) {
                for (Instance instance : instances(production, input, rate)) {
                    taking(production, instance, applications, mixers);
                }
            }
        }
    }

    /** What leads on from inputs. */
    void leave() {
        for (Element production : in.rig.of(Kind.PRODUCTION)) {
            double rate = Compiler.rate(production, Productions.RATE);
            Point cue = in.graph.point(PointId.cue(production.id()), PointKind.CUE, rate);
            for (String device : Choices.devices(
                    in.rig,
                    production.get(Productions.MACHINE),
                    production.get(Productions.CUE_DEVICE),
                    Direction.PLAYBACK)) {
                End end = in.end(device, Direction.PLAYBACK);
                Draft draft = in.graph.segment(cue, end.point(), production.id());
                in.usable(draft.latency(production, Productions.CUE_LATENCY), end);
            }
            TreeMap<Integer, Point> tracks = new TreeMap<>();
            tracks(production).forEach(n -> tracks.put(n, track(production, n, rate)));
            Integer onCue = production.get(Productions.CUE_PROGRAM);
            if (onCue != null) {
                in.graph.segment(track(production, onCue, rate), cue, production.id());
            }
            for (Element input : in.rig.in(production.id(), Kind.INPUT)) {
                for (Instance instance : instances(production, input, rate)) {
                    leaving(production, instance, cue, tracks);
                }
            }
        }
    }

    /** All track numbers in use: those that the production has, and any above that something is set to. */
    private TreeSet<Integer> tracks(Element production) {
        TreeSet<Integer> tracks = new TreeSet<>();
        for (int n = 1; n <= count(production); n++) {
            tracks.add(n);
        }
        in.rig.in(production.id(), Kind.INPUT).forEach(e -> tracks.addAll(Productions.ticked(e, Productions.TRACK)));
        in.rig
                .in(production.id(), Kind.OUTPUT)
                .forEach(e -> tracks.addAll(Productions.ticked(e, Productions.TAKES_TRACK)));
        return tracks;
    }

    /** How many tracks a production has. */
    private static int count(Element production) {
        Integer usual = Productions.TRACKS.usual();
        return production.or(Productions.TRACKS, usual == null ? 1 : usual);
    }

    private Point track(Element production, int number, double rate) {
        return in.graph.point(PointId.track(production.id(), number), PointKind.TRACK, rate);
    }

    /** The points that an input has in the scene: its own, and one for each copy. */
    private List<Instance> instances(Element production, Element input, double rate) {
        return instances.computeIfAbsent(input.id(), id -> {
            SceneComposition composition = Objects.requireNonNull(compositions.get(production.id()));
            List<Instance> all = new ArrayList<>();
            all.add(new Instance(input, null, composition.input(id), in.graph.point(input, PointKind.INPUT, rate)));
            composition.copies().forEach((copy, presence) -> {
                if (copy.input().equals(id)) {
                    Point point = in.graph.point(PointId.copy(id, copy.entry()), PointKind.COPY, rate);
                    all.add(new Instance(input, in.rig.get(copy.entry()), presence, point));
                }
            });
            return all;
        });
    }

    /** Adds what an input takes. */
    private void taking(Element production, Instance instance, ApplicationSegments applications, MixerSegments mixers) {
        Element input = instance.input;
        String machine = production.get(Productions.MACHINE);
        Takes takes = input.get(Productions.TAKES);
        switch (takes) {
            case null -> {}
            case RECORDING -> {
                for (String id : Choices.devices(in.rig, machine, input.get(Productions.DEVICE), Direction.RECORDING)) {
                    End end = in.end(id, Direction.RECORDING);
                    Draft draft = enter(production, instance, end.point());
                    if (end.device() == null
                            || !id.equals(Choices.device(
                                    in.rig, machine, input.get(Productions.DEVICE), Direction.RECORDING))) {
                        in.usable(draft, end);
                    }
                }
            }
            case PLAYBACK -> {
                for (String id : Choices.devices(in.rig, machine, input.get(Productions.DEVICE), Direction.PLAYBACK)) {
                    End end = in.end(id, Direction.PLAYBACK);
                    Draft draft = enter(production, instance, end.point());
                    in.usable(draft, end);
                    aroundTheMixing(draft, id, applications, mixers);
                }
            }
            case APPLICATION ->
                Productions.programs(in.rig, input)
                        .forEach(application ->
                                applications.capture(application, point -> enter(production, instance, point)));
            case OWN -> {}
        }
    }

    /** Who plays to a captured device around the system's mixing closes the capture, one gate for each. */
    private void aroundTheMixing(Draft draft, String device, ApplicationSegments applications, MixerSegments mixers) {
        for (Element application : applications.players(device)) {
            if (application.or(Applications.PATH, DriverPath.STANDARD).goesAround()) {
                applications.standardPath(draft, application);
            }
        }
        for (Element bus : mixers.senders(device)) {
            Setting<DriverPath> path = Mixers.decidingPath(bus);
            Element mixer = Objects.requireNonNull(in.rig.owner(bus));
            engine(draft, mixer, Mixers.RUNNING, path.kind() == Kind.BUS ? bus : mixer, path);
        }
        for (Element production : cuesTo.getOrDefault(device, List.of())) {
            engine(draft, production, Productions.RUNNING, production, Productions.PATH);
        }
    }

    /** Adds the gates of an engine: it has to run, and its path has to let others listen. */
    private static void engine(
            Draft draft, Element engine, Setting<Boolean> running, Element by, Setting<DriverPath> setting) {
        DriverPath path = by.or(setting, DriverPath.STANDARD);
        if (engine.is(running, true) && path.goesAround()) {
            draft.gate(
                    new Address(by.id(), setting.key()),
                    Gate.Sort.STANDARD_PATH,
                    setting,
                    false,
                    () -> engine.name() + " holds the device on " + Sentences.a(path.word()) + " path");
        }
    }

    /** Begins the segment into an input, with level, delay and gates of the scene. */
    private Draft enter(Element production, Instance instance, Point from) {
        Element input = instance.input;
        Element entry = instance.entry;
        Presence presence = instance.presence;
        Draft draft = in.graph
                .segment(from, instance.point, input.id())
                .ofScene()
                .on(production, Productions.RUNNING)
                .off(input, Productions.INPUT_MUTED)
                .latency(production, Productions.CAPTURE_LATENCY)
                .gain(input, Productions.INPUT_LEVEL)
                .plus(presence == null ? 0 : presence.level());
        if (presence != null && levelsUnknown) {
            for (String id : presence.entries()) {
                Element each = in.rig.get(id);
                if (each.isUnknown(Productions.ENTRY_LEVEL)) {
                    draft.assume(each, Productions.ENTRY_LEVEL);
                }
            }
        }
        Double ownDelay = entry == null ? null : entry.get(Productions.ENTRY_DELAY);
        if (ownDelay == null) {
            draft.latency(input, Productions.INPUT_DELAY);
        } else {
            draft.late(ownDelay);
        }
        draft.gate(
                new Address(instance.point.id().text(), "scene"),
                Gate.Sort.IN_SCENE,
                null,
                presence != null && presence.open(),
                () -> Sentences.called("input", input.name())
                        + (presence == null ? " isn't in " : " is muted in ")
                        + in.scene.name(in.rig));
        return draft;
    }

    /** Adds where an input goes: the cue and each track. */
    private void leaving(Element production, Instance instance, Point cue, Map<Integer, Point> tracks) {
        Element input = instance.input;
        boolean own = input.get(Productions.TAKES) == Takes.OWN;
        Draft toCue = in.graph.segment(instance.point, cue, input.id()).on(input, Productions.CUE);
        if (own) {
            toCue.off(input, Productions.PLAYS_ALOUD);
            if (input.is(Productions.PLAYS_ALOUD, false)) {
                for (String device : Choices.devices(
                        in.rig, production.get(Productions.MACHINE), Choice.Special.DEFAULT, Direction.PLAYBACK)) {
                    End end = in.end(device, Direction.PLAYBACK);
                    in.usable(in.graph.segment(instance.point, end.point(), input.id()), end);
                }
            }
        }
        int count = count(production);
        tracks.forEach((n, track) -> {
            Draft draft = in.graph
                    .segment(instance.point, track, input.id())
                    .on(input, Productions.PROGRAM)
                    .on(input, Productions.TRACK.of(n));
            if (own) {
                draft.off(input, Productions.PLAYS_ALOUD);
            }
            if (n > count) {
                draft.gate(
                        new Address(PointId.track(production.id(), n).text(), "count"),
                        Gate.Sort.TRACK_COUNT,
                        Productions.TRACKS,
                        false,
                        () -> production.name() + " has " + count + " tracks, no track " + n);
            }
        });
    }

    /** Adds a source that starts in an input. */
    void ownSource(Point start, Element source, Element input) {
        Element production = in.rig.owner(input);
        if (production != null && input.get(Productions.TAKES) == Takes.OWN) {
            for (Instance instance : instances(production, input, Compiler.rate(production, Productions.RATE))) {
                enter(production, instance, start);
            }
        }
    }

    /** Adds a listener to an output, who hears the lowest track that it takes; while it is off, that of another. */
    void outlet(Point end, Element outlet, Outlets.Sort sort) {
        Element output = in.rig.find(outlet.get(Outlets.OUTPUT), Kind.OUTPUT).orElse(null);
        Integer heard = output == null
                ? null
                : sort == Outlets.Sort.TRACK ? outlet.get(Outlets.TRACK) : Choices.lowestTrack(output);
        if (output != null && heard != null) {
            Draft draft = track(output, heard, end, outlet.id());
            if (draft != null && sort == Outlets.Sort.TRACK) {
                draft.on(output, Productions.TAKES_TRACK.of(heard));
            }
        }
        Element other = Choices.otherwise(in.rig, outlet);
        Integer spare = other == null ? null : Choices.lowestTrack(other);
        if (other != null && spare != null) {
            track(other, spare, end, other.id());
        }
    }

    /** Adds the segment from a track of an output's production to a listener. */
    private @Nullable Draft track(Element output, int number, Point end, String by) {
        Element production = in.rig.owner(output);
        return production == null
                ? null
                : in.graph
                        .segment(track(production, number, Compiler.rate(production, Productions.RATE)), end, by)
                        .on(output, Productions.ACTIVE);
    }
}
