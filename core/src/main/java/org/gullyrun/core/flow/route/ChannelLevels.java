package org.gullyrun.core.flow.route;

import java.util.Arrays;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Sources;

/**
 * How loud it is at every point: the power sum of all sources over all open routes, without what goes round in loops.
 *
 * <p>Meant for drawing channels as wide as their level; what an outlet gets of one source says {@link Delivery}. Cost:
 * one pass over the open segments.
 */
public final class ChannelLevels {
    private final double[] level;

    /** Propagates the sources' levels along open segments. */
    private ChannelLevels(OpenView view) {
        FlowGraph graph = view.graph;
        double[] power = new double[graph.points()];
        for (int p : graph.sources()) {
            Element source = graph.rig().get(graph.element(p));
            power[p] += Math.pow(10, Sources.level(source) / 10);
        }
        boolean[] done = new boolean[graph.points()];
        for (int p : view.order) {
            done[p] = true;
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                int q = graph.to(view.out[i]);
                if (!done[q]) {
                    power[q] += power[p] * Math.pow(10, graph.gain(view.out[i]) / 10);
                }
            }
        }
        level = Arrays.stream(power).map(x -> 10 * Math.log10(x)).toArray();
    }

    /** The levels of the open segments of a view. */
    public static ChannelLevels of(OpenView view) {
        return new ChannelLevels(view);
    }

    /** The level at a point in dBFS; −∞ where nothing arrives. */
    public double at(int point) {
        return level[point];
    }
}
