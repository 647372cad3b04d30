package org.gullyrun.core.flow.route;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is known of all the routes from one source to one point, without listing them: number, sums, arrivals, and of the
 * two highest different gains how many routes have them and when those arrive.
 *
 * <p>Routes that go on over one more segment have the sums times its amplitude and the arrivals plus its latency, and
 * routes that meet add up: so one pass over the points in topological order gives exact figures for any number of routes.
 */
final class Tally {
    long count;
    double power;
    double amplitude;
    double first = Double.POSITIVE_INFINITY;
    double last = Double.NEGATIVE_INFINITY;
    final double[] gain = {Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY};
    final long[] having = new long[2];
    final double[] early = new double[2];
    final double[] late = new double[2];
    /** The strongest route: highest gain, then earliest, then ids; null at the source, or while there is none. */
    @Nullable
    Path strongest;

    /** What stands at a source: one route without a segment. */
    static Tally start() {
        Tally t = new Tally();
        t.count = 1;
        t.power = 1;
        t.amplitude = 1;
        t.first = 0;
        t.last = 0;
        t.gain[0] = 0;
        t.having[0] = 1;
        return t;
    }

    /** What a single route adds. */
    static Tally of(Route route) {
        Tally t = new Tally();
        t.count = 1;
        t.power = Math.pow(10, route.gain() / 10);
        t.amplitude = Math.pow(10, route.gain() / 20);
        t.first = route.delay();
        t.last = route.delay();
        t.gain[0] = route.gain();
        t.having[0] = 1;
        t.early[0] = route.delay();
        t.late[0] = route.delay();
        return t;
    }

    /** Adds the routes of another tally, prolonged by a gain and a latency. */
    void add(Tally from, double db, double ms, double segmentPower, double segmentAmplitude) {
        count = Figures.plus(count, from.count);
        power += from.power * segmentPower;
        amplitude += from.amplitude * segmentAmplitude;
        first = Math.min(first, from.first + ms);
        last = Math.max(last, from.last + ms);
        for (int i = 0; i < 2; i++) {
            if (from.having[i] > 0) {
                merge(from.gain[i] + db, from.having[i], from.early[i] + ms, from.late[i] + ms);
            }
        }
    }

    /** Adds what arrives by another segment. */
    private void merge(double g, long n, double earliest, double latest) {
        for (int i = 0; i < 2; i++) {
            int order = having[i] == 0 ? 1 : Figures.compare(g, gain[i]);
            if (order == 0) {
                having[i] = Figures.plus(having[i], n);
                early[i] = Math.min(early[i], earliest);
                late[i] = Math.max(late[i], latest);
                return;
            }
            if (order > 0) {
                if (i == 0) {
                    gain[1] = gain[0];
                    having[1] = having[0];
                    early[1] = early[0];
                    late[1] = late[0];
                }
                gain[i] = g;
                having[i] = n;
                early[i] = earliest;
                late[i] = latest;
                return;
            }
        }
    }

    /** The figures of all routes together. */
    Delivery delivery(List<Integer> strongest, boolean atLeast) {
        double copyGain = Double.NaN;
        double apart = Double.NaN;
        if (having[0] > 1) {
            copyGain = gain[0];
            apart = late[0] - early[0];
        } else if (having[1] > 0) {
            copyGain = gain[1];
            apart = Math.max(Math.abs(early[1] - early[0]), Math.abs(late[1] - early[0]));
        }
        return new Delivery(
                count,
                atLeast,
                10 * Math.log10(power),
                20 * Math.log10(amplitude),
                first,
                last,
                strongest,
                gain[0],
                early[0],
                copyGain,
                apart);
    }
}
