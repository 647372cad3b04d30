package org.gullyrun.core.intake;

import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;

/** One column of a table: what stands in its cells, and what typing into one does. */
public interface Column {
    /** Its heading: words for people, which may change. */
    String head();

    /** What it is found by: the key of the setting it enters, whatever its heading says. */
    String key();

    /** What stands in the cell of a row; empty where nothing was entered, "?" where it is not yet known. */
    String text(Rig rig, Element row);

    /** What can be put in, best first, for what has been typed so far; empty where any text or number can stand. */
    List<Option> options(Rig rig, Element row, String typed);

    /**
     * The changes that put a text into the cell of a row; none if it stands there already.
     *
     * @throws Refused if it isn't valid there
     */
    List<Change> enter(Rig rig, Element row, String text);

    /** Whether it is a tick: Space or x sets and takes it. */
    default boolean isTick() {
        return false;
    }

    /** Whether what it shows as empty isn't known, because it doesn't matter there. */
    default boolean hidesUnknown(Element row) {
        return false;
    }

    /** Whether it is where the setting with a key is entered. */
    default boolean shows(String key) {
        return false;
    }

    /** How wide it is, in letters. */
    int letters();
}
