package org.gullyrun.core.slow;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.slow.SlowDevices.Segment;
import org.jspecify.annotations.Nullable;

/** Deliveries, loops and the findings that follow from them, by trying everything. */
final class SlowAudit {
    /** One route and what it does to the sound. */
    record SlowRoute(List<Segment> segments, double gain, double late) {
        boolean air() {
            return segments.stream().anyMatch(Segment::air);
        }
    }

    /** More routes than this of one pair are not listed. */
    static final int MOST = 1_500;

    private final SlowGraph graph;
    private final Map<String, List<Segment>> out = new HashMap<>();

    SlowAudit(SlowGraph graph) {
        this.graph = graph;
        for (Segment s : graph.segments) {
            if (s.open()) {
                out.computeIfAbsent(s.from(), x -> new ArrayList<>()).add(s);
            }
        }
    }

    /** All simple routes over open segments; null if there are too many. */
    @Nullable
    List<SlowRoute> routes(String from, String to) {
        List<SlowRoute> found = new ArrayList<>();
        int[] steps = {60_000};
        walk(from, to, new ArrayList<>(), new HashSet<>(Set.of(from)), found, steps);
        return found.size() > MOST || steps[0] <= 0 ? null : found;
    }

    private void walk(String at, String to, List<Segment> path, Set<String> seen, List<SlowRoute> found, int[] steps) {
        if (found.size() > MOST || steps[0]-- <= 0) {
            return;
        }
        for (Segment s : out.getOrDefault(at, List.of())) {
            if (seen.contains(s.to())) {
                continue;
            }
            path.add(s);
            if (s.to().equals(to)) {
                double gain = path.stream().mapToDouble(Segment::gain).sum();
                double late = path.stream().mapToDouble(Segment::late).sum();
                found.add(new SlowRoute(List.copyOf(path), gain, late));
            } else {
                seen.add(s.to());
                walk(s.to(), to, path, seen, found, steps);
                seen.remove(s.to());
            }
            path.removeLast();
        }
    }

    static double strength(List<SlowRoute> routes) {
        return 10
                * Math.log10(routes.stream()
                        .mapToDouble(w -> Math.pow(10, w.gain / 10))
                        .sum());
    }

    static double worst(List<SlowRoute> routes) {
        return 20
                * Math.log10(routes.stream()
                        .mapToDouble(w -> Math.pow(10, w.gain / 20))
                        .sum());
    }

    private static double rounded(double x) {
        return Math.rint(x * 1e9) / 1e9;
    }

    /** The strongest: highest gain, then earliest. (Which of wholly equal ones does not show in any figure.) */
    static SlowRoute strongest(List<SlowRoute> routes) {
        return routes.stream()
                .min(Comparator.comparingDouble((SlowRoute w) -> -rounded(w.gain))
                        .thenComparingDouble(w -> rounded(w.late)))
                .orElseThrow();
    }

    /** Gain of the strongest other way, and how far it is from the strongest; NaN twice if there is none. */
    static double[] copy(List<SlowRoute> routes) {
        SlowRoute first = strongest(routes);
        double gain = routes.stream()
                .filter(w -> w != first)
                .mapToDouble(w -> w.gain)
                .max()
                .orElse(Double.NaN);
        double apart = routes.stream()
                .filter(w -> w != first && Math.abs(w.gain - gain) < 1e-8)
                .mapToDouble(w -> Math.abs(w.late - first.late))
                .max()
                .orElse(Double.NaN);
        return new double[] {gain, apart};
    }

    // The brief.

    /** Whether the brief itself says something about a pair in a scene. */
    static boolean isEntered(Brief brief, Element source, Element outlet, String scene) {
        return brief.cells().containsKey(new Brief.Cell(source.id(), outlet.id(), ""))
                || !scene.isEmpty() && brief.cells().containsKey(new Brief.Cell(source.id(), outlet.id(), scene));
    }

    /** Whether a source starts at an application, or at one of its outputs. */
    static boolean isOf(Rig rig, Element source, String application) {
        Element at = rig.find(source.get(Sources.AT));
        return at != null
                && (at.id().equals(application)
                        || at.kind() == Kind.APP_OUTPUT && application.equals(at.get(Applications.OUTPUT_OF)));
    }

    /** Whether those at the far end of a call would hear a voice of their own. */
    static boolean isOwn(Rig rig, Element source, Element outlet) {
        String person = source.get(Sources.PERSON);
        boolean other = !person.isEmpty()
                && !outlet.get(Outlets.PERSONS).isEmpty()
                && !outlet.get(Outlets.PERSONS).contains(person);
        return outlet.get(Outlets.SORT) == Outlets.Sort.FAR_END
                && isOf(rig, source, outlet.get(Outlets.APPLICATION))
                && !other;
    }

    static Wish wish(Rig rig, Brief brief, Element source, Element outlet, String scene) {
        boolean named = !scene.isEmpty();
        if (named && SlowGraph.on(source, Sources.SILENT.of(scene)) && outlet.get(Outlets.SORT) != Outlets.Sort.EARS) {
            return Wish.NEVER;
        }
        Wish usual = usual(rig, brief, source, outlet, scene);
        return named && usual == Wish.MUST && SlowGraph.on(source, Sources.RESTS.of(scene)) ? Wish.MAY : usual;
    }

    private static Wish usual(Rig rig, Brief brief, Element source, Element outlet, String scene) {
        Wish there = scene.isEmpty() ? null : brief.cells().get(new Brief.Cell(source.id(), outlet.id(), scene));
        Wish all = brief.cells().get(new Brief.Cell(source.id(), outlet.id(), ""));
        if (there != null || all != null) {
            return there != null ? there : all;
        }
        Outlets.Sort sort = outlet.get(Outlets.SORT);
        boolean open = sort == Outlets.Sort.LIVE
                || sort == Outlets.Sort.ARCHIVE
                || sort == Outlets.Sort.RELAY
                || sort == Outlets.Sort.ROOM
                || sort == Outlets.Sort.TRACK
                || sort == Outlets.Sort.FAR_END && !isOf(rig, source, outlet.get(Outlets.APPLICATION));
        if (source.is(Sources.PRIVATE, false) && open
                || source.is(Sources.LICENSED, false) && sort == Outlets.Sort.ARCHIVE) {
            return Wish.NEVER;
        }
        boolean never = sort == Outlets.Sort.TRACK && forOthers(rig, brief, source, outlet)
                || SlowGraph.on(outlet, Outlets.NOTHING_ELSE);
        return never ? Wish.NEVER : Wish.MAY;
    }

    /** Whether a must at a listener is met at another of those that stand in for each other. */
    boolean isMetElsewhere(Rig rig, Brief brief, Element source, Element outlet, String scene) {
        String root = root(outlet);
        if (rig.of(Kind.OUTLET).stream().noneMatch(o -> root.equals(o.get(Outlets.STANDS_IN)))) {
            return false;
        }
        for (Element other : rig.of(Kind.OUTLET)) {
            Wish wish = wish(rig, brief, source, other, scene);
            List<SlowRoute> routes = root(other).equals(root) ? routes(source.id(), other.id()) : List.of();
            if (routes != null
                    && !routes.isEmpty()
                    && wish != Wish.NEVER
                    && !isOwn(rig, source, other)
                    && strength(routes) >= -30.000000001
                    && source.or(Sources.LEVEL, -20.0) + strength(routes) >= -60.000000001) {
                return true;
            }
        }
        return false;
    }

    private static String root(Element outlet) {
        return outlet.get(Outlets.STANDS_IN) == null ? outlet.id() : outlet.get(Outlets.STANDS_IN);
    }

    /** Whether a track is dedicated to others than a source. */
    static boolean forOthers(Rig rig, Brief brief, Element source, Element outlet) {
        Set<Element> musts = new HashSet<>();
        brief.cells().forEach((cell, wish) -> {
            if (wish == Wish.MUST && cell.outlet().equals(outlet.id())) {
                musts.add(rig.get(cell.source()));
            }
        });
        Set<Object> classes = new HashSet<>();
        musts.forEach(m -> classes.add(m.get(Sources.CLASS)));
        if (outlet.get(Outlets.SORT) != Outlets.Sort.TRACK || musts.contains(source) || classes.size() != 1) {
            return false;
        }
        return musts.size() == 1 || !classes.contains(source.get(Sources.CLASS));
    }

    // Loops.

    /** For each point all that is reached from it by at least one open segment. */
    private Map<String, Set<String>> reach(boolean electric) {
        Map<String, Set<String>> reach = new HashMap<>();
        for (String start : out.keySet()) {
            Set<String> seen = new HashSet<>();
            List<String> next = new ArrayList<>(List.of(start));
            while (!next.isEmpty()) {
                for (Segment s : out.getOrDefault(next.removeLast(), List.of())) {
                    if (!(electric && s.air()) && seen.add(s.to())) {
                        next.add(s.to());
                    }
                }
            }
            reach.put(start, seen);
        }
        return reach;
    }

    /** The loops, each as the set of its points. */
    Set<Set<String>> loops(boolean electric) {
        Map<String, Set<String>> reach = reach(electric);
        Set<Set<String>> loops = new HashSet<>();
        for (String p : reach.keySet()) {
            if (reach.get(p).contains(p)) {
                Set<String> loop = new HashSet<>();
                for (String q : reach.get(p)) {
                    if (reach.getOrDefault(q, Set.of()).contains(p)) {
                        loop.add(q);
                    }
                }
                loops.add(loop);
            }
        }
        return loops;
    }

    /** The spectral radius of a loop's matrix of amplitudes, by letting it act again and again. */
    double radius(Set<String> loop, boolean electric) {
        List<String> points = new ArrayList<>(loop);
        int n = points.size();
        double[][] a = new double[n][n];
        for (Segment s : graph.segments) {
            int i = points.indexOf(s.from());
            int j = points.indexOf(s.to());
            if (s.open() && i >= 0 && j >= 0 && !(electric && s.air())) {
                a[i][j] += Math.pow(10, s.gain() / 20);
            }
        }
        double[] x = new double[n];
        java.util.Arrays.fill(x, 1);
        double lambda = 0;
        for (int round = 0; round < 4_000; round++) {
            double[] y = new double[n];
            for (int i = 0; i < n; i++) {
                y[i] = x[i]; // A + I: its largest value alone is on its circle, so that this settles
                for (int j = 0; j < n; j++) {
                    y[i] += a[i][j] * x[j];
                }
            }
            // The value sought lies between the least and the greatest growth of any part (Collatz and Wielandt).
            double least = Double.POSITIVE_INFINITY;
            double most = 0;
            for (int i = 0; i < n; i++) {
                least = Math.min(least, y[i] / x[i]);
                most = Math.max(most, y[i] / x[i]);
            }
            double norm = java.util.Arrays.stream(y).max().orElseThrow();
            for (int i = 0; i < n; i++) {
                x[i] = y[i] / norm;
            }
            lambda = (least + most) / 2;
            if (most - least < 1e-9) {
                break;
            }
        }
        return lambda - 1;
    }
}
