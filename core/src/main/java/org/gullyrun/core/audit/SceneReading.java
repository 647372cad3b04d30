package org.gullyrun.core.audit;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.gullyrun.core.flow.BlockedSearch;
import org.gullyrun.core.flow.BlockedWay;
import org.gullyrun.core.flow.Deliveries;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.flow.Gate;
import org.gullyrun.core.flow.Loop;
import org.gullyrun.core.flow.Loops;
import org.gullyrun.core.flow.OpenView;
import org.gullyrun.core.flow.RunSearch;
import org.gullyrun.core.flow.SceneKey;

/** All that is computed of one scene: its graph, deliveries, loops and cells. Immutable to its readers. */
public final class SceneReading {
    private final SceneKey key;
    private final String name;
    private final FlowGraph graph;
    private final OpenView view;
    private final OpenView electricView;
    private final Deliveries deliveries;
    private final Deliveries electric;
    private final List<Loop> loops;
    private final List<Loop> electricLoops;
    private final List<CellReading> cells;
    private final int outlets;
    private final boolean[] fed;
    private final boolean[] behindLoops;
    private final Map<Long, BlockedWay> blocked = new ConcurrentHashMap<>();

    SceneReading(FlowGraph graph, CellReader reader) {
        this.graph = graph;
        this.key = graph.scene();
        this.name = key.name(graph.rig());
        this.view = OpenView.of(graph, false);
        boolean air = false;
        for (int s = 0; s < graph.segments(); s++) {
            air |= graph.isCoupling(s) && graph.isOpen(s);
        }
        this.electricView = air ? OpenView.of(graph, true) : view;
        this.deliveries = Deliveries.of(view);
        this.electric = air ? Deliveries.of(electricView) : deliveries;
        this.loops = Loops.of(view);
        this.electricLoops = air ? Loops.of(electricView) : loops;
        this.cells = reader.read(this);
        this.outlets = graph.outlets().length;
        this.fed = view.reachedFrom(graph.sources());
        this.behindLoops = view.reachedFrom(loops.stream()
                .flatMap(l -> l.points().stream())
                .mapToInt(Integer::intValue)
                .toArray());
    }

    /** Whether any source has an open way to a point; false if there is no such point. */
    public boolean isFed(String point) {
        int p = graph.point(point);
        return p >= 0 && fed[p];
    }

    /** The open segments, couplings included. */
    public OpenView view() {
        return view;
    }

    /** Whether sound that has gone round in a loop ends in a point. */
    public boolean endsLoop(int point) {
        return behindLoops[point];
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
        return deliveries;
    }

    /** What arrives over runs without couplings. */
    public Deliveries electric() {
        return electric;
    }

    /** The loops of the whole graph. */
    public List<Loop> loops() {
        return loops;
    }

    /** The loops of the graph without couplings. */
    public List<Loop> electricLoops() {
        return electricLoops;
    }

    /** All cells: source by source in the rig's order, within it outlet by outlet. */
    public List<CellReading> cells() {
        return cells;
    }

    /** One cell by the places of source and outlet in the rig's lists. */
    public CellReading cell(int source, int outlet) {
        return cells.get(source * outlets + outlet);
    }

    /** The runs of a cell, up to a limit, in the order of search. */
    public RunSearch.Found runs(CellReading cell, int limit) {
        return RunSearch.search(
                view, graph.point(cell.source().id()), graph.point(cell.outlet().id()), limit);
    }

    /** Whether something would arrive in a cell if one closed gate were open; in the graph its blocked way is of. */
    public boolean arrivesIfOpen(CellReading cell, Gate gate) {
        return BlockedSearch.opens(
                graph,
                cell.delivery().arrives(),
                graph.point(cell.source().id()),
                graph.point(cell.outlet().id()),
                gate);
    }

    /** The first blocked way of a cell; without couplings where what arrives is only too faint. */
    public BlockedWay blocked(CellReading cell) {
        int source = graph.point(cell.source().id());
        int outlet = graph.point(cell.outlet().id());
        long at = (long) source << 32 | outlet;
        return blocked.computeIfAbsent(
                at, x -> BlockedSearch.find(graph, cell.delivery().arrives(), source, outlet));
    }
}
