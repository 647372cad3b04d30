package org.gullyrun.core.flow.route;

import java.util.Arrays;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.stream.IntStream;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.jspecify.annotations.Nullable;

/**
 * The open segments of a flow graph, with or without couplings: strongly connected sets and a topological order.
 *
 * <p>Source: R. Tarjan, Depth-first search and linear graph algorithms (1972), written without recursion. Cost: linear.
 */
public final class OpenView {
    final FlowGraph graph;
    final boolean electric;
    /** Open segments by starting point, in the graph's order. */
    final int[] outStart;

    final int[] out;
    final int[] inStart;
    final int[] in;
    /** For each point the number of its strongly connected set. */
    final int[] set;
    /** For each point whether it lies on a loop. */
    final boolean[] looping;
    /** All points, every set before the sets that it leads to. */
    final int[] order;

    /** So many flags are kept of what has been worked out for single points: some 32 MB for each list. */
    private static final long MOST_KEPT = 32_000_000;

    /** What has been worked out for a point so far; shared by views that are alike. */
    private final AtomicReferenceArray<boolean[]> reaching;

    private final AtomicReferenceArray<boolean[]> reached;
    private final AtomicLong kept;
    /** Worked out when it is first asked for; −1 before. */
    private volatile long acrossLoops = -1;

    /** Keeps the open segments of a graph, with or without couplings, and finds what goes round. */
    private OpenView(FlowGraph graph, boolean electric) {
        this.graph = graph;
        this.electric = electric;
        int n = graph.points();
        outStart = new int[n + 1];
        inStart = new int[n + 1];
        int m = 0;
        for (int s = 0; s < graph.segments(); s++) {
            if (has(s)) {
                m++;
                outStart[graph.from(s) + 1]++;
                inStart[graph.to(s) + 1]++;
            }
        }
        for (int p = 0; p < n; p++) {
            outStart[p + 1] += outStart[p];
            inStart[p + 1] += inStart[p];
        }
        out = new int[m];
        in = new int[m];
        int[] nextOut = outStart.clone();
        int[] nextIn = inStart.clone();
        for (int s = 0; s < graph.segments(); s++) {
            if (has(s)) {
                out[nextOut[graph.from(s)]++] = s;
                in[nextIn[graph.to(s)]++] = s;
            }
        }
        set = new int[n];
        looping = new boolean[n];
        order = new int[n];
        reaching = new AtomicReferenceArray<>(n);
        reached = new AtomicReferenceArray<>(n);
        kept = new AtomicLong();
        tarjan(n);
    }

    /** The open segments of a graph; without couplings if {@code electric}. */
    public static OpenView of(FlowGraph graph, boolean electric) {
        return new OpenView(graph, electric);
    }

    /** The same view over a graph that differs only in what the view doesn't see. */
    private OpenView(OpenView same, FlowGraph graph) {
        this.graph = graph;
        this.electric = same.electric;
        this.outStart = same.outStart;
        this.out = same.out;
        this.inStart = same.inStart;
        this.in = same.in;
        this.set = same.set;
        this.looping = same.looping;
        this.order = same.order;
        this.reaching = same.reaching;
        this.reached = same.reached;
        this.kept = same.kept;
        this.acrossLoops = same.acrossLoops;
    }

    /** This view for a graph that has the same segments, open and closed. */
    public OpenView of(FlowGraph alike) {
        return new OpenView(this, alike);
    }

    private boolean has(int segment) {
        return graph.isOpen(segment) && !(electric && graph.isCoupling(segment));
    }

    /** The graph that it is of. */
    public FlowGraph graph() {
        return graph;
    }

    /** Whether a point lies on a loop of open segments. */
    public boolean isLooping(int point) {
        return looping[point];
    }

    /** Whether any open segment starts at a point. */
    public boolean leaves(int point) {
        return outStart[point] < outStart[point + 1];
    }

    /** How many sources reach a loop, times how many outlets are reached from one: no other pair has a loop between. */
    long pairsAcrossLoops() {
        long known = acrossLoops;
        if (known < 0) {
            int[] loops =
                    IntStream.range(0, looping.length).filter(p -> looping[p]).toArray();
            boolean[] before = reaching(loops);
            boolean[] behind = reachedFrom(loops);
            known = Arrays.stream(graph.sources()).filter(p -> before[p]).count()
                    * Arrays.stream(graph.outlets()).filter(p -> behind[p]).count();
            acrossLoops = known;
        }
        return known;
    }

    /** Whether two points reach each other through open segments. */
    public boolean together(int a, int b) {
        return set[a] == set[b];
    }

    /** Strongly connected components (Tarjan 1972), without recursion: rigs may be deep. */
    private void tarjan(int n) {
        int[] index = new int[n];
        int[] low = new int[n];
        int[] next = Arrays.copyOf(outStart, n);
        int[] stack = new int[n];
        int[] call = new int[n];
        boolean[] onStack = new boolean[n];
        int counter = 0;
        int depth = 0;
        int sets = 0;
        int filled = n;
        for (int root = 0; root < n; root++) {
            if (index[root] != 0) {
                continue;
            }
            int calls = 0;
            call[calls++] = root;
            index[root] = low[root] = ++counter;
            stack[depth++] = root;
            onStack[root] = true;
            while (calls > 0) {
                int v = call[calls - 1];
                if (next[v] < outStart[v + 1]) {
                    int w = graph.to(out[next[v]++]);
                    if (index[w] == 0) {
                        index[w] = low[w] = ++counter;
                        stack[depth++] = w;
                        onStack[w] = true;
                        call[calls++] = w;
                    } else if (onStack[w]) {
                        low[v] = Math.min(low[v], index[w]);
                    }
                    continue;
                }
                calls--;
                if (calls > 0) {
                    low[call[calls - 1]] = Math.min(low[call[calls - 1]], low[v]);
                }
                if (low[v] == index[v]) {
                    int size = 0;
                    int w;
                    do {
                        w = stack[--depth];
                        onStack[w] = false;
                        set[w] = sets;
                        order[--filled] = w; // sets are finished last first: filling from the end sorts them
                        size++;
                    } while (w != v);
                    sets++;
                    if (size > 1) {
                        for (int i = filled; i < filled + size; i++) {
                            looping[order[i]] = true;
                        }
                    }
                }
            }
        }
        for (int s : out) {
            if (graph.from(s) == graph.to(s)) {
                looping[graph.from(s)] = true;
            }
        }
    }

    /** For every point whether it can be reached from any of these through open segments, themselves included. */
    public boolean[] reachedFrom(int[] starts) {
        return reachedFrom(starts, null);
    }

    /** What can be reached from some points by open segments, without passing some others. */
    private boolean[] reachedFrom(int[] starts, boolean @Nullable [] cut) {
        boolean[] seen = new boolean[graph.points()];
        int[] stack = new int[graph.points()];
        int top = 0;
        for (int p : starts) {
            if (!seen[p]) {
                seen[p] = true;
                stack[top++] = p;
            }
        }
        while (top > 0) {
            int p = stack[--top];
            for (int i = outStart[p]; i < outStart[p + 1]; i++) {
                int q = graph.to(out[i]);
                if (!seen[q] && (cut == null || !cut[out[i]])) {
                    seen[q] = true;
                    stack[top++] = q;
                }
            }
        }
        return seen;
    }

    /** For every point whether it can be reached from one, itself included, through open segments that are not cut. */
    public boolean[] reachedWithout(int start, boolean[] cut) {
        return reachedFrom(new int[] {start}, cut);
    }

    /** For every point whether one point can be reached from it; worked out once for each. Not to be altered. */
    public boolean[] reachingOne(int target) {
        boolean[] known = reaching.get(target);
        if (known == null) {
            known = reaching(target);
            keep(reaching, target, known);
        }
        return known;
    }

    /** For every point whether it can be reached from one; worked out once for each. Not to be altered. */
    public boolean[] reachedFromOne(int start) {
        boolean[] known = reached.get(start);
        if (known == null) {
            known = reachedFrom(new int[] {start});
            keep(reached, start, known);
        }
        return known;
    }

    /**
     * From which of some starts each point can be reached, itself included, for all starts in one pass.
     *
     * @param starts points; −1 where there is none
     * @return for each point, bits by the place of the start
     */
    public long[][] reachedFromEach(int[] starts) {
        int words = (starts.length + Long.SIZE - 1) / Long.SIZE;
        long[][] bits = new long[graph.points()][words];
        for (int i = 0; i < starts.length; i++) {
            if (starts[i] >= 0) {
                bits[starts[i]][i / Long.SIZE] |= 1L << i;
            }
        }
        int end;
        for (int first = 0; first < order.length; first = end) {
            end = first + 1;
            while (end < order.length && set[order[end]] == set[order[first]]) {
                end++;
            }
            spread(bits, first, end);
        }
        return bits;
    }

    /** Gives what reaches one point of a set to all of it, and on to what follows. */
    private void spread(long[][] bits, int first, int end) {
        long[] all = bits[order[first]];
        for (int i = first + 1; i < end; i++) {
            add(all, bits[order[i]]);
            bits[order[i]] = all;
        }
        for (int i = first; i < end; i++) {
            for (int o = outStart[order[i]]; o < outStart[order[i] + 1]; o++) {
                int next = graph.to(out[o]);
                if (bits[next] != all) {
                    add(bits[next], all);
                }
            }
        }
    }

    private static void add(long[] to, long[] bits) {
        for (int w = 0; w < to.length; w++) {
            to[w] |= bits[w];
        }
    }

    /** Keeps what was worked out; another thread may have been first with the same. */
    private void keep(AtomicReferenceArray<boolean[]> list, int at, boolean[] flags) {
        if (kept.addAndGet(flags.length) <= MOST_KEPT) {
            list.set(at, flags);
        }
    }

    /** For every point whether any of these can be reached from it through open segments, themselves included. */
    public boolean[] reaching(int... targets) {
        boolean[] seen = new boolean[graph.points()];
        int[] stack = new int[graph.points()];
        int top = 0;
        for (int p : targets) {
            if (!seen[p]) {
                seen[p] = true;
                stack[top++] = p;
            }
        }
        while (top > 0) {
            int p = stack[--top];
            for (int i = inStart[p]; i < inStart[p + 1]; i++) {
                int q = graph.from(in[i]);
                if (!seen[q]) {
                    seen[q] = true;
                    stack[top++] = q;
                }
            }
        }
        return seen;
    }
}
