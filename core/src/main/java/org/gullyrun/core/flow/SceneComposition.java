package org.gullyrun.core.flow;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
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
 * <p>Levels add and mutes join along inclusion; of several entries for one input the highest not muted counts.
 */
public final class SceneComposition {

    /**
     * How a scene has an input.
     *
     * @param open whether some entry that brings it is not muted
     * @param level the level in dB of the highest entry that is not muted, 0 if all are
     * @param entries the entries that bring it, in the order found; empty for an input that is <em>always</em> there
     */
    public record Presence(boolean open, double level, List<String> entries) {}

    /** One copy: an input brought a second time by an entry. */
    public record Copy(String input, String entry) {}

    private record Expansion(Map<String, Presence> inputs, Map<Copy, Presence> copies, boolean cut) {}

    private final Rig rig;
    private final Map<String, Expansion> finished = new HashMap<>();
    private final Map<String, Presence> inputs;
    private final Map<Copy, Presence> copies;

    private SceneComposition(Rig rig, Element production, String scene) {
        this.rig = rig;
        Map<String, Presence> all = new HashMap<>();
        List<Element> own = rig.in(production.id(), Kind.INPUT);
        if (scene.isEmpty()) {
            own.forEach(input -> all.put(input.id(), new Presence(true, 0, List.of())));
            this.copies = Map.of();
        } else {
            Expansion expansion = expand(scene, new HashSet<>());
            for (Element input : own) {
                Presence presence = expansion.inputs.get(input.id());
                if (presence != null) {
                    all.put(input.id(), presence);
                } else if (input.is(Productions.ALWAYS, false)) {
                    all.put(input.id(), new Presence(true, 0, List.of()));
                }
            }
            this.copies = expansion.copies;
        }
        this.inputs = all;
    }

    /** What a scene of a production brings; with an empty scene id, all inputs of a production without scenes. */
    public static SceneComposition of(Rig rig, Element production, String scene) {
        return new SceneComposition(rig, production, scene);
    }

    /** How the scene has an input, or null if it has not. */
    public @Nullable Presence input(String id) {
        return inputs.get(id);
    }

    /** The copies that the scene brings. */
    public Map<Copy, Presence> copies() {
        return copies;
    }

    private Expansion expand(String scene, Set<String> path) {
        Expansion known = finished.get(scene);
        if (known != null) {
            return known;
        }
        if (!path.add(scene)) {
            return new Expansion(Map.of(), Map.of(), true); // reaches itself: not followed a second time
        }
        Map<String, Presence> in = new HashMap<>();
        Map<Copy, Presence> twice = new HashMap<>();
        boolean cut = false;
        for (Element entry : rig.in(scene, Kind.ENTRY)) {
            Element brought = rig.find(entry.get(Productions.BRINGS));
            double level = entry.or(Productions.ENTRY_LEVEL, 0.0);
            boolean open = !entry.is(Productions.ENTRY_MUTED, false);
            boolean copy = entry.is(Productions.COPY, false);
            switch (brought == null ? Kind.MACHINE : brought.kind()) {
                case INPUT, GROUP -> {
                    for (String input : members(brought)) {
                        Presence one = new Presence(open, open ? level : 0, List.of(entry.id()));
                        if (copy) {
                            twice.merge(new Copy(input, entry.id()), one, SceneComposition::louder);
                        } else {
                            in.merge(input, one, SceneComposition::louder);
                        }
                    }
                }
                case SCENE -> {
                    Expansion inner = expand(brought.id(), path);
                    cut |= inner.cut;
                    inner.inputs.forEach(
                            (id, p) -> in.merge(id, within(p, entry, open, level), SceneComposition::louder));
                    inner.copies.forEach(
                            (id, p) -> twice.merge(id, within(p, entry, open, level), SceneComposition::louder));
                }
                default -> {} // nothing there to bring: reported, and counts as bringing nothing
            }
        }
        path.remove(scene);
        Expansion expansion = new Expansion(in, twice, cut);
        if (!cut) {
            finished.put(scene, expansion);
        }
        return expansion;
    }

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

    private static Presence within(Presence inner, Element entry, boolean open, double level) {
        List<String> entries = new ArrayList<>(inner.entries);
        entries.add(entry.id());
        boolean both = inner.open && open;
        return new Presence(both, both ? inner.level + level : 0, entries);
    }

    private static Presence louder(Presence a, Presence b) {
        List<String> entries = new ArrayList<>(a.entries);
        entries.addAll(b.entries);
        double level = a.open && b.open ? Math.max(a.level, b.level) : a.open ? a.level : b.level;
        return new Presence(a.open || b.open, level, entries);
    }
}
