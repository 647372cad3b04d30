package org.gullyrun.core.rig;

import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * One setting of one kind of element: its address, values, usual value and words, said in this one place.
 *
 * <p>A <em>family</em> is a setting that exists once for each of something else (a strip's crossing for every bus, an
 * input's tick for every track); {@link #of(String)} gives its members.
 *
 * @param <T> the type of its values
 */
public final class Setting<T> {
    private final Kind kind;
    private final String key;
    private final String label;
    private final ValueType<T> type;
    private final @Nullable T usual;
    private final boolean optional;
    private final boolean family;
    /** Of a family whose members are numbers, the highest; else 0. */
    private final int numbers;

    private final String sub;
    private final String sayOn;
    private final String sayOff;
    /** Members made so far: a graph asks for the same ones over and over. */
    private final Map<String, Setting<T>> members = new ConcurrentHashMap<>();

    private Setting(
            Kind kind,
            String key,
            String label,
            ValueType<T> type,
            @Nullable T usual,
            boolean optional,
            boolean family,
            int numbers,
            String sub,
            String sayOn,
            String sayOff) {
        this.kind = kind;
        this.key = key.intern(); // elements find it by being the same text, not an equal one
        this.label = label;
        this.type = type;
        this.usual = usual;
        this.optional = optional;
        this.family = family;
        this.numbers = numbers;
        this.sub = sub;
        this.sayOn = sayOn;
        this.sayOff = sayOff;
    }

    /** A setting that counts as {@code usual} where it has not been entered. */
    static <T> Setting<T> usual(Kind kind, String key, String label, ValueType<T> type, T usual) {
        return new Setting<>(kind, key, label, type, usual, false, false, 0, "", "", "");
    }

    /** A setting that counts as not yet known where it has not been entered. */
    static <T> Setting<T> asked(Kind kind, String key, String label, ValueType<T> type) {
        return new Setting<>(kind, key, label, type, null, false, false, 0, "", "", "");
    }

    /** A setting that may be left out, which then means that there is none. */
    static <T> Setting<T> optional(Kind kind, String key, String label, ValueType<T> type) {
        return new Setting<>(kind, key, label, type, null, true, false, 0, "", "", "");
    }

    /** This setting as a family: one for each of something else. */
    Setting<T> each() {
        return eachUpTo(0);
    }

    /** This setting as a family: one for each number from 1 to the highest. */
    Setting<T> eachUpTo(int highest) {
        return new Setting<>(kind, key, label, type, usual, optional, true, highest, "", sayOn, sayOff);
    }

    /**
     * This setting with the sentences by which a person makes the change. {@code {name}}, {@code {owner}},
     * {@code {sub}} and {@code {value}} are put in; {@code off} is for a flag going off.
     */
    Setting<T> says(String on, String off) {
        return new Setting<>(kind, key, label, type, usual, optional, family, numbers, sub, on, off);
    }

    /** The member of this family for one thing, as a bus's id or a track's number. */
    public Setting<T> of(String one) {
        Setting<T> known = members.get(one); // asked millions of times, made a few
        if (known != null) {
            return known;
        }
        if (!family || one.isBlank() || one.contains(":") || !Ids.isWhole(one)) {
            throw new IllegalArgumentException(key + " is no family, or “" + one + "” isn't valid there");
        }
        if (numbers > 0 && !(one.matches("[1-9][0-9]{0,3}") && Integer.parseInt(one) <= numbers)) {
            throw new IllegalArgumentException("expected a number from 1 to " + numbers + ", found “" + one + "”");
        }
        return members.computeIfAbsent(
                one, x -> new Setting<>(kind, key + ":" + x, label, type, usual, optional, false, 0, x, sayOn, sayOff));
    }

    /** The member of this family for a number. */
    public Setting<T> of(int number) {
        return of(Integer.toString(number));
    }

    /** The kind of element that has it. */
    public Kind kind() {
        return kind;
    }

    /** Its address within the element: the key, and for a member of a family a colon and which one. */
    public String key() {
        return key;
    }

    /** The key of the family of a member, else {@link #key()}. */
    public String familyKey() {
        return sub.isEmpty() ? key : key.substring(0, key.length() - sub.length() - 1);
    }

    /** Which member of its family this is, or an empty text. */
    public String sub() {
        return sub;
    }

    /** Whether this stands for all the members of a family and has itself no value. */
    public boolean isFamily() {
        return family;
    }

    /** Its name for people, in lower case. */
    public String label() {
        return label;
    }

    /** What values it takes. */
    public ValueType<T> type() {
        return type;
    }

    /** Its value where none is entered; null if that is then not yet known or, for an optional one, none. */
    public @Nullable T usual() {
        return usual;
    }

    /** Whether leaving it out means that there is none. */
    public boolean isOptional() {
        return optional;
    }

    /** Whether its value may be <em>not yet known</em>: of everything but the place in a list, which is always known. */
    public boolean mayBeUnknown() {
        return !key.equals("place");
    }

    /**
     * Checks that a file can hold a raw value here and gives back the same one.
     *
     * @throws IllegalArgumentException if not; the message says what was expected
     */
    void check(@Nullable Object raw) {
        if (raw == null ? optional : raw == Unknown.UNKNOWN && mayBeUnknown()) {
            return;
        }
        Object back = null;
        if (raw != null && raw != Unknown.UNKNOWN) {
            try {
                @SuppressWarnings("unchecked") // a value of another type fails in the writing, which is what is asked
                Object plain = type.write((T) raw);
                back = Unknown.MARK.equals(plain) ? null : type.read(plain);
            } catch (ClassCastException e) {
                back = null;
            } catch (IllegalArgumentException e) {
                throw new IllegalArgumentException(label + " of " + Sentences.a(kind.noun()) + ": " + e.getMessage());
            }
        }
        if (!Objects.equals(raw, back) || back == null) {
            throw new IllegalArgumentException(
                    "“" + raw + "” isn't valid as the " + label + " of " + Sentences.a(kind.noun()));
        }
    }

    String sayOn() {
        return sayOn;
    }

    String sayOff() {
        return sayOff;
    }

    /** What an element that has nothing entered here holds: the usual value, {@link Unknown#UNKNOWN}, or null for none. */
    @Nullable
    Object resting() {
        return usual != null ? usual : optional ? null : Unknown.UNKNOWN;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Setting<?> s && kind == s.kind && key.equals(s.key);
    }

    @Override
    public int hashCode() {
        return Objects.hash(kind, key);
    }

    @Override
    public String toString() {
        return kind.noun() + "/" + key;
    }
}
