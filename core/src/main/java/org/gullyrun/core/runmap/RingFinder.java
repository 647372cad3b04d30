package org.gullyrun.core.runmap;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** Finds where on the map something was changed. What is not drawn on it, as a mode of a scene, is left out. */
final class RingFinder {
    private static final String ARROW = " → ";

    private final Rig before;
    private final Rig after;
    private final MapModel map;
    private final Map<String, MapDifference.Ring> rings = new LinkedHashMap<>();

    RingFinder(Rig before, Rig after, MapModel map) {
        this.before = before;
        this.after = after;
        this.map = map;
    }

    /** The rings of changes; the points at which they are come to those lit. */
    List<MapDifference.Ring> of(List<? extends Change> changes, Set<PointId> lit) {
        for (Change change : changes) {
            switch (change) {
                case Change.Add(Element what) -> ring(shown(what), "", "new", lit);
                case Change.Remove(Element what) -> ring(shown(what), "", "removed", lit);
                case Change.Set set -> ring(set, lit);
            }
        }
        return new ArrayList<>(rings.values());
    }

    private void ring(Change.Set set, Set<PointId> lit) {
        Element element = after.find(set.element());
        if (element == null) {
            return;
        }
        Setting<?> setting = set.setting();
        if (element.kind() == Kind.MACHINE && set.to() instanceof Choice.To(String now)) {
            String what = setting.label();
            ring(now, "", "now the " + what, lit);
            if (set.from() instanceof Choice.To(String was)) {
                ring(was, "", "no longer the " + what, lit);
            }
            return;
        }
        String crossed =
                setting.familyKey().equals("crossings") || setting.familyKey().equals("tracks") ? setting.sub() : "";
        String label = crossed.isEmpty() && !(set.to() instanceof Choice)
                ? Sentences.label(after, element, setting) + ": "
                : "";
        String text = label
                + Sentences.words(before, setting, set.from())
                + ARROW
                + Sentences.words(after, setting, set.to());
        ring(shown(element), crossed, text, lit);
    }

    /** The id of what stands on the map for an element. */
    private static String shown(Element element) {
        return switch (element.kind()) {
            case ENTRY -> element.or(Productions.BRINGS, "");
            default -> element.id();
        };
    }

    /** Rings a row, a crossing or a node, whichever stands for an element. */
    private void ring(String id, String crossed, String text, Set<PointId> lit) {
        Element element = after.find(id) == null ? before.find(id) : after.find(id);
        String program = element == null || element.kind() != Kind.APP_OUTPUT
                ? id
                : (after.find(id) == null ? before : after).program(element).id();
        for (MapNode node : map.nodes()) {
            for (int r = 0; r < node.rows.size(); r++) {
                if (node.rows.get(r).element().equals(id)) {
                    put(node, node.rows.get(r).point(), column(node, crossed), text);
                    lit.add(node.rows.get(r).point());
                    return;
                }
            }
            for (int c = 0; c < node.columns.size(); c++) {
                if (node.columns.get(c).point().element().equals(id)
                        && node.columns.get(c).element().equals(id)
                        && !node.id.equals(id)) {
                    put(node, null, node.columns.get(c).point(), text);
                    lit.add(node.columns.get(c).point());
                    return;
                }
            }
        }
        for (MapNode node : map.nodes()) {
            if (node.id.equals(program)
                    || node.points.stream().anyMatch(p -> p.element().equals(program))) {
                put(node, null, null, text);
                lit.addAll(node.points);
                return;
            }
        }
    }

    /** The column of a bus or track; null if it isn't there. */
    private static @Nullable PointId column(MapNode node, String crossed) {
        for (int c = 0; c < node.columns.size() && !crossed.isEmpty(); c++) {
            PointId point = node.columns.get(c).point();
            boolean track = point.role() == PointId.Role.TRACK
                    && String.valueOf(point.track()).equals(crossed);
            if (track || point.element().equals(crossed)) {
                return point;
            }
        }
        return null;
    }

    private void put(MapNode node, @Nullable PointId row, @Nullable PointId column, String text) {
        rings.merge(
                node.id + " " + row + " " + column,
                new MapDifference.Ring(node.id, row, column, text),
                (a, b) -> new MapDifference.Ring(a.node(), a.row(), a.column(), a.text() + ", " + b.text()));
    }
}
