package org.gullyrun.core.intake;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;

/**
 * Where rows lead: from an element along open segments to the outlets that it reaches in any scene; for an outlet, back
 * to the sources that reach it.
 *
 * <p>Needs a reading of the rig. Cost: one walk over the graph of each scene for each element asked about.
 */
public final class LeadsTo {
    private LeadsTo() {}

    /** The names of the outlets that an element reaches, or of the sources that reach an outlet, in the rig's order. */
    public static List<String> names(Reading reading, Element element) {
        boolean back = element.kind() == Kind.OUTLET;
        List<Element> ends = reading.rig().of(back ? Kind.SOURCE : Kind.OUTLET);
        boolean[] met = new boolean[ends.size()];
        for (SceneReading scene : reading.scenes()) {
            FlowGraph graph = scene.graph();
            boolean[] reached = walk(graph, element, back);
            for (int i = 0; i < ends.size(); i++) {
                int point = graph.point(ends.get(i).id());
                met[i] |= point >= 0 && reached[point];
            }
        }
        List<String> names = new ArrayList<>();
        for (int i = 0; i < ends.size(); i++) {
            if (met[i]) {
                names.add(ends.get(i).name());
            }
        }
        return names;
    }

    /** What can be reached from an element, or what reaches it. */
    private static boolean[] walk(FlowGraph graph, Element element, boolean back) {
        boolean[] reached = new boolean[graph.points()];
        ArrayDeque<Integer> open = new ArrayDeque<>();
        for (int p = 0; p < graph.points(); p++) {
            if (graph.element(p).equals(element.id())) {
                reached[p] = true;
                open.add(p);
            }
        }
        // What joins two devices is no point: it leads where its segments do.
        for (int s = 0; s < graph.segments(); s++) {
            if (graph.segmentElement(s).equals(element.id()) && graph.isOpen(s) && !reached[graph.to(s)]) {
                reached[graph.to(s)] = true;
                open.add(graph.to(s));
            }
        }
        while (!open.isEmpty()) {
            int point = open.remove();
            for (int segment : back ? graph.in(point) : graph.out(point)) {
                int next = back ? graph.from(segment) : graph.to(segment);
                if (graph.isOpen(segment) && !reached[next]) {
                    reached[next] = true;
                    open.add(next);
                }
            }
        }
        return reached;
    }
}
