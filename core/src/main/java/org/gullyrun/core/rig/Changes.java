package org.gullyrun.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** What can be done with lists of changes: apply, take back, join, and find between two rigs. */
public final class Changes {
    private Changes() {}

    /** A list of changes does not fit the rig that it is to alter. The message names the element and setting. */
    public static final class Conflict extends RuntimeException {
        Conflict(String message) {
            super(message);
        }
    }

    /**
     * A rig with the changes made. Additions and removals count first, so that the order of the list does not matter.
     *
     * @throws Conflict if a setting does not stand where the change takes it from, an element to add is there already
     *     or one to remove is not, two changes are to the same setting, or a value is not valid
     */
    public static Rig apply(Rig rig, List<? extends Change> changes) {
        if (changes.isEmpty()) {
            return rig;
        }
        TreeMap<String, Element> elements = rig.copy();
        Set<Object> seen = new HashSet<>();
        Set<Kind> altered = EnumSet.noneOf(Kind.class);
        for (Change change : changes) {
            switch (change) {
                case Change.Add(Element what) -> {
                    altered.add(what.kind());
                    once(seen, what.id());
                    if (elements.putIfAbsent(what.id(), what) != null) {
                        throw new Conflict("there is already an element '" + what.id() + "'");
                    }
                }
                case Change.Remove(Element what) -> {
                    altered.add(what.kind());
                    once(seen, what.id());
                    if (!elements.remove(what.id(), what)) {
                        throw new Conflict("'" + what.id() + "' is not there as it is to be removed");
                    }
                }
                case Change.Set set -> {}
            }
        }
        for (Change change : changes) {
            if (change instanceof Change.Set(String id, Setting<?> setting, Object from, Object to)) {
                once(seen, new Address(id, setting.key()));
                Element element = elements.get(id);
                if (element == null) {
                    throw new Conflict("there is no element '" + id + "'");
                }
                if (seen.contains(id)) {
                    throw new Conflict("'" + id + "' is added and altered by one list");
                }
                if (!Objects.equals(element.raw(setting), from)) {
                    throw new Conflict(id + "/" + setting.key() + " stands at " + element.raw(setting) + ", not at "
                            + from + " as the change expects");
                }
                altered.add(element.kind());
                try {
                    elements.put(id, element.put(setting, to));
                } catch (IllegalArgumentException e) {
                    throw new Conflict(String.valueOf(e.getMessage()));
                }
            }
        }
        return rig.with(elements, altered);
    }

    private static void once(Set<Object> seen, Object what) {
        if (!seen.add(what)) {
            throw new Conflict("two changes to " + what + " in one list");
        }
    }

    /** The changes that take these back, in an order that can be applied. */
    public static List<Change> inverse(List<? extends Change> changes) {
        List<Change> back = new ArrayList<>();
        changes.forEach(change -> back.add(change.inverse()));
        Collections.reverse(back);
        return back;
    }

    /** The changes that lead from one rig to another, in the order of ids and settings. */
    public static List<Change> between(Rig from, Rig to) {
        List<Change> changes = new ArrayList<>();
        for (Element after : to.elements()) {
            Element before = from.find(after.id());
            if (before == null) {
                changes.add(new Change.Add(after));
            } else if (before != after && !before.equals(after)) {
                if (before.kind() != after.kind() || !before.extras().equals(after.extras())) {
                    throw new IllegalArgumentException("'" + after.id() + "' is not the same thing in both");
                }
                Map<String, Setting<?>> keys = new TreeMap<>();
                for (Element each : List.of(before, after)) {
                    for (String key : each.keys()) {
                        keys.computeIfAbsent(key, k -> Objects.requireNonNull(Catalogue.find(after.kind(), k)));
                    }
                }
                for (Setting<?> setting : keys.values()) {
                    if (!Objects.equals(before.raw(setting), after.raw(setting))) {
                        changes.add(new Change.Set(after.id(), setting, before.raw(setting), after.raw(setting)));
                    }
                }
            }
        }
        for (Element before : from.elements()) {
            if (to.find(before.id()) == null) {
                changes.add(new Change.Remove(before));
            }
        }
        return changes;
    }

    /** The removal of an element and of all that lives inside it. */
    public static List<Change> removal(Rig rig, String id) {
        List<Change> changes = new ArrayList<>();
        collect(rig, rig.get(id), changes, new HashSet<>());
        return changes;
    }

    /** Collects the removal of what lives inside an element. */
    private static void collect(Rig rig, Element element, List<Change> changes, Set<String> seen) {
        if (!seen.add(element.id())) {
            return;
        }
        for (Kind kind : Kind.values()) {
            rig.in(element.id(), kind).forEach(inner -> collect(rig, inner, changes, seen));
        }
        changes.add(new Change.Remove(element));
    }

    /** What changes set, whatever to; of what they add or remove, the change itself. */
    public static Set<Object> places(Collection<Change> changes) {
        return changes.stream()
                .map(c -> c instanceof Change.Set set ? (Object) set.address() : c)
                .collect(Collectors.toSet());
    }
}
