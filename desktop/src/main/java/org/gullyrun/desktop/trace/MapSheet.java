package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import javafx.css.PseudoClass;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.RestingGroup;
import org.gullyrun.desktop.state.Shown;
import org.jspecify.annotations.Nullable;

/**
 * What is drawn of a map, item by item, in four layers one over the other. An item is drawn again only if it looks
 * different from before, so that one change is answered at once on a big map too.
 */
final class MapSheet {
    private static final PseudoClass LIT = PseudoClass.getPseudoClass("lit");

    /** The layers, from the bottom up. */
    enum Layer {
        /** Patches of bare sheet behind labels. */
        PATCHES,
        CHANNELS,
        BANKS,
        MARKS
    }

    private record Lit(Node node, Set<SegmentKey> keys, Set<PointId> points, boolean onlyWhenLit) {}

    private record Item(Object look, List<Node> nodes, List<Lit> lit) {}

    private final Map<Layer, Group> groups = new HashMap<>();
    private final Group world = new RestingGroup();
    private final Map<Object, Item> items = new HashMap<>();
    private final Set<Object> seen = new HashSet<>();
    private Item item = new Item("", new ArrayList<>(), new ArrayList<>());

    MapSheet() {
        for (Layer layer : Layer.values()) {
            Group group = new Group();
            groups.put(layer, group);
            world.getChildren().add(group);
        }
    }

    Group world() {
        return world;
    }

    /** Begins to draw all items anew or again. */
    void begin() {
        seen.clear();
    }

    /**
     * Begins an item.
     *
     * @param look all that its looks depend on
     * @return whether it has to be drawn; if not, it stands there already
     */
    boolean item(Object key, Object look) {
        seen.add(key);
        Item known = items.get(key);
        if (known != null && known.look.equals(look)) {
            return false;
        }
        if (known != null) {
            remove(known);
        }
        item = new Item(look, new ArrayList<>(), new ArrayList<>());
        items.put(key, item);
        return true;
    }

    /** Takes away the items that were not met since {@link #begin()}. */
    void end() {
        items.entrySet().removeIf(entry -> {
            if (!seen.contains(entry.getKey())) {
                remove(entry.getValue());
                return true;
            }
            return false;
        });
    }

    /** Takes everything that was drawn of an item off the sheet. */
    private static void remove(Item item) {
        for (Node node : item.nodes) {
            if (node.getParent() instanceof Group group) {
                group.getChildren().remove(node);
            }
        }
    }

    /** Adds something to the item begun; a label clears the sheet behind it, as maps do, so that no line shows through. */
    void put(Layer layer, Node node) {
        if (node instanceof Text text && layer == Layer.BANKS) {
            var bounds = text.getLayoutBounds();
            double trim = bounds.getHeight() * 0.12;
            Rectangle patch = new Rectangle(
                    bounds.getMinX() - 1,
                    bounds.getMinY() + trim,
                    bounds.getWidth() + 2,
                    bounds.getHeight() - 2 * trim);
            patch.getStyleClass().add("patch");
            patch.setSmooth(false); // its edges are not seen, and smoothing them takes eight times as long
            add(Layer.PATCHES, patch);
        }
        add(layer, node);
    }

    private Group group(Layer layer) {
        return Objects.requireNonNull(groups.get(layer));
    }

    /** Adds a node to a layer, and to the item being drawn. */
    private void add(Layer layer, Node node) {
        group(layer).getChildren().add(node);
        item.nodes.add(node);
    }

    /** Adds something that is lit with segments. */
    void put(Layer layer, Node node, Set<SegmentKey> keys) {
        put(layer, node);
        item.lit.add(new Lit(node, Set.copyOf(keys), Set.of(), false));
    }

    /** Adds something that is lit with points. */
    void putAt(Layer layer, Node node, Set<PointId> points) {
        put(layer, node);
        item.lit.add(new Lit(node, Set.of(), Set.copyOf(points), false));
    }

    /** Adds something that is to be seen only while its segment is lit. */
    void putHidden(Layer layer, Node node, SegmentKey key) {
        node.setVisible(false);
        put(layer, node);
        item.lit.add(new Lit(node, Set.of(key), Set.of(), true));
    }

    /** Lights what is shown and dims the rest; {@code wrong} is drawn as wrong, {@code went} as gone. */
    void light(Shown shown, Set<SegmentKey> wrong, Set<SegmentKey> went) {
        boolean any = !shown.isEmpty();
        List<Node> above = new ArrayList<>();
        for (Item each : items.values()) {
            for (Lit one : each.lit) {
                if (light(one, shown, wrong, went, any) && one.node.getParent() == groups.get(Layer.CHANNELS)) {
                    above.add(one.node);
                }
            }
        }
        raise(above);
    }

    /** What is lit, in the map's own measure; null if nothing is. */
    @Nullable
    Bounds litBounds() {
        double left = Double.POSITIVE_INFINITY;
        double top = Double.POSITIVE_INFINITY;
        double right = Double.NEGATIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        for (Item each : items.values()) {
            for (Lit one : each.lit) {
                if (one.node.getPseudoClassStates().contains(LIT)) {
                    Bounds bounds = one.node.getBoundsInParent();
                    left = Math.min(left, bounds.getMinX());
                    top = Math.min(top, bounds.getMinY());
                    right = Math.max(right, bounds.getMaxX());
                    bottom = Math.max(bottom, bounds.getMaxY());
                }
            }
        }
        return left > right ? null : new BoundingBox(left, top, right - left, bottom - top);
    }

    /** Brings lit channels to the top; where they are there already nothing is touched, for that would paint all anew. */
    private void raise(List<Node> above) {
        List<Node> all = group(Layer.CHANNELS).getChildren();
        if (!new HashSet<>(all.subList(all.size() - above.size(), all.size())).containsAll(above)) {
            above.forEach(Node::toFront);
        }
    }

    /** Dims or lights one item, and returns whether anything changed. */
    private static boolean light(Lit one, Shown shown, Set<SegmentKey> wrong, Set<SegmentKey> went, boolean any) {
        boolean on = false;
        boolean bad = false;
        boolean gone = false;
        for (SegmentKey key : one.keys) {
            on |= shown.segments().contains(key);
            bad |= wrong.contains(key);
            gone |= went.contains(key);
        }
        for (PointId point : one.points) {
            on |= shown.points().contains(point);
        }
        Node node = one.node;
        if (one.onlyWhenLit) {
            node.setVisible(any && on);
        }
        Nodes.mark(node, "lit", any && on);
        Nodes.mark(node, "dimmed", any && !on);
        if (!one.keys.isEmpty()) {
            Nodes.turn(node, "bad", bad && on);
            Nodes.turn(node, "gone", gone && on);
        }
        return any && on;
    }
}
