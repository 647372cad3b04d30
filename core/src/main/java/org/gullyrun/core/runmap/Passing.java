package org.gullyrun.core.runmap;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.flow.route.Numbering;
import org.jspecify.annotations.Nullable;

/**
 * What gets through the segments of a scene: which sources reach a point, and from where a listener is reached. Cost: linear in
 * the segments, for all sources at once.
 */
final class Passing {
    private final FlowGraph graph;
    private final long[][] sources;
    private final boolean[] heard;

    private Passing(SceneReading scene, List<String> sources) {
        this.graph = scene.graph();
        this.sources = scene.view()
                .reachedFromEach(sources.stream().mapToInt(graph::point).toArray());
        this.heard = scene.view().reaching(graph.outlets());
    }

    /**
     * Finds the segments of a scene through which a source gets to a listener that doesn't in the other reading of it.
     *
     * @param sources the ids of all sources of both
     * @param known how the graphs of another scene were numbered; null for the first
     * @param came receives those through which something has come
     * @param went receives those through which something no longer gets
     * @return how the graphs are numbered
     */
    static Numbering compare(
            SceneReading was,
            SceneReading is,
            List<String> sources,
            @Nullable Numbering known,
            Set<SegmentKey> came,
            Set<SegmentKey> went) {
        Numbering numbering = Numbering.between(was.graph(), is.graph(), known);
        Passing then = new Passing(was, sources);
        Passing now = new Passing(is, sources);
        int[] later = IntStream.range(0, was.graph().segments())
                .map(numbering::segment)
                .toArray();
        then.collect(now, later, went);
        now.collect(then, turned(later, is.graph().segments()), came);
        return numbering;
    }

    /** For each number after, the number before, -1 for none. */
    private static int[] turned(int[] later, int segments) {
        int[] earlier = new int[segments];
        Arrays.fill(earlier, -1);
        for (int s = 0; s < later.length; s++) {
            if (later[s] >= 0) {
                earlier[later[s]] = s;
            }
        }
        return earlier;
    }

    private boolean passes(int segment) {
        return graph.isOpen(segment) && heard[graph.to(segment)];
    }

    /** Whether a source gets to a listener through a segment that doesn't through one of another scene, -1 for none. */
    private boolean adds(int segment, Passing other, int counterpart) {
        if (!passes(segment)) {
            return false;
        }
        long[] here = sources[graph.from(segment)];
        boolean both = counterpart >= 0 && other.passes(counterpart);
        long[] there = both ? other.sources[other.graph.from(counterpart)] : new long[here.length];
        for (int w = 0; w < here.length; w++) {
            if ((here[w] & ~there[w]) != 0) {
                return true;
            }
        }
        return false;
    }

    /**
     * Adds the segments through which something gets to a listener here, but not in another scene.
     *
     * @param counterparts for each segment its number in the other, -1 for none
     */
    private void collect(Passing other, int[] counterparts, Set<SegmentKey> found) {
        for (int s = 0; s < counterparts.length; s++) {
            if (adds(s, other, counterparts[s])) {
                found.add(graph.key(s));
            }
        }
    }
}
