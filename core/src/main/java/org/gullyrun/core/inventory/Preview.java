package org.gullyrun.core.inventory;

import java.util.List;
import org.gullyrun.core.rig.Change;

/**
 * What taking a list in would do, before anything happens.
 *
 * @param rows what becomes of each row
 * @param mistakes what cannot be read, each with row and column
 * @param changes the changes that take the right rows in
 */
public record Preview(List<Row> rows, List<Mistake> mistakes, List<Change> changes) {
    public Preview {
        rows = List.copyOf(rows);
        mistakes = List.copyOf(mistakes);
        changes = List.copyOf(changes);
    }

    /** What becomes of a row. */
    public enum Fate {
        ADDED("added"),
        CHANGED("changed"),
        LEFT("left alone");

        private final String word;

        Fate(String word) {
            this.word = word;
        }

        /** The word on screen. */
        public String word() {
            return word;
        }
    }

    /**
     * One row.
     *
     * @param number its line in the file, from 1; the header is a row too
     * @param name what it is about
     * @param fate what becomes of it
     * @param detail what changes, in words; may be empty
     */
    public record Row(long number, String name, Fate fate, String detail) {}

    /**
     * Something that cannot be read.
     *
     * @param row its row in the file, from 1; 0 if it is about the file as a whole
     * @param column the heading of its column; empty if it is about the row
     * @param why what is wrong, and what was expected
     */
    public record Mistake(long row, String column, String why) {
        /** Place and reason in one sentence. */
        public String told() {
            return (row == 0 ? "" : "Row " + row + (column.isEmpty() ? "" : ", " + column) + ": ") + why;
        }
    }

    /** How many rows have a fate. */
    public long count(Fate fate) {
        return rows.stream().filter(r -> r.fate == fate).count();
    }
}
