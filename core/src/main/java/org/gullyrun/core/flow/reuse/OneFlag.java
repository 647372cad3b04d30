package org.gullyrun.core.flow.reuse;

import java.util.Iterator;
import java.util.List;
import org.gullyrun.core.flow.graph.RoutingSettings;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** Whether two versions of a rig differ by one known flag that is a gate and nothing else. */
final class OneFlag {
    private OneFlag() {}

    /** The one change between two rigs, or null if it is more, or more than a gate hangs on it. */
    static Change.@Nullable Set between(Rig before, Rig after) {
        Element was = null;
        Element is = null;
        Iterator<Element> olds = before.elements().iterator();
        Iterator<Element> news = after.elements().iterator();
        while (olds.hasNext() && news.hasNext()) {
            Element a = olds.next();
            Element b = news.next();
            if (a != b) {
                if (was != null || !a.id().equals(b.id())) {
                    return null;
                }
                was = a;
                is = b;
            }
        }
        if (was == null
                || is == null
                || olds.hasNext()
                || news.hasNext()
                || was.kind() != is.kind()
                || !was.extras().equals(is.extras())) {
            return null;
        }
        List<Change> changes = Changes.between(Rig.of(List.of(was)), Rig.of(List.of(is)));
        return changes.size() == 1
                        && changes.getFirst() instanceof Change.Set set
                        && set.from() instanceof Boolean
                        && set.to() instanceof Boolean
                        && isGate(after, set)
                ? set
                : null;
    }

    /** Whether a change turns a flag that is a gate and nothing else. */
    private static boolean isGate(Rig rig, Change.Set set) {
        Setting<?> setting = set.setting();
        if (setting.sub().isEmpty()) {
            return RoutingSettings.isGate(setting);
        }
        if (setting.kind() == Mixers.CROSSING.kind()) {
            return setting.familyKey().equals(Mixers.CROSSING.key());
        }
        // A tick above the number of tracks makes a track point that would else not be there.
        Element production = rig.owner(rig.get(set.element()));
        return setting.kind() == Productions.TRACK.kind()
                && setting.familyKey().equals(Productions.TRACK.key())
                && production != null
                && Integer.parseInt(setting.sub()) <= production.or(Productions.TRACKS, 0);
    }
}
