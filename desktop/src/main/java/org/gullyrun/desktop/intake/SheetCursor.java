package org.gullyrun.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Dangling;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.Caret;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** The one cell that is typed into, and all that keys do in it: where it goes, what is entered, marked and removed. */
final class SheetCursor {
    private final Store store;
    private final List<TableGrid> grids;
    /** What the options lie over. */
    private final Region over;

    /** Goes so many sections further. */
    private final IntConsumer otherSection;

    private final CellEditor editor = new CellEditor();
    private final SheetScroll sight;
    // Where it is: table, line, column; and from which line on several are marked.
    private int atTable;
    private int atLine;
    private int atColumn;
    private int markedFrom = -1;
    private boolean open;
    private boolean moving;
    /** Whether the key that removes is still down: a row for each press, however long it is held. */
    private boolean removing;
    /** Whether a Space was just taken as a tick: what it types is not to be typed as well. */
    private boolean spaced;
    /** Whether what happens now comes from a key in the cell. */
    private boolean byKey;

    SheetCursor(
            Store store,
            List<TableGrid> grids,
            ScrollPane scroll,
            Region tables,
            Region over,
            IntConsumer otherSection) {
        this.store = store;
        this.grids = grids;
        this.over = over;
        this.otherSection = otherSection;
        over.sceneProperty().addListener((o, was, is) -> {
            if (is != null) {
                is.addEventFilter(KeyEvent.KEY_RELEASED, e -> removing &= e.getCode() != KeyCode.DELETE);
            }
        });
        this.sight = new SheetScroll(store, scroll, tables, over, editor);
        TextField field = editor.field();
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        field.addEventFilter(KeyEvent.KEY_TYPED, e -> {
            if (e.getCharacter().equals(" ") && spaced) {
                e.consume(); // it has set its tick already
            } else if (e.getCharacter().equals("x") && isTick()) {
                e.consume();
                tick();
            }
            spaced = false;
        });
        field.textProperty().addListener((o, was, is) -> {
            if (open && !moving) {
                offer();
            }
        });
        Caret.whenLeft(field, () -> {
            if (open && !moving) {
                leave();
            }
        });
    }

    /** The options that the cell offers, to be laid over the sheet. */
    Node options() {
        return editor.list();
    }

    /** Where the cursor is as the tables are drawn anew: what was being typed, and in which row of which table. */
    private record HalfTyped(String table, String row, String text) {}

    /** Takes the cell out while the tables are made anew, and puts it back with what was being typed, if its row is there. */
    void through(Runnable anew) {
        HalfTyped kept =
                open && atTable < grids.size() && atLine < grids.get(atTable).size()
                        ? new HalfTyped(
                                currentTable().key(),
                                grids.get(atTable).line(atLine).row,
                                editor.field().getText())
                        : null;
        moving = true;
        takeOut();
        anew.run();
        moving = false;
        for (int t = 0; kept != null && t < grids.size(); t++) {
            int line = grids.get(t).placeOf(kept.row);
            if (grids.get(t).table().key().equals(kept.table) && line >= 0) {
                place(t, line, Math.min(atColumn, grids.get(t).table().columns().size() - 1));
                editor.field().setText(kept.text);
                editor.field().end();
            }
        }
    }

    /** Puts the cursor into the line for the next row of the first table. */
    void start() {
        if (!grids.isEmpty()) {
            place(0, grids.getFirst().size() - 1, 0);
        }
    }

    /** Puts the cursor into a cell, unless the text in the previous cell isn't valid. */
    void place(int table, int line, int column) {
        if (!leave()
                || table >= grids.size()
                || line < 0
                || line >= grids.get(table).size()) {
            return;
        }
        atTable = table;
        atLine = line;
        atColumn = grids.get(table).line(line).row.isEmpty() ? 0 : column;
        moving = true;
        TableGrid.Line shown = grids.get(table).line(line);
        Label cell = shown.cells.get(atColumn);
        boolean fresh = shown.row.isEmpty();
        TextField field = editor.field();
        double width = grids.get(table).width(atColumn) - 6;
        field.setMinWidth(width);
        field.setMaxWidth(width);
        field.setPrefWidth(width);
        HBox.setMargin(field, new Insets(0, 6, 0, 0));
        int at = shown.getChildren().indexOf(cell);
        shown.getChildren().set(at, field);
        field.setPromptText(fresh ? cell.getText() : "");
        editor.begin(fresh ? "" : cell.getText());
        Nodes.mark(shown, "current", true);
        open = true;
        // A field marks all its text when it first gets its skin: that has to be over before it is typed into.
        over.applyCss();
        field.requestFocus();
        field.selectAll();
        moving = false;
        if (!fresh) {
            store.select(new Selection.OfElement(shown.row));
        }
        sight.reveal(shown, atColumn == 0);
    }

    /** Where the cursor is: the table and line; null where no cell is open. */
    TableGrid.@Nullable Line current() {
        return open ? grids.get(atTable).line(atLine) : null;
    }

    /** The table it is in. */
    Table currentTable() {
        return grids.get(atTable).table();
    }

    /** The place of the table it is in. */
    int currentPlace() {
        return atTable;
    }

    /** Whether the cursor is below the line of a row, in its table. */
    boolean isBelow(String row) {
        return grids.get(atTable).placeOf(row) < atLine;
    }

    /** The column it is in. */
    int currentColumn() {
        return atColumn;
    }

    /** Whether the cell asks whether something new is meant. */
    boolean isAsking() {
        return open && editor.isAsking();
    }

    /** The field of the cell. */
    TextField field() {
        return editor.field();
    }

    /** Takes the field out of its cell; that the field loses the focus by it does not count as leaving the cell. */
    private void takeOut() {
        boolean was = moving;
        moving = true;
        TextField field = editor.field();
        if (field.getParent() instanceof TableGrid.Line line) {
            int at = line.getChildren().indexOf(field);
            line.getChildren().set(at, line.cells.get(at));
            Nodes.mark(line, "current", false);
        }
        editor.offer(List.of());
        open = false;
        moving = was;
    }

    /** Enters what was typed and leaves the cell; false if it isn't valid: then the cell keeps the cursor. */
    boolean leave() {
        if (!open) {
            return true;
        }
        if (editor.isChanged() && !enter()) {
            return false;
        }
        takeOut();
        return true;
    }

    private boolean enter() {
        TableGrid grid = grids.get(atTable);
        Table table = grid.table();
        Rig rig = store.state().surveyShown().rig();
        String row = grid.line(atLine).row;
        String text = editor.text();
        try {
            if (row.isEmpty()) {
                if (!text.isBlank()) {
                    List<Change> changes = table.add(rig, text);
                    takeOut();
                    String id = table.added(changes);
                    store.change(
                            changes,
                            "add the " + table.noun() + " "
                                    + Changes.apply(rig, changes).name(id));
                    atLine = Math.max(0, grids.get(atTable).placeOf(id));
                }
                return true;
            }
            if (editor.isNewUnasked(byKey)) {
                store.tell(new Message(
                        "Nothing here is called “" + editor.field().getText().strip() + "” yet. Press Tab again for a "
                                + editor.note() + ", or Escape.",
                        false));
                editor.ask();
                return false;
            }
            List<Change> all = new ArrayList<>();
            Rig at = rig;
            for (int line : marked()) {
                String id = grid.line(line).row;
                if (!id.isEmpty()) {
                    List<Change> changes = column().enter(at, at.get(id), text);
                    at = Changes.apply(at, changes);
                    all.addAll(changes);
                }
            }
            takeOut();
            unmark();
            store.change(all);
            return true;
        } catch (Refused e) {
            editor.refuse();
            store.tell(new Message(String.valueOf(e.getMessage()), true));
            return false;
        }
    }

    private Column column() {
        return grids.get(atTable).table().columns().get(atColumn);
    }

    private List<Integer> marked() {
        List<Integer> lines = new ArrayList<>();
        int from = markedFrom < 0 ? atLine : Math.min(markedFrom, atLine);
        int to = markedFrom < 0 ? atLine : Math.max(markedFrom, atLine);
        for (int i = from; i <= to; i++) {
            lines.add(i);
        }
        return lines;
    }

    private void unmark() {
        markedFrom = -1;
        for (TableGrid grid : grids) {
            for (int i = 0; i < grid.size(); i++) {
                Nodes.mark(grid.line(i), "marked", false);
            }
        }
    }

    private void offer() {
        TableGrid grid = grids.get(atTable);
        String row = grid.line(atLine).row;
        Rig rig = store.state().surveyShown().rig();
        Element element = rig.find(row);
        String typed = editor.field().getText();
        editor.offer(
                element == null || typed.isEmpty() || typed.startsWith("+") || typed.equals("?") || !editor.isChanged()
                        ? List.of()
                        : column().options(rig, element, typed));
        sight.placeOptions();
    }

    // Keys in the cell.

    private void key(KeyEvent e) {
        byKey = true;
        try {
            act(e);
        } finally {
            byKey = false;
        }
    }

    private void act(KeyEvent e) {
        boolean handled = true;
        switch (e.getCode()) {
            case TAB -> step(e.isShiftDown() ? -1 : 1);
            case ENTER -> {
                if (e.isShortcutDown()) {
                    whole();
                } else {
                    down(true);
                }
            }
            case DOWN, UP -> {
                int by = e.getCode() == KeyCode.DOWN ? 1 : -1;
                if (e.isShiftDown()) {
                    extend(by);
                } else if (editor.isOpen()) {
                    editor.choose(by);
                } else {
                    vertical(by);
                }
            }
            case PAGE_DOWN, PAGE_UP -> {
                int by = e.getCode() == KeyCode.PAGE_DOWN ? 1 : -1;
                otherSection.accept(by);
            }
            case ESCAPE -> {
                moving = true;
                boolean changed = editor.isChanged();
                String text =
                        grids.get(atTable).line(atLine).cells.get(atColumn).getText();
                editor.begin(grids.get(atTable).line(atLine).row.isEmpty() ? "" : text);
                moving = false;
                unmark();
                if (!changed) {
                    leave();
                    over.getScene().getRoot().requestFocus();
                }
            }
            case SPACE -> {
                handled = isTick();
                if (handled) {
                    spaced = true;
                    tick();
                }
            }
            case DELETE -> {
                handled = e.isShortcutDown();
                if (handled && !removing) {
                    removing = true;
                    remove();
                }
            }
            default -> handled = false;
        }
        if (handled) {
            e.consume();
        }
    }

    private boolean isTick() {
        return open
                && !editor.isChanged()
                && column().isTick()
                && !grids.get(atTable).line(atLine).row.isEmpty();
    }

    /** Sets a tick or clears it, and goes on: a row of ticks is a row of x or Space, and Tab. */
    private void tick() {
        editor.field().setText(editor.field().getText().isEmpty() ? "x" : "");
        step(1);
    }

    /** To the next cell of the row, or the one before; past the end to the next line. */
    private void step(int by) {
        boolean fresh = grids.get(atTable).line(atLine).row.isEmpty();
        boolean nothing = fresh && editor.field().getText().isBlank();
        if (!leave()) {
            return;
        }
        int columns = grids.get(atTable).table().columns().size();
        if (nothing && by > 0) {
            // Nothing more here: on to the next table, or the next section.
            if (atTable + 1 < grids.size()) {
                TableGrid next = grids.get(atTable + 1);
                place(atTable + 1, next.table().grows() ? next.size() - 1 : 0, 0); // never into what is there already
            } else {
                otherSection.accept(1);
            }
            return;
        }
        int to = atColumn + by;
        if (to >= columns) {
            place(atTable, Math.min(atLine + 1, grids.get(atTable).size() - 1), 0);
        } else if (to < 0) {
            vertical(-1);
        } else {
            place(atTable, atLine, to);
        }
    }

    /** To the next row; from the last one to the line for a new one. */
    private void down(boolean toName) {
        boolean fresh = grids.get(atTable).line(atLine).row.isEmpty();
        if (leave()) {
            int last = grids.get(atTable).size() - 1;
            place(
                    atTable,
                    fresh ? last : Math.min(atLine + 1, last),
                    toName && fresh ? 0 : toName ? nextColumn() : atColumn);
        }
    }

    /** Down a column while there are rows; to the name where a new row begins. */
    private int nextColumn() {
        int last = grids.get(atTable).size() - 1;
        return atLine + 1 >= last && grids.get(atTable).table().grows() ? 0 : atColumn;
    }

    private void vertical(int by) {
        int column = atColumn;
        if (!leave()) {
            return;
        }
        int line = atLine + by;
        if (line < 0) {
            if (atTable > 0) {
                place(atTable - 1, grids.get(atTable - 1).size() - 1, 0);
            } else {
                place(atTable, 0, column);
            }
        } else if (line >= grids.get(atTable).size()) {
            if (atTable + 1 < grids.size()) {
                place(atTable + 1, 0, 0);
            } else {
                place(atTable, grids.get(atTable).size() - 1, column);
            }
        } else {
            place(atTable, line, column);
        }
    }

    /** Marks one line more: what is entered then goes into all that are marked. */
    private void extend(int by) {
        int from = markedFrom < 0 ? atLine : markedFrom;
        int to = atLine + by;
        if (to >= 0
                && to < grids.get(atTable).size()
                && !grids.get(atTable).line(to).row.isEmpty()
                && leave()) {
            place(atTable, to, atColumn);
            markedFrom = from;
            for (int i = 0; i < grids.get(atTable).size(); i++) {
                Nodes.mark(grids.get(atTable).line(i), "marked", marked().contains(i));
            }
        }
    }

    /** Enters what is in the cell into the same column of every row of the table. */
    private void whole() {
        TableGrid grid = grids.get(atTable);
        if (!grid.line(atLine).row.isEmpty()) {
            int line = atLine;
            int rows = grid.size() - (grid.table().grows() ? 1 : 0);
            markedFrom = line == 0 ? rows - 1 : 0;
            if (line != 0 && line != rows - 1) {
                // A range has its ends where the cursor is not: take it from the first to the last.
                String text = editor.text();
                takeOut();
                place(atTable, rows - 1, atColumn);
                editor.field().setText(text);
                markedFrom = 0;
            }
            if (enter()) {
                place(atTable, line, atColumn);
            }
        }
    }

    private void remove() {
        TableGrid grid = grids.get(atTable);
        String row = grid.line(atLine).row;
        if (row.isEmpty() || !grid.table().grows()) {
            return;
        }
        Rig rig = store.state().surveyShown().rig();
        List<Change> changes = grid.table().remove(rig, row);
        String name = rig.name(row);
        int known = Dangling.in(rig).size();
        List<Dangling> left = Dangling.in(Changes.apply(rig, changes));
        takeOut();
        store.change(changes, "remove " + name);
        if (left.size() > known) {
            List<String> names = left.stream()
                    .filter(d -> d.to().equals(row) || rig.find(d.to()) != null)
                    .map(d -> rig.name(d.at().element()))
                    .distinct()
                    .toList();
            store.tell(new Message(
                    "Removed " + name + ". Still referred to by " + String.join(", ", names)
                            + "; Ctrl Z brings it back.",
                    false));
        }
        place(atTable, Math.min(atLine, grids.get(atTable).size() - 1), 0);
    }
}
