package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.LargeRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** A rig of 617 elements, worked on by keyboard alone. */
@TakesLong
class LargeRigTest extends WindowTest {
    private static final int SOURCES = 44;
    private static final Rig FOUND = LargeRigs.make(1, SOURCES, 20, 8);

    @Start
    void start(Stage shown) throws Exception {
        assertEquals(617, FOUND.elements().size());
        Survey survey = new Survey("large", "large", "", "", FOUND, Map.of());
        open(shown, new Case("A large rig", "", 4, "", List.of(survey), LargeRigs.brief(SOURCES)));
    }

    private List<String> bad() throws Exception {
        return state().reading().findings().stream()
                .filter(Finding::isBad)
                .map(Finding::identity)
                .toList();
    }

    @Test
    void itIsRepairedStepByStepAndTheLastStepIsUndoneAndRedone(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT5);
        until(() -> state().planning().plan() != null);
        WorkPlan plan = Objects.requireNonNull(state().planning().plan());
        assertEquals(9, plan.steps().size());
        until(() -> text(robot, "#repair-title").equals("[9 changes fix 9 findings]"));
        assertEquals(9, bad().size());
        for (int done = 1; done <= 9; done++) {
            int so = done;
            robot.push(KeyCode.SPACE);
            until(() -> state().planning().done().size() == so && !state().isAnswerOld());
            assertEquals(9 - so, bad().size(), "each step fixes what it said");
            until(() -> state().planning().plan() != null
                    && Objects.requireNonNull(state().planning().plan()).steps().size() == 9 - so);
        }
        until(() -> text(robot, "#repair-title").equals("[Repaired]"));
        assertEquals("in repair", state().surveyShown().name());
        assertEquals(FOUND, state().what().survey("large").orElseThrow().rig());
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> state().planning().done().size() == 8 && !state().isAnswerOld());
        assertEquals(1, bad().size());
        robot.push(KeyCode.CONTROL, KeyCode.Y);
        until(() -> state().planning().done().size() == 9 && !state().isAnswerOld());
        assertEquals(List.of(), bad());
    }

    @Test
    void aDifferenceIsFoldedToWhatDiffersAndTheMapComesBackAsItWas(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT3);
        until(() -> state().step() == Step.TRACE && shown(robot) > 500);
        int whole = shown(robot);
        robot.push(KeyCode.I);
        until(() -> robot.lookup("#what-if-field").tryQuery().isPresent());
        robot.write("stop app-0003");
        robot.push(KeyCode.ENTER);
        until(() -> state().against() != null);
        until(() -> state().against() != null && shown(robot) < 300);
        assertTrue(text(robot, "#evidence .label").contains("source-0003"), text(robot, "#evidence .label"));
        robot.push(KeyCode.ESCAPE);
        until(() -> state().against() == null && shown(robot) == whole);
        robot.push(KeyCode.DIGIT4);
        robot.push(KeyCode.DOWN);
        until(() -> state().selection() instanceof Selection.Trouble);
        robot.push(KeyCode.DIGIT3);
        until(() -> shown(robot) < 300);
        robot.push(KeyCode.ESCAPE);
        until(() -> state().selection() instanceof Selection.Nothing && shown(robot) == whole);
        assertEquals(FOUND, state().surveyShown().rig());
    }

    @Test
    void aListenerOfManySourcesIsListedInPartUntilAllAreAskedFor(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT3);
        robot.interact(() -> store.select(new Selection.OfOutlet("outlet-0000")));
        until(() -> isInSight(robot, "#map-outlet-0000")); // though its part is three times as high as the view
        until(() -> robot.lookup("#more-pairs").tryQuery().isPresent());
        assertEquals("Show 24 more", robot.lookup("#more-pairs").queryButton().getText());
        assertEquals(20, pairs(robot).size());
        assertEquals(
                9,
                pairs(robot).stream().filter(row -> row.contains(" in scene-")).count(),
                "what is wrong stands first");
        robot.interact(() -> robot.lookup("#more-pairs").queryButton().requestFocus());
        robot.push(KeyCode.SPACE);
        until(() -> pairs(robot).size() == SOURCES);
        List<Node> rows = rows(robot);
        robot.interact(() -> store.select(new Selection.OfOutlet("outlet-0001")));
        until(() -> pairs(robot).size() < 20);
        // But for one under the pointer and one that has the focus.
        long made = rows(robot).stream().filter(row -> !rows.contains(row)).count();
        assertTrue(made <= 2, "rows that are there show the other listener; made anew: " + made);
        assertTrue(
                pairs(robot).stream().allMatch(row -> row.contains("good")),
                pairs(robot).toString());
    }

    /** Whether a part of the map lies within the view. */
    private static boolean isInSight(Hands robot, String part) {
        Node map = robot.lookup("#map").query();
        return robot.lookup(part)
                .tryQuery()
                .filter(node ->
                        map.localToScene(map.getBoundsInLocal()).contains(node.localToScene(node.getBoundsInLocal())))
                .isPresent();
    }

    /** What the rows of the list beside say that are to be seen. */
    private static List<String> pairs(Hands robot) {
        return rows(robot).stream().map(Node::getAccessibleText).toList();
    }

    /** The rows of the list beside that are to be seen. */
    private static List<Node> rows(Hands robot) {
        return robot.lookup("#evidence .fix").queryAll().stream()
                .filter(row -> row.isVisible() && row.getAccessibleText().contains(" dBFS"))
                .toList();
    }

    /** How many shapes and texts are to be seen on the map. */
    private static int shown(Hands robot) {
        return count(robot.lookup("#map").query());
    }

    private static int count(Node node) {
        if (!node.isVisible()) {
            return 0;
        }
        return node instanceof javafx.scene.Parent parent
                ? parent.getChildrenUnmodifiable().stream()
                        .mapToInt(LargeRigTest::count)
                        .sum()
                : node.getParent() instanceof Group ? 1 : 0;
    }
}
