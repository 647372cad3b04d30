package org.gullyrun.core.fix;

import java.util.Collections;
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
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.flow.graph.RoutingSettings;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
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
    /** For each listener whether it is one with others, at which a required source may arrive as well. */
    private final boolean[] standIns;

    CertainLosses(Reading reading) {
        this.reading = reading;
        this.scenes = AffectedFindings.unlike(reading.scenes());
        List<String> standsFor =
                reading.rig().of(Kind.OUTLET).stream().map(Outlets::standsFor).toList();
        this.standIns = new boolean[standsFor.size()];
        for (int o = 0; o < standIns.length; o++) {
            standIns[o] = Collections.frequency(standsFor, standsFor.get(o)) > 1;
        }
    }

    /**
     * What a change does in one scene.
     *
     * @param segments the segments that it cuts, as flags
     * @param at the same segments, listed
     * @param from where sound leaves instead; empty if nowhere
     * @param to where it comes to instead; empty if nowhere
     */
    private record Cut(boolean[] segments, int[] at, int[] from, int[] to) {}

    /** Whether changes lose a must for certain. */
    boolean isCertain(List<Change> changes) {
        if (changes.size() != 1 || !(changes.getFirst() instanceof Change.Set set)) {
            return false;
        }
        for (int i : scenes) {
            SceneReading scene = reading.scenes().get(i);
            Cut cut = cut(scene.graph(), set);
            if (cut != null && cut.at.length > 0 && loses(scene, cut)) {
                return true;
            }
        }
        return false;
    }

    /** What a change cuts for certain; null if that can't be said. */
    private @Nullable Cut cut(FlowGraph graph, Change.Set set) {
        if (set.to() instanceof Boolean) {
            return closed(graph, set);
        }
        Element now = reading.rig().find(set.element());
        if (!(set.to() instanceof Choice to)
                || now == null
                || !Objects.equals(now.raw(set.setting()), set.from()) // it was thought of for a rig as it stood before
                || goesInHardware()) {
            return null;
        }
        return set.setting().equals(Applications.PROGRAM_CHOICE) ? played(graph, set) : led(graph, now, set, to);
    }

    /** Whether sound may take ways around devices, in hardware, of which a choice shows nothing. */
    private boolean goesInHardware() {
        return reading.rig().of(Kind.PASS_THROUGH).stream().anyMatch(p -> p.is(Links.PASS_DIRECT, false));
    }

    /**
     * Whether something may open where sound is led away: an input that takes all that is played to a device gets nothing while
     * somebody plays there past the system's mixing.
     */
    private static boolean mayOpen(FlowGraph graph, int[] left) {
        return IntStream.of(left)
                .flatMap(s -> IntStream.of(graph.out(graph.to(s))))
                .anyMatch(s -> !graph.isOpen(s) && isInput(graph.kind(graph.to(s))));
    }

    private static boolean isInput(PointKind kind) {
        return kind == PointKind.INPUT || kind == PointKind.COPY;
    }

    /** What certainly closes when a choice of anything but a program's output is moved. */
    private @Nullable Cut led(FlowGraph graph, Element holder, Change.Set set, Choice to) {
        ChoiceEnd end = ChoiceEnd.of(graph, holder, set.setting());
        if (end == null || !(to instanceof Choice.To(String device))) {
            return null;
        }
        int there = graph.point(device);
        int[] left = IntStream.of(end.segments(graph, holder))
                .filter(s -> (end.listens() ? graph.from(s) : graph.to(s)) != there)
                .toArray();
        int[] instead = there < 0 ? new int[0] : new int[] {there};
        if (end.listens()) {
            return cut(graph, left, instead, end.points());
        }
        return mayOpen(graph, left) ? null : cut(graph, left, end.points(), instead);
    }

    /** What certainly closes when a flag is turned. */
    private static @Nullable Cut closed(FlowGraph graph, Change.Set set) {
        if (!RoutingSettings.isGate(set.setting())) {
            return null; // what it closes may open elsewhere
        }
        Address address = new Address(set.element(), set.setting().key());
        int[] none = {};
        return cut(
                graph, IntStream.of(graph.gated(address)).filter(graph::isOpen).toArray(), none, none);
    }

    /** What certainly closes when the output of a program is moved. */
    private @Nullable Cut played(FlowGraph graph, Change.Set set) {
        Rig rig = reading.rig();
        Element output = rig.get(set.element()).put(set.setting(), set.to());
        Element application = rig.owner(output);
        if (application == null) {
            return null;
        }
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
        return mayOpen(graph, left)
                ? null
                : cut(graph, left, own < 0 ? new int[] {out} : new int[] {out, own}, new int[] {there});
    }

    /** The cut at some segments, and where sound goes instead. */
    private static Cut cut(FlowGraph graph, int[] at, int[] from, int[] to) {
        boolean[] segments = new boolean[graph.segments()];
        for (int s : at) {
            segments[s] = true;
        }
        return new Cut(segments, at, from, to);
    }

    /** Whether a required source has no way round the cut, so that making the change can only do harm. */
    private boolean loses(SceneReading scene, Cut cut) {
        for (int s = 0; s < reading.rig().of(Kind.SOURCE).size(); s++) {
            int source = scene.sourcePoint(s);
            boolean[] comes = scene.view().reachedFromOne(source);
            int[] on = IntStream.of(cut.at)
                    .filter(segment -> comes[scene.graph().from(segment)])
                    .toArray();
            boolean[] reached = null;
            for (int o = 0; on.length > 0 && o < standIns.length; o++) {
                CellReading cell = scene.cell(s, o);
                int outlet = scene.outletPoint(o);
                if (cell.wish() != Wish.MUST
                        || !cell.delivery().arrives()
                        || standIns[o]
                        || !leadsTo(scene, on, outlet)) {
                    continue;
                }
                if (reached == null) {
                    reached = scene.view().reachedWithout(source, cut.segments);
                }
                if (!reached[outlet] && !comesRound(scene, source, outlet, cut)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Whether the source may come to the listener by where the cut leads instead. */
    private static boolean comesRound(SceneReading scene, int source, int outlet, Cut cut) {
        boolean[] comes = scene.view().reachedFromOne(source);
        boolean[] leadsOn = scene.view().reachingOne(outlet);
        return IntStream.of(cut.from).anyMatch(p -> comes[p])
                && IntStream.of(cut.to).anyMatch(p -> leadsOn[p]);
    }

    /** Whether any of some segments leads to a listener: else nothing can be lost. */
    private static boolean leadsTo(SceneReading scene, int[] segments, int outlet) {
        boolean[] leadsOn = scene.view().reachingOne(outlet);
        return IntStream.of(segments).anyMatch(s -> leadsOn[scene.graph().to(s)]);
    }
}
