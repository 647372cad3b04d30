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

    /**
     * Changes of a setting, and with them the new names of what is named after its ends: of the row itself where the
     * setting is an end of it, of all that joins the row where it is the row's name.
     */
    static List<Change> following(Rig rig, Element row, Setting<?> setting, List<Change> changes) {
        boolean isEnd = has(row.kind()) && ends(row).contains(setting) && isNamedAfterEnds(rig, row);
        boolean isName = setting.equals(Common.name(row.kind()));
        if (changes.isEmpty() || !isEnd && !isName) {
            return changes;
        }
        Rig after = Changes.apply(rig, changes);
        List<Change> all = new ArrayList<>(changes);
        if (isEnd) {
            rename(rig, after, row, all);
            return all;
        }
        for (Kind kind : Kind.values()) {
            for (Element one : has(kind) ? rig.of(kind) : List.<Element>of()) {
                if (one != row && one.name().equals(name(rig, one))) {
                    rename(rig, after, one, all);
                }
            }
        }
        return all;
    }

    /** Renames what is named after its ends. */
    private static void rename(Rig rig, Rig after, Element one, List<Change> into) {
        String name = name(after, after.get(one.id()));
        if (!name.isEmpty() && !name.equals(one.name())) {
            into.addAll(Columns.set(rig, one, Common.name(one.kind()), name));
        }
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
