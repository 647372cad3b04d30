package org.gullyrun.desktop.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.intake.Sheet;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.intake.SheetPosition.Cell;
import org.junit.jupiter.api.Test;

/** Where keys take the cursor, worked out without a window. */
class SheetPositionTest {
    private static final Rig RIG = SampleShow.make().surveys().getFirst().rig();

    private static SheetPosition in(Section section) {
        List<Table> tables = Sheet.of(RIG, section);
        return new SheetPosition(new SheetPosition.Lines() {
            @Override
            public List<Table> tables() {
                return tables;
            }

            @Override
            public int size(int table) {
                return tables.get(table).rows(RIG).size() + (tables.get(table).grows() ? 1 : 0);
            }

            @Override
            public String row(int table, int line) {
                var rows = tables.get(table).rows(RIG);
                return line < rows.size() ? rows.get(line).id() : "";
            }
        });
    }

    @Test
    void tabGoesAlongTheRowAndFromItsEndToTheNextAndBackToTheNameAbove() {
        SheetPosition at = in(Section.DEVICES);
        int last = Sheet.of(RIG, Section.DEVICES).getFirst().columns().size() - 1;
        at.set(new Cell(0, 0, last - 1));
        assertEquals(new Cell(0, 0, last), at.along(1));
        at.set(new Cell(0, 0, last));
        assertEquals(new Cell(0, 1, 0), at.along(1));
        at.set(new Cell(0, 1, 0));
        assertEquals(new Cell(0, 0, 0), at.along(-1));
    }

    @Test
    void enterGoesDownAColumnAndBeginsANewRowAtItsName() {
        SheetPosition at = in(Section.DEVICES);
        int rows = Sheet.of(RIG, Section.DEVICES).getFirst().rows(RIG).size();
        at.set(new Cell(0, 0, 3));
        assertEquals(new Cell(0, 1, 3), at.down(false));
        at.set(new Cell(0, rows - 1, 3));
        assertEquals(new Cell(0, rows, 0), at.down(false), "the line for a new row begins with its name");
        assertEquals(new Cell(0, rows, 0), at.down(true), "and one new row follows another");
    }

    @Test
    void anEmptyNewRowLeadsToTheNextNewRowNeverIntoWhatIsThere() {
        SheetPosition at = in(Section.MIXERS);
        int tables = Sheet.of(RIG, Section.MIXERS).size();
        assertTrue(tables > 1, "mixers have several tables");
        Cell start = at.start();
        assertEquals(
                new Cell(0, Sheet.of(RIG, Section.MIXERS).getFirst().rows(RIG).size(), 0), start);
        for (int table = 0; table < tables; table++) {
            at.set(new Cell(table, 0, 0));
            Cell next = at.nextTable();
            if (table == tables - 1) {
                assertNull(next, "then comes the next section");
            } else {
                at.set(next);
                assertTrue(at.isFresh(), "table " + (table + 1));
            }
        }
    }

    @Test
    void marksRunFromWhereTheyBeganAndNeverTakeInTheLineForANewRow() {
        SheetPosition at = in(Section.DEVICES);
        int rows = Sheet.of(RIG, Section.DEVICES).getFirst().rows(RIG).size();
        at.set(new Cell(0, 2, 1));
        int from = at.marking();
        at.set(at.further(-1));
        at.markFrom(from);
        assertEquals(List.of(1, 2), at.marked());
        at.set(new Cell(0, rows - 1, 1));
        assertNull(at.further(1));
        at.markAll();
        assertEquals(rows, at.marked().size());
    }

    @Test
    void whateverKeysArePressedTheCursorStaysInTheSheet() {
        Random random = new Random(7);
        for (Section section : Section.values()) {
            SheetPosition at = in(section);
            at.set(at.start());
            for (int i = 0; i < 2_000; i++) {
                Cell to = switch (random.nextInt(5)) {
                    case 0 -> at.along(1);
                    case 1 -> at.along(-1);
                    case 2 -> at.down(at.isFresh());
                    case 3 -> at.vertically(1);
                    default -> at.vertically(-1);
                };
                assertTrue(at.has(to), section + " " + to);
                at.set(to);
                assertTrue(at.cell().column() < at.table().columns().size(), section + " " + at.cell());
            }
        }
    }
}
