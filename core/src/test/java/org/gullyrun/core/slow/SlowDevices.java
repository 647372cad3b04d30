package org.gullyrun.core.slow;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** What {@link SlowGraph} needs of devices and choices: doors into and out of a device, and what a choice comes to. */
abstract class SlowDevices {
    /** One segment; it is open if nothing closes it. */
    record Segment(String from, String to, String by, double gain, double late, Set<String> closedBy, boolean air) {
        boolean open() {
            return closedBy.isEmpty();
        }
    }

    /** What a segment gets for entering or leaving a device. */
    record Door(String point, double gain, double late, Set<String> closedBy) {}

    final Rig rig;
    final List<Segment> segments = new ArrayList<>();

    SlowDevices(Rig rig) {
        this.rig = rig;
    }

    // Reading settings: what is not known counts as the model says.

    static double db(Element e, Setting<Double> setting) {
        return e.get(setting) == null ? 0 : e.get(setting);
    }

    static boolean on(Element e, Setting<Boolean> flag) {
        return e.get(flag) == null ? Boolean.TRUE.equals(flag.usual()) : e.get(flag);
    }

    static Set<String> closed(Object... conditionAndReason) {
        Set<String> reasons = new TreeSet<>();
        for (int i = 0; i < conditionAndReason.length; i += 2) {
            if (!(Boolean) conditionAndReason[i]) {
                reasons.add((String) conditionAndReason[i + 1]);
            }
        }
        return reasons;
    }

    static Set<String> join(Set<String> a, Set<String> b) {
        Set<String> reasons = new TreeSet<>(a);
        reasons.addAll(b);
        return reasons;
    }

    void add(String from, String to, Element by, double gain, double late, Set<String> closedBy) {
        segments.add(new Segment(from, to, by.id(), gain, late, closedBy, by.kind() == Kind.COUPLING));
    }

    // Devices.

    Element device(String id) {
        return rig.find(id, Kind.DEVICE).orElse(null);
    }

    Set<String> usable(String id) {
        Element d = device(id);
        boolean ok = d != null
                && on(d, Devices.PRESENT)
                && on(d, Devices.ENABLED)
                && (d.get(Devices.DIRECTION) == Direction.PLAYBACK || on(d, Devices.PERMITTED));
        String by = d == null ? null : d.get(Devices.PROVIDED_BY);
        Element engine = rig.find(by);
        Set<String> running = Set.of();
        if (engine != null) {
            Setting<Boolean> runs = engine.kind() == Kind.MIXER ? Mixers.RUNNING : Links.PROCESSOR_RUNNING;
            running = closed(on(engine, runs), "running " + engine.id());
        }
        return join(running, closed(ok && (by == null || engine != null), "usable " + id));
    }

    static double latency(Element device) {
        return on(device, Devices.VIRTUAL) ? 0 : db(device, Devices.LATENCY);
    }

    List<Element> directs() {
        return rig.of(Kind.PASS_THROUGH).stream()
                .filter(p -> on(p, Links.PASS_DIRECT) && !passTarget(p).isEmpty())
                .toList();
    }

    String passTarget(Element pass) {
        Element from = device(pass.get(Links.PASS_FROM));
        String machine = from == null ? null : from.get(Devices.MACHINE);
        return resolve(machine, pass.get(Links.PASS_TO), true);
    }

    boolean isPresent(String id) {
        Element d = device(id);
        return d != null && on(d, Devices.PRESENT);
    }

    List<Door> into(String id) {
        List<Door> doors = new ArrayList<>();
        Element d = device(id);
        doors.add(
                d == null
                        ? new Door(id, 0, 0, usable(id))
                        : new Door(
                                id,
                                db(d, Devices.LEVEL),
                                latency(d),
                                join(usable(id), closed(!on(d, Devices.MUTED), "muted " + id))));
        for (Element pass : directs()) {
            if (id.equals(pass.get(Links.PASS_FROM))) {
                String end = passTarget(pass);
                Set<String> gates = closed(on(pass, Links.PASS_ENABLED), "enabled " + pass.id());
                gates = isPresent(id) ? gates : join(gates, usable(id));
                gates = isPresent(end) ? gates : join(gates, usable(end));
                doors.add(new Door(pass.id(), db(pass, Links.PASS_GAIN), db(pass, Links.PASS_LATENCY), gates));
            }
        }
        return doors;
    }

    List<Door> outOf(String id, boolean withLatency) {
        List<Door> doors = new ArrayList<>();
        Element d = device(id);
        Set<String> muted = d == null ? Set.of() : closed(!on(d, Devices.MUTED), "muted " + id);
        double level = d == null ? 0 : db(d, Devices.LEVEL);
        double late = d == null || !withLatency ? 0 : latency(d);
        doors.add(new Door(id, level, late, join(usable(id), muted)));
        for (Element pass : directs()) {
            if (passTarget(pass).equals(id)) {
                doors.add(new Door(pass.id(), level, 0, muted));
            }
        }
        return doors;
    }

    // Choices.

    String machineDefault(String machine, boolean playback, boolean call) {
        return standing(machine, playback, call).getLast();
    }

    /** The device set as a default, and the one that counts in its place; empty texts where there is none. */
    List<String> standing(String machine, boolean playback, boolean call) {
        Element m = rig.find(machine, Kind.MACHINE).orElse(null);
        if (m == null) {
            return List.of("", "");
        }
        if (call) {
            Choice forCalls = m.get(playback ? Machines.CALL_PLAYBACK : Machines.CALL_RECORDING);
            List<String> found = forCalls == null
                    ? List.of("", "")
                    : ordered(
                            forCalls,
                            m.get(playback ? Machines.CALL_PLAYBACK_ORDER : Machines.CALL_RECORDING_ORDER),
                            playback);
            if (forCalls == null || !found.getLast().isEmpty()) {
                return found;
            }
        }
        Choice plain = m.get(playback ? Machines.PLAYBACK : Machines.RECORDING);
        return ordered(plain, m.get(playback ? Machines.PLAYBACK_ORDER : Machines.RECORDING_ORDER), playback);
    }

    private List<String> ordered(Choice chosen, List<String> order, boolean playback) {
        String set = chosen == null ? "" : chosen.id();
        if (chosen != null && !works(set, playback)) {
            for (String next : order) {
                if (works(next, playback)) {
                    return List.of(set, next);
                }
            }
        }
        return List.of(set, set);
    }

    private boolean works(String id, boolean playback) {
        Element d = device(id);
        return d != null && usable(id).isEmpty() && (d.get(Devices.DIRECTION) == Direction.PLAYBACK) == playback;
    }

    /** Where a choice leads: the device that counts, and closed the one that is set as a default that has moved. */
    List<String> leads(String machine, Choice choice, boolean playback) {
        String device = resolve(machine, choice, playback);
        boolean played = playback || choice == Choice.Special.PLAYBACK_DEFAULT;
        List<String> standing = choice instanceof Choice.To || device.isEmpty()
                ? List.of("", "")
                : standing(machine, played, choice == Choice.Special.CALL_DEFAULT);
        boolean moved = !standing.getFirst().equals(standing.getLast())
                && !standing.getFirst().isEmpty();
        return device.isEmpty() ? List.of() : moved ? List.of(device, standing.getFirst()) : List.of(device);
    }

    String resolve(String machine, Choice choice, boolean playback) {
        if (choice instanceof Choice.To to) {
            return to.id();
        }
        if (choice == Choice.Special.DEFAULT) {
            return machineDefault(machine, playback, false);
        }
        if (choice == Choice.Special.PLAYBACK_DEFAULT) {
            return machineDefault(machine, true, false);
        }
        return choice == Choice.Special.CALL_DEFAULT ? machineDefault(machine, playback, true) : "";
    }

    Choice effective(Element application, Choice own, Choice system) {
        boolean wins = rig.find(application.get(Applications.MACHINE), Kind.MACHINE)
                .map(m -> m.get(Machines.SYSTEM_CHOICE) == Machines.SystemChoice.WINS)
                .orElse(false);
        boolean followsDefault = own == Choice.Special.DEFAULT || own == Choice.Special.CALL_DEFAULT;
        return system != Choice.Special.UNSET && (wins || followsDefault) ? system : own;
    }

    String fallback(Element application, String chosen, boolean playback) {
        if (chosen.isEmpty()
                || usable(chosen).isEmpty()
                || application.get(Applications.WHEN_GONE) == Applications.WhenGone.SILENT) {
            return "";
        }
        String spare = machineDefault(application.get(Applications.MACHINE), playback, false);
        return !spare.isEmpty() && !spare.equals(chosen) && usable(spare).isEmpty() ? spare : "";
    }

    Choice output(Element application, Element output) {
        return effective(application, output.get(Applications.PROGRAM_CHOICE), output.get(Applications.SYSTEM_CHOICE));
    }

    // Sources and applications.

    static boolean goesAround(DriverPath path) {
        return path == DriverPath.EXCLUSIVE || path == DriverPath.LOW_LATENCY;
    }

    /** Who plays to a captured device around the system's mixing. */
    Set<String> around(String device) {
        Set<String> gates = new TreeSet<>();
        for (Element a : rig.of(Kind.APPLICATION)) {
            for (Element output : rig.in(a.id(), Kind.APP_OUTPUT)) {
                String chosen = resolve(a.get(Applications.MACHINE), output(a, output), true);
                String fallback = fallback(a, chosen, true);
                if ((fallback.isEmpty() ? chosen : fallback).equals(device) && goesAround(a.get(Applications.PATH))) {
                    gates.add("path " + a.id());
                }
            }
        }
        for (Element bus : rig.of(Kind.BUS)) {
            Element m = rig.owner(bus);
            boolean own = bus.get(Mixers.BUS_PATH) != null;
            if (resolve(m.get(Mixers.MACHINE), bus.get(Mixers.TARGET), true).equals(device)
                    && on(m, Mixers.RUNNING)
                    && goesAround(own ? bus.get(Mixers.BUS_PATH) : m.get(Mixers.PATH))) {
                gates.add("path " + (own ? bus.id() : m.id()));
            }
        }
        for (Element p : rig.of(Kind.PRODUCTION)) {
            if (resolve(p.get(Productions.MACHINE), p.get(Productions.CUE_DEVICE), true)
                            .equals(device)
                    && on(p, Productions.RUNNING)
                    && goesAround(p.get(Productions.PATH))) {
                gates.add("path " + p.id());
            }
        }
        return gates;
    }

    // What joins devices, and who hears.
}
