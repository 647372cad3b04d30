package org.gullyrun.core.fix;

import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;

/**
 * What might lead unwanted sound elsewhere: every choice on its routes made otherwise, each program captured by itself, all but
 * one on a cable of their own, headphones instead of a loudspeaker, another track for the listener.
 */
final class Elsewhere {
    private final Reading reading;
    private final Finding finding;
    private final Rig rig;
    private final Consumer<List<Change>> to;

    private Elsewhere(Reading reading, Finding finding, Consumer<List<Change>> to) {
        this.reading = reading;
        this.finding = finding;
        this.rig = reading.rig();
        this.to = to;
    }

    /** Hands on the candidates of a finding about an unwanted route. */
    static void of(Reading reading, Finding finding, Consumer<List<Change>> to) {
        Elsewhere elsewhere = new Elsewhere(reading, finding, to);
        elsewhere.alongRoutes();
        elsewhere.nextTrack();
    }

    /** Every choice on the routes made otherwise; and what takes a whole set of choices. */
    private void alongRoutes() {
        int at = finding.evidence().scene();
        FlowGraph graph = reading.scenes().get(at).graph();
        ChoiceMoves moves = new ChoiceMoves(reading, at, to);
        CaptureEach each = new CaptureEach(reading, at, to);
        CaptureApart apart = new CaptureApart(graph, to);
        for (Evidence.Trace route : finding.evidence().routes()) {
            if (route.form() != Evidence.Form.BLOCKED) {
                List<Integer> segments = route.in(graph);
                moves.along(segments);
                if (reading.rule(finding).topic() != Topic.DOUBLE) { // of two copies one can simply be muted
                    each.along(segments, rig.find(finding.subject().outlet()));
                    apart.along(segments);
                }
                Headphones.instead(graph, segments, to);
            }
        }
    }

    /** A listener to an output hears the lowest track that it takes: without that one the next, or another one instead. */
    private void nextTrack() {
        Element outlet = rig.find(finding.subject().outlet(), Kind.OUTLET).orElse(null);
        Element output = outlet == null
                ? null
                : rig.find(outlet.get(Outlets.OUTPUT), Kind.OUTPUT).orElse(null);
        Integer heard = output == null ? null : Choices.lowestTrack(output);
        if (outlet == null || output == null || heard == null || outlet.get(Outlets.TRACK) != null) {
            return;
        }
        Change.Set without =
                Objects.requireNonNull(Change.set(rig, output.id(), Productions.TAKES_TRACK.of(heard), false));
        if (Productions.ticked(output, Productions.TAKES_TRACK).size() > 1) {
            to.accept(List.of(without));
        }
        int tracks = rig.owner(output) instanceof Element production ? production.or(Productions.TRACKS, 1) : 1;
        boolean mayMove =
                reading.rule(finding).topic() == Topic.LEAK; // a copy comes along to another track, or all is lost
        for (int track = 1; mayMove && track <= tracks; track++) {
            Change.Set instead = Change.set(rig, output.id(), Productions.TAKES_TRACK.of(track), true);
            if (instead != null && isWanted(track, output)) {
                to.accept(List.of(instead, without));
            }
        }
    }

    /** Whether anything is on a track of an output's production, and not what should not be heard there. */
    private boolean isWanted(int track, Element output) {
        PointId point = PointId.track(rig.program(output).id(), track);
        PointId unwanted = PointId.of(finding.subject().source());
        return reading.scenes().stream().anyMatch(scene -> scene.isFed(point))
                && reading.scenes().stream().noneMatch(scene -> scene.leads(unwanted, point));
    }
}
