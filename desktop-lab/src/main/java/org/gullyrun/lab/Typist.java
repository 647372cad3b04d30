package org.gullyrun.lab;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.Option;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.intake.Sheet;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.intake.IntakeView;
import org.gullyrun.desktop.look.KeyStroke;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/**
 * Types a whole rig into the real sheet with nothing but keys, as a practised person would, and counts the keystrokes:
 * each letter, Tab, Enter, Space, arrow and Page Down is one.
 */
public final class Typist {
    private static final List<Section> ORDER = List.of(
            Section.DEVICES,
            Section.LINKS,
            Section.PROGRAMS,
            Section.MIXERS,
            Section.PRODUCTION,
            Section.SOUNDS,
            Section.LISTENERS,
            Section.MACHINES);

    private final IntakeView sheet;
    private final Store store;
    private final Rig want;
    private final Map<Integer, String> common = new TreeMap<>();
    private int strokes;

    /** A typist at a sheet who has a rig in mind. */
    public Typist(IntakeView sheet, Store store, Rig want) {
        this.sheet = sheet;
        this.store = store;
        this.want = want;
    }

    /** How many keys were struck. */
    public int strokes() {
        return strokes;
    }

    /** Types all of it; on the interface thread, with the Intake step shown. */
    public void type() {
        // Cables bring their two sides along, so they come before the devices.
        for (Section section : List.of(Section.MACHINES, Section.LINKS)) {
            sheet.go(section);
            strokes++;
            table(section, 0);
        }
        for (Section section : ORDER) {
            sheet.go(section);
            strokes++;
            for (int t = 0; t < Sheet.of(want, section).size(); t++) {
                table(section, t);
            }
        }
    }

    private Rig rig() {
        return store.state().surveyShown().rig();
    }

    /** Types a table, section by section as in the sheet. */
    private void table(Section section, int place) {
        Table wanted = Sheet.of(want, section).get(place);
        common.clear();
        common.putAll(common(wanted));
        rows(section, place);
        if (!common.isEmpty()) {
            // What nearly all rows have is entered once for all of them, then the others are put right.
            for (Map.Entry<Integer, String> each : common.entrySet()) {
                String line = sheet.cursor().row();
                String id = line == null || line.isEmpty() || sheet.cursor().tablePlace() != place
                        ? row(section, place, wanted.rows(want).getLast().name())
                        : line;
                if (id != null) {
                    goTo(place, id, each.getKey());
                    letters(each.getValue());
                    strokes++;
                    KeyStroke.on(sheet.cursor().field(), KeyCode.ENTER, false, true);
                }
            }
            common.clear();
            rows(section, place);
        }
    }

    private @Nullable String row(Section section, int place, String name) {
        for (Element known : Sheet.of(rig(), section).get(place).rows(rig())) {
            if (known.name().equals(name)) {
                return known.id();
            }
        }
        return null;
    }

    /** Columns of numbers in which most of the rows have the same value. */
    private Map<Integer, String> common(Table wanted) {
        Map<Integer, String> common = new TreeMap<>();
        List<Element> rows = wanted.rows(want);
        for (int c = 1; rows.size() > 5 && c < wanted.columns().size(); c++) {
            Column column = wanted.columns().get(c);
            String text = column.text(want, rows.getFirst());
            long same =
                    rows.stream().filter(r -> column.text(want, r).equals(text)).count();
            if (text.matches("[0-9.]+") && same * 3 > rows.size() * 2L) {
                common.put(c, text);
            }
        }
        return common;
    }

    /** First the new rows, where the cursor begins; then, going up, those that other lists have brought along. */
    private void rows(Section section, int place) {
        Table wanted = Sheet.of(want, section).get(place);
        boolean one = wanted.kind() == Kind.PRODUCTION && !wanted.grows();
        List<Element> known = new ArrayList<>();
        for (Element row : wanted.rows(want)) {
            if (one || row(section, place, row.name()) != null) {
                known.add(row);
                continue;
            }
            goTo(place, "", 0);
            letters(wanted.isNamedByItself() ? "-" : row.name());
            if (differing(section, place, row, null).isEmpty()) {
                key(KeyCode.ENTER);
            } else {
                key(KeyCode.TAB);
                cells(section, place, row);
            }
        }
        Table mine = Sheet.of(rig(), section).get(place);
        List<String> order = mine.rows(rig()).stream().map(Element::name).toList();
        known.sort(java.util.Comparator.comparingInt(row -> -order.indexOf(row.name())));
        for (Element row : wanted.grows() ? known : known.reversed()) {
            String id = one ? mine.rows(rig()).getFirst().id() : row(section, place, row.name());
            List<Integer> columns = differing(section, place, row, id);
            if (id != null && !columns.isEmpty()) {
                goTo(place, id, columns.getFirst());
                cells(section, place, row);
            }
        }
    }

    /** The columns in which the row is not yet as it is wanted, as far as it can be typed now. */
    private List<Integer> differing(Section section, int place, Element row, @Nullable String id) {
        Table wanted = Sheet.of(want, section).get(place);
        Table mine = Sheet.of(rig(), section).get(place);
        Element is = id == null ? null : rig().get(id);
        List<Integer> columns = new ArrayList<>();
        for (int c = wanted.grows() ? 1 : 0;
                c < wanted.columns().size() && c < mine.columns().size();
                c++) {
            String text = wanted.columns().get(c).text(want, row);
            if (text.equals(common.get(c))) {
                continue;
            }
            if (is == null
                    ? !text.isEmpty()
                    : !text.equals(mine.columns().get(c).text(rig(), is))) {
                columns.add(c);
            }
        }
        return columns;
    }

    /** Types the cells of a row from left to right. */
    private void cells(Section section, int place, Element row) {
        String id = sheet.cursor().row();
        if (id == null) {
            return;
        }
        List<Integer> columns = differing(section, place, row, id);
        columns.removeIf(c -> shortest(section, place, row, id, c) == null);
        for (int i = 0; i < columns.size(); i++) {
            int column = columns.get(i);
            if (!differing(section, place, row, id).contains(column)) {
                continue; // another cell has brought it along
            }
            while (sheet.cursor().columnPlace() < column) {
                key(KeyCode.TAB);
            }
            String text = shortest(section, place, row, id, column);
            Column into = sheet.cursor().table().columns().get(column);
            if (into.isTick() && text != null && text.equals("✓")) {
                letters("x"); // sets the tick and goes on
                continue;
            }
            if (into.isTick() && text != null && text.isEmpty()) {
                key(KeyCode.SPACE); // takes the tick away and goes on
                continue;
            } else {
                letters(text == null ? "" : text);
            }
            List<Integer> left = columns.subList(i + 1, columns.size());
            if (!left.isEmpty()) {
                key(KeyCode.TAB);
            }
        }
        if (id.equals(sheet.cursor().row())) { // an x in the last column has gone on to the next row by itself
            key(KeyCode.ENTER);
        }
    }

    /** The fewest letters that put the wanted text into a cell; null if nothing does yet. */
    private @Nullable String shortest(Section section, int place, Element row, String id, int column) {
        String text = Sheet.of(want, section).get(place).columns().get(column).text(want, row);
        Column into = Sheet.of(rig(), section).get(place).columns().get(column);
        Element is = rig().get(id);
        String plain = text.replace("✓", "x").replace('−', '-');
        if (text.split(", ").length > 4) {
            Rig all = Changes.apply(rig(), into.enter(rig(), is, into.isTick() ? text : "all"));
            if (into.text(all, all.get(id)).equals(text)) {
                return "all";
            }
        }
        for (String typed : attempts(plain, into.isTick())) {
            List<Option> options = typed.isEmpty() ? List.of() : into.options(rig(), is, typed);
            String entered = options.isEmpty() ? typed : options.getFirst().text();
            try {
                Rig after = Changes.apply(rig(), into.enter(rig(), is, entered));
                if (into.text(after, after.get(id)).equals(text)
                        && after.elements().size() <= rig().elements().size() + 2) {
                    return into.isTick() && text.equals("✓") ? text : typed;
                }
            } catch (Refused e) {
                // not what this row takes: the next may
            }
        }
        return null;
    }

    /** What may be typed for a text, shortest first: its beginnings, and the first letters of its words. */
    private static List<String> attempts(String plain, boolean whole) {
        List<String> attempts = new ArrayList<>();
        String[] parts = plain.split(", ");
        for (int n = 1; parts.length > 1 && n <= 6; n++) { // a list, as the beginnings of its parts
            int letters = n;
            attempts.add(Stream.of(parts)
                    .map(part -> part.substring(0, Math.min(letters, part.length())))
                    .collect(Collectors.joining(" ")));
        }
        StringBuilder initials = new StringBuilder();
        for (String word : whole ? new String[0] : plain.split("[^\\p{L}\\p{N}']+")) {
            initials.append(word.isEmpty() ? "" : word.toLowerCase(Locale.ROOT).charAt(0));
        }
        for (int n = whole ? plain.length() : Math.min(1, plain.length()); n <= plain.length(); n++) {
            if (!plain.substring(0, n).endsWith(" ")) {
                attempts.add(plain.substring(0, n));
            }
            if (n > 1 && n <= initials.length()) {
                attempts.add(initials.substring(0, n));
            }
        }
        return attempts;
    }

    /** Goes by keys to a row of a table: down through the tables, then along the row. */
    private void goTo(int place, String id, int column) {
        for (int guard = 0; guard < 2000; guard++) {
            String line = sheet.cursor().row();
            if (line == null) {
                sheet.cursor().start();
                continue;
            }
            int at = sheet.cursor().tablePlace();
            if (at == place && line.equals(id)) {
                break;
            }
            key(at > place || at == place && sheet.cursor().isBelow(id) ? KeyCode.UP : KeyCode.DOWN);
        }
        while (sheet.cursor().columnPlace() < column) {
            key(KeyCode.TAB);
        }
        while (sheet.cursor().columnPlace() > column) {
            key(KeyCode.TAB, true);
        }
    }

    private void letters(String text) {
        for (char c : text.toCharArray()) {
            strokes++;
            KeyStroke.type(sheet.cursor().field(), c);
        }
    }

    private void key(KeyCode code) {
        key(code, false);
    }

    private void key(KeyCode code, boolean shift) {
        strokes++;
        KeyStroke.on(sheet.cursor().field(), code, shift, false);
        if (sheet.cursor().isAsking()) { // something new is meant
            strokes++;
            KeyStroke.on(sheet.cursor().field(), code, shift, false);
        }
    }
}
