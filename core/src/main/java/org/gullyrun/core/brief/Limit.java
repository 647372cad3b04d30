package org.gullyrun.core.brief;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** The figures at which findings begin or change severity. All stand here; a case can have its own. */
public enum Limit {
    MISSING_STRENGTH(
            "missing.strength",
            -30,
            "dB",
            "a must weaker than this against its source is missing",
            "hardly noticed beside programme at its usual level"),
    MISSING_LEVEL(
            "missing.level",
            -60,
            "dBFS",
            "a must below this at the outlet is missing",
            "the noise of ordinary rooms and devices"),
    LEAK_MINOR("leak.minor", -30, "dB", "a never weaker than this is minor", "hardly noticed beside programme"),
    LEAK_NOTE("leak.note", -50, "dB", "a never weaker than this is a note", "below the noise of most programmes"),
    PRIVATE_KEPT(
            "leak.private",
            -60,
            "dB",
            "a private source without coupling keeps its severity down to this",
            "words stay intelligible when somebody turns it up"),
    FAR_END_MAJOR(
            "far-end.major",
            -45,
            "dB",
            "own voices weaker than this at a far end are minor",
            "the network adds enough delay for louder ones to be noticed (ITU-T G.131)"),
    COPY_WITHIN(
            "double.within",
            20,
            "dB",
            "copies fainter than this below the strongest run do not count as a double",
            "ripple of such copies stays under 2 dB"),
    STACKED(
            "double.stacked",
            0.03,
            "ms",
            "copies no farther apart than this are stacked",
            "their first notch lies above hearing"),
    COMB("double.comb", 30, "ms", "copies closer than this are heard as colour", "fusion of speech (Haas 1951)"),
    SLAP(
            "double.slap",
            60,
            "ms",
            "copies closer than this are heard as thickness, others as a repeat",
            "end of the fusion of speech (Haas 1951)"),
    LOOP_CRITICAL(
            "loop.critical",
            -12,
            "dB",
            "an electric circle above this gain is critical",
            "a few small moves of a level make it howl"),
    LOOP_MINOR("loop.minor", -40, "dB", "an electric loop below this gain is minor", "one faint repeat"),
    AIR_MAJOR(
            "loop.air",
            -20,
            "dB",
            "a circle through the air above this gain is major",
            "turning up by usual steps makes it howl"),
    CREST("clip.crest", 12, "dB", "peaks lie so far above the level", "speech and dense music"),
    CLIP_MINOR("clip.minor", -1, "dBFS", "peaks above this are minor", "the usual ceiling of programme"),
    CLIP_MAJOR("clip.major", 5, "dBFS", "peaks above this are major", "clipping of every louder syllable"),
    BALANCE(
            "balance.least",
            6,
            "dB",
            "voice less than this above music, media and system is minor",
            "words begin to be lost"),
    BALANCE_SCENES(
            "balance.scenes",
            10,
            "dB",
            "a voice that differs by more than this between scenes is minor",
            "heard as half or twice as loud"),
    SELF_MINOR(
            "self.minor",
            12,
            "ms",
            "one's own voice later than this at one's ears is minor",
            "it colours, beside what comes through the bones"),
    SELF_MAJOR(
            "self.major",
            25,
            "ms",
            "one's own voice later than this at one's ears is major",
            "speaking begins to stumble"),
    APART_MINOR(
            "apart.minor",
            20,
            "ms",
            "what belongs together and arrives farther apart is minor",
            "an attack is heard twice"),
    APART_MAJOR(
            "apart.major", 60, "ms", "what belongs together and arrives farther apart is major", "a separate repeat"),
    LEADS_MINOR("picture.leads", 45, "ms", "sound that leads its picture by more is minor", "ITU-R BT.1359"),
    LEADS_MAJOR("picture.leads.major", 90, "ms", "sound that leads its picture by more is major", "ITU-R BT.1359"),
    LAGS_MINOR("picture.lags", 125, "ms", "sound that lags its picture by more is minor", "ITU-R BT.1359"),
    LAGS_MAJOR("picture.lags.major", 185, "ms", "sound that lags its picture by more is major", "ITU-R BT.1359"),
    SLIP("drift.slip", 20, "ms", "two clocks that slip by this within the show are major", "an ordinary buffer"),
    CONVERSIONS(
            "rate.many",
            2,
            "",
            "more conversions than this on the way of a must are a note",
            "each adds some noise and delay"),
    HANGING("hangs.on", 3, "", "so many musts hanging on one element are a note", "most of what a listener gets");

    private final String key;
    private final double usual;
    private final String unit;
    private final String meaning;
    private final String source;

    Limit(String key, double usual, String unit, String meaning, String source) {
        this.key = key;
        this.usual = usual;
        this.unit = unit;
        this.meaning = meaning;
        this.source = source;
    }

    /** Its stable key in case files. */
    public String key() {
        return key;
    }

    /** Its value where a case has none of its own. */
    public double usual() {
        return usual;
    }

    /** Its unit; empty for a count. */
    public String unit() {
        return unit;
    }

    /** The lowest value that makes sense: times and counts are not negative, and of what can hang on one, there is one. */
    public double least() {
        return switch (unit) {
            case "dBFS" -> -200;
            case "dB" -> usual < 0 ? -200 : 0;
            default -> this == HANGING ? 1 : 0;
        };
    }

    /** The highest value that makes sense. */
    public double most() {
        return switch (unit) {
            case "ms" -> 60_000;
            case "dB", "dBFS" -> usual > 0 ? 200 : 60;
            default -> 1_000;
        };
    }

    /** Its range in words: "from 0 ms to 60000 ms". */
    public String range() {
        return "from " + say(least()) + " to " + say(most());
    }

    /** Why a case cannot have this value for a key, or an empty text if it can. Keys that mean nothing may stand at any. */
    public static String objection(String key, double value) {
        for (Limit limit : values()) {
            if (limit.key.equals(key) && !(value >= limit.least() && value <= limit.most())) {
                return "expected a value " + limit.range() + ", found " + limit.say(value);
            }
        }
        return "";
    }

    /** What happens there. */
    public String meaning() {
        return meaning;
    }

    /** Why it lies there. */
    public String source() {
        return source;
    }

    /** A value of it in words: "−30 dB". */
    public String say(double value) {
        String number = value == Math.rint(value) ? Long.toString(Math.round(value)) : Double.toString(value);
        return (number + " " + unit).strip().replace('-', '−');
    }

    /**
     * The value that a text gives, with or without the unit, a comma or point, a true minus or a hyphen; null if it gives
     * none, or one that is out of {@link #range()}.
     */
    public @Nullable Double read(String typed) {
        String plain = typed.strip().replace('−', '-').replace(',', '.');
        if (!unit.isEmpty() && plain.toLowerCase(Locale.ROOT).endsWith(unit.toLowerCase(Locale.ROOT))) {
            plain = plain.substring(0, plain.length() - unit.length()).strip();
        }
        Double value = plain.matches("[+-]?\\d{1,6}(\\.\\d{1,6})?") ? Double.valueOf(plain) : null;
        return value == null || !objection(key, value).isEmpty() ? null : value;
    }

    /** A text in which limits are named by their keys in braces, with the usual figures in their place. */
    public static String spelled(String text) {
        String spelled = text;
        for (Limit limit : values()) {
            spelled = spelled.replace("{" + limit.key + "}", limit.say(limit.usual));
        }
        return spelled;
    }
}
