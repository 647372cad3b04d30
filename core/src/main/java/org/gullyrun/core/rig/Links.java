package org.gullyrun.core.rig;

import java.util.ArrayList;
import java.util.List;

/** The settings of what joins two devices: cables, wires, couplings, pass-throughs and processors. */
public final class Links {
    private Links() {}

    private static final String FROM = "playback";
    private static final String TO = "recording";

    /** What a wire carries. */
    public enum Signal implements Worded {
        ANALOGUE("analogue"),
        DIGITAL("digital");

        private final String word;

        Signal(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    // A virtual cable: what is played to one end appears at the other.
    /** The device that programs play to. */
    public static final Setting<String> CABLE_FROM = end(Kind.CABLE, FROM, "playback side");
    /** The device on which that appears. */
    public static final Setting<String> CABLE_TO = end(Kind.CABLE, TO, "recording side");
    /** Latency in ms. */
    public static final Setting<Double> CABLE_LATENCY = Common.time(Kind.CABLE, "latency", "latency");
    /** Whether it resamples between ends of different rates. */
    public static final Setting<Boolean> CABLE_CONVERTS = converts(Kind.CABLE);

    // A physical connection, also across machines.
    /** The playback device that it comes from. */
    public static final Setting<String> WIRE_FROM = end(Kind.WIRE, FROM, "from");
    /** The recording device that it goes to. */
    public static final Setting<String> WIRE_TO = end(Kind.WIRE, TO, "to");
    /** Analogue or digital: only a digital wire joins clocks. */
    public static final Setting<Signal> WIRE_SIGNAL =
            Setting.usual(Kind.WIRE, "signal", "signal", new ValueType.Word<>(Signal.class), Signal.ANALOGUE);
    /** Gain in dB. */
    public static final Setting<Double> WIRE_GAIN = Common.gain(Kind.WIRE, "gain", "gain");
    /** Latency in ms. */
    public static final Setting<Double> WIRE_LATENCY = Common.time(Kind.WIRE, "latency", "latency");
    /** Whether a digital wire resamples. */
    public static final Setting<Boolean> WIRE_CONVERTS = converts(Kind.WIRE);

    // Sound through the air. The distance stands in for a latency that was not entered.
    /** The loudspeaker. */
    public static final Setting<String> COUPLING_FROM = end(Kind.COUPLING, FROM, "loudspeaker");
    /** The microphone that picks it up. */
    public static final Setting<String> COUPLING_TO = end(Kind.COUPLING, TO, "microphone");
    /** Gain in dB, which is negative: how much fainter the microphone gets it. */
    public static final Setting<Double> COUPLING_GAIN = Setting.asked(Kind.COUPLING, "gain", "gain", Common.GAIN);
    /** Latency in ms, if it is entered rather than the distance. */
    public static final Setting<Double> COUPLING_LATENCY =
            Setting.asked(Kind.COUPLING, "latency", "latency", Common.TIME);
    /** Distance in m, from which the latency follows at 343 m/s. */
    public static final Setting<Double> COUPLING_DISTANCE =
            Setting.optional(Kind.COUPLING, "distance", "distance", new ValueType.Number("m", 0, 10_000));

    // A recording device played on to a playback device.
    /** The recording device that is passed on. */
    public static final Setting<String> PASS_FROM = end(Kind.PASS_THROUGH, TO, "what is passed on");
    /** The playback device to which it is passed on, or the default. */
    public static final Setting<Choice> PASS_TO = Common.pick(
                    Kind.PASS_THROUGH,
                    FROM,
                    "where it is played",
                    Choice.Special.UNSET,
                    Choice.Special.DEFAULT,
                    Choice.Special.UNSET)
            .says("Let {name} play to {value}", "");
    /** Whether it is switched on. */
    public static final Setting<Boolean> PASS_ENABLED = Common.flag(Kind.PASS_THROUGH, "enabled", "enabled", true)
            .says("Switch on the pass-through {name}", "Switch off the pass-through {name}");
    /** Gain in dB. */
    public static final Setting<Double> PASS_GAIN = Common.gain(Kind.PASS_THROUGH, "gain", "gain");
    /** Latency in ms. */
    public static final Setting<Double> PASS_LATENCY = Common.time(Kind.PASS_THROUGH, "latency", "latency");
    /** In hardware: around the recording device's level, latency, mute and privacy block. */
    public static final Setting<Boolean> PASS_DIRECT =
            Common.flag(Kind.PASS_THROUGH, "direct", "direct, in hardware", false);

    // Reads one recording device and offers the result as another.
    /** The recording device that it reads, or the default. */
    public static final Setting<Choice> PROCESSOR_FROM = Setting.asked(
                    Kind.PROCESSOR, "reads", "reads", new ValueType.Pick(List.of(Choice.Special.DEFAULT)))
            .says("In {name}, choose {value} as the microphone", "");
    /** The recording device that it offers. */
    public static final Setting<String> PROCESSOR_TO = end(Kind.PROCESSOR, "offers", "offers");
    /** The computer it runs on. */
    public static final Setting<String> PROCESSOR_MACHINE =
            Common.ref(Kind.PROCESSOR, "machine", "computer", Kind.MACHINE);
    /** Whether it runs. */
    public static final Setting<Boolean> PROCESSOR_RUNNING =
            Common.flag(Kind.PROCESSOR, "running", "running", true).says("Start {name}", "Stop {name}");
    /** Whether it starts with the computer. */
    public static final Setting<Boolean> PROCESSOR_STARTS = starts(Kind.PROCESSOR);
    /** Latency in ms. */
    public static final Setting<Double> PROCESSOR_LATENCY =
            Setting.asked(Kind.PROCESSOR, "latency", "latency", Common.TIME);
    /** Gain in dB. */
    public static final Setting<Double> PROCESSOR_GAIN = Common.gain(Kind.PROCESSOR, "gain", "gain");
    /** Whether it resamples. */
    public static final Setting<Boolean> PROCESSOR_CONVERTS = converts(Kind.PROCESSOR);

    static final List<Setting<?>> CABLE = List.of(CABLE_FROM, CABLE_TO, CABLE_LATENCY, CABLE_CONVERTS);
    static final List<Setting<?>> WIRE =
            List.of(WIRE_FROM, WIRE_TO, WIRE_SIGNAL, WIRE_GAIN, WIRE_LATENCY, WIRE_CONVERTS);
    static final List<Setting<?>> COUPLING =
            List.of(COUPLING_FROM, COUPLING_TO, COUPLING_GAIN, COUPLING_LATENCY, COUPLING_DISTANCE);
    static final List<Setting<?>> PASS_THROUGH =
            List.of(PASS_FROM, PASS_TO, PASS_ENABLED, PASS_GAIN, PASS_LATENCY, PASS_DIRECT);
    static final List<Setting<?>> PROCESSOR = List.of(
            PROCESSOR_FROM,
            PROCESSOR_TO,
            PROCESSOR_MACHINE,
            PROCESSOR_RUNNING,
            PROCESSOR_STARTS,
            PROCESSOR_LATENCY,
            PROCESSOR_GAIN,
            PROCESSOR_CONVERTS);

    private static Setting<String> end(Kind kind, String key, String label) {
        return Common.ref(kind, key, label, Kind.DEVICE);
    }

    private static Setting<Boolean> converts(Kind kind) {
        return Setting.asked(kind, "converts", "resamples", Common.FLAG);
    }

    static Setting<Boolean> starts(Kind kind) {
        return Common.flag(kind, "startsWithMachine", "starts with the computer", true)
                .says("Have {name} start with the computer", "Don't start {name} with the computer");
    }

    /** All the elements of a rig that join a playback device to a recording device: cables, wires, couplings. */
    public static List<Element> joins(Rig rig) {
        List<Element> all = new ArrayList<>(rig.of(Kind.CABLE));
        all.addAll(rig.of(Kind.WIRE));
        all.addAll(rig.of(Kind.COUPLING));
        return all;
    }
}
