package org.gullyrun.core.fix;

import java.util.stream.IntStream;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * The end of a choice that stays where it is when the choice is set otherwise: a bus leads to another device, a strip takes
 * from another one.
 *
 * @param points the points that stay, numbered as in the graph: several for an input with copies
 * @param listens whether sound comes to them from the device chosen; else it leaves them for that device
 */
record ChoiceEnd(int[] points, boolean listens) {

    /** The end of a choice that stays in a graph; null if the setting is none of those, or isn't drawn there. */
    static @Nullable ChoiceEnd of(FlowGraph graph, Element element, Setting<?> setting) {
        if (setting.equals(Applications.INPUT) || setting.equals(Applications.INPUT_SYSTEM)) {
            return listens(graph.point(PointId.in(element.id())));
        } else if (setting.equals(Mixers.FEED) || setting.equals(Outlets.DEVICE)) {
            return listens(graph.point(element.id()));
        } else if (setting.equals(Links.PROCESSOR_FROM)) {
            return listens(graph.point(element.or(Links.PROCESSOR_TO, "")));
        } else if (setting.equals(Productions.DEVICE)) {
            return listens(
                    IntStream.concat(IntStream.of(graph.point(element.id())), IntStream.of(graph.copies(element.id())))
                            .filter(p -> p >= 0)
                            .toArray());
        } else if (setting.equals(Mixers.TARGET)) {
            return sends(graph.point(element.id()));
        } else if (setting.equals(Productions.CUE_DEVICE)) {
            return sends(graph.point(PointId.cue(element.id())));
        } else if (setting.equals(Links.PASS_TO) && !element.is(Links.PASS_DIRECT, false)) {
            return sends(graph.point(element.or(Links.PASS_FROM, "")));
        }
        return null;
    }

    private static @Nullable ChoiceEnd listens(int... points) {
        return of(true, points);
    }

    private static @Nullable ChoiceEnd sends(int point) {
        return of(false, point);
    }

    private static @Nullable ChoiceEnd of(boolean listens, int... points) {
        return points.length == 0 || points[0] < 0 ? null : new ChoiceEnd(points, listens);
    }

    /**
     * The open segments that follow the choice now.
     *
     * @param element what the choice belongs to: of all that leaves a point, or comes to it, only its own segments
     */
    int[] segments(FlowGraph graph, Element element) {
        boolean all = element.kind() == Kind.INPUT;
        return IntStream.of(points)
                .flatMap(p -> IntStream.of(listens ? graph.in(p) : graph.out(p)))
                .filter(s -> graph.isOpen(s) && (all || graph.segmentElement(s).equals(element.id())))
                .toArray();
    }
}
