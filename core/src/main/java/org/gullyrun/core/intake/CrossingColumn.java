package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.ValueType;

/** Where a strip goes onto a bus: a tick, or a level. */
record CrossingColumn(String head, String bus, int letters) implements Column {
    @Override
    public String key() {
        return "crossings:" + bus;
    }

    @Override
    public String text(Rig rig, Element row) {
        if (row.isUnknown(Mixers.CROSSING.of(bus))) {
            return "?";
        }
        double level = row.or(Mixers.CROSSING_LEVEL.of(bus), 0.0);
        return !row.is(Mixers.CROSSING.of(bus), false) ? "" : level == 0 ? "✓" : ValueType.Number.plainly(level);
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        return List.of();
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        if (!text.isBlank() && text.strip().equals(text(rig, row))) {
            return List.of(); // shown rounded, and left so
        }
        String typed = text.strip().replace('−', '-');
        List<Change> changes = new ArrayList<>();
        if (typed.matches("[+-]?[0-9.,]+.*") && !typed.equals("1") && !typed.equals("0")) {
            changes.addAll(Columns.set(rig, row, Mixers.CROSSING.of(bus), true));
            changes.addAll(Columns.set(
                    rig,
                    row,
                    Mixers.CROSSING_LEVEL.of(bus),
                    Typed.value(rig, row, Mixers.CROSSING_LEVEL.of(bus), typed)));
        } else {
            Object on = Typed.value(rig, row, Mixers.CROSSING.of(bus), typed);
            changes.addAll(Columns.set(rig, row, Mixers.CROSSING.of(bus), on));
        }
        return changes;
    }

    @Override
    public boolean isTick() {
        return true;
    }
}
