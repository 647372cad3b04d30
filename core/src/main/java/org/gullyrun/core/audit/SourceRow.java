package org.gullyrun.core.audit;

import java.util.List;
import org.gullyrun.core.rig.Element;

/**
 * The cells of one source in one scene, outlet by outlet. Scenes and versions of a rig in which nothing differs for the
 * source share it.
 *
 * @param source the source
 * @param cells the cells, in the rig's order of outlets
 * @param troubled whether any cell is more than good or nothing due, or is a far end's own voice
 */
record SourceRow(Element source, List<CellReading> cells, boolean troubled) {
    SourceRow(Element source, List<CellReading> cells) {
        this(
                source,
                List.copyOf(cells),
                cells.stream().anyMatch(c -> c.verdict().compareTo(Verdict.GOOD) < 0 || c.ownVoice()));
    }
}
