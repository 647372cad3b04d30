package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What a reading keeps for those that read on from it: all that was found, rule by rule, whether somebody lives with it
 * or not, the musts that do not arrive, and through which programs the others do.
 */
public final class ReadingBasis {
    private final Set<String> asked;
    private final Map<String, Rule> rules;
    private final Map<String, List<Finding>> byRule = new HashMap<>();
    /** For the rules about pairs of source and outlet also source by source. */
    private final Map<String, List<Finding>> bySource = new HashMap<>();

    private final Map<String, MissingPair> missing = new HashMap<>();

    private final Map<String, Map<String, Integer>> mustsThrough;

    private final TriedRigs tried;
    private final PairFindings pairs;

    ReadingBasis(
            Set<String> asked,
            Map<String, Rule> rules,
            List<Finding> findings,
            PairFindings pairs,
            List<MissingPair> missing,
            Map<String, Map<String, Integer>> mustsThrough,
            TriedRigs tried) {
        this.tried = tried;
        this.pairs = pairs;
        this.mustsThrough = mustsThrough;
        this.asked = asked;
        this.rules = rules;
        for (Finding finding : findings) {
            byRule.computeIfAbsent(finding.rule(), x -> new ArrayList<>()).add(finding);
            bySource.computeIfAbsent(key(finding.rule(), finding.subject().source()), x -> new ArrayList<>())
                    .add(finding);
        }
        missing.forEach(p -> this.missing.put(key(p.source().id(), p.outlet().id()), p));
    }

    private static String key(String a, String b) {
        return a + ">" + b;
    }

    Rule rule(String id) {
        return Objects.requireNonNull(rules.get(id), id);
    }

    /** All that a rule found; null if it was not asked. */
    @Nullable
    List<Finding> of(String rule) {
        return asked.contains(rule) ? byRule.getOrDefault(rule, List.of()) : null;
    }

    /** All that a rule found of a source; null if it was not asked. */
    @Nullable
    List<Finding> of(String rule, String source) {
        return asked.contains(rule) ? bySource.getOrDefault(key(rule, source), List.of()) : null;
    }

    /** A must that does not arrive; null if it does, or is none. */
    @Nullable
    MissingPair missing(String source, String outlet) {
        return missing.get(key(source, outlet));
    }

    /** For each program how many musts of a source arrive through it; null if that was not asked. */
    @Nullable
    Map<String, Integer> mustsThrough(String source) {
        return mustsThrough.get(source);
    }

    /** What was found about each pair. */
    PairFindings pairs() {
        return pairs;
    }

    /** The rigs that rules have tried. */
    TriedRigs tried() {
        return tried;
    }
}
