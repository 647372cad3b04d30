package org.gullyrun.core.rig;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** The settings that every element has, and the value types that many settings share. */
public final class Common {
    private Common() {}

    static final ValueType<Boolean> FLAG = new ValueType.Flag();
    static final ValueType<String> TEXT = new ValueType.Text();
    static final ValueType<Double> GAIN = new ValueType.Number("dB", -200, 60);
    static final ValueType<Double> TIME = new ValueType.Number("ms", 0, 60_000);
    static final ValueType<Double> RATE = new ValueType.Number("Hz", 1, 1_000_000);

    private static final Map<Kind, Setting<String>> NAMES = new EnumMap<>(Kind.class);
    private static final Map<Kind, Setting<String>> NOTES = new EnumMap<>(Kind.class);
    private static final Map<Kind, Setting<Double>> PLACES = new EnumMap<>(Kind.class);
    private static final Map<Kind, Setting<List<String>>> FIXED = new EnumMap<>(Kind.class);

    static {
        for (Kind kind : Kind.values()) {
            NAMES.put(kind, Setting.usual(kind, "name", "name", TEXT, ""));
            NOTES.put(kind, Setting.usual(kind, "note", "note", TEXT, ""));
            FIXED.put(kind, Setting.usual(kind, "fixed", "what can't be changed", new ValueType.Texts(), List.of()));
            PLACES.put(
                    kind,
                    Setting.usual(kind, "place", "place in the list", new ValueType.Number("", -1e12, 1e12), 0.0));
        }
    }

    /** The name for people; empty if it has none. */
    public static Setting<String> name(Kind kind) {
        return Objects.requireNonNull(NAMES.get(kind));
    }

    /** A free remark. */
    public static Setting<String> note(Kind kind) {
        return Objects.requireNonNull(NOTES.get(kind));
    }

    /** The names of those of its settings that cannot be changed here, as people or files call them. */
    public static Setting<List<String>> fixed(Kind kind) {
        return Objects.requireNonNull(FIXED.get(kind));
    }

    /** Whether one of an element's settings cannot be changed here. */
    public static boolean isFixed(Element element, Setting<?> setting) {
        List<String> fixed = element.or(fixed(element.kind()), List.of());
        return fixed.stream()
                .anyMatch(one -> one.equalsIgnoreCase(setting.label())
                        || one.equals(setting.familyKey())
                        || one.equals(setting.key()));
    }

    /** Whether a change of a setting takes effect only once the element is restarted. */
    static Setting<Boolean> restarts(Kind kind) {
        return flag(kind, "restarts", "has to be restarted after a change", false);
    }

    /** Where it stands among its like: lists are in order of place, then id. */
    public static Setting<Double> place(Kind kind) {
        return Objects.requireNonNull(PLACES.get(kind));
    }

    static Setting<String> ref(Kind kind, String key, String label, Kind... to) {
        return Setting.asked(kind, key, label, new ValueType.Ref(java.util.Set.of(to)));
    }

    static Setting<Choice> pick(Kind kind, String key, String label, Choice usual, Choice.Special... specials) {
        return Setting.usual(kind, key, label, new ValueType.Pick(List.of(specials)), usual);
    }

    static Setting<Boolean> flag(Kind kind, String key, String label, boolean usual) {
        return Setting.usual(kind, key, label, FLAG, usual);
    }

    static Setting<Double> gain(Kind kind, String key, String label) {
        return Setting.usual(kind, key, label, GAIN, 0.0);
    }

    static Setting<Double> time(Kind kind, String key, String label) {
        return Setting.usual(kind, key, label, TIME, 0.0);
    }
}
