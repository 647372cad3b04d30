package org.gullyrun.cli;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Rig;

/** What {@code --without} names: elements of a survey and their settings, and elements that a repair would add to it. */
final class RuledOutSettings {
    private RuledOutSettings() {}

    /**
     * Finds what is named.
     *
     * @param already what is ruled out in the case, which no repair adds
     * @param ways the repairs where some settings are ruled out; asked only where something isn't in the survey
     * @throws UsageProblem if something is neither in the survey nor added by any of the repairs
     */
    static Set<Address> of(
            Rig rig, List<String> named, Set<Address> already, Function<Set<Address>, List<Repair>> ways) {
        Set<Address> found = new HashSet<>();
        List<String> others = new ArrayList<>();
        for (String one : named) {
            if (one.contains("/") || CaseArgument.named(rig.elements(), one).isPresent()) {
                found.add(ReachCommand.address(rig, one));
            } else if (!already.contains(new Address(one, ""))) {
                others.add(one);
            }
        }
        // What would be added instead of something that is ruled out is only known once that is.
        while (!others.isEmpty()) {
            Set<String> added = new HashSet<>();
            for (Repair way : ways.apply(found)) {
                way.changes().stream()
                        .filter(change -> change instanceof Change.Add)
                        .forEach(change -> added.add(change.element()));
            }
            added.retainAll(others);
            if (added.isEmpty()) {
                ReachCommand.address(rig, others.getFirst()); // says that there is no such thing
            }
            added.forEach(id -> found.add(new Address(id, "")));
            others.removeAll(added);
        }
        return found;
    }
}
