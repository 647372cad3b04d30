package org.gullyrun.desktop.intake;

import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Change;
import org.gullyrun.desktop.intake.SheetPosition.Cell;
import org.gullyrun.desktop.look.Caret;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/**
 * The one cell that is typed into, and its way through the sheet. {@link SheetPosition} knows where it is, {@link CellEntry}
 * what is done with what was typed, {@link SheetKeys} which key means what.
 */
public final class SheetCursor {
    private final Store store;
    private final List<TableGrid> grids;
    /** What the options lie over. */
    private final Region over;

    /** Goes so many sections further. */
    private final IntConsumer otherSection;

    private final CellEditor editor = new CellEditor();
    private final SheetScroll sight;
    private final SheetPosition position;
    private final CellEntry entry;
    private boolean open;
    private boolean moving;
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
        this.entry = new CellEntry(store);
        this.position = new SheetPosition(new SheetPosition.Lines() {
            @Override
            public List<Table> tables() {
                return grids.stream().map(TableGrid::table).toList();
            }

            @Override
            public int size(int table) {
                return grids.get(table).size();
            }

            @Override
            public String row(int table, int line) {
                return grids.get(table).line(line).row;
            }
        });
        this.sight = new SheetScroll(store, scroll, tables, over, editor);
        TextField field = editor.field();
        SheetKeys.listen(this, field, over, otherSection);
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

    private TableGrid grid() {
        return grids.get(position.cell().table());
    }

    private TableGrid.Line line() {
        return grid().line(position.cell().line());
    }

    private Column column() {
        return position.table().columns().get(position.cell().column());
    }

    /** What was being typed, and in which row of which table. */
    private record HalfTyped(String table, String row, int column, String text) {}

    /** Takes the cell out while rows come and go, and puts it back with what was being typed, if its row is there. */
    void through(Runnable anew) {
        HalfTyped kept = open && position.isThere()
                ? new HalfTyped(
                        position.table().key(),
                        position.row(),
                        position.cell().column(),
                        editor.field().getText())
                : null;
        boolean was = moving;
        moving = true;
        takeOut();
        unmark();
        anew.run();
        moving = was;
        for (int t = 0; kept != null && t < grids.size(); t++) {
            int line = grids.get(t).placeOf(kept.row);
            if (grids.get(t).table().key().equals(kept.table) && line >= 0) {
                place(
                        t,
                        line,
                        Math.min(kept.column, grids.get(t).table().columns().size() - 1));
                editor.field().setText(kept.text);
                editor.field().end();
            }
        }
    }

    /** Puts the cursor into the line for the next row of the first table. */
    public void start() {
        go(position.start());
    }

    /** Puts the cursor back where it was last, or to the start. */
    void resume() {
        go(position.isThere() ? position.cell() : position.start());
    }

    /** Puts the cursor into a cell, unless the text in the previous cell isn't valid. */
    void place(int table, int line, int column) {
        go(new Cell(table, line, column));
    }

    /** Moves the cursor. What is typed is entered first; if that fails, the cursor stays. */
    private void go(@Nullable Cell to) {
        if (!leave() || to == null || !position.has(to)) {
            return;
        }
        position.set(to);
        entry.moved();
        moving = true;
        TableGrid.Line shown = line();
        shown.comeIntoSight();
        Label cell = shown.cells.get(position.cell().column());
        boolean fresh = position.isFresh();
        TextField field = editor.field();
        editor.takePlaceOf(cell, shown, grid().width(position.cell().column()));
        String entered = TableGrid.entered(cell);
        field.setPromptText(entered.isEmpty() ? cell.getText() : "");
        editor.begin(entered);
        field.setAccessibleText(
                fresh ? "Name of a new " + table().kind().noun() : entry.nameOf(shown.row) + ", " + column().head());
        open = true;
        // A field marks all its text when it first gets its skin: that has to be over before it is typed into.
        over.applyCss();
        field.requestFocus();
        field.selectAll();
        moving = false;
        if (!fresh) {
            store.select(new Selection.OfElement(shown.row));
        }
        sight.reveal(shown, position.cell().column() == 0);
    }

    /** The id of the element it is at, empty in the line for a new row; null where no cell is open. */
    public @Nullable String row() {
        return open ? position.row() : null;
    }

    /** The table it is in. */
    public Table table() {
        return position.table();
    }

    /** The place of that table in the section. */
    public int tablePlace() {
        return position.cell().table();
    }

    /** The column it is in. */
    public int columnPlace() {
        return position.cell().column();
    }

    /** Whether the cursor is below the line of a row, in its table. */
    public boolean isBelow(String row) {
        return grid().placeOf(row) < position.cell().line();
    }

    /** Whether the cell asks whether something new is meant. */
    public boolean isAsking() {
        return open && editor.isAsking();
    }

    /** The field of the cell. */
    public TextField field() {
        return editor.field();
    }

    /** Takes the field out of its cell; that the field loses the focus by it does not count as leaving the cell. */
    private void takeOut() {
        boolean was = moving;
        moving = true;
        editor.leavePlace();
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

    /** Enters what is typed. Returns false if it isn't valid, and says why. */
    private boolean enter() {
        String text = editor.text();
        try {
            if (position.isFresh()) {
                if (!text.isBlank()) {
                    String id = entry.add(position.table(), text, this::takeOut);
                    position.setLine(Math.max(0, grid().placeOf(id)));
                }
                return true;
            }
            if (editor.isNewUnasked(byKey)) {
                entry.askWhetherNew(editor.field().getText(), editor.note());
                editor.ask();
                return false;
            }
            List<String> rows = position.marked().stream()
                    .map(line -> grid().line(line).row)
                    .filter(row -> !row.isEmpty())
                    .toList();
            List<Change> changes = entry.changes(column(), rows, text);
            takeOut();
            unmark();
            entry.make(changes);
            return true;
        } catch (Refused e) {
            editor.refuse();
            entry.refused(e);
            return false;
        }
    }

    private void unmark() {
        position.markFrom(-1);
        grids.forEach(grid -> grid.mark(List.of()));
    }

    private void offer() {
        editor.offer(
                editor.isChanged()
                        ? entry.options(column(), position.row(), editor.field().getText())
                        : List.of());
        sight.placeOptions();
    }

    /** Does something that a key in the cell asks for. */
    void byKey(Runnable what) {
        byKey = true;
        try {
            what.run();
        } finally {
            byKey = false;
        }
    }

    /** To the next cell of the row, or the one before; from an empty line for a new row to the next table or section. */
    void along(int by) {
        boolean nothing = position.isFresh() && editor.field().getText().isBlank();
        if (!leave()) {
            return;
        }
        Cell to = nothing && by > 0 ? position.nextTable() : position.along(by);
        if (to == null) {
            otherSection.accept(1);
        } else {
            go(to);
        }
    }

    /** To the next row; from the last one to the line for a new one. */
    void down() {
        boolean fresh = position.isFresh();
        if (leave()) {
            go(position.down(fresh));
        }
    }

    /** One line down or up, or through the options; marking as it goes, if {@code marking}. */
    void arrow(int by, boolean marking) {
        if (marking) {
            extend(by);
        } else if (editor.isOpen()) {
            editor.choose(by);
        } else if (leave()) {
            go(position.vertically(by));
        }
    }

    /** Marks one line more: what is entered then goes into all that are marked. */
    private void extend(int by) {
        int from = position.marking();
        Cell to = position.further(by);
        if (to != null && leave()) {
            go(to);
            position.markFrom(from);
            grid().mark(position.marked());
        }
    }

    /** Takes back what was typed; if nothing was, leaves the sheet. */
    void escape() {
        boolean changed = editor.isChanged();
        moving = true;
        editor.begin(TableGrid.entered(line().cells.get(position.cell().column())));
        moving = false;
        unmark();
        if (!changed) {
            leave();
            over.getScene().getRoot().requestFocus();
        }
    }

    /** Whether it is in a cell for a tick, in which nothing is being typed. */
    boolean isAtTick() {
        return open && !editor.isChanged() && column().isTick() && !position.isFresh();
    }

    /** Sets a tick or clears it, and goes on: a row of ticks is a row of x or Space, and Tab. */
    void tick() {
        editor.field().setText(editor.field().getText().isEmpty() ? "x" : "");
        along(1);
    }

    /** Enters what is in the cell into the same column of every row of the table. */
    void enterIntoAll() {
        if (!position.isFresh()) {
            Cell here = position.cell();
            position.markAll();
            if (enter()) {
                go(here);
            } else {
                position.set(here);
                position.markFrom(-1);
            }
        }
    }

    /** Removes the row. */
    void remove() {
        Table table = position.table();
        String row = position.row();
        if (row.isEmpty() || !table.grows()) {
            return;
        }
        if (entry.mayRemove(row)) {
            takeOut();
            entry.remove(row);
            place(position.cell().table(), Math.min(position.cell().line(), grid().size() - 1), 0);
        }
    }
}
