package org.gullyrun.core.flow.route;

import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;

/**
 * One open route from a source to an outlet on which no point is visited twice.
 *
 * @param segments the numbers of its segments, in order
 * @param gain the sum of its gains in dB
 * @param delay the sum of its latencies in ms
 */
public record Route(List<Integer> segments, double gain, double delay) {
    public Route {
        segments = List.copyOf(segments);
    }

    /** A route over the first so many segments of a path, with its gain and delay. */
    static Route of(FlowGraph graph, int[] path, int length) {
        double gain = 0;
        double delay = 0;
        Integer[] segments = new Integer[length];
        for (int i = 0; i < length; i++) {
            segments[i] = path[i];
            gain += graph.gain(path[i]);
            delay += graph.latency(path[i]);
        }
        return new Route(List.of(segments), gain, delay);
    }

    /** The ids of its points, from source to outlet. */
    public List<PointId> points(FlowGraph graph) {
        return IntStream.rangeClosed(0, segments.size())
                .mapToObj(i -> graph.id(i == 0 ? graph.from(segments.getFirst()) : graph.to(segments.get(i - 1))))
                .toList();
    }

    /** Whether it goes through the air anywhere. */
    public boolean passesCoupling(FlowGraph graph) {
        return segments.stream().anyMatch(graph::isCoupling);
    }
}
