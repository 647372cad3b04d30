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
        this.sub = sub;
        this.sayOn = sayOn;
        this.sayOff = sayOff;
    }

    /** A setting that counts as {@code usual} where it has not been entered. */
    static <T> Setting<T> usual(Kind kind, String key, String label, ValueType<T> type, T usual) {
        return new Setting<>(kind, key, label, type, usual, false, false, "", "", "");
    }

    /** A setting that counts as not yet known where it has not been entered. */
    static <T> Setting<T> asked(Kind kind, String key, String label, ValueType<T> type) {
        return new Setting<>(kind, key, label, type, null, false, false, "", "", "");
    }

    /** A setting that may be left out, which then means that there is none. */
    static <T> Setting<T> optional(Kind kind, String key, String label, ValueType<T> type) {
        return new Setting<>(kind, key, label, type, null, true, false, "", "", "");
    }

    /** This setting as a family: one for each of something else. */
    Setting<T> each() {
        return new Setting<>(kind, key, label, type, usual, optional, true, "", sayOn, sayOff);
    }

    /**
     * This setting with the sentences by which a person makes the change. {@code {name}}, {@code {owner}},
     * {@code {sub}} and {@code {value}} are put in; {@code off} is for a flag going off.
     */
    Setting<T> says(String on, String off) {
        return new Setting<>(kind, key, label, type, usual, optional, family, sub, on, off);
    }

    /** The member of this family for one thing, as a bus's id or a track's number. */
    public Setting<T> of(String one) {
        if (!family || one.isEmpty()) {
            throw new IllegalArgumentException(key + " is no family, or the member has no name");
        }
        Setting<T> known = members.get(one); // asked millions of times, made a few
        if (known != null) {
            return known;
        }
        return members.computeIfAbsent(
                one, x -> new Setting<>(kind, key + ":" + x, label, type, usual, optional, false, x, sayOn, sayOff));
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
