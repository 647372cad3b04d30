package org.gullyrun.core.fix;

import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * Leads sound elsewhere: every choice that a segment follows, set to each other device that comes into question. Devices
 * from which most listeners can be reached come first, and no more than a few of them: each is tried by an audit.
 */
final class ChoiceMoves {
    private static final int MOST = 8;
    private static final int MISSES = 100;

    private final Reading reading;
    private final Rig rig;
    private final SceneReading scene;
    private final Consumer<List<Change>> to;
    /** Listeners who miss something: what reaches them comes before what only reaches more listeners. */
    private final Set<String> lacking;
    /** Sources that somebody misses, likewise. */
    private final Set<String> lacked;

    /** Moves choices in one scene of a reading; what they might be goes to a receiver. */
    ChoiceMoves(Reading reading, int scene, Consumer<List<Change>> to) {
        this.rig = reading.rig();
        this.scene = reading.scenes().get(scene);
        this.reading = reading;
        this.to = to;
        this.lacking = this.scene.cells().stream()
                .filter(cell -> cell.verdict() == Verdict.MISSING)
                .map(cell -> cell.outlet().id())
                .collect(Collectors.toSet());
        this.lacked = this.scene.cells().stream()
                .filter(cell -> cell.verdict() == Verdict.MISSING)
                .map(cell -> cell.source().id())
                .collect(Collectors.toSet());
    }

    /** Moves the choices that some segments follow, numbered as in the graph of the scene. */
    void along(List<Integer> segments) {
        segments.forEach(this::at);
    }

    /** Moves the choice that a segment follows, if it follows one. */
    private void at(int segment) {
        FlowGraph graph = scene.graph();
        Element by = rig.find(graph.segmentElement(segment));
        if (by == null) {
            return;
        }
        PointKind end = graph.kind(graph.to(segment));
        switch (by.kind()) {
            case APP_OUTPUT -> output(by);
            case APPLICATION -> {
                if (end == PointKind.APPLICATION_IN) {
                    input(by);
                } else if (graph.kind(graph.from(segment)) == PointKind.APPLICATION_IN) {
                    one(Change.set(rig, by.id(), Applications.PASSES_ON, false));
                }
            }
            case BUS -> lead(by);
            case STRIP -> {
                if (end == PointKind.STRIP) {
                    set(by, Mixers.FEED, machine(rig.owner(by)), null, this::sources);
                }
            }
            case PASS_THROUGH -> passOn(by);
            case PRODUCTION -> {
                if (end == PointKind.CUE) {
                    one(Change.set(rig, by.id(), Productions.CUE_PROGRAM, null));
                } else if (graph.kind(graph.from(segment)) == PointKind.CUE) {
                    play(by, Productions.CUE_DEVICE, by);
                }
            }
            case INPUT -> {
                Productions.Takes takes = by.get(Productions.TAKES);
                boolean takesDevice = takes == Productions.Takes.RECORDING || takes == Productions.Takes.PLAYBACK;
                if (takesDevice && (end == PointKind.INPUT || end == PointKind.COPY)) {
                    set(
                            by,
                            Productions.DEVICE,
                            machine(rig.owner(by)),
                            takes == Productions.Takes.PLAYBACK ? Direction.PLAYBACK : Direction.RECORDING,
                            newSources(by));
                }
            }
            case PROCESSOR -> set(by, Links.PROCESSOR_FROM, by.get(Links.PROCESSOR_MACHINE), Direction.RECORDING);
            case MACHINE, DEVICE, CABLE, WIRE, COUPLING, MIXER, GROUP, SCENE -> {}
            case ENTRY, OUTPUT, SOURCE, OUTLET -> {}
        }
    }

    private void one(Change.@Nullable Set change) {
        if (change != null) {
            to.accept(List.of(change));
        }
    }

    /** A program plays elsewhere: by its own choice, or by the system's where that is what counts. */
    void output(Element output) {
        Element application = rig.owner(output);
        if (application == null) {
            return;
        }
        Choices.Going going = Choices.output(rig, application, output);
        boolean bySystem = going.decidedBy().equals(Applications.SYSTEM_CHOICE);
        set(
                output,
                bySystem ? Applications.SYSTEM_CHOICE : Applications.PROGRAM_CHOICE,
                machine(application),
                Direction.PLAYBACK);
    }

    /** A program listens to something else. */
    void input(Element application) {
        set(application, Applications.INPUT, machine(application), Direction.RECORDING);
    }

    /** A bus leads elsewhere: to what is played, or to a microphone that its mixer offers. */
    void lead(Element bus) {
        set(bus, Mixers.TARGET, machine(rig.owner(bus)), null);
    }

    /** A cue plays elsewhere. */
    void play(Element engine, Setting<Choice> setting, @Nullable Element on) {
        set(engine, setting, machine(on), Direction.PLAYBACK);
    }

    /** A pass-through plays elsewhere on its computer. */
    private void passOn(Element pass) {
        String from = pass.get(Links.PASS_FROM);
        String machine =
                rig.find(from, Kind.DEVICE).map(d -> d.get(Devices.MACHINE)).orElse(null);
        set(pass, Links.PASS_TO, machine, Direction.PLAYBACK);
    }

    private @Nullable String machine(@Nullable Element element) {
        return element == null ? null : rig.machine(element);
    }

    private void set(
            Element element, Setting<Choice> setting, @Nullable String machine, @Nullable Direction direction) {
        set(element, setting, machine, direction, direction == Direction.RECORDING ? this::sources : this::listeners);
    }

    /**
     * A choice set to each usable device of its computer and direction, those first from which most is reached; not to what
     * nothing gets to, or nobody hears: that would be chosen only for silence. A strip or bus belongs on the device of its
     * name even then, as nothing may play there yet. What is off is chosen together with what makes it usable.
     */
    private void set(
            Element element,
            Setting<Choice> setting,
            @Nullable String machine,
            @Nullable Direction direction,
            ToLongFunction<Element> reach) {
        Choice now = element.get(setting);
        Direction plain = direction == null ? Direction.PLAYBACK : direction;
        String already = setting.kind() == Kind.MACHINE ? "" : Choices.device(rig, machine, now, plain);
        List<Element> devices = rig.of(Kind.DEVICE).stream()
                .filter(d -> (direction == null || d.get(Devices.DIRECTION) == direction)
                        && Objects.equals(d.get(Devices.MACHINE), machine)
                        && !Choice.to(d.id()).equals(now)
                        && !d.id().equals(already)
                        && SensibleChoice.is(scene, element, setting, d))
                .toList();
        devices.stream()
                .filter(d -> Choices.usable(rig, d))
                .map(d -> new Reaching(d, reach.applyAsLong(d)))
                .filter(r -> r.reach > 0 || belongs(element, r.device))
                .sorted(Comparator.comparingLong(Reaching::reach).reversed())
                .limit(MOST)
                .forEach(r -> one(Change.set(rig, element.id(), setting, Choice.to(r.device.id()))));
        // A playback default isn't moved for an input that takes what plays there: all that plays would move with it.
        boolean takesPlayed = element.kind() == Kind.INPUT && plain == Direction.PLAYBACK;
        Setting<Choice> role = takesPlayed ? null : Choices.followed(rig, machine, now, plain);
        if (role != null) {
            set(rig.get(Objects.requireNonNull(machine)), role, machine, plain, reach);
        }
        GateMoves gates = new GateMoves(rig, scene.key());
        for (Element off : devices) {
            List<Change> usable = Choices.usable(rig, off) ? List.of() : gates.usable(off);
            Change.Set choice = usable.isEmpty() ? null : Change.set(rig, element.id(), setting, Choice.to(off.id()));
            if (choice != null) {
                to.accept(Stream.concat(Stream.of(choice), usable.stream()).toList());
            }
        }
    }

    private boolean belongs(Element element, Element device) {
        return (element.kind() == Kind.STRIP || element.kind() == Kind.BUS)
                && device.is(Devices.VIRTUAL, false)
                && Namesakes.are(rig, element.id(), device);
    }

    /** A device, and how much is reached from it or reaches it. */
    private record Reaching(Element device, long reach) {}

    /** How many listeners can be reached from a device, those who miss something counted most. */
    private long listeners(Element from) {
        int start = scene.graph().point(from.id());
        List<Element> listeners = rig.of(Kind.OUTLET);
        long reach = 0;
        for (int i = 0; start >= 0 && i < listeners.size(); i++) {
            if (scene.electricView().reachingOne(scene.outletPoint(i))[start]) {
                reach += lacking.contains(listeners.get(i).id()) ? MISSES : 1;
            }
        }
        return reach;
    }

    /** How many sources reach a device; of two the one that a processor offers, as its sound is meant to be used. */
    private long sources(Element device) {
        int end = scene.graph().point(device.id());
        if (end < 0) {
            return 0;
        }
        boolean[] reaching = scene.electricView().reachingOne(end);
        List<Element> sources = rig.of(Kind.SOURCE);
        long reach = 0;
        for (int i = 0; i < sources.size(); i++) {
            if (reaching[scene.sourcePoint(i)]) {
                reach += lacked.contains(sources.get(i).id()) ? MISSES : 1;
            }
        }
        boolean processed =
                rig.of(Kind.PROCESSOR).stream().anyMatch(p -> device.id().equals(p.get(Links.PROCESSOR_TO)));
        return reach == 0 ? 0 : 2 * reach + (processed ? 1 : 0);
    }

    /**
     * How many sources reach a device that an input may take, where one gets there by wire that comes through no other input;
     * else the input would double it, and one that should be silent is muted.
     */
    private ToLongFunction<Element> newSources(Element input) {
        BitSet besides = new OtherInputs(reading).besides(input);
        int[] fresh = IntStream.range(0, rig.of(Kind.SOURCE).size())
                .filter(i -> !besides.get(i))
                .map(scene::sourcePoint)
                .toArray();
        return device -> {
            int end = scene.graph().point(device.id());
            boolean[] reaching = end < 0 ? new boolean[0] : scene.electricView().reachingOne(end);
            return end >= 0 && IntStream.of(fresh).anyMatch(source -> reaching[source]) ? sources(device) : 0;
        };
    }
}
