package org.gullyrun.core.audit;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.flow.graph.RoutingSettings;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * What of an earlier reading holds still, because the rigs differ in nothing but settings that lead sound: what was said
 * of a source all of whose routes are the same, of loops that are the same, and of settings that lead nothing.
 */
final class KeptFindings {
    private final Reading before;
    private final List<SceneReading> scenes;
    /** For each source whether nothing differs for it in any scene. */
    private final boolean[] rows;

    private final boolean loops;

    /** Compares two readings, source by source, and their loops. */
    private KeptFindings(Reading before, List<SceneReading> scenes) {
        this.before = before;
        this.scenes = scenes;
        this.rows = new boolean[scenes.getFirst().rows().size()];
        for (int s = 0; s < rows.length; s++) {
            int source = s;
            rows[s] = IntStream.range(0, scenes.size())
                    .allMatch(i -> scenes.get(i).isSameRow(before.scenes().get(i), source));
        }
        this.loops = IntStream.range(0, scenes.size())
                .allMatch(i -> scenes.get(i).hasLoopsOf(before.scenes().get(i)));
    }

    /** What holds still; null if the rigs differ in more, or the brief or the scenes do. */
    static @Nullable KeptFindings of(Reading before, Rig rig, Brief brief, List<SceneReading> scenes) {
        if (before.brief() != brief
                || before.scenes().size() != scenes.size()
                || !RoutingSettings.only(before.rig(), rig)
                || scenes.stream().anyMatch(s -> !s.isReadOn())) {
            return null;
        }
        return new KeptFindings(before, scenes);
    }

    /** What a rule about routes found of a source; null if it has to be asked. */
    @Nullable
    List<Finding> ofSource(String rule, int source) {
        return rows[source]
                ? before.basis()
                        .of(rule, scenes.getFirst().rows().get(source).source().id())
                : null;
    }

    /** For each program how many musts of a source arrive through it; null if it has to be counted. */
    @Nullable
    Map<String, Integer> mustsThrough(int source) {
        return rows[source]
                ? before.basis()
                        .mustsThrough(
                                scenes.getFirst().rows().get(source).source().id())
                : null;
    }

    /** What a rule about loops found; null if it has to be asked. */
    @Nullable
    List<Finding> ofLoops(String rule) {
        return loops ? before.basis().of(rule) : null;
    }

    /** What a rule about settings that lead nothing found; null if it has to be asked. */
    @Nullable
    List<Finding> ofSettings(String rule) {
        return before.basis().of(rule);
    }

    /**
     * A must that did not arrive, if all its routes are the same and it lacks in the same scenes; else null. What stands in for
     * its listener may have changed that.
     */
    @Nullable
    MissingPair missing(int source, int outlet) {
        CellReading cell = scenes.getFirst().cell(source, outlet);
        MissingPair pair =
                before.basis().missing(cell.source().id(), cell.outlet().id());
        List<Integer> absent = IntStream.range(0, scenes.size())
                .filter(i -> scenes.get(i).cell(source, outlet).verdict() == Verdict.MISSING)
                .boxed()
                .toList();
        return pair == null
                        || !pair.absent().equals(absent)
                        || absent.stream()
                                .anyMatch(i -> !scenes.get(i)
                                        .knowsBlocked(scenes.get(i).cell(source, outlet)))
                ? null
                : pair;
    }
}
