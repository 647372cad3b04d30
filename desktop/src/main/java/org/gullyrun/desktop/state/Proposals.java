package org.gullyrun.desktop.state;

import org.gullyrun.core.fix.RootCauses;
import org.jspecify.annotations.Nullable;

/**
 * What the program proposes to do, as far as worked out.
 *
 * @param fixes the fixes of the finding shown, or null if they aren't known yet
 * @param causes the root causes of the findings; may belong to the previous reading
 * @param planning the repair of the whole; may belong to a reading before
 * @param against the difference that is shown; null if none is
 */
record Proposals(
        @Nullable FixList fixes,
        RootCauses.Found causes,
        Planning planning,
        @Nullable Against against) {
    static final Proposals NONE = new Proposals(null, RootCauses.Found.NOTHING, Planning.NONE, null);

    Proposals with(@Nullable FixList list) {
        return new Proposals(list, causes, planning, against);
    }

    Proposals with(RootCauses.Found found) {
        return new Proposals(fixes, found, planning, against);
    }

    Proposals with(Planning other) {
        return new Proposals(fixes, causes, other, against);
    }

    Proposals with(@Nullable Against other) {
        return new Proposals(fixes, causes, planning, other);
    }
}
