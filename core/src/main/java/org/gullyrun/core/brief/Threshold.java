package org.gullyrun.core.brief;

import java.util.Locale;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/** The figures at which findings begin or change severity. All stand here; a case can have its own. */
public enum Threshold {
    MISSING_STRENGTH(
            "missing.strength",
            -30,
            "dB",
            "a required source further below its own level than this is missing",
            "hardly noticed next to the programme at its usual level"),
    MISSING_LEVEL(
            "missing.level",
            -60,
            "dBFS",
            "a required source below this level at the listener is missing",
            "about the noise of ordinary rooms and devices"),
    LEAK_MINOR(
            "leak.minor",
            -30,
            "dB",
            "a forbidden source weaker than this is minor",
            "hardly noticed next to the programme"),
    LEAK_NOTE(
            "leak.note",
            -50,
            "dB",
            "a forbidden source weaker than this is a note",
            "below the background noise of most shows"),
    PRIVATE_KEPT(
            "leak.private",
            -60,
            "dB",
            "a private source that doesn't come through the air keeps its severity down to this",
            "words can still be understood when somebody turns it up"),
    FAR_END_MAJOR(
            "far-end.major",
            -45,
            "dB",
            "guests hearing themselves weaker than this is minor",
            "the network delays them enough for anything louder to be noticed (ITU-T G.131)"),
    COPY_WITHIN(
            "double.within",
            20,
            "dB",
            "copies further below the strongest route than this don't count as a double",
            "the ripple from such copies stays under 2 dB"),
    COPY_FAINTER(
            "double.fainter",
            6,
            "dB",
            "a double whose copy is further below the strongest route than this is one step less severe",
            "the ripple stays under 9.6 dB"),
    COPY_MINOR(
            "double.minor",
            12,
            "dB",
            "a double whose copy is further below the strongest route than this is at most minor",
            "the ripple stays under 4.5 dB"),
    STACKED(
            "double.stacked",
            0.03,
            "ms",
            "copies this close together or closer simply add up",
            "their first notch is above what people can hear"),
    COMB("double.comb", 30, "ms", "copies closer than this sound hollow", "speech fuses up to here (Haas 1951)"),
    SLAP(
            "double.slap",
            60,
            "ms",
            "copies closer than this sound thick, later ones are heard as a repeat",
            "speech no longer fuses beyond this (Haas 1951)"),
    LOOP_CRITICAL(
            "loop.critical",
            -12,
            "dB",
            "a loop through cables and programs above this gain is critical",
            "turning up one or two levels a little makes it howl"),
    LOOP_MINOR(
            "loop.minor", -40, "dB", "a loop through cables and programs below this gain is minor", "one faint repeat"),
    AIR_MAJOR(
            "loop.air",
            -20,
            "dB",
            "a loop through the air above this gain is major",
            "turning up by the usual amount makes it howl"),
    CREST("clip.crest", 12, "dB", "peaks are taken to be this far above the level", "speech and dense music"),
    CLIP_MINOR("clip.minor", -1, "dBFS", "peaks above this are minor", "the usual ceiling for a programme"),
    CLIP_MAJOR("clip.major", 5, "dBFS", "peaks above this are major", "every louder syllable clips"),
    BALANCE(
            "balance.least",
            6,
            "dB",
            "a voice less than this above music, media, games and system sounds is minor",
            "words start to get lost"),
    BALANCE_SCENES(
            "balance.scenes",
            10,
            "dB",
            "a voice that differs by more than this between scenes is minor",
            "about twice or half as loud to the ear"),
    SELF_MINOR(
            "self.minor",
            12,
            "ms",
            "hearing your own voice later than this is minor",
            "it colours what you hear of yourself anyway"),
    SELF_MAJOR(
            "self.major",
            25,
            "ms",
            "hearing your own voice later than this is major",
            "people start to stumble over their words"),
    APART_MINOR(
            "apart.minor",
            20,
            "ms",
            "sources that belong together and arrive further apart are minor",
            "a hand clap is heard twice"),
    APART_MAJOR(
            "apart.major",
            60,
            "ms",
            "sources that belong together and arrive further apart are major",
            "heard as a separate repeat"),
    LEADS_MINOR("picture.leads", 45, "ms", "sound ahead of its picture by more than this is minor", "ITU-R BT.1359"),
    LEADS_MAJOR(
            "picture.leads.major", 90, "ms", "sound ahead of its picture by more than this is major", "ITU-R BT.1359"),
    LAGS_MINOR("picture.lags", 125, "ms", "sound behind its picture by more than this is minor", "ITU-R BT.1359"),
    LAGS_MAJOR("picture.lags.major", 185, "ms", "sound behind its picture by more than this is major", "ITU-R BT.1359"),
    SLIP(
            "drift.slip",
            20,
            "ms",
            "two clocks that slip by this much during the show are major",
            "an ordinary audio buffer"),
    CONVERSIONS(
            "rate.many",
            2,
            "",
            "a required source resampled more often than this is a note",
            "each time adds some noise and delay"),
    HANGING(
            "hangs.on",
            3,
            "",
            "this many required sources that depend on one thing are a note",
            "most of what a listener hears");

    private final String key;
    private final double usual;
    private final String unit;
    private final String meaning;
    private final String source;

    Threshold(String key, double usual, String unit, String meaning, String source) {
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
        for (Threshold limit : values()) {
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
        return (ValueType.Number.plainly(value) + " " + unit).strip();
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
        for (Threshold limit : values()) {
            spelled = spelled.replace("{" + limit.key + "}", limit.say(limit.usual));
        }
        return spelled;
    }
}
