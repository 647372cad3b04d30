package org.gullyrun.core.rig;

import java.util.List;

/** The settings of a device: an endpoint of a machine to which programs play, or from which they record. */
public final class Devices {
    private Devices() {}

    private static final Kind K = Kind.DEVICE;

    /** Which way sound goes through a device. */
    public enum Direction implements Worded {
        /** Programs send to it. */
        PLAYBACK("playback"),
        /** Programs read from it. */
        RECORDING("recording");

        private final String word;

        Direction(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** How a device that is one thing with another is joined to the machine. */
    public enum Link implements Worded {
        WIRED("wired"),
        WIRELESS("wireless");

        private final String word;

        Link(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** The computer it belongs to. */
    public static final Setting<String> MACHINE = Common.ref(K, "machine", "computer", Kind.MACHINE);
    /** Whether programs play to it or read from it. */
    public static final Setting<Direction> DIRECTION =
            Setting.asked(K, "direction", "direction", new ValueType.Word<>(Direction.class));
    /** Whether it exists in software only. A virtual device has no latency and no clock of its own. */
    public static final Setting<Boolean> VIRTUAL = Common.flag(K, "virtual", "virtual", false);
    /** Sample rate in Hz. */
    public static final Setting<Double> RATE = Setting.asked(K, "rate", "rate", Common.RATE);
    /** Bit depth. */
    public static final Setting<Integer> BITS = Setting.asked(K, "bits", "bit depth", new ValueType.Count(1, 64));
    /** Number of channels. */
    public static final Setting<Integer> CHANNELS =
            Setting.asked(K, "channels", "channels", new ValueType.Count(1, 512));
    /** How programs reach it. */
    public static final Setting<DriverPath> PATH =
            Setting.usual(K, "path", "driver path", new ValueType.Word<>(DriverPath.class), DriverPath.STANDARD);
    /** A free note on the driver. */
    public static final Setting<String> PATH_NOTE = Setting.usual(K, "pathNote", "note on the driver", Common.TEXT, "");
    /** Counts only on a physical device; a virtual one has none of its own. */
    public static final Setting<Double> LATENCY = Setting.asked(K, "latency", "latency", Common.TIME);

    /** Level in dB. */
    public static final Setting<Double> LEVEL = Common.gain(K, "level", "level");
    /** Whether it is muted. */
    public static final Setting<Boolean> MUTED =
            Common.flag(K, "muted", "muted", false).says("Mute {name}", "Unmute {name}");
    /** Whether it is plugged in and powered. */
    public static final Setting<Boolean> PRESENT =
            Common.flag(K, "present", "present", true).says("Plug in and switch on {name}", "Unplug {name}");
    /** Whether the system has it switched on. */
    public static final Setting<Boolean> ENABLED =
            Common.flag(K, "enabled", "enabled", true).says("Enable {name}", "Disable {name}");
    /** Whether the system's privacy settings let programs read it. Recording devices only. */
    public static final Setting<Boolean> PERMITTED = Common.flag(K, "permitted", "permitted", true)
            .says("Allow programs to use {name}", "Block {name} in the privacy settings");
    /** Devices with the same clock name run off one clock. Empty: its own if physical, the machine's if virtual. */
    public static final Setting<String> CLOCK = Setting.usual(K, "clock", "clock", Common.TEXT, "");

    /** How many parts per million its clock is fast; unknown as a rule. */
    public static final Setting<Double> CLOCK_ERROR =
            Setting.asked(K, "clockError", "clock error", new ValueType.Number("ppm", -100_000, 100_000));
    /** Devices with the same body are one thing, as a headset. */
    public static final Setting<String> BODY = Setting.usual(K, "body", "body", Common.TEXT, "");

    /** Whether the thing it is part of is wired or wireless. */
    public static final Setting<Link> LINK =
            Setting.usual(K, "link", "link", new ValueType.Word<>(Link.class), Link.WIRED);
    /** Sample rate in Hz that a wireless headset falls to while its microphone is in use. */
    public static final Setting<Double> CALL_RATE = Setting.optional(K, "callRate", "rate in call use", Common.RATE);

    /** The mixer or processor that offers the device: while that doesn't run, the device isn't there. */
    public static final Setting<String> PROVIDED_BY = Setting.optional(
            K, "providedBy", "provided by", new ValueType.Ref(java.util.Set.of(Kind.MIXER, Kind.PROCESSOR)));
    /** Whether changes take effect only after it is restarted. */
    public static final Setting<Boolean> RESTARTS = Common.restarts(K);

    static final List<Setting<?>> ALL = List.of(
            MACHINE,
            DIRECTION,
            VIRTUAL,
            RATE,
            BITS,
            CHANNELS,
            PATH,
            PATH_NOTE,
            LATENCY,
            LEVEL,
            MUTED,
            PRESENT,
            ENABLED,
            PERMITTED,
            CLOCK,
            CLOCK_ERROR,
            BODY,
            LINK,
            CALL_RATE,
            PROVIDED_BY,
            RESTARTS);
}
