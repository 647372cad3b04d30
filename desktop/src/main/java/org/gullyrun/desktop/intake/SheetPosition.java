package org.gullyrun.desktop.intake;

import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.intake.Table;
import org.jspecify.annotations.Nullable;

/**
 * Where the cursor of the sheet is, and where each key takes it: through the cells of a row, down the rows of a table, on to
 * the next table. Knows no controls.
 */
final class SheetPosition {
    /** The tables of the section shown, and their lines from the top; the last line may be the one for a new row. */
    interface Lines {
        /** The tables, from the top. */
        List<Table> tables();

        /** How many lines a table has. */
        int size(int table);

        /** The id of the element in a line; empty in the line for a new row. */
        String row(int table, int line);
    }

    /** A cell, by its places. */
    record Cell(int table, int line, int column) {}

    private final Lines lines;
    private int table;
    private int line;
    private int column;
    /** From which line on several are marked; -1 if just the one of the cursor. */
    private int markedFrom = -1;

    SheetPosition(Lines lines) {
        this.lines = lines;
    }

    /** Whether there is such a cell. */
    boolean has(Cell cell) {
        return cell.table < lines.tables().size() && cell.line >= 0 && cell.line < lines.size(cell.table);
    }

    /** Goes to a cell; in the line for a new row that is always the name. */
    void set(Cell cell) {
        table = cell.table;
        line = cell.line;
        column = isFresh(cell.table, cell.line) ? 0 : cell.column;
    }

    /** Stays in this table and column, in another line. */
    void setLine(int to) {
        line = to;
    }

    /** Where it is. */
    Cell cell() {
        return new Cell(table, line, column);
    }

    /** Whether the place still exists; tables may have become fewer. */
    boolean isThere() {
        return has(cell());
    }

    /** The table it is in. */
    Table table() {
        return lines.tables().get(table);
    }

    /** The id of the element it is at; empty in the line for a new row. */
    String row() {
        return lines.row(table, line);
    }

    /** Whether it is in the line for a new row. */
    boolean isFresh() {
        return isFresh(table, line);
    }

    private boolean isFresh(int ofTable, int ofLine) {
        return lines.row(ofTable, ofLine).isEmpty();
    }

    private int last() {
        return lines.size(table) - 1;
    }

    /** The line for the next row of the first table; null if there is no table. */
    @Nullable
    Cell start() {
        return lines.tables().isEmpty() ? null : new Cell(0, lines.size(0) - 1, 0);
    }

    /** On from an empty line for a new row: the next table's, never into what is there already; null past the last. */
    @Nullable
    Cell nextTable() {
        int next = table + 1;
        return next < lines.tables().size()
                ? new Cell(next, lines.tables().get(next).grows() ? lines.size(next) - 1 : 0, 0)
                : null;
    }

    /** One cell on in the row, or back; past the end to the next line, before the start to the line above. */
    Cell along(int by) {
        int to = column + by;
        if (to >= table().columns().size()) {
            return new Cell(table, Math.min(line + 1, last()), 0);
        }
        return to < 0 ? vertically(-1) : new Cell(table, line, to);
    }

    /** One line down or up in this column; past an end into the next table or the one before. */
    Cell vertically(int by) {
        int to = line + by;
        if (to < 0) {
            return table > 0 ? new Cell(table - 1, lines.size(table - 1) - 1, 0) : new Cell(table, 0, column);
        }
        if (to > last()) {
            return table + 1 < lines.tables().size() ? new Cell(table + 1, 0, 0) : new Cell(table, last(), column);
        }
        return new Cell(table, to, column);
    }

    /**
     * Down after Enter: in the same column while there are rows; to the name where a new row begins.
     *
     * @param wasFresh whether the line just entered was the one for a new row
     */
    Cell down(boolean wasFresh) {
        if (wasFresh) {
            return new Cell(table, last(), 0);
        }
        boolean newRow = line + 1 >= last() && table().grows();
        return new Cell(table, Math.min(line + 1, last()), newRow ? 0 : column);
    }

    /** One line further while lines are being marked; null where there is none with an element. */
    @Nullable
    Cell further(int by) {
        int to = line + by;
        return to >= 0 && to <= last() && !isFresh(table, to) ? new Cell(table, to, column) : null;
    }

    /** Marks from the line of the cursor, or goes on marking; gives the line where that began. */
    int marking() {
        return markedFrom < 0 ? line : markedFrom;
    }

    /** Marks all lines from here to the one of the cursor; -1 marks none but that. */
    void markFrom(int from) {
        markedFrom = from;
    }

    /** Marks all lines with an element. */
    void markAll() {
        line = last() - (table().grows() ? 1 : 0);
        markedFrom = 0;
    }

    /** The lines that are marked, or the one of the cursor. */
    List<Integer> marked() {
        int from = markedFrom < 0 ? line : markedFrom;
        return IntStream.rangeClosed(Math.min(from, line), Math.max(from, line))
                .boxed()
                .toList();
    }
}
