package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.BooleanSupplier;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * Where nothing else brings a missing source to its listener: its program, or the default that it follows, on another
 * device, or the listener on another, and what is in the way from there put right: the one closed gate, or the level that is far
 * down.
 */
final class AnotherWay {
    private final Fixes fixes;
    private final Reading reading;
    private final Finding finding;
    private final Rig rig;
    private final SceneReading scene;
    private final int start;
    private final int end;
    private final BooleanSupplier cancelled;

    private AnotherWay(
            Fixes fixes, Reading reading, Finding finding, Element source, Element outlet, BooleanSupplier cancelled) {
        this.fixes = fixes;
        this.reading = reading;
        this.finding = finding;
        this.cancelled = cancelled;
        this.rig = reading.rig();
        this.scene = reading.scenes().get(finding.evidence().scene());
        this.start = scene.graph().point(source.id());
        this.end = scene.graph().point(outlet.id());
    }

    /**
     * What might help, settings of the program and the listener before those of the computer; none for what isn't missing.
     * What was found so far if cancelled.
     */
    static List<List<Change>> of(Fixes fixes, Reading reading, Finding finding, BooleanSupplier cancelled) {
        Element source = reading.rig().find(finding.subject().source());
        Element outlet = reading.rig().find(finding.subject().outlet());
        if (source == null || outlet == null || reading.rule(finding).topic() != Topic.MISSING) {
            return List.of();
        }
        AnotherWay way = new AnotherWay(fixes, reading, finding, source, outlet, cancelled);
        List<List<Change>> all = new ArrayList<>();
        List<List<Change>> byDefault = new ArrayList<>();
        Element program = Sources.application(reading.rig(), source);
        if (program != null) {
            way.from(program, source, all, byDefault);
        }
        way.to(outlet, all);
        all.addAll(byDefault);
        return all;
    }

    /** The source's program plays to another device, by its own choice or by the default that it follows. */
    private void from(Element program, Element source, List<List<Change>> own, List<List<Change>> byDefault) {
        String machine = program.or(Applications.MACHINE, "");
        for (Element output : Sources.outputs(rig, source)) {
            boolean follows = output.get(Applications.PROGRAM_CHOICE) == Choice.Special.DEFAULT
                    && rig.find(machine, Kind.MACHINE).isPresent();
            for (Element device : played(machine)) {
                Choice choice = Choice.to(device.id());
                Change.Set here = Change.set(rig, output.id(), Applications.PROGRAM_CHOICE, choice);
                Change.Set bySystem = follows ? Change.set(rig, machine, Machines.PLAYBACK, choice) : null;
                if (isWorthwhile(here) || isWorthwhile(bySystem)) {
                    List<List<Change>> rest = inTheWay(here, scene.graph().point(device.id()), end);
                    add(own, here, rest);
                    add(byDefault, bySystem, rest);
                }
            }
        }
    }

    /** Who listens on a device listens on another, that can be listened on. */
    private void to(Element outlet, List<List<Change>> own) {
        Element now = outlet.get(Outlets.DEVICE) == null || outlet.get(Outlets.OUTPUT) != null
                ? null
                : rig.find(Choices.listensOn(rig, outlet), Kind.DEVICE).orElse(null);
        for (Element device : now == null ? List.<Element>of() : played(now.get(Devices.MACHINE))) {
            if (!device.is(Devices.VIRTUAL, false)) {
                Change.Set there = Change.set(rig, outlet.id(), Outlets.DEVICE, Choice.to(device.id()));
                if (isWorthwhile(there)) {
                    add(own, there, inTheWay(there, start, scene.graph().point(device.id())));
                }
            }
        }
    }

    /** Whether it is worth asking what is in the way after a choice, which takes an audit. */
    private boolean isWorthwhile(Change.@Nullable Set choice) {
        return choice != null && fixes.allows(choice) && !cancelled.getAsBoolean();
    }

    /** The devices of a computer that are played to. */
    private List<Element> played(@Nullable String machine) {
        return rig.of(Kind.DEVICE).stream()
                .filter(d -> scene.graph().point(d.id()) >= 0
                        && d.get(Devices.DIRECTION) == Devices.Direction.PLAYBACK
                        && Objects.equals(d.get(Devices.MACHINE), machine))
                .toList();
    }

    /** What puts right what is in the way between two points: a gate opened; or after a choice, the source turned up. */
    private List<List<Change>> inTheWay(Change.@Nullable Set choice, int from, int to) {
        List<List<Change>> all = new ArrayList<>();
        GateMoves moves = new GateMoves(rig, scene.key());
        for (Gate gate : from < 0 || to < 0 ? List.<Gate>of() : scene.shutBetween(from, to)) {
            all.add(moves.open(gate));
        }
        if (choice != null) {
            Reading after = fixes.read(reading, List.of(choice));
            after.findings().stream()
                    .filter(f -> f.identity().equals(finding.identity()))
                    .forEach(f -> MissingCandidates.louder(after, f, all::add));
        }
        return all;
    }

    private static void add(List<List<Change>> to, Change.@Nullable Set choice, List<List<Change>> rest) {
        for (List<Change> more : choice == null ? List.<List<Change>>of() : rest) {
            if (!more.isEmpty()) {
                List<Change> both = new ArrayList<>(List.of(choice));
                both.addAll(more);
                to.add(both);
            }
        }
    }
}
