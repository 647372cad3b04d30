package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Which tables each section has, and which columns they have. */
public final class Sheet {
    private Sheet() {}

    /** The tables of a section for a rig, in order. */
    public static List<Table> of(Rig rig, Section section) {
        return switch (section) {
            case SOUNDS -> List.of(sounds());
            case LISTENERS -> List.of(listeners());
            case DEVICES -> List.of(devices());
            case LINKS -> links();
            case PROGRAMS -> List.of(programs(), furtherOutputs());
            case MIXERS -> mixers(rig);
            case PRODUCTION -> productions(rig);
            case MACHINES -> List.of(machines());
        };
    }

    /** How many rows a section has. */
    public static int count(Rig rig, Section section) {
        return switch (section) {
            case SOUNDS -> rig.of(Kind.SOURCE).size();
            case LISTENERS -> rig.of(Kind.OUTLET).size();
            case DEVICES -> rig.of(Kind.DEVICE).size();
            case LINKS ->
                Links.joins(rig).size()
                        + rig.of(Kind.PASS_THROUGH).size()
                        + rig.of(Kind.PROCESSOR).size();
            case PROGRAMS -> rig.of(Kind.APPLICATION).size();
            case MIXERS -> rig.of(Kind.MIXER).size();
            case PRODUCTION -> rig.of(Kind.PRODUCTION).size();
            case MACHINES -> rig.of(Kind.MACHINE).size();
        };
    }

    /** The column of a table that shows a setting, by its key; the first if none does. */
    public static int column(Table table, String key) {
        for (int c = 0; c < table.columns().size(); c++) {
            if (table.columns().get(c).shows(key)) {
                return c;
            }
        }
        return 0;
    }

    /** A column for a setting for which the sheet itself has no room. */
    public static Column columnOf(String head, Setting<?> setting) {
        return Columns.of(head, setting, head.length());
    }

    private static Table table(String title, Kind kind, String owner, Column... columns) {
        return new Table(kind.section() + ":" + owner, title, kind, owner, List.of(columns), true);
    }

    /** What makes sound. */
    private static Table sounds() {
        return table(
                "",
                Kind.SOURCE,
                "",
                Columns.name(Kind.SOURCE, "source"),
                Columns.of("class", Sources.CLASS, 7),
                Columns.of("starts at", Sources.AT, 16),
                Columns.of("dBFS", Sources.LEVEL, 5),
                Columns.of("private", Sources.PRIVATE, 6),
                Columns.of("licensed", Sources.LICENSED, 7),
                Columns.of("person", Sources.PERSON, 9));
    }

    /** Who listens. */
    private static Table listeners() {
        return table(
                "",
                Kind.OUTLET,
                "",
                Columns.name(Kind.OUTLET, "listener"),
                Columns.of("kind", Outlets.SORT, 7),
                new ListensAtColumn("listens at", 16),
                new HeardTrackColumn("track", 9),
                Columns.of("person", Outlets.PERSON, 9),
                Columns.of("people", Outlets.PERSONS, 12));
    }

    /** The devices. */
    private static Table devices() {
        return table(
                "",
                Kind.DEVICE,
                "",
                Columns.name(Kind.DEVICE, "device"),
                Columns.of("direction", Devices.DIRECTION, 9),
                Columns.of("kHz", Devices.RATE, 5),
                Columns.of("ms", Devices.LATENCY, 4),
                Columns.of("virtual", Devices.VIRTUAL, 6),
                Columns.of("present", Devices.PRESENT, 7),
                Columns.of("enabled", Devices.ENABLED, 7),
                Columns.of("permitted", Devices.PERMITTED, 8),
                Columns.of("computer", Devices.MACHINE, 10));
    }

    /** Cables, wires, air and pass-throughs. */
    private static List<Table> links() {
        return List.of(
                table(
                        "Virtual cables",
                        Kind.CABLE,
                        "",
                        Columns.name(Kind.CABLE, "cable"),
                        Columns.of("play side", Links.CABLE_FROM, 18),
                        Columns.of("record side", Links.CABLE_TO, 18),
                        Columns.of("ms", Links.CABLE_LATENCY, 4),
                        Columns.of("resamples", Links.CABLE_CONVERTS, 7)),
                table(
                        "Wires",
                        Kind.WIRE,
                        "",
                        Columns.name(Kind.WIRE, "wire"),
                        Columns.of("from", Links.WIRE_FROM, 16),
                        Columns.of("to", Links.WIRE_TO, 16),
                        Columns.of("signal", Links.WIRE_SIGNAL, 8),
                        Columns.of("dB", Links.WIRE_GAIN, 4),
                        Columns.of("ms", Links.WIRE_LATENCY, 4),
                        Columns.of("resamples", Links.WIRE_CONVERTS, 7)),
                table(
                        "Through the air",
                        Kind.COUPLING,
                        "",
                        Columns.name(Kind.COUPLING, "coupling"),
                        Columns.of("loudspeaker", Links.COUPLING_FROM, 16),
                        Columns.of("microphone", Links.COUPLING_TO, 16),
                        Columns.of("dB", Links.COUPLING_GAIN, 4),
                        Columns.of("m", Links.COUPLING_DISTANCE, 4),
                        Columns.of("ms", Links.COUPLING_LATENCY, 4)),
                table(
                        "Pass-throughs",
                        Kind.PASS_THROUGH,
                        "",
                        Columns.name(Kind.PASS_THROUGH, "pass-through"),
                        Columns.of("takes", Links.PASS_FROM, 16),
                        Columns.of("played on", Links.PASS_TO, 16),
                        Columns.of("enabled", Links.PASS_ENABLED, 7),
                        Columns.of("dB", Links.PASS_GAIN, 4),
                        Columns.of("ms", Links.PASS_LATENCY, 4),
                        Columns.of("direct", Links.PASS_DIRECT, 6)),
                table(
                        "Processors",
                        Kind.PROCESSOR,
                        "",
                        Columns.name(Kind.PROCESSOR, "processor"),
                        Columns.of("reads", Links.PROCESSOR_FROM, 16),
                        Columns.of("offers", Links.PROCESSOR_TO, 16),
                        Columns.of("running", Links.PROCESSOR_RUNNING, 7),
                        Columns.of("starts", Links.PROCESSOR_STARTS, 6),
                        Columns.of("ms", Links.PROCESSOR_LATENCY, 4)));
    }

    /** The programs and where they play. */
    private static Table programs() {
        return table(
                "",
                Kind.APPLICATION,
                "",
                Columns.name(Kind.APPLICATION, "program"),
                Columns.of("class", Applications.USE, 7),
                new OutputColumn("plays", Applications.PROGRAM_CHOICE, 15),
                new OutputColumn("system setting", Applications.SYSTEM_CHOICE, 9),
                Columns.of("listens to", Applications.INPUT, 15),
                Columns.of("computer", Applications.MACHINE, 9));
    }

    /** Few programs have a second output; those that do have it here, with its program as a column. */
    private static Table furtherOutputs() {
        return table(
                "More program outputs",
                Kind.APP_OUTPUT,
                "",
                Columns.name(Kind.APP_OUTPUT, "output"),
                Columns.of("of program", Applications.OUTPUT_OF, 14),
                Columns.of("plays", Applications.PROGRAM_CHOICE, 15),
                Columns.of("system setting", Applications.SYSTEM_CHOICE, 12),
                Columns.of("dB", Applications.OUTPUT_LEVEL, 5));
    }

    /** A table of strips and one of buses for each mixer. */
    private static List<Table> mixers(Rig rig) {
        List<Table> tables = new ArrayList<>();
        tables.add(table(
                "",
                Kind.MIXER,
                "",
                Columns.name(Kind.MIXER, "mixer"),
                Columns.of("hardware", Mixers.HARDWARE, 8),
                Columns.of("running", Mixers.RUNNING, 7),
                Columns.of("starts", Mixers.STARTS, 6),
                Columns.of("kHz", Mixers.RATE, 5),
                Columns.of("ms", Mixers.LATENCY, 4),
                Columns.of("computer", Mixers.MACHINE, 10)));
        for (Element mixer : rig.of(Kind.MIXER)) {
            tables.add(table(
                    "Buses of " + mixer.name(),
                    Kind.BUS,
                    mixer.id(),
                    Columns.name(Kind.BUS, "bus"),
                    Columns.of("goes to", Mixers.TARGET, 18),
                    Columns.of("dB", Mixers.BUS_LEVEL, 5),
                    Columns.of("muted", Mixers.BUS_MUTED, 6)));
            List<Column> columns =
                    new ArrayList<>(List.of(Columns.name(Kind.STRIP, "strip"), Columns.of("takes", Mixers.FEED, 18)));
            for (Element bus : rig.in(mixer.id(), Kind.BUS)) {
                columns.add(new CrossingColumn(bus.name(), bus.id(), 6));
            }
            columns.add(Columns.of("dB", Mixers.STRIP_LEVEL, 5));
            columns.add(Columns.of("muted", Mixers.STRIP_MUTED, 6));
            tables.add(new Table(
                    "strips:" + mixer.id(),
                    "Strips of " + mixer.name() + ", and the buses they go to",
                    Kind.STRIP,
                    mixer.id(),
                    columns,
                    true));
        }
        return tables;
    }

    /** The productions themselves. */
    private static List<Table> productions(Rig rig) {
        List<Table> tables = new ArrayList<>();
        tables.add(table(
                "",
                Kind.PRODUCTION,
                "",
                Columns.name(Kind.PRODUCTION, "production"),
                Columns.of("running", Productions.RUNNING, 7),
                Columns.of("kHz", Productions.RATE, 5),
                Columns.of("cue device", Productions.CUE_DEVICE, 16),
                Columns.of("tracks", Productions.TRACKS, 6),
                Columns.of("current scene", Productions.CURRENT_SCENE, 10),
                Columns.of("computer", Productions.MACHINE, 10)));
        for (Element production : rig.of(Kind.PRODUCTION)) {
            tables.addAll(production(rig, production));
        }
        return tables;
    }

    /** Inputs, outputs, scenes and groups of a production. */
    private static List<Table> production(Rig rig, Element production) {
        String id = production.id();
        int tracks = production.or(Productions.TRACKS, 6);
        List<Column> names = new ArrayList<>();
        // What nearly every input needs comes first; what few need stands at the end.
        List<Column> inputs = new ArrayList<>(List.of(
                Columns.name(Kind.INPUT, "input"),
                new TakesColumn("takes", 13),
                Columns.of("always", Productions.ALWAYS, 6)));
        for (int n = 1; n <= Math.min(tracks, 32); n++) {
            names.add(Columns.of("track " + n, Productions.TRACK_NAME.of(n), 9));
        }
        inputs.add(new MembersColumn("goes to", Productions.TRACK, TRACKS, 17));
        inputs.add(Columns.of("cue", Productions.CUE, 4));
        inputs.add(Columns.of("on air", Productions.PROGRAM, 5));
        inputs.add(Columns.of("dB", Productions.INPUT_LEVEL, 4));
        inputs.add(Columns.of("ms", Productions.INPUT_DELAY, 4));
        inputs.add(Columns.of("muted", Productions.INPUT_MUTED, 5));
        List<Column> scenes = new ArrayList<>(List.of(Columns.names("what")));
        for (Element scene : rig.in(id, Kind.SCENE)) {
            scenes.add(new InSceneColumn(scene.name(), scene.id(), 9));
        }
        List<Table> tables = new ArrayList<>(List.of(
                new Table("tracks:" + id, "What the tracks are for", Kind.PRODUCTION, id, names, false),
                new Table("inputs:" + id, "Inputs of " + production.name(), Kind.INPUT, id, inputs, true),
                table(
                        "Outputs",
                        Kind.OUTPUT,
                        id,
                        Columns.name(Kind.OUTPUT, "output"),
                        Columns.of("purpose", Productions.PURPOSE, 9),
                        Columns.of("active", Productions.ACTIVE, 6),
                        new MembersColumn("takes tracks", Productions.TAKES_TRACK, OWN_TRACKS, 20)),
                table("Scenes", Kind.SCENE, id, Columns.name(Kind.SCENE, "scene")),
                table(
                        "Groups of inputs",
                        Kind.GROUP,
                        id,
                        Columns.name(Kind.GROUP, "group"),
                        new MembersColumn("holds", Productions.MEMBER, INPUTS, 40))));
        if (scenes.size() > 1) {
            tables.add(new Table("entries:" + id, "What is in which scene", Kind.INPUT, id, scenes, false));
        }
        return tables;
    }

    /** The tracks of a production, as inputs name them. */
    private static final MembersColumn.Names TRACKS = new TrackColumn() {
        @Override
        String called(Rig rig, @Nullable Element production, String number) {
            return Sentences.trackName(rig, production, number);
        }
    };

    /** The tracks of a production, as outputs name them: not after the very output that takes them. */
    private static final MembersColumn.Names OWN_TRACKS = new TrackColumn() {
        @Override
        String called(Rig rig, @Nullable Element production, String number) {
            return production == null ? "" : production.or(Productions.TRACK_NAME.of(number), "");
        }
    };

    private abstract static class TrackColumn implements MembersColumn.Names {
        abstract String called(Rig rig, @Nullable Element production, String number);

        @Override
        public List<String> subs(Rig rig, Element row) {
            Element production = rig.owner(row);
            int count = production == null ? 1 : production.or(Productions.TRACKS, 6);
            return IntStream.rangeClosed(1, count).mapToObj(Integer::toString).toList();
        }

        @Override
        public String name(Rig rig, Element row, String sub) {
            String name = called(rig, rig.owner(row), sub);
            return name.isEmpty() || name.equals(sub) ? "track " + sub : name;
        }
    }

    private static final MembersColumn.Names INPUTS = new MembersColumn.Names() {
        @Override
        public List<String> subs(Rig rig, Element row) {
            Element production = rig.owner(row);
            return production == null
                    ? List.of()
                    : rig.in(production.id(), Kind.INPUT).stream()
                            .map(Element::id)
                            .toList();
        }

        @Override
        public String name(Rig rig, Element row, String sub) {
            return rig.name(sub);
        }
    };

    /** The computers and their defaults. */
    private static Table machines() {
        return table(
                "",
                Kind.MACHINE,
                "",
                Columns.name(Kind.MACHINE, "computer"),
                Columns.of("default playback", Machines.PLAYBACK, 15),
                Columns.of("default recording", Machines.RECORDING, 15),
                Columns.of("call playback", Machines.CALL_PLAYBACK, 13),
                Columns.of("call recording", Machines.CALL_RECORDING, 13),
                Columns.of("system setting", Machines.SYSTEM_CHOICE, 12));
    }
}
