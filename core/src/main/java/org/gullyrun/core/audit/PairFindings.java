package org.gullyrun.core.audit;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** What was found about each pair of source and listener, put together once for all that draw it. */
final class PairFindings {
    private record Pair(String source, String outlet) {}

    private static final Of NOTHING = new Of();

    private final Map<Pair, Of> byPair = new HashMap<>();

    /** What was found about one pair. */
    static final class Of {
        private final Set<Integer> badScenes = new HashSet<>();
        private boolean badEverywhere;
        private boolean found;
        private boolean waived;
        private boolean known;

        /** Whether a critical or major finding is about it in a scene. */
        boolean isBadIn(int scene) {
            return badEverywhere || badScenes.contains(scene);
        }

        /** Whether there is more than a note about it. */
        boolean isFound() {
            return found;
        }

        /** Whether more than a note about it was waived. */
        boolean isWaived() {
            return waived;
        }

        /** Whether there is anything about it, be it a note or waived. */
        boolean isKnown() {
            return known;
        }
    }

    /** Files findings by source and listener, so that each cell finds its own at once. */
    PairFindings(Collection<Finding> all, Set<Finding> waived) {
        for (Finding finding : all) {
            Of pair = finding.subject().source().isEmpty()
                    ? new Of()
                    : byPair.computeIfAbsent(
                            new Pair(
                                    finding.subject().source(),
                                    finding.subject().outlet()),
                            x -> new Of());
            pair.known = true;
            if (waived.contains(finding)) {
                pair.waived |= finding.severity() != Severity.NOTE;
                continue;
            }
            pair.found |= finding.severity() != Severity.NOTE;
            if (finding.isBad()) {
                pair.badEverywhere |= finding.scenes().isEmpty();
                pair.badScenes.addAll(finding.scenes());
            }
        }
    }

    /** What was found about the pair of a cell. */
    Of of(CellReading cell) {
        return byPair.getOrDefault(new Pair(cell.source().id(), cell.outlet().id()), NOTHING);
    }
}
