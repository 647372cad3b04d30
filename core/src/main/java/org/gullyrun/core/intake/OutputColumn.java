package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** A setting of the first output of a program. */
record OutputColumn(String head, Setting<?> setting, int letters) implements Column {
    @Override
    public String key() {
        return setting.key();
    }

    /** The first output of a program, or a new one that isn't in the rig yet. */
    private static Element output(Rig rig, Element row) {
        List<Element> outputs = rig.in(row.id(), Kind.APP_OUTPUT);
        return outputs.isEmpty()
                ? Element.of(Kind.APP_OUTPUT, Ids.from(row.id() + " out", x -> rig.find(x) != null))
                : outputs.getFirst();
    }

    @Override
    public String text(Rig rig, Element row) {
        return rig.in(row.id(), Kind.APP_OUTPUT).isEmpty() ? "" : Typed.text(rig, output(rig, row), setting);
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        return Columns.options(rig, output(rig, row), setting, typed);
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        Element output = output(rig, row);
        List<Change> changes = Columns.enter(rig, output, setting, text);
        if (rig.find(output.id()) != null || text.isBlank()) {
            return changes;
        }
        // The program has no output yet: it comes with the value.
        List<Change> all = new ArrayList<>();
        Element made = output.with(Applications.OUTPUT_OF, row.id());
        for (Change change : changes) {
            if (change instanceof Change.Set set && set.element().equals(output.id())) {
                made = made.put(setting, set.to());
            } else {
                all.add(change);
            }
        }
        all.add(new Change.Add(made));
        return all;
    }
}
