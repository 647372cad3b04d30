package org.gullyrun.core.flow.graph;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * What one scene of a production brings: inputs through entries, groups and included scenes of any depth.
 *
 * <p>Levels add and mutes join along inclusion; of several entries for one input the highest not muted counts. A scene that
 * reaches itself is not followed a second time: entries are followed depth first in their order, and one that brings a
 * scene which is being followed already brings nothing. Cost: entries × inputs, however often scenes bring each other.
 */
public final class SceneComposition {

    /** One copy: an input brought a second time by an entry. */
    public record Copy(String input, String entry) {}

    private record Expansion(Map<String, Presence> inputs, Map<Copy, Presence> copies, boolean cut) {
        static final Expansion CUT = new Expansion(Map.of(), Map.of(), true);
    }

    /** The compositions of all scenes of a rig, which share what they work out. */
    static final class Cache {
        private final Map<String, Expansion> whole = new HashMap<>();
    }

    private static final Presence ALWAYS = new Presence(true, 0, "", List.of());

    private final Rig rig;
    /** Of scenes that do not reach themselves: the same wherever one comes from. */
    private final Map<String, Expansion> whole;
    /** Of scenes from which an entry was left out: good for this composition only. */
    private final Map<String, Expansion> cut = new HashMap<>();

    private final Map<String, Presence> inputs;
    private final Map<Copy, Presence> copies;

    /** Follows all inclusions from the scene down. Scenes that contain each other are followed once. */
    private SceneComposition(Rig rig, Element production, String scene, Cache cache) {
        this.rig = rig;
        this.whole = cache.whole;
        Map<String, Presence> all = new HashMap<>();
        List<Element> own = rig.in(production.id(), Kind.INPUT);
        if (scene.isEmpty()) {
            own.forEach(input -> all.put(input.id(), ALWAYS));
            this.copies = Map.of();
        } else {
            Expansion expansion = expand(scene);
            for (Element input : own) {
                Presence presence = expansion.inputs.get(input.id());
                if (presence != null) {
                    all.put(input.id(), presence);
                } else if (input.is(Productions.ALWAYS, false)) {
                    all.put(input.id(), ALWAYS);
                }
            }
            this.copies = expansion.copies;
        }
        this.inputs = all;
    }

    /** What a scene of a production brings; with an empty scene id, all inputs of a production without scenes. */
    public static SceneComposition of(Rig rig, Element production, String scene) {
        return of(rig, production, scene, new Cache());
    }

    /** The same, sharing what was worked out for other scenes of the rig. */
    static SceneComposition of(Rig rig, Element production, String scene, Cache cache) {
        return new SceneComposition(rig, production, scene, cache);
    }

    /** How the scene has an input, or null if it has not. */
    public @Nullable Presence input(String id) {
        return inputs.get(id);
    }

    /** The copies that the scene brings. */
    public Map<Copy, Presence> copies() {
        return copies;
    }

    /** A scene that is being followed: which entry is next, and what has been found. */
    private final class Frame {
        final String scene;
        final Iterator<Element> entries;
        final Map<String, Presence> in = new HashMap<>();
        final Map<Copy, Presence> twice = new HashMap<>();
        boolean cut;

        Frame(String scene) {
            this.scene = scene;
            this.entries = rig.in(scene, Kind.ENTRY).iterator();
        }
    }

    /** Without recursion: a file may nest scenes deeper than the stack is. */
    private Expansion expand(String start) {
        Deque<Frame> path = new ArrayDeque<>();
        Set<String> following = new HashSet<>(Set.of(start));
        Deque<Element> by = new ArrayDeque<>();
        Expansion done = known(start);
        if (done != null) {
            return done;
        }
        path.push(new Frame(start));
        while (true) {
            Frame frame = path.element();
            if (done != null) {
                bring(frame, by.pop(), done);
                done = null;
            }
            boolean inner = false;
            while (!inner && frame.entries.hasNext()) {
                Element entry = frame.entries.next();
                Element brought = rig.find(entry.get(Productions.BRINGS));
                if (brought == null) {
                    continue; // reported, and counts as bringing nothing
                }
                switch (brought.kind()) {
                    case INPUT, GROUP -> bring(frame, entry, members(brought));
                    case SCENE -> {
                        Expansion known = following.contains(brought.id()) ? Expansion.CUT : known(brought.id());
                        if (known == null) {
                            by.push(entry);
                            following.add(brought.id());
                            path.push(new Frame(brought.id()));
                            inner = true;
                        } else {
                            bring(frame, entry, known);
                        }
                    }
                    // An entry that brings anything else brings nothing.
                    case MACHINE, DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION -> {}
                    case APP_OUTPUT, MIXER, STRIP, BUS, PRODUCTION, ENTRY, OUTPUT, SOURCE, OUTLET -> {}
                }
            }
            if (!inner) {
                done = new Expansion(frame.in, frame.twice, frame.cut);
                (frame.cut ? cut : whole).put(frame.scene, done);
                following.remove(frame.scene);
                path.pop();
                if (path.isEmpty()) {
                    return done;
                }
            }
        }
    }

    private @Nullable Expansion known(String scene) {
        Expansion all = whole.get(scene);
        return all != null ? all : cut.get(scene);
    }

    /** Brings inputs by an entry: levels add up, a mute counts for all below it. */
    private static void bring(Frame frame, Element entry, List<String> inputs) {
        boolean open = !entry.is(Productions.ENTRY_MUTED, false);
        Presence one = new Presence(open, entry.or(Productions.ENTRY_LEVEL, 0.0), entry.id(), List.of());
        for (String input : inputs) {
            if (entry.is(Productions.COPY, false)) {
                frame.twice.merge(new Copy(input, entry.id()), one, SceneComposition::louder);
            } else {
                frame.in.merge(input, one, SceneComposition::louder);
            }
        }
    }

    /** Brings what a scene within brings: levels add up, and a copy of the scene is a copy of each of its inputs. */
    private static void bring(Frame frame, Element entry, Expansion inner) {
        frame.cut |= inner.cut;
        boolean copies = entry.is(Productions.COPY, false); // a copy of a scene is a copy of each input that it brings
        inner.inputs.forEach((id, p) -> {
            if (copies) {
                frame.twice.merge(new Copy(id, entry.id()), within(p, entry), SceneComposition::louder);
            } else {
                frame.in.merge(id, within(p, entry), SceneComposition::louder);
            }
        });
        inner.copies.forEach((id, p) -> frame.twice.merge(id, within(p, entry), SceneComposition::louder));
    }

    /** The inputs that an entry brings: itself, or the members of a group. */
    private List<String> members(Element brought) {
        if (brought.kind() == Kind.INPUT) {
            return List.of(brought.id());
        }
        List<String> members = new ArrayList<>();
        String prefix = Productions.MEMBER.key() + ":";
        for (String key : brought.keys()) {
            if (key.startsWith(prefix)) {
                String input = key.substring(prefix.length());
                if (brought.is(Productions.MEMBER.of(input), false)) {
                    members.add(input);
                }
            }
        }
        return members;
    }

    private static Presence within(Presence inner, Element entry) {
        boolean both = inner.open() && !entry.is(Productions.ENTRY_MUTED, false);
        return new Presence(both, inner.level() + entry.or(Productions.ENTRY_LEVEL, 0.0), entry.id(), List.of(inner));
    }

    private static Presence louder(Presence a, Presence b) {
        double level = a.open() && b.open() ? Math.max(a.level(), b.level()) : a.open() ? a.level() : b.level();
        return new Presence(a.open() || b.open(), level, "", List.of(a, b));
    }
}
