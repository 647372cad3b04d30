package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.flow.route.OpenView;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Which of some changes can make a difference to which source at which listener, and to which loops, whatever others are made
 * too. So a cell needs to be looked at only for the subsets of its own changes.
 *
 * <p>Needs: readings of the rig as it is, with all changes, with each alone and with all but each. Gives: for each cell the
 * changes, as bits, that alter a segment between what the source reaches and what reaches the listener, over all segments that
 * are open in any of the readings. Cost: linear in the graphs for each scene, plus a search from every source and listener.
 */
final class Touches {
    /** A segment of the union of all graphs. */
    private record Edge(int from, int to, int changes) {}

    private final int[][] cells;
    /** The changes that touch points which reach each other. */
    private int loops;

    private Touches(int sources, int outlets) {
        this.cells = new int[sources][outlets];
    }

    /**
     * Works them out.
     *
     * @param none the rig as it is
     * @param all with all changes
     * @param alone with each change alone; null where it doesn't fit alone
     * @param without with all but each; null where the others don't fit without it
     */
    static Touches of(Reading none, Reading all, List<@Nullable Reading> alone, List<@Nullable Reading> without) {
        Rig rig = none.rig();
        Touches touches =
                new Touches(rig.of(Kind.SOURCE).size(), rig.of(Kind.OUTLET).size());
        for (int scene = 0; scene < none.scenes().size(); scene++) {
            touches.add(rig, new Union(none, all, alone, without, scene));
        }
        return touches;
    }

    /** The changes that can make a difference to a source at a listener, as bits. */
    int of(int source, int outlet) {
        return cells[source][outlet];
    }

    /** The changes that can make a difference to any loop. */
    int ofLoops() {
        return loops;
    }

    /** Adds what is touched in one scene. */
    private void add(Rig rig, Union union) {
        List<Element> sources = rig.of(Kind.SOURCE);
        List<Element> outlets = rig.of(Kind.OUTLET);
        List<BitSet> leading = new ArrayList<>();
        for (Element outlet : outlets) {
            BitSet all = new BitSet();
            outlets.stream()
                    .filter(o -> Outlets.standsFor(o).equals(Outlets.standsFor(outlet)))
                    .forEach(o -> all.or(union.reaching(PointId.of(o.id()))));
            leading.add(all);
        }
        for (int s = 0; s < sources.size(); s++) {
            BitSet comes = union.reachedFrom(PointId.of(sources.get(s).id()));
            for (Edge edge : union.edges) {
                for (int o = 0; o < outlets.size(); o++) {
                    if (edge.changes != 0
                            && comes.get(edge.from)
                            && leading.get(o).get(edge.to)) {
                        cells[s][o] |= edge.changes;
                    }
                }
            }
        }
        for (Edge edge : union.edges) {
            if (edge.changes != 0
                    && (loops & edge.changes) != edge.changes
                    && union.from(edge.to).get(edge.from)) {
                loops |= edge.changes;
            }
        }
    }

    /** The segments of one scene that are open in any of the readings, and which changes alter each. */
    private static final class Union {
        private final Map<PointId, Integer> points = new HashMap<>();
        private final List<Edge> edges = new ArrayList<>();
        private final Map<Integer, List<Integer>> out = new HashMap<>();
        private final Map<Integer, List<Integer>> in = new HashMap<>();

        Union(Reading none, Reading all, List<@Nullable Reading> alone, List<@Nullable Reading> without, int scene) {
            Map<SegmentKey, Integer> altered = new HashMap<>();
            Map<SegmentKey, Double> first = open(none, scene);
            Map<SegmentKey, Double> last = open(all, scene);
            first.keySet().forEach(key -> altered.merge(key, 0, (a, b) -> a | b));
            last.keySet().forEach(key -> altered.merge(key, 0, (a, b) -> a | b));
            for (int c = 0; c < alone.size(); c++) {
                compare(first, alone.get(c), scene, 1 << c, altered);
                compare(last, without.get(c), scene, 1 << c, altered);
            }
            altered.forEach((key, changes) -> {
                int from = points.computeIfAbsent(key.from(), x -> points.size());
                int to = points.computeIfAbsent(key.to(), x -> points.size());
                edges.add(new Edge(from, to, changes));
                out.computeIfAbsent(from, x -> new ArrayList<>()).add(to);
                in.computeIfAbsent(to, x -> new ArrayList<>()).add(from);
            });
        }

        /** Notes which segments differ from those of another reading, in whether they are open or in gain. */
        private static void compare(
                Map<SegmentKey, Double> before,
                @Nullable Reading reading,
                int scene,
                int change,
                Map<SegmentKey, Integer> altered) {
            if (reading == null) {
                return;
            }
            Map<SegmentKey, Double> now = open(reading, scene);
            before.forEach((key, gain) -> {
                if (!Objects.equals(now.get(key), gain)) {
                    altered.merge(key, change, (a, b) -> a | b);
                }
            });
            now.forEach((key, gain) -> {
                if (!before.containsKey(key)) {
                    altered.merge(key, change, (a, b) -> a | b);
                }
            });
        }

        /** The open segments of a scene with their gains in dB. */
        private static Map<SegmentKey, Double> open(Reading reading, int scene) {
            OpenView view = reading.scenes().get(scene).view();
            FlowGraph graph = view.graph();
            Map<SegmentKey, Double> open = new HashMap<>();
            for (int s = 0; s < graph.segments(); s++) {
                if (graph.isOpen(s)) {
                    open.put(graph.key(s), graph.gain(s));
                }
            }
            return open;
        }

        BitSet reachedFrom(PointId point) {
            Integer at = points.get(point);
            return at == null ? new BitSet() : walk(at, out);
        }

        BitSet reaching(PointId point) {
            Integer at = points.get(point);
            return at == null ? new BitSet() : walk(at, in);
        }

        BitSet from(int point) {
            return walk(point, out);
        }

        private static BitSet walk(int start, Map<Integer, List<Integer>> next) {
            BitSet seen = new BitSet();
            List<Integer> open = new ArrayList<>(List.of(start));
            seen.set(start);
            while (!open.isEmpty()) {
                for (int to : next.getOrDefault(open.removeLast(), List.of())) {
                    if (!seen.get(to)) {
                        seen.set(to);
                        open.add(to);
                    }
                }
            }
            return seen;
        }
    }
}
