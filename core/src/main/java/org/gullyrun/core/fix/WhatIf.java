package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;

/**
 * What would happen if: something is unplugged, disabled, stopped or muted, or a default moves. Tried on a copy; nothing is
 * altered.
 */
public final class WhatIf {
    private WhatIf() {}

    /** Something that may happen: the change that it is, and how a person would say it. */
    public record Event(Change change, String sentence) {}

    /**
     * What an event would do.
     *
     * @param event the event
     * @param lost pairs that arrive now and then would not, in words; in one scene at least
     * @param gained pairs that do not arrive now and then would; in one scene at least, so that a pair can be in both
     * @param altered other pairs of which level or verdict would be another
     * @param worse the titles of findings above a note that would come, or become more severe
     * @param better the titles of findings above a note that would go, or become less severe
     */
    public record Outcome(
            Event event,
            List<String> lost,
            List<String> gained,
            List<String> altered,
            List<String> worse,
            List<String> better) {
        public Outcome {
            lost = List.copyOf(lost);
            gained = List.copyOf(gained);
            altered = List.copyOf(altered);
            worse = List.copyOf(worse);
            better = List.copyOf(better);
        }

        /** Whether nothing would be different for any listener. */
        public boolean isNothing() {
            return lost.isEmpty() && gained.isEmpty() && altered.isEmpty() && worse.isEmpty() && better.isEmpty();
        }
    }

    /** All that may happen to an element, or with an empty id to any device, engine and default of the rig. */
    public static List<Event> events(Rig rig, String id) {
        List<Event> events = new ArrayList<>();
        Element one = rig.find(id);
        if (one != null) {
            to(rig, rig.program(one), events);
            return events;
        }
        for (Kind kind : List.of(Kind.MIXER, Kind.PRODUCTION, Kind.PROCESSOR, Kind.MACHINE, Kind.DEVICE)) {
            rig.of(kind).forEach(e -> to(rig, e, events));
        }
        return events;
    }

    /** What can happen to an element. */
    private static void to(Rig rig, Element element, List<Event> events) {
        switch (element.kind()) {
            case DEVICE -> {
                flag(rig, element, Devices.PRESENT, false, events);
                flag(rig, element, Devices.ENABLED, false, events);
                flag(rig, element, Devices.MUTED, true, events);
                if (element.get(Devices.DIRECTION) == Devices.Direction.RECORDING) {
                    flag(rig, element, Devices.PERMITTED, false, events);
                }
            }
            case MIXER, PROCESSOR, PRODUCTION -> {
                Capabilities.Engine engine = Objects.requireNonNull(Capabilities.engine(element.kind()));
                flag(rig, element, engine.running(), false, events);
            }
            case APPLICATION -> flag(rig, element, Applications.MUTED, true, events);
            case MACHINE -> {
                defaults(rig, element, Machines.PLAYBACK, Devices.Direction.PLAYBACK, events);
                defaults(rig, element, Machines.RECORDING, Devices.Direction.RECORDING, events);
            }
            case CABLE, WIRE, COUPLING, PASS_THROUGH, APP_OUTPUT, STRIP, BUS, INPUT, GROUP, SCENE -> {}
            case ENTRY, OUTPUT, SOURCE, OUTLET -> {}
        }
    }

    private static void flag(Rig rig, Element element, Setting<Boolean> flag, boolean to, List<Event> events) {
        if (element.is(flag, Boolean.TRUE.equals(flag.usual())) != to) {
            add(rig, Change.set(rig, element.id(), flag, to), events);
        }
    }

    /** A default that moves to each other usable device. */
    private static void defaults(
            Rig rig, Element machine, Setting<Choice> role, Devices.Direction direction, List<Event> events) {
        for (Element device : rig.of(Kind.DEVICE)) {
            if (machine.id().equals(device.get(Devices.MACHINE))
                    && device.get(Devices.DIRECTION) == direction
                    && Choices.usable(rig, device)) {
                add(rig, Change.set(rig, machine.id(), role, Choice.to(device.id())), events);
            }
        }
    }

    private static void add(Rig rig, Change.@org.jspecify.annotations.Nullable Set change, List<Event> events) {
        if (change != null) {
            events.add(new Event(change, Sentences.say(rig, change)));
        }
    }

    /** Tries an event. */
    public static Outcome of(Audit audit, Reading now, Event event) {
        Reading then = audit.read(Changes.apply(now.rig(), List.of(event.change)), now.brief(), now);
        List<String> lost = new ArrayList<>();
        List<String> gained = new ArrayList<>();
        List<String> altered = new ArrayList<>();
        for (int s = 0; s < now.rig().of(Kind.SOURCE).size(); s++) {
            for (int o = 0; o < now.rig().of(Kind.OUTLET).size(); o++) {
                boolean loses = false;
                boolean gains = false;
                boolean alters = false;
                for (int i = 0; i < now.scenes().size(); i++) {
                    Delivery a = now.scenes().get(i).cell(s, o).delivery();
                    Delivery b = then.scenes().get(i).cell(s, o).delivery();
                    loses |= a.arrives() && !b.arrives();
                    gains |= !a.arrives() && b.arrives();
                    alters |= a.arrives()
                            && b.arrives()
                            && (now.scenes().get(i).cell(s, o).verdict()
                                            != then.scenes().get(i).cell(s, o).verdict()
                                    || Math.abs(a.strength() - b.strength()) > 1);
                }
                CellReading cell = now.scenes().getFirst().cell(s, o);
                String pair = cell.source().name() + " at " + cell.outlet().name();
                if (loses) {
                    lost.add(pair);
                }
                if (gains) {
                    gained.add(pair);
                }
                if (alters && !loses && !gains) {
                    altered.add(pair);
                }
            }
        }
        return new Outcome(event, lost, gained, altered, worse(then, now, audit), worse(now, then, audit));
    }

    /** The titles of findings above a note that are in one reading and not, or less severe, in another. */
    private static List<String> worse(Reading in, Reading than, Audit audit) {
        Map<String, Severity> others = new HashMap<>();
        than.findings().forEach(f -> others.put(f.identity(), f.severity()));
        return in.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE
                        && audit.asks(f.rule())
                        && !others.getOrDefault(f.identity(), Severity.NOTE).atLeast(f.severity()))
                .map(Finding::words)
                .map(Finding.Words::title)
                .toList();
    }
}
