package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** The members of a family that are on, as a list of names. */
record MembersColumn(String head, Setting<Boolean> family, Names names, int letters) implements Column {
    @Override
    public String key() {
        return family.key();
    }

    private static final String ALL = "all";

    /** What a family can have members for, and what they are called. */
    interface Names {
        List<String> subs(Rig rig, Element row);

        String name(Rig rig, Element row, String sub);
    }

    @Override
    public String text(Rig rig, Element row) {
        List<String> on = new ArrayList<>();
        for (String sub : names.subs(rig, row)) {
            if (row.is(family.of(sub), false)) {
                on.add(names.name(rig, row, sub));
            }
        }
        return String.join(", ", on);
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        int comma = typed.lastIndexOf(',');
        String before = comma < 0 ? "" : typed.substring(0, comma + 1) + " ";
        String last = typed.substring(comma + 1).strip();
        List<String> all =
                names.subs(rig, row).stream().map(s -> names.name(rig, row, s)).toList();
        return NameMatch.all(all, last).stream()
                .map(i -> new Option(before + all.get(i), all.get(i), ""))
                .toList();
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        List<String> subs = names.subs(rig, row);
        List<String> all = subs.stream().map(s -> names.name(rig, row, s)).toList();
        List<String> wanted = new ArrayList<>();
        if (text.strip().equalsIgnoreCase(ALL)) {
            wanted.addAll(subs);
        }
        for (String part : text.strip().split("\\s*[,;]\\s*")) {
            if (part.isBlank() || part.equalsIgnoreCase(ALL)) {
                continue;
            }
            // Names may have blanks in them, so words parted by blanks are a list only where they are no name.
            for (String one : place(all, subs, part) >= 0 ? List.of(part) : List.of(part.split("\\s+"))) {
                int at = place(all, subs, one);
                if (at < 0) {
                    throw new Refused("There is no “" + one + "” here. Enter some of: " + String.join(", ", all) + ".");
                }
                wanted.add(subs.get(at));
            }
        }
        List<Change> changes = new ArrayList<>();
        for (String sub : subs) {
            changes.addAll(Columns.set(rig, row, family.of(sub), wanted.contains(sub)));
        }
        return changes;
    }

    /** The place of what a name or number means: "3" and "track 3" mean the third whatever it is called. */
    private static int place(List<String> all, List<String> subs, String typed) {
        int at = NameMatch.best(all, typed);
        return at >= 0 ? at : subs.indexOf(typed.replaceFirst("(?i)^track\\s+", ""));
    }
}
