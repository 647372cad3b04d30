package org.gullyrun.core.rig;

import static org.gullyrun.core.rig.Choice.Special.DEFAULT;
import static org.gullyrun.core.rig.Choice.Special.UNSET;

import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;

/** The settings of a production: its inputs, groups, scenes with entries, tracks and outputs. */
public final class Productions {
    private Productions() {}

    private static final Kind K = Kind.PRODUCTION;
    private static final Kind I = Kind.INPUT;
    private static final Kind E = Kind.ENTRY;
    private static final Kind O = Kind.OUTPUT;

    /** The most tracks that a production can have. */
    public static final int MOST_TRACKS = 256;

    /** What an input takes. */
    public enum Takes implements Worded {
        /** A recording device. */
        RECORDING("recording device"),
        /** All that is played to a playback device. */
        PLAYBACK("playback device"),
        /** One application, wherever it plays. */
        APPLICATION("application"),
        /** Its own sound: a page, a media file. */
        OWN("own sound");

        private final String word;

        Takes(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }

        @Override
        public String spoken() {
            return this == APPLICATION ? "program" : word;
        }
    }

    /** By what an input recognises its application. */
    public enum Recognised implements Worded {
        PROGRAM("program"),
        TITLE("title"),
        TITLE_THEN_PROGRAM("title then program");

        private final String word;

        Recognised(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** What an output does with its tracks. */
    public enum Purpose implements Worded {
        LIVE("live"),
        ARCHIVE("archive"),
        RECORDING("recording"),
        RELAY("relay");

        private final String word;

        Purpose(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** The computer it runs on. */
    public static final Setting<String> MACHINE = Common.ref(K, "machine", "computer", Kind.MACHINE);
    /** Whether it runs. */
    public static final Setting<Boolean> RUNNING =
            Common.flag(K, "running", "running", true).says("Start {name}", "Stop {name}");
    /** Whether it starts with the computer. */
    public static final Setting<Boolean> STARTS = Links.starts(K);
    /** Sample rate in Hz. */
    public static final Setting<Double> RATE = Setting.asked(K, "rate", "rate", Common.RATE);
    /** How it reaches its devices. */
    public static final Setting<DriverPath> PATH =
            Setting.usual(K, "path", "driver path", new ValueType.Word<>(DriverPath.class), DriverPath.STANDARD);
    /** The device on which inputs on cue are heard. */
    public static final Setting<Choice> CUE_DEVICE = Common.pick(K, "cueDevice", "cue device", UNSET, DEFAULT, UNSET)
            .says("In {name}, set the cue device to {value}", "");
    /** The number of tracks. */
    public static final Setting<Integer> TRACKS =
            Setting.usual(K, "trackCount", "number of tracks", new ValueType.Count(1, MOST_TRACKS), 6);
    /** The scene that is on now. */
    public static final Setting<String> CURRENT_SCENE = Common.ref(K, "currentScene", "current scene", Kind.SCENE);
    /** For each track, by its number: what it is for. */
    public static final Setting<String> TRACK_NAME = Setting.usual(K, "trackNames", "name of track", Common.TEXT, "")
            .says("In {name}, name track {sub} {value}", "")
            .eachUpTo(MOST_TRACKS);

    /** Latency in ms with which it takes anything; none entered counts as 0, assumed. */
    public static final Setting<Double> CAPTURE_LATENCY =
            Setting.optional(K, "captureLatency", "capture latency", Common.TIME);
    /** Latency in ms from the cue to its device; none entered counts as 0, assumed. */
    public static final Setting<Double> CUE_LATENCY = Setting.optional(K, "cueLatency", "cue latency", Common.TIME);
    /** The track whose whole mix goes to the cue as well. */
    public static final Setting<Integer> CUE_PROGRAM = Setting.optional(
                    K, "cueProgram", "track on cue", new ValueType.Count(1, MOST_TRACKS))
            .says("In {name}, send track {value} to the cue", "In {name}, take the mix of a track off the cue");
    /** Whether its inputs can take a single program. */
    public static final Setting<Boolean> CAPTURES_PROGRAMS =
            Common.flag(K, "capturesPrograms", "captures single programs", true);
    /** Whether changes take effect only after it is restarted. */
    public static final Setting<Boolean> RESTARTS = Common.restarts(K);

    /** The production that the input belongs to. */
    public static final Setting<String> INPUT_OF = Common.ref(I, "production", "production", K);
    /** What the input takes: a device, a program, or its own sound. */
    public static final Setting<Takes> TAKES = Setting.asked(I, "takes", "takes", new ValueType.Word<>(Takes.class))
            .says("In {owner}, set what input {name} takes to {value}", "");
    /** The device that it takes, or the default. */
    public static final Setting<Choice> DEVICE = Common.pick(I, "device", "device", DEFAULT, DEFAULT)
            .says("In {owner}, set the device of input {name} to {value}", "");
    /** The application that it takes. */
    public static final Setting<String> APPLICATION = Common.ref(I, "application", "program", Kind.APPLICATION);
    /** For each further application, by its id: whether the input takes that too. */
    public static final Setting<Boolean> ALSO = Common.flag(I, "alsoTakes", "also takes program", false)
            .says("In {owner}, have input {name} take {sub} too", "In {owner}, stop input {name} taking {sub}")
            .each();
    /** How it recognises the application. */
    public static final Setting<Recognised> RECOGNISED = Setting.usual(
            I, "recognisedBy", "recognised by", new ValueType.Word<>(Recognised.class), Recognised.PROGRAM);
    /** Whether its own sound goes to the default device rather than into the production. */
    public static final Setting<Boolean> PLAYS_ALOUD = Common.flag(
                    I, "playsAloud", "plays to the default device", false)
            .says(
                    "In {owner}, have input {name} play to the default device",
                    "In {owner}, stop input {name} playing to the default device");
    /** Level in dB. */
    public static final Setting<Double> INPUT_LEVEL = Common.gain(I, "level", "level");
    /** Whether the input is muted in every scene. */
    public static final Setting<Boolean> INPUT_MUTED = Common.flag(I, "muted", "muted", false)
            .says("In {owner}, mute input {name}", "In {owner}, unmute input {name}");
    /** Delay in ms that is added on purpose. */
    public static final Setting<Double> INPUT_DELAY = Common.time(I, "delay", "delay");
    /** Whether it goes to the cue device. */
    public static final Setting<Boolean> CUE = Common.flag(I, "cue", "on cue", false)
            .says("In {owner}, put input {name} on cue", "In {owner}, take input {name} off cue");
    /** Whether it goes on air at all. */
    public static final Setting<Boolean> PROGRAM = Common.flag(I, "program", "on program", true)
            .says("In {owner}, put input {name} on program", "In {owner}, take input {name} off program");
    /** For each track, by its number: whether the track takes the input. */
    public static final Setting<Boolean> TRACK = Common.flag(I, "tracks", "on track", false)
            .says("In {owner}, put input {name} on track {sub}", "In {owner}, take input {name} off track {sub}")
            .eachUpTo(MOST_TRACKS);
    /** In every scene, whether or not the scene has an entry for it. */
    public static final Setting<Boolean> ALWAYS = Common.flag(I, "always", "in every scene", false)
            .says(
                    "In {owner}, bring input {name} into every scene",
                    "In {owner}, bring input {name} only into scenes that contain it");

    /** The production that the group belongs to. */
    public static final Setting<String> GROUP_OF = Common.ref(Kind.GROUP, "production", "production", K);
    /** For each input, by its id: whether it is in the group. */
    public static final Setting<Boolean> MEMBER = Common.flag(Kind.GROUP, "inputs", "holds input", false)
            .says("In {owner}, put input {sub} into group {name}", "In {owner}, take input {sub} out of group {name}")
            .each();

    /** The production that the scene belongs to. */
    public static final Setting<String> SCENE_OF = Common.ref(Kind.SCENE, "production", "production", K);

    /** The scene that the entry belongs to. */
    public static final Setting<String> ENTRY_OF = Common.ref(E, "scene", "scene", Kind.SCENE);
    /** The input, group or other scene that it brings. */
    public static final Setting<String> BRINGS = Common.ref(E, "brings", "brings", Kind.INPUT, Kind.GROUP, Kind.SCENE);
    /** Level in dB, added to that of the input. */
    public static final Setting<Double> ENTRY_LEVEL = Common.gain(E, "level", "level");
    /** Whether what it brings is muted in this scene. */
    public static final Setting<Boolean> ENTRY_MUTED =
            Common.flag(E, "muted", "muted", false).says("In {owner}, mute {name}", "In {owner}, unmute {name}");
    /** Whether it is a second instance beside the first, rather than the same input again. */
    public static final Setting<Boolean> COPY = Common.flag(E, "copy", "a copy", false)
            .says("In {owner}, make {name} a copy", "In {owner}, make {name} the input itself, not a copy");
    /** Delay in ms of the copy in place of the input's own. */
    public static final Setting<Double> ENTRY_DELAY = Setting.optional(E, "delay", "delay of the copy", Common.TIME);

    /** The production that the output belongs to. */
    public static final Setting<String> OUTPUT_OF = Common.ref(O, "production", "production", K);
    /** What it is for: live, archive, recording or relay. */
    public static final Setting<Purpose> PURPOSE =
            Setting.asked(O, "purpose", "purpose", new ValueType.Word<>(Purpose.class));
    /** Whether it is on. */
    public static final Setting<Boolean> ACTIVE = Common.flag(O, "active", "active", true)
            .says("In {owner}, start output {name}", "In {owner}, stop output {name}");
    /** For each track, by its number: whether the output takes it. */
    public static final Setting<Boolean> TAKES_TRACK = Common.flag(O, "tracks", "takes track", false)
            .says(
                    "In {owner}, have output {name} take track {sub}",
                    "In {owner}, stop output {name} taking track {sub}")
            .eachUpTo(MOST_TRACKS);

    /** The numbers, in order, that a family of flags by number has on. */
    public static SortedSet<Integer> ticked(Element element, Setting<Boolean> family) {
        SortedSet<Integer> numbers = new TreeSet<>();
        String prefix = family.key() + ":";
        for (String key : element.keys()) {
            int number = key.startsWith(prefix) ? number(key, prefix.length()) : -1;
            if (number > 0 && element.is(family.of(number), false)) {
                numbers.add(number);
            }
        }
        return numbers;
    }

    /** The applications of the rig that an input takes, by id; none where it takes something else. */
    public static List<Element> programs(Rig rig, Element input) {
        if (input.get(TAKES) != Takes.APPLICATION) {
            return List.of();
        }
        SortedSet<String> ids = new TreeSet<>(Ids.ORDER);
        String first = input.get(APPLICATION);
        if (first != null) {
            ids.add(first);
        }
        String prefix = ALSO.key() + ":";
        for (String key : input.keys()) {
            String id = key.startsWith(prefix) ? key.substring(prefix.length()) : "";
            if (!id.isEmpty() && input.is(ALSO.of(id), false)) {
                ids.add(id);
            }
        }
        return ids.stream()
                .flatMap(id -> rig.find(id, Kind.APPLICATION).stream())
                .toList();
    }

    /** The number of one to three digits that a text ends in from a place on; −1 if it does not, or begins with 0. */
    private static int number(String text, int from) {
        int length = text.length() - from;
        if (length < 1 || length > 3 || text.charAt(from) == '0') {
            return -1;
        }
        int number = 0;
        for (int i = from; i < text.length(); i++) {
            int digit = text.charAt(i) - '0';
            if (digit < 0 || digit > 9) {
                return -1;
            }
            number = 10 * number + digit;
        }
        return number;
    }

    static final List<Setting<?>> ALL = List.of(
            MACHINE,
            RUNNING,
            STARTS,
            RATE,
            PATH,
            CUE_DEVICE,
            TRACKS,
            CURRENT_SCENE,
            TRACK_NAME,
            CAPTURE_LATENCY,
            CUE_LATENCY,
            CUE_PROGRAM,
            CAPTURES_PROGRAMS,
            RESTARTS);
    static final List<Setting<?>> INPUT = List.of(
            INPUT_OF,
            TAKES,
            DEVICE,
            APPLICATION,
            ALSO,
            RECOGNISED,
            PLAYS_ALOUD,
            INPUT_LEVEL,
            INPUT_MUTED,
            INPUT_DELAY,
            CUE,
            PROGRAM,
            TRACK,
            ALWAYS);
    static final List<Setting<?>> GROUP = List.of(GROUP_OF, MEMBER);
    static final List<Setting<?>> SCENE = List.of(SCENE_OF);
    static final List<Setting<?>> ENTRY = List.of(ENTRY_OF, BRINGS, ENTRY_LEVEL, ENTRY_MUTED, COPY, ENTRY_DELAY);
    static final List<Setting<?>> OUTPUT = List.of(OUTPUT_OF, PURPOSE, ACTIVE, TAKES_TRACK);
}
