package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * What might bring a missing source to its listener: what blocks it opened in all scenes at once, a level turned up, the
 * choices at which its open routes end, a target for a bus that has none, and an input for its program or device.
 */
final class MissingCandidates {
    /** Of devices that come into question so many are tried. */
    private static final int MOST = 8;

    private final Reading reading;
    private final Finding finding;
    private final Rig rig;
    private final Element source;
    private final Element outlet;
    private final int row;
    private final int column;
    private final Consumer<List<Change>> to;
    private final SceneMoves scenes;

    /** Seeks for one finding; what might help goes to a receiver. */
    private MissingCandidates(Reading reading, Finding finding, Consumer<List<Change>> to) {
        this.reading = reading;
        this.finding = finding;
        this.rig = reading.rig();
        this.source = rig.get(finding.subject().source());
        this.outlet = rig.get(finding.subject().outlet());
        this.row = rig.of(Kind.SOURCE).indexOf(source);
        this.column = rig.of(Kind.OUTLET).indexOf(outlet);
        this.to = to;
        this.scenes = new SceneMoves(reading, finding, to);
    }

    /** Hands on the candidates of a finding about a source that a listener should hear and doesn't. */
    static void of(Reading reading, Finding finding, Consumer<List<Change>> to) {
        if (reading.rig().find(finding.subject().source()) != null
                && reading.rig().find(finding.subject().outlet()) != null) {
            new MissingCandidates(reading, finding, to).all();
        }
    }

    /** Hands on only what turns up a source that a listener hears far too faintly. */
    static void louder(Reading reading, Finding finding, Consumer<List<Change>> to) {
        MissingCandidates candidates = new MissingCandidates(reading, finding, to);
        finding.scenes().forEach(i -> candidates.louder(reading.scenes().get(i)));
    }

    /**
     * Hands on what is only tried where nothing else helps: one more input that takes the source's program or microphone, though
     * there is one.
     */
    static void atLast(Reading reading, Finding finding, Consumer<List<Change>> to) {
        if (reading.rule(finding).topic() == Topic.MISSING
                && reading.rig().find(finding.subject().source()) != null
                && reading.rig().find(finding.subject().outlet()) != null) {
            new MissingCandidates(reading, finding, to).newInput(true);
        }
    }

    /** In the order of how likely a technician would think of it. */
    private void all() {
        scenes.everyScene(row, column);
        oneGate();
        finding.scenes().forEach(i -> louder(reading.scenes().get(i)));
        int scene = finding.evidence().scene();
        taken(scene);
        ends(scene);
        feeds(scene);
        farEnd(scene);
        listens(scene);
        newInput(false);
    }

    /** Each single closed gate that stands between where the source gets and from where its listener is reached. */
    private void oneGate() {
        Set<Gate> gates = new LinkedHashSet<>();
        for (int i : finding.scenes()) {
            SceneReading scene = reading.scenes().get(i);
            GateMoves moves = new GateMoves(rig, scene.key());
            for (Gate gate : scene.shutBetween(scene.sourcePoint(row), scene.outletPoint(column))) {
                if (gates.add(gate)) {
                    to.accept(moves.open(gate));
                }
            }
        }
        gates.stream()
                .filter(gate -> gate.sort() == Gate.Sort.IN_SCENE)
                .map(gate -> gate.at().element())
                .distinct()
                .forEach(scenes::always);
    }

    /** Of a listener to an output: the output takes a track that the source is on. */
    private void taken(int at) {
        Element output = rig.find(outlet.get(Outlets.OUTPUT), Kind.OUTPUT).orElse(null);
        Element production = output == null ? null : rig.owner(output);
        if (output == null || production == null) {
            return;
        }
        for (int track = 1; track <= production.or(Productions.TRACKS, 1); track++) {
            boolean on = reading.scenes()
                    .get(at)
                    .leadsByWire(PointId.of(source.id()), PointId.track(production.id(), track));
            Change.Set take = on ? Change.set(rig, output.id(), Productions.TAKES_TRACK.of(track), true) : null;
            if (take != null) {
                to.accept(List.of(take));
            }
        }
    }

    /** Strips and inputs that lead to the listener take a device that the source reaches; where they follow a default, by that. */
    private void feeds(int at) {
        SceneReading scene = reading.scenes().get(at);
        PointId end = PointId.of(outlet.id());
        List<Element> reached = reached(scene);
        for (Element strip : rig.of(Kind.STRIP)) {
            if (scene.leadsByWire(PointId.of(strip.id()), end)) {
                String machine = rig.owner(strip) instanceof Element mixer ? mixer.get(Mixers.MACHINE) : null;
                reached.stream()
                        .filter(d -> Objects.equals(d.get(Devices.MACHINE), machine))
                        .forEach(d -> take(strip, Mixers.FEED, machine, d));
                processed(strip, machine, reached);
            }
        }
        for (Element processor : rig.of(Kind.PROCESSOR)) {
            if (scene.leadsByWire(PointId.of(processor.or(Links.PROCESSOR_TO, processor.id())), end)) {
                reached.stream()
                        .filter(d -> d.get(Devices.DIRECTION) == Devices.Direction.RECORDING)
                        .forEach(d -> take(processor, Links.PROCESSOR_FROM, processor.get(Links.PROCESSOR_MACHINE), d));
            }
        }
        inputsTake(scene, reached);
        otherProgram(scene);
    }

    /** An input that leads to the listener takes the source's program, if the one it takes comes through another, or it is named so. */
    private void otherProgram(SceneReading scene) {
        Element program = Sources.application(rig, source);
        for (Element input : program == null ? List.<Element>of() : rig.of(Kind.INPUT)) {
            String now = input.get(Productions.APPLICATION);
            Element production = rig.owner(input);
            if (program != null
                    && production != null
                    && input.get(Productions.TAKES) == Productions.Takes.APPLICATION
                    && !NewInputs.isTaken(rig, production, program)
                    && (rig.find(now) == null || Namesakes.takes(rig, input, program) || isTakenTwice(production, now))
                    && scene.leadsByWire(PointId.of(input.id()), PointId.of(outlet.id()))) {
                one(Change.set(rig, input.id(), Productions.APPLICATION, program.id()));
            }
        }
    }

    private boolean isTakenTwice(Element production, @Nullable String program) {
        return rig.in(production.id(), Kind.INPUT).stream()
                        .filter(i -> Productions.programs(rig, i).stream().anyMatch(p -> p.id().equals(program)))
                        .count()
                > 1;
    }

    /** Inputs that lead to the listener take a device that the source reaches, unless it comes through others already. */
    private void inputsTake(SceneReading scene, List<Element> reached) {
        OtherInputs others = new OtherInputs(reading);
        for (Element input : rig.of(Kind.INPUT)) {
            Productions.Takes takes = input.get(Productions.TAKES);
            Devices.Direction direction = takes == Productions.Takes.PLAYBACK
                    ? Devices.Direction.PLAYBACK
                    : takes == Productions.Takes.RECORDING ? Devices.Direction.RECORDING : null;
            if (direction != null
                    && scene.leadsByWire(PointId.of(input.id()), PointId.of(outlet.id()))
                    && !others.besides(input).get(row)) {
                String machine =
                        rig.owner(input) instanceof Element production ? production.get(Productions.MACHINE) : null;
                reached.stream()
                        .filter(d -> d.get(Devices.DIRECTION) == direction
                                && Objects.equals(d.get(Devices.MACHINE), machine))
                        .forEach(d -> take(input, Productions.DEVICE, machine, d));
            }
        }
    }

    /** A choice set to a device; where it follows a default of its computer, also that default. */
    private void take(Element element, Setting<Choice> setting, @Nullable String machine, Element device) {
        Choice choice = Choice.to(device.id());
        one(Change.set(rig, element.id(), setting, choice));
        Setting<Choice> role = Choices.followed(
                rig, machine, element.get(setting), device.or(Devices.DIRECTION, Devices.Direction.PLAYBACK));
        if (role != null && machine != null) {
            one(Change.set(rig, machine, role, choice));
        }
    }

    /** The devices that the source reaches, those first that hold most of its way and little else. */
    private List<Element> reached(SceneReading scene) {
        return rig.of(Kind.DEVICE).stream()
                .filter(d -> scene.leadsByWire(PointId.of(source.id()), PointId.of(d.id())))
                .sorted(Comparator.comparingLong((Element d) -> others(scene, d))
                        .thenComparing(Comparator.comparingInt((Element d) -> stepsTo(scene, d))
                                .reversed()))
                .limit(MOST)
                .toList();
    }

    /** A strip takes what a processor offers, and the processor reads what the source reaches. */
    private void processed(Element strip, @Nullable String machine, List<Element> reached) {
        for (Element processor : rig.of(Kind.PROCESSOR)) {
            Element offered =
                    rig.find(processor.get(Links.PROCESSOR_TO), Kind.DEVICE).orElse(null);
            if (offered != null
                    && !reached.contains(offered)
                    && Objects.equals(offered.get(Devices.MACHINE), machine)
                    && Objects.equals(processor.get(Links.PROCESSOR_MACHINE), machine)) {
                Change.Set feed = Change.set(rig, strip.id(), Mixers.FEED, Choice.to(offered.id()));
                reached.stream()
                        .filter(d -> d.get(Devices.DIRECTION) == Devices.Direction.RECORDING
                                && Objects.equals(d.get(Devices.MACHINE), machine))
                        .limit(1)
                        .map(d -> Change.set(rig, processor.id(), Links.PROCESSOR_FROM, Choice.to(d.id())))
                        .filter(read -> read != null && feed != null)
                        .forEach(read -> to.accept(List.of(feed, read)));
            }
        }
    }

    /** How many other sources reach a device: where the source is alone, nothing else comes with it. */
    private long others(SceneReading scene, Element device) {
        boolean[] reaching = scene.view().reachingOne(scene.graph().point(device.id()));
        return IntStream.range(0, rig.of(Kind.SOURCE).size())
                .filter(i -> reaching[scene.sourcePoint(i)])
                .count();
    }

    /** How far down its strongest route the source gets to a device: what lies furthest down holds most of its way. */
    private int stepsTo(SceneReading scene, Element device) {
        return scene.strongestTo(source, scene.graph().point(PointId.of(device.id())))
                .size();
    }

    /** A listener listens on another device of the same computer that the source reaches: one that can be listened on. */
    private void listens(int at) {
        if (outlet.get(Outlets.DEVICE) == null || outlet.get(Outlets.OUTPUT) != null) {
            return;
        }
        String machine = rig.find(Choices.listensOn(rig, outlet), Kind.DEVICE)
                .map(d -> d.get(Devices.MACHINE))
                .orElse(null);
        rig.of(Kind.DEVICE).stream()
                .filter(d -> d.get(Devices.DIRECTION) == Devices.Direction.PLAYBACK
                        && !d.is(Devices.VIRTUAL, false)
                        && Objects.equals(d.get(Devices.MACHINE), machine)
                        && reading.scenes().get(at).leadsByWire(PointId.of(source.id()), PointId.of(d.id())))
                .limit(MOST)
                .forEach(d -> one(Change.set(rig, outlet.id(), Outlets.DEVICE, Choice.to(d.id()))));
    }

    private void one(Change.@Nullable Set change) {
        if (change != null) {
            to.accept(List.of(change));
        }
    }

    /** Of a source that arrives far too faintly: the level on its route that is furthest down, or all that are far down, back to 0 dB. */
    private void louder(SceneReading scene) {
        CellReading cell = scene.cell(row, column);
        if (!cell.tooFaint()) {
            return;
        }
        Set<Integer> segments = new LinkedHashSet<>(cell.electric().strongest());
        segments.addAll(cell.delivery().strongest());
        List<Change> up = FarDown.back(rig, scene.graph(), segments);
        up.stream().limit(1).forEach(most -> to.accept(List.of(most)));
        if (up.size() > 1) {
            to.accept(up);
        }
    }

    /** The choices at which open routes of the source end: buses, cues and pass-throughs play elsewhere, or somewhere at all. */
    private void ends(int at) {
        SceneReading scene = reading.scenes().get(at);
        FlowGraph graph = scene.graph();
        ChoiceMoves moves = new ChoiceMoves(reading, at, to);
        boolean[] reached = scene.view().reachedFrom(new int[] {scene.sourcePoint(row)});
        for (int point = 0; point < graph.points(); point++) {
            Element element = reached[point] ? rig.find(graph.element(point)) : null;
            if (element != null && graph.kind(point) == PointKind.BUS) {
                moves.lead(element);
            } else if (element != null && graph.kind(point) == PointKind.CUE) {
                moves.play(element, Productions.CUE_DEVICE, element);
            }
        }
        List<Integer> passing = new ArrayList<>();
        for (int segment = 0; segment < graph.segments(); segment++) {
            Element by = rig.find(graph.segmentElement(segment));
            if (by != null && by.kind() == Kind.PASS_THROUGH && reached[graph.from(segment)]) {
                passing.add(segment);
            }
        }
        moves.along(passing);
    }

    /** Of a listener at the far end of a call: the call listens to what the source reaches, or to a mix that has it. */
    private void farEnd(int at) {
        rig.find(outlet.get(Outlets.APPLICATION), Kind.APPLICATION)
                .ifPresent(call -> new ChoiceMoves(reading, at, to).input(call));
        new CallMix(reading, at, outlet, to).offer();
    }

    /**
     * An input of its own for the source's program or microphone: on all tracks whose listeners lack it, or on the one that the
     * listener hears.
     *
     * @param another even where there is one already
     */
    private void newInput(boolean another) {
        Element output = rig.find(outlet.get(Outlets.OUTPUT), Kind.OUTPUT).orElse(null);
        Element production = output == null ? null : rig.owner(output);
        Element at = NewInputs.start(rig, source);
        Integer track = production == null ? null : NewInputs.track(rig, production, outlet);
        if (production == null || at == null || track == null || !another && NewInputs.isTaken(rig, production, at)) {
            return;
        }
        Set<Integer> tracks =
                new TreeSet<>(NewInputs.tracks(reading, production, at, cell -> cell.verdict() == Verdict.MISSING));
        tracks.add(track);
        for (Set<Integer> on : new LinkedHashSet<>(List.of(tracks, Set.of(track)))) {
            to.accept(List.of(new Change.Add(NewInputs.of(production, at, on, id -> rig.find(id) != null))));
        }
    }
}
