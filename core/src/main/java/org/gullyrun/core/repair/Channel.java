package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * What one listener goes through while a rig is repaired: one state before the first step and one after each.
 *
 * @param outlet the id of the listener
 * @param name its name
 * @param states its states in order
 */
public record Channel(String outlet, String name, List<State> states) {
    public Channel {
        states = List.copyOf(states);
    }

    /** How a listener is off, worst first. */
    public enum Sort {
        /** A loop ends in it. */
        LOOPING("feeds back", "feed back"),
        /** It hears what it must not. */
        FORBIDDEN("hears what it must not", "hear what they must not"),
        /** Something required doesn't arrive. */
        MISSING("misses something", "miss something"),
        /** It hears something more than once. */
        DOUBLED("hears something twice", "hear something twice"),
        /** Something else is seriously wrong. */
        OTHER("has other trouble", "have other trouble"),
        /** All is well. */
        GOOD("gets what it should", "get what they should"),
        /** Nothing arrives, and nothing must. */
        SILENT("gets nothing, and nothing is due", "get nothing, and nothing is due");

        private final String singular;
        private final String plural;

        Sort(String singular, String plural) {
            this.singular = singular;
            this.plural = plural;
        }

        /** A listener with what it is in words: "Live hears something twice", "Guests get what they should". */
        public String words(String listener) {
            return listener + " " + Sentences.verb(listener, singular, plural);
        }

        /** Whether something is wrong. */
        public boolean isTrouble() {
            return compareTo(GOOD) < 0;
        }
    }

    /**
     * One state of a listener.
     *
     * @param sort how it is off, the worst that holds
     * @param source the class of the source that it is about; null if it is about none
     * @param about what it is about, for a tooltip: "Crew"
     */
    public record State(Sort sort, Sources.@Nullable SourceClass source, String about) {
        private static State of(Hearing hearing) {
            if (hearing.coil()) {
                return new State(Sort.LOOPING, null, "");
            }
            State worst = new State(hearing.drops().isEmpty() ? Sort.SILENT : Sort.GOOD, null, "");
            for (Hearing.Drop drop : hearing.drops()) {
                Sort sort = drop.loud() ? sort(drop.verdict()) : worst.sort;
                if (sort.compareTo(worst.sort) < 0) {
                    worst = new State(sort, drop.sourceClass(), drop.name());
                }
            }
            return worst;
        }

        private static Sort sort(Verdict verdict) {
            return switch (verdict) {
                case LEAK -> Sort.FORBIDDEN;
                case MISSING -> Sort.MISSING;
                case DOUBLE -> Sort.DOUBLED;
                case FAINT, GOOD, NOTHING_DUE -> Sort.OTHER;
            };
        }
    }

    /** The channels of all listeners, in the order of the rig, over some states, in one scene or at worst in any if it is -1. */
    public static List<Channel> all(List<Reading> states, int scene) {
        List<List<Hearing>> heard =
                states.stream().map(r -> Hearing.all(r, scene)).toList();
        List<Channel> channels = new ArrayList<>();
        for (int o = 0; o < heard.getFirst().size(); o++) {
            int outlet = o;
            Hearing first = heard.getFirst().get(o);
            channels.add(new Channel(
                    first.outlet(),
                    first.name(),
                    heard.stream().map(h -> State.of(h.get(outlet))).toList()));
        }
        return channels;
    }
}
