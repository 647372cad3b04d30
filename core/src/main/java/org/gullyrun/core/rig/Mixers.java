package org.gullyrun.core.rig;

import static org.gullyrun.core.rig.Choice.Special.UNSET;

import java.util.List;

/** The settings of a mixer, its strips, its buses and their crossings. */
public final class Mixers {
    private Mixers() {}

    private static final Kind K = Kind.MIXER;
    private static final Kind S = Kind.STRIP;
    private static final Kind B = Kind.BUS;

    public static final Setting<String> MACHINE = Common.ref(K, "machine", "machine", Kind.MACHINE);
    public static final Setting<Boolean> HARDWARE = Common.flag(K, "hardware", "hardware", false);
    public static final Setting<Boolean> RUNNING =
            Common.flag(K, "running", "running", true).says("Start {name}", "Stop {name}");
    public static final Setting<Boolean> STARTS = Links.starts(K);
    public static final Setting<Double> RATE = Setting.asked(K, "rate", "rate", Common.RATE);
    public static final Setting<DriverPath> PATH =
            Setting.usual(K, "path", "driver path", new ValueType.Word<>(DriverPath.class), DriverPath.STANDARD);
    public static final Setting<Double> LATENCY = Setting.asked(K, "latency", "latency", Common.TIME);

    public static final Setting<String> STRIP_OF = Common.ref(S, "mixer", "mixer", K);
    public static final Setting<Choice> FEED =
            Common.pick(S, "feed", "feed", UNSET, UNSET).says("In {owner}, feed strip {name} from {value}", "");
    public static final Setting<Double> STRIP_LEVEL = Common.gain(S, "level", "level");
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

    public static final Setting<String> BUS_OF = Common.ref(B, "mixer", "mixer", K);
    public static final Setting<Choice> TARGET =
            Common.pick(B, "target", "target", UNSET, UNSET).says("In {owner}, send bus {name} to {value}", "");
    public static final Setting<Double> BUS_LEVEL = Common.gain(B, "level", "level");
    public static final Setting<Boolean> BUS_MUTED = Common.flag(B, "muted", "muted", false)
            .says("In {owner}, mute bus {name}", "In {owner}, unmute bus {name}");

    static final List<Setting<?>> ALL = List.of(MACHINE, HARDWARE, RUNNING, STARTS, RATE, PATH, LATENCY);
    static final List<Setting<?>> STRIP = List.of(STRIP_OF, FEED, STRIP_LEVEL, STRIP_MUTED, CROSSING, CROSSING_LEVEL);
    static final List<Setting<?>> BUS = List.of(BUS_OF, TARGET, BUS_LEVEL, BUS_MUTED);
}
