package org.gullyrun.core.audit;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.flow.reuse.SceneFlow;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.flow.route.BlockedSearch;
import org.gullyrun.core.flow.route.Deliveries;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.flow.route.OpenView;
import org.gullyrun.core.flow.route.Route;
import org.gullyrun.core.flow.route.RouteSearch;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.jspecify.annotations.Nullable;

/** All that is computed of one scene: its graph, deliveries, loops and cells. Immutable to its readers. */
public final class SceneReading {
    private final SceneKey key;
    private final String name;
    private final FlowGraph graph;
    private final SceneFlow flow;
    private final List<SourceRow> rows;
    private final Wishes.Counting[][] wished;
    private final int[] sourcePoints;
    private final int[] outletPoints;
    private final List<CellReading> cells;
    private final int outlets;
    private final boolean readOn;
    private volatile boolean @Nullable [] fed;
    private volatile boolean @Nullable [] behindLoops;

    /**
     * Reads a scene.
     *
     * @param before another scene or version of it, from which is taken over what does not differ
     * @param beside the scene of the same rig that was read just before, if any
     * @param readOn whether there was an earlier version of this scene
     */
    SceneReading(
            SceneKey key,
            SceneFlow flow,
            CellReader reader,
            @Nullable SceneReading before,
            @Nullable SceneReading beside,
            boolean readOn) {
        this.readOn = readOn;
        this.flow = flow;
        this.graph = flow.graph();
        this.key = key;
        this.name = key.name(graph.rig());
        this.outlets = graph.outlets().length;
        this.wished = reader.wished(key);
        SceneReading numberedAlike = hasPointsOf(beside) ? beside : hasPointsOf(before) ? before : null;
        this.sourcePoints = numberedAlike == null ? points(Kind.SOURCE) : numberedAlike.sourcePoints;
        this.outletPoints = numberedAlike == null ? points(Kind.OUTLET) : numberedAlike.outletPoints;
        this.rows = reader.read(this, before);
        this.cells = new AbstractList<>() {
            @Override
            public CellReading get(int at) {
                return rows.get(at / outlets).cells().get(at % outlets);
            }

            @Override
            public int size() {
                return rows.size() * outlets;
            }
        };
    }

    /**
     * Whether sources and listeners are the same points as in another reading, so that their rows can be set side
     * by side.
     */
    private boolean hasPointsOf(@Nullable SceneReading other) {
        return other != null
                && other.graph.sharesShape(graph)
                && areSame(other.graph.rig().of(Kind.SOURCE), graph.rig().of(Kind.SOURCE))
                && areSame(other.graph.rig().of(Kind.OUTLET), graph.rig().of(Kind.OUTLET));
    }

    /** What follows from the graph. */
    SceneFlow flow() {
        return flow;
    }

    /** Whether two lists hold the very same elements. */
    static boolean areSame(List<Element> a, List<Element> b) {
        if (a.size() != b.size()) {
            return false;
        }
        for (int i = 0; i < a.size(); i++) {
            if (a.get(i) != b.get(i)) {
                return false;
            }
        }
        return true;
    }

    private int[] points(Kind kind) {
        return graph.rig().of(kind).stream().mapToInt(e -> graph.point(e.id())).toArray();
    }

    /** The points of the rig's sources, in their order. Not to be altered. */
    int[] sourcePoints() {
        return sourcePoints;
    }

    /** The points of the rig's outlets, in their order. Not to be altered. */
    int[] outletPoints() {
        return outletPoints;
    }

    /** The point of a source, by its place in the rig's list. */
    public int sourcePoint(int source) {
        return sourcePoints[source];
    }

    /** The point of an outlet, by its place in the rig's list. */
    public int outletPoint(int outlet) {
        return outletPoints[outlet];
    }

    /** What counts for each source, outlet by outlet. Not to be altered. */
    Wishes.Counting[][] wished() {
        return wished;
    }

    /** The cells of one source after the other, in the rig's order. */
    List<SourceRow> rows() {
        return rows;
    }

    /** A trace of segments that are numbered as in this scene's graph. */
    public Evidence.Trace trace(Evidence.Form form, List<Integer> segments) {
        return Evidence.Trace.of(graph, form, segments);
    }

    /** Whether any source has an open route to the point of an element that has one; false if there is none. */
    public boolean isFed(String element) {
        return isFed(PointId.of(element));
    }

    /** Whether any source has an open route to a point; false if there is no such point. */
    public boolean isFed(PointId point) {
        int p = graph.point(point);
        boolean[] known = fed;
        if (known == null) {
            known = flow.view().reachedFrom(graph.sources());
            fed = known;
        }
        return p >= 0 && known[p];
    }

    /** Whether any source has an open route to a copy of an input. */
    public boolean isCopyFed(String input) {
        return IntStream.of(graph.copies(input)).anyMatch(p -> isFed(graph.id(p)));
    }

    /** Whether sound at one point gets to another through open segments; false if there is no such point. */
    public boolean leads(PointId from, PointId to) {
        return leads(flow.view(), from, to);
    }

    /** The same, without any sound through the air: nobody leads a sound past a loudspeaker and a microphone by intent. */
    public boolean leadsByWire(PointId from, PointId to) {
        return leads(flow.electricView(), from, to);
    }

    private boolean leads(OpenView view, PointId from, PointId to) {
        int start = graph.point(from);
        int end = graph.point(to);
        return start >= 0 && end >= 0 && view.reachingOne(end)[start];
    }

    /** The open segments, couplings included. */
    public OpenView view() {
        return flow.view();
    }

    /** The open segments without couplings. */
    public OpenView electricView() {
        return flow.electricView();
    }

    /** Whether sound that has gone round in a loop ends in a point. */
    public boolean endsLoop(int point) {
        boolean[] known = behindLoops;
        if (known == null) {
            known = flow.view()
                    .reachedFrom(flow.loops().stream()
                            .flatMap(l -> l.points().stream())
                            .mapToInt(Integer::intValue)
                            .toArray());
            behindLoops = known;
        }
        return known[point];
    }

    /** The segments of the strongest route from a source to any point, of the first hundred found. */
    public List<Integer> strongestTo(Element source, int point) {
        return RouteSearch.search(flow.view(), graph.point(source.id()), point, 100).routes().stream()
                .max(Comparator.comparingDouble(Route::gain))
                .map(Route::segments)
                .orElse(List.of());
    }

    /** Whether nothing differs for a source in another reading of a scene. */
    public boolean sharesRow(SceneReading other, int source) {
        return rows.get(source) == other.rows.get(source);
    }

    /** Whether nothing differs for a source in another version of this scene, but for the numbers of segments. */
    boolean isSameRow(SceneReading earlier, int source) {
        SourceRow is = rows.get(source);
        SourceRow was = earlier.rows.get(source);
        if (is == was) {
            return true;
        }
        int point = sourcePoints[source];
        int pointBefore = earlier.sourcePoints[source];
        return is.source() == was.source()
                && (wished[source] == earlier.wished[source] || Arrays.equals(wished[source], earlier.wished[source]))
                && deliveries().isSameRow(point, earlier.deliveries(), pointBefore)
                && electric().isSameRow(point, earlier.electric(), pointBefore);
    }

    /** Whether the loops are those of another version of this scene, but for the numbers of segments. */
    boolean hasLoopsOf(SceneReading earlier) {
        return flow.hasLoopsOf(earlier.flow);
    }

    /** Whether the first blocked route of a cell has been found already, or was taken over. */
    boolean knowsBlocked(CellReading cell) {
        return flow.knowsBlocked(
                graph.point(cell.source().id()),
                graph.point(cell.outlet().id()),
                cell.delivery().arrives());
    }

    /** Whether it was read on from an earlier version of this scene. */
    boolean isReadOn() {
        return readOn;
    }

    /** Whether everything but its name is the same in another scene. */
    public boolean isLike(SceneReading other) {
        return flow.isLike(other.flow) && rows == other.rows;
    }

    /** Which scene it is. */
    public SceneKey key() {
        return key;
    }

    /** The scene's name. */
    public String name() {
        return name;
    }

    /** The flow graph. */
    public FlowGraph graph() {
        return graph;
    }

    /** What arrives, couplings included. */
    public Deliveries deliveries() {
        return flow.deliveries();
    }

    /** What arrives over routes without couplings. */
    public Deliveries electric() {
        return flow.electric();
    }

    /** The loops of the whole graph. */
    public List<Loop> loops() {
        return flow.loops();
    }

    /** The loops of the graph without couplings. */
    public List<Loop> electricLoops() {
        return flow.electricLoops();
    }

    /** All cells: source by source in the rig's order, within it outlet by outlet. */
    public List<CellReading> cells() {
        return cells;
    }

    /** One cell by the places of source and outlet in the rig's lists. */
    public CellReading cell(int source, int outlet) {
        return rows.get(source).cells().get(outlet);
    }

    /** The runs of a cell, up to a limit, in the order of search. */
    public RouteSearch.Found routes(CellReading cell, int limit) {
        return RouteSearch.search(
                flow.view(),
                graph.point(cell.source().id()),
                graph.point(cell.outlet().id()),
                limit);
    }

    /** The first route of a cell, in the order of search, that is wanted; null if there is none. */
    public @Nullable Route firstRoute(CellReading cell, Predicate<Route> wanted) {
        return RouteSearch.first(
                flow.view(),
                graph.point(cell.source().id()),
                graph.point(cell.outlet().id()),
                wanted);
    }

    /** Whether something would arrive in a cell if one closed gate were open; in the graph its blocked route is of. */
    public boolean arrivesIfOpen(CellReading cell, Gate gate) {
        return BlockedSearch.opens(
                graph,
                cell.delivery().arrives(),
                graph.point(cell.source().id()),
                graph.point(cell.outlet().id()),
                gate);
    }

    /** The closed gates each of which alone, if opened, would let sound through from one point to another, not through the air. */
    public Set<Gate> shutBetween(int from, int end) {
        boolean[] comes = flow.electricView().reachedFrom(new int[] {from});
        boolean[] leads = flow.electricView().reaching(new int[] {end});
        Set<Gate> gates = new LinkedHashSet<>();
        for (int s = 0; s < graph.segments(); s++) {
            if (!graph.isOpen(s) && !graph.isCoupling(s) && comes[graph.from(s)] && leads[graph.to(s)]) {
                List<Gate> closed =
                        graph.gates(s).stream().filter(g -> !g.open()).toList();
                if (closed.size() == 1) {
                    gates.add(closed.getFirst());
                }
            }
        }
        return gates;
    }

    /** The first blocked route of a cell; without couplings where what arrives is only too faint. */
    public BlockedRoute blocked(CellReading cell) {
        return flow.blocked(
                graph.point(cell.source().id()),
                graph.point(cell.outlet().id()),
                cell.delivery().arrives());
    }
}
