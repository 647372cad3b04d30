package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Rig;

/**
 * Which findings about ways and loops a change might clear: those with a way through what it opens, closes or leads
 * elsewhere. It may name too many, so that what does most is not overlooked.
 *
 * <p>Cost: for each change a look at the findings; what reaches a point is worked out once for each.
 */
final class Touched {
    private static final Set<String> CHOICES =
            Set.of(Applications.PROGRAM_CHOICE.key(), Applications.SYSTEM_CHOICE.key());

    private final Reading reading;

    Touched(Reading reading) {
        this.reading = reading;
    }

    /** A place where ways part: sound gets there, and goes on to a point, or to anywhere (−1). */
    private record Place(int scene, int from, int to) {}

    /** The findings among some that changes might clear by opening, closing or leading ways elsewhere. */
    List<Finding> by(List<Change> changes, Collection<Finding> findings) {
        List<Place> places = new ArrayList<>();
        for (Change change : changes) {
            if (change instanceof Change.Set set) {
                add(set, places);
            }
        }
        return places.isEmpty()
                ? List.of()
                : findings.stream().filter(f -> isTouched(f, places)).toList();
    }

    private void add(Change.Set set, List<Place> places) {
        Rig rig = reading.rig();
        for (int i = 0; i < reading.scenes().size(); i++) {
            FlowGraph graph = reading.scenes().get(i).graph();
            for (int s : graph.gated(new Address(set.element(), set.setting().key()))) {
                places.add(new Place(i, graph.from(s), graph.to(s)));
            }
            if (CHOICES.contains(set.setting().key())) {
                out(graph, i, rig.program(rig.get(set.element())), places);
            } else if (set.setting().equals(Machines.PLAYBACK)) {
                for (Element output : rig.of(Kind.APP_OUTPUT)) {
                    if (output.get(Applications.PROGRAM_CHOICE) instanceof Choice.Special) {
                        out(graph, i, rig.program(output), places);
                    }
                }
            }
        }
    }

    private static void out(FlowGraph graph, int scene, Element application, List<Place> places) {
        int out = graph.point(application.id() + "#out");
        if (out >= 0) {
            places.add(new Place(scene, out, -1));
        }
    }

    private boolean isTouched(Finding finding, List<Place> places) {
        return places.stream().anyMatch(p -> isTouched(finding, reading.scenes().get(p.scene), p));
    }

    private static boolean isTouched(Finding finding, SceneReading scene, Place place) {
        String source = finding.subject().source();
        String outlet = finding.subject().outlet();
        if (!source.isEmpty()) {
            boolean absent = finding.rule().equals("missing") || finding.rule().equals("scene.gap");
            return (scene.leads(source, place.from) || absent && place.to < 0)
                    && (place.to < 0 || scene.leads(place.to, outlet));
        }
        if (finding.rule().startsWith("loop.")) {
            return goesRound(scene, place);
        }
        return finding.rule().startsWith("level.")
                && (place.to < 0
                        || finding.subject().elements().stream()
                                .anyMatch(e -> scene.graph().point(e) < 0 || scene.leads(place.to, e)));
    }

    private static boolean goesRound(SceneReading scene, Place place) {
        return scene.view().isLooping(place.from)
                && (place.to < 0 || scene.view().together(place.from, place.to));
    }
}
