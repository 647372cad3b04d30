package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.gullyrun.core.LargeRigs;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;
import org.testfx.robot.Motion;

/** 200 sources and 50 listeners in the window: no more is in it than is in sight, and all of it can be reached. */
class ManyCellsTest extends WindowTest {
    private static final int SOURCES = 200;
    private static final String LAST = "#wish-source-0199-outlet-0049";

    @Start
    void start(Stage shown) throws Exception {
        Survey survey = new Survey("large", "large", "", "", LargeRigs.make(1, SOURCES, 50, 2), Map.of());
        open(shown, new Case("A large rig", "", 4, "", List.of(survey), LargeRigs.brief(SOURCES)));
    }

    private static int nodes(Node node) {
        return node instanceof Parent parent
                ? 1
                        + parent.getChildrenUnmodifiable().stream()
                                .mapToInt(ManyCellsTest::nodes)
                                .sum()
                : 1;
    }

    private static boolean isThere(Hands robot, String query) {
        return robot.lookup(query).tryQuery().isPresent();
    }

    /** Whether a cell and the names of its source and its listener are in sight, in one line. */
    private static boolean isBesideItsNames(Hands robot, String cell, String source, String outlet) {
        Bounds at = bounds(robot.lookup(cell).query());
        Bounds name = robot.lookup("#brief .label").queryAll().stream()
                .filter(node -> node instanceof Label label && label.getText().equals(source))
                .map(ManyCellsTest::bounds)
                .findFirst()
                .orElseThrow();
        Bounds over = robot.lookup("#brief .water").queryAll().stream()
                .filter(node -> node instanceof Text text && text.getText().equals(outlet))
                .map(ManyCellsTest::bounds)
                .findFirst()
                .orElseThrow();
        return Math.abs(name.getCenterY() - at.getCenterY()) < 3
                && over.getMinX() > at.getMinX()
                && over.getMinX() < at.getMaxX()
                && over.getMaxY() < at.getMinY() + 10
                && name.getMaxX() < at.getMinX();
    }

    private static Bounds bounds(Node node) {
        return node.localToScene(node.getBoundsInLocal());
    }

    @Test
    void theBriefIsReachedToItsLastCellAndSetThere(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT2);
        until(() -> isThere(robot, "#wish-source-0000-outlet-0000"));
        assertTrue(nodes(robot.lookup("#brief").query()) < 3_000, "no more than is in sight");
        assertFalse(isThere(robot, LAST));
        assertTrue(isBesideItsNames(robot, "#wish-source-0003-outlet-0002", "source-0003", "outlet-0002"));

        robot.interact(() -> store.select(new Selection.Pair("source-0199", "outlet-0048")));
        robot.push(KeyCode.RIGHT);
        until(() ->
                isThere(robot, LAST) && state().selection().equals(new Selection.Pair("source-0199", "outlet-0049")));
        until(() -> isBesideItsNames(robot, LAST, "source-0199", "outlet-0049"));
        assertFalse(isThere(robot, "#wish-source-0000-outlet-0000"), "what is out of sight is taken out");
        robot.push(KeyCode.N);
        Brief.Cell cell = new Brief.Cell("source-0199", "outlet-0049", "");
        until(() -> state().what().brief().cells().get(cell) == Wish.NEVER);

        robot.push(KeyCode.HOME);
        until(() -> isThere(robot, "#wish-source-0199-outlet-0000"));
        assertEquals(new Selection.Pair("source-0199", "outlet-0000"), state().selection());
        robot.clickOn("#wish-source-0198-outlet-0001");
        until(() -> state().selection().equals(new Selection.Pair("source-0198", "outlet-0001")));
    }

    @Test
    void theSheetHoldsWhatWasInSightAndTheRowThatIsAdded(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT1);
        until(() -> state().step() == Step.INTAKE && lines(robot).contains("source-0199"));
        assertTrue(nodes(robot.lookup("#intake").query()) < 2_000, "no more than is in sight");
        assertFalse(lines(robot).contains("source-0100"), lines(robot).toString());
        robot.write("A last one");
        robot.push(KeyCode.ENTER);
        until(() -> lines(robot).contains("A last one"));

        robot.interact(() -> robot.lookup("#intake .plain-scroll").queryAllAs(ScrollPane.class).stream()
                .filter(pane -> pane.getVmax() > 0 && pane.getVvalue() > 0)
                .forEach(pane -> pane.setVvalue(0.5)));
        until(() -> lines(robot).contains("source-0100"));
        robot.clickOn("source-0100");
        robot.push(KeyCode.TAB);
        robot.write("chat");
        robot.push(KeyCode.ENTER);
        until(() -> rig().get("source-0100").get(Sources.CLASS) == SourceClass.CHAT);
        until(() -> lines(robot).contains("source-0101"));
    }

    /** What is named at the start of lines whose cells are in the window. */
    private static Set<String> lines(Hands robot) {
        return robot.lookup("#intake .sheet-cell.strong").queryAllAs(Label.class).stream()
                .map(Label::getText)
                .collect(Collectors.toSet());
    }

    @Test
    void theMapHoldsWhatIsInSightAndMoreAsItIsMoved(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT3);
        until(() -> state().step() == Step.TRACE && sources(robot).contains("source-0001"));
        assertTrue(nodes(robot.lookup("#map").query()) < 9_000, "no more than is in sight and around it");
        Set<String> above = sources(robot);
        assertTrue(above.size() < SOURCES / 2, above.toString());
        Bounds overview = bounds(robot.lookup("#overview").query());
        robot.clickOn(robot.point(overview.getMinX() + 10, overview.getCenterY()), Motion.DIRECT);
        until(() -> !sources(robot).contains("source-0001"));
        Set<String> below = sources(robot);
        assertTrue(below.size() > 10, below.toString());
        below.retainAll(above);
        assertEquals(Set.of(), below, "what is out of sight is taken out");
    }

    /** The names of sources that are drawn on the map. */
    private static Set<String> sources(Hands robot) {
        Set<String> names = new HashSet<>();
        collect(robot.lookup("#map").query(), names);
        return names;
    }

    private static void collect(Node node, Set<String> names) {
        if (node instanceof Text text && text.getText().startsWith("source-")) {
            names.add(text.getText());
        } else if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> collect(child, names));
        }
    }
}
