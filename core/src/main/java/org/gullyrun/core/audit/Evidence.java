package org.gullyrun.core.audit;

import java.util.List;
import org.gullyrun.core.flow.Numbering;
import org.gullyrun.core.rig.Address;

/**
 * What a finding rests on: ways through the graph of one scene, and settings.
 *
 * @param scene the place of the scene in the reading; the worst one where several have the finding
 * @param ways the ways, the most telling first
 * @param settings the settings in question, where it is not about ways
 */
public record Evidence(int scene, List<Way> ways, List<Address> settings) {

    /** What a way is. */
    public enum Sort {
        RUN,
        BLOCKED,
        CIRCLE
    }

    /** One way: its segments in the order in which sound takes them. */
    public record Way(Sort sort, List<Integer> segments) {
        public Way {
            segments = List.copyOf(segments);
        }
    }

    public Evidence {
        ways = List.copyOf(ways);
        settings = List.copyOf(settings);
    }

    /** The same where segments have other numbers. */
    Evidence by(Numbering numbering) {
        return new Evidence(
                scene,
                ways.stream()
                        .map(w -> new Way(w.sort, numbering.now(w.segments)))
                        .toList(),
                settings);
    }

    /** Evidence that is settings only. */
    public static Evidence of(Address... settings) {
        return new Evidence(0, List.of(), List.of(settings));
    }

    /** Evidence that is one way. */
    public static Evidence of(int scene, Sort sort, List<Integer> segments) {
        return new Evidence(scene, List.of(new Way(sort, segments)), List.of());
    }
}
