package org.gullyrun.core.rig;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * One thing in a rig: an id, its kind, and what its settings stand at. Immutable.
 *
 * <p>Only what differs from a setting's resting value is held, so that two elements are equal exactly if every setting
 * has the same value. Fields of a file that this version does not know are kept in {@link #extras()}.
 */
public final class Element {
    private final String id;
    private final Kind kind;
    /** The keys of what is held, in order, and beside them the values: a graph asks for settings over and over. */
    private final String[] keys;

    private final Object[] values;
    /** For each key held the bit of its hash: most of what is asked for is not held, and seen here at once. */
    private final long bits;

    private final Map<String, Object> extras;

    private Element(String id, Kind kind, String[] keys, Object[] values, Map<String, Object> extras) {
        this.id = id;
        this.kind = kind;
        this.keys = keys;
        this.values = values;
        this.extras = extras;
        long all = 0;
        for (String key : keys) {
            all |= 1L << key.hashCode(); // the lowest six bits of the hash
        }
        this.bits = all;
    }

    /** Where a key is held, or −1. Keys are those of settings, each text once, so there is no need to compare letters. */
    @SuppressWarnings("ReferenceEquality")
    private int place(String key) {
        if ((bits & 1L << key.hashCode()) == 0) {
            return -1;
        }
        for (int i = 0; i < keys.length; i++) {
            if (keys[i] == key) {
                return i;
            }
        }
        return -1;
    }

    /**
     * A new element with every setting at rest.
     *
     * @throws IllegalArgumentException if the text cannot be an id
     */
    public static Element of(Kind kind, String id) {
        String objection = Ids.objection(id);
        if (!objection.isEmpty()) {
            throw new IllegalArgumentException(objection);
        }
        return new Element(id, kind, new String[0], new Object[0], Map.of());
    }

    /** Its id, unique in the rig. */
    public String id() {
        return id;
    }

    /** What it is. */
    public Kind kind() {
        return kind;
    }

    /** Its name for people; the id if it has none. */
    public String name() {
        String name = get(Common.name(kind));
        return name == null || name.isEmpty() ? id : name;
    }

    /** Fields of the file that this version does not know, as plain data. */
    public Map<String, Object> extras() {
        return extras;
    }

    /** The keys under which something other than the resting value is held, in order. */
    public Iterable<String> keys() {
        return List.of(keys);
    }

    /** The value of a setting, or null where it is not yet known or there is none. */
    public <T> @Nullable T get(Setting<T> setting) {
        Object raw = raw(setting);
        if (raw == null || raw == Unknown.UNKNOWN) {
            return null;
        }
        @SuppressWarnings("unchecked") // with() and put() let in only what the setting's own type has read
        T value = (T) raw;
        return value;
    }

    /** The value of a setting, or {@code assumed} where it is not yet known or there is none. */
    public <T> T or(Setting<T> setting, T assumed) {
        T value = get(setting);
        return value == null ? assumed : value;
    }

    /** Whether a flag is on; where it is not yet known, {@code assumed}. */
    public boolean is(Setting<Boolean> flag, boolean assumed) {
        return or(flag, assumed);
    }

    /** Whether a setting has expressly or by resting the value <em>not yet known</em>. */
    public boolean isUnknown(Setting<?> setting) {
        return raw(setting) == Unknown.UNKNOWN;
    }

    /** The value held: as {@link #get}, but {@link Unknown#UNKNOWN} where not yet known, null where none. */
    public @Nullable Object raw(Setting<?> setting) {
        require(setting);
        int at = place(setting.key());
        return at >= 0 ? values[at] : setting.resting();
    }

    /** This element with a setting at a value; null is none for an optional setting and else not yet known. */
    public <T> Element with(Setting<T> setting, @Nullable T value) {
        return put(
                setting,
                value == null
                        ? setting.isOptional() ? null : Unknown.UNKNOWN
                        : setting.type().read(setting.type().write(value)));
    }

    /**
     * This element with a setting at a raw value, as {@link #raw} gives it.
     *
     * @throws IllegalArgumentException if a file could not hold the value, or would give back another; so nothing that is
     *     in a rig can make its case unreadable
     */
    public Element put(Setting<?> setting, @Nullable Object raw) {
        require(setting);
        if (Objects.equals(raw(setting), raw)) {
            return this;
        }
        setting.check(raw);
        int at = place(setting.key());
        if (raw == null || raw.equals(setting.resting())) {
            return at < 0 ? this : new Element(id, kind, without(keys, at), without(values, at), extras);
        }
        if (at >= 0) {
            Object[] changed = values.clone();
            changed[at] = raw;
            return new Element(id, kind, keys, changed, extras);
        }
        int to = -1 - Arrays.binarySearch(keys, setting.key());
        return new Element(id, kind, with(keys, to, setting.key()), with(values, to, raw), extras);
    }

    /** A copy of a list without what is at a place. */
    private static <T> T[] without(T[] all, int at) {
        T[] rest = Arrays.copyOf(all, all.length - 1);
        System.arraycopy(all, at + 1, rest, at, rest.length - at);
        return rest;
    }

    /** A copy of a list with one more at a place. */
    private static <T> T[] with(T[] all, int at, T one) {
        T[] more = Arrays.copyOf(all, all.length + 1);
        System.arraycopy(all, at, more, at + 1, all.length - at);
        more[at] = one;
        return more;
    }

    /** This element with these unknown fields of a file. */
    public Element withExtras(Map<String, Object> fields) {
        return new Element(id, kind, keys, values, Collections.unmodifiableMap(new TreeMap<>(fields)));
    }

    /** Holds callers to settings of this kind of element. */
    private void require(Setting<?> setting) {
        if (setting.kind() != kind || setting.isFamily()) {
            throw new IllegalArgumentException(
                    "a " + kind.noun() + " has no setting " + setting + (setting.isFamily() ? " (a family)" : ""));
        }
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Element e
                && id.equals(e.id)
                && kind == e.kind
                && Arrays.equals(keys, e.keys)
                && Arrays.equals(values, e.values)
                && extras.equals(e.extras);
    }

    @Override
    public int hashCode() {
        return Objects.hash(id, kind, Arrays.hashCode(keys), Arrays.hashCode(values));
    }

    @Override
    public String toString() {
        return kind.noun() + " " + id + " " + Arrays.toString(keys) + " " + Arrays.toString(values);
    }
}
