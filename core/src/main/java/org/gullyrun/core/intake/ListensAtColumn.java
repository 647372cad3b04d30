package org.gullyrun.core.intake;

import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** Where an outlet listens: at a device, an output of a production, or a call program. */
record ListensAtColumn(String head, int letters) implements Column {
    @Override
    public String key() {
        return "listensAt";
    }

    /** What a listener of this sort listens to: a device, an output or a call. */
    private static Setting<?> setting(Element row) {
        Outlets.Sort sort = row.get(Outlets.SORT);
        return sort == null || sort.isDevice()
                ? Outlets.DEVICE
                : sort.isOutput() ? Outlets.OUTPUT : Outlets.APPLICATION;
    }

    @Override
    public String text(Rig rig, Element row) {
        return Typed.text(rig, row, setting(row));
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        return Columns.options(rig, row, setting(row), typed);
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        return Columns.enter(rig, row, setting(row), text);
    }
}
