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

        @Override
        public String spoken() {
            return this == MACHINE ? "computer" : word;
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
    public static final Setting<Sort> SORT = Setting.asked(K, "sort", "kind", new ValueType.Word<>(Sort.class));
    /** For ears, room and machine: a playback device, or the default of {@link #MACHINE}. */
    public static final Setting<Choice> DEVICE =
            Common.pick(K, "device", "device", UNSET, DEFAULT, UNSET).says("Have {name} listen on {value}", "");

    /** The computer whose default it listens on, if no device is named. */
    public static final Setting<String> MACHINE =
            Setting.optional(K, "machine", "computer", new ValueType.Ref(java.util.Set.of(Kind.MACHINE)));
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
            Setting.optional(K, "application", "program", new ValueType.Ref(java.util.Set.of(Kind.APPLICATION)));

    /** Who listens at the far end of a call. Nobody named means everybody. */
    public static final Setting<List<String>> PERSONS =
            Setting.usual(K, "persons", "people who listen", new ValueType.Texts(), List.of());

    /** For live, archive and relay: the output that is kept or passed on while its own is off or takes no track. */
    public static final Setting<String> OTHERWISE =
            Setting.optional(K, "otherwise", "otherwise takes", new ValueType.Ref(java.util.Set.of(Kind.OUTPUT)));
    /**
     * Whether a source is heard by those at the other end of its own call as one of their own voices: then it is that
     * they hear themselves. Somebody else's voice, where both are named, is not.
     */
    public static boolean hearsItself(Rig rig, Element outlet, Element source) {
        Element own = Sources.application(rig, source);
        return outlet.get(SORT) == Sort.FAR_END
                && own != null
                && own.id().equals(outlet.get(APPLICATION))
                && !isForOther(outlet, source);
    }

    /** Whether both say who they are, and it is somebody else who listens. */
    public static boolean isForOther(Element outlet, Element source) {
        String person = source.or(Sources.PERSON, "");
        List<String> persons = outlet.or(PERSONS, List.of());
        return !person.isEmpty() && !persons.isEmpty() && !persons.contains(person);
    }

    /** The id of the listener for which one stands in, or its own. */
    public static String standsFor(Element outlet) {
        String other = outlet.get(STANDS_IN);
        return other == null ? outlet.id() : other;
    }

    /** Another listener whose musts are met here too: one of the two has to get each of them. */
    public static final Setting<String> STANDS_IN =
            Setting.optional(K, "standsInFor", "stands in for", new ValueType.Ref(java.util.Set.of(K)));
    /** Whether whatever the brief doesn't ask for there must not arrive. */
    public static final Setting<Boolean> NOTHING_ELSE = Common.flag(K, "nothingElse", "must get nothing else", false);

    static final List<Setting<?>> ALL = List.of(
            SORT, DEVICE, MACHINE, PERSON, OUTPUT, OTHERWISE, TRACK, APPLICATION, PERSONS, STANDS_IN, NOTHING_ELSE);
}
