package org.gullyrun.core.audit;

import java.util.Map;
import org.gullyrun.core.brief.Threshold;

/** The figures that count in one audit. Immutable; two are equal if the same figures count. */
public final class Thresholds {
    /** The figures of the findings catalogue, and a show of four hours. */
    public static final Thresholds USUAL = new Thresholds(Map.of(), 4);

    private final Map<String, Double> own;
    private final double showHours;
    private final double[] values;

    /**
     * Figures that count.
     *
     * @param own the figures that are not the usual ones, by {@link Threshold#key()}; keys that mean nothing do nothing
     * @param showHours how long the show lasts, in hours
     */
    public Thresholds(Map<String, Double> own, double showHours) {
        this.own = Map.copyOf(own);
        this.showHours = showHours;
        this.values = new double[Threshold.values().length];
        for (Threshold limit : Threshold.values()) {
            values[limit.ordinal()] = own.getOrDefault(limit.key(), limit.usual());
        }
    }

    /** The figure that counts. */
    public double of(Threshold limit) {
        return values[limit.ordinal()];
    }

    /** How long the show lasts, in hours. */
    public double showHours() {
        return showHours;
    }

    @Override
    public boolean equals(@org.jspecify.annotations.Nullable Object other) {
        return other instanceof Thresholds t && own.equals(t.own) && showHours == t.showHours;
    }

    @Override
    public int hashCode() {
        return own.hashCode();
    }
}
