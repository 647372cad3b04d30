package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/**
 * Reads a rig that is written down as it is typed into the sheet: blocks by kind, a line for each row, cells parted by
 * bars, a brief at the end. So a starting rig is a page that anybody can read.
 */
final class SheetScript {
    private Rig rig = Rig.EMPTY;
    private final Map<Brief.Cell, Wish> cells = new TreeMap<>();

    /** A rig and its brief. */
    record Written(Rig rig, Brief brief) {}

    /**
     * Reads the lines.
     *
     * @throws Refused with the number of the line that cannot be read
     */
    static Written read(List<String> lines) {
        SheetScript script = new SheetScript();
        String block = "";
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i).strip();
            try {
                if (line.startsWith("[")) {
                    block = line.substring(1, line.length() - 1);
                } else if (!line.isEmpty() && !line.startsWith("#")) {
                    if (block.equals("brief")) {
                        script.wish(line);
                    } else {
                        script.row(block, line);
                    }
                }
            } catch (Refused e) {
                throw new Refused("line " + (i + 1) + ": " + e.getMessage());
            }
        }
        return new Written(script.rig, new Brief(script.cells, Map.of(), Map.of()));
    }

    /** One section of a script: its rows, by column. */
    private Table table(String block) {
        for (Section section : Section.values()) {
            for (Table table : Sheet.of(rig, section)) {
                String key = table.key();
                if (key.equals(block) || key.startsWith(block + ":")) {
                    return table;
                }
            }
        }
        throw new Refused("there is no table '" + block + "'");
    }

    /** A row: the name first, then what the columns hold. */
    private void row(String block, String line) {
        String[] texts = line.split("\\|", -1);
        String name = texts[0].strip();
        Table table = table(block);
        int first = 1;
        String id = null;
        if (block.equals("tracks")) {
            id = table.owner();
            first = 0;
        } else {
            for (Element row : table.rows(rig)) {
                id = row.name().equals(name) ? row.id() : id;
            }
        }
        if (id == null) {
            List<Change> added = table.add(rig, name);
            id = table.added(added);
            rig = Changes.apply(rig, added);
        }
        for (int i = first; i < texts.length; i++) {
            String text = texts[i].strip();
            if (!text.isEmpty()) {
                if (i >= table.columns().size()) {
                    throw new Refused("more cells than the table has columns");
                }
                rig = Changes.apply(rig, table.columns().get(i).enter(rig, rig.get(id), text));
            }
        }
    }

    /** A wish of the brief. */
    private void wish(String line) {
        int space = line.indexOf(' ');
        int colon = line.indexOf(':');
        Wish wish = Wish.valueOf(line.substring(0, space).toUpperCase(java.util.Locale.ROOT));
        String outlet = id(Kind.OUTLET, line.substring(space, colon).strip());
        for (String source : line.substring(colon + 1).split(",")) {
            cells.put(new Brief.Cell(id(Kind.SOURCE, source.strip()), outlet, ""), wish);
        }
    }

    /** The id of an element of a kind that was typed under a name. */
    private String id(Kind kind, String name) {
        List<Element> all = new ArrayList<>(rig.of(kind));
        return all.stream()
                .filter(e -> e.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new Refused("there is no " + kind.noun() + " '" + name + "'"))
                .id();
    }
}
