package org.gullyrun.core.rig;

import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** One setting going from one value to another, or an element coming or going. */
public sealed interface Change {

    /** The element concerned. */
    String element();

    /** The change that takes this one back. */
    Change inverse();

    /**
     * A setting goes to another value. Values are raw, as {@link Element#raw} gives them.
     *
     * @param element the id of the element
     * @param setting which of its settings
     * @param from the value before
     * @param to the value after
     */
    record Set(
            String element,
            Setting<?> setting,
            @Nullable Object from,
            @Nullable Object to) implements Change {
        public Set {
            if (Objects.equals(from, to)) {
                throw new IllegalArgumentException(
                        "a change has to change something: " + element + "/" + setting.key());
            }
            if (setting.isFamily()) {
                throw new IllegalArgumentException("a family has no value: " + setting);
            }
        }

        /** Where the setting is. */
        public Address address() {
            return new Address(element, setting.key());
        }

        @Override
        public Set inverse() {
            return new Set(element, setting, to, from);
        }
    }

    /** An element comes. */
    record Add(Element what) implements Change {
        @Override
        public String element() {
            return what.id();
        }

        @Override
        public Remove inverse() {
            return new Remove(what);
        }
    }

    /** An element goes. */
    record Remove(Element what) implements Change {
        @Override
        public String element() {
            return what.id();
        }

        @Override
        public Add inverse() {
            return new Add(what);
        }
    }

    /**
     * The change of one setting of an element to a value.
     *
     * @return the change, or null if the setting stands there already
     */
    static <T> @Nullable Set set(Rig rig, String element, Setting<T> setting, @Nullable T value) {
        Element before = rig.get(element);
        Element after = before.with(setting, value);
        return before == after ? null : new Set(element, setting, before.raw(setting), after.raw(setting));
    }

    /** As {@link #set}, with a raw value. */
    static @Nullable Set setRaw(Rig rig, String element, Setting<?> setting, @Nullable Object raw) {
        Object before = rig.get(element).raw(setting);
        return Objects.equals(before, raw) ? null : new Set(element, setting, before, raw);
    }
}
