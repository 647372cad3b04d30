package org.gullyrun.core.rig;

import static org.gullyrun.core.rig.Choice.Special.UNSET;

import java.util.List;

/** The settings of a machine. */
public final class Machines {
    private Machines() {}

    private static final Kind K = Kind.MACHINE;

    /** How a <em>system choice</em> for an application works on a machine. */
    public enum SystemChoice implements Worded {
        /** It takes the place of the default: it decides only where the program leaves the choice to the default. */
        REPLACES_DEFAULT("replaces the default"),
        /** It is used whatever the program chooses. */
        WINS("wins");

        private final String word;

        SystemChoice(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** The device that programs play to if they follow the default. */
    public static final Setting<Choice> PLAYBACK = Common.pick(K, "playback", "playback default", UNSET, UNSET);
    /** The device that programs read if they follow the default. */
    public static final Setting<Choice> RECORDING = Common.pick(K, "recording", "recording default", UNSET, UNSET);
    /** The default for calls; unset, it is the plain default. */
    public static final Setting<Choice> CALL_PLAYBACK =
            Common.pick(K, "callPlayback", "playback default for calls", UNSET, UNSET);
    /** The default microphone for calls; unset, it is the plain default. */
    public static final Setting<Choice> CALL_RECORDING =
            Common.pick(K, "callRecording", "recording default for calls", UNSET, UNSET);
    /** The devices, by id or name, of which the first usable one becomes the playback default if the one that is set can't be used. */
    public static final Setting<List<String>> PLAYBACK_ORDER = order("playbackOrder", "next playback defaults");
    /** The same for the recording default. */
    public static final Setting<List<String>> RECORDING_ORDER = order("recordingOrder", "next recording defaults");
    /** The same for the playback default for calls. */
    public static final Setting<List<String>> CALL_PLAYBACK_ORDER =
            order("callPlaybackOrder", "next playback defaults for calls");
    /** The same for the recording default for calls. */
    public static final Setting<List<String>> CALL_RECORDING_ORDER =
            order("callRecordingOrder", "next recording defaults for calls");

    /** Whether the device that the system sets for a program replaces the default only, or always wins. */
    public static final Setting<SystemChoice> SYSTEM_CHOICE = Setting.usual(
            K,
            "systemChoice",
            "what a system setting does",
            new ValueType.Word<>(SystemChoice.class),
            SystemChoice.REPLACES_DEFAULT);

    /** The order of preference that stands in for one of the four defaults. */
    public static Setting<List<String>> orderOf(Setting<Choice> role) {
        return role.equals(PLAYBACK)
                ? PLAYBACK_ORDER
                : role.equals(RECORDING)
                        ? RECORDING_ORDER
                        : role.equals(CALL_PLAYBACK) ? CALL_PLAYBACK_ORDER : CALL_RECORDING_ORDER;
    }

    /** Whether one of the four defaults is for calls. */
    public static boolean isForCalls(Setting<?> role) {
        return role.equals(CALL_PLAYBACK) || role.equals(CALL_RECORDING);
    }

    /** Whether one of the four defaults is where sound is played, not taken. */
    public static boolean isForPlayback(Setting<?> role) {
        return role.equals(PLAYBACK) || role.equals(CALL_PLAYBACK);
    }

    static final List<Setting<?>> ALL = List.of(
            PLAYBACK,
            PLAYBACK_ORDER,
            RECORDING,
            RECORDING_ORDER,
            CALL_PLAYBACK,
            CALL_PLAYBACK_ORDER,
            CALL_RECORDING,
            CALL_RECORDING_ORDER,
            SYSTEM_CHOICE);

    private static Setting<List<String>> order(String key, String label) {
        return Setting.usual(K, key, label, new ValueType.Texts(), List.of());
    }
}
