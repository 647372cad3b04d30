package org.gullyrun.core.rig;

import static org.gullyrun.core.rig.Choice.Special.DEFAULT;
import static org.gullyrun.core.rig.Choice.Special.UNSET;

import java.util.List;

/** The settings of an outlet: a place where somebody hears or keeps the sound. */
public final class Outlets {
    private Outlets() {}

    private static final Kind K = Kind.OUTLET;

    /** What sort of listener an outlet is. */
    public enum Sort implements Worded {
        /** A playback device that somebody wears. */
        EARS("ears"),
        /** A loudspeaker others hear. */
        ROOM("room"),
        /** The live audience. */
        LIVE("live"),
        /** What the service keeps. */
        ARCHIVE("archive"),
        /** A second platform. */
        RELAY("relay"),
        /** One track of a recording. */
        TRACK("track"),
        /** The others in a call. */
        FAR_END("far end"),
        /** A playback device whose other side is not modelled. */
        MACHINE("machine");

        private final String word;

        Sort(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }

        /** Whether it listens to a playback device. */
        public boolean isDevice() {
            return this == EARS || this == ROOM || this == MACHINE;
        }

        /** Whether it hears an output of a production. */
        public boolean isOutput() {
            return this == LIVE || this == ARCHIVE || this == RELAY || this == TRACK;
        }

        /** Whether what arrives there is kept. */
        public boolean keeps() {
            return this == ARCHIVE || this == TRACK;
        }
    }

    /** What kind of listener it is. */
    public static final Setting<Sort> SORT = Setting.asked(K, "sort", "sort", new ValueType.Word<>(Sort.class));
    /** For ears, room and machine: a playback device, or the default of {@link #MACHINE}. */
    public static final Setting<Choice> DEVICE =
            Common.pick(K, "device", "device", UNSET, DEFAULT, UNSET).says("Have {name} listen on {value}", "");

    /** The computer whose default it listens on, if no device is named. */
    public static final Setting<String> MACHINE =
            Setting.optional(K, "machine", "machine", new ValueType.Ref(java.util.Set.of(Kind.MACHINE)));
    /** Who listens, for ears. */
    public static final Setting<String> PERSON = Setting.usual(K, "person", "person", Common.TEXT, "");
    /** For live, archive, relay and track: the output of a production. */
    public static final Setting<String> OUTPUT =
            Setting.optional(K, "output", "output", new ValueType.Ref(java.util.Set.of(Kind.OUTPUT)));
    /** For a track: its number. */
    public static final Setting<Integer> TRACK =
            Setting.optional(K, "track", "track", new ValueType.Count(1, Productions.MOST_TRACKS));
    /** For a far end: the call or chat application. */
    public static final Setting<String> APPLICATION =
            Setting.optional(K, "application", "application", new ValueType.Ref(java.util.Set.of(Kind.APPLICATION)));

    /** Who listens at the far end of a call. Nobody named means everybody. */
    public static final Setting<List<String>> PERSONS =
            Setting.usual(K, "persons", "persons", new ValueType.Texts(), List.of());

    static final List<Setting<?>> ALL = List.of(SORT, DEVICE, MACHINE, PERSON, OUTPUT, TRACK, APPLICATION, PERSONS);
}
