package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
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
 * What is drawn of a map, item by item, in four layers one over the other. An item is drawn once it comes into sight, and
 * again only if it looks different from before, so that one change is answered at once on a big map too.
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

    /** A node in its layer. */
    private record Drawn(Layer layer, Node node) {}

    /** Something that is lit with segments or points. */
    private record Lit(Node node, Set<SegmentKey> keys, Set<PointId> points) {}

    /** What is lit, and what of it is wrong or gone. */
    private record Light(Shown shown, Set<SegmentKey> wrong, Set<SegmentKey> went) {
        boolean any() {
            return !shown.isEmpty();
        }
    }

    /** A plan and what has been drawn of it, and whether that is in the window. */
    private static final class Item {
        private MapPlan plan;
        /** Draws it; null once that is done. */
        private @Nullable Runnable draw;

        private final List<Drawn> nodes = new ArrayList<>();
        private final List<Lit> lit = new ArrayList<>();
        private final List<WhenLit> whenLit = new ArrayList<>();
        private boolean isIn;
        private boolean isLit;

        Item(MapPlan plan, Runnable draw) {
            this.plan = plan;
            this.draw = draw;
        }

        /** Whether any of it is lit with what is shown. */
        boolean isLitBy(Shown shown) {
            return plan.keys().stream().anyMatch(shown.segments()::contains)
                    || plan.points().stream().anyMatch(shown.points()::contains);
        }
    }

    private final Map<Layer, Group> groups = new EnumMap<>(Layer.class);
    private final Group world = new RestingGroup();
    private final Map<Object, Item> items = new LinkedHashMap<>();
    private final Set<Object> seen = new HashSet<>();
    /** What goes into and out of the window with the next {@link #lay}: each layer is changed once, not node by node. */
    private final Map<Layer, List<Node>> coming = new EnumMap<>(Layer.class);

    private final Map<Layer, Set<Node>> going = new EnumMap<>(Layer.class);
    /** Only what lies in here is in the window; null for everything. */
    private @Nullable Bounds sight;

    /** Whether nodes go in and out just now. What is under the pointer may go with them, which asks for other light. */
    private boolean isLaying;

    private @Nullable Runnable afterwards;
    private Light light = new Light(Shown.NOTHING, Set.of(), Set.of());
    /** The item being drawn. */
    private @Nullable Item item;

    /** A sheet on which only what lies in some bounds is in the window; null for everything. */
    MapSheet(@Nullable Bounds sight) {
        this.sight = sight;
        for (Layer layer : Layer.values()) {
            Group group = new Group();
            groups.put(layer, group);
            world.getChildren().add(group);
            coming.put(layer, new ArrayList<>());
            going.put(layer, new HashSet<>());
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
     * Has an item on the map. If it looks as before, what was drawn of it stays.
     *
     * @param draw puts what it consists of here; done once any of it is to be seen
     */
    void item(MapPlan plan, Runnable draw) {
        seen.add(plan.key());
        Item known = items.get(plan.key());
        if (known != null && known.plan.look().equals(plan.look())) {
            if (known.draw != null) {
                known.plan = plan;
                known.draw = draw;
            }
            return;
        }
        if (known != null) {
            takeOut(known);
        }
        items.put(plan.key(), new Item(plan, draw));
    }

    /** Draws an item for the first time, lit as the others are. */
    private void draw(Item fresh, Runnable draw) {
        fresh.draw = null;
        item = fresh;
        draw.run();
        item = null;
        fresh.lit.forEach(one -> light(one, light));
    }

    /** Takes away the items that were not met since {@link #begin()}. */
    void end() {
        items.entrySet().removeIf(entry -> {
            if (!seen.contains(entry.getKey())) {
                takeOut(entry.getValue());
                return true;
            }
            return false;
        });
        lay();
        catchUp();
    }

    /** Has only what lies in some bounds in the window; null for everything. */
    void see(@Nullable Bounds room) {
        sight = room;
        if (isLaying) {
            afterwards = afterwards == null ? () -> see(room) : afterwards; // lighting lays, too
            return;
        }
        lay();
        catchUp();
    }

    /** Takes everything that was drawn of an item out of the window. */
    private void takeOut(Item gone) {
        if (gone.isIn) {
            gone.isIn = false;
            gone.nodes.forEach(drawn -> layer(going, drawn.layer).add(drawn.node));
        }
        gone.whenLit.forEach(this::takeOut);
    }

    private void takeOut(WhenLit ways) {
        layer(going, ways.layer()).addAll(ways.takeOut());
    }

    /** Brings into the window what belongs there, and takes out what doesn't. */
    private void lay() {
        for (Item each : items.values()) {
            boolean belongs = sight == null || each.plan.bounds().intersects(sight);
            if (belongs && !each.isIn) {
                if (each.draw != null) {
                    draw(each, each.draw);
                }
                each.isIn = true;
                each.nodes.forEach(drawn -> layer(coming, drawn.layer).add(drawn.node));
                each.whenLit.forEach(ways -> {
                    take(ways);
                    layer(coming, ways.layer()).addAll(ways.draw());
                });
            } else if (!belongs) {
                takeOut(each);
            }
        }
        isLaying = true;
        for (Layer layer : Layer.values()) {
            Set<Node> out = layer(going, layer);
            if (!out.isEmpty()) {
                group(layer).getChildren().removeAll(out);
                out.clear();
            }
            List<Node> in = layer(coming, layer);
            if (!in.isEmpty()) {
                group(layer).getChildren().addAll(in);
                in.clear();
            }
        }
        isLaying = false;
    }

    /** Does what was asked for while nodes went in and out, when they can't be changed again. */
    private void catchUp() {
        Runnable missed = afterwards;
        afterwards = null;
        if (missed != null) {
            missed.run();
        }
    }

    private static <T> T layer(Map<Layer, T> of, Layer layer) {
        return Objects.requireNonNull(of.get(layer));
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
        return layer(groups, layer);
    }

    private Item item() {
        return Objects.requireNonNull(item, "nothing is being drawn");
    }

    /** Adds a node to a layer of the item being drawn. */
    private void add(Layer layer, Node node) {
        item().nodes.add(new Drawn(layer, node));
    }

    /** Adds something that is lit with segments. */
    void put(Layer layer, Node node, Set<SegmentKey> keys) {
        put(layer, node);
        item().lit.add(new Lit(node, Set.copyOf(keys), Set.of()));
    }

    /** Adds something that is lit with points. */
    void putAt(Layer layer, Node node, Set<PointId> points) {
        put(layer, node);
        item().lit.add(new Lit(node, Set.of(), Set.copyOf(points)));
    }

    /** Adds something that is drawn only while any of its segments is lit, of those that are. */
    void whenLit(Layer layer, Set<SegmentKey> keys, Function<Set<SegmentKey>, Node> draw) {
        item().whenLit.add(new WhenLit(layer, keys, draw));
    }

    /** Lights what is shown and dims the rest; {@code wrong} is drawn as wrong, {@code went} as gone. */
    void light(Shown shown, Set<SegmentKey> wrong, Set<SegmentKey> went) {
        if (isLaying) {
            afterwards = () -> light(shown, wrong, went);
            return;
        }
        light = new Light(shown, wrong, went);
        for (Item each : items.values()) {
            each.isLit = light.any() && each.isLitBy(shown);
            each.lit.forEach(one -> light(one, light));
            if (each.isIn) {
                each.whenLit.forEach(this::drawWhatIsLit);
            }
        }
        lay();
        raise(items.values().stream()
                .filter(each -> each.isLit && each.isIn)
                .flatMap(each -> each.lit.stream()
                        .map(Lit::node)
                        .filter(node -> node.getPseudoClassStates().contains(LIT) && isChannel(each, node)))
                .toList());
        catchUp();
    }

    private static boolean isChannel(Item item, Node node) {
        return item.nodes.stream().anyMatch(drawn -> drawn.node == node && drawn.layer == Layer.CHANNELS);
    }

    /** Draws what is seen only while it is lit, where that is something else than before. */
    private void drawWhatIsLit(WhenLit ways) {
        if (take(ways)) {
            takeOut(ways);
            layer(coming, ways.layer()).addAll(ways.draw());
        }
    }

    /** Tells something what of it is lit; whether that is something else than before. */
    private boolean take(WhenLit ways) {
        return ways.take(light.any() ? light.shown.segments() : Set.of(), light.wrong, light.went);
    }

    /** What is lit, in the map's own measure; null if nothing is. */
    @Nullable
    Bounds litBounds() {
        List<Bounds> lit = lit();
        return lit.isEmpty() ? null : around(lit);
    }

    /** Where what is lit ends, at the right: at a listener, if it gets so far; null if nothing is lit. */
    @Nullable
    Bounds litEnd() {
        return lit().stream().max(Comparator.comparingDouble(Bounds::getMaxX)).orElse(null);
    }

    private List<Bounds> lit() {
        return sight == null
                ? items.values().stream()
                        .flatMap(each -> each.lit.stream())
                        .map(Lit::node)
                        .filter(node -> node.getPseudoClassStates().contains(LIT))
                        .map(Node::getBoundsInParent)
                        .toList()
                : items.values().stream()
                        .filter(each -> each.isLit)
                        .map(each -> each.plan.bounds())
                        .toList();
    }

    /** The bounds around some others. */
    private static Bounds around(List<Bounds> all) {
        double left = Double.POSITIVE_INFINITY;
        double top = Double.POSITIVE_INFINITY;
        double right = Double.NEGATIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        for (Bounds bounds : all) {
            left = Math.min(left, bounds.getMinX());
            top = Math.min(top, bounds.getMinY());
            right = Math.max(right, bounds.getMaxX());
            bottom = Math.max(bottom, bounds.getMaxY());
        }
        return left > right ? new BoundingBox(0, 0, 0, 0) : new BoundingBox(left, top, right - left, bottom - top);
    }

    /** Brings lit channels to the top; where they are there already nothing is touched, for that would paint all anew. */
    private void raise(List<Node> above) {
        List<Node> all = group(Layer.CHANNELS).getChildren();
        if (!new HashSet<>(all.subList(all.size() - above.size(), all.size())).containsAll(above)) {
            above.forEach(Node::toFront);
        }
    }

    /** Dims or lights a node. */
    private static void light(Lit one, Light light) {
        boolean on = one.points.stream().anyMatch(light.shown.points()::contains);
        boolean bad = false;
        boolean gone = false;
        for (SegmentKey key : one.keys) {
            on |= light.shown.segments().contains(key);
            bad |= light.wrong.contains(key);
            gone |= light.went.contains(key);
        }
        Nodes.mark(one.node, "lit", light.any() && on);
        Nodes.mark(one.node, "dimmed", light.any() && !on);
        if (!one.keys.isEmpty()) {
            Nodes.turn(one.node, "bad", bad && on);
            Nodes.turn(one.node, "gone", gone && on);
        }
    }
}
