package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** Names what joins two devices after them, as long as nobody has given it a name. */
final class EndNames {
    /** Typed in place of a name: it is to be named after its ends. */
    static final String MARK = "-";

    private EndNames() {}

    /** Whether elements of a kind can be named after their ends. */
    static boolean has(Kind kind) {
        return Capabilities.isNamedAfterEnds(kind);
    }

    /** What a new one is called until its ends are known: "Wire 2". */
    static String first(Rig rig, Kind kind) {
        for (int n = 1; ; n++) {
            String name = stem(kind) + " " + n;
            if (rig.of(kind).stream().noneMatch(e -> e.name().equals(name))) {
                return name;
            }
        }
    }

    private static String stem(Kind kind) {
        return kind.noun().substring(0, 1).toUpperCase(Locale.ROOT)
                + kind.noun().substring(1);
    }

    /** Changes of a setting with the new name, where it is an end of something that is named after its ends. */
    static List<Change> following(Rig rig, Element row, Setting<?> setting, List<Change> changes) {
        if (changes.isEmpty() || !has(row.kind()) || !ends(row).contains(setting) || !isNamedAfterEnds(rig, row)) {
            return changes;
        }
        Rig after = Changes.apply(rig, changes);
        String name = name(after, after.get(row.id()));
        if (name.isEmpty() || name.equals(row.name())) {
            return changes;
        }
        List<Change> all = new ArrayList<>(changes);
        all.addAll(Columns.set(rig, row, Common.name(row.kind()), name));
        return all;
    }

    private static List<Setting<?>> ends(Element row) {
        Capabilities.Ends ends = Objects.requireNonNull(Capabilities.ends(row.kind()));
        return List.of(ends.from(), ends.to());
    }

    private static boolean isNamedAfterEnds(Rig rig, Element row) {
        return row.name().matches(stem(row.kind()) + " \\d+") || row.name().equals(name(rig, row));
    }

    /** Empty while an end is open. */
    private static String name(Rig rig, Element row) {
        List<String> ends =
                ends(row).stream().map(end -> Typed.text(rig, row, end)).toList();
        return ends.stream().anyMatch(e -> e.isEmpty() || e.equals("?")) ? "" : String.join(" to ", ends);
    }
}
