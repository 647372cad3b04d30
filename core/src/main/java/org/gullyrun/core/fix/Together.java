package org.gullyrun.core.fix;

import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;

/** Several root causes as one list of changes: a later one may change what an earlier one adds or sets. */
public final class Together {
    private Together() {}

    /**
     * The changes that make a rig what it is after these root causes, one after the other.
     *
     * @throws Changes.Conflict if they don't fit the rig, which has changed since they were found
     */
    public static List<Change> of(Rig rig, List<RootCauses.Group> groups) {
        if (groups.size() == 1) {
            return groups.getFirst().fix().changes();
        }
        Rig after = rig;
        for (RootCauses.Group group : groups) {
            after = Changes.apply(after, group.fix().changes());
        }
        return Changes.between(rig, after);
    }

    /** The same for the root cause at a place, with all those before it unless it stands alone. */
    public static List<Change> offered(Rig rig, List<RootCauses.Group> groups, int place) {
        return of(rig, groups.subList(groups.get(place).standsAlone() ? place : 0, place + 1));
    }
}
