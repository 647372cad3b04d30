package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.audit.Rates;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Small pieces of sentences that several rules use. */
final class Say {
    private Say() {}

    /** A number with no more digits than it deserves, and its unit: "12 ms", "0.8 dB", "−20 dBFS". */
    static String of(double value, String unit) {
        boolean whole = unit.equals("cents") || unit.equals("ms") && Math.abs(value) >= 10;
        String number = String.format(Locale.ROOT, whole ? "%.0f" : "%.1f", value);
        number = number.endsWith(".0") ? number.substring(0, number.length() - 2) : number;
        return (number.equals("-0") ? "0" : number.replace('-', '−')) + " " + unit;
    }

    /** A verb as it goes with a name: "Live hears", "Guests hear", "Host's ears hear". */
    static String verb(String name, String singular, String plural) {
        return Sentences.verb(name, singular, plural);
    }

    /** The names along a route or circle, in order; the middle of a long one is left out. */
    static String route(FlowGraph graph, List<Integer> segments) {
        List<String> names = names(graph, segments);
        int most = 8;
        if (names.size() > most) {
            names.subList(most / 2, names.size() - most / 2 + 1).clear();
            names.add(most / 2, "…");
        }
        return String.join(" → ", names);
    }

    /** The names of the points on a route, each once. */
    private static List<String> names(FlowGraph graph, List<Integer> segments) {
        List<String> names = new ArrayList<>();
        for (int i = 0; i <= segments.size(); i++) {
            int point = i == 0 ? graph.from(segments.getFirst()) : graph.to(segments.get(i - 1));
            String name = name(graph, point);
            if (names.isEmpty() || !names.getLast().equals(name)) {
                names.add(name);
            }
        }
        return names;
    }

    /** What a technician calls a point: tracks go by what they are for. */
    static String name(FlowGraph graph, int point) {
        Rig rig = graph.rig();
        Element element = rig.find(graph.element(point));
        return switch (graph.kind(point)) {
            case TRACK ->
                Sentences.called(
                        "track",
                        Sentences.trackName(
                                rig, element, String.valueOf(graph.id(point).track())));
            case CUE -> rig.name(graph.element(point)) + "'s cue";
            default -> rig.name(graph.element(point));
        };
    }

    /** What a route goes through between its source and its listener: "through Driftbox, Music and track archive". */
    static String through(FlowGraph graph, List<Integer> route) {
        List<String> names = names(graph, route);
        List<String> between = names.size() <= 2 ? List.of() : names.subList(1, names.size() - 1);
        return between.isEmpty() ? "directly" : "through " + first(between, 4);
    }

    /** A time of some hours in the unit that suits it: "2.3 h", "7 min", "40 s". */
    static String hours(double hours) {
        return hours >= 1.95
                ? of(hours, "h")
                : hours * 60 >= 1.95 ? Math.round(hours * 60) + " min" : Math.round(hours * 3600) + " s";
    }

    /** "1 route", "3 routes", "at least 10000 routes". */
    static String routes(long n, boolean atLeast) {
        return (atLeast ? "at least " : "") + n + (n == 1 ? " route" : " routes");
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

    /** Required deliveries as a list, the first four by name. */
    static String musts(AuditContext context, List<MissingPair> pairs) {
        List<String> names = pairs.stream()
                .map(p -> p.source().name() + " at " + p.outlet().name())
                .toList();
        return first(names, 4);
    }

    /** Whether something on routes that are compared is not known, or a latency that some pass more often than others. */
    static boolean assumedBetween(FlowGraph graph, List<List<Integer>> routes) {
        boolean any = routes.stream().anyMatch(route -> assumed(graph, route));
        if (any || routes.size() < 2) {
            return any;
        }
        List<Map<Address, Long>> latencies = routes.stream()
                .map(route -> route.stream()
                        .flatMap(s -> graph.assumed(s).stream())
                        .collect(Collectors.groupingBy(at -> at, Collectors.counting())))
                .toList();
        return latencies.stream().anyMatch(one -> !one.equals(latencies.getFirst()));
    }

    /** Whether something on a route is not known; latencies of a production only matter where two routes are compared. */
    static boolean assumed(FlowGraph graph, List<Integer> segments) {
        return segments.stream()
                .flatMap(s -> graph.assumed(s).stream())
                .anyMatch(at -> !at.key().equals(Productions.CAPTURE_LATENCY.key())
                        && !at.key().equals(Productions.CUE_LATENCY.key()));
    }

    /** A rate in kHz. */
    static String kilo(double hertz) {
        return Rates.kilo(hertz) + " kHz";
    }

    /** The first few of some names, and how many more there are. */
    static String first(List<String> names, int most) {
        return names.size() <= most
                ? Sentences.list(names)
                : String.join(", ", names.subList(0, most - 1)) + " and " + (names.size() - most + 1) + " more";
    }

    /** "track music", "tracks 7 and 8". */
    static String tracks(Rig rig, Element production, List<Integer> numbers) {
        List<String> names = numbers.stream()
                .map(n -> Sentences.trackName(rig, production, Integer.toString(n)))
                .toList();
        return names.size() == 1 ? Sentences.called("track", names.getFirst()) : "tracks " + Sentences.list(names);
    }
}
