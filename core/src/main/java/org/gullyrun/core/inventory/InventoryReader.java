package org.gullyrun.core.inventory;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Reads an inventory into a rig: first every row gets its element, so that rows may refer to each other in any order, then
 * their cells are entered.
 */
final class InventoryReader {
    /** A column of the file. */
    private record Heading(int place, String said, String means) {}

    /** A row that has its element. */
    private record Item(CsvText.Row row, String what, String name, String id, boolean added) {}

    private final Rig before;
    private Rig now;
    private final List<Preview.Mistake> mistakes = new ArrayList<>();
    private final List<Preview.Row> fates = new ArrayList<>();
    private List<Heading> headings = List.of();

    private InventoryReader(Rig rig) {
        this.before = rig;
        this.now = rig;
    }

    /** What taking a file in would do to a rig. */
    static Preview read(Rig rig, byte[] bytes) {
        return new InventoryReader(rig).read(bytes);
    }

    /** Reads the list twice over: first what there is, then what refers to it. */
    private Preview read(byte[] bytes) {
        List<CsvText.Row> rows = CsvText.read(bytes, mistakes);
        if (rows.isEmpty()) {
            mistakes.add(new Preview.Mistake(0, "", "The list is empty. Its first row has to name the columns."));
            return new Preview(List.of(), mistakes, List.of());
        }
        headings = headings(rows.getFirst());
        if (!has("name") && !has("from")) {
            mistakes.add(new Preview.Mistake(
                    rows.getFirst().number(),
                    "",
                    "There is no column “name”. Known columns: " + String.join(", ", InventoryColumns.HEADINGS) + "."));
            return new Preview(List.of(), mistakes, List.of());
        }
        int known = rows.getFirst().cells().size();
        List<Item> items = new ArrayList<>();
        Map<String, Long> met = new HashMap<>();
        for (CsvText.Row row : rows.subList(1, rows.size())) {
            if (row.cells().size() > known
                    && row.cells().subList(known, row.cells().size()).stream().anyMatch(c -> !c.isEmpty())) {
                mistakes.add(new Preview.Mistake(
                        row.number(),
                        "",
                        "It has " + row.cells().size() + " cells, but the first row names " + known
                                + " columns. What is beyond them is left out."));
            }
            Item item = item(row, met);
            if (item != null) {
                items.add(item);
            }
        }
        // What joins devices needs them complete, and a computer's defaults are devices.
        List<Kind> order =
                List.of(Kind.DEVICE, Kind.CABLE, Kind.WIRE, Kind.COUPLING, Kind.PASS_THROUGH, Kind.PROCESSOR);
        List<Item> inTurn = new ArrayList<>(items);
        inTurn.sort(Comparator.comparingInt(i -> {
            int at = order.indexOf(now.get(i.id).kind());
            return at >= 0 ? at : now.get(i.id).kind() == Kind.APPLICATION ? order.size() : order.size() + 1;
        }));
        inTurn.forEach(this::fill);
        fates.sort(Comparator.comparingLong(Preview.Row::number));
        mistakes.sort(Comparator.comparingLong(Preview.Mistake::row));
        return new Preview(fates, mistakes, Changes.between(before, now));
    }

    /** The columns that the list has, by their headings. */
    private List<Heading> headings(CsvText.Row row) {
        Map<String, Heading> found = new LinkedHashMap<>();
        for (int c = 0; c < row.cells().size(); c++) {
            String said = row.cells().get(c);
            String means = InventoryColumns.meaning(said);
            if (means == null) {
                if (!said.isBlank()) {
                    mistakes.add(new Preview.Mistake(row.number(), said, "Unknown column. It is left out."));
                }
            } else if (found.containsKey(means)) {
                mistakes.add(new Preview.Mistake(
                        row.number(), said, "This column appears twice. The second one is left out."));
            } else {
                found.put(means, new Heading(c, said, means));
            }
        }
        return List.copyOf(found.values());
    }

    private boolean has(String means) {
        return headings.stream().anyMatch(h -> h.means.equals(means));
    }

    /** What a row has under a heading of some meaning, empty without such a heading. */
    private String cell(CsvText.Row row, String means) {
        return headings.stream()
                .filter(h -> h.means.equals(means))
                .map(h -> row.cell(h.place))
                .findFirst()
                .orElse("");
    }

    /** How the file calls a column; as the program does where the file has none. */
    private String said(String means) {
        return headings.stream()
                .filter(h -> h.means.equals(means))
                .map(Heading::said)
                .findFirst()
                .orElse(means);
    }

    /** What a row is about, by its first column. */
    private String what(CsvText.Row row) {
        String said = cell(row, "what").toLowerCase(Locale.ROOT);
        return switch (said) {
            case "application", "app" -> "program";
            case "" ->
                has("from") && !cell(row, "from").isEmpty()
                        ? "cable"
                        : has("plays") || has("listens to") ? "program" : "device";
            default -> said;
        };
    }

    /** The element of a row, new or already there. */
    private @Nullable Item item(CsvText.Row row, Map<String, Long> met) {
        String what = what(row);
        Table table = InventoryColumns.table(now, what);
        if (table == null) {
            mistakes.add(new Preview.Mistake(
                    row.number(),
                    said("what"),
                    "“" + what
                            + "” isn't valid here. Enter device, program, cable, wire, coupling, pass-through, processor or"
                            + " computer."));
            return null;
        }
        String name = cell(row, "name");
        if (name.isEmpty() && !cell(row, "from").isEmpty()) {
            name = cell(row, "from") + " to " + cell(row, "to");
        }
        if (name.isEmpty()) {
            mistakes.add(new Preview.Mistake(row.number(), said("name"), "Enter a name."));
            return null;
        }
        Long earlier = met.putIfAbsent(what + ":" + name.toLowerCase(Locale.ROOT), row.number());
        if (earlier != null) {
            mistakes.add(new Preview.Mistake(
                    row.number(),
                    said("name"),
                    "Row " + earlier + " is called “" + name
                            + "” too, and only names tell rows apart. Give one of them another name."));
            return null;
        }
        String known = find(now, table.kind(), name);
        try {
            if (known == null) {
                Change.Add added = plain(now, table, name);
                now = Changes.apply(now, List.of(added));
                return new Item(row, what, name, added.element(), true);
            }
        } catch (Refused e) {
            mistakes.add(new Preview.Mistake(row.number(), said("name"), String.valueOf(e.getMessage())));
            return null;
        }
        return new Item(row, what, name, known, false);
    }

    /** Fills in what the row says. */
    private void fill(Item item) {
        Rig was = now;
        for (Heading heading : headings) {
            String text = item.row.cell(heading.place);
            Column column = InventoryColumns.column(
                    Objects.requireNonNull(InventoryColumns.table(now, item.what)), heading.means);
            if (text.isEmpty() || column == null) {
                continue;
            }
            try {
                if (text.startsWith("+")) {
                    throw new Refused("A name can't begin with +.");
                }
                now = Changes.apply(now, column.enter(now, now.get(item.id), text));
            } catch (Refused e) {
                mistakes.add(new Preview.Mistake(
                        item.row.number(),
                        heading.said,
                        String.valueOf(e.getMessage()).replaceAll(" Enter \\+.*$", "")));
            }
        }
        List<Change> changes = Changes.between(was, now);
        fates.add(new Preview.Row(
                item.row.number(),
                item.name,
                item.added ? Preview.Fate.ADDED : changes.isEmpty() ? Preview.Fate.LEFT : Preview.Fate.CHANGED,
                item.added || changes.isEmpty() ? item.what : Inventory.said(now, changes)));
    }

    /** A new element of the table's kind only: an import makes no ends of cables that the list does not name. */
    private static Change.Add plain(Rig rig, Table table, String name) {
        return table.add(rig, name).stream()
                .filter(c -> c instanceof Change.Add(Element e) && e.kind() == table.kind())
                .map(c -> (Change.Add) c)
                .map(c -> new Change.Add(bare(c.what())))
                .findFirst()
                .orElseThrow();
    }

    /** The element without the ends that an import replaces. */
    private static Element bare(Element element) {
        Element bare = element;
        if (element.kind() == Kind.CABLE) {
            bare = bare.with(Links.CABLE_FROM, null).with(Links.CABLE_TO, null);
        }
        return bare;
    }

    /** The id of the element of a kind with this name, in any case of letters; null if there is none. */
    static @Nullable String find(Rig rig, Kind kind, String name) {
        return rig.of(kind).stream()
                .filter(e -> e.name().equalsIgnoreCase(name))
                .map(Element::id)
                .findFirst()
                .orElse(null);
    }
}
