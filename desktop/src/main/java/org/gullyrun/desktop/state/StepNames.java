package org.gullyrun.desktop.state;

import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** What steps are called, for Undo and the journal. */
final class StepNames {
    private StepNames() {}

    /** A step of one or more changes to a rig: the first of them, and how many there are. */
    static String of(Rig rig, List<? extends Change> changes) {
        String first = of(rig, changes.getFirst());
        return changes.size() == 1 ? first : first + " (" + changes.size() + " changes)";
    }

    /** One change in words; an element that is added is named as it will stand in the rig. */
    private static String of(Rig rig, Change change) {
        try {
            return Sentences.say(change instanceof Change.Add ? Changes.apply(rig, List.of(change)) : rig, change);
        } catch (Changes.Conflict e) {
            return "change of " + change.element();
        }
    }
}
