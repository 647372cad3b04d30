package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import javafx.scene.Node;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.desktop.look.Nodes;

/** Something that is drawn only while any of its segments is lit: one node for all that are lit alike. */
final class WhenLit {
    /** How a lit segment looks; what is wrong lies over the rest. */
    private enum Tone {
        PLAIN,
        GONE,
        WRONG
    }

    private final MapSheet.Layer layer;
    private final Set<SegmentKey> keys;
    private final Function<Set<SegmentKey>, Node> draw;
    private Map<Tone, Set<SegmentKey>> lit = Map.of();
    private List<Node> drawn = List.of();

    WhenLit(MapSheet.Layer layer, Set<SegmentKey> keys, Function<Set<SegmentKey>, Node> draw) {
        this.layer = layer;
        this.keys = keys;
        this.draw = draw;
    }

    MapSheet.Layer layer() {
        return layer;
    }

    /** Takes what is lit now, and what of it is wrong or gone; whether that is something else than before. */
    boolean take(Set<SegmentKey> shown, Set<SegmentKey> wrong, Set<SegmentKey> went) {
        Map<Tone, Set<SegmentKey>> now = new EnumMap<>(Tone.class);
        for (SegmentKey key : keys) {
            if (shown.contains(key)) {
                Tone tone = wrong.contains(key) ? Tone.WRONG : went.contains(key) ? Tone.GONE : Tone.PLAIN;
                now.computeIfAbsent(tone, t -> new LinkedHashSet<>()).add(key);
            }
        }
        boolean differs = !now.equals(lit);
        lit = now;
        return differs;
    }

    /** Draws what is lit. */
    List<Node> draw() {
        List<Node> all = new ArrayList<>();
        lit.forEach((tone, alike) -> {
            Node node = draw.apply(alike);
            Nodes.mark(node, "lit", true);
            Nodes.turn(node, "bad", tone == Tone.WRONG);
            Nodes.turn(node, "gone", tone == Tone.GONE);
            all.add(node);
        });
        drawn = all;
        return all;
    }

    /** What was drawn, which goes; it is drawn anew when it is lit again. */
    List<Node> takeOut() {
        List<Node> gone = drawn;
        drawn = List.of();
        return gone;
    }
}
