package org.gullyrun.core.brief;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * What counts for every cell of a brief: what was entered, else what the flags preset, else what a dedicated track
 * wants, else <em>may</em>.
 *
 * <p>A track is dedicated if one source is a must there (then to it alone) or several of one class are (then to the
 * class); all others then count as never.
 */
public final class Wishes {

    /** Why a wish counts. */
    public enum Ground {
        ENTERED,
        PRIVATE,
        LICENSED,
        DEDICATED,
        /** The source is silent in the scene: the public must not hear it there. */
        SILENT,
        /** The outlet must get nothing but what the brief asks for. */
        NOTHING_ELSE,
        NOT_SET
    }

    /** A wish and why it counts. */
    public record Counting(Wish wish, Ground ground) {}

    private record Dedication(Set<String> sources, Sources.@Nullable SourceClass toClass) {}

    private final Rig rig;
    private final Brief brief;
    private final Map<String, Dedication> dedicated = new HashMap<>();
    /** For each scene with wishes of its own, and for all others under the empty id, what counts. */
    private final Map<String, Counting[][]> tables;

    /** Works out every cell once: explicit wishes, presets, dedicated tracks. */
    public Wishes(Rig rig, Brief brief) {
        this.rig = rig;
        this.brief = brief;
        this.tables = new ConcurrentHashMap<>();
        Map<String, Set<String>> musts = new HashMap<>();
        brief.cells().forEach((cell, wish) -> {
            if (wish == Wish.MUST && rig.find(cell.source(), Kind.SOURCE).isPresent()) {
                musts.computeIfAbsent(cell.outlet(), x -> new HashSet<>()).add(cell.source());
            }
        });
        for (Element outlet : rig.of(Kind.OUTLET)) {
            Set<String> wanted = musts.getOrDefault(outlet.id(), Set.of());
            if (outlet.get(Outlets.SORT) == Outlets.Sort.TRACK && !wanted.isEmpty()) {
                List<Sources.SourceClass> classes = new ArrayList<>();
                wanted.forEach(id -> classes.add(rig.get(id).get(Sources.CLASS)));
                if (wanted.size() == 1) {
                    dedicated.put(outlet.id(), new Dedication(wanted, null));
                } else if (classes.getFirst() != null
                        && classes.stream().distinct().count() == 1) {
                    dedicated.put(outlet.id(), new Dedication(wanted, classes.getFirst()));
                }
            }
        }
    }

    /** The wishes of a rig in which nothing differs that they rest on: their tables hold for it too. */
    private Wishes(Wishes same, Rig rig) {
        this.rig = rig;
        this.brief = same.brief;
        this.tables = same.tables;
        this.dedicated.putAll(same.dedicated);
    }

    /**
     * The wishes of another version of the rig: these, where neither brief nor sources nor outlets differ, nor the programs
     * of private sources, which may be heard in their own call.
     */
    public Wishes of(Rig changed, Brief other) {
        return brief == other
                        && rig.of(Kind.SOURCE).equals(changed.of(Kind.SOURCE))
                        && rig.of(Kind.OUTLET).equals(changed.of(Kind.OUTLET))
                        && rig.of(Kind.SOURCE).stream()
                                .filter(source -> source.is(Sources.PRIVATE, false))
                                .allMatch(source -> program(rig, source).equals(program(changed, source)))
                ? new Wishes(this, changed)
                : new Wishes(changed, other);
    }

    private static String program(Rig rig, Element source) {
        return Sources.application(rig, source) instanceof Element program ? program.id() : "";
    }

    /** What counts in a scene for each source of the rig, outlet by outlet. Not to be altered. */
    public Counting[][] table(String scene) {
        boolean own = !scene.isEmpty()
                && (brief.cells().keySet().stream()
                                .anyMatch(cell -> cell.scene().equals(scene))
                        || rig.of(Kind.SOURCE).stream().anyMatch(source -> isOther(source, scene)));
        return tables.computeIfAbsent(own ? scene : "", this::made);
    }

    /** The cells of a scene, which differ from the general ones only where the brief names that scene. */
    private Counting[][] made(String scene) {
        List<Element> outlets = rig.of(Kind.OUTLET);
        return rig.of(Kind.SOURCE).stream()
                .map(source -> outlets.stream()
                        .map(outlet -> of(source, outlet, scene))
                        .toArray(Counting[]::new))
                .toArray(Counting[][]::new);
    }

    /** Whether a source rests or is silent in a scene. */
    private static boolean isOther(Element source, String scene) {
        return source.is(Sources.RESTS.of(scene), false) || source.is(Sources.SILENT.of(scene), false);
    }

    /** What counts for a source at an outlet in a scene (empty: in scenes without an entry of their own). */
    public Counting of(Element source, Element outlet, String scene) {
        if (!scene.isEmpty()
                && source.is(Sources.SILENT.of(scene), false)
                && outlet.get(Outlets.SORT) != Outlets.Sort.EARS) {
            return new Counting(Wish.NEVER, Ground.SILENT);
        }
        Counting usual = usual(source, outlet, scene);
        boolean rests = !scene.isEmpty() && source.is(Sources.RESTS.of(scene), false);
        return rests && usual.wish() == Wish.MUST ? new Counting(Wish.MAY, usual.ground()) : usual;
    }

    /** What counts but for rests and silence: what is entered, then presets, then what the listener is for. */
    private Counting usual(Element source, Element outlet, String scene) {
        Wish entered = brief.entered(source.id(), outlet.id(), scene);
        if (entered != null) {
            return new Counting(entered, Ground.ENTERED);
        }
        Outlets.Sort sort = outlet.get(Outlets.SORT);
        if (source.is(Sources.PRIVATE, false) && sort != null && isPublic(sort, source, outlet)) {
            return new Counting(Wish.NEVER, Ground.PRIVATE);
        }
        if (source.is(Sources.LICENSED, false) && sort == Outlets.Sort.ARCHIVE) {
            return new Counting(Wish.NEVER, Ground.LICENSED);
        }
        if (isForOthers(source, outlet)) {
            return new Counting(Wish.NEVER, Ground.DEDICATED);
        }
        return outlet.is(Outlets.NOTHING_ELSE, false)
                ? new Counting(Wish.NEVER, Ground.NOTHING_ELSE)
                : new Counting(Wish.MAY, Ground.NOT_SET);
    }

    /**
     * Whether private sound must not get there by default: everything but ears, machines and the source's own call.
     */
    private boolean isPublic(Outlets.Sort sort, Element source, Element outlet) {
        return switch (sort) {
            case LIVE, ARCHIVE, RELAY, ROOM, TRACK -> true;
            case FAR_END -> {
                Element own = Sources.application(rig, source);
                yield own == null || !own.id().equals(outlet.get(Outlets.APPLICATION));
            }
            case EARS, MACHINE -> false;
        };
    }

    /** Whether an outlet is a track that is dedicated to others than this source. */
    public boolean isForOthers(Element source, Element outlet) {
        Dedication dedication = dedicated.get(outlet.id());
        return dedication != null
                && !dedication.sources.contains(source.id())
                && (dedication.toClass == null || source.get(Sources.CLASS) != dedication.toClass);
    }

    /** The ids of the sources to which a track is dedicated; empty if it is not. */
    public Set<String> dedicatedTo(String outlet) {
        Dedication dedication = dedicated.get(outlet);
        return dedication == null ? Set.of() : Set.copyOf(dedication.sources);
    }

    /** The rig that these wishes are of. */
    public Rig rig() {
        return rig;
    }
}
