package org.gullyrun.core.rig;

import static org.gullyrun.core.rig.Choice.Special.DEFAULT;
import static org.gullyrun.core.rig.Choice.Special.PLAYBACK_DEFAULT;
import static org.gullyrun.core.rig.Choice.Special.UNSET;

import java.util.List;

/** The settings of a mixer, its strips, its buses and their crossings. */
public final class Mixers {
    private Mixers() {}

    private static final Kind K = Kind.MIXER;
    private static final Kind S = Kind.STRIP;
    private static final Kind B = Kind.BUS;

    /** The computer it runs on. */
    public static final Setting<String> MACHINE = Common.ref(K, "machine", "computer", Kind.MACHINE);
    /** Whether it is a box of its own. */
    public static final Setting<Boolean> HARDWARE = Common.flag(K, "hardware", "hardware", false);
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
    /** Latency in ms of the passage from strip to bus. */
    public static final Setting<Double> LATENCY = Setting.asked(K, "latency", "latency", Common.TIME);

    /** The mixer that the strip belongs to. */
    public static final Setting<String> STRIP_OF = Common.ref(S, "mixer", "mixer", K);
    /** The device that the strip takes: a recording device, or all that is played to a playback device. */
    public static final Setting<Choice> FEED = Common.pick(S, "feed", "takes", UNSET, DEFAULT, PLAYBACK_DEFAULT, UNSET)
            .says("In {owner}, feed strip {name} from {value}", "");
    /** Level in dB. */
    public static final Setting<Double> STRIP_LEVEL = Common.gain(S, "level", "level");
    /** Whether the strip is muted on all buses. */
    public static final Setting<Boolean> STRIP_MUTED = Common.flag(S, "muted", "muted", false)
            .says("In {owner}, mute strip {name}", "In {owner}, unmute strip {name}");
    /** For each bus, by its id: whether the strip goes to it. */
    public static final Setting<Boolean> CROSSING = Common.flag(S, "crossings", "on bus", false)
            .says("In {owner}, switch strip {name} onto bus {sub}", "In {owner}, switch strip {name} off bus {sub}")
            .each();
    /** For each bus, by its id: the level with which the strip goes to it. */
    public static final Setting<Double> CROSSING_LEVEL = Common.gain(S, "crossingLevels", "level on bus")
            .says("In {owner}, set the level of strip {name} on bus {sub} to {value}", "")
            .each();

    /** The mixer that the bus belongs to. */
    public static final Setting<String> BUS_OF = Common.ref(B, "mixer", "mixer", K);
    /** The device that the bus plays to, or on which programs can read it. */
    public static final Setting<Choice> TARGET = Common.pick(B, "target", "goes to", UNSET, DEFAULT, UNSET)
            .says("In {owner}, send bus {name} to {value}", "");
    /** Level in dB. */
    public static final Setting<Double> BUS_LEVEL = Common.gain(B, "level", "level");
    /** Whether the bus is muted. */
    public static final Setting<Boolean> BUS_MUTED = Common.flag(B, "muted", "muted", false)
            .says("In {owner}, mute bus {name}", "In {owner}, unmute bus {name}");

    /** How the strip reaches its device, where that differs from the mixer's own path. */
    public static final Setting<DriverPath> STRIP_PATH =
            Setting.optional(S, "path", "driver path of its own", new ValueType.Word<>(DriverPath.class));
    /** How the bus reaches its device, where that differs from the mixer's own path. */
    public static final Setting<DriverPath> BUS_PATH =
            Setting.optional(B, "path", "driver path of its own", new ValueType.Word<>(DriverPath.class));
    /** Whether changes take effect only after it is restarted. */
    public static final Setting<Boolean> RESTARTS = Common.restarts(K);

    static final List<Setting<?>> ALL = List.of(MACHINE, HARDWARE, RUNNING, STARTS, RATE, PATH, LATENCY, RESTARTS);
    static final List<Setting<?>> STRIP =
            List.of(STRIP_OF, FEED, STRIP_LEVEL, STRIP_MUTED, CROSSING, CROSSING_LEVEL, STRIP_PATH);
    static final List<Setting<?>> BUS = List.of(BUS_OF, TARGET, BUS_LEVEL, BUS_MUTED, BUS_PATH);

    /** The setting that decides how a strip or bus reaches its device: its own where it has one, else the mixer's. */
    public static Setting<DriverPath> decidingPath(Element part) {
        Setting<DriverPath> own = part.kind() == S ? STRIP_PATH : BUS_PATH;
        return part.raw(own) == null ? PATH : own;
    }
}
