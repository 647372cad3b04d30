package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.gullyrun.core.flow.graph.OtherComputer;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Completions;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/** Turns what a person types into values, and values into what stands in a cell. */
final class Typed {
    private static final String OR_UNKNOWN = ", or ? if you don't know.";
    private static final Pattern NUMBER = Pattern.compile("([+-]?[0-9]*\\.?[0-9]+)\\s*([a-zA-Z]*)");
    private static final List<String> YES = List.of("x", "yes", "y", "on", "true", "1", "✓");
    private static final List<String> NO = List.of("", "no", "n", "off", "false", "0", "-");

    private Typed() {}

    /** What stands in a cell for a setting: empty where it rests, "?" where it is not yet known. */
    static String text(Rig rig, Element element, Setting<?> setting) {
        Object raw = element.raw(setting);
        if (raw == null) {
            return "";
        }
        if (raw == Unknown.UNKNOWN) {
            return "?";
        }
        return switch (setting.type()) {
            case ValueType.Flag flag -> Boolean.TRUE.equals(raw) ? "yes" : "no";
            case ValueType.Number(String unit, double least, double most) ->
                unit.equals("Hz")
                        ? ValueType.Number.plainly((Double) raw / 1000)
                        : ValueType.Number.plainly((Double) raw);
            case ValueType.Count count -> raw.toString();
            case ValueType.Text text -> (String) raw;
            case ValueType.Texts texts -> ValueType.Texts.joined(strings(raw));
            case ValueType.Ref ref -> rig.name((String) raw);
            case ValueType.Pick pick -> picked(rig, (Choice) raw);
            case ValueType.Word<?> word -> Sentences.words(rig, setting, raw);
        };
    }

    private static List<String> strings(Object raw) {
        return ((List<?>) raw).stream().map(String::valueOf).toList();
    }

    /** A choice as it stands in a cell. */
    private static String picked(Rig rig, Choice choice) {
        return switch (choice) {
            case Choice.To(String id) -> rig.name(id);
            case Choice.Special.DEFAULT -> "default";
            case Choice.Special.PLAYBACK_DEFAULT -> "playback default";
            case Choice.Special.CALL_DEFAULT -> "default for calls";
            case Choice.Special.NOTHING -> "nothing";
            case Choice.Special.UNSET -> "";
        };
    }

    /**
     * The raw value that a text stands for.
     *
     * @throws Refused if it is no value of the setting
     */
    static @Nullable Object value(Rig rig, Element element, Setting<?> setting, String text) {
        String typed = text.strip().replace('−', '-');
        if (typed.equals("?")) {
            return Unknown.UNKNOWN;
        }
        boolean none = typed.isEmpty() || typed.equals("-") || typed.equals("–") || typed.equalsIgnoreCase("none");
        if (none && !(setting.type() instanceof ValueType.Flag)) {
            return none(setting);
        }
        try {
            return switch (setting.type()) {
                case ValueType.Flag flag -> flag(typed);
                case ValueType.Number number -> number.read(number(typed, number.unit()));
                case ValueType.Count count -> count.read(number(typed, ""));
                case ValueType.Text any -> any.read(text.strip());
                case ValueType.Texts any -> ValueType.Texts.parted(text);
                case ValueType.Word<?> word -> word(word, typed);
                case ValueType.Ref(java.util.Set<Kind> kinds) -> named(rig, element, setting, typed);
                case ValueType.Pick pick -> pick(rig, element, setting, pick, typed);
            };
        } catch (IllegalArgumentException e) {
            throw new Refused(quoted(typed) + " isn't valid here. Enter "
                    + String.valueOf(e.getMessage()).replaceAll("^expected |, found .*$", "") + ".");
        }
    }

    /** What an emptied cell means: none where that is a value, else what isn't entered means. */
    private static @Nullable Object none(Setting<?> setting) {
        if (setting.type() instanceof ValueType.Pick(List<Choice.Special> specials)) {
            for (Choice.Special none : List.of(Choice.Special.UNSET, Choice.Special.NOTHING)) {
                if (specials.contains(none)) {
                    return none;
                }
            }
        }
        return setting.isOptional() ? null : setting.usual() != null ? setting.usual() : Unknown.UNKNOWN;
    }

    /** Yes and no in the ways people type them. */
    private static Boolean flag(String typed) {
        String word = typed.toLowerCase(Locale.ROOT);
        if (YES.contains(word)) {
            return true;
        }
        if (NO.contains(word)) {
            return false;
        }
        throw new Refused(quoted(typed) + " is neither yes nor no. Enter one of them" + OR_UNKNOWN);
    }

    /** A number with or without its unit; a rate below 1000 is in kHz, as people say it. */
    static Double number(String typed, String unit) {
        Matcher matcher = NUMBER.matcher(typed.replace(',', '.'));
        if (!matcher.matches()) {
            throw new Refused(notANumber(typed, unit));
        }
        double value = Double.parseDouble(matcher.group(1));
        String given = matcher.group(2).toLowerCase(Locale.ROOT);
        if (unit.equals("Hz")) {
            return switch (given) {
                case "hz" -> value;
                case "khz", "k" -> value * 1000;
                case "" -> value < 1000 ? value * 1000 : value;
                default -> throw new Refused(notANumber(typed, unit));
            };
        }
        if (unit.equals("ms") && given.equals("s")) {
            return value * 1000;
        }
        if (!given.isEmpty() && !given.equalsIgnoreCase(unit) && !(unit.equals("dBFS") && given.equals("db"))) {
            throw new Refused(notANumber(typed, unit));
        }
        return value;
    }

    private static String quoted(String typed) {
        return "“" + typed + "”";
    }

    /** What is wrong with a figure, and what to type instead. */
    private static String notANumber(String typed, String unit) {
        String which = unit.equals("Hz") ? "44.1, 48 or 96" : unit.isEmpty() ? "one" : "a number of " + unit;
        return quoted(typed) + " isn't a number" + (unit.isEmpty() ? "" : " of " + (unit.equals("Hz") ? "kHz" : unit))
                + ". Enter " + which + OR_UNKNOWN;
    }

    /** A word of a list, by its beginning; the words of files are understood, too. */
    private static Object word(ValueType.Word<?> type, String typed) {
        List<String> words = type.spoken();
        int at = NameMatch.best(words, typed);
        if (at < 0) {
            at = NameMatch.best(type.written(), typed);
        }
        if (at < 0) {
            throw new Refused(quoted(typed) + " isn't valid here. Enter one of: " + String.join(", ", words) + ".");
        }
        return type.list().getEnumConstants()[at];
    }

    /** What a name typed into a cell stands for. */
    private static Object pick(Rig rig, Element element, Setting<?> setting, ValueType.Pick pick, String typed) {
        for (Choice.Special special : pick.specials()) {
            String word = picked(rig, special);
            if (!word.isEmpty() && word.startsWith(typed.toLowerCase(Locale.ROOT)) && typed.length() > 2) {
                return special;
            }
        }
        return Choice.to(found(rig, element, setting, typed));
    }

    private static String named(Rig rig, Element element, Setting<?> setting, String typed) {
        return found(rig, element, setting, typed);
    }

    /** The id of the element that is meant. An exact name counts before the beginning of one. */
    private static String found(Rig rig, Element element, Setting<?> setting, String typed) {
        List<String> ids = candidates(rig, element, setting);
        int at = NameMatch.best(ids.stream().map(rig::name).toList(), typed);
        if (at < 0) {
            int byId = ids.indexOf(typed);
            if (byId < 0) {
                throw new Refused("There is no " + NewElements.noun(rig, element, setting) + " called " + quoted(typed)
                        + ". Enter " + Option.NEW + typed + " to add it.");
            }
            return ids.get(byId);
        }
        return ids.get(at);
    }

    /** The ids of what a setting of an element can name; what is on another computer comes last. */
    static List<String> candidates(Rig rig, Element element, Setting<?> setting) {
        List<String> ids = new ArrayList<>();
        List<Object> values = new ArrayList<>(Completions.of(rig, element, setting));
        values.sort(Comparator.comparing(value -> OtherComputer.chosen(rig, element, setting, value) != null));
        for (Object value : values) {
            if (value instanceof Choice.To(String id)) {
                ids.add(id);
            } else if (value instanceof String id) {
                ids.add(id);
            }
        }
        return ids;
    }
}
