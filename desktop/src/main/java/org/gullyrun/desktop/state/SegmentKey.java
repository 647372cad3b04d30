package org.gullyrun.desktop.state;

import org.gullyrun.core.flow.FlowGraph;

/** A segment by what it is rather than by its number, so that the graphs of several scenes can be laid over one another. */
public record SegmentKey(String from, String to, String element) {
    /** The key of a segment of a graph. */
    public static SegmentKey of(FlowGraph graph, int segment) {
        return new SegmentKey(
                graph.id(graph.from(segment)), graph.id(graph.to(segment)), graph.segmentElement(segment));
    }
}
