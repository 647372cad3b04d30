package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.intake.Questions;
import org.gullyrun.core.inventory.Inventory;
import org.gullyrun.core.inventory.QuestionSheet;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.desktop.state.Lens;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Lists that go out, and sheets that are laid over the window or beside the map. */
class ListsAndSheetsTest extends SampleWindowTest {

    @Start
    void start(Stage shown) throws Exception {
        openSample(shown);
    }

    @Test
    void listsAreWrittenWhereThePersonSaysAndAPlaceThatIsNoneIsTold(Hands robot) throws Exception {
        Path inventory = folder.resolve("all.csv");
        Path questions = folder.resolve("ask.md");
        Mockito.when(picker.toSave(FilePicker.Sort.LIST, "inventory")).thenReturn(Optional.of(inventory));
        Mockito.when(picker.toSave(FilePicker.Sort.TEXT, "questions")).thenReturn(Optional.of(questions));
        act(robot, "export inventory");
        until(() -> Files.exists(inventory));
        assertEquals(Inventory.write(rig()), Files.readString(inventory));
        act(robot, "questions as text");
        until(() -> Files.exists(questions));
        assertEquals(
                QuestionSheet.markdown(state().what().title(), state().answer().questions()),
                Files.readString(questions));

        Mockito.when(picker.toSave(FilePicker.Sort.LIST, "inventory"))
                .thenReturn(Optional.of(folder.resolve("no").resolve("all.csv")));
        act(robot, "export inventory");
        until(() -> state().message() != null && state().message().isError());
        assertTrue(text(robot, "#message .label").contains("the folder doesn't exist"), text(robot, "#message .label"));
    }

    @Test
    void allThatIsLeftToAskGoesToTheClipboard(Hands robot) throws Exception {
        assertEquals(List.of(), Questions.of(rig()));
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
        until(() -> text(robot, "#message .label").contains("No questions left"));
        WaitForAsyncUtils.asyncFx(() -> {
                    var rig = store.state().reading().rig();
                    store.change(List.of(
                            Objects.requireNonNull(Change.set(rig, "heron", Links.CABLE_CONVERTS, null)),
                            Objects.requireNonNull(Change.set(rig, "brookdesk", Mixers.STARTS, null))));
                })
                .get();
        until(() -> state().answer().questions().size() == 2);
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
        var questions = Questions.of(rig());
        assertFalse(questions.isEmpty());
        String copied = WaitForAsyncUtils.asyncFx(
                        () -> Clipboard.getSystemClipboard().getString())
                .get();
        assertEquals(questions.size(), copied.lines().count());
        questions.forEach(q -> assertTrue(copied.contains(q.wording()), q.wording()));
    }

    @Test
    void ratesTakeThePlaceOfLevelsWithTheFiguresOfEachPlaceWhereTwoMeet(Hands robot) throws Exception {
        robot.push(KeyCode.R);
        until(() -> state().lens() == Lens.RATES);
        until(() -> text(robot, "#evidence .label").contains("Rates and clocks"));
        String told = text(robot, "#evidence .label");
        // 44.1 read as 48: 1200 · log₂ (44.1 / 48) = −146.7 cents, rounded; 44.1 / 48 = 0.919.
        assertTrue(told.contains("48 → 44.1 kHz, not resampled"), told);
        assertTrue(told.contains("−147 cents, speed × 0.919"), told);
        Node row = robot.lookup(".fix").queryAll().stream()
                .filter(n -> n.getId().startsWith("rate-") && n.getId().endsWith("-heron"))
                .findFirst()
                .orElseThrow();
        robot.clickOn(row);
        until(() -> state().selection().equals(new Selection.OfElement("heron")));
        robot.push(KeyCode.ESCAPE);
        robot.push(KeyCode.R);
        until(() -> !text(robot, "#evidence .label").contains("Rates and clocks"));
    }

    @Test
    void whatAFindingIsAboutCanBeReadAndWithoutOneThatIsSaid(Hands robot) throws Exception {
        robot.push(KeyCode.H);
        until(() -> text(robot, "#message .label").contains("Select a finding first"));
        robot.push(KeyCode.W);
        until(() -> text(robot, "#message .label").contains("the finding you want to waive"));
        WaitForAsyncUtils.asyncFx(() -> store.select(new Selection.Trouble("rate.cable:heron")))
                .get();
        robot.push(KeyCode.H);
        until(() -> robot.lookup("#answer-close").tryQuery().isPresent());
        assertTrue(
                text(robot, "#overlay .label").contains("Do the two ends of a cable"), text(robot, "#overlay .label"));
        robot.push(KeyCode.ESCAPE);
        until(() -> robot.lookup("#answer-close").tryQuery().isEmpty());
    }

    @Test
    void theHeadingOfALongTableStaysInSightUntilItsLastLine(Hands robot) throws Exception {
        robot.interact(() -> {
            stage.setHeight(700);
            store.look(false, 1.5);
            store.go(Step.INTAKE);
        });
        until(() -> robot.lookup(".sheet-head").tryQuery().isPresent());
        Node heading = robot.lookup(".sheet-head").query();
        Node around = heading;
        while (!(around instanceof ScrollPane)) {
            around = around.getParent();
        }
        ScrollPane scroll = (ScrollPane) around;
        for (double at : new double[] {0, 0.5, 1}) {
            robot.interact(() -> scroll.setVvalue(at));
            until(() -> scroll.getVvalue() == at);
            double top = heading.localToScene(heading.getBoundsInLocal()).getMinY();
            double room = scroll.localToScene(scroll.getBoundsInLocal()).getMinY();
            assertTrue(top >= room - 1 && top < room + 80, "at " + at + ": " + top + " in a room from " + room);
        }
    }
}
