package org.gullyrun.lab;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
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
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.desktop.intake.IntakeView;
import org.gullyrun.desktop.look.KeyStroke;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/**
 * Types a whole rig into the real sheet with nothing but keys, as a practised person would, and counts the keystrokes:
 * each letter, Tab, Enter, Space, arrow and Page Down is one.
 */
public final class Typist {
    /** So often the sheet is gone through: what names something further down can only be typed the second time. */
    private static final int ROUNDS = 2;

    /** What comes with something else, under a name that nobody has typed. */
    private static final Set<Kind> COMES_ALONG = Set.of(Kind.APP_OUTPUT, Kind.MACHINE, Kind.ENTRY);

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

    /** Types all of it in the order of the sheet; on the interface thread, with the Intake step shown. */
    public void type() {
        sheet.go(Section.values()[0]);
        for (int round = 0; round < ROUNDS; round++) {
            for (Section section : Section.values()) {
                for (int t = 0; t < Sheet.of(want, section).size(); t++) {
                    table(section, t);
                }
                key(KeyCode.PAGE_DOWN);
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
                        ? row(section, place, wanted.rows(want).getLast())
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

    /** The row that stands for one of the wanted rig: by its name, or by its ends where that is its name. */
    private @Nullable String row(Section section, int place, Element wanted) {
        Table mine = Sheet.of(rig(), section).get(place);
        for (Element known : mine.rows(rig())) {
            if (mine.isNamedByItself()
                    ? ends(known, rig()).equals(ends(wanted, want))
                    : known.name().equals(wanted.name())) {
                return known.id();
            }
        }
        return null;
    }

    /** What a cable or wire joins, as it is typed. */
    private static List<String> ends(Element link, Rig rig) {
        return Catalogue.of(link.kind()).stream()
                .filter(setting -> setting.type() instanceof ValueType.Ref || setting.type() instanceof ValueType.Pick)
                .map(setting -> Sentences.words(rig, setting, link.raw(setting)))
                .toList();
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
            if (one || row(section, place, row) != null) {
                known.add(row);
                continue;
            }
            if (comesWithACable(row)) {
                continue;
            }
            String nameless = nameless(wanted.kind());
            if (nameless != null) {
                goTo(place, nameless, 0);
                letters(row.name());
                key(KeyCode.ENTER);
                known.add(row);
                continue;
            }
            goTo(place, "", 0);
            letters(wanted.isNamedByItself() ? "-" : row.name());
            if (!leavesOpen(section, place, row)) {
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
            String id = one ? mine.rows(rig()).getFirst().id() : row(section, place, row);
            List<Integer> columns = differing(section, place, row, id);
            if (id != null && !columns.isEmpty()) {
                goTo(place, id, columns.getFirst());
                cells(section, place, row);
            }
        }
    }

    /** Whether a device is a side of a cable that will bring it along. */
    private boolean comesWithACable(Element device) {
        return want.of(Kind.CABLE).stream()
                .filter(cable ->
                        rig().of(Kind.CABLE).stream().noneMatch(c -> c.name().equals(cable.name())))
                .anyMatch(cable -> device.id().equals(cable.get(Links.CABLE_FROM))
                        || device.id().equals(cable.get(Links.CABLE_TO)));
    }

    /** Whether a new row has cells left to type once its name has brought along what it says. */
    private boolean leavesOpen(Section section, int place, Element row) {
        Table wanted = Sheet.of(want, section).get(place);
        Table mine = Sheet.of(rig(), section).get(place);
        List<Change> changes = mine.add(rig(), wanted.isNamedByItself() ? "-" : row.name());
        Rig after = Changes.apply(rig(), changes);
        String id = mine.added(changes);
        for (int c = 1; c < Math.min(wanted.columns().size(), mine.columns().size()); c++) {
            String text = wanted.columns().get(c).text(want, row);
            if (!text.equals(common.get(c))
                    && !text.equals(mine.columns().get(c).text(after, after.get(id)))
                    && !isFirstComputer(text, mine.columns().get(c).text(after, after.get(id)))
                    && shortest(after, section, place, row, id, c) != null) {
                return true;
            }
        }
        return false;
    }

    /** The computer that came with the first row and has no name of its own yet. */
    private @Nullable String nameless(Kind kind) {
        return rig().of(kind).stream()
                .filter(e -> kind == Kind.MACHINE
                        && want.of(kind).stream().noneMatch(w -> w.name().equals(e.name())))
                .map(Element::id)
                .findFirst()
                .orElse(null);
    }

    /** Whether a cell names the computer that is only given its name at the end of the sheet. */
    private boolean isFirstComputer(String wanted, String shown) {
        String nameless = nameless(Kind.MACHINE);
        return nameless != null
                && rig().name(nameless).equals(shown)
                && want.of(Kind.MACHINE).getFirst().name().equals(wanted);
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
            String shown = is == null ? "" : mine.columns().get(c).text(rig(), is);
            if (text.equals(common.get(c)) || isFirstComputer(text, shown)) {
                continue;
            }
            if (is == null ? !text.isEmpty() : !text.equals(shown)) {
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
        for (int i = 0; i < columns.size(); i++) {
            int column = columns.get(i);
            if (!differing(section, place, row, id).contains(column)) {
                continue; // another cell has brought it along
            }
            if (shortest(rig(), section, place, row, id, column) == null) {
                continue; // it names something that isn't there yet
            }
            while (sheet.cursor().columnPlace() < column) {
                key(KeyCode.TAB);
            }
            String text = shortest(rig(), section, place, row, id, column);
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
            if (i + 1 < columns.size()) {
                key(KeyCode.TAB);
            }
        }
        if (id.equals(sheet.cursor().row())) { // an x in the last column has gone on to the next row by itself
            key(KeyCode.ENTER);
        }
    }

    /** The fewest letters that put the wanted text into a cell; null if nothing does yet. */
    private @Nullable String shortest(Rig rig, Section section, int place, Element row, String id, int column) {
        String text = Sheet.of(want, section).get(place).columns().get(column).text(want, row);
        Column into = Sheet.of(rig, section).get(place).columns().get(column);
        Element is = rig.get(id);
        String plain = text.replace("✓", "x").replace('−', '-');
        if (text.split(", ").length > 4) {
            Rig all = Changes.apply(rig, into.enter(rig, is, into.isTick() ? text : "all"));
            if (into.text(all, all.get(id)).equals(text)) {
                return "all";
            }
        }
        for (String typed : attempts(plain, into.isTick())) {
            List<Option> options = typed.isEmpty() ? List.of() : into.options(rig, is, typed);
            String entered = options.isEmpty() ? typed : options.getFirst().text();
            try {
                Rig after = Changes.apply(rig, into.enter(rig, is, entered));
                if (into.text(after, after.get(id)).equals(text) && bringsOnlyWhatIsWanted(rig, after)) {
                    return into.isTick() && text.equals("✓") ? text : typed;
                }
            } catch (Refused e) {
                // not what this row takes: the next may
            }
        }
        return null;
    }

    /** Whether all that is new has its place in the rig that the typist has in mind. */
    private boolean bringsOnlyWhatIsWanted(Rig rig, Rig after) {
        return after.elements().stream()
                .filter(e -> rig.find(e.id()) == null && !COMES_ALONG.contains(e.kind()))
                .allMatch(e -> want.of(e.kind()).stream().anyMatch(w -> w.name().equals(e.name())));
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
        if (!whole && parts.length == 1 && !plain.isEmpty()) {
            attempts.add(Option.NEW + plain);
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

    /** Types a text letter by letter. */
    private void letters(String text) {
        for (char c : text.toCharArray()) {
            strokes++;
            KeyStroke.type(sheet.cursor().field(), c);
        }
    }

    private void key(KeyCode code) {
        key(code, false);
    }

    /** Presses a key, twice where the sheet asks whether something new is meant. */
    private void key(KeyCode code, boolean shift) {
        strokes++;
        KeyStroke.on(sheet.cursor().field(), code, shift, false);
        if (sheet.cursor().isAsking()) { // something new is meant
            strokes++;
            KeyStroke.on(sheet.cursor().field(), code, shift, false);
        }
    }
}
