package org.gullyrun.core.flow;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Finds the loops among the open segments of a graph, with their circles and their gain.
 *
 * <p>Source of run-away and loop gain: with A the matrix of amplitudes, sound that recirculates sums to (I − A)⁻¹; for a
 * non-negative A that is finite exactly if eliminating I − A meets positive pivots only (the spectral radius is then
 * below 1). Cost: the fourth power of the number of points of one loop, the third above {@link #EXACT_POINTS}.
 */
public final class Loops {
    /** Up to this many circles of one loop are listed. */
    public static final int MOST_CIRCLES = 1_000;

    private static final double PIVOT = 1e-9;
    private static final int EXACT_POINTS = 60;

    private final OpenView view;
    private final FlowGraph graph;

    private Loops(OpenView view) {
        this.view = view;
        this.graph = view.graph;
    }

    /** All loops of a view, in the order of their first points. */
    public static List<Loop> of(OpenView view) {
        Loops loops = new Loops(view);
        Map<Integer, List<Integer>> sets = new TreeMap<>();
        Map<Integer, Integer> first = new TreeMap<>();
        for (int p = 0; p < view.graph.points(); p++) {
            if (view.looping[p]) {
                int key = first.computeIfAbsent(view.set[p], x -> sets.size());
                sets.computeIfAbsent(key, x -> new ArrayList<>()).add(p);
            }
        }
        return sets.values().stream().map(loops::loop).toList();
    }

    private Loop loop(List<Integer> points) {
        List<Integer> segments = new ArrayList<>();
        for (int p : points) {
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                if (view.set[graph.to[view.out[i]]] == view.set[p]) {
                    segments.add(view.out[i]);
                }
            }
        }
        List<Loop.Circle> circles = new ArrayList<>();
        boolean more = false;
        for (int p : points) {
            more |= circles(p, circles);
            if (more) {
                break;
            }
        }
        double[][] a = amplitudes(points, segments);
        boolean away = !eliminates(a, -1);
        double gain = circles.size() == 1 && !more ? circles.getFirst().gain() : loopGain(a, away, circles);
        return new Loop(List.copyOf(points), List.copyOf(segments), List.copyOf(circles), more, away, gain);
    }

    /** Lists the circles whose first point by id is the given one; true if the limit was met with circles left. */
    private boolean circles(int start, List<Loop.Circle> into) {
        int n = graph.points();
        boolean[] onPath = new boolean[n];
        int[] next = new int[n + 1];
        int[] at = new int[n + 1];
        int[] path = new int[n + 1];
        int depth = 0;
        at[0] = start;
        next[0] = view.outStart[start];
        onPath[start] = true;
        while (depth >= 0) {
            int p = at[depth];
            if (next[depth] == view.outStart[p + 1]) {
                onPath[p] = false;
                depth--;
                continue;
            }
            int s = view.out[next[depth]++];
            int q = graph.to[s];
            if (view.set[q] != view.set[start] || q < start) {
                continue;
            }
            path[depth] = s;
            if (q == start) {
                if (into.size() == MOST_CIRCLES) {
                    return true;
                }
                Run run = Run.of(graph, path, depth + 1);
                into.add(new Loop.Circle(run.segments(), run.gain(), run.delay()));
            } else if (!onPath[q] && returns(q, start, onPath)) {
                depth++;
                at[depth] = q;
                next[depth] = view.outStart[q];
                onPath[q] = true;
            }
        }
        return false;
    }

    private boolean returns(int from, int start, boolean[] onPath) {
        boolean[] seen = new boolean[graph.points()];
        int[] stack = new int[graph.points()];
        int top = 0;
        stack[top++] = from;
        seen[from] = true;
        while (top > 0) {
            int p = stack[--top];
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                int q = graph.to[view.out[i]];
                if (q == start) {
                    return true;
                }
                if (q > start && !seen[q] && !onPath[q] && view.set[q] == view.set[start]) {
                    seen[q] = true;
                    stack[top++] = q;
                }
            }
        }
        return false;
    }

    private double[][] amplitudes(List<Integer> points, List<Integer> segments) {
        int[] index = new int[graph.points()];
        for (int i = 0; i < points.size(); i++) {
            index[points.get(i)] = i;
        }
        double[][] a = new double[points.size()][points.size()];
        for (int s : segments) {
            a[index[graph.from[s]]][index[graph.to[s]]] += Math.pow(10, graph.gain[s] / 20);
        }
        return a;
    }

    private static double loopGain(double[][] a, boolean away, List<Loop.Circle> circles) {
        double best = Double.NEGATIVE_INFINITY;
        if (a.length <= EXACT_POINTS || away) {
            for (int p = 0; p < Math.min(a.length, 4 * EXACT_POINTS); p++) {
                best = Math.max(best, firstReturn(a, p));
            }
        } else {
            for (double diagonal : inverseDiagonal(a)) {
                best = Math.max(best, 1 - 1 / diagonal);
            }
        }
        return best > 0
                ? 20 * Math.log10(best)
                : circles.stream().mapToDouble(Loop.Circle::gain).max().orElse(Double.NEGATIVE_INFINITY);
    }

    /** Whether I − A without row and column {@code without} eliminates with positive pivots. */
    private static boolean eliminates(double[][] a, int without) {
        return solve(a, without, new double[a.length]);
    }

    /** The sum over all ways from a point back to itself that do not pass it on the way; −∞ if not finite. */
    static double firstReturn(double[][] a, int p) {
        int n = a.length;
        double[] x = new double[n];
        for (int i = 0; i < n; i++) {
            x[i] = i == p ? 0 : a[i][p];
        }
        if (!solve(a, p, x)) {
            return Double.NEGATIVE_INFINITY;
        }
        double sum = a[p][p];
        for (int i = 0; i < n; i++) {
            sum += i == p ? 0 : a[p][i] * x[i];
        }
        return sum;
    }

    /** Solves (I − A) x = b without the row and column given, no pivoting; false if a pivot is not positive. */
    private static boolean solve(double[][] a, int without, double[] x) {
        int n = a.length;
        double[][] m = new double[n][];
        for (int i = 0; i < n; i++) {
            m[i] = new double[n];
            for (int j = 0; j < n; j++) {
                m[i][j] = (i == j ? 1 : 0) - (i == without || j == without ? 0 : a[i][j]);
            }
        }
        for (int k = 0; k < n; k++) {
            if (m[k][k] <= PIVOT) {
                return false;
            }
            for (int i = k + 1; i < n; i++) {
                double f = m[i][k] / m[k][k];
                if (f != 0) {
                    for (int j = k; j < n; j++) {
                        m[i][j] -= f * m[k][j];
                    }
                    x[i] -= f * x[k];
                }
            }
        }
        for (int k = n - 1; k >= 0; k--) {
            for (int j = k + 1; j < n; j++) {
                x[k] -= m[k][j] * x[j];
            }
            x[k] /= m[k][k];
        }
        return true;
    }

    static double[] inverseDiagonal(double[][] a) {
        int n = a.length;
        double[][] m = new double[n][2 * n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                m[i][j] = (i == j ? 1 : 0) - a[i][j];
            }
            m[i][n + i] = 1;
        }
        for (int k = 0; k < n; k++) {
            double pivot = m[k][k];
            for (int j = k; j < 2 * n; j++) {
                m[k][j] /= pivot;
            }
            for (int i = 0; i < n; i++) {
                double f = m[i][k];
                if (i != k && f != 0) {
                    for (int j = k; j < 2 * n; j++) {
                        m[i][j] -= f * m[k][j];
                    }
                }
            }
        }
        double[] diagonal = new double[n];
        Arrays.setAll(diagonal, i -> m[i][n + i]);
        return diagonal;
    }
}
