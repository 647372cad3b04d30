package org.gullyrun.core.fix;

import java.util.HashSet;
import java.util.Set;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.rig.Rig;

/** What listeners heard when all was well: what they have come to hear since only through a fault is no loss. */
final class WhenGood {
    private final Rig rig;
    private final Set<String> heard = new HashSet<>();

    /** What is heard by a reading of the rig that is known to be good. */
    WhenGood(Reading good) {
        this.rig = good.rig();
        for (SceneReading scene : good.scenes()) {
            for (CellReading cell : scene.cells()) {
                if (cell.delivery().arrives()) {
                    heard.add(pair(cell));
                }
            }
        }
    }

    /** Whether a listener heard a source then, in any scene; also if either wasn't there yet. */
    boolean wasHeard(CellReading cell) {
        return heard.contains(pair(cell))
                || rig.find(cell.source().id()) == null
                || rig.find(cell.outlet().id()) == null;
    }

    private static String pair(CellReading cell) {
        return cell.source().id() + ">" + cell.outlet().id();
    }
}
