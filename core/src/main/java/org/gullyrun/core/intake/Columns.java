package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Completions;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/** The usual columns: one for a setting, a tick for a member of a family, a list of names for a whole family. */
final class Columns {
    private Columns() {}

    /** The column of a setting under a heading. */
    static Column of(String head, Setting<?> setting, int letters) {
        return setting.type() instanceof ValueType.Flag
                ? new Tick(head, setting, letters)
                : new OfSetting(head, setting, letters);
    }

    /** The column of names. */
    static Column name(Kind kind, String head) {
        return new OfSetting(head, Common.name(kind), 17);
    }

    /** The column of names where the rows are of several kinds. */
    static Column names(String head) {
        return new Column() {
            @Override
            public String head() {
                return head;
            }

            @Override
            public String key() {
                return "name";
            }

            @Override
            public String text(Rig rig, Element row) {
                return row.name();
            }

            @Override
            public List<Option> options(Rig rig, Element row, String typed) {
                return List.of();
            }

            @Override
            public List<Change> enter(Rig rig, Element row, String text) {
                return name(row.kind(), head).enter(rig, row, text);
            }

            @Override
            public int letters() {
                return 17;
            }
        };
    }

    /** The changes that give a setting a raw value. */
    static List<Change> set(Rig rig, Element row, Setting<?> setting, @Nullable Object raw) {
        return Objects.equals(row.raw(setting), raw)
                ? List.of()
                : List.of(new Change.Set(row.id(), setting, row.raw(setting), raw));
    }

    /** The options of a setting for what was typed, with what new thing could be made of it. */
    static List<Option> options(Rig rig, Element row, Setting<?> setting, String typed) {
        List<Option> all = new ArrayList<>();
        switch (setting.type()) {
            case ValueType.Word<?> word -> {
                List<String> words = word.spoken();
                NameMatch.all(words, typed).forEach(i -> all.add(Option.of(words.get(i), "")));
            }
            case ValueType.Pick(List<Choice.Special> specials) -> {
                for (Choice.Special special : specials) {
                    String word = special == Choice.Special.CALL_DEFAULT ? "default for calls" : special.toString();
                    if (special != Choice.Special.UNSET && NameMatch.grade(word, typed) < 2) {
                        all.add(Option.of(word, "choice"));
                    }
                }
                named(rig, row, setting, typed, all);
            }
            case ValueType.Ref ref -> named(rig, row, setting, typed, all);
            case ValueType.Flag flag -> {}
            case ValueType.Number number -> {}
            case ValueType.Count count -> {}
            case ValueType.Text text -> {}
            case ValueType.Texts texts -> {}
        }
        return all;
    }

    /** Options that are named in words rather than chosen. */
    private static void named(Rig rig, Element row, Setting<?> setting, String typed, List<Option> into) {
        List<String> ids = Typed.candidates(rig, row, setting);
        List<String> names = ids.stream().map(rig::name).toList();
        boolean exact = false;
        for (int i : NameMatch.all(names, typed)) {
            into.add(Option.of(names.get(i), note(rig, rig.get(ids.get(i)))));
            exact |= NameMatch.grade(names.get(i), typed) == 0;
        }
        String name = typed.strip();
        if (!name.isEmpty() && !name.equals("?") && !exact && NewElements.kind(row, setting) != null) {
            into.add(Option.fresh(name, "new " + NewElements.noun(rig, row, setting)));
            if (setting.type() instanceof ValueType.Pick && setting.kind() != Kind.BUS) {
                into.add(Option.fresh(CABLE + name, "new virtual cable"));
            }
        }
    }

    /** Typed before a name, it makes a cable with both sides. */
    static final String CABLE = "cable ";

    /** What tells completions of one name apart: a device's direction, else the kind and the program. */
    private static String note(Rig rig, Element element) {
        if (element.kind() == Kind.DEVICE && element.get(Devices.DIRECTION) instanceof Devices.Direction direction) {
            return direction.word();
        }
        Element program = rig.program(element);
        return program == element ? element.kind().noun() : element.kind().noun() + " of " + program.name();
    }

    /** Makes what a text beginning with + asks for; null if it asks for nothing new. */
    static @Nullable List<Change> fresh(Rig rig, Element row, Setting<?> setting, String text) {
        if (!text.startsWith(Option.NEW) || text.strip().length() < 2 || setting.type() instanceof ValueType.Number) {
            return null;
        }
        String name = text.substring(Option.NEW.length()).strip();
        NewElements fresh = new NewElements(rig);
        String id;
        if (setting.type() instanceof ValueType.Pick && name.startsWith(CABLE)) {
            Element cable = fresh.cable(name.substring(CABLE.length()).strip());
            boolean plays = Completions.direction(row, setting) != Devices.Direction.RECORDING;
            id = String.valueOf(cable.get(plays ? Links.CABLE_FROM : Links.CABLE_TO));
        } else {
            id = fresh.forSetting(row, setting, name);
        }
        List<Change> all = new ArrayList<>(fresh.changes());
        all.addAll(set(rig, row, setting, setting.type() instanceof ValueType.Pick ? Choice.to(id) : id));
        return all;
    }

    /** The changes that put a text into a setting: something new, what it means, or nothing if it is what is shown. */
    static List<Change> enter(Rig rig, Element row, Setting<?> setting, String text) {
        return NameGuess.withListeners(rig, EndNames.following(rig, row, setting, plainly(rig, row, setting, text)));
    }

    /** The changes that enter a text as the value of a setting. */
    private static List<Change> plainly(Rig rig, Element row, Setting<?> setting, String text) {
        List<Change> fresh = fresh(rig, row, setting, text.strip());
        if (fresh != null) {
            return fresh;
        }
        // A number shown rounded, or a name of something that is not there, is left as it is.
        return !text.isBlank() && text.strip().equals(Typed.text(rig, row, setting))
                ? List.of()
                : set(rig, row, setting, Typed.value(rig, row, setting, text));
    }

    private record OfSetting(String head, Setting<?> setting, int letters) implements Column {
        @Override
        public String key() {
            return setting.key();
        }

        @Override
        public String text(Rig rig, Element row) {
            if (row.isUnknown(setting) && !Questions.matters(rig, row, setting)) {
                return "";
            }
            String text = Typed.text(rig, row, setting);
            // A level of 0 dB that nobody entered is not worth a glance.
            return Objects.equals(row.raw(setting), setting.usual())
                            && (setting.type() instanceof ValueType.Number || setting.usual() == Choice.Special.NOTHING)
                    ? ""
                    : text;
        }

        @Override
        public List<Option> options(Rig rig, Element row, String typed) {
            return Columns.options(rig, row, setting, typed);
        }

        @Override
        public List<Change> enter(Rig rig, Element row, String text) {
            if (setting.key().equals("name") && text.isBlank()) {
                throw new Refused("Enter a name.");
            }
            return Columns.enter(rig, row, setting, text);
        }

        @Override
        public boolean shows(String key) {
            return setting.key().equals(key);
        }
    }

    /** A flag as a tick. */
    record Tick(String head, Setting<?> setting, int letters) implements Column {
        @Override
        public String key() {
            return setting.key();
        }

        @Override
        public String text(Rig rig, Element row) {
            return isOpen(rig, row) ? "?" : Boolean.TRUE.equals(row.raw(setting)) ? "✓" : "";
        }

        @Override
        public List<Option> options(Rig rig, Element row, String typed) {
            return List.of();
        }

        @Override
        public List<Change> enter(Rig rig, Element row, String text) {
            if (text.isBlank() && row.isUnknown(setting) && !isOpen(rig, row)) {
                return List.of(); // shown empty because it doesn't matter
            }
            return set(rig, row, setting, Typed.value(rig, row, setting, text));
        }

        @Override
        public boolean hidesUnknown(Element row) {
            return row.isUnknown(setting);
        }

        /** Whether this is a question still to ask. */
        private boolean isOpen(Rig rig, Element row) {
            return row.isUnknown(setting) && Questions.matters(rig, row, setting);
        }

        @Override
        public boolean isTick() {
            return true;
        }

        @Override
        public boolean shows(String key) {
            return setting.key().equals(key);
        }
    }

    /** The members of a family that are on, as a list of names. */
    record Members(String head, Setting<Boolean> family, Names names, int letters) implements Column {
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
            List<String> all = names.subs(rig, row).stream()
                    .map(s -> names.name(rig, row, s))
                    .toList();
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
                        throw new Refused(
                                "There is no “" + one + "” here. Enter some of: " + String.join(", ", all) + ".");
                    }
                    wanted.add(subs.get(at));
                }
            }
            List<Change> changes = new ArrayList<>();
            for (String sub : subs) {
                changes.addAll(set(rig, row, family.of(sub), wanted.contains(sub)));
            }
            return changes;
        }

        /** The place of what a name or number means: "3" and "track 3" mean the third whatever it is called. */
        private static int place(List<String> all, List<String> subs, String typed) {
            int at = NameMatch.best(all, typed);
            return at >= 0 ? at : subs.indexOf(typed.replaceFirst("(?i)^track\\s+", ""));
        }
    }
}
