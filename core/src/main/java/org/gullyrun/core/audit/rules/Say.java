package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.Locale;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.flow.FlowGraph;

/** Small pieces of sentences that several rules use. */
final class Say {
    private Say() {}

    /** A number with one decimal, and its unit. */
    static String of(double value, String unit) {
        String number = String.format(Locale.ROOT, "%.1f", value).replace('-', '−');
        return (number.equals("−0.0") ? "0.0" : number) + " " + unit;
    }

    /** "1 run", "3 runs", "at least 10000 runs". */
    static String runs(long n, boolean atLeast) {
        return (atLeast ? "at least " : "") + n + (n == 1 ? " run" : " runs");
    }

    /** Joins parts of a sentence that may be empty, with a full stop at the end. */
    static String sentence(String... parts) {
        StringBuilder all = new StringBuilder();
        for (String part : parts) {
            if (!part.isEmpty()) {
                boolean sign = part.startsWith(":") || part.startsWith(";");
                all.append(all.isEmpty() || sign ? "" : " ").append(part);
            }
        }
        return all.append(all.toString().endsWith(".") ? "" : ".").toString();
    }

    static String musts(AuditContext context, List<MissingPair> pairs) {
        List<String> names = pairs.stream()
                .map(p -> p.source().name() + " at " + p.outlet().name())
                .toList();
        return names.size() <= 4
                ? AuditContext.list(names)
                : String.join(", ", names.subList(0, 3)) + " and " + (names.size() - 3) + " more";
    }

    static boolean assumed(FlowGraph graph, List<Integer> segments) {
        return segments.stream().anyMatch(s -> !graph.assumed(s).isEmpty());
    }
}
