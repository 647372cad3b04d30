package org.gullyrun.core.flow;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/**
 * What every outlet gets of every source in one scene.
 *
 * <p>Needs: the open view of a flow graph. Gives: a {@link Delivery} for each pair. Source: sums over ways in an acyclic
 * graph by dynamic programming; where a loop lies on the open ways of a pair, the simple runs are searched ({@link
 * RunSearch}). Cost: sources × open segments, plus the searches.
 */
public final class Deliveries {
    private final OpenView view;
    private final int[] sources;
    private final int[] outlets;
    private final Delivery[][] table;

    private Deliveries(OpenView view) {
        this.view = view;
        this.sources = view.graph.sources();
        this.outlets = view.graph.outlets();
        this.table = new Delivery[sources.length][];
        double[] power = new double[view.graph.segments()];
        double[] amplitude = new double[view.graph.segments()];
        for (int s : view.out) {
            power[s] = Math.pow(10, view.graph.gain[s] / 10);
            amplitude[s] = Math.pow(10, view.graph.gain[s] / 20);
        }
        for (int i = 0; i < sources.length; i++) {
            table[i] = from(sources[i], power, amplitude);
        }
    }

    /** Computes all deliveries of a view. */
    public static Deliveries of(OpenView view) {
        return new Deliveries(view);
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

    private Delivery[] from(int source, double[] power, double[] amplitude) {
        FlowGraph graph = view.graph;
        Tally[] at = new Tally[graph.points()];
        boolean[] reached = view.reachedFrom(new int[] {source});
        boolean[] loops = behindLoops(reached);
        at[source] = Tally.start();
        for (int p : view.order) {
            if (!reached[p] || loops[p]) {
                continue;
            }
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                int s = view.out[i];
                int q = graph.to[s];
                if (loops[q]) {
                    continue;
                }
                Tally tally = at[q];
                if (tally == null) {
                    tally = at[q] = new Tally();
                }
                prolong(at, p, s, tally, power[s], amplitude[s]);
            }
        }
        Delivery[] row = new Delivery[outlets.length];
        for (int o = 0; o < outlets.length; o++) {
            int outlet = outlets[o];
            if (!reached[outlet]) {
                row[o] = Delivery.NOTHING;
            } else if (loops[outlet]) {
                row[o] = searched(source, outlet);
            } else {
                Tally tally = at[outlet];
                row[o] = tally.delivery(pathTo(at, outlet), false);
            }
        }
        return row;
    }

    /** Marks what lies on or behind a loop, of what a source reaches: there sums would go round for ever. */
    private boolean[] behindLoops(boolean[] reached) {
        boolean[] loops = new boolean[reached.length];
        for (int p : view.order) {
            if (reached[p] && (loops[p] || view.looping[p])) {
                loops[p] = true;
                for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                    loops[view.graph.to[view.out[i]]] = true;
                }
            }
        }
        return loops;
    }

    private void prolong(Tally[] at, int p, int s, Tally tally, double power, double amplitude) {
        FlowGraph graph = view.graph;
        Tally before = at[p];
        double db = graph.gain[s];
        double ms = graph.latency[s];
        boolean better;
        if (tally.through < 0) {
            better = true;
        } else {
            int order = Figures.compare(before.gain[0] + db, tally.gain[0]);
            if (order == 0) {
                order = -Figures.compare(before.early[0] + ms, tally.early[0]);
            }
            if (order == 0) {
                List<Integer> now = pathTo(at, graph.to[s]);
                List<Integer> other = new ArrayList<>(pathTo(at, p));
                other.add(s);
                order = -compareIds(other, now);
            }
            better = order > 0;
        }
        tally.add(before, db, ms, power, amplitude);
        if (better) {
            tally.through = s;
        }
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

    private List<Integer> pathTo(Tally[] at, int point) {
        List<Integer> path = new ArrayList<>();
        int p = point;
        while (at[p].through >= 0) {
            path.add(at[p].through);
            p = view.graph.from[at[p].through];
        }
        Collections.reverse(path);
        return path;
    }

    private Delivery searched(int source, int outlet) {
        RunSearch.Found found = RunSearch.search(view, source, outlet, RunSearch.EXACT);
        if (found.runs().isEmpty()) {
            return Delivery.NOTHING;
        }
        Tally sum = new Tally();
        Run best = found.runs().getFirst();
        for (Run run : found.runs()) {
            sum.add(Tally.of(run), 0, 0, 1, 1);
            int order = Figures.compare(run.gain(), best.gain());
            if (order == 0) {
                order = -Figures.compare(run.delay(), best.delay());
            }
            if (order == 0) {
                order = -compareIds(run.segments(), best.segments());
            }
            if (order > 0) {
                best = run;
            }
        }
        return sum.delivery(best.segments(), found.more());
    }
}
