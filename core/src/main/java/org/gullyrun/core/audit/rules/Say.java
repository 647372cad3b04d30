package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.Locale;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Small pieces of sentences that several rules use. */
final class Say {
    private Say() {}

    /** A number with one decimal, and its unit. */
    static String of(double value, String unit) {
        String number = String.format(Locale.ROOT, "%.1f", value).replace('-', '−');
        return (number.equals("−0.0") ? "0.0" : number) + " " + unit;
    }

    /** A time of some hours in the unit that suits it: "2.3 h", "7 min", "40 s". */
    static String hours(double hours) {
        return hours >= 1.95
                ? of(hours, "h")
                : hours * 60 >= 1.95 ? Math.round(hours * 60) + " min" : Math.round(hours * 3600) + " s";
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
        return first(names, 4);
    }

    static boolean assumed(FlowGraph graph, List<Integer> segments) {
        return segments.stream().anyMatch(s -> !graph.assumed(s).isEmpty());
    }

    /** A rate in kHz. */
    static String kilo(double hertz) {
        return (hertz % 1000 == 0 ? Long.toString(Math.round(hertz / 1000)) : java.lang.Double.toString(hertz / 1000))
                + " kHz";
    }

    /** The first few of some names, and how many more there are. */
    static String first(List<String> names, int most) {
        return names.size() <= most
                ? AuditContext.list(names)
                : String.join(", ", names.subList(0, most - 1)) + " and " + (names.size() - most + 1) + " more";
    }

    /** "track music", "tracks 7 and 8". */
    static String tracks(Rig rig, Element production, List<Integer> numbers) {
        List<String> names = numbers.stream()
                .map(n -> Sentences.trackName(rig, production, Integer.toString(n)))
                .toList();
        return names.size() == 1 ? Sentences.called("track", names.getFirst()) : "tracks " + AuditContext.list(names);
    }
}
