package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** The exercise before the first change: nobody sees it, nothing waits for it, and nothing is left of it. */
class ExerciseTest extends SampleWindowTest {
    @Start
    void start(Stage shown) throws Exception {
        openSample(shown);
    }

    @Test
    void nobodyNoticesIt(FxRobot robot) throws Exception {
        StackPane root = (StackPane) stage.getScene().getRoot();
        int parts = root.getChildren().size();
        State before = state();
        Platform.runLater(() -> Exercise.begin(stage.getScene(), root));
        until(() -> root.getChildren().size() > parts);
        Node veil = root.getChildren().getLast();
        until(() -> !looks(veil).stream().allMatch(o -> o == 1)); // it has begun to paint

        robot.moveTo("#map");
        List<Double> paused = looks(veil);
        for (int i = 0; i < 20; i++) {
            robot.moveBy(i % 2 == 0 ? 3 : -3, 0);
        }
        assertEquals(paused, looks(veil), "it goes on only when nothing was moved for a while");
        robot.push(KeyCode.N);
        assertTrue(state().selection() instanceof Selection.Trouble, "what a person does is done at once");

        until(() -> root.getChildren().size() == parts);
        assertSame(before.what(), state().what());
        assertSame(before.reading().scenes(), state().reading().scenes());
        assertEquals("", state().past().undo(), "its changes were to another case");
    }

    private static List<Double> looks(Node veil) {
        return ((Parent) veil)
                .getChildrenUnmodifiable().stream().map(Node::getOpacity).toList();
    }
}
