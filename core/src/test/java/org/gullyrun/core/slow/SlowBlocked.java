package org.gullyrun.core.slow;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.slow.SlowDevices.Segment;

/**
 * Why something does not arrive, by opening ever more closed gates until it does: which is another way to go about it than the
 * program's, which follows the sound and counts the gates it meets.
 */
final class SlowBlocked {
    /**
     * Whether what is down elsewhere explains that something does not arrive; not sure where only ids decide, or where more
     * gates are closed than the program seeks the fewest of.
     */
    enum Explained {
        NO,
        YES,
        UNSURE
    }

    /** As many as the program's search is exact for. */
    private static final int MOST_GATES = 8;

    private static final int MOST_SETS = RandomRigs.many(600, 10_000);

    /** How long and how good the best route is; the best first. */
    private record Figures(int segments, double gain, double late) implements Comparable<Figures> {
        @Override
        public int compareTo(Figures other) {
            int order = Integer.compare(segments, other.segments);
            if (order == 0 && Math.abs(gain - other.gain) > 1e-7) {
                order = -Double.compare(gain, other.gain);
            }
            return order != 0 || Math.abs(late - other.late) <= 1e-7 ? order : Double.compare(late, other.late);
        }
    }

    private SlowBlocked() {}

    /** Whether a gate is the subject of a finding of its own. */
    static boolean isOwnFinding(String gate) {
        return gate.startsWith("usable ")
                || gate.startsWith("present ")
                || gate.startsWith("running ")
                || gate.startsWith("active ");
    }

    static Explained explained(SlowGraph graph, String from, String to, boolean electric) {
        List<Segment> segments =
                graph.segments.stream().filter(s -> !(electric && s.air())).toList();
        if (segments.stream().flatMap(s -> s.closedBy().stream()).noneMatch(SlowBlocked::isOwnFinding)) {
            return Explained.NO;
        }
        TreeMap<Integer, List<Set<String>>> next = new TreeMap<>(Map.of(0, List.of(Set.of())));
        Set<Set<String>> met = new HashSet<>();
        while (!next.isEmpty() && next.firstKey() <= MOST_GATES && met.size() < MOST_SETS) {
            List<Set<String>> through = new ArrayList<>();
            for (Set<String> opened : next.pollFirstEntry().getValue()) {
                Map<String, Figures> reached = reached(segments, from, opened);
                if (reached.containsKey(to)) {
                    through.add(opened);
                    continue;
                }
                for (Segment s : segments) {
                    if (reached.containsKey(s.from()) && !reached.containsKey(s.to())) {
                        Set<String> more = new HashSet<>(opened);
                        more.addAll(s.closedBy());
                        if (met.add(more)) {
                            next.computeIfAbsent(more.size(), n -> new ArrayList<>())
                                    .add(more);
                        }
                    }
                }
            }
            if (!through.isEmpty()) {
                return judge(segments, from, to, through);
            }
        }
        return next.isEmpty() ? Explained.NO : Explained.UNSURE; // nothing left to open: there is no route
    }

    /** From the smallest sets of gates that let it through. */
    private static Explained judge(List<Segment> segments, String from, String to, List<Set<String>> through) {
        if (through.getFirst().size() == 1
                && through.stream().flatMap(Set::stream).anyMatch(SlowBlocked::isOwnFinding)) {
            return Explained.YES;
        }
        Map<Set<String>, Figures> best = new HashMap<>();
        through.forEach(
                opened -> best.put(opened, reached(segments, from, opened).get(to)));
        Figures first = best.values().stream().sorted().findFirst().orElseThrow();
        Set<Boolean> own = new HashSet<>();
        best.forEach((opened, figures) -> {
            if (figures.compareTo(first) == 0) {
                own.add(opened.stream().anyMatch(SlowBlocked::isOwnFinding));
            }
        });
        return own.size() > 1 ? Explained.UNSURE : own.contains(true) ? Explained.YES : Explained.NO;
    }

    /** All that is reached with some gates opened, each point by the best of its shortest routes. */
    private static Map<String, Figures> reached(List<Segment> segments, String from, Set<String> opened) {
        Map<String, Figures> reached = new HashMap<>(Map.of(from, new Figures(0, 0, 0)));
        for (int length = 1; ; length++) {
            Map<String, Figures> further = new HashMap<>();
            for (Segment s : segments) {
                Figures at = reached.get(s.from());
                if (at != null
                        && at.segments == length - 1
                        && !reached.containsKey(s.to())
                        && (s.closedBy().isEmpty() || opened.containsAll(s.closedBy()))) {
                    Figures there = new Figures(length, at.gain + s.gain(), at.late + s.late());
                    further.merge(s.to(), there, (a, b) -> a.compareTo(b) <= 0 ? a : b);
                }
            }
            if (further.isEmpty()) {
                return reached;
            }
            reached.putAll(further);
        }
    }
}
