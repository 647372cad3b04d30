package org.gullyrun.core.audit;

import java.util.List;
import org.gullyrun.core.flow.Numbering;
import org.gullyrun.core.rig.Address;

/**
 * What a finding rests on: routes through the graph of one scene, and settings.
 *
 * @param scene the place of the scene in the reading; the worst one where several have the finding
 * @param routes the routes, the most telling first
 * @param settings the settings in question, where it is not about routes
 */
public record Evidence(int scene, List<Trace> routes, List<Address> settings) {

    /** What a trace is: an open route, a route that closed gates block, or once round a loop. */
    public enum Form {
        ROUTE,
        BLOCKED,
        CIRCLE
    }

    /** One trace: its segments in the order in which sound takes them. */
    public record Trace(Form form, List<Integer> segments) {
        public Trace {
            segments = List.copyOf(segments);
        }
    }

    public Evidence {
        routes = List.copyOf(routes);
        settings = List.copyOf(settings);
    }

    /** The same where segments have other numbers. */
    Evidence by(Numbering numbering) {
        return new Evidence(
                scene,
                routes.stream()
                        .map(w -> new Trace(w.form, numbering.now(w.segments)))
                        .toList(),
                settings);
    }

    /** Evidence that is settings only. */
    public static Evidence of(Address... settings) {
        return new Evidence(0, List.of(), List.of(settings));
    }

    /** Evidence that is one trace. */
    public static Evidence of(int scene, Form form, List<Integer> segments) {
        return new Evidence(scene, List.of(new Trace(form, segments)), List.of());
    }
}
