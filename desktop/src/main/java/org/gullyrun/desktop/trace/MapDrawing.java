package org.gullyrun.desktop.trace;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.Group;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.runmap.MapDifference;
import org.gullyrun.core.runmap.MapEdge;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.core.runmap.MapNode;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Shown;
import org.gullyrun.desktop.trace.MapSheet.Layer;
import org.jspecify.annotations.Nullable;

/** Draws a laid-out run map, keeps it up with changes that leave everything in its place, and lights parts of it. */
final class MapDrawing {
    private final MapGeometry geometry;
    private final MapSheet sheet;
    private final MapChannels channels;
    private final MapBanks banks;
    private final MapGrid grids;
    private final MapRings marks;
    private MapModel model;
    private Map<String, MapNode> nodes = Map.of();

    /**
     * Draws a map.
     *
     * @param sight what is in the window at first; null for everything
     */
    MapDrawing(
            MapModel model,
            MapGeometry geometry,
            @Nullable Bounds sight,
            Consumer<Selection> select,
            Consumer<Selection> preview) {
        this.model = model;
        this.sheet = new MapSheet(sight);
        this.geometry = geometry;
        this.channels = new MapChannels(sheet, geometry);
        this.banks = new MapBanks(sheet, geometry, select, preview);
        this.grids = new MapGrid(sheet, geometry, banks);
        this.marks = new MapRings(geometry, id -> nodes.get(id));
        draw(model);
        sheet.world().getChildren().add(marks.group());
    }

    Group world() {
        return sheet.world();
    }

    MapGeometry geometry() {
        return geometry;
    }

    /** Shows another map of the same places; false if it would need others. */
    boolean update(MapModel other, MapLayout layout) {
        if (other == model && geometry.isOf(layout)) {
            return true; // it stands there already
        }
        if (!geometry.take(layout, other)) {
            return false;
        }
        model = other;
        draw(other);
        return true;
    }

    /** Has only what lies in some bounds in the window; null for everything. */
    void see(@Nullable Bounds sight) {
        sheet.see(sight);
    }

    /** Lights what is shown and dims the rest; {@code wrong} is drawn as wrong, {@code went} as gone. */
    void light(Shown shown, Set<SegmentKey> wrong, Set<SegmentKey> went) {
        sheet.light(shown, wrong, went);
    }

    /** Rings the places at which something was changed, and says what. */
    void ring(List<MapDifference.Ring> rings) {
        marks.draw(rings);
    }

    /** How far down the first source stands: there one begins to read. */
    double firstSource() {
        return nodes.values().stream()
                .filter(n -> n.stage() == MapNode.Stage.SOURCES)
                .mapToDouble(geometry::top)
                .min()
                .orElse(0);
    }

    /** What is lit, in the map's own measure; null if nothing is. */
    @Nullable
    Bounds litBounds() {
        return sheet.litBounds();
    }

    /** Where what is lit ends, at the right; null if nothing is. */
    @Nullable
    Bounds litEnd() {
        return sheet.litEnd();
    }

    /** Draws channels beneath, then nodes, then names. */
    private void draw(MapModel model) {
        sheet.begin();
        nodes = model.nodes().stream().collect(Collectors.toMap(MapNode::id, n -> n, (a, b) -> a));
        if (!model.nodes().isEmpty()) {
            Bounds above = new BoundingBox(0, 0, geometry.width(), 30 * geometry.metrics.unit());
            sheet.item(new MapPlan("headings", "", above, Set.of(), Set.of()), () -> headings(model));
        }
        int lane = 0;
        for (MapEdge edge : model.edges()) {
            int mine = edge.isReturn() ? lane++ : -1;
            if (edge.isHere()) {
                sheet.item(channels.plan(edge, mine), () -> channels.draw(edge, mine));
            }
        }
        for (MapNode node : model.nodes()) {
            if (node.isGrid()) {
                grids.draw(node);
            } else {
                sheet.item(banks.plan(node), () -> banks.draw(node));
            }
        }
        sheet.end();
    }

    /** Headings above the columns. Two that would meet share the room. */
    private void headings(MapModel model) {
        MapMetrics m = geometry.metrics;
        double u = m.unit();
        Set<MapNode.Stage> done = new HashSet<>();
        List<List<MapNode>> layers = new ArrayList<>(model.layers());
        for (int i = 0; i < layers.size(); i++) {
            MapNode first = layers.get(i).getFirst();
            if (done.add(first.stage())) {
                double x = geometry.left(first);
                double room = i + 1 < layers.size()
                        ? geometry.left(layers.get(i + 1).getFirst()) - x - 8 * u
                        : geometry.width() - x;
                String title = first.stage().title();
                boolean whole = Type.width(title, m.small()) <= room;
                String said = Type.fit(whole ? title : title.replaceFirst(",.*", ""), m.small(), room);
                sheet.put(Layer.BANKS, Nodes.text(said, m.small(), x, 15 * u, "caption"));
            }
        }
        sheet.put(Layer.BANKS, Nodes.line(14 * u, 22 * u, geometry.width() - 8 * u, 22 * u, "grid-line"));
    }
}
