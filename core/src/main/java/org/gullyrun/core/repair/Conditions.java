package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;

/**
 * What a technician has said about a repair.
 *
 * @param without settings that can't or mustn't be changed; of elements that would be added or removed, their id without a key
 * @param required changes that are to be part of it, whatever else is
 */
public record Conditions(Set<Address> without, List<Change> required) {
    /** Nothing said. */
    public static final Conditions NONE = new Conditions(Set.of(), List.of());

    public Conditions {
        without = Set.copyOf(without);
        required = List.copyOf(required);
    }

    /** What a change is about: a setting, or the whole element that it adds or removes. */
    public static Address about(Change change) {
        return change instanceof Change.Set set ? set.address() : new Address(change.element(), "");
    }

    /** Whether a change may be part of the repair: it is not ruled out, and doesn't take back what is required. */
    public boolean allows(Change change) {
        return !without.contains(about(change))
                && required.stream().allMatch(r -> r.equals(change) || !about(r).equals(about(change)));
    }

    /** The same without one more setting. */
    public Conditions without(Address at) {
        Set<Address> more = new HashSet<>(without);
        more.add(at);
        return new Conditions(more, required);
    }

    /** The same with one more change required. */
    public Conditions requiring(Change change) {
        List<Change> more = new ArrayList<>(required);
        more.removeIf(c -> about(c).equals(about(change)));
        more.add(change);
        return new Conditions(without, more);
    }
}
