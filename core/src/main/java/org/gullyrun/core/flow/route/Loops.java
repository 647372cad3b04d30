package org.gullyrun.core.flow.route;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.flow.graph.FlowGraph;

/**
 * Finds the loops among the open segments of a graph, with their circles ({@link Circles}) and their gain ({@link
 * LoopMatrix}).
 */
public final class Loops {
    /** Up to this many circles of one loop are listed. */
    public static final int MOST_CIRCLES = 1_000;

    private final OpenView view;
    private final FlowGraph graph;

    private Loops(OpenView view) {
        this.view = view;
        this.graph = view.graph;
    }

    /** All loops of a view, in the order of their first points. */
    public static List<Loop> of(OpenView view) {
        Loops loops = new Loops(view);
        Map<Integer, List<Integer>> sets = new TreeMap<>();
        Map<Integer, Integer> first = new TreeMap<>();
        for (int p = 0; p < view.graph.points(); p++) {
            if (view.looping[p]) {
                int key = first.computeIfAbsent(view.set[p], x -> sets.size());
                sets.computeIfAbsent(key, x -> new ArrayList<>()).add(p);
            }
        }
        return sets.values().stream().map(loops::loop).toList();
    }

    /** A loop over some points, with its circles and gain. */
    private Loop loop(List<Integer> points) {
        List<Integer> segments = new ArrayList<>();
        for (int p : points) {
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                if (view.set[graph.to(view.out[i])] == view.set[p]) {
                    segments.add(view.out[i]);
                }
            }
        }
        Circles.Found found = Circles.among(view, points);
        List<Loop.Circle> circles = found.circles();
        boolean more = found.more();
        LoopMatrix matrix = LoopMatrix.of(graph, points, segments);
        boolean away = matrix.buildsUp();
        double gain =
                circles.size() == 1 && !more ? circles.getFirst().gain() : matrix.loopGain(away, strongest(circles));
        return new Loop(List.copyOf(points), List.copyOf(segments), circles, more, away, gain);
    }

    private static double strongest(List<Loop.Circle> circles) {
        return circles.stream().mapToDouble(Loop.Circle::gain).max().orElse(Double.NEGATIVE_INFINITY);
    }
}
