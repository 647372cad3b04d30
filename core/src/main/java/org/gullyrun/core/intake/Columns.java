package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.flow.graph.OtherComputer;
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
                ? new TickColumn(head, setting, letters)
                : new SettingColumn(head, setting, letters);
    }

    /** The column of names. */
    static Column name(Kind kind, String head) {
        return new SettingColumn(head, Common.name(kind), 17);
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
            Element element = rig.get(ids.get(i));
            Object raw = setting.type() instanceof ValueType.Pick ? Choice.to(element.id()) : element.id();
            boolean elsewhere = OtherComputer.chosen(rig, row, setting, raw) != null;
            String note = elsewhere ? "on " + rig.name(String.valueOf(rig.machine(element))) : note(rig, element);
            into.add(Option.of(names.get(i), note));
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
}
