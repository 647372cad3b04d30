package org.gullyrun.desktop.state;

import org.gullyrun.core.fix.RootCauses;
import org.jspecify.annotations.Nullable;

/**
 * What the program proposes to do, as far as worked out.
 *
 * @param fixes the fixes of the finding shown, or null if they aren't known yet
 * @param causes the root causes of the findings; may belong to the previous reading
 * @param planning the repair of the whole; may belong to a reading before
 */
record Proposals(@Nullable FixList fixes, RootCauses.Found causes, Planning planning) {
    static final Proposals NONE = new Proposals(null, RootCauses.Found.NOTHING, Planning.NONE);

    Proposals with(@Nullable FixList list) {
        return new Proposals(list, causes, planning);
    }

    Proposals with(RootCauses.Found found) {
        return new Proposals(fixes, found, planning);
    }

    Proposals with(Planning other) {
        return new Proposals(fixes, causes, other);
    }
}
