package org.gullyrun.core.rig;

/** What a device choice is set to: a certain element, or one of the {@linkplain Special special} places. */
public sealed interface Choice {

    /** The element with this id. */
    record To(String id) implements Choice {
        public To {
            if (id.isBlank()) {
                throw new IllegalArgumentException("a choice needs the id of an element");
            }
        }

        @Override
        public String toString() {
            return id;
        }
    }

    /** A choice that is not a certain element. */
    enum Special implements Choice {
        /** The machine's default of the direction. */
        DEFAULT("default"),
        /** The machine's playback default, where a choice might be a recording device as well. */
        PLAYBACK_DEFAULT("playback default"),
        /** The machine's default for calls. */
        CALL_DEFAULT("call default"),
        /** Deliberately nowhere. */
        NOTHING("nothing"),
        /** No choice has been made here. */
        UNSET("unset");

        private final String word;

        Special(String word) {
            this.word = word;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /** A choice of the element with the given id. */
    static Choice to(String id) {
        return new To(id);
    }

    /** The id chosen, or an empty text for a special choice. */
    default String id() {
        return this instanceof To(String id) ? id : "";
    }

    /** Reads what {@link Object#toString()} writes: a special word or else an id. */
    static Choice parse(String text) {
        for (Special special : Special.values()) {
            if (special.word.equals(text)) {
                return special;
            }
        }
        return new To(text);
    }
}
