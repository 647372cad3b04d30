package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.trace.MapView;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** A rig that needs more room than the window has: it is read at full size, in parts. */
class SmallWindowTest extends SampleWindowTest {
    @Start
    void start(Stage shown) throws Exception {
        openSample(shown);
        shown.setWidth(1024);
        shown.setHeight(600);
    }

    private static Set<String> names(Hands robot) {
        return robot.lookup("#map").queryAs(MapView.class).lookupAll(".drawn").stream()
                .filter(n -> n instanceof Text && isSeen(n))
                .map(n -> ((Text) n).getText())
                .collect(Collectors.toSet());
    }

    /** The whole map stays in the window, out of sight, while a part of it is shown. */
    private static boolean isSeen(Node node) {
        return node.isVisible() && (node.getParent() == null || isSeen(node.getParent()));
    }

    private static boolean settled(Hands robot) {
        return robot.lookup("#map").queryAs(MapView.class).isSettled();
    }

    @TakesLong
    @Test
    void whatIsLitIsSeenWholeAndTheRestFoldsAwayUntilEscape(Hands robot) throws Exception {
        until(() -> settled(robot) && names(robot).contains("Music"));
        Node overview = robot.lookup("#overview").query();
        assertTrue(overview.isVisible(), "not all is in sight");
        act(robot, "crew > live");
        until(() -> settled(robot) && !names(robot).contains("Music"));
        assertTrue(
                names(robot).containsAll(Set.of("Crew", "Huddlewick", "Live", "10 more")),
                names(robot).toString());
        assertFalse(overview.isVisible());
        robot.push(KeyCode.ESCAPE);
        until(() -> settled(robot) && names(robot).contains("Music"));
        assertFalse(names(robot).contains("10 more"));
        assertTrue(overview.isVisible());
    }

    @TakesLong
    @Test
    void aClickOnTheOverviewBringsThatPartIntoSightAndItIsThereAgainAfterARoute(Hands robot) throws Exception {
        until(() -> settled(robot) && names(robot).contains("Music"));
        Node bank = robot.lookup("#map-live").query();
        double before = bank.localToScene(bank.getBoundsInLocal()).getMaxX();
        robot.clickOn("#overview");
        double after = bank.localToScene(bank.getBoundsInLocal()).getMaxX();
        assertTrue(after < before - 20, before + " to " + after);
        act(robot, "crew > live");
        until(() -> settled(robot) && !names(robot).contains("Music"));
        robot.push(KeyCode.ESCAPE);
        until(() -> settled(robot) && names(robot).contains("Music"));
        assertEquals(after, bank.localToScene(bank.getBoundsInLocal()).getMaxX(), 0.5);
    }

    @TakesLong
    @Test
    void aWindowMadeLargerWhileFoldedShowsTheWholeMapInItsNewRoom(Hands robot) throws Exception {
        until(() -> settled(robot) && names(robot).contains("Music"));
        act(robot, "crew > live");
        until(() -> settled(robot) && !names(robot).contains("Music"));
        WaitForAsyncUtils.asyncFx(() -> {
                    stage.setWidth(1600);
                    stage.setHeight(1100);
                })
                .get();
        until(() -> settled(robot) && names(robot).contains("Music"));
        assertFalse(robot.lookup("#overview").query().isVisible(), "now there is room for all of it");
        Node bank = robot.lookup("#map-live").query();
        Node map = robot.lookup("#map").query();
        double end = bank.localToScene(bank.getBoundsInLocal()).getMaxX();
        double edge = map.localToScene(map.getBoundsInLocal()).getMaxX();
        assertTrue(end < edge && end > edge - 120, "spread over the room: " + end + " of " + edge);
    }

    @TakesLong
    @Test
    void whatIsSelectedLastIsShownHoweverFastTheSelectionsCome(Hands robot) throws Exception {
        until(() -> settled(robot));
        act(robot, "crew > live");
        until(() -> settled(robot) && !names(robot).contains("Music"));
        WaitForAsyncUtils.asyncFx(() -> {
                    store.select(new Selection.Pair("music", "live"));
                    store.select(new Selection.Pair("crew", "live"));
                })
                .get();
        Thread.sleep(500); // long enough for what was begun for the first of the two
        assertTrue(settled(robot));
        assertTrue(
                names(robot).containsAll(Set.of("Crew", "Live")), names(robot).toString());
        assertFalse(names(robot).contains("Music"), names(robot).toString());
    }
}
