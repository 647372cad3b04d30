package org.gullyrun.core.rig;

import java.util.List;

/** The settings of a source: something that makes sound. */
public final class Sources {
    private Sources() {}

    private static final Kind K = Kind.SOURCE;

    /** The level in dBFS RMS that a source counts with where none was entered. */
    public static final double USUAL_LEVEL = -20;

    /** What sort of sound a source makes. */
    public enum SourceClass implements Worded {
        VOICE("voice"),
        GUEST("guest"),
        CHAT("chat"),
        MUSIC("music"),
        GAME("game"),
        ALERT("alert"),
        EFFECT("effect"),
        MEDIA("media"),
        SYSTEM("system");

        private final String word;

        SourceClass(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }
    }

    /** What it is: a voice, music, a game and so on. */
    public static final Setting<SourceClass> CLASS =
            Setting.asked(K, "class", "class", new ValueType.Word<>(SourceClass.class));
    /** Usual level in dBFS. */
    public static final Setting<Double> LEVEL =
            Setting.optional(K, "level", "usual level", new ValueType.Number("dBFS", -200, 20));
    /** An application, a recording device, or an input of a production that takes its own sound. */
    public static final Setting<String> AT =
            Common.ref(K, "startsAt", "where it starts", Kind.APPLICATION, Kind.DEVICE, Kind.INPUT);

    /** Whether it must not be heard by the public. */
    public static final Setting<Boolean> PRIVATE = Common.flag(K, "private", "private", false);
    /** Whether its licence covers live only. */
    public static final Setting<Boolean> LICENSED = Common.flag(K, "licensed", "licensed", false);
    /** Whose voice it is. */
    public static final Setting<String> PERSON = Setting.usual(K, "person", "person", Common.TEXT, "");
    /** A name shared by sources that have to arrive at the same time. */
    public static final Setting<String> TOGETHER = Setting.usual(K, "together", "belongs with", Common.TEXT, "");
    /** How late in ms its picture is shown. */
    public static final Setting<Double> PICTURE_DELAY =
            Setting.optional(K, "pictureDelay", "delay of its picture", Common.TIME);

    static final List<Setting<?>> ALL = List.of(CLASS, LEVEL, AT, PRIVATE, LICENSED, PERSON, TOGETHER, PICTURE_DELAY);

    /** The level in dBFS RMS that a source counts with. */
    public static double level(Element source) {
        return source.or(LEVEL, USUAL_LEVEL);
    }
}
