package org.gullyrun.core.flow.route;

import java.util.List;

/**
 * What one outlet gets of one source in one scene. Without runs all figures are NaN and the lists empty.
 *
 * @param routes how many routes there are, saturating at 2⁶³ − 1
 * @param atLeast whether there may be more: then the figures are those of the routes found
 * @param strength the usual gain in dB: 10·log₁₀ Σ 10^(g/10) over the routes
 * @param worst the worst gain in dB: 20·log₁₀ Σ 10^(g/20) over the routes, as if all arrived in phase
 * @param first the earliest arrival in ms
 * @param last the latest arrival in ms
 * @param strongest the segments of the strongest route
 * @param strongestGain its gain in dB
 * @param strongestDelay its delay in ms
 * @param copyGain the gain in dB of the strongest of the other routes; NaN if there is none
 * @param copyApart how far in ms that copy and the strongest route arrive apart (of equally strong copies the farthest)
 */
public record Delivery(
        long routes,
        boolean atLeast,
        double strength,
        double worst,
        double first,
        double last,
        List<Integer> strongest,
        double strongestGain,
        double strongestDelay,
        double copyGain,
        double copyApart) {

    private static final double NONE = Double.NaN;

    /** Nothing arrives. */
    static final Delivery NOTHING = new Delivery(0, false, NONE, NONE, NONE, NONE, List.of(), NONE, NONE, NONE, NONE);

    /** The same with its strongest route's segments renumbered. */
    Delivery over(List<Integer> segments) {
        return new Delivery(
                routes,
                atLeast,
                strength,
                worst,
                first,
                last,
                segments,
                strongestGain,
                strongestDelay,
                copyGain,
                copyApart);
    }

    /** Whether anything arrives. */
    public boolean arrives() {
        return routes > 0;
    }

    /** Latest less earliest arrival in ms. */
    public double spread() {
        return last - first;
    }
}
