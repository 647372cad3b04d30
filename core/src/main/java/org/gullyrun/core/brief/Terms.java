package org.gullyrun.core.brief;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * What a case sets otherwise for its audit: figures at which findings begin, findings it lives with, and what is reported.
 * Immutable.
 *
 * @param limits figures by the key of the limit; those not named stand at their usual value
 * @param waivers findings waived, one for each identity
 * @param complaint what the creator reports
 */
public record Terms(Map<String, Double> limits, List<Waiver> waivers, Complaint complaint) {
    /** Everything as usual. */
    public static final Terms USUAL = new Terms(Map.of(), List.of());

    /** Figures and waivers of a case in which nothing is reported. */
    public Terms(Map<String, Double> limits, List<Waiver> waivers) {
        this(limits, waivers, Complaint.NONE);
    }

    public Terms {
        limits.forEach((key, value) -> {
            String objection = Threshold.objection(key, value);
            if (!objection.isEmpty()) {
                throw new IllegalArgumentException(key + ": " + objection);
            }
        });
        limits = Collections.unmodifiableMap(new TreeMap<>(limits));
        waivers = List.copyOf(waivers);
    }

    /** These with a waiver in place of any earlier one of the same finding. */
    public Terms with(Waiver waiver) {
        List<Waiver> all = new ArrayList<>(without(waiver.finding()).waivers);
        all.add(waiver);
        return new Terms(limits, all, complaint);
    }

    /** These without the waiver of a finding. */
    public Terms without(String finding) {
        return new Terms(
                limits,
                waivers.stream().filter(w -> !w.finding().equals(finding)).toList(),
                complaint);
    }

    /** These with a limit of their own in place of the usual one; null for the usual one again. */
    public Terms with(String limit, @Nullable Double value) {
        Map<String, Double> all = new TreeMap<>(limits);
        if (value == null) {
            all.remove(limit);
        } else {
            all.put(limit, value);
        }
        return new Terms(all, waivers, complaint);
    }

    /** These with something else reported. */
    public Terms with(Complaint reported) {
        return new Terms(limits, waivers, reported);
    }
}
