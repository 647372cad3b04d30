package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.framework.junit5.Start;

/** Two surveys compared in the window: what is to blame, and what to do about each. */
class CompareTest extends WindowTest {
    @Start
    void start(Stage shown) throws Exception {
        open(shown, SampleShow.make());
    }

    private void compared(Hands robot) throws Exception {
        robot.push(KeyCode.D);
        until(() -> text(robot, ".veil .title").contains("Since known good"));
    }

    @Test
    void whatIsToBlameSinceTheKnownGoodSurveyIsListedAndTakenBack(Hands robot) throws Exception {
        robot.push(KeyCode.D);
        until(() -> text(robot, ".veil .title").contains("Since known good"));
        String told = text(robot, ".veil .label");
        assertTrue(told.contains("14 changes. 13 are to blame for"), told);
        assertTrue(told.contains("Changes that do no harm (1)"), told);
        robot.clickOn("#answer-take-back-all-that-does-harm");
        until(() ->
                !state().isAnswerOld() && state().reading().findings().stream().noneMatch(Finding::isBad));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> state().reading().findings().stream().anyMatch(Finding::isBad));
    }

    @TakesLong
    @Test
    void whereThereAreSeveralSurveysOneIsChosenAndTheDifferenceIsShownOnTheMap(Hands robot) throws Exception {
        Case show = state().what();
        Survey good = show.survey(SampleShow.KNOWN_GOOD).orElseThrow();
        List<Survey> three = new ArrayList<>(show.surveys());
        three.add(new Survey("third", "the third one", "2026-11-20", "", good.rig(), Map.of()));
        robot.interact(() -> store.replace(show.withSurveys(three), Step.FINDINGS));
        until(() -> state().what().surveys().size() == 3 && state().step() == Step.FINDINGS);
        robot.push(KeyCode.D);
        until(() -> robot.lookup("#choice-with-third").tryQuery().isPresent());
        assertTrue(text(robot, ".veil .label").contains("known good"), text(robot, ".veil .label"));
        robot.clickOn("#choice-with-third");
        until(() -> text(robot, ".veil .title").contains("Since the third one"));
        robot.clickOn("#answer-show-on-the-map");
        until(() -> state().step() == Step.TRACE && state().against() != null);
        assertTrue(text(robot, "#difference-band .label").contains("against the third one"));
        assertTrue(text(robot, "#evidence .label").contains("Since the third one"));
        robot.push(KeyCode.ESCAPE);
        until(() -> state().against() == null && state().step() == Step.FINDINGS);
    }

    @TakesLong
    @Test
    void aChangeIsAcceptedWithAReasonAndItsFindingsAreWaived(Hands robot) throws Exception {
        compared(robot);
        int before = state().reading().findings().size();
        robot.clickOn("Accept …");
        robot.push(KeyCode.ENTER);
        until(() -> text(robot, ".veil .bad-text").contains("Give a reason"));
        robot.write("agreed with the host");
        robot.push(KeyCode.ENTER);
        until(() -> !state().isAnswerOld() && state().reading().findings().size() < before);
        assertTrue(state().what().terms().waivers().stream()
                .allMatch(w -> w.reason().equals("agreed with the host")));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> state().what().terms().waivers().isEmpty());
    }

    @TakesLong
    @Test
    void goingBackAsFarAsNeededIsPlannedAsARepair(Hands robot) throws Exception {
        compared(robot);
        robot.clickOn("#answer-plan-it-as-a-repair");
        until(() -> state().step() == Step.REPAIR
                && state().planning().plan() != null
                && !state().planning().isWorking());
        var plan = Objects.requireNonNull(state().planning().plan());
        assertTrue(
                plan.steps().size() >= 12,
                "all that is to blame: " + plan.steps().size());
        assertEquals(List.of(), plan.repair().left());
    }

    @TakesLong
    @Test
    void aSurveyOfAnotherFileIsMatchedByNameAndAWrongMatchIsUndone(Hands robot) throws Exception {
        Case show = SampleShow.make();
        Survey good = show.survey(SampleShow.KNOWN_GOOD).orElseThrow();
        Path file = folder.resolve("other.json");
        CaseFiles.save(show.withSurveys(List.of(new Survey("old", "the old one", "", "", good.rig(), Map.of()))), file);
        Files.writeString(file, Files.readString(file).replace("\"larch\"", "\"larch-2\""));
        Mockito.when(picker.toOpen(FilePicker.Sort.CASE)).thenReturn(Optional.of(file));
        act(robot, "compare with another file");
        until(() -> text(robot, ".veil .title").contains("Since the old one"));
        String told = text(robot, ".veil .label");
        assertTrue(told.contains("Taken to be the same (1)"), told);
        fire(robot, "#apart-larch-2");
        until(() -> text(robot, ".veil .label").contains("Only in the earlier survey (2)"));
        fire(robot, "#match-larch-2");
        robot.clickOn("#choice-same-larch");
        until(() -> text(robot, ".veil .label").contains("by hand"));
    }

    /** Presses a button that may lie further down. */
    private void fire(Hands robot, String query) {
        robot.interact(() -> robot.lookup(query).queryButton().fire());
    }
}
