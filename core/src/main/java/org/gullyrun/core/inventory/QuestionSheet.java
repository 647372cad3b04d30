package org.gullyrun.core.inventory;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.gullyrun.core.intake.Entering;
import org.gullyrun.core.intake.Question;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;

/** The open questions of a rig as a sheet for the creator, and the filled sheet read back. */
public final class QuestionSheet {
    private static final List<String> HEADINGS = List.of("question", "answer", "where to look", "for (leave as it is)");

    private QuestionSheet() {}

    /** As Markdown, in plain words. */
    public static String markdown(String title, List<Question> questions) {
        StringBuilder out = new StringBuilder("# Questions about " + title + "\n\n");
        if (questions.isEmpty()) {
            return out.append("There is nothing left to ask.\n").toString();
        }
        out.append("Write the answer after each question. Where you do not know, leave it empty.\n\n");
        for (int i = 0; i < questions.size(); i++) {
            Question question = questions.get(i);
            out.append(i + 1).append(". ").append(question.wording()).append('\n');
            if (!question.why().isEmpty()) {
                out.append("   *").append(question.why()).append("*\n");
            }
            out.append("   Answer:\n\n");
        }
        return out.toString();
    }

    /** As CSV, to be filled in and read back by {@link #read}. */
    public static String csv(List<Question> questions) {
        List<List<String>> rows = new ArrayList<>(List.of(HEADINGS));
        for (Question question : questions) {
            rows.add(List.of(
                    question.wording(), "", question.why(), question.at().toString()));
        }
        return CsvText.write(rows);
    }

    /** What taking in a filled sheet would do to a rig. Nothing happens yet. */
    public static Preview read(Rig rig, byte[] bytes) {
        List<Preview.Mistake> mistakes = new ArrayList<>();
        List<CsvText.Row> rows = CsvText.read(bytes, mistakes);
        int answer = rows.isEmpty() ? -1 : column(rows.getFirst(), "answer");
        int address = rows.isEmpty() ? -1 : column(rows.getFirst(), "for");
        if (answer < 0 || address < 0) {
            mistakes.add(new Preview.Mistake(
                    rows.isEmpty() ? 0 : rows.getFirst().number(),
                    "",
                    "A question sheet has the columns “answer” and “for”. Is this a different list?"));
            return new Preview(List.of(), mistakes, List.of());
        }
        List<Preview.Row> fates = new ArrayList<>();
        Rig now = rig;
        for (CsvText.Row row : rows.subList(1, rows.size())) {
            String text = row.cell(answer);
            String question = row.cell(Math.max(0, column(rows.getFirst(), "question")));
            if (text.isEmpty()) {
                fates.add(new Preview.Row(row.number(), question, Preview.Fate.LEFT, "not answered"));
                continue;
            }
            try {
                String[] parts = row.cell(address).split("/", 2);
                List<Change> changes =
                        Entering.enter(now, new Address(parts[0], parts.length < 2 ? "" : parts[1]), text);
                now = Changes.apply(now, changes);
                fates.add(new Preview.Row(
                        row.number(), question, changes.isEmpty() ? Preview.Fate.LEFT : Preview.Fate.CHANGED, text));
            } catch (Refused e) {
                mistakes.add(new Preview.Mistake(row.number(), "answer", String.valueOf(e.getMessage())));
            }
        }
        return new Preview(fates, mistakes, Changes.between(rig, now));
    }

    /** The place of the column whose head begins so; −1 if there is none. */
    private static int column(CsvText.Row row, String begins) {
        for (int c = 0; c < row.cells().size(); c++) {
            if (row.cells().get(c).toLowerCase(Locale.ROOT).startsWith(begins)) {
                return c;
            }
        }
        return -1;
    }
}
