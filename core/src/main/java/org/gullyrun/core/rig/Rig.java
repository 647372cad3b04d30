package org.gullyrun.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Everything sound passes through at the creator's: elements by id. Immutable; {@link Changes} makes new ones.
 *
 * <p>References between elements may dangle; {@link Dangling} lists those that do.
 */
public final class Rig {
    /** A rig with nothing in it. */
    public static final Rig EMPTY = new Rig(new TreeMap<>(Ids.ORDER), null, Set.of());

    private static final Comparator<Element> LISTED = Comparator.<Element>comparingDouble(
                    e -> e.or(Common.place(e.kind()), 0.0))
            .thenComparing(Element::id, Ids.ORDER);

    private final TreeMap<String, Element> elements;
    /** The same for looking up: a graph asks for elements over and over. */
    private final Map<String, Element> byId;

    private final Map<Kind, List<Element>> byKind = new EnumMap<>(Kind.class);
    private final Map<Kind, Map<String, List<Element>>> byOwner = new EnumMap<>(Kind.class);

    /** Keeps from the rig before whatever indexes the altered kinds don't touch. */
    private Rig(TreeMap<String, Element> elements, @Nullable Rig before, Set<Kind> altered) {
        this.elements = elements;
        this.byId = new HashMap<>(elements);
        for (Kind kind : Kind.values()) {
            if (before == null || altered.contains(kind)) {
                byKind.put(kind, new ArrayList<>());
            } else {
                byKind.put(kind, before.listed(kind));
                if (before.byOwner.get(kind) instanceof Map<String, List<Element>> owned) {
                    byOwner.put(kind, owned);
                }
            }
        }
        for (Element element : elements.values()) {
            if (before == null || altered.contains(element.kind())) {
                listed(element.kind()).add(element);
            }
        }
        for (Kind kind : before == null ? List.of(Kind.values()) : altered) {
            List<Element> list = listed(kind);
            list.sort(LISTED);
            Setting<?> owner = Catalogue.owner(kind);
            if (owner != null) {
                Map<String, List<Element>> owned = new HashMap<>();
                for (Element e : list) {
                    if (e.get(owner) instanceof String id) {
                        owned.computeIfAbsent(id, x -> new ArrayList<>()).add(e);
                    }
                }
                byOwner.put(kind, owned);
            }
        }
    }

    /**
     * A rig of these elements.
     *
     * @throws IllegalArgumentException if two have the same id
     */
    public static Rig of(Collection<Element> elements) {
        TreeMap<String, Element> map = new TreeMap<>(Ids.ORDER);
        for (Element element : elements) {
            if (map.put(element.id(), element) != null) {
                throw new IllegalArgumentException("two elements have the id '" + element.id() + "'");
            }
        }
        return new Rig(map, null, Set.of());
    }

    /** This rig with other elements, which differ from its own only among those of some kinds. */
    Rig with(TreeMap<String, Element> elements, Set<Kind> altered) {
        return new Rig(elements, this, altered);
    }

    TreeMap<String, Element> copy() {
        return new TreeMap<>(elements);
    }

    /** All elements in the order of their ids. */
    public Collection<Element> elements() {
        return Collections.unmodifiableCollection(elements.values());
    }

    private List<Element> listed(Kind kind) {
        return Objects.requireNonNull(byKind.get(kind));
    }

    /** The elements of a kind, in the order of place, then id. */
    public List<Element> of(Kind kind) {
        return Collections.unmodifiableList(listed(kind));
    }

    /** The place of an element among those of a kind, −1 if it isn't one of them. */
    public int place(Kind kind, String id) {
        return listed(kind).indexOf(find(id));
    }

    /** The elements of a kind that live in the element with the given id (a mixer's strips), in order. */
    public List<Element> in(String owner, Kind kind) {
        Map<String, List<Element>> owned = byOwner.get(kind);
        return owned == null ? List.of() : Collections.unmodifiableList(owned.getOrDefault(owner, List.of()));
    }

    /** The element with this id, or null. */
    public @Nullable Element find(@Nullable String id) {
        return id == null ? null : byId.get(id);
    }

    /** The element with this id if it is of that kind. */
    public Optional<Element> find(@Nullable String id, Kind kind) {
        Element found = find(id);
        return found != null && found.kind() == kind ? Optional.of(found) : Optional.empty();
    }

    /**
     * The element with this id.
     *
     * @throws IllegalArgumentException if there is none
     */
    public Element get(String id) {
        Element found = find(id);
        if (found == null) {
            throw new IllegalArgumentException("there is no element '" + id + "'");
        }
        return found;
    }

    /** The element that one lives in (a strip's mixer, an entry's scene), or null. */
    public @Nullable Element owner(Element element) {
        Setting<?> owner = Catalogue.owner(element.kind());
        if (owner == null || !(element.get(owner) instanceof String id) || !(find(id) instanceof Element found)) {
            return null;
        }
        // A file may name anything: a strip lives in a mixer, and in nothing else.
        return owner.type() instanceof ValueType.Ref(Set<Kind> kinds) && kinds.contains(found.kind()) ? found : null;
    }

    /** The program or device that an element belongs to as people see it: the owner of owners, or itself. */
    public Element program(Element element) {
        Element at = element;
        for (int depth = 0; depth < Kind.values().length; depth++) {
            Element up = owner(at);
            if (up == null) {
                break;
            }
            at = up;
        }
        return at;
    }

    /** The id of the computer on which an element is, or what it is part of; null if on none, or if that isn't known. */
    public @Nullable String machine(Element element) {
        Element program = program(element);
        Setting<String> machine = Capabilities.machine(program.kind());
        return machine == null ? null : program.get(machine);
    }

    /** The name of the element with this id; the id itself if there is none such. */
    public String name(String id) {
        Element found = find(id);
        if (found == null) {
            return id;
        }
        return found.kind() == Kind.ENTRY
                ? Sentences.entryName(this, found)
                : found.kind() == Kind.APP_OUTPUT ? OutputNames.alone(this, found) : found.name();
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Rig rig && elements.equals(rig.elements);
    }

    @Override
    public int hashCode() {
        return elements.hashCode();
    }
}
