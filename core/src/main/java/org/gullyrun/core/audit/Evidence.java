package org.gullyrun.core.audit;

import java.util.List;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Address;

/**
 * What a finding rests on: routes through the graph of one scene, and settings. It names segments by their keys, so it
 * holds in every version of a rig that has them.
 *
 * @param scene the place of the scene in the reading; the worst one where several have the finding
 * @param routes the routes, the most telling first
 * @param settings the settings in question, where it is not about routes
 */
public record Evidence(int scene, List<Trace> routes, List<Address> settings) {

    /** What a trace is: an open route, a route that closed gates block, or once round a loop. */
    public enum Form {
        ROUTE,
        BLOCKED,
        CIRCLE
    }

    /** One trace: its segments in the order in which sound takes them. */
    public record Trace(Form form, List<SegmentKey> segments) {
        public Trace {
            segments = List.copyOf(segments);
        }

        /** A trace of segments that are numbered as in a graph. */
        public static Trace of(FlowGraph graph, Form form, List<Integer> segments) {
            return new Trace(form, segments.stream().map(graph::key).toList());
        }

        /** The numbers that its segments have in a graph; those that it doesn't have are left out. */
        public List<Integer> in(FlowGraph graph) {
            return segments.stream().map(graph::segment).filter(s -> s >= 0).toList();
        }
    }

    public Evidence {
        routes = List.copyOf(routes);
        settings = List.copyOf(settings);
    }

    /** Evidence that is settings only. */
    public static Evidence of(Address... settings) {
        return new Evidence(0, List.of(), List.of(settings));
    }

    /** Evidence that is one trace of segments numbered as in the graph of the scene. */
    public static Evidence of(int scene, FlowGraph graph, Form form, List<Integer> segments) {
        return new Evidence(scene, List.of(Trace.of(graph, form, segments)), List.of());
    }
}
