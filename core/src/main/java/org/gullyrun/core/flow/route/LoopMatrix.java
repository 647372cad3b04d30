package org.gullyrun.core.flow.route;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.gullyrun.core.flow.graph.FlowGraph;

/**
 * The matrix A of the amplitudes from point to point inside one loop, and what follows from it.
 *
 * <p>Source: sound that recirculates sums to (I − A)⁻¹; for a non-negative A that is finite exactly if eliminating I − A
 * meets positive pivots only (the spectral radius is then below 1). For loops of more than {@link #MOST_ELIMINATED} points
 * the spectral radius is enclosed by the Collatz–Wielandt bounds, min and max of (Ax)ᵢ/xᵢ, instead.
 *
 * <p>A point with one way on, to a point with one way in, has the same first-return gain as that: such pairs are joined
 * first, so that a ring of any length is one point. Cost: the fourth power of the points that are left, the third above
 * {@link #EXACT_POINTS}; above {@link #MOST_INVERTED} the strongest circle stands for the gain.
 */
final class LoopMatrix {
    private static final double PIVOT = 1e-9;
    private static final int EXACT_POINTS = 60;
    private static final int MOST_INVERTED = 600;
    private static final int MOST_ELIMINATED = 1_500;
    private static final double MOST_OPERATIONS = 3e8;
    private static final int ITERATIONS = 2_000;

    /** For each point the amplitudes to the points that it leads to. */
    private final List<Map<Integer, Double>> out;

    private LoopMatrix(List<Map<Integer, Double>> out) {
        this.out = out;
    }

    /** The matrix of amplitudes over the points of a loop. Parallel segments add up. */
    static LoopMatrix of(FlowGraph graph, List<Integer> points, List<Integer> segments) {
        int[] index = new int[graph.points()];
        List<Map<Integer, Double>> out = new ArrayList<>();
        List<Map<Integer, Double>> in = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            index[points.get(i)] = i;
            out.add(new TreeMap<>());
            in.add(new TreeMap<>());
        }
        for (int s : segments) {
            double amplitude = Math.pow(10, graph.gain(s) / 20);
            out.get(index[graph.from(s)]).merge(index[graph.to(s)], amplitude, Double::sum);
            in.get(index[graph.to(s)]).merge(index[graph.from(s)], amplitude, Double::sum);
        }
        boolean[] gone = join(out, in);
        int[] number = new int[out.size()];
        List<Map<Integer, Double>> left = new ArrayList<>();
        for (int i = 0; i < number.length; i++) {
            number[i] = left.size();
            if (!gone[i]) {
                left.add(new TreeMap<>());
            }
        }
        for (int i = 0; i < number.length; i++) {
            Map<Integer, Double> row = gone[i] ? null : left.get(number[i]);
            if (row != null) {
                out.get(i).forEach((to, amplitude) -> row.put(number[to], amplitude));
            }
        }
        return new LoopMatrix(left);
    }

    /** Joins each point with one way on to the point there if that has one way in; says which points are gone. */
    private static boolean[] join(List<Map<Integer, Double>> out, List<Map<Integer, Double>> in) {
        boolean[] gone = new boolean[out.size()];
        for (int start = 0; start < gone.length; start++) {
            int p = start;
            while (!gone[p] && out.get(p).size() == 1) {
                int next = out.get(p).keySet().iterator().next();
                if (next == p || in.get(next).size() != 1) {
                    break;
                }
                double amplitude = Objects.requireNonNull(out.get(p).remove(next));
                Map<Integer, Double> on = out.get(next);
                for (Map.Entry<Integer, Double> route : on.entrySet()) {
                    out.get(p).put(route.getKey(), amplitude * route.getValue());
                    in.get(route.getKey()).remove(next);
                    in.get(route.getKey()).put(p, amplitude * route.getValue());
                }
                gone[next] = true;
            }
        }
        return gone;
    }

    /** How many points are left. */
    int size() {
        return out.size();
    }

    /** Whether sound that goes round grows, at the worst phase. */
    boolean buildsUp() {
        return size() > MOST_ELIMINATED ? radiusFromOne() : !solve(dense(), -1, new double[size()]);
    }

    /**
     * The largest first-return gain in dB that is finite.
     *
     * @param away whether the loop builds up
     * @param strongestCircle what counts in dB where none is finite or there are too many points
     */
    double loopGain(boolean away, double strongestCircle) {
        int n = size();
        double best = Double.NEGATIVE_INFINITY;
        if (n <= MOST_INVERTED) {
            double[][] a = dense();
            if (n <= EXACT_POINTS || away) {
                int most = n <= EXACT_POINTS ? n : (int) Math.clamp(MOST_OPERATIONS / n / n / n, 1, n);
                for (int p = 0; p < most; p++) {
                    best = Math.max(best, firstReturn(a, p));
                }
            } else {
                for (double diagonal : inverseDiagonal(a)) {
                    best = Math.max(best, 1 - 1 / diagonal);
                }
            }
        }
        return best > 0 ? 20 * Math.log10(best) : strongestCircle;
    }

    /** The matrix of amplitudes 10^(gain/20) between the points of the loop; parallel segments add up. */
    private double[][] dense() {
        double[][] a = new double[size()][size()];
        for (int i = 0; i < a.length; i++) {
            double[] row = a[i];
            out.get(i).forEach((to, amplitude) -> row[to] = amplitude);
        }
        return a;
    }

    /** Whether the spectral radius is 1 or more, as far as the bounds tell after so many steps. */
    private boolean radiusFromOne() {
        int n = size();
        double[] x = new double[n];
        Arrays.fill(x, 1);
        double least = 0;
        for (int step = 0; step < ITERATIONS; step++) {
            double[] y = x.clone(); // of (I + A)/2, which has no periods
            for (int i = 0; i < n; i++) {
                double sum = 0;
                for (Map.Entry<Integer, Double> route : out.get(i).entrySet()) {
                    sum += route.getValue() * x[route.getKey()];
                }
                y[i] = (y[i] + sum) / 2;
            }
            least = Double.POSITIVE_INFINITY;
            double most = 0;
            double scale = 0;
            for (int i = 0; i < n; i++) {
                least = Math.min(least, y[i] / x[i]);
                most = Math.max(most, y[i] / x[i]);
                scale = Math.max(scale, y[i]);
            }
            for (int i = 0; i < n; i++) {
                x[i] = Math.max(y[i] / scale, 1e-250);
            }
            if (least >= 1 || most < 1 - PIVOT) {
                return least >= 1;
            }
        }
        return least >= 1 - PIVOT;
    }

    /** The sum over all routes from a point back to itself that do not pass it on the way; −∞ if not finite. */
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

    /** The diagonal of the inverse, by elimination without pivoting. */
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
