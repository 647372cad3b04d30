package org.gullyrun.core.inventory;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/**
 * The inventory: computers, devices, programs and what joins them as one list. Headings are plain words in any order; a
 * first column says what a row is, or it is seen by the headings.
 */
public final class Inventory {
    private Inventory() {}

    /** What taking a file in would do to a rig. Nothing happens yet. */
    public static Preview read(Rig rig, byte[] bytes) {
        return InventoryReader.read(rig, bytes);
    }

    /** What taking in the devices of a computer would do to a rig. */
    public static Preview take(Rig rig, List<FoundDevice> devices) {
        Rig now = rig;
        List<Preview.Row> fates = new ArrayList<>();
        for (int i = 0; i < devices.size(); i++) {
            FoundDevice device = devices.get(i);
            Rig before = now;
            String name = named(devices, device);
            String known = InventoryReader.find(now, Kind.DEVICE, name);
            Table table = Objects.requireNonNull(InventoryColumns.table(now, "device"));
            if (known == null) {
                now = Changes.apply(now, table.add(now, name));
                known = Objects.requireNonNull(InventoryReader.find(now, Kind.DEVICE, name));
            }
            Element is = now.get(known);
            // One rate only is the rate it runs at; a choice of rates says nothing of the one in use.
            Element set = is.with(Devices.DIRECTION, device.direction())
                    .with(
                            Devices.RATE,
                            device.rates().size() == 1 ? device.rates().getFirst() : is.get(Devices.RATE))
                    .with(
                            Devices.BITS,
                            device.bits() > 0 ? Integer.valueOf(Math.min(64, device.bits())) : is.get(Devices.BITS))
                    .with(
                            Devices.CHANNELS,
                            device.channels() > 0
                                    ? Integer.valueOf(Math.min(512, device.channels()))
                                    : is.get(Devices.CHANNELS));
            now = Changes.apply(now, Changes.between(Rig.of(List.of(is)), Rig.of(List.of(set))));
            List<Change> changes = Changes.between(before, now);
            boolean added = before.find(known) == null;
            fates.add(new Preview.Row(
                    i + 1L,
                    name,
                    added ? Preview.Fate.ADDED : changes.isEmpty() ? Preview.Fate.LEFT : Preview.Fate.CHANGED,
                    added || changes.isEmpty() ? device.direction().word() : said(now, changes)));
        }
        List<Preview.Mistake> none = devices.isEmpty()
                ? List.of(new Preview.Mistake(0, "", "No sound devices were found on this computer."))
                : List.of();
        return new Preview(fates, none, Changes.between(rig, now));
    }

    /** The name; with the direction where one name stands for both. */
    private static String named(List<FoundDevice> all, FoundDevice device) {
        boolean both =
                all.stream().anyMatch(d -> d.name().equals(device.name()) && d.direction() != device.direction());
        return both ? device.name() + " (" + device.direction().word() + ")" : device.name();
    }

    /** Changes in words. */
    static String said(Rig rig, List<Change> changes) {
        List<String> words = new ArrayList<>();
        for (Change change : changes) {
            words.add(Sentences.say(rig, change));
        }
        return String.join("; ", words);
    }

    /** The computers, devices, programs and routes of a rig as CSV, to be read again by {@link #read}. */
    public static String write(Rig rig) {
        List<String> headings = InventoryColumns.headings(rig);
        List<List<String>> rows = new ArrayList<>(List.of(headings));
        for (String what :
                List.of("computer", "device", "cable", "wire", "coupling", "pass-through", "processor", "program")) {
            Table table = Objects.requireNonNull(InventoryColumns.table(rig, what));
            for (Element element : table.rows(rig)) {
                List<String> row = new ArrayList<>();
                for (String heading : headings) {
                    String means = Objects.requireNonNull(InventoryColumns.meaning(heading));
                    Column column = InventoryColumns.column(table, means);
                    row.add(
                            means.equals("what")
                                    ? what
                                    : means.equals("name")
                                            ? element.name()
                                            : column == null ? "" : cell(column, rig, element));
                }
                rows.add(row);
            }
        }
        return CsvText.write(rows);
    }

    /** A cell as it is exported: readable without the program's signs. */
    private static String cell(Column column, Rig rig, Element element) {
        String text = column.text(rig, element);
        if (column.key().equals(Devices.PROVIDED_BY.key()) && InventoryColumns.providerIsUnlisted(rig, element)) {
            return "";
        }
        // An empty cell changes nothing when it is read: what is off has to be said.
        return column.isTick() && text.isEmpty()
                ? column.hidesUnknown(element) ? "?" : "no"
                : text.replace("✓", "yes").replace('−', '-');
    }
}
