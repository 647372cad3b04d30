package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** A part of the map that leaves the window under the pointer asks for other light while the map is being changed. */
class MapUnderThePointerTest extends SampleWindowTest {
    private static final String PART = "map-orrery-Music, copy";

    @Start
    void start(Stage shown) throws Exception {
        openSample(shown);
    }

    @Test
    void scenesChangeAndTheMapIsAsItWas(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT3);
        until(() -> state().step() == Step.TRACE && part(robot).isVisible());
        List<Integer> before = layers(robot);
        robot.moveTo(part(robot));
        Node first = part(robot);
        assertTrue(first.isHover());
        for (int scene : List.of(3, 2, 1, 0, 2, -1)) {
            WaitForAsyncUtils.asyncFx(() -> store.chooseScene(scene)).get();
            until(() -> state().scene() == scene);
        }
        assertTrue(first != part(robot), "it was drawn anew on the way");
        robot.moveTo("#verdict");
        WaitForAsyncUtils.waitForFxEvents();
        assertEquals(before, layers(robot));
    }

    private static Node part(Hands robot) {
        return robot.lookup((Node node) -> PART.equals(node.getId())).query();
    }

    /** How much each layer of the map holds. */
    private static List<Integer> layers(Hands robot) {
        return robot.lookup("#map").query().lookupAll("*").stream()
                .filter(node -> node instanceof Group)
                .map(node -> ((Group) node).getChildren().size())
                .toList();
    }
}
