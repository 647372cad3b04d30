package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import javafx.event.ActionEvent;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.state.Selection;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The brief filled in with nothing but keys. */
class BriefStepTest extends SampleWindowTest {

    @Start
    void start(Stage shown) throws Exception {
        openSample(shown);
    }

    @BeforeEach
    void atACell(Hands robot) throws Exception {
        robot.push(KeyCode.DIGIT2);
        until(() -> robot.lookup("#wish-film-live").tryQuery().isPresent());
        WaitForAsyncUtils.asyncFx(() -> store.select(new Selection.Pair("music", "archive")))
                .get();
        WaitForAsyncUtils.waitForFxEvents();
    }

    private Map<Brief.Cell, Wish> cells() throws Exception {
        return state().what().brief().cells();
    }

    private List<Element> of(Kind kind) throws Exception {
        return rig().of(kind);
    }

    @Test
    void aRowAColumnAndAllAreSetWithAKeyEachAndTakenBack(Hands robot) throws Exception {
        Map<Brief.Cell, Wish> before = cells();
        robot.push(KeyCode.R).push(KeyCode.N);
        for (Element outlet : of(Kind.OUTLET)) {
            assertEquals(Wish.NEVER, cells().get(new Brief.Cell("music", outlet.id(), "")));
        }
        assertTrue(state().past().undo().contains("to never"), state().past().undo());
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        assertEquals(before, cells());

        WaitForAsyncUtils.asyncFx(() -> store.select(new Selection.Pair("music", "archive")))
                .get();
        robot.push(KeyCode.O).push(KeyCode.M);
        for (Element source : of(Kind.SOURCE)) {
            assertEquals(Wish.MUST, cells().get(new Brief.Cell(source.id(), "archive", "")));
        }
        robot.push(KeyCode.CONTROL, KeyCode.A).push(KeyCode.DELETE);
        assertTrue(cells().keySet().stream().noneMatch(c -> c.scene().isEmpty()), cells().toString());
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        assertEquals(before, cells());
    }

    @Test
    void theCursorGoesToTheEndsAndShiftMarksUpToThere(Hands robot) throws Exception {
        String first = of(Kind.OUTLET).getFirst().id();
        String last = of(Kind.OUTLET).getLast().id();
        robot.push(KeyCode.HOME);
        assertEquals(new Selection.Pair("music", first), state().selection());
        robot.push(KeyCode.SHIFT, KeyCode.END).push(KeyCode.A);
        assertEquals(Wish.MAY, cells().get(new Brief.Cell("music", first, "")));
        assertEquals(Wish.MAY, cells().get(new Brief.Cell("music", last, "")));
        robot.push(KeyCode.END).push(KeyCode.RIGHT);
        assertEquals(new Selection.Pair("music", last), state().selection(), "it stays at the edge");
    }

    @Test
    void inASceneOnlyThatSceneIsSet(Hands robot) throws Exception {
        Wish always = cells().get(new Brief.Cell("music", "archive", ""));
        robot.push(KeyCode.CLOSE_BRACKET);
        until(() -> state().scene() == 0);
        robot.push(KeyCode.M);
        String scene = state().reading().scenes().getFirst().key().scene();
        assertEquals(Wish.MUST, cells().get(new Brief.Cell("music", "archive", scene)));
        assertEquals(always, cells().get(new Brief.Cell("music", "archive", "")));
        until(() -> state().reading().brief() == state().what().brief());
    }

    @Test
    void rowsOfOneClassThatStandTogetherAreMarkedByOneKey(Hands robot) throws Exception {
        Map<Brief.Cell, Wish> before = cells();
        WaitForAsyncUtils.asyncFx(() -> store.select(new Selection.Pair("host", "live")))
                .get();
        robot.push(KeyCode.C).push(KeyCode.N);
        List<Element> sources = of(Kind.SOURCE);
        int same = 0;
        while (sources.get(same).get(Sources.CLASS) == sources.getFirst().get(Sources.CLASS)) {
            assertEquals(
                    Wish.NEVER, cells().get(new Brief.Cell(sources.get(same).id(), "live", "")));
            same++;
        }
        assertTrue(same > 1, "host is the first of several voices");
        Brief.Cell next = new Brief.Cell(sources.get(same).id(), "live", "");
        assertEquals(before.get(next), cells().get(next));
    }

    @Test
    void aNumberThatIsNoneChangesNothingAndIsSaid(Hands robot) throws Exception {
        enter(robot, "level-least", "-30");
        enter(robot, "level-most", "−12,5");
        Brief.Cell cell = new Brief.Cell("music", "archive", "");
        Brief.Window window = new Brief.Window(-30.0, -12.5);
        assertEquals(window, state().what().brief().windows().get(cell));
        enter(robot, "voice-over", "9");
        for (String wrong : new String[] {"soft", "1e999", "NaN", "--3", "Infinity"}) {
            enter(robot, "level-most", wrong);
            assertTrue(
                    state().message().text().contains("“" + wrong + "” isn't a number"),
                    state().message().text());
            assertEquals(window, state().what().brief().windows().get(cell), wrong);
            enter(robot, "voice-over", wrong);
            assertEquals(9.0, state().what().brief().voiceOverMusic().get("archive"), wrong);
        }
        enter(robot, "level-most", "");
        assertEquals(
                new Brief.Window(-30.0, null), state().what().brief().windows().get(cell));
    }

    private static void enter(Hands robot, String field, String text) {
        TextField control = robot.lookup("#" + field).queryAs(TextField.class);
        robot.interact(() -> {
            control.setText(text);
            control.fireEvent(new ActionEvent());
        });
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void theClassIsSelectedWhereverItsRowsAreAndRowsAreGroupedAndMoved(Hands robot) throws Exception {
        WaitForAsyncUtils.asyncFx(() -> store.select(new Selection.Pair("host", "live")))
                .get();
        robot.push(KeyCode.C).push(KeyCode.N);
        Object voice = rig().get("host").get(Sources.CLASS);
        for (Element source : of(Kind.SOURCE)) {
            Wish wish = cells().get(new Brief.Cell(source.id(), "live", ""));
            assertEquals(source.get(Sources.CLASS) == voice, wish == Wish.NEVER, source.name());
        }
        List<Element> before = of(Kind.SOURCE);
        robot.push(KeyCode.ALT, KeyCode.DOWN);
        until(() -> !of(Kind.SOURCE).getFirst().id().equals("host"));
        assertEquals(before.getFirst().id(), of(Kind.SOURCE).get(1).id());
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        until(() -> of(Kind.SOURCE).equals(before));
        assertTrue(
                state().message().text().startsWith("Undone: move Host down"),
                state().message().text());
        robot.push(KeyCode.G);
        until(() -> !of(Kind.SOURCE).equals(before) || state().message().text().contains("grouped by class already"));
    }

    @TakesLong
    @Test
    void whatIsTypedInALevelFieldIsKeptOrRefusedWhereverOneGoesNext(Hands robot) throws Exception {
        Brief.Cell cell = new Brief.Cell("music", "archive", "");
        robot.clickOn("#wish-music-archive");
        until(() -> robot.lookup("#level-least").tryQuery().isPresent());
        robot.doubleClickOn("#level-least").write("-24");
        robot.clickOn("#wish-host-live");
        until(() -> new Brief.Window(-24.0, null)
                .equals(state().what().brief().windows().get(cell)));
        robot.clickOn("#wish-music-archive");
        robot.doubleClickOn("#level-most").write("-30").push(KeyCode.TAB);
        until(() -> state().message() != null && state().message().text().contains("below its lower end"));
        assertEquals(
                new Brief.Window(-24.0, null), state().what().brief().windows().get(cell));
        robot.doubleClickOn("#level-most").write("-6").push(KeyCode.ENTER);
        until(() -> new Brief.Window(-24.0, -6.0)
                .equals(state().what().brief().windows().get(cell)));
        Brief set = state().what().brief();
        robot.write("mn");
        assertEquals(set, state().what().brief(), "letters go on into the field, not into the grid");
    }
}
