package org.gullyrun.core.fix;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;

/**
 * Where a voice arrives twice, once raw and once through a processor, an experienced technician silences the raw one: the
 * processor is there for a reason.
 */
final class Processing {
    private Processing() {}

    /** For how many of the doubles among the findings cleared only the raw sound is left. */
    static int lost(Reading before, Reading after, List<String> cleared) {
        Set<String> gone = new HashSet<>(cleared);
        int lost = 0;
        for (Finding finding : before.findings()) {
            if (gone.contains(finding.identity()) && before.rule(finding).topic() == Topic.DOUBLE) {
                lost += isLost(before, after, finding) ? 1 : 0;
            }
        }
        return lost;
    }

    /** Whether of a doubled source the route through a processor is the one that is gone now. */
    private static boolean isLost(Reading before, Reading after, Finding finding) {
        int scene = finding.evidence().scene();
        int source = place(after, Kind.SOURCE, finding.subject().source());
        int outlet = place(after, Kind.OUTLET, finding.subject().outlet());
        if (scene >= after.scenes().size() || source < 0 || outlet < 0) {
            return false; // it is gone altogether
        }
        FlowGraph was = before.scenes().get(scene).graph();
        boolean processed = false;
        boolean raw = false;
        for (Evidence.Trace trace : finding.evidence().routes()) {
            boolean through = isProcessed(was, trace.in(was));
            processed |= through;
            raw |= !through;
        }
        return processed
                && raw
                && !isProcessed(
                        after.scenes().get(scene).graph(),
                        after.scenes()
                                .get(scene)
                                .cell(source, outlet)
                                .delivery()
                                .strongest());
    }

    /** The place of an element among those of its kind, −1 if it is gone. */
    private static int place(Reading reading, Kind kind, String id) {
        List<Element> all = reading.rig().of(kind);
        return IntStream.range(0, all.size())
                .filter(i -> all.get(i).id().equals(id))
                .findFirst()
                .orElse(-1);
    }

    /** Whether a route passes a processor. */
    private static boolean isProcessed(FlowGraph graph, List<Integer> segments) {
        return segments.stream()
                .map(s -> graph.rig().find(graph.segmentElement(s)))
                .anyMatch(e -> e != null && e.kind() == Kind.PROCESSOR);
    }
}
