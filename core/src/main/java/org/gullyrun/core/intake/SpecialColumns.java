package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.rig.ValueType;

/** The columns in which one cell stands for more than one setting. */
final class SpecialColumns {
    private SpecialColumns() {}

    /** A setting of the first output of a program. */
    record OfOutput(String head, Setting<?> setting, int letters) implements Column {
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

    /** Where an outlet listens: at a device, an output of a production, or a call program. */
    record At(String head, int letters) implements Column {
        @Override
        public String key() {
            return "listensAt";
        }

        /** What a listener of this sort listens to: a device, an output or a call. */
        private static Setting<?> setting(Element row) {
            Outlets.Sort sort = row.get(Outlets.SORT);
            return sort == null || sort.isDevice()
                    ? Outlets.DEVICE
                    : sort.isOutput() ? Outlets.OUTPUT : Outlets.APPLICATION;
        }

        @Override
        public String text(Rig rig, Element row) {
            return Typed.text(rig, row, setting(row));
        }

        @Override
        public List<Option> options(Rig rig, Element row, String typed) {
            return Columns.options(rig, row, setting(row), typed);
        }

        @Override
        public List<Change> enter(Rig rig, Element row, String text) {
            return Columns.enter(rig, row, setting(row), text);
        }
    }

    /** Where a strip goes onto a bus: a tick, or a level. */
    record Crossing(String head, String bus, int letters) implements Column {
        @Override
        public String key() {
            return "crossings:" + bus;
        }

        @Override
        public String text(Rig rig, Element row) {
            if (row.isUnknown(Mixers.CROSSING.of(bus))) {
                return "?";
            }
            double level = row.or(Mixers.CROSSING_LEVEL.of(bus), 0.0);
            return !row.is(Mixers.CROSSING.of(bus), false) ? "" : level == 0 ? "✓" : ValueType.Number.plainly(level);
        }

        @Override
        public List<Option> options(Rig rig, Element row, String typed) {
            return List.of();
        }

        @Override
        public List<Change> enter(Rig rig, Element row, String text) {
            if (!text.isBlank() && text.strip().equals(text(rig, row))) {
                return List.of(); // shown rounded, and left so
            }
            String typed = text.strip().replace('−', '-');
            List<Change> changes = new ArrayList<>();
            if (typed.matches("[+-]?[0-9.,]+.*") && !typed.equals("1") && !typed.equals("0")) {
                changes.addAll(Columns.set(rig, row, Mixers.CROSSING.of(bus), true));
                changes.addAll(Columns.set(
                        rig,
                        row,
                        Mixers.CROSSING_LEVEL.of(bus),
                        Typed.value(rig, row, Mixers.CROSSING_LEVEL.of(bus), typed)));
            } else {
                Object on = Typed.value(rig, row, Mixers.CROSSING.of(bus), typed);
                changes.addAll(Columns.set(rig, row, Mixers.CROSSING.of(bus), on));
            }
            return changes;
        }

        @Override
        public boolean isTick() {
            return true;
        }
    }

    /** What a scene has of an input, a group or another scene: its entries, as "✓", "−6", "muted", "copy 120 ms". */
    record InScene(String head, String scene, int letters) implements Column {
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
                            Productions.COPY,
                            Productions.ENTRY_DELAY,
                            Productions.ENTRY_LEVEL,
                            Productions.ENTRY_MUTED)) {
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
}
