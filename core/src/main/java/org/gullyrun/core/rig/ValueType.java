package org.gullyrun.core.rig;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What values a setting can take, and how they are read and written as plain data.
 *
 * @param <T> the Java type of a value
 */
public sealed interface ValueType<T> {

    /**
     * Takes a value from plain data (a Boolean, Number, String or List of String).
     *
     * @throws IllegalArgumentException if it is not such a value; the message says what was expected
     */
    T read(Object plain);

    /** The value as plain data. */
    Object write(T value);

    /** The value for people, with its unit; references are left as ids. */
    String words(T value);

    /** On or off. */
    record Flag() implements ValueType<Boolean> {
        @Override
        public Boolean read(Object plain) {
            return plain instanceof Boolean b ? b : fail("true or false", plain);
        }

        @Override
        public Object write(Boolean value) {
            return value;
        }

        @Override
        public String words(Boolean value) {
            return value ? "yes" : "no";
        }
    }

    /** A finite number between two borders, in a unit. */
    record Number(String unit, double least, double most) implements ValueType<Double> {
        @Override
        public Double read(Object plain) {
            if (plain instanceof java.lang.Number n
                    && Double.isFinite(n.doubleValue())
                    && n.doubleValue() >= least
                    && n.doubleValue() <= most) {
                return n.doubleValue() + 0.0; // -0 becomes 0: the two would differ as values
            }
            return fail("a number from " + plainly(least) + " to " + plainly(most) + " " + unit, plain);
        }

        @Override
        public Object write(Double value) {
            return value == Math.rint(value) && Math.abs(value) < 1e15 ? (Object) value.longValue() : value;
        }

        @Override
        public String words(Double value) {
            if (unit.equals("Hz") && value >= 1000) {
                return plainly(value / 1000) + " kHz"; // as people say it
            }
            return unit.equals("dB") && value > 0 ? "+" + plainly(value) + " dB" : plainly(value) + " " + unit;
        }

        /** A number as people write it: no “.0” after a whole one, no more than six decimals, a true minus. */
        public static String plainly(double value) {
            String number = value == Math.rint(value) && Math.abs(value) < 1e15
                    ? Long.toString((long) value)
                    : Double.toString(Math.round(value * 1e6) / 1e6);
            return number.replace('-', '−');
        }
    }

    /** A whole number between two borders. */
    record Count(int least, int most) implements ValueType<Integer> {
        @Override
        public Integer read(Object plain) {
            if (plain instanceof java.lang.Number n
                    && n.doubleValue() == Math.rint(n.doubleValue())
                    && n.doubleValue() >= least
                    && n.doubleValue() <= most) {
                return n.intValue();
            }
            return fail("a whole number from " + least + " to " + most, plain);
        }

        @Override
        public Object write(Integer value) {
            return value;
        }

        @Override
        public String words(Integer value) {
            return value.toString();
        }
    }

    /** Any text of one line. */
    record Text() implements ValueType<String> {
        @Override
        public String read(Object plain) {
            return plain instanceof String s && Ids.isWhole(s) ? s : fail("a text of whole characters", plain);
        }

        @Override
        public Object write(String value) {
            return value;
        }

        @Override
        public String words(String value) {
            return value.isEmpty() ? "none" : value;
        }
    }

    /** Several texts. */
    record Texts() implements ValueType<List<String>> {
        /** Several texts as one that can be typed: parted by commas, or by semicolons where one of them holds a comma. */
        public static String joined(List<String> texts) {
            boolean commas = texts.stream().anyMatch(t -> t.contains(","));
            return commas ? String.join("; ", texts) + (texts.size() == 1 ? ";" : "") : String.join(", ", texts);
        }

        /** The texts that were typed as one. */
        public static List<String> parted(String typed) {
            return Arrays.stream(typed.split(typed.contains(";") ? ";" : ","))
                    .map(String::strip)
                    .filter(text -> !text.isEmpty())
                    .toList();
        }

        @Override
        public List<String> read(Object plain) {
            if (plain instanceof List<?> list
                    && list.stream().allMatch(one -> one instanceof String s && Ids.isWhole(s))) {
                return list.stream().map(String.class::cast).toList();
            }
            return fail("a list of texts", plain);
        }

        @Override
        public Object write(List<String> value) {
            return value;
        }

        @Override
        public String words(List<String> value) {
            return value.isEmpty() ? "none" : String.join(", ", value);
        }
    }

    /** The id of an element of one of these kinds. It may name one that is not there. */
    record Ref(Set<Kind> kinds) implements ValueType<String> {
        @Override
        public String read(Object plain) {
            return plain instanceof String s && !s.isBlank() && Ids.isWhole(s)
                    ? s
                    : fail("the id of an element", plain);
        }

        @Override
        public Object write(String value) {
            return value;
        }

        @Override
        public String words(String value) {
            return value;
        }
    }

    /** A device choice; {@code specials} are those special choices that are possible here. */
    record Pick(List<Choice.Special> specials) implements ValueType<Choice> {
        @Override
        public Choice read(Object plain) {
            if (plain instanceof String s && !s.isBlank() && Ids.isWhole(s)) {
                Choice choice = Choice.parse(s);
                if (!(choice instanceof Choice.Special special) || specials.contains(special)) {
                    return choice;
                }
            }
            return fail("the id of a device or one of " + specials, plain);
        }

        @Override
        public Object write(Choice value) {
            return value.toString();
        }

        @Override
        public String words(Choice value) {
            return value == Choice.Special.UNSET ? "none" : value.toString();
        }
    }

    /** One word out of a list. */
    record Word<E extends Enum<E> & Worded>(Class<E> list) implements ValueType<E> {
        @Override
        public E read(Object plain) {
            for (E constant : list.getEnumConstants()) {
                if (constant.word().equals(plain)) {
                    return constant;
                }
            }
            return fail("one of " + written(), plain);
        }

        @Override
        public Object write(E value) {
            return value.word();
        }

        @Override
        public String words(E value) {
            return value.spoken();
        }

        /** All the words in files, in the order of the list. */
        public List<String> written() {
            return Arrays.stream(list.getEnumConstants()).map(Worded::word).toList();
        }

        /** All the words for people, in the order of the list. */
        public List<String> spoken() {
            return Arrays.stream(list.getEnumConstants()).map(Worded::spoken).toList();
        }
    }

    /** Tells what was expected and what was found instead. */
    private static <T> T fail(String expected, @Nullable Object plain) {
        String shown = String.valueOf(plain);
        throw new IllegalArgumentException(
                "expected " + expected + ", found " + (shown.length() > 60 ? shown.substring(0, 60) + "…" : shown));
    }
}
