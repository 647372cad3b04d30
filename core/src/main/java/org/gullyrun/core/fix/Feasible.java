package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.gullyrun.core.flow.graph.OtherComputer;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/**
 * What can be done in the rig at hand: no change of what is fixed, no input for a program where the production takes none,
 * nothing chosen that is on another computer, and the system's setting where a program has no choice of its own.
 */
final class Feasible {
    private Feasible() {}

    /** The changes as they can be made; none if one of them can't be. */
    static List<Change> of(Rig rig, List<Change> changes) {
        List<Change> all = new ArrayList<>();
        for (Change change : changes) {
            Change possible = change instanceof Change.Set set ? system(rig, set) : change;
            if (!isPossible(rig, possible)) {
                return List.of();
            }
            all.add(possible);
        }
        return all;
    }

    /** The same change in the system's settings, if the program itself doesn't offer it. */
    private static Change system(Rig rig, Change.Set set) {
        Element element = rig.get(set.element());
        Setting<?> setting = set.setting();
        boolean output = setting.equals(Applications.PROGRAM_CHOICE);
        boolean input = setting.equals(Applications.INPUT);
        Element program = output ? rig.owner(element) : element;
        if (output && program != null && !program.is(Applications.HAS_OUTPUT_CHOICE, true)
                || input && !element.is(Applications.HAS_INPUT_CHOICE, true)) {
            Setting<?> there = output ? Applications.SYSTEM_CHOICE : Applications.INPUT_SYSTEM;
            Change.Set instead = Change.setRaw(rig, element.id(), there, set.to());
            return instead == null ? set : instead;
        }
        return set;
    }

    /** Whether a change touches nothing that is fixed, and asks for nothing that isn't offered. */
    private static boolean isPossible(Rig rig, Change change) {
        return switch (change) {
            case Change.Set set -> {
                Element element = rig.get(set.element());
                yield !Common.isFixed(element, set.setting())
                        && OtherComputer.chosen(rig, element, set.setting(), set.to()) == null;
            }
            case Change.Add(Element what) when what.kind() == Kind.INPUT -> canTake(rig, what);
            case Change.Add add -> true;
            case Change.Remove remove -> true;
        };
    }

    /** Whether an input can be made: its production takes programs if it is for one, and all is on one computer. */
    private static boolean canTake(Rig rig, Element input) {
        boolean program = input.get(Productions.TAKES) == Productions.Takes.APPLICATION;
        return !(program
                        && rig.owner(input) instanceof Element production
                        && !production.is(Productions.CAPTURES_PROGRAMS, true))
                && Stream.of(Productions.APPLICATION, Productions.DEVICE)
                        .allMatch(setting -> OtherComputer.chosen(rig, input, setting, input.raw(setting)) == null);
    }
}
