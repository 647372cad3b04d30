package org.gullyrun.core.casefile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** Every edit can be taken back and written into a journal, whatever it is about. */
class EditsTest {
    private static Survey survey(String id, Rig rig) {
        return new Survey(id, "Survey " + id, "2026-10-31", "a note", rig, Map.of("kept", List.of(1, "two")));
    }

    private static Case base(long seed) {
        return new Case(
                "Lantern Hill Skywatch",
                "",
                4,
                "",
                List.of(survey("a", RandomRigs.of(seed)), survey("b", RandomRigs.of(seed + 1))),
                Brief.EMPTY.with(new Brief.Cell("q0", "o0", ""), Wish.MUST));
    }

    private static Edit.OfRig rigEdit(Case at, Random random) {
        Survey survey = at.surveys().get(random.nextInt(at.surveys().size()));
        Rig other = RandomRigs.of(random.nextInt(1_000));
        List<Change> changes = new ArrayList<>(Changes.between(survey.rig(), other));
        return new Edit.OfRig(survey.id(), changes);
    }

    private static Edit briefEdit(Case at, Random random) {
        Brief to = at.brief();
        for (int i = 0; i < 3; i++) {
            String scene = random.nextBoolean() ? "" : "scene" + random.nextInt(3);
            Wish wish = random.nextInt(4) == 0 ? null : Wish.values()[random.nextInt(Wish.values().length)];
            to = to.with(new Brief.Cell("q" + random.nextInt(3), "o" + random.nextInt(3), scene), wish);
        }
        return new Edit.OfBrief(BriefChange.between(at.brief(), to));
    }

    private static Edit surveyEdit(Case at, Random random) {
        int place = random.nextInt(at.surveys().size());
        Survey there = at.surveys().get(place);
        return switch (random.nextInt(3)) {
            case 0 -> new Edit.OfSurvey(place, null, survey("new" + random.nextInt(1_000_000), there.rig()));
            case 1 -> at.surveys().size() > 1 ? new Edit.OfSurvey(place, there, null) : briefEdit(at, random);
            default ->
                new Edit.OfSurvey(
                        place, there, new Survey(there.id(), there.name() + "!", "", "", there.rig(), there.extras()));
        };
    }

    private static Edit aboutEdit(Case at, Random random) {
        Edit.About from = Edit.About.of(at);
        Terms terms = from.terms()
                .with(Threshold.STACKED.key(), random.nextInt(20) / 10.0)
                .with(new Waiver("leak:a>b", "It was agreed.", "print" + random.nextInt(9)));
        return new Edit.OfCase(
                from,
                new Edit.About(
                        from.title() + random.nextInt(9),
                        "note " + random.nextInt(),
                        1 + random.nextInt(8),
                        random.nextBoolean() ? at.surveys().getFirst().id() : "",
                        terms));
    }

    private static Edit workEdit(Case at, Random random) {
        String survey = "s" + random.nextInt(3);
        WorkRecord there = at.workOrder(survey);
        WorkRecord other = there == null || random.nextBoolean()
                ? new WorkRecord(
                        survey,
                        survey,
                        random.nextBoolean(),
                        List.of(),
                        CaseFilesTest.work(survey).ruledOut(),
                        List.of())
                : null;
        return new Edit.OfWork(survey, there, other);
    }

    private static Edit edit(Case at, Random random) {
        return switch (random.nextInt(5)) {
            case 4 -> workEdit(at, random);
            case 0 -> rigEdit(at, random);
            case 1 -> briefEdit(at, random);
            case 2 -> surveyEdit(at, random);
            default -> aboutEdit(at, random);
        };
    }

    @Test
    void editsInAnyOrderAreTakenBackToTheVeryCase() {
        for (int seed = 0; seed < RandomRigs.many(60, 600); seed++) {
            Random random = new Random(seed);
            Case start = base(seed);
            Case at = start;
            List<Edit> made = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                Edit edit = edit(at, random);
                at = edit.apply(at);
                made.add(edit);
            }
            Case end = at;
            for (Edit edit : made.reversed()) {
                at = edit.inverse().apply(at);
            }
            assertEquals(start, at, "seed " + seed);
            Edit all = new Edit.Several(made);
            assertEquals(end, all.apply(start), "seed " + seed + ": all at once");
            assertEquals(start, all.inverse().apply(end), "seed " + seed + ": all at once, taken back");
            for (Edit edit : made) {
                assertEquals(edit, edit.inverse().inverse());
            }
        }
    }

    @Test
    void whatAJournalHoldsIsTheSameEdit() throws Exception {
        for (int seed = 0; seed < RandomRigs.many(60, 600); seed++) {
            Random random = new Random(seed);
            Case at = base(seed);
            List<Edit> made = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                Edit edit = edit(at, random);
                at = edit.apply(at);
                made.add(edit);
            }
            made.add(new Edit.Several(List.copyOf(made)));
            for (Edit edit : made) {
                String line = EditCodec.write(edit).toString();
                assertEquals(edit, EditCodec.read(CaseReader.JSON.readTree(line)), "seed " + seed + " " + line);
            }
        }
    }

    @Test
    void anEditThatDoesNotFitSaysSoAndChangesNothing() {
        Case at = base(7);
        Survey a = at.surveys().getFirst();
        Survey b = at.surveys().getLast();
        Element gone = a.rig().elements().iterator().next();
        assertThrows(Edit.Misfit.class, () -> new Edit.OfRig("nobody", List.of()).apply(at));
        Edit removal = new Edit.OfRig("a", List.of(new Change.Remove(gone)));
        Case without = removal.apply(at);
        assertNotEquals(at, without);
        assertThrows(Edit.Misfit.class, () -> removal.apply(without), "it is gone already");
        assertThrows(Edit.Misfit.class, () -> new Edit.OfSurvey(9, null, survey("c", Rig.EMPTY)).apply(at));
        assertThrows(Edit.Misfit.class, () -> new Edit.OfSurvey(2, null, b).apply(at), "its id is taken");
        assertThrows(Edit.Misfit.class, () -> new Edit.OfSurvey(0, b, null).apply(at), "another one stands there");
        Case one = new Edit.OfSurvey(0, a, null).apply(at);
        assertThrows(Edit.Misfit.class, () -> new Edit.OfSurvey(0, b, null).apply(one), "the last one stays");
        Edit.About about = Edit.About.of(at);
        Edit.About other = new Edit.About("other", "", 4, "", about.terms());
        assertThrows(Edit.Misfit.class, () -> new Edit.OfCase(other, about).apply(at));
    }

    @Test
    void aBriefChangeThatDoesNotFitIsRefused() {
        Case at = base(3);
        Brief.Cell cell = new Brief.Cell("q0", "o0", "");
        Edit wrong = new Edit.OfBrief(List.of(new BriefChange.OfCell(cell, Wish.NEVER, Wish.MAY)));
        assertThrows(Edit.Misfit.class, () -> wrong.apply(at));
        Edit right = new Edit.OfBrief(List.of(new BriefChange.OfCell(cell, Wish.MUST, null)));
        assertEquals(Map.of(), right.apply(at).brief().cells());
    }

    @Test
    void aLineThatIsNoEditIsRefused() throws Exception {
        for (String line : List.of("{}", "{\"kind\":\"nothing\"}", "[]", "3")) {
            assertThrows(RuntimeException.class, () -> EditCodec.read(CaseReader.JSON.readTree(line)), line);
        }
    }
}
