package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.rig.ValueType;

/** What a scene has of an input, a group or another scene: its entries, as "✓", "−6", "muted", "copy 120 ms". */
record InSceneColumn(String head, String scene, int letters) implements Column {
    @Override
    public String key() {
        return "scene:" + scene;
    }

    /** The entries by which a scene brings an input directly. */
    private List<Element> entries(Rig rig, Element row) {
        return rig.in(scene, Kind.ENTRY).stream()
                .filter(e -> row.id().equals(e.get(Productions.BRINGS)))
                .toList();
    }

    /** What a scene does with an input, in the words of a cell. */
    private static String said(Element row, Element entry) {
        List<String> parts = new ArrayList<>();
        if (entry.is(Productions.COPY, false) && row.kind() != Kind.SCENE) {
            Double delay = entry.get(Productions.ENTRY_DELAY);
            parts.add("copy" + (delay == null ? "" : " " + ValueType.Number.plainly(delay) + " ms"));
        }
        double level = entry.or(Productions.ENTRY_LEVEL, 0.0);
        if (level != 0) {
            parts.add(ValueType.Number.plainly(level) + " dB");
        }
        if (entry.isUnknown(Productions.ENTRY_MUTED)) {
            parts.add("?");
        } else if (entry.is(Productions.ENTRY_MUTED, false)) {
            parts.add("muted");
        }
        return parts.isEmpty() ? "✓" : String.join(" ", parts);
    }

    @Override
    public String text(Rig rig, Element row) {
        return String.join(
                ", ", entries(rig, row).stream().map(e -> said(row, e)).toList());
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        return List.of();
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        if (!text.isBlank() && text.strip().equals(text(rig, row))) {
            return List.of();
        }
        List<String> wanted = new ArrayList<>();
        for (String part : text.strip().replace('−', '-').split("\\s*[,;]\\s*")) {
            if (!part.isBlank() && !List.of("-", "no", "n", "off").contains(part)) {
                wanted.add(part);
            }
        }
        List<Element> before = entries(rig, row);
        List<Change> changes = new ArrayList<>();
        List<String> taken = new ArrayList<>();
        for (int i = 0; i < Math.max(before.size(), wanted.size()); i++) {
            if (i >= wanted.size()) {
                changes.add(new Change.Remove(before.get(i)));
            } else if (i >= before.size()) {
                String id = Ids.from(scene + " " + row.id(), x -> rig.find(x) != null || taken.contains(x));
                taken.add(id);
                Element fresh = Element.of(Kind.ENTRY, id)
                        .with(Productions.ENTRY_OF, scene)
                        .with(Productions.BRINGS, row.id())
                        .with(
                                org.gullyrun.core.rig.Common.place(Kind.ENTRY),
                                (double) rig.of(Kind.ENTRY).size() + i);
                changes.add(new Change.Add(shaped(row, fresh, wanted.get(i))));
            } else {
                Element after = shaped(row, before.get(i), wanted.get(i));
                for (Setting<?> setting : List.of(
                        Productions.COPY, Productions.ENTRY_DELAY, Productions.ENTRY_LEVEL, Productions.ENTRY_MUTED)) {
                    if (!Objects.equals(before.get(i).raw(setting), after.raw(setting))) {
                        changes.add(new Change.Set(
                                after.id(), setting, before.get(i).raw(setting), after.raw(setting)));
                    }
                }
            }
        }
        return changes;
    }

    /** An entry as a text like "copy 120 ms −6 dB muted" says. */
    private static Element shaped(Element row, Element entry, String text) {
        // A delay of an entry that is no copy does nothing and is not shown: it stays as it is.
        Element shaped = (entry.is(Productions.COPY, false) && row.kind() != Kind.SCENE
                        ? entry.with(Productions.ENTRY_DELAY, null)
                        : entry)
                .with(Productions.COPY, row.kind() == Kind.SCENE && entry.is(Productions.COPY, false))
                .with(Productions.ENTRY_LEVEL, 0.0)
                .with(Productions.ENTRY_MUTED, false);
        String[] words = text.strip().split("\\s+");
        boolean copy = false;
        for (int i = 0; i < words.length; i++) {
            String word = words[i];
            String unit = i + 1 < words.length ? words[i + 1] : "";
            if (List.of("x", "✓", "yes", "y", "on", "db", "dB", "ms").contains(word)) {
                continue;
            }
            if (word.equals("?")) {
                shaped = shaped.put(Productions.ENTRY_MUTED, Unknown.UNKNOWN);
            } else if ("muted".startsWith(word)) {
                shaped = shaped.with(Productions.ENTRY_MUTED, true);
            } else if ("copy".startsWith(word)) {
                if (row.kind() == Kind.SCENE) {
                    throw new Refused("A scene can't be brought in as a copy.");
                }
                copy = true;
                shaped = shaped.with(Productions.COPY, true);
            } else if (copy && !unit.equalsIgnoreCase("db") && !word.startsWith("-")) {
                shaped = shaped.with(Productions.ENTRY_DELAY, Typed.number(word.replace("ms", ""), ""));
            } else {
                shaped = shaped.with(Productions.ENTRY_LEVEL, Typed.number(word.replace("dB", ""), ""));
            }
        }
        return shaped;
    }
}
