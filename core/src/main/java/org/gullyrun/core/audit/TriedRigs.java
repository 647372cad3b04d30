package org.gullyrun.core.audit;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * The scenes of rigs that differ from one that was read by one change, as rules that try other rigs have worked them out:
 * the same changes are tried again when root causes are sought. Kept only while they are small.
 */
final class TriedRigs {
    /** So many cells, over all scenes, are kept: some ten megabytes. */
    private static final int MOST_CELLS = 50_000;

    private final Map<Change, List<SceneReading>> byChange = new ConcurrentHashMap<>();
    private final AtomicInteger cells = new AtomicInteger();

    /** The scenes with a change, as they were worked out, or are now. */
    List<SceneReading> of(Change change, Function<Change, List<SceneReading>> read) {
        List<SceneReading> known = byChange.get(change);
        if (known != null) {
            return known;
        }
        List<SceneReading> scenes = read.apply(change);
        int more = scenes.stream().mapToInt(s -> s.cells().size()).sum();
        if (cells.addAndGet(more) <= MOST_CELLS) {
            byChange.put(change, scenes);
        }
        return scenes;
    }

    /** The scenes with a change; null if they were not worked out, or are not kept. */
    @Nullable
    List<SceneReading> of(Change change) {
        return byChange.get(change);
    }
}
