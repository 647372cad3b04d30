package org.gullyrun.core.slow;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;

/**
 * The flow graph of one scene, written a second time from the table of the rig model, as plainly as it goes: no arrays, no
 * sharing, nothing of the program's own flow package. It knows of a segment only whether it is open and why not.
 */
final class SlowGraph extends SlowLinks {
    /** An input as a scene brings it. */
    private record Brought(String point, Element input, double level, double delay, boolean open) {}

    private final String production;
    private final String scene;

    SlowGraph(Rig rig, String production, String scene) {
        super(rig);
        this.production = production;
        this.scene = scene;
        rig.of(Kind.SOURCE).forEach(this::source);
        rig.of(Kind.APPLICATION).forEach(this::application);
        rig.of(Kind.MIXER).forEach(this::mixer);
        rig.of(Kind.PRODUCTION).forEach(this::production);
        links();
        rig.of(Kind.OUTLET).forEach(this::outlet);
    }

    private void source(Element source) {
        String at = source.get(Sources.AT);
        Element place = rig.find(at);
        if (place != null && (place.kind() == Kind.APPLICATION || place.kind() == Kind.APP_OUTPUT)) {
            boolean whole = place.kind() == Kind.APPLICATION;
            Element a = whole ? place : rig.owner(place);
            add(
                    source.id(),
                    whole ? a.id() + "#out" : place.id(),
                    source,
                    db(a, Applications.LEVEL),
                    0,
                    closed(!on(a, Applications.MUTED), "muted " + a.id()));
        } else if (place != null && place.kind() == Kind.INPUT) {
            if (place.get(Productions.TAKES) == Takes.OWN) {
                brought(rig.owner(place), place).forEach(b -> enter(source.id(), b, place, Set.of()));
            }
        } else if (at != null) {
            into(at).forEach(d -> add(source.id(), d.point(), source, d.gain(), d.late(), d.closedBy()));
        }
    }

    private void application(Element a) {
        String machine = a.get(Applications.MACHINE);
        for (Element output : rig.in(a.id(), Kind.APP_OUTPUT)) {
            String chosen = resolve(machine, output(a, output), true);
            String fallback = fallback(a, chosen, true);
            double level = db(output, Applications.OUTPUT_LEVEL);
            for (String out : starts(output) ? List.of(a.id() + "#out", output.id()) : List.of(a.id() + "#out")) {
                for (String device : leads(machine, output(a, output), true)) {
                    add(out, device, output, level, 0, usable(device));
                }
                if (!fallback.isEmpty()) {
                    add(out, fallback, output, level, 0, Set.of());
                }
            }
        }
        Choice listens = effective(a, a.get(Applications.INPUT), a.get(Applications.INPUT_SYSTEM));
        String chosen = resolve(machine, listens, false);
        Set<String> may = closed(on(a, Applications.MAY_LISTEN), "may " + a.id());
        List<String> heard = new ArrayList<>(leads(machine, listens, false));
        heard.add(fallback(a, chosen, false));
        heard.removeIf(String::isEmpty);
        for (String from : heard) {
            add(from, a.id() + "#in", a, db(a, Applications.INPUT_LEVEL), 0, join(may, usable(from)));
        }
        if (on(a, Applications.PASSES_ON)) {
            double late = db(a, Applications.PASS_LATENCY);
            add(a.id() + "#in", a.id() + "#out", a, db(a, Applications.PASS_GAIN), late, Set.of());
        }
    }

    private boolean starts(Element output) {
        return rig.of(Kind.SOURCE).stream().anyMatch(s -> output.id().equals(s.get(Sources.AT)));
    }

    // Mixers.

    private void mixer(Element m) {
        for (Element strip : rig.in(m.id(), Kind.STRIP)) {
            Set<String> gates = closed(
                    on(m, Mixers.RUNNING), "running " + m.id(), !on(strip, Mixers.STRIP_MUTED), "muted " + strip.id());
            double level = db(strip, Mixers.STRIP_LEVEL);
            Choice taken = strip.get(Mixers.FEED);
            String feed = resolve(m.get(Mixers.MACHINE), taken, taken == Choice.Special.PLAYBACK_DEFAULT);
            if (!feed.isEmpty()) {
                Element d = device(feed);
                if (taken == Choice.Special.PLAYBACK_DEFAULT
                        || d != null && d.get(Devices.DIRECTION) == Direction.PLAYBACK) {
                    outOf(feed, false)
                            .forEach(o -> add(
                                    o.point(),
                                    strip.id(),
                                    strip,
                                    o.gain() + level,
                                    o.late(),
                                    join(gates, o.closedBy())));
                } else {
                    add(feed, strip.id(), strip, level, 0, d == null ? join(gates, usable(feed)) : gates);
                }
            }
            for (Element bus : rig.in(m.id(), Kind.BUS)) {
                add(
                        strip.id(),
                        bus.id(),
                        strip,
                        db(strip, Mixers.CROSSING_LEVEL.of(bus.id())) + db(bus, Mixers.BUS_LEVEL),
                        db(m, Mixers.LATENCY),
                        closed(
                                on(strip, Mixers.CROSSING.of(bus.id())),
                                "crossing " + strip.id() + bus.id(),
                                !on(bus, Mixers.BUS_MUTED),
                                "muted " + bus.id()));
            }
        }
        for (Element bus : rig.in(m.id(), Kind.BUS)) {
            String target = resolve(m.get(Mixers.MACHINE), bus.get(Mixers.TARGET), true);
            if (!target.isEmpty()) {
                Element d = device(target);
                if (d != null && d.get(Devices.DIRECTION) == Direction.RECORDING) {
                    into(target).forEach(i -> add(bus.id(), i.point(), bus, i.gain(), i.late(), i.closedBy()));
                } else {
                    for (String each : leads(m.get(Mixers.MACHINE), bus.get(Mixers.TARGET), true)) {
                        add(bus.id(), each, bus, 0, 0, usable(each));
                    }
                }
            }
        }
    }

    // Productions.

    private String sceneOf(Element p) {
        if (p.id().equals(production)) {
            return scene;
        }
        List<String> all =
                rig.in(p.id(), Kind.SCENE).stream().map(Element::id).sorted().toList();
        String current = p.get(Productions.CURRENT_SCENE);
        return all.isEmpty() ? "" : all.contains(current) ? current : all.getFirst();
    }

    /** The entries that, followed depth first in their order, bring a scene that is being followed already. */
    private void backwards(String at, List<String> path, Set<String> seen, Set<Element> found) {
        seen.add(at);
        for (Element entry : rig.in(at, Kind.ENTRY)) {
            Element brings = rig.find(entry.get(Productions.BRINGS));
            if (brings != null && brings.kind() == Kind.SCENE) {
                if (path.contains(brings.id())) {
                    found.add(entry);
                } else if (!seen.contains(brings.id())) {
                    List<String> longer = new ArrayList<>(path);
                    longer.add(brings.id());
                    backwards(brings.id(), longer, seen, found);
                }
            }
        }
    }

    /** Everything that entries of a scene bring, those of included scenes too. */
    private void entries(
            String at, boolean open, double level, Element copy, Set<Element> leftOut, List<Object[]> into) {
        for (Element entry : rig.in(at, Kind.ENTRY)) {
            Element brings = rig.find(entry.get(Productions.BRINGS));
            boolean passes = open && !on(entry, Productions.ENTRY_MUTED);
            double sum = level + db(entry, Productions.ENTRY_LEVEL);
            if (brings == null) {
                continue;
            }
            if (brings.kind() == Kind.SCENE && !leftOut.contains(entry)) {
                entries(brings.id(), passes, sum, on(entry, Productions.COPY) ? entry : copy, leftOut, into);
            }
            for (Element input : rig.of(Kind.INPUT)) {
                if (brings == input || brings.kind() == Kind.GROUP && on(brings, Productions.MEMBER.of(input.id()))) {
                    boolean own = copy == null || on(entry, Productions.COPY);
                    into.add(new Object[] {input, own ? entry : copy, passes, sum});
                }
            }
        }
    }

    private List<Brought> brought(Element p, Element input) {
        String at = sceneOf(p);
        double delay = db(input, Productions.INPUT_DELAY);
        if (at.isEmpty()) {
            return List.of(new Brought(input.id(), input, 0, delay, true));
        }
        List<Object[]> all = new ArrayList<>();
        Set<Element> leftOut = new HashSet<>();
        backwards(at, List.of(at), new HashSet<>(), leftOut);
        entries(at, true, 0, null, leftOut, all);
        Map<String, Brought> points = new TreeMap<>();
        points.put(input.id(), new Brought(input.id(), input, 0, delay, false));
        boolean entered = false;
        for (Object[] one : all) {
            if (one[0] != input) {
                continue;
            }
            Element entry = (Element) one[1];
            boolean copy = on(entry, Productions.COPY);
            entered |= !copy;
            String point = copy ? input.id() + "@" + entry.id() : input.id();
            Double own = copy ? entry.get(Productions.ENTRY_DELAY) : null;
            Brought now = new Brought(
                    point, input, (Boolean) one[2] ? (Double) one[3] : 0, own == null ? delay : own, (Boolean) one[2]);
            points.merge(point, now, (a, b) -> !a.open ? b : !b.open ? a : a.level >= b.level ? a : b);
        }
        if (!entered && on(input, Productions.ALWAYS)) {
            points.put(input.id(), new Brought(input.id(), input, 0, delay, true));
        }
        return List.copyOf(points.values());
    }

    private void enter(String from, Brought b, Element by, Set<String> more) {
        Element p = rig.owner(b.input);
        Set<String> gates = closed(
                on(p, Productions.RUNNING),
                "running " + p.id(),
                !on(b.input, Productions.INPUT_MUTED),
                "muted " + b.input.id(),
                b.open,
                "scene " + b.point());
        double late = b.delay + db(p, Productions.CAPTURE_LATENCY);
        add(from, b.point(), by, db(b.input, Productions.INPUT_LEVEL) + b.level, late, join(gates, more));
    }

    private void production(Element p) {
        String machine = p.get(Productions.MACHINE);
        int count = p.get(Productions.TRACKS);
        for (String cue : leads(machine, p.get(Productions.CUE_DEVICE), true)) {
            add(p.id() + "#cue", cue, p, 0, db(p, Productions.CUE_LATENCY), usable(cue));
        }
        if (p.get(Productions.CUE_PROGRAM) != null) {
            add(p.id() + "#track" + p.get(Productions.CUE_PROGRAM), p.id() + "#cue", p, 0, 0, Set.of());
        }
        for (Element input : rig.in(p.id(), Kind.INPUT)) {
            Takes takes = input.get(Productions.TAKES);
            boolean aloud = takes == Takes.OWN && on(input, Productions.PLAYS_ALOUD);
            for (Brought b : brought(p, input)) {
                take(input, takes, machine, b);
                if (aloud) {
                    for (String device : leads(machine, Choice.Special.DEFAULT, true)) {
                        add(b.point(), device, input, 0, 0, usable(device));
                    }
                }
                Set<String> quiet = closed(!aloud, "aloud " + input.id());
                Set<String> onCue = join(closed(on(input, Productions.CUE), "cue " + input.id()), quiet);
                add(b.point(), p.id() + "#cue", input, 0, 0, onCue);
                for (int n = 1; n <= 12; n++) {
                    boolean ticked = on(input, Productions.TRACK.of(n));
                    if (n <= count || isUsed(p, n)) {
                        Set<String> gates = closed(
                                on(input, Productions.PROGRAM),
                                "program " + input.id(),
                                ticked,
                                "track " + input.id() + n,
                                n <= count,
                                "count " + n);
                        add(b.point(), p.id() + "#track" + n, input, 0, 0, join(gates, quiet));
                    }
                }
            }
        }
    }

    /** A track above the count is there as soon as anything is set to it. */
    private boolean isUsed(Element p, int n) {
        return rig.in(p.id(), Kind.INPUT).stream().anyMatch(i -> on(i, Productions.TRACK.of(n)))
                || rig.in(p.id(), Kind.OUTPUT).stream().anyMatch(o -> on(o, Productions.TAKES_TRACK.of(n)));
    }

    private void take(Element input, Takes takes, String machine, Brought b) {
        if (takes == Takes.RECORDING) {
            List<String> all = leads(machine, input.get(Productions.DEVICE), false);
            for (String from : all) {
                boolean set = !from.equals(all.getFirst());
                enter(from, b, input, set || device(from) == null ? usable(from) : Set.of());
            }
        } else if (takes == Takes.PLAYBACK) {
            for (String from : leads(machine, input.get(Productions.DEVICE), true)) {
                enter(from, b, input, join(usable(from), around(from)));
            }
        } else if (takes == Takes.APPLICATION) {
            for (Element a : rig.of(Kind.APPLICATION)) {
                if (a.id().equals(input.get(Productions.APPLICATION)) || on(input, Productions.ALSO.of(a.id()))) {
                    take(input, a, b);
                }
            }
        }
    }

    private void take(Element input, Element a, Brought b) {
        List<Element> outputs = rig.in(a.id(), Kind.APP_OUTPUT);
        Set<String> path = closed(!goesAround(a.get(Applications.PATH)), "path " + a.id());
        boolean plays = outputs.isEmpty() || outputs.stream().anyMatch(o -> output(a, o) != Choice.Special.NOTHING);
        enter(a.id() + "#out", b, input, join(path, closed(plays, "plays " + a.id())));
        for (Element o : outputs) {
            if (starts(o)) {
                boolean one = output(a, o) != Choice.Special.NOTHING;
                enter(o.id(), b, input, join(path, closed(one, "plays " + o.id())));
            }
        }
    }

    private void outlet(Element o) {
        switch (o.get(Outlets.SORT)) {
            case EARS, ROOM, MACHINE -> {
                String own = o.get(Outlets.MACHINE);
                List<Element> all = rig.of(Kind.MACHINE);
                String at = own == null && all.size() == 1 ? all.getFirst().id() : own;
                for (String device : leads(at, o.get(Outlets.DEVICE), true)) {
                    outOf(device, true).forEach(d -> add(d.point(), o.id(), o, d.gain(), d.late(), d.closedBy()));
                }
            }
            case FAR_END -> {
                Element a = rig.get(o.get(Outlets.APPLICATION));
                Set<String> gates = closed(!on(a, Applications.INPUT_MUTED), "muted in " + a.id());
                add(a.id() + "#in", o.id(), o, 0, 0, gates);
                for (Element source : rig.of(Kind.SOURCE)) {
                    String person = source.get(Sources.PERSON);
                    List<String> persons = o.get(Outlets.PERSONS);
                    boolean other = !person.isEmpty() && !persons.isEmpty() && !persons.contains(person);
                    if (on(a, Applications.PASSES_GUESTS) && other && SlowAudit.isOf(rig, source, a.id())) {
                        add(source.id(), o.id(), a, 0, 0, Set.of());
                    }
                }
            }
            default -> {
                Element output = rig.get(o.get(Outlets.OUTPUT));
                Set<String> gates = closed(on(output, Productions.ACTIVE), "active " + output.id());
                int heard = lowest(output);
                boolean track = o.get(Outlets.SORT) == Outlets.Sort.TRACK;
                Element other = rig.find(o.get(Outlets.OTHERWISE));
                if (!track && other != null && (heard == 0 || !on(output, Productions.ACTIVE)) && lowest(other) > 0) {
                    Set<String> its = closed(on(other, Productions.ACTIVE), "active " + other.id());
                    add(rig.owner(other).id() + "#track" + lowest(other), o.id(), other, 0, 0, its);
                }
                if (track) {
                    heard = o.get(Outlets.TRACK);
                    gates = join(gates, closed(on(output, Productions.TAKES_TRACK.of(heard)), "takes " + heard));
                }
                if (heard > 0) {
                    add(rig.owner(output).id() + "#track" + heard, o.id(), o, 0, 0, gates);
                }
            }
        }
    }

    private static int lowest(Element output) {
        int heard = 0;
        for (int n = 12; n >= 1; n--) {
            heard = on(output, Productions.TAKES_TRACK.of(n)) ? n : heard;
        }
        return heard;
    }
}
