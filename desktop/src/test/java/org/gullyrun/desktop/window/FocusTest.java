package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Typing in a field: the focus goes elsewhere and comes back, as on a call, and nothing changes by it; what is wrong is refused. */
class FocusTest extends SampleWindowTest {
    @Start
    void start(Stage shown) throws Exception {
        openSample(shown);
    }

    private static TextField field(Hands robot, String id) {
        return robot.lookup(id).queryAs(TextField.class);
    }

    /** Another window takes the focus, and gives it back. */
    private void anotherWindow() throws Exception {
        Stage other = WaitForAsyncUtils.asyncFx(() -> {
                    Stage window = new Stage();
                    window.setScene(new Scene(new Pane(), 200, 100));
                    window.setX(1300);
                    window.show();
                    window.requestFocus();
                    return window;
                })
                .get();
        until(() -> other.isFocused() && !stage.isFocused());
        WaitForAsyncUtils.asyncFx(() -> {
                    other.hide();
                    stage.requestFocus();
                })
                .get();
        until(() -> stage.isFocused());
    }

    /** Types over what the field holds; two clicks far apart, on a busy machine, would only put the cursor into it. */
    private static Hands typeLevel(Hands robot, String text) {
        robot.clickOn("#set-in-music-level").push(KeyCode.CONTROL, KeyCode.A).write(text);
        return robot;
    }

    private void intake(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT1);
        until(() -> robot.lookup("#cell").tryQuery().map(Node::isFocused).orElse(false));
    }

    @Test
    void aHalfTypedNameOutlivesAnotherWindow(Hands robot) throws Exception {
        Case before = state().what();
        intake(robot);
        robot.write("Line ca");
        anotherWindow();
        assertEquals(before, state().what());
        robot.write("ble two");
        assertEquals("Line cable two", field(robot, "#cell").getText());
        assertEquals(before, state().what(), "it is not entered yet");
    }

    @Test
    void whatIsBeingTypedStaysInItsRowWhenUndoTakesAnotherAway(Hands robot) throws Exception {
        intake(robot);
        int rows = rig().of(Kind.SOURCE).size();
        robot.write("Bell").push(KeyCode.DOWN);
        until(() -> rig().of(Kind.SOURCE).size() == rows + 1);
        robot.write("Gon").push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> rig().of(Kind.SOURCE).size() == rows);
        robot.write("g");
        assertEquals("Gong", field(robot, "#cell").getText());
        robot.push(KeyCode.ENTER);
        until(() -> rig().of(Kind.SOURCE).size() == rows + 1);
        assertEquals("Gong", rig().of(Kind.SOURCE).getLast().name());
    }

    @Test
    void f6GoesThroughAllPartsOfTheWindowAndComesBackToWhereItBegan(Hands robot) throws Exception {
        intake(robot);
        List<String> parts = List.of("intake-side", "basins", "head");
        for (String part : parts) {
            robot.push(KeyCode.F6);
            until(() -> isIn(stage.getScene().getFocusOwner(), part));
        }
        robot.push(KeyCode.F6);
        until(() -> robot.lookup("#cell").tryQuery().map(Node::isFocused).orElse(false));
    }

    private static boolean isIn(Node node, String part) {
        return node != null && (part.equals(node.getId()) || isIn(node.getParent(), part));
    }

    @TakesLong
    @Test
    void aHalfTypedNameOutlivesADialogAndTheCursorStaysInTheMiddle(Hands robot) throws Exception {
        Case before = state().what();
        intake(robot);
        robot.write("Lark bom").push(KeyCode.LEFT);
        robot.push(KeyCode.F1);
        until(() -> robot.lookup("#close-keys").tryQuery().isPresent());
        assertEquals(before, state().what());
        robot.push(KeyCode.ESCAPE);
        until(() -> field(robot, "#cell").isFocused());
        robot.write("o");
        assertEquals("Lark boom", field(robot, "#cell").getText());
        assertEquals(before, state().what());
    }

    @Test
    void aHalfTypedLevelOutlivesAnotherWindowAndIsEnteredByAClickElsewhere(Hands robot) throws Exception {
        levelField(robot);
        Double was = rig().get("in-music").get(Productions.INPUT_LEVEL);
        typeLevel(robot, "-1");
        anotherWindow();
        assertEquals(was, rig().get("in-music").get(Productions.INPUT_LEVEL));
        robot.write("7");
        assertEquals("-17", field(robot, "#set-in-music-level").getText());
        robot.clickOn("#find");
        until(() -> Double.valueOf(-17).equals(rig().get("in-music").get(Productions.INPUT_LEVEL)));
    }

    @Test
    void aLevelIsTypedOnARungAndAWrongOneIsRefusedInPlace(Hands robot) throws Exception {
        levelField(robot);
        typeLevel(robot, "loud").push(KeyCode.ENTER);
        Node field = robot.lookup("#set-in-music-level").query();
        assertTrue(field.getPseudoClassStates().toString().contains("wrong"));
        typeLevel(robot, "-6,5").push(KeyCode.ENTER);
        until(() -> state().surveyShown().rig().get("in-music").get(Productions.INPUT_LEVEL) == -6.5);
    }

    @Test
    void whatIsBeingTypedOutlivesADrawingAnewAndIsNotTakenAsEntered(Hands robot) throws Exception {
        levelField(robot);
        typeLevel(robot, "-1");
        Node before = robot.lookup("#set-in-music-level").query();
        var rig = state().surveyShown().rig();
        WaitForAsyncUtils.asyncFx(() -> store.look(false, 1.1)).get();
        until(() -> robot.lookup("#set-in-music-level").query() != before);
        assertEquals(rig, state().surveyShown().rig(), "half a number was taken as entered");
        robot.write("2");
        assertEquals("-12", field(robot, "#set-in-music-level").getText());
        robot.push(KeyCode.ENTER);
        until(() -> state().surveyShown().rig().get("in-music").get(Productions.INPUT_LEVEL) == -12);
    }
}
