package org.gullyrun.core.inventory;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.intake.Sheet;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** What the headings of an inventory mean: which column of which table of the sheet each is. */
final class InventoryColumns {
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
            Map.entry("signal", "signal"),
            Map.entry("direct", "direct"),
            Map.entry("running", "running"),
            Map.entry("starts", "starts"),
            Map.entry("default playback", "default playback"),
            Map.entry("default recording", "default recording"),
            Map.entry("call playback", "call playback"),
            Map.entry("call recording", "call recording"),
            Map.entry("provided by", "provided by"),
            Map.entry("output choice", "output choice"),
            Map.entry("microphone choice", "microphone choice"),
            Map.entry("guests hear each other", "guests hear each other"),
            Map.entry("next playback defaults", "next playback defaults"),
            Map.entry("next recording defaults", "next recording defaults"),
            Map.entry("next call playback", "next call playback"),
            Map.entry("next call recording", "next call recording"),
            Map.entry("restarts", "restarts"),
            Map.entry("fixed", "fixed"));

    /** What few rigs have, and the sheet has no room for: a column is only written where an element differs from the usual. */
    static final Map<String, String> RARE = new TreeMap<>(Map.of(
            "provided by", Devices.PROVIDED_BY.key(),
            "output choice", Applications.HAS_OUTPUT_CHOICE.key(),
            "microphone choice", Applications.HAS_INPUT_CHOICE.key(),
            "guests hear each other", Applications.PASSES_GUESTS.key(),
            "next playback defaults", Machines.PLAYBACK_ORDER.key(),
            "next recording defaults", Machines.RECORDING_ORDER.key(),
            "next call playback", Machines.CALL_PLAYBACK_ORDER.key(),
            "next call recording", Machines.CALL_RECORDING_ORDER.key(),
            "restarts", Applications.RESTARTS.key(),
            "fixed", Common.fixed(Kind.DEVICE).key()));

    /** The settings that a heading enters where it isn't called so in the rig; the first that a table has. */
    private static final Map<String, List<String>> KEYS = Map.ofEntries(
            Map.entry("kHz", List.of(Devices.RATE.key())),
            Map.entry("ms", List.of(Devices.LATENCY.key())),
            Map.entry("dB", List.of(Links.WIRE_GAIN.key())),
            Map.entry("m", List.of(Links.COUPLING_DISTANCE.key())),
            Map.entry("plays", List.of(Applications.PROGRAM_CHOICE.key())),
            Map.entry("system setting", List.of(Applications.SYSTEM_CHOICE.key(), Machines.SYSTEM_CHOICE.key())),
            Map.entry("listens to", List.of(Applications.INPUT.key())),
            Map.entry("computer", List.of(Devices.MACHINE.key())),
            Map.entry("starts", List.of(Links.PROCESSOR_STARTS.key())),
            Map.entry("default playback", List.of(Machines.PLAYBACK.key())),
            Map.entry("default recording", List.of(Machines.RECORDING.key())),
            Map.entry("call playback", List.of(Machines.CALL_PLAYBACK.key())),
            Map.entry("call recording", List.of(Machines.CALL_RECORDING.key())));

    /** The headings written, in order. */
    static final List<String> HEADINGS = List.of(
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
            "distance",
            "signal",
            "converts",
            "direct",
            "running",
            "starts",
            "default playback",
            "default recording",
            "call playback",
            "call recording");

    private InventoryColumns() {}

    /** The headings that a rig needs: the usual ones, and those of the rare that an element differs in. */
    static List<String> headings(Rig rig) {
        List<String> all = new ArrayList<>(HEADINGS);
        RARE.forEach((heading, key) -> {
            if (rig.elements().stream().anyMatch(e -> isListed(e.kind()) && differs(rig, e, key))) {
                all.add(heading);
            }
        });
        return all;
    }

    /** Whether an element has a setting entered otherwise than is usual. */
    private static boolean differs(Rig rig, Element element, String key) {
        Setting<?> setting = Catalogue.find(element.kind(), key);
        return setting != null
                && !Objects.equals(element.raw(setting), setting.usual())
                && !(setting.equals(Devices.PROVIDED_BY) && providerIsUnlisted(rig, element));
    }

    /** Whether a device is provided by something that is in no inventory, so that its name would say nothing there. */
    static boolean providerIsUnlisted(Rig rig, Element device) {
        return rig.find(device.get(Devices.PROVIDED_BY), Kind.PROCESSOR).isEmpty();
    }

    /** Whether elements of a kind are in inventories. */
    private static boolean isListed(Kind kind) {
        return switch (kind) {
            case MACHINE, DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION -> true;
            case APP_OUTPUT, MIXER, STRIP, BUS, PRODUCTION, INPUT, GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> false;
        };
    }

    /** What a heading means; null if it is unknown. Upper case and what is in brackets behind it don't count. */
    static @Nullable String meaning(String heading) {
        return MEANS.get(
                heading.toLowerCase(Locale.ROOT).replaceAll("\\s*\\(.*\\)$", "").strip());
    }

    /** The table whose rows are called so; null if there is none. */
    static @Nullable Table table(Rig rig, String what) {
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

    /** The column of a table that a heading fills; null if the table has none, or for names, by which rows are found. */
    static @Nullable Column column(Table table, String means) {
        if (means.equals("name")) {
            return null;
        }
        if (RARE.containsKey(means)) {
            Setting<?> rare = Catalogue.find(table.kind(), RARE.get(means));
            return rare == null ? null : Sheet.columnOf(means, rare);
        }
        boolean ofComputers = means.startsWith("default ") || means.startsWith("call ");
        if (ofComputers != (table.kind() == Kind.MACHINE) && (ofComputers || means.equals("computer"))) {
            return null;
        }
        Capabilities.Ends ends = Capabilities.ends(table.kind());
        Setting<?> end =
                ends == null ? null : means.equals("from") ? ends.from() : means.equals("to") ? ends.to() : null;
        List<String> keys = end != null ? List.of(end.key()) : KEYS.getOrDefault(means, List.of(means));
        return table.columns().stream()
                .filter(c -> keys.contains(c.key()))
                .findFirst()
                .orElse(null);
    }
}
