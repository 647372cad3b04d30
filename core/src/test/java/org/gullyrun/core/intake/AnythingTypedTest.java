package org.gullyrun.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Whatever is typed into whatever cell: it is taken, and can be taken back, or refused with what was expected. */
class AnythingTypedTest {
    private static final List<String> TYPED = List.of(
            "",
            "?",
            "x",
            "-",
            "-12",
            "−6,5",
            "48",
            "44.1 kHz",
            "1e400",
            "NaN",
            "default",
            "none",
            "nonsense ☂",
            "+",
            "+New thing",
            "+?");

    private interface Visit {
        void to(Rig rig, Element row, Column column);
    }

    private static void cells(Rig rig, Visit visit) {
        for (Section section : Section.values()) {
            for (Table table : Sheet.of(rig, section)) {
                for (Element row : table.rows(rig)) {
                    table.columns().forEach(column -> visit.to(rig, row, column));
                }
            }
        }
    }

    /** What has no known name goes by its id. */
    private static boolean isName(Column column, Rig rig, Element row) {
        return column.text(rig, row).equals(row.name());
    }

    private static List<Rig> rigs() {
        List<Rig> rigs = new ArrayList<>();
        SampleShow.make().surveys().forEach(s -> rigs.add(s.rig()));
        StartingRigs.all().forEach(s -> rigs.add(s.rig()));
        for (long seed = 300; seed < 306; seed++) {
            rigs.add(RandomRigs.of(seed));
        }
        return rigs;
    }

    @TakesLong
    @Test
    void isTakenAndCanBeTakenBackOrIsRefusedInWords() {
        int[] count = new int[2];
        Random random = new Random(7);
        for (Rig rig : rigs()) {
            List<Element> all = List.copyOf(rig.elements());
            cells(rig, (r, row, column) -> {
                List<String> typed = new ArrayList<>(TYPED);
                typed.add(all.get(random.nextInt(all.size())).name());
                for (String text : typed) {
                    String where = row.id() + ", " + column.head() + ": “" + text + "”";
                    try {
                        List<Change> changes = column.enter(r, row, text);
                        Rig after = Changes.apply(r, changes);
                        assertEquals(r, Changes.apply(after, Changes.inverse(changes)), where);
                        if (text.equals("?") && !changes.isEmpty() && !isName(column, r, row)) {
                            Element now = after.get(row.id());
                            assertTrue(
                                    column.text(after, now).equals("?")
                                            || column.text(after, now).isEmpty() && !isAsked(after, now, column),
                                    where);
                        }
                        count[0]++;
                    } catch (Refused e) {
                        assertFalse(String.valueOf(e.getMessage()).isBlank(), where);
                        count[1]++;
                    }
                }
            });
        }
        assertTrue(count[0] > 9_000 && count[1] > 6_000, "both happen often: " + count[0] + ", " + count[1]);
    }

    @Test
    void asTheNameOfANewRowItIsTakenOrRefusedInWords() {
        int taken = 0;
        for (Rig rig : rigs()) {
            for (Section section : Section.values()) {
                for (Table table : Sheet.of(rig, section)) {
                    for (String text : table.grows() ? TYPED : List.<String>of()) {
                        String where = table.key() + ": “" + text + "”";
                        try {
                            List<Change> changes = table.add(rig, text);
                            Rig after = Changes.apply(rig, changes);
                            assertEquals(rig, Changes.apply(after, Changes.inverse(changes)), where);
                            assertTrue(after.find(table.added(changes)) != null, where);
                            taken++;
                        } catch (Refused e) {
                            assertTrue(text.isBlank() || text.equals("?"), where + " " + e.getMessage());
                        }
                    }
                }
            }
        }
        assertTrue(taken > 1_000, "rows: " + taken);
    }

    private static boolean isAsked(Rig rig, Element row, Column column) {
        return Questions.of(rig).stream()
                .anyMatch(q -> q.at().element().equals(row.id()) && q.at().key().equals(column.key()));
    }

    @Test
    void whatIsOfferedCanBeEnteredAndStandsThereThen() {
        int[] count = new int[1];
        for (Rig rig : rigs()) {
            cells(rig, (r, row, column) -> {
                for (Option option :
                        column.options(r, row, "").stream().limit(6).toList()) {
                    String where = row.id() + ", " + column.head() + ": " + option;
                    Rig after = Changes.apply(r, column.enter(r, row, option.text()));
                    Element is = after.get(row.id());
                    if (!option.text().startsWith(Option.NEW)) {
                        assertEquals(
                                List.of(), column.enter(after, is, option.text()), where + " stands there already");
                    }
                    assertEquals(List.of(), column.enter(after, is, column.text(after, is)), where);
                    count[0]++;
                }
            });
        }
        assertTrue(count[0] > 1_800, "offers: " + count[0]);
    }

    @Test
    void whatCanBeTypedCanBeAudited() {
        Random random = new Random(11);
        Rig rig = SampleShow.make().surveys().getFirst().rig();
        int taken = 0;
        for (int i = 0; i < RandomRigs.many(150, 1_000); i++) {
            List<Column> columns = new ArrayList<>();
            List<Element> rows = new ArrayList<>();
            cells(rig, (r, row, column) -> {
                columns.add(column);
                rows.add(row);
            });
            int at = random.nextInt(columns.size());
            List<Option> offered = columns.get(at).options(rig, rows.get(at), "");
            String text = offered.isEmpty() || random.nextInt(3) == 0
                    ? TYPED.get(random.nextInt(TYPED.size()))
                    : offered.get(random.nextInt(offered.size())).text();
            try {
                rig = Changes.apply(rig, columns.get(at).enter(rig, rows.get(at), text));
                taken++;
            } catch (Refused e) {
                continue;
            }
            if (i % 10 == 0) {
                assertFalse(RuleCatalogue.usual()
                        .quick()
                        .read(rig, Brief.EMPTY)
                        .scenes()
                        .isEmpty());
            }
        }
        assertTrue(taken > 75, "taken: " + taken);
    }
}
