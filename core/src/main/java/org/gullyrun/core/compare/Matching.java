package org.gullyrun.core.compare;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BiPredicate;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * Which elements of an earlier rig are the same as which of a later one: by id, else by kind and name on the same computer or
 * in the same program, else by what they connect. Immutable; a match that is wrong can be undone, and made by hand.
 *
 * @param pairs for the id of each earlier element that is matched, with what and why, in the order of the earlier rig
 */
public record Matching(Map<String, Pair> pairs) {
    public Matching {
        pairs = Map.copyOf(pairs);
    }

    /** By what two elements were held to be the same. */
    public enum By {
        ID("by id"),
        NAME("by name"),
        CONNECTION("by what it connects"),
        HAND("by hand");

        private final String word;

        By(String word) {
            this.word = word;
        }

        /** As it is said. */
        public String word() {
            return word;
        }
    }

    /**
     * The later element that an earlier one is the same as.
     *
     * @param id the id of the later element
     * @param by by what it was found
     */
    public record Pair(String id, By by) {}

    /** Matches the elements of two rigs. */
    public static Matching of(Rig earlier, Rig later) {
        return new Search(earlier, later).find();
    }

    /** The same with two elements matched by hand; whatever either was matched with before is free again. */
    public Matching with(String earlier, String later) {
        Map<String, Pair> more = new LinkedHashMap<>(pairs);
        more.values().removeIf(pair -> pair.id.equals(later));
        more.put(earlier, new Pair(later, By.HAND));
        return new Matching(more);
    }

    /** The same without the match of an earlier element. */
    public Matching without(String earlier) {
        Map<String, Pair> fewer = new LinkedHashMap<>(pairs);
        fewer.remove(earlier);
        return new Matching(fewer);
    }

    /** Finds matches from the outside in: computers and programs first, then what lives in them or joins them. */
    private static final class Search {
        private final Rig earlier;
        private final Rig later;
        private final Map<String, Pair> pairs = new LinkedHashMap<>();
        private final Set<String> taken = new HashSet<>();

        Search(Rig earlier, Rig later) {
            this.earlier = earlier;
            this.later = later;
        }

        Matching find() {
            for (Element element : earlier.elements()) {
                Element same = later.find(element.id());
                if (same != null && same.kind() == element.kind()) {
                    match(element, same, By.ID);
                }
            }
            for (Kind kind : List.of(Kind.MACHINE, Kind.DEVICE, Kind.APPLICATION, Kind.MIXER, Kind.PRODUCTION)) {
                each(kind, this::byName, By.NAME);
            }
            for (Kind kind : Kind.values()) {
                each(kind, this::byName, By.NAME);
            }
            for (Kind kind : Kind.values()) {
                each(kind, this::byConnection, By.CONNECTION);
            }
            return new Matching(pairs);
        }

        private void match(Element one, Element other, By by) {
            pairs.put(one.id(), new Pair(other.id(), by));
            taken.add(other.id());
        }

        /** Matches each element of a kind that is free with the only one it can be. */
        private void each(Kind kind, BiPredicate<Element, Element> same, By by) {
            for (Element one : earlier.of(kind)) {
                if (pairs.containsKey(one.id())) {
                    continue;
                }
                List<Element> fit = later.of(kind).stream()
                        .filter(other -> !taken.contains(other.id()) && same.test(one, other))
                        .toList();
                if (fit.size() == 1) {
                    match(one, fit.getFirst(), by);
                }
            }
        }

        private boolean byName(Element one, Element other) {
            return !one.name().isBlank()
                    && one.name().equalsIgnoreCase(other.name())
                    && isSame(place(one), place(other));
        }

        /** The computer that an element stands on, or the program that it lives in; null if it has none. */
        private static @Nullable Object place(Element element) {
            Setting<?> machine = Capabilities.machine(element.kind());
            String owner = element.kind().ownerKey();
            return machine != null ? element.raw(machine) : owner.isEmpty() ? null : ownerOf(element, owner);
        }

        private static @Nullable Object ownerOf(Element element, String key) {
            Setting<?> setting = Catalogue.find(element.kind(), key);
            return setting == null ? null : element.raw(setting);
        }

        /** Whether two references name elements that are matched, or both nothing. */
        private boolean isSame(@Nullable Object one, @Nullable Object other) {
            if (one == null || other == null) {
                return one == other;
            }
            Pair pair = pairs.get(one.toString());
            return pair != null
                    ? pair.id.equals(other.toString())
                    : one.toString().equals(other.toString());
        }

        private boolean byConnection(Element one, Element other) {
            Capabilities.Ends ends = Capabilities.ends(one.kind());
            if (ends != null) {
                return one.raw(ends.from()) != null
                        && isSame(one.raw(ends.from()), other.raw(ends.from()))
                        && isSame(one.raw(ends.to()), other.raw(ends.to()));
            }
            return switch (one.kind()) {
                case APP_OUTPUT -> isSame(place(one), place(other));
                case ENTRY ->
                    isSame(place(one), place(other))
                            && isSame(one.raw(Productions.BRINGS), other.raw(Productions.BRINGS))
                            && Objects.equals(one.raw(Productions.COPY), other.raw(Productions.COPY));
                case MACHINE, DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION, MIXER, STRIP, BUS ->
                    false;
                case PRODUCTION, INPUT, GROUP, SCENE, OUTPUT, SOURCE, OUTLET -> false;
            };
        }
    }
}
