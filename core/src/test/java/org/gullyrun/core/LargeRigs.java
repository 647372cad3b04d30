package org.gullyrun.core;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;

/**
 * Makes large rigs, seeded: chains of application → cable → mixer → production, side by side, with wires across.
 *
 * <p>The planted trouble has a known answer: every {@link #FAULT_EVERY}th source is taken by its production a second
 * time, so that it is doubled at live, and all others arrive once.
 */
public final class LargeRigs {
    /** One source in so many is doubled. */
    public static final int FAULT_EVERY = 10;

    /** One source in so many is not in one of the scenes. */
    public static final int GAP_EVERY = 5;

    private static final int BUSES = 16;

    private final Random random;
    private final int sources;
    private final int outlets;
    private final int scenes;
    private final List<Element> all = new ArrayList<>();

    private LargeRigs(long seed, int sources, int outlets, int scenes) {
        this.random = new Random(seed);
        this.sources = sources;
        this.outlets = outlets;
        this.scenes = scenes;
    }

    /** Writes a case with such a rig: the file, then how many sources, outlets and scenes. */
    public static void main(String[] arguments) throws CaseProblem {
        int sources = Integer.parseInt(arguments[1]);
        Rig rig = make(1, sources, Integer.parseInt(arguments[2]), Integer.parseInt(arguments[3]));
        List<Survey> surveys = List.of(new Survey("large", "large", "", "", rig, Map.of()));
        CaseFiles.save(new Case("A large rig", "", 4, "", surveys, brief(sources)), Path.of(arguments[0]));
    }

    /** A rig with so many sources; 200 make some 1 900 points and 7 000 segments. */
    public static Rig make(long seed, int sources, int outlets, int scenes) {
        LargeRigs rigs = new LargeRigs(seed, sources, outlets, scenes);
        rigs.build();
        return Rig.of(rigs.all);
    }

    /** A brief for such a rig: every source must reach live once. */
    public static Brief brief(int sources) {
        Brief brief = Brief.EMPTY;
        for (int i = 0; i < sources; i++) {
            brief = brief.with(new Brief.Cell(name("source", i), name("outlet", 0), ""), Wish.MUST);
        }
        return brief;
    }

    private static String name(String kind, int number) {
        return kind + "-" + String.format(java.util.Locale.ROOT, "%04d", number);
    }

    /** Adds a device of the one computer, at 48 kHz. */
    private void device(String id, Direction direction, boolean virtual) {
        all.add(Element.of(Kind.DEVICE, id)
                .with(Devices.MACHINE, "pc")
                .with(Devices.DIRECTION, direction)
                .with(Devices.VIRTUAL, virtual)
                .with(Devices.RATE, 48_000.0)
                .with(Devices.LATENCY, 5.0));
    }

    /** Builds the rig from its sources to its listeners, with doubles and gaps planted where the numbers say. */
    private void build() {
        device("speakers", Direction.PLAYBACK, false);
        all.add(Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, Choice.to("speakers")));
        all.add(Element.of(Kind.PRODUCTION, "show")
                .with(Productions.MACHINE, "pc")
                .with(Productions.TRACKS, 12)
                .with(Productions.RATE, 48_000.0));
        for (int s = 0; s < scenes; s++) {
            all.add(Element.of(Kind.SCENE, name("scene", s)).with(Productions.SCENE_OF, "show"));
        }
        for (int i = 0; i < sources; i++) {
            chain(i);
        }
        for (int m = 0; m < (sources + 9) / 10; m++) {
            mixer(m);
        }
        outlets();
    }

    /** A chain of program, cable, strip and input for one source. */
    private void chain(int i) {
        String app = name("app", i);
        String play = name("play", i);
        String record = name("record", i);
        all.add(Element.of(Kind.SOURCE, name("source", i))
                .with(Sources.CLASS, Sources.SourceClass.values()[i % Sources.SourceClass.values().length])
                .with(Sources.AT, app));
        all.add(Element.of(Kind.APPLICATION, app).with(Applications.MACHINE, "pc"));
        all.add(Element.of(Kind.APP_OUTPUT, app + "-out")
                .with(Applications.OUTPUT_OF, app)
                .with(Applications.PROGRAM_CHOICE, Choice.to(play)));
        device(play, Direction.PLAYBACK, true);
        device(record, Direction.RECORDING, true);
        all.add(Element.of(Kind.CABLE, name("cable", i))
                .with(Links.CABLE_FROM, play)
                .with(Links.CABLE_TO, record)
                .with(Links.CABLE_LATENCY, 1.0 + random.nextInt(9)));
        Element input = Element.of(Kind.INPUT, name("input", i))
                .with(Productions.INPUT_OF, "show")
                .with(Productions.TAKES, Takes.RECORDING)
                .with(Productions.DEVICE, Choice.to(record))
                .with(Productions.ALWAYS, i % GAP_EVERY != 0);
        all.add(ticked(input, i));
        for (int s = 0; i % GAP_EVERY == 0 && s < scenes; s++) {
            if (s != i / GAP_EVERY % scenes) {
                all.add(Element.of(Kind.ENTRY, name("entry", i) + "-" + s)
                        .with(Productions.ENTRY_OF, name("scene", s))
                        .with(Productions.BRINGS, name("input", i)));
            }
        }
        if (i % FAULT_EVERY == 0) {
            all.add(ticked(
                    Element.of(Kind.INPUT, name("again", i))
                            .with(Productions.INPUT_OF, "show")
                            .with(Productions.TAKES, Takes.APPLICATION)
                            .with(Productions.APPLICATION, app)
                            .with(Productions.ALWAYS, true),
                    i));
        }
    }

    private static Element ticked(Element input, int i) {
        return input.with(Productions.TRACK.of(1), true).with(Productions.TRACK.of(2 + i % 11), true);
    }

    /** A mixer with strips and buses. */
    private void mixer(int m) {
        String mixer = name("mixer", m);
        all.add(Element.of(Kind.MIXER, mixer).with(Mixers.LATENCY, 10.0).with(Mixers.RATE, 48_000.0));
        for (int b = 0; b < BUSES; b++) {
            String out = mixer + "-out-" + b;
            device(out, Direction.PLAYBACK, false);
            all.add(Element.of(Kind.BUS, mixer + "-bus-" + b)
                    .with(Mixers.BUS_OF, mixer)
                    .with(Mixers.TARGET, Choice.to(out)));
        }
        for (int s = 0; s < 10 && m * 10 + s < sources; s++) {
            Element strip = Element.of(Kind.STRIP, mixer + "-strip-" + s)
                    .with(Mixers.STRIP_OF, mixer)
                    .with(Mixers.FEED, Choice.to(name("record", m * 10 + s)));
            for (int b = 0; b < BUSES; b++) {
                strip = strip.with(Mixers.CROSSING.of(mixer + "-bus-" + b), random.nextInt(3) > 0);
            }
            all.add(strip);
        }
    }

    /** The listeners. */
    private void outlets() {
        all.add(Element.of(Kind.OUTPUT, "stream")
                .with(Productions.OUTPUT_OF, "show")
                .with(Productions.TAKES_TRACK.of(1), true));
        all.add(Element.of(Kind.OUTLET, name("outlet", 0))
                .with(Outlets.SORT, Outlets.Sort.LIVE)
                .with(Outlets.OUTPUT, "stream"));
        int mixers = (sources + 9) / 10;
        for (int o = 1; o < outlets; o++) {
            String device = name("mixer", o % mixers) + "-out-" + o / mixers % BUSES;
            all.add(Element.of(Kind.OUTLET, name("outlet", o))
                    .with(Outlets.SORT, Outlets.Sort.EARS)
                    .with(Outlets.DEVICE, Choice.to(device)));
        }
    }
}
