package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.WorkRecord;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.framework.junit5.Start;

/** The step Repair, worked through by keyboard alone from what was found to a rig without serious findings. */
class RepairStepTest extends WindowTest {
    @Start
    void start(Stage shown) throws Exception {
        open(shown, SampleShow.make());
    }

    private WorkPlan plan() throws Exception {
        return Objects.requireNonNull(state().planning().plan());
    }

    /** Opens Repair and waits until its plan is of the rig shown. */
    private void planned(Hands robot) throws Exception {
        if (state().step() != Step.REPAIR) {
            robot.push(KeyCode.DIGIT5);
        }
        until(() -> state().planning().plan() != null
                && !state().isAnswerOld()
                && plan().states().getFirst().rig() == state().reading().rig());
    }

    @TakesLong
    @Test
    void theStepsAreWalkedAndTheBasinsShowWhatIsHeardAfterEach(Hands robot) throws Exception {
        planned(robot);
        assertEquals(10, plan().steps().size());
        until(() -> text(robot, "#repair-title").equals("[10 changes fix 40 findings]"));
        assertTrue(
                text(robot, "#repair-claims").contains("None of these can be left out."),
                text(robot, "#repair-claims"));
        robot.push(KeyCode.DOWN);
        robot.push(KeyCode.DOWN);
        until(() -> state().planning().step() == 2);
        assertEquals("[“" + plan().steps().get(2).sentence() + ".”]", text(robot, "#say"));
        List<?> heard = state().planning().heard().get(2);
        assertEquals(heard, state().planning().hearings());
        robot.push(KeyCode.T);
        until(() -> state().step() == Step.TRACE && state().against() != null);
        Against step = Objects.requireNonNull(state().against());
        assertEquals("Step 3: " + plan().steps().get(2).sentence(), step.asked().title());
        assertEquals(plan().states().get(3), step.asked().after());
        assertTrue(text(robot, "#evidence .label").contains("What this step does"));
        robot.push(KeyCode.R);
        until(() -> !Objects.requireNonNull(state().against()).model().edges().stream()
                .allMatch(e -> e.rates().isEmpty()));
        robot.push(KeyCode.R);
        robot.push(KeyCode.ESCAPE);
        until(() -> state().step() == Step.REPAIR && state().against() == null);
        robot.push(KeyCode.T);
        until(() -> state().against() != null);
        robot.push(KeyCode.DIGIT5);
        until(() -> state().step() == Step.REPAIR && state().against() == null);
        assertTrue(state().planning().conditions().required().isEmpty(), "looking requires nothing");
        robot.push(KeyCode.UP);
        until(() -> state().planning().step() == 1);
        robot.push(KeyCode.DIGIT3);
        until(() -> state().step() == Step.TRACE);
        assertEquals(plan().states().getFirst().rig(), state().reading().rig(), "looking changes nothing");
    }

    @TakesLong
    @Test
    void theShowIsRepairedStepByStepWithOneThatIsNotPossibleAndTheSurveyAsFoundStays(Hands robot) throws Exception {
        Rig found = state().surveyShown().rig();
        planned(robot);
        String ruledOut = plan().steps().getFirst().sentence();
        robot.push(KeyCode.X);
        until(() -> robot.lookup("#form-reason").tryQuery().isPresent());
        robot.write("the creator needs it");
        robot.push(KeyCode.ENTER);
        until(() -> !state().planning().isWorking()
                && plan().steps().stream().noneMatch(s -> s.sentence().equals(ruledOut)));
        assertTrue(plan().repair().left().isEmpty());
        int done = 0;
        while (!plan().steps().isEmpty()) {
            done++;
            String next = plan().steps().getFirst().sentence();
            robot.push(KeyCode.SPACE);
            int so = done;
            assertTrue(so < 20, "it comes to an end");
            until(() -> state().planning().done().size() == so);
            planned(robot);
            assertEquals("in repair", state().surveyShown().name());
            assertTrue(plan().steps().stream().noneMatch(s -> s.sentence().equals(next)), next + " is done");
            if (done == 3) {
                stopAndGoOnTomorrow(robot);
            }
        }
        WorkRecord kept = state().what().workOrder(state().survey());
        assertEquals(done, Objects.requireNonNull(kept).done().size());
        assertEquals("the creator needs it", kept.ruledOut().getFirst().reason());
        assertEquals(SampleShow.AS_FOUND, kept.found());
        assertEquals(
                List.of(),
                state().reading().findings().stream()
                        .filter(Finding::isBad)
                        .map(Finding::identity)
                        .toList());
        until(() -> text(robot, "#repair-title").equals("[Repaired]"));
        assertEquals(
                found, state().what().survey(SampleShow.AS_FOUND).orElseThrow().rig());

        robot.push(KeyCode.CONTROL, KeyCode.Z);
        int before = done - 1;
        until(() -> state().planning().done().size() == before);
        planned(robot);
        assertEquals(1, plan().steps().size(), "what was undone is planned again");
    }

    /** Saves the case, closes it, opens it again and finds the same steps with the same conditions. */
    private void stopAndGoOnTomorrow(Hands robot) throws Exception {
        List<String> left = plan().steps().stream().map(WorkPlan.Step::sentence).toList();
        var conditions = state().planning().conditions();
        Path file = folder.resolve("half-way.json");
        CaseFiles.save(state().what(), file);
        String survey = state().survey();
        robot.interact(() -> store.open(file, () -> store.chooseSurvey(survey)));
        until(() -> file.equals(state().file()) && state().survey().equals(survey));
        planned(robot);
        until(() -> !state().planning().isWorking());
        assertEquals(conditions, state().planning().conditions());
        assertEquals(3, state().planning().done().size());
        assertEquals(left, plan().steps().stream().map(WorkPlan.Step::sentence).toList());
    }

    @TakesLong
    @Test
    void aStepIsMovedByHandAndGoesBackToItsPlace(Hands robot) throws Exception {
        planned(robot);
        until(() -> !state().planning().isWorking());
        List<String> safest =
                plan().steps().stream().map(WorkPlan.Step::sentence).toList();
        robot.push(KeyCode.ALT, KeyCode.DOWN);
        until(() -> plan().steps().get(1).sentence().equals(safest.getFirst()));
        assertEquals(1, state().planning().step(), "the step moved is the one looked at");
        assertEquals(safest.get(1), plan().steps().getFirst().sentence());
        assertEquals(
                plan().repair().after().findings().stream()
                        .filter(Finding::isBad)
                        .count(),
                plan().states().getLast().findings().stream()
                        .filter(Finding::isBad)
                        .count());
        assertTrue(text(robot, "#repair-claims").contains("Another order may clear the worst sooner."));
        robot.push(KeyCode.O);
        until(() -> !state().planning().isWorking()
                && plan().steps().stream().map(WorkPlan.Step::sentence).toList().equals(safest));
    }

    @TakesLong
    @Test
    void anotherFixTakesThePlaceOfAStep(Hands robot) throws Exception {
        planned(robot);
        int raw = 0;
        while (!plan().steps().get(raw).sentence().contains("Host raw")) {
            robot.push(KeyCode.DOWN);
            raw++;
        }
        String first = plan().steps().get(raw).sentence();
        int at = raw;
        until(() -> state().planning().step() == at);
        until(() -> robot.lookup("#instead-0").tryQuery().isPresent());
        String other = text(robot, "#instead-0 .plain");
        robot.clickOn("#instead-0");
        until(() -> plan().steps().stream().anyMatch(s -> other.contains(s.sentence())));
        assertTrue(plan().steps().stream().noneMatch(s -> s.sentence().equals(first)), first);
        assertTrue(plan().repair().left().isEmpty());
    }

    @TakesLong
    @Test
    void anotherWayIsTakenAsAWholeAndLeftAgain(Hands robot) throws Exception {
        planned(robot);
        until(() -> robot.lookup("#way-1").tryQuery().isPresent());
        Repair first = plan().repair();
        Repair way = state().planning().ways().get(1);
        String told = text(robot, "#way-1 .label");
        assertTrue(told.contains(way.told(way.beyond(first))), told);
        assertTrue(told.contains(first.told(first.beyond(way))), told);
        Node row = robot.lookup("#way-1").query();
        robot.interact(row::requestFocus);
        robot.push(KeyCode.ENTER);
        until(() -> plan().repair().changes().containsAll(way.beyond(first)));
        assertTrue(plan().repair().left().isEmpty());
        assertTrue(
                plan().repair().changes().stream().noneMatch(first.beyond(way)::contains),
                plan().repair().changes().toString());
        robot.push(KeyCode.SHIFT, KeyCode.X);
        until(() -> Set.copyOf(plan().repair().changes()).equals(Set.copyOf(first.changes())));
    }

    @TakesLong
    @Test
    void theStepsAreCopiedForAChatAndWhatWasRuledOutIsAllowedAgain(Hands robot) throws Exception {
        planned(robot);
        robot.push(KeyCode.C);
        String[] copied = {""};
        robot.interact(() -> copied[0] = Clipboard.getSystemClipboard().getString());
        int at = 0;
        for (WorkPlan.Step step : plan().steps()) {
            int next = copied[0].indexOf(step.sentence(), at);
            assertTrue(next >= at, step.sentence() + " in its place of\n" + copied[0]);
            at = next;
        }
        List<String> all = plan().steps().stream().map(WorkPlan.Step::sentence).toList();
        robot.push(KeyCode.X);
        until(() -> robot.lookup("#form-reason").tryQuery().isPresent());
        robot.write("no access");
        robot.push(KeyCode.ENTER);
        until(() -> plan().steps().stream().noneMatch(s -> s.sentence().equals(all.getFirst())));
        assertEquals(1, state().planning().conditions().without().size());
        robot.push(KeyCode.SHIFT, KeyCode.X);
        until(() ->
                plan().steps().stream().map(WorkPlan.Step::sentence).toList().equals(all));
        assertTrue(state().planning().conditions().without().isEmpty());
    }

    @TakesLong
    @Test
    void offAirOtherThingsCountAndTheWorkOrderIsSavedAndCopied(Hands robot) throws Exception {
        planned(robot);
        robot.clickOn("#off-air");
        until(() -> !state().planning().onAir() && !state().planning().isWorking() && !plan().onAir());
        assertFalse(text(robot, "#repair-claims").contains("on air"));
        Path page = folder.resolve("order.html");
        Mockito.when(picker.toSave(FilePicker.Sort.PAGE, "work-order")).thenReturn(Optional.of(page));
        robot.push(KeyCode.CONTROL, KeyCode.P);
        robot.clickOn("#choice-page");
        until(() -> Files.exists(page));
        String html = Files.readString(page);
        plan().steps().forEach(s -> assertTrue(html.contains("<strong>" + s.sentence() + ".</strong>"), html));
        Path sheets = folder.resolve("order.pdf");
        Mockito.when(picker.toSave(FilePicker.Sort.PDF, "work-order")).thenReturn(Optional.of(sheets));
        robot.push(KeyCode.CONTROL, KeyCode.P);
        robot.clickOn("#choice-pdf");
        until(() -> Files.exists(sheets));
        try (PDDocument document = Loader.loadPDF(sheets.toFile())) {
            String words = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            plan().steps().forEach(s -> assertTrue(words.contains(s.sentence() + "."), words));
            plan().steps().forEach(s -> assertTrue(words.contains(s.where()), words));
            assertTrue(words.contains("must hear"), words);
        }
        assertNotNull(state().message());
    }
}
