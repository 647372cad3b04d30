package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.function.Predicate;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** What the creator reports is entered at the head of Intake, and what a setting reaches is said beside it. */
class ReportedTest extends WindowTest {
    @Start
    void start(Stage shown) throws Exception {
        open(shown, SampleShow.make());
    }

    private Complaint reported() throws Exception {
        return state().what().terms().complaint();
    }

    private void choose(Hands robot, String menu, String entry) throws Exception {
        robot.clickOn("#reported-" + menu);
        Predicate<Node> choice = node -> node instanceof Label label
                && label.getText().equals(entry)
                && label.getParent().getStyleClass().contains("menu-item");
        until(() -> robot.lookup(choice).tryQuery().isPresent());
        robot.clickOn(choice);
    }

    @Test
    void whatFitsComesFirstAndSaysSoUntilItIsTakenBack(Hands robot) throws Exception {
        robot.interact(() -> store.go(Step.INTAKE));
        until(() -> robot.lookup("#reported-what").tryQuery().isPresent());
        choose(robot, "what", "something that should not be heard");
        until(() -> reported().what() == Complaint.What.NOT_MEANT);
        until(() -> state().reading().findings().getFirst().rule().matches("leak|track.mixed|loop.far-end"));
        robot.interact(() -> store.go(Step.FINDINGS));
        until(() -> robot.lookup("as reported").queryAll().size() > 2);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> reported().equals(Complaint.NONE));
        until(() -> robot.lookup("as reported").queryAll().isEmpty());
    }

    @Test
    void sinceWhenIsKeptInTheCreatorsWords(Hands robot) throws Exception {
        robot.interact(() -> store.go(Step.INTAKE));
        until(() -> robot.lookup("#reported-since").tryQuery().isPresent());
        robot.clickOn("#reported-since").write("the update").push(KeyCode.ENTER);
        until(() -> reported().since().equals("the update"));
        assertTrue(state().past().undo().contains("reported"), state().past().undo());
    }

    @Test
    void aSettingSaysWhomItReachesWhileThePointerIsOnIt(Hands robot) throws Exception {
        robot.interact(() -> {
            store.go(Step.TRACE);
            store.select(new org.gullyrun.desktop.state.Selection.OfElement("bus-guests"));
        });
        until(() -> robot.lookup("#reach").tryQuery().isPresent());
        until(() -> text(robot, "#reach").equals("[Reaches Guests only.]"));
        robot.moveTo("#set-bus-guests-muted");
        until(() -> text(robot, "#reach").equals("[muted: reaches Guests only.]"));
        robot.moveTo("#case");
        until(() -> text(robot, "#reach").equals("[Reaches Guests only.]"));
    }
}
