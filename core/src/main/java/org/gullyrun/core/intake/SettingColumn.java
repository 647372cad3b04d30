package org.gullyrun.core.intake;

import java.util.List;
import java.util.Objects;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;

/** A setting as text. */
record SettingColumn(String head, Setting<?> setting, int letters) implements Column {
    @Override
    public String key() {
        return setting.key();
    }

    @Override
    public String text(Rig rig, Element row) {
        if (row.isUnknown(setting) && !Questions.matters(rig, row, setting)) {
            return "";
        }
        String text = Typed.text(rig, row, setting);
        // A level of 0 dB that nobody entered is not worth a glance.
        return Objects.equals(row.raw(setting), setting.usual())
                        && (setting.type() instanceof ValueType.Number || setting.usual() == Choice.Special.NOTHING)
                ? ""
                : text;
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        return Columns.options(rig, row, setting, typed);
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        if (setting.key().equals("name") && text.isBlank()) {
            throw new Refused("Enter a name.");
        }
        return Columns.enter(rig, row, setting, text);
    }

    @Override
    public boolean shows(String key) {
        return setting.key().equals(key);
    }
}
