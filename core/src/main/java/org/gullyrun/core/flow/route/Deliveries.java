package org.gullyrun.core.flow.route;

import java.util.Arrays;
import java.util.List;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointKind;
import org.jspecify.annotations.Nullable;

/**
 * What every outlet gets of every source in one scene.
 *
 * <p>Needs: the open view of a flow graph. Gives: a {@link Delivery} for each pair. Source: sums over routes in an acyclic
 * graph by dynamic programming; where a loop lies on the open routes of a pair, the simple routes are searched ({@link
 * RouteSearch}). Cost: sources × open segments, plus the searches.
 */
public final class Deliveries {
    private static final int SEARCHED = 1_000;
    private final OpenView view;
    private final int[] sources;
    private final int[] outlets;
    private final Delivery[][] table;
    /** For each source the points where an engine leaves to a device that it reaches, in order. */
    private final int[][] leavingAt;
    /** And the sum of amplitudes that arrives there; NaN where loops lie before it. */
    private final double[][] leaving;
    /** Of each segment met so far; 0 of others. */
    private final double[] power;

    private final double[] amplitude;
    /** How many segments were looked at while routes were searched. */
    private long searched;

    /** Takes over from an earlier graph what the difference leaves as it was; works the rest out when asked. */
    private Deliveries(OpenView view, @Nullable Deliveries before, @Nullable GraphDifference difference) {
        this.view = view;
        this.sources = view.graph.sources();
        this.outlets = view.graph.outlets();
        this.table = new Delivery[sources.length][];
        this.leavingAt = new int[sources.length][];
        this.leaving = new double[sources.length][];
        this.power = new double[view.graph.segments()];
        this.amplitude = new double[view.graph.segments()];
        if (before != null && difference != null) {
            take(before, difference);
        }
        DeliveryScratch scratch = null;
        for (int i = 0; i < sources.length; i++) {
            if (table[i] == null) {
                scratch = scratch == null ? new DeliveryScratch(view) : scratch;
                table[i] = from(i, scratch);
            }
        }
    }

    /** Computes all deliveries of a view. */
    public static Deliveries of(OpenView view) {
        return new Deliveries(view, null, null);
    }

    /** The same, taking over those of sources from which nothing that differs is reached. */
    public static Deliveries of(OpenView view, Deliveries before, GraphDifference difference) {
        return new Deliveries(view, before, difference);
    }

    /** Takes over the rows of sources that the difference can't have touched. */
    private void take(Deliveries before, GraphDifference difference) {
        boolean[] touched = difference.touchedAfter(before.view, view);
        Numbering numbering = difference.numbering();
        int[] sourceBefore = places(before.sources, sources, numbering);
        int[] outletBefore = places(before.outlets, outlets, numbering);
        for (int i = 0; i < sources.length; i++) {
            int was = sourceBefore[i];
            if (was < 0 || touched[sources[i]]) {
                continue;
            }
            leaving[i] = before.leaving[was];
            if (!numbering.renumbers()) {
                table[i] = before.table[was];
                leavingAt[i] = before.leavingAt[was];
                continue;
            }
            int[] exits = before.leavingAt[was].clone(); // in order still: points are in the order of their ids
            for (int e = 0; e < exits.length; e++) {
                exits[e] = numbering.point(exits[e]);
            }
            leavingAt[i] = exits;
            table[i] = numbering.row(before.table[was], old -> {
                Delivery[] row = new Delivery[outlets.length];
                for (int o = 0; o < outlets.length; o++) {
                    Delivery delivery = outletBefore[o] < 0 ? Delivery.NOTHING : old[outletBefore[o]];
                    row[o] = delivery.arrives() ? delivery.over(numbering.now(delivery.strongest())) : delivery;
                }
                return row;
            });
        }
    }

    /** For each of some points its place in the list before, or -1. */
    private static int[] places(int[] before, int[] now, Numbering numbering) {
        int[] places = new int[now.length];
        Arrays.fill(places, -1);
        for (int i = 0; i < before.length; i++) {
            int at = Arrays.binarySearch(now, numbering.point(before[i]));
            if (at >= 0) {
                places[at] = i;
            }
        }
        return places;
    }

    /** Whether all that arrives of a source, by its point in each, is taken over from others. */
    public boolean sharesRow(int source, Deliveries other, int otherSource) {
        int s = Arrays.binarySearch(sources, source);
        int o = Arrays.binarySearch(other.sources, otherSource);
        return s >= 0 && o >= 0 && table[s] == other.table[o];
    }

    /** The same, but for the numbers of points and segments, which may be others. */
    public boolean isSameRow(int source, Deliveries other, int otherSource) {
        int s = Arrays.binarySearch(sources, source);
        int o = Arrays.binarySearch(other.sources, otherSource);
        return s >= 0 && o >= 0 && leaving[s] == other.leaving[o]; // is handed on with each row, and made with each
    }

    /** The points where an engine leaves to a device that a source reaches, in order. Not to be altered. */
    public int[] exitsOf(int source) {
        return leavingAt[Arrays.binarySearch(sources, source)];
    }

    /**
     * For each of {@link #exitsOf} the sum of the amplitudes (1 where nothing is turned up or down) with which a source
     * leaves there, as if all copies met in phase. Where loops lie on the way, of the first {@value #SEARCHED} runs.
     */
    public double[] amplitudesAt(int source) {
        int number = Arrays.binarySearch(sources, source);
        double[] sums = leaving[number];
        for (int e = 0; e < sums.length; e++) {
            if (Double.isNaN(sums[e])) {
                sums[e] = RouteSearch.search(view, source, leavingAt[number][e], SEARCHED).routes().stream()
                        .mapToDouble(r -> Math.pow(10, r.gain() / 20))
                        .sum();
            }
        }
        return sums.clone();
    }

    /** How many segments were looked at while routes were searched here: by it the work of trying many rigs is bounded. */
    public long searchSteps() {
        return searched;
    }

    /** The view that these are of. */
    public OpenView view() {
        return view;
    }

    /**
     * What arrives of a source at an outlet, both by their points.
     *
     * @throws IllegalArgumentException if they are no source and outlet of the graph
     */
    public Delivery get(int source, int outlet) {
        int s = Arrays.binarySearch(sources, source);
        int o = Arrays.binarySearch(outlets, outlet);
        if (s < 0 || o < 0) {
            throw new IllegalArgumentException("not a source and an outlet: " + source + ", " + outlet);
        }
        return table[s][o];
    }

    /** What arrives of a source, outlet by outlet in the order of their points. Not to be altered. */
    public Delivery[] row(int source) {
        return table[Arrays.binarySearch(sources, source)];
    }

    /** For each of some points of outlets its place in a {@link #row}. */
    public int[] placesInRow(int[] points) {
        return Arrays.stream(points).map(p -> Arrays.binarySearch(outlets, p)).toArray();
    }

    /** All deliveries of one source: sums along the order of the graph, and a search where it goes round. */
    private Delivery[] from(int number, DeliveryScratch scratch) {
        int source = sources[number];
        FlowGraph graph = view.graph;
        int[] points = scratch.follow(source);
        Tally[] at = scratch.at;
        at[source] = Tally.start();
        int leaves = 0;
        for (int p : points) {
            leaves += isExit(p) ? 1 : 0;
            if (scratch.loops[p]) {
                continue;
            }
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                int s = view.out[i];
                int q = graph.to(s);
                if (scratch.loops[q]) {
                    continue;
                }
                Tally tally = at[q];
                if (tally == null) {
                    tally = at[q] = new Tally();
                }
                prolong(at, p, s, tally);
            }
        }
        int[] through = new int[leaves];
        for (int p : points) {
            if (isExit(p)) {
                through[--leaves] = p;
            }
        }
        Arrays.sort(through);
        leavingAt[number] = through;
        leaving[number] = new double[through.length];
        for (int e = 0; e < through.length; e++) {
            Tally tally = at[through[e]];
            leaving[number][e] = tally == null ? Double.NaN : tally.amplitude;
        }
        Delivery[] row = new Delivery[outlets.length];
        for (int o = 0; o < outlets.length; o++) {
            int outlet = outlets[o];
            if (!scratch.reached[outlet]) {
                row[o] = Delivery.NOTHING;
            } else if (scratch.loops[outlet]) {
                row[o] = searched(source, outlet);
            } else {
                Tally tally = at[outlet];
                row[o] = tally.delivery(tally.strongest == null ? List.of() : tally.strongest, false);
            }
        }
        scratch.forget(points);
        return row;
    }

    private boolean isExit(int point) {
        return view.graph.kind(point) == PointKind.BUS || view.graph.kind(point) == PointKind.CUE;
    }

    /** Prolongs what has arrived at a point by a segment. */
    private void prolong(Tally[] at, int p, int s, Tally tally) {
        FlowGraph graph = view.graph;
        Tally before = at[p];
        double db = graph.gain(s);
        double ms = graph.latency(s);
        Path route = new Path(before.strongest, s);
        boolean better;
        if (tally.strongest == null) {
            better = true;
        } else {
            int order = Figures.compare(before.gain[0] + db, tally.gain[0]);
            if (order == 0) {
                order = -Figures.compare(before.early[0] + ms, tally.early[0]);
            }
            if (order == 0) {
                order = -Path.compare(route, tally.strongest);
            }
            better = order > 0;
        }
        tally.add(before, db, ms, power(s), amplitude[s]);
        if (better) {
            tally.strongest = route;
        }
    }

    /** The power factor of a segment's gain. */
    private double power(int segment) {
        if (power[segment] == 0) {
            power[segment] = Math.pow(10, view.graph.gain(segment) / 10);
            amplitude[segment] = Math.pow(10, view.graph.gain(segment) / 20);
        }
        return power[segment];
    }

    /** Segment numbers are in the order of (starting point, end point, element): the first that differs decides. */
    static int compareIds(List<Integer> a, List<Integer> b) {
        int length = Math.min(a.size(), b.size());
        for (int i = 0; i < length; i++) {
            int order = Integer.compare(a.get(i), b.get(i));
            if (order != 0) {
                return order;
            }
        }
        return Integer.compare(a.size(), b.size());
    }

    /** Lists the routes where loops lie on the way. */
    private Delivery searched(int source, int outlet) {
        RouteSearch.Found found = RouteSearch.all(view, source, outlet);
        searched += found.steps();
        if (found.routes().isEmpty()) {
            return Delivery.NOTHING;
        }
        Tally sum = new Tally();
        Route best = found.routes().getFirst();
        for (Route route : found.routes()) {
            sum.add(Tally.of(route), 0, 0, 1, 1);
            int order = Figures.compare(route.gain(), best.gain());
            if (order == 0) {
                order = -Figures.compare(route.delay(), best.delay());
            }
            if (order == 0) {
                order = -compareIds(route.segments(), best.segments());
            }
            if (order > 0) {
                best = route;
            }
        }
        return sum.delivery(best.segments(), found.more());
    }
}
