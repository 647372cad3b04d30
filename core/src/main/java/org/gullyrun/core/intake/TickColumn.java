package org.gullyrun.core.intake;

import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** A flag as a tick. */
record TickColumn(String head, Setting<?> setting, int letters) implements Column {
    @Override
    public String key() {
        return setting.key();
    }

    @Override
    public String text(Rig rig, Element row) {
        return isOpen(rig, row) ? "?" : Boolean.TRUE.equals(row.raw(setting)) ? "✓" : "";
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        return List.of();
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        if (text.isBlank() && row.isUnknown(setting) && !isOpen(rig, row)) {
            return List.of(); // shown empty because it doesn't matter
        }
        return Columns.set(rig, row, setting, Typed.value(rig, row, setting, text));
    }

    @Override
    public boolean hidesUnknown(Element row) {
        return row.isUnknown(setting);
    }

    /** Whether this is a question still to ask. */
    private boolean isOpen(Rig rig, Element row) {
        return row.isUnknown(setting) && Questions.matters(rig, row, setting);
    }

    @Override
    public boolean isTick() {
        return true;
    }

    @Override
    public boolean shows(String key) {
        return setting.key().equals(key);
    }
}
