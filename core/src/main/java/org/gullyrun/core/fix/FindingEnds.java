package org.gullyrun.core.fix;

import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.OpenView;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;

/** Where the routes of a finding about a source and an outlet go, scene by scene. */
final class FindingEnds {
    private final Reading reading;
    private final Topic topic;
    private final boolean[][] fromSource;
    private final boolean[][] toOutlet;

    /** Searches forward from the source and back from the listener, once for scenes of the same shape. */
    FindingEnds(Reading reading, Finding finding, int[] scenes) {
        this.reading = reading;
        this.fromSource = new boolean[reading.scenes().size()][];
        this.toOutlet = new boolean[reading.scenes().size()][];
        this.topic = reading.rule(finding).topic();
        FlowGraph last = null;
        int source = -1;
        int outlet = -1;
        for (int i : scenes) {
            OpenView view = reading.scenes().get(i).view();
            if (last == null || !last.sharesShape(view.graph())) {
                last = view.graph();
                source = last.point(finding.subject().source());
                outlet = last.point(finding.subject().outlet());
            }
            fromSource[i] = source < 0 ? new boolean[last.points()] : view.reachedFromOne(source);
            int[] others = standIns(last, finding.subject().outlet());
            toOutlet[i] = outlet < 0
                    ? new boolean[last.points()]
                    : others.length < 2 ? view.reachingOne(outlet) : view.reaching(others);
        }
    }

    /** A listener and those that stand in for it: what reaches one of them is enough. */
    private int[] standIns(FlowGraph graph, String id) {
        Rig rig = reading.rig();
        Element outlet = rig.find(id);
        return outlet == null
                ? new int[0]
                : rig.of(Kind.OUTLET).stream()
                        .filter(o -> Outlets.standsFor(o).equals(Outlets.standsFor(outlet)))
                        .mapToInt(o -> graph.point(o.id()))
                        .filter(p -> p >= 0)
                        .toArray();
    }

    /** Whether a place lies on a way from the source to the listener, and what it does can fix this finding. */
    boolean touches(RouteChange place) {
        return !(place.does() == RouteChange.Does.OPENS ? topic == Topic.LEAK : topic == Topic.MISSING)
                && (place.to().length == 0 || RouteChange.any(place.to(), toOutlet[place.scene()]))
                && (place.from().length == 0 || RouteChange.any(place.from(), fromSource[place.scene()]));
    }
}
