package org.gullyrun.core.inventory;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.intake.Sheet;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * The inventory: devices, programs and routes as one list. Headings are plain words in any order; a first column says
 * what a row is, or it is seen by the headings.
 */
public final class Inventory {
    private static final Map<String, String> MEANS = Map.ofEntries(
            Map.entry("what", "what"),
            Map.entry("type", "what"),
            Map.entry("name", "name"),
            Map.entry("device", "name"),
            Map.entry("program", "name"),
            Map.entry("application", "name"),
            Map.entry("rate", "kHz"),
            Map.entry("sample rate", "kHz"),
            Map.entry("khz", "kHz"),
            Map.entry("hz", "kHz"),
            Map.entry("latency", "ms"),
            Map.entry("delay", "ms"),
            Map.entry("ms", "ms"),
            Map.entry("gain", "dB"),
            Map.entry("level", "dB"),
            Map.entry("db", "dB"),
            Map.entry("distance", "m"),
            Map.entry("plays", "plays"),
            Map.entry("plays to", "plays"),
            Map.entry("output", "plays"),
            Map.entry("system setting", "system setting"),
            Map.entry("chosen in the system", "system setting"),
            Map.entry("in the system", "system setting"),
            Map.entry("listens to", "listens to"),
            Map.entry("microphone", "listens to"),
            Map.entry("input", "listens to"),
            Map.entry("computer", "computer"),
            Map.entry("machine", "computer"),
            Map.entry("direction", "direction"),
            Map.entry("class", "class"),
            Map.entry("virtual", "virtual"),
            Map.entry("present", "present"),
            Map.entry("enabled", "enabled"),
            Map.entry("permitted", "permitted"),
            Map.entry("from", "from"),
            Map.entry("to", "to"),
            Map.entry("converts", "converts"),
            Map.entry("signal", "signal"));

    /** What headings enter where it is not called so in the rig. */
    private static final Map<String, String> KEYS = Map.of(
            "kHz", Devices.RATE.key(),
            "ms", Devices.LATENCY.key(),
            "dB", Links.WIRE_GAIN.key(),
            "m", Links.COUPLING_DISTANCE.key(),
            "plays", Applications.PROGRAM_CHOICE.key(),
            "system setting", Applications.SYSTEM_CHOICE.key(),
            "listens to", Applications.INPUT.key(),
            "computer", Devices.MACHINE.key());

    private static final List<String> HEADINGS = List.of(
            "what",
            "name",
            "computer",
            "direction",
            "rate",
            "latency",
            "virtual",
            "present",
            "enabled",
            "permitted",
            "class",
            "plays to",
            "system setting",
            "listens to",
            "from",
            "to",
            "gain",
            "converts");

    private Inventory() {}

    /** What taking a file in would do to a rig. Nothing happens yet. */
    public static Preview read(Rig rig, byte[] bytes) {
        List<Preview.Mistake> mistakes = new ArrayList<>();
        List<CsvText.Row> rows = CsvText.read(bytes, mistakes);
        if (rows.isEmpty()) {
            mistakes.add(new Preview.Mistake(0, "", "The list is empty. Its first row has to name the columns."));
            return new Preview(List.of(), mistakes, List.of());
        }
        Map<Integer, String> headings = headings(rows.getFirst(), mistakes);
        if (!headings.containsValue("name") && !headings.containsValue("from")) {
            mistakes.add(new Preview.Mistake(
                    rows.getFirst().number(),
                    "",
                    "There is no column “name”. Known columns: " + String.join(", ", HEADINGS) + "."));
            return new Preview(List.of(), mistakes, List.of());
        }
        Rig[] at = {rig};
        List<Preview.Row> fates = new ArrayList<>();
        // Devices first, then what joins and uses them, whatever their order in the file.
        for (int turn = 0; turn < 3; turn++) {
            for (CsvText.Row row : rows.subList(1, rows.size())) {
                String what = what(row, headings);
                int due = what.equals("device") ? 0 : what.equals("program") ? 2 : 1;
                if (due == turn) {
                    take(at, row, what, headings, fates, mistakes);
                }
            }
        }
        fates.sort(java.util.Comparator.comparingLong(Preview.Row::number));
        mistakes.sort(java.util.Comparator.comparingLong(Preview.Mistake::row));
        return new Preview(fates, mistakes, Changes.between(rig, at[0]));
    }

    private static Map<Integer, String> headings(CsvText.Row row, List<Preview.Mistake> mistakes) {
        Map<Integer, String> headings = new LinkedHashMap<>();
        for (int c = 0; c < row.cells().size(); c++) {
            String word = row.cells()
                    .get(c)
                    .toLowerCase(Locale.ROOT)
                    .replaceAll("\\s*\\(.*\\)$", "")
                    .strip();
            String means = MEANS.get(word);
            if (means == null) {
                if (!word.isEmpty()) {
                    mistakes.add(
                            new Preview.Mistake(row.number(), row.cells().get(c), "Unknown column. It is left out."));
                }
            } else if (headings.containsValue(means)) {
                mistakes.add(new Preview.Mistake(
                        row.number(), row.cells().get(c), "This column appears twice. The second one is left out."));
            } else {
                headings.put(c, means);
            }
        }
        return headings;
    }

    private static String cell(CsvText.Row row, Map<Integer, String> headings, String means) {
        for (Map.Entry<Integer, String> heading : headings.entrySet()) {
            if (heading.getValue().equals(means)) {
                return row.cell(heading.getKey());
            }
        }
        return "";
    }

    private static String what(CsvText.Row row, Map<Integer, String> headings) {
        String said = cell(row, headings, "what").toLowerCase(Locale.ROOT);
        return switch (said) {
            case "application", "app" -> "program";
            case "" ->
                headings.containsValue("from") && !cell(row, headings, "from").isEmpty()
                        ? "cable"
                        : headings.containsValue("plays") || headings.containsValue("listens to")
                                ? "program"
                                : "device";
            default -> said;
        };
    }

    private static @Nullable Table table(Rig rig, String what) {
        Kind kind = switch (what) {
            case "device" -> Kind.DEVICE;
            case "program" -> Kind.APPLICATION;
            case "cable" -> Kind.CABLE;
            case "wire" -> Kind.WIRE;
            case "coupling" -> Kind.COUPLING;
            case "pass-through" -> Kind.PASS_THROUGH;
            case "processor" -> Kind.PROCESSOR;
            case "computer" -> Kind.MACHINE;
            default -> null;
        };
        for (Section section : Section.values()) {
            for (Table table : Sheet.of(rig, section)) {
                if (table.kind() == kind && table.grows()) {
                    return table;
                }
            }
        }
        return null;
    }

    private static void take(
            Rig[] at,
            CsvText.Row row,
            String what,
            Map<Integer, String> headings,
            List<Preview.Row> fates,
            List<Preview.Mistake> mistakes) {
        Table table = table(at[0], what);
        if (table == null) {
            mistakes.add(new Preview.Mistake(
                    row.number(),
                    "what",
                    "“" + what + "” isn't valid here. Enter device, program, cable, wire, coupling or pass-through."));
            return;
        }
        String name = cell(row, headings, "name");
        if (name.isEmpty()) {
            name = cell(row, headings, "from").isEmpty()
                    ? ""
                    : cell(row, headings, "from") + " to " + cell(row, headings, "to");
        }
        if (name.isEmpty()) {
            mistakes.add(new Preview.Mistake(row.number(), "name", "Enter a name."));
            return;
        }
        Rig before = at[0];
        Rig now = before;
        String known = find(now, table.kind(), name);
        String id = known;
        try {
            if (id == null) {
                Change.Add added = plain(now, table, name);
                now = Changes.apply(now, List.of(added));
                id = added.element();
            }
        } catch (Refused e) {
            mistakes.add(new Preview.Mistake(row.number(), "name", String.valueOf(e.getMessage())));
            return;
        }
        for (Map.Entry<Integer, String> heading : headings.entrySet()) {
            String text = row.cell(heading.getKey());
            Column column = column(table, heading.getValue());
            if (text.isEmpty() || column == null) {
                continue;
            }
            try {
                if (text.startsWith("+")) {
                    throw new Refused("A name can't begin with +.");
                }
                now = Changes.apply(now, column.enter(now, now.get(id), text));
            } catch (Refused e) {
                mistakes.add(new Preview.Mistake(
                        row.number(),
                        heading.getValue(),
                        String.valueOf(e.getMessage()).replaceAll(" Enter \\+.*$", "")));
            }
        }
        at[0] = now;
        List<Change> changes = Changes.between(before, now);
        fates.add(new Preview.Row(
                row.number(),
                name,
                known == null ? Preview.Fate.ADDED : changes.isEmpty() ? Preview.Fate.LEFT : Preview.Fate.CHANGED,
                known == null || changes.isEmpty() ? what : said(now, changes)));
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

    private static Element bare(Element element) {
        Element bare = element;
        if (element.kind() == Kind.CABLE) {
            bare = bare.with(org.gullyrun.core.rig.Links.CABLE_FROM, null)
                    .with(org.gullyrun.core.rig.Links.CABLE_TO, null);
        }
        return bare;
    }

    private static String said(Rig rig, List<Change> changes) {
        List<String> words = new ArrayList<>();
        for (Change change : changes) {
            words.add(Sentences.say(rig, change));
        }
        return String.join("; ", words);
    }

    private static @Nullable String find(Rig rig, Kind kind, String name) {
        return rig.of(kind).stream()
                .filter(e -> e.name().equalsIgnoreCase(name))
                .map(Element::id)
                .findFirst()
                .orElse(null);
    }

    private static @Nullable Column column(Table table, String means) {
        if (means.equals("name")) {
            return null; // by its name a row is found; it is not entered
        }
        Capabilities.Ends ends = Capabilities.ends(table.kind());
        Setting<?> end =
                ends == null ? null : means.equals("from") ? ends.from() : means.equals("to") ? ends.to() : null;
        String key = end != null ? end.key() : KEYS.getOrDefault(means, means);
        return table.columns().stream()
                .filter(c -> c.key().equals(key))
                .findFirst()
                .orElse(null);
    }

    /** What taking in the devices of a computer would do to a rig. */
    public static Preview take(Rig rig, List<FoundDevice> devices) {
        Rig now = rig;
        List<Preview.Row> fates = new ArrayList<>();
        for (int i = 0; i < devices.size(); i++) {
            FoundDevice device = devices.get(i);
            Rig before = now;
            String name = named(devices, device);
            String known = find(now, Kind.DEVICE, name);
            Table table = Objects.requireNonNull(table(now, "device"));
            if (known == null) {
                now = Changes.apply(now, table.add(now, name));
                known = Objects.requireNonNull(find(now, Kind.DEVICE, name));
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
        return new Preview(fates, List.of(), Changes.between(rig, now));
    }

    /** The name; with the direction where one name stands for both. */
    private static String named(List<FoundDevice> all, FoundDevice device) {
        boolean both =
                all.stream().anyMatch(d -> d.name().equals(device.name()) && d.direction() != device.direction());
        return both ? device.name() + " (" + device.direction().word() + ")" : device.name();
    }

    /** The devices, programs and routes of a rig as CSV, to be read again by {@link #read}. */
    public static String write(Rig rig) {
        List<List<String>> rows = new ArrayList<>(List.of(HEADINGS));
        for (String what : List.of("device", "cable", "wire", "coupling", "pass-through", "processor", "program")) {
            Table table = Objects.requireNonNull(table(rig, what));
            for (Element element : table.rows(rig)) {
                List<String> row = new ArrayList<>();
                for (String heading : HEADINGS) {
                    String means = Objects.requireNonNull(MEANS.get(heading));
                    Column column = column(table, means);
                    row.add(
                            means.equals("what")
                                    ? what
                                    : means.equals("name")
                                            ? element.name()
                                            : column == null
                                                    ? ""
                                                    : column.text(rig, element)
                                                            .replace("✓", "yes")
                                                            .replace('−', '-'));
                }
                rows.add(row);
            }
        }
        return CsvText.write(rows);
    }
}
