package org.gullyrun.core.fix;

import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;

/**
 * Where a rig has a voice both raw and through a processor, an experienced technician keeps the processed one: the
 * processor is there for a reason.
 *
 * @param raw for how many of the findings cleared only the raw sound is left, or comes, though there is a processed one
 * @param worth what clearing the doubles among them counts: nothing is put right by silencing the processed sound
 */
record Processing(int raw, int worth) {

    /** What a change leaves raw of what it clears. */
    static Processing lost(Reading before, Reading after, List<Finding> cleared) {
        int raw = 0;
        int worth = 0;
        for (Finding finding : cleared) {
            Topic topic = before.rule(finding).topic();
            if (topic == Topic.DOUBLE && isLost(before, after, finding)) {
                raw++;
                worth += finding.severity().weight();
            } else if (topic == Topic.MISSING && comesRaw(after, finding)) {
                raw++;
            }
        }
        return new Processing(raw, worth);
    }

    /** Whether of a doubled source the route through a processor is the one that is gone now. */
    private static boolean isLost(Reading before, Reading after, Finding finding) {
        FlowGraph was = before.scenes().get(finding.evidence().scene()).graph();
        boolean processed = false;
        boolean raw = false;
        for (Evidence.Trace trace : finding.evidence().routes()) {
            boolean through = isProcessed(was, trace.in(was));
            processed |= through;
            raw |= !through;
        }
        return processed && raw && arrivesRaw(after, finding);
    }

    /** Whether a source that was missing arrives raw, and there is a processor that it gets to. */
    private static boolean comesRaw(Reading after, Finding finding) {
        if (!arrivesRaw(after, finding)) {
            return false;
        }
        SceneReading scene = after.scenes().get(finding.evidence().scene());
        FlowGraph graph = scene.graph();
        PointId source = PointId.of(finding.subject().source());
        return IntStream.range(0, graph.segments())
                .filter(s -> graph.isOpen(s) && isProcessor(graph, s))
                .anyMatch(s -> scene.leads(source, graph.id(graph.from(s))));
    }

    /** Whether the strongest route of a finding's source to its listener passes no processor. */
    private static boolean arrivesRaw(Reading after, Finding finding) {
        int scene = finding.evidence().scene();
        int source = after.rig().place(Kind.SOURCE, finding.subject().source());
        int outlet = after.rig().place(Kind.OUTLET, finding.subject().outlet());
        if (scene >= after.scenes().size() || source < 0 || outlet < 0) {
            return false; // it is gone altogether
        }
        SceneReading there = after.scenes().get(scene);
        return !isProcessed(there.graph(), there.cell(source, outlet).delivery().strongest());
    }

    /** Whether a route passes a processor. */
    private static boolean isProcessed(FlowGraph graph, List<Integer> segments) {
        return segments.stream().anyMatch(s -> isProcessor(graph, s));
    }

    private static boolean isProcessor(FlowGraph graph, int segment) {
        Element element = graph.rig().find(graph.segmentElement(segment));
        return element != null && element.kind() == Kind.PROCESSOR;
    }
}
