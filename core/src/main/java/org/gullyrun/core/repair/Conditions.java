package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;

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

    /** Whether a change has to be made, or another of the same setting. */
    boolean requires(Change change) {
        return required.stream().anyMatch(r -> about(r).equals(about(change)));
    }

    /** Only that some settings can't be changed. */
    public static Conditions ruledOut(Set<Address> without) {
        return new Conditions(without, List.of());
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

    /** The same with other settings in place of some that were ruled out. */
    public Conditions ruledOut(Set<Address> before, Set<Address> now) {
        Set<Address> others = new HashSet<>(without);
        others.removeAll(before);
        others.addAll(now);
        return new Conditions(others, required);
    }

    /** The same with one more change required. */
    public Conditions requiring(Change change) {
        List<Change> more = new ArrayList<>(required);
        more.removeIf(c -> about(c).equals(about(change)));
        more.add(change);
        return new Conditions(without, more);
    }

    /** Whether all that others rule out or require is ruled out or required here, too. */
    public boolean narrow(Conditions others) {
        return without.containsAll(others.without) && required.containsAll(others.required);
    }

    /** What is required and not yet so in a rig, as changes to it as it stands: some of it may be done by now. */
    public List<Change> due(Rig rig) {
        List<Change> due = new ArrayList<>();
        for (Change change : required) {
            Element now = rig.find(change.element());
            switch (change) {
                case Change.Set set -> {
                    Change.Set still = now == null ? null : Change.setRaw(rig, set.element(), set.setting(), set.to());
                    if (still != null) {
                        due.add(still);
                    }
                }
                case Change.Add add -> {
                    if (now == null) {
                        due.add(add);
                    }
                }
                case Change.Remove remove -> {
                    if (now != null) {
                        due.add(new Change.Remove(now));
                    }
                }
            }
        }
        return due;
    }
}
