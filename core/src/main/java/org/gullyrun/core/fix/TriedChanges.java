package org.gullyrun.core.fix;

import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * The readings that changes to one rig lead to, kept for the next finding: the same trouble at three listeners has the same
 * candidates. Once they take up too much memory, no more are kept. May be used by several threads.
 */
final class TriedChanges {
    /** So many cells and segments, over all scenes of all rigs, are kept: some forty megabytes. */
    private static final int MOST_PARTS = 300_000;

    private final Audit audit;
    private final Reading before;
    private final ConcurrentMap<List<Change>, Reading> after = new ConcurrentHashMap<>();
    private final AtomicInteger parts = new AtomicInteger();

    /** For changes that are made on one reading. */
    TriedChanges(Audit audit, Reading before) {
        this.audit = audit;
        this.before = before;
    }

    /**
     * The rig of a reading with changes made, read.
     *
     * @throws org.gullyrun.core.rig.Changes.Conflict if they do not fit it
     */
    Reading read(Reading from, List<Change> changes) {
        @Nullable Reading known = from == before ? after.get(changes) : null;
        if (known != null) {
            return known;
        }
        Reading read = audit.read(from, changes);
        int more = read.scenes().stream()
                .mapToInt(scene -> scene.cells().size() + scene.graph().segments())
                .sum();
        if (from == before && parts.addAndGet(more) <= MOST_PARTS) {
            after.put(List.copyOf(changes), read);
        }
        return read;
    }
}
