package org.gullyrun.core.rig;

import java.util.List;
import org.jspecify.annotations.Nullable;

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
    /** An application or one output of it, a recording device, or an input of a production that takes its own sound. */
    public static final Setting<String> AT =
            Common.ref(K, "startsAt", "where it starts", Kind.APPLICATION, Kind.APP_OUTPUT, Kind.DEVICE, Kind.INPUT);

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

    /** For each scene, by its id: whether the source need not be heard in it. */
    public static final Setting<Boolean> RESTS =
            Common.flag(K, "rests", "rests in scene", false).each();
    /** For each scene, by its id: whether the public must not hear the source in it. */
    public static final Setting<Boolean> SILENT =
            Common.flag(K, "silent", "silent in scene", false).each();
    /** For a performer: the source that they play or sing to. */
    public static final Setting<String> KEEPS_TIME =
            Setting.optional(K, "keepsTimeWith", "keeps time with", new ValueType.Ref(java.util.Set.of(K)));
    /** For a performer: the ears at which they hear what they keep time with. */
    public static final Setting<String> HEARD_AT =
            Setting.optional(K, "heardAt", "hears it at", new ValueType.Ref(java.util.Set.of(Kind.OUTLET)));

    static final List<Setting<?>> ALL = List.of(
            CLASS, LEVEL, AT, PRIVATE, LICENSED, PERSON, TOGETHER, PICTURE_DELAY, RESTS, SILENT, KEEPS_TIME, HEARD_AT);

    /** The application in which a source starts, be it at one output only; null where it starts elsewhere. */
    public static @Nullable Element application(Rig rig, Element source) {
        Element at = rig.find(source.get(AT));
        return at == null
                ? null
                : at.kind() == Kind.APPLICATION ? at : at.kind() == Kind.APP_OUTPUT ? rig.owner(at) : null;
    }

    /** The outputs of its application at which a source is heard: all of them, or the one at which it starts. */
    public static List<Element> outputs(Rig rig, Element source) {
        Element at = rig.find(source.get(AT));
        if (at == null) {
            return List.of();
        }
        return at.kind() == Kind.APP_OUTPUT ? List.of(at) : rig.in(at.id(), Kind.APP_OUTPUT);
    }

    /** The level in dBFS RMS that a source counts with. */
    public static double level(Element source) {
        return source.or(LEVEL, USUAL_LEVEL);
    }
}
