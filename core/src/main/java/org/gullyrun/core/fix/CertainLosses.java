package org.gullyrun.core.fix;

import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.RoutingSettings;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Whether changes are certain to lose a listener a required source: such changes are no root cause,
 * and need not be made to see that.
 *
 * <p>Needs: a reading. Gives: true only for what is certain; false for whatever has to be made to be known. Cost: for each
 * change a search from each source that reaches it, up to the first must that is lost.
 */
final class CertainLosses {
    private final Reading reading;
    private final int[] scenes;

    CertainLosses(Reading reading) {
        this.reading = reading;
        this.scenes = AffectedFindings.unlike(reading.scenes());
    }

    /** What changes do in one scene: the segments that they cut, and the one point to which they lead instead, or −1. */
    private record Cut(boolean[] segments, int[] at, int instead) {}

    /** Whether changes lose a must for certain. */
    boolean isCertain(List<Change> changes) {
        if (changes.size() != 1 || !(changes.getFirst() instanceof Change.Set set)) {
            return false;
        }
        for (int i : scenes) {
            SceneReading scene = reading.scenes().get(i);
            Cut cut = set.to() instanceof Boolean ? closed(scene.graph(), set) : led(scene.graph(), set);
            if (cut != null && cut.at.length > 0 && loses(scene, cut)) {
                return true;
            }
        }
        return false;
    }

    /** What certainly closes when a flag is turned. */
    private static @Nullable Cut closed(FlowGraph graph, Change.Set set) {
        if (!RoutingSettings.isGate(set.setting())) {
            return null; // what it closes may open elsewhere
        }
        Address address = new Address(set.element(), set.setting().key());
        return cut(
                graph, IntStream.of(graph.gated(address)).filter(graph::isOpen).toArray(), -1);
    }

    /** What certainly closes when a choice is moved. */
    private @Nullable Cut led(FlowGraph graph, Change.Set set) {
        if (!set.setting().equals(Applications.PROGRAM_CHOICE)) {
            return null;
        }
        Rig rig = reading.rig();
        Element now = rig.find(set.element());
        if (now == null || !Objects.equals(now.raw(set.setting()), set.from())) {
            return null; // it was thought of for a rig as it stood before
        }
        Element output = now.put(set.setting(), set.to());
        Element application = rig.program(now);
        Choices.Going going = Choices.output(rig, application, output);
        int there = graph.point(going.device());
        int out = graph.point(PointId.out(application.id()));
        if (out < 0 || there < 0 || !going.fallback().isEmpty()) {
            return null;
        }
        int own = graph.point(output.id()); // there is one where a source starts at this output only
        int[] left = IntStream.concat(
                        IntStream.of(graph.out(out)), own < 0 ? IntStream.empty() : IntStream.of(graph.out(own)))
                .filter(s -> graph.isOpen(s)
                        && graph.to(s) != there
                        && graph.segmentElement(s).equals(output.id()))
                .toArray();
        return cut(graph, left, there);
    }

    /** The cut at some segments. */
    private static Cut cut(FlowGraph graph, int[] at, int instead) {
        boolean[] segments = new boolean[graph.segments()];
        for (int s : at) {
            segments[s] = true;
        }
        return new Cut(segments, at, instead);
    }

    /** Whether a required source has no way round the cut, so that making the change can only do harm. */
    private boolean loses(SceneReading scene, Cut cut) {
        for (int s = 0; s < reading.rig().of(Kind.SOURCE).size(); s++) {
            int source = scene.sourcePoint(s);
            boolean[] reached = null;
            for (int o = 0; o < reading.rig().of(Kind.OUTLET).size(); o++) {
                CellReading cell = scene.cell(s, o);
                int outlet = scene.outletPoint(o);
                if (cell.wish() != Wish.MUST || !cell.delivery().arrives() || !passes(scene, source, outlet, cut)) {
                    continue;
                }
                if (reached == null) {
                    reached = scene.view().reachedWithout(source, cut.segments);
                }
                if (!reached[outlet] && (cut.instead < 0 || !scene.view().reachingOne(outlet)[cut.instead])) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Whether any of what is cut lies on a route of the pair: else nothing can be lost. */
    private static boolean passes(SceneReading scene, int source, int outlet, Cut cut) {
        FlowGraph graph = scene.graph();
        boolean[] leadsOn = scene.view().reachingOne(outlet);
        boolean[] comes = scene.view().reachedFromOne(source);
        for (int s : cut.at) {
            if (leadsOn[graph.to(s)] && comes[graph.from(s)]) {
                return true;
            }
        }
        return false;
    }
}
