package org.gullyrun.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
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
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;

/** Small seeded rigs of all kinds of elements, tangled on purpose: loops, closed gates, unknown values, loose ends. */
public final class RandomRigs {
    private final Random random;
    private final List<Element> all = new ArrayList<>();
    private final List<String> playback = new ArrayList<>();
    private final List<String> recording = new ArrayList<>();
    private final List<String> applications = new ArrayList<>();

    private RandomRigs(long seed) {
        this.random = new Random(seed);
    }

    /** The rig of a seed: the same seed, the same rig. */
    public static Rig of(long seed) {
        RandomRigs rigs = new RandomRigs(seed);
        rigs.devices();
        rigs.links();
        rigs.applications();
        rigs.mixer();
        rigs.production();
        rigs.ends();
        return Rig.of(rigs.all);
    }

    private boolean chance(double p) {
        return random.nextDouble() < p;
    }

    private <T> T any(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    private double db() {
        return chance(0.5) ? 0 : -random.nextInt(25) + (chance(0.1) ? 6 : 0);
    }

    private double ms() {
        return random.nextInt(12);
    }

    /** A brief that says something of every source at every listener, by chance. */
    public static Brief brief(Rig rig, Random random) {
        Brief brief = Brief.EMPTY;
        for (Element source : rig.of(Kind.SOURCE)) {
            for (Element outlet : rig.of(Kind.OUTLET)) {
                Wish wish = Wish.values()[random.nextInt(Wish.values().length)];
                brief = brief.with(new Brief.Cell(source.id(), outlet.id(), ""), wish);
            }
        }
        return brief;
    }

    /** How many rigs a test tries: as many as there is always time for, or as many as {@code mvn -Pthorough} asks for. */
    public static int many(int usual, int thorough) {
        return Boolean.getBoolean("gullyrun.thorough") ? thorough : usual;
    }

    private Element flag(Element e, Setting<Boolean> flag, double odds) {
        return chance(odds) ? chance(0.15) ? e.with(flag, null) : e.with(flag, !Boolean.TRUE.equals(flag.usual())) : e;
    }

    private Choice pick(List<String> devices, Choice... specials) {
        if (chance(0.25) && specials.length > 0) {
            return specials[random.nextInt(specials.length)];
        }
        return Choice.to(chance(0.04) ? "gone" : any(devices));
    }

    private void devices() {
        for (int i = 0; i < 9; i++) {
            boolean play = i % 2 == 0;
            String id = (play ? "p" : "r") + i;
            (play ? playback : recording).add(id);
            Element e = Element.of(Kind.DEVICE, id)
                    .with(Devices.MACHINE, "m")
                    .with(Devices.DIRECTION, play ? Direction.PLAYBACK : Direction.RECORDING)
                    .with(Devices.VIRTUAL, chance(0.4))
                    .with(Devices.LEVEL, db())
                    .with(Devices.RATE, chance(0.8) ? 48_000.0 : 44_100.0);
            e = chance(0.9) ? e.with(Devices.LATENCY, ms()) : e;
            e = flag(e, Devices.MUTED, 0.08);
            e = flag(e, Devices.PRESENT, 0.06);
            e = flag(e, Devices.ENABLED, 0.06);
            e = chance(0.08) ? e.with(Devices.PROVIDED_BY, chance(0.1) ? "nobody" : "x") : e;
            all.add(flag(e, Devices.PERMITTED, 0.06));
        }
        Element machine = Element.of(Kind.MACHINE, "m");
        machine = chance(0.9) ? machine.with(Machines.PLAYBACK, Choice.to(any(playback))) : machine;
        machine = chance(0.9) ? machine.with(Machines.RECORDING, Choice.to(any(recording))) : machine;
        machine = chance(0.3) ? machine.with(Machines.CALL_PLAYBACK, Choice.to(any(playback))) : machine;
        machine = chance(0.2) ? machine.with(Machines.PLAYBACK_ORDER, List.of(any(playback), any(playback))) : machine;
        machine =
                chance(0.2) ? machine.with(Machines.RECORDING_ORDER, List.of(any(recording), any(recording))) : machine;
        machine = chance(0.1) ? machine.with(Machines.CALL_PLAYBACK_ORDER, List.of(any(playback))) : machine;
        all.add(chance(0.3) ? machine.with(Machines.SYSTEM_CHOICE, Machines.SystemChoice.WINS) : machine);
    }

    private void links() {
        for (int i = 0; i < 2; i++) {
            all.add(Element.of(Kind.CABLE, "c" + i)
                    .with(Links.CABLE_FROM, any(playback))
                    .with(Links.CABLE_TO, any(recording))
                    .with(Links.CABLE_LATENCY, ms()));
        }
        all.add(Element.of(Kind.WIRE, "w")
                .with(Links.WIRE_FROM, any(playback))
                .with(Links.WIRE_TO, any(recording))
                .with(Links.WIRE_GAIN, db())
                .with(Links.WIRE_LATENCY, ms()));
        if (chance(0.6)) {
            all.add(Element.of(Kind.COUPLING, "air")
                    .with(Links.COUPLING_FROM, any(playback))
                    .with(Links.COUPLING_TO, any(recording))
                    .with(Links.COUPLING_GAIN, -10.0 - random.nextInt(40))
                    .with(Links.COUPLING_DISTANCE, 0.343 * random.nextInt(9)));
        }
        for (int i = 0; i < 2; i++) {
            all.add(flag(
                    Element.of(Kind.PASS_THROUGH, "t" + i)
                            .with(Links.PASS_FROM, any(recording))
                            .with(Links.PASS_TO, pick(playback, Choice.Special.DEFAULT))
                            .with(Links.PASS_GAIN, db())
                            .with(Links.PASS_LATENCY, ms())
                            .with(Links.PASS_DIRECT, chance(0.4)),
                    Links.PASS_ENABLED,
                    0.2));
        }
        if (chance(0.7)) {
            all.add(flag(
                    Element.of(Kind.PROCESSOR, "n")
                            .with(Links.PROCESSOR_MACHINE, "m")
                            .with(Links.PROCESSOR_FROM, pick(recording, Choice.Special.DEFAULT))
                            .with(Links.PROCESSOR_TO, any(recording))
                            .with(Links.PROCESSOR_LATENCY, ms())
                            .with(Links.PROCESSOR_GAIN, db()),
                    Links.PROCESSOR_RUNNING,
                    0.15));
        }
    }

    private void applications() {
        for (int i = 0; i < 3; i++) {
            String id = "a" + i;
            applications.add(id);
            Element e = Element.of(Kind.APPLICATION, id)
                    .with(Applications.MACHINE, "m")
                    .with(Applications.LEVEL, db())
                    .with(Applications.INPUT, pick(recording, Choice.Special.DEFAULT, Choice.Special.NOTHING))
                    .with(Applications.INPUT_LEVEL, db())
                    .with(Applications.PASSES_ON, chance(0.15))
                    .with(Applications.PASS_LATENCY, ms());
            e = flag(e, Applications.MUTED, 0.1);
            e = flag(e, Applications.INPUT_MUTED, 0.1);
            e = flag(e, Applications.MAY_LISTEN, 0.1);
            e = flag(e, Applications.PASSES_GUESTS, 0.1);
            e = chance(0.12) ? e.with(Applications.PATH, DriverPath.EXCLUSIVE) : e;
            all.add(chance(0.2) ? e.with(Applications.WHEN_GONE, Applications.WhenGone.SILENT) : e);
            for (int o = 0; o < (chance(0.2) ? 2 : 1); o++) {
                all.add(Element.of(Kind.APP_OUTPUT, id + "o" + o)
                        .with(Applications.OUTPUT_OF, id)
                        .with(
                                Applications.PROGRAM_CHOICE,
                                pick(
                                        playback,
                                        Choice.Special.DEFAULT,
                                        Choice.Special.CALL_DEFAULT,
                                        Choice.Special.NOTHING))
                        .with(Applications.SYSTEM_CHOICE, chance(0.3) ? Choice.to(any(playback)) : Choice.Special.UNSET)
                        .with(Applications.OUTPUT_LEVEL, db()));
            }
        }
    }

    private void mixer() {
        Element mixer = Element.of(Kind.MIXER, "x")
                .with(Mixers.MACHINE, "m")
                .with(Mixers.LATENCY, ms())
                .with(Mixers.PATH, chance(0.2) ? DriverPath.EXCLUSIVE : DriverPath.STANDARD)
                .with(Mixers.RATE, 48_000.0);
        all.add(flag(mixer, Mixers.RUNNING, 0.1));
        for (int b = 0; b < 2; b++) {
            boolean plays = chance(0.6);
            Element bus = Element.of(Kind.BUS, "b" + b)
                    .with(Mixers.BUS_OF, "x")
                    .with(
                            Mixers.TARGET,
                            plays ? pick(playback, Choice.Special.DEFAULT) : pick(recording, Choice.Special.UNSET))
                    .with(Mixers.BUS_LEVEL, db());
            bus = chance(0.2) ? bus.with(Mixers.BUS_PATH, any(List.of(DriverPath.values()))) : bus;
            all.add(flag(bus, Mixers.BUS_MUTED, 0.1));
        }
        for (int s = 0; s < 3; s++) {
            Element e = Element.of(Kind.STRIP, "s" + s)
                    .with(Mixers.STRIP_OF, "x")
                    .with(
                            Mixers.FEED,
                            pick(
                                    chance(0.5) ? playback : recording,
                                    Choice.Special.UNSET,
                                    Choice.Special.DEFAULT,
                                    Choice.Special.PLAYBACK_DEFAULT))
                    .with(Mixers.STRIP_LEVEL, db());
            for (int b = 0; b < 2; b++) {
                e = e.with(Mixers.CROSSING.of("b" + b), chance(0.55)).with(Mixers.CROSSING_LEVEL.of("b" + b), db());
            }
            all.add(flag(e, Mixers.STRIP_MUTED, 0.1));
        }
    }

    private void production() {
        Element production = Element.of(Kind.PRODUCTION, "o")
                .with(Productions.MACHINE, "m")
                .with(Productions.TRACKS, 3)
                .with(Productions.CUE_DEVICE, pick(playback, Choice.Special.DEFAULT, Choice.Special.UNSET));
        production = chance(0.5) ? production.with(Productions.CAPTURE_LATENCY, ms()) : production;
        production = chance(0.5) ? production.with(Productions.CUE_LATENCY, ms()) : production;
        production = chance(0.1) ? production.with(Productions.CUE_PROGRAM, 1 + random.nextInt(3)) : production;
        all.add(flag(production, Productions.RUNNING, 0.05));
        for (int i = 0; i < 4; i++) {
            Takes takes = any(List.of(Takes.values()));
            Element e = Element.of(Kind.INPUT, "i" + i)
                    .with(Productions.INPUT_OF, "o")
                    .with(Productions.TAKES, takes)
                    .with(
                            Productions.DEVICE,
                            pick(takes == Takes.RECORDING ? recording : playback, Choice.Special.DEFAULT))
                    .with(Productions.APPLICATION, any(applications))
                    .with(Productions.INPUT_LEVEL, db())
                    .with(Productions.INPUT_DELAY, ms())
                    .with(Productions.ALWAYS, chance(0.4));
            e = chance(0.2) ? e.with(Productions.ALSO.of(any(applications)), true) : e;
            e = flag(e, Productions.CUE, 0.25);
            e = flag(e, Productions.PROGRAM, 0.15);
            e = flag(e, Productions.INPUT_MUTED, 0.1);
            e = flag(e, Productions.PLAYS_ALOUD, 0.15);
            for (int n = 1; n <= 4; n++) {
                e = chance(0.5) ? e.with(Productions.TRACK.of(n), true) : e;
            }
            all.add(e);
        }
        all.add(Element.of(Kind.GROUP, "g")
                .with(Productions.GROUP_OF, "o")
                .with(Productions.MEMBER.of("i0"), true)
                .with(Productions.MEMBER.of("i1"), chance(0.6)));
        for (int s = 0; s < 2; s++) {
            all.add(Element.of(Kind.SCENE, "z" + s).with(Productions.SCENE_OF, "o"));
            for (int k = 0; k < 4; k++) {
                Element e = Element.of(Kind.ENTRY, "e" + s + k)
                        .with(Productions.ENTRY_OF, "z" + s)
                        .with(Productions.BRINGS, any(List.of("i0", "i1", "i2", "i3", "g", "z0", "z1")))
                        .with(Productions.ENTRY_LEVEL, db())
                        .with(Productions.COPY, chance(0.25));
                e = flag(e, Productions.ENTRY_MUTED, 0.15);
                all.add(chance(0.3) ? e.with(Productions.ENTRY_DELAY, ms() * 10) : e);
            }
        }
        Element live = Element.of(Kind.OUTPUT, "live").with(Productions.OUTPUT_OF, "o");
        live = flag(live.with(Productions.TAKES_TRACK.of(1 + random.nextInt(3)), true), Productions.ACTIVE, 0.1);
        all.add(live);
        Element spare = Element.of(Kind.OUTPUT, "spare").with(Productions.OUTPUT_OF, "o");
        all.add(flag(
                chance(0.8) ? spare.with(Productions.TAKES_TRACK.of(1 + random.nextInt(4)), true) : spare,
                Productions.ACTIVE,
                0.2));
    }

    private void ends() {
        List<String> starts = new ArrayList<>(applications);
        starts.addAll(recording);
        starts.addAll(List.of("i0", "i1", "i2", "a0o0", "a1o0"));
        for (int i = 0; i < 4; i++) {
            Element e = Element.of(Kind.SOURCE, "q" + i)
                    .with(Sources.AT, any(starts))
                    .with(Sources.CLASS, any(List.of(Sources.SourceClass.values())))
                    .with(Sources.PRIVATE, chance(0.2))
                    .with(Sources.PERSON, any(List.of("", "Ada", "Ben")))
                    .with(Sources.LEVEL, -20.0 - random.nextInt(15));
            e = chance(0.15) ? e.with(Sources.RESTS.of("z" + random.nextInt(2)), true) : e;
            all.add(chance(0.15) ? e.with(Sources.SILENT.of("z" + random.nextInt(2)), true) : e);
        }
        all.add(Element.of(Kind.OUTLET, "ears")
                .with(Outlets.SORT, Outlets.Sort.EARS)
                .with(Outlets.DEVICE, pick(playback, Choice.Special.DEFAULT))
                .with(Outlets.MACHINE, "m"));
        all.add(Element.of(Kind.OUTLET, "far")
                .with(Outlets.SORT, Outlets.Sort.FAR_END)
                .with(Outlets.PERSONS, chance(0.5) ? List.of("Ada") : List.of())
                .with(Outlets.APPLICATION, "a0"));
        Element audience = Element.of(Kind.OUTLET, "live-outlet")
                .with(Outlets.SORT, Outlets.Sort.LIVE)
                .with(Outlets.NOTHING_ELSE, chance(0.15))
                .with(Outlets.OUTPUT, "live");
        audience = chance(0.4) ? audience.with(Outlets.OTHERWISE, "spare") : audience;
        all.add(chance(0.15) ? audience.with(Outlets.STANDS_IN, any(List.of("ears", "track"))) : audience);
        all.add(Element.of(Kind.OUTLET, "track")
                .with(Outlets.SORT, Outlets.Sort.TRACK)
                .with(Outlets.OUTPUT, "live")
                .with(Outlets.TRACK, 1 + random.nextInt(3)));
    }
}
