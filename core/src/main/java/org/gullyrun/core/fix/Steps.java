package org.gullyrun.core.fix;

import java.util.List;
import java.util.stream.Collectors;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Says several changes as the steps of one fix. */
final class Steps {
    private Steps() {}

    /** What changes that fit a rig do, as a sentence; empty if they do not fit. */
    static String of(Rig rig, List<Change> changes) {
        try {
            boolean adds = changes.stream().anyMatch(Change.Add.class::isInstance);
            return of(rig, adds ? Changes.apply(rig, changes) : rig, changes);
        } catch (Changes.Conflict e) {
            return "";
        }
    }

    /** The steps as one sentence. A program that all of them are about is named once. */
    static String of(Rig rig, Rig changed, List<Change> changes) {
        List<String> steps = changes.stream()
                .map(c -> Sentences.say(c instanceof Change.Add ? changed : rig, c))
                .toList();
        String restart = changes.stream()
                .filter(c -> c instanceof Change.Set)
                .map(c -> rig.program(rig.get(c.element())))
                .filter(Sentences::hasToRestart)
                .map(Element::name)
                .distinct()
                .collect(Collectors.joining(" and "));
        return joined(steps) + (restart.isEmpty() ? "" : ", then restart " + restart);
    }

    /** Several steps as one sentence. */
    private static String joined(List<String> steps) {
        int end = steps.getFirst().indexOf(", ") + 2;
        String place =
                steps.getFirst().startsWith("In ") && end > 1 ? steps.getFirst().substring(0, end) : "";
        // "In Orrery, mute input A and mute input B": the program is said once.
        return !place.isEmpty() && steps.stream().allMatch(s -> s.startsWith(place))
                ? place
                        + Sentences.list(steps.stream()
                                .map(s -> s.substring(place.length()))
                                .toList())
                : steps.getFirst()
                        + steps.stream()
                                .skip(1)
                                .map(s -> "; " + Character.toLowerCase(s.charAt(0)) + s.substring(1))
                                .collect(Collectors.joining());
    }
}
