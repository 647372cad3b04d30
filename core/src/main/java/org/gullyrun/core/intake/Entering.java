package org.gullyrun.core.intake;

import java.util.List;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** Enters a text into a setting by its address, as into the cell of a sheet. */
public final class Entering {
    private Entering() {}

    /**
     * The changes; none if the setting stands there already. A text beginning with + makes something new.
     *
     * @throws Refused if there is no such setting, or the text isn't valid for it
     */
    public static List<Change> enter(Rig rig, Address at, String text) {
        Element element = rig.find(at.element());
        Setting<?> setting = element == null ? null : Catalogue.find(element.kind(), at.key());
        if (element == null || setting == null) {
            throw new Refused("“" + at + "” no longer exists.");
        }
        return Columns.enter(rig, element, setting, text);
    }
}
