package org.gullyrun.core.rig;

import static org.gullyrun.core.rig.Choice.Special.CALL_DEFAULT;
import static org.gullyrun.core.rig.Choice.Special.DEFAULT;
import static org.gullyrun.core.rig.Choice.Special.NOTHING;
import static org.gullyrun.core.rig.Choice.Special.UNSET;

import java.util.List;

/** The settings of an application and of its outputs. */
public final class Applications {
    private Applications() {}

    private static final Kind K = Kind.APPLICATION;
    private static final Kind O = Kind.APP_OUTPUT;

    /** What an application is for. */
    public enum Use implements Worded {
        CALL("call"),
        CHAT("chat"),
        MUSIC("music"),
        MEDIA("media"),
        BROWSER("browser"),
        GAME("game"),
        ALERT("alert"),
        EFFECT("effect"),
        OTHER("other");

        private final String word;

        Use(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** What an application does when its device cannot be used. */
    public enum WhenGone implements Worded {
        DEFAULT("default"),
        SILENT("silent");

        private final String word;

        WhenGone(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** What the program is for: music, a call, a game and so on. */
    public static final Setting<Use> USE =
            Setting.usual(K, "class", "class", new ValueType.Word<>(Use.class), Use.OTHER);
    /** The computer it runs on. */
    public static final Setting<String> MACHINE = Common.ref(K, "machine", "computer", Kind.MACHINE);
    /** How it reaches its devices. An exclusive or low-latency path shuts others out. */
    public static final Setting<DriverPath> PATH =
            Setting.usual(K, "path", "driver path", new ValueType.Word<>(DriverPath.class), DriverPath.STANDARD);
    /** Whether it runs now. The audit treats every application as running, as in the show. */
    public static final Setting<Boolean> RUNNING =
            Common.flag(K, "running", "running", true).says("Start {name}", "Close {name}");
    /** Whether it plays sound now. What is silent is in no list of captured programs. */
    public static final Setting<Boolean> SOUNDING =
            Common.flag(K, "sounding", "sounding", true).says("Start playback in {name}", "Stop playback in {name}");
    /** Level in dB of all that it plays. */
    public static final Setting<Double> LEVEL = Common.gain(K, "level", "level");
    /** Whether all that it plays is muted. */
    public static final Setting<Boolean> MUTED =
            Common.flag(K, "muted", "muted", false).says("Mute {name}", "Unmute {name}");

    /** The program's own choice of microphone. */
    public static final Setting<Choice> INPUT = Common.pick(
                    K, "listensTo", "listens to", NOTHING, DEFAULT, CALL_DEFAULT, NOTHING)
            .says("In {name}, choose {value} as the microphone", "");
    /** The microphone that the system sets for this program; none as a rule. */
    public static final Setting<Choice> INPUT_SYSTEM = Common.pick(
                    K, "systemListensTo", "microphone in the system settings", UNSET, UNSET)
            .says("In the computer's sound settings, set {name}'s microphone to {value}", "");
    /** Level in dB of what it hears. */
    public static final Setting<Double> INPUT_LEVEL = Common.gain(K, "inputLevel", "input level");
    /** Whether it doesn't hear its microphone. */
    public static final Setting<Boolean> INPUT_MUTED = Common.flag(K, "inputMuted", "input muted", false)
            .says("In {name}, mute the microphone", "In {name}, unmute the microphone");
    /** Whether the system lets it use microphones. */
    public static final Setting<Boolean> MAY_LISTEN = Common.flag(K, "mayUseMicrophones", "may use microphones", true)
            .says("Allow {name} to use microphones", "Block {name} from using microphones");
    /** Whether what it hears goes into its outputs too. */
    public static final Setting<Boolean> PASSES_ON = Common.flag(K, "passesInputOn", "passes its input on", false)
            .says("Have {name} pass its input on", "Stop {name} from passing its input on");
    /** Gain in dB of what it passes on. */
    public static final Setting<Double> PASS_GAIN = Common.gain(K, "passGain", "gain of what it passes on");
    /** Latency in ms of what it passes on. */
    public static final Setting<Double> PASS_LATENCY = Common.time(K, "passLatency", "latency of what it passes on");
    /** Whether a call drops music and carries voices only. */
    public static final Setting<Boolean> VOICE_ONLY = Common.flag(K, "voiceOnly", "carries voice only", false)
            .says("Have {name} carry voices only", "Have {name} carry all sound, not only voices");
    /** Whether a call removes its own far end from what the microphone picks up. */
    public static final Setting<Boolean> CANCELS_ECHO = Common.flag(K, "cancelsEcho", "cancels echo", true)
            .says("In {name}, switch echo cancelling on", "In {name}, switch echo cancelling off");
    /** What it does if its device can't be used: play to the default, or fall silent. */
    public static final Setting<WhenGone> WHEN_GONE = Setting.usual(
            K, "whenGone", "when its device is gone", new ValueType.Word<>(WhenGone.class), WhenGone.DEFAULT);

    /** Whether the service of a call lets those in it hear each other. */
    public static final Setting<Boolean> PASSES_GUESTS = Common.flag(
                    K, "passesGuestsOn", "lets those in a call hear each other", true)
            .says(
                    "Have {name} let those in a call hear each other",
                    "Have {name} keep those in a call from hearing each other");
    /** Whether the program itself lets one choose where it plays; if not, the system's setting is what can be changed. */
    public static final Setting<Boolean> HAS_OUTPUT_CHOICE =
            Common.flag(K, "hasOutputChoice", "lets one choose its output", true);
    /** Whether the program itself lets one choose its microphone. */
    public static final Setting<Boolean> HAS_INPUT_CHOICE =
            Common.flag(K, "hasInputChoice", "lets one choose its microphone", true);
    /** Whether changes take effect only after a restart. */
    public static final Setting<Boolean> RESTARTS = Common.restarts(K);

    /** The application that the output belongs to. */
    public static final Setting<String> OUTPUT_OF = Common.ref(O, "application", "program", K);
    /** The program's own choice for this output. */
    public static final Setting<Choice> PROGRAM_CHOICE = Common.pick(
                    O, "plays", "plays to", DEFAULT, DEFAULT, CALL_DEFAULT, NOTHING)
            .says("In {owner}, choose {value} as the output", "");
    /** The device that the system sets for this output; none as a rule. */
    public static final Setting<Choice> SYSTEM_CHOICE = Common.pick(
                    O, "systemPlays", "output in the system settings", UNSET, UNSET)
            .says("In the computer's sound settings, set {owner}'s output to {value}", "");
    /** Level in dB of this output. */
    public static final Setting<Double> OUTPUT_LEVEL = Common.gain(O, "level", "output level");

    static final List<Setting<?>> ALL = List.of(
            USE,
            MACHINE,
            PATH,
            RUNNING,
            SOUNDING,
            LEVEL,
            MUTED,
            INPUT,
            INPUT_SYSTEM,
            INPUT_LEVEL,
            INPUT_MUTED,
            MAY_LISTEN,
            PASSES_ON,
            PASS_GAIN,
            PASS_LATENCY,
            VOICE_ONLY,
            CANCELS_ECHO,
            WHEN_GONE,
            PASSES_GUESTS,
            HAS_OUTPUT_CHOICE,
            HAS_INPUT_CHOICE,
            RESTARTS);
    static final List<Setting<?>> OUTPUT = List.of(OUTPUT_OF, PROGRAM_CHOICE, SYSTEM_CHOICE, OUTPUT_LEVEL);
}
