package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import javafx.geometry.Bounds;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.Tooltip;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** Every size of window and of text, with names of eighty letters: all can be read and reached. */
class SizesTest extends WindowTest {
    private static final double[][] SIZES = {
        {1024, 700, 0.8},
        {1024, 700, 1},
        {1024, 700, 1.5},
        {1280, 800, 1},
        {1280, 800, 1.5},
        {1920, 1080, 1.25},
        {2560, 1440, 1.5}
    };

    /** Those that are tried every time; the others with {@code -Pthorough}. */
    private static final double[][] SOME = {{1024, 700, 1.5}, {2560, 1440, 1.5}};

    private static final boolean THOROUGH = Boolean.getBoolean("gullyrun.thorough");

    private final TreeSet<String> wrong = new TreeSet<>();

    /** The sample show with names as long as people make them. */
    private static Case longNames() {
        Case sample = SampleShow.make();
        List<Survey> surveys = new ArrayList<>();
        for (Survey survey : sample.surveys()) {
            List<Element> elements = new ArrayList<>();
            for (Element element : survey.rig().elements()) {
                boolean named = switch (element.kind()) {
                    case SOURCE, OUTLET, DEVICE, APPLICATION, STRIP, INPUT, SCENE -> true;
                    case MACHINE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APP_OUTPUT, MIXER, BUS -> false;
                    case PRODUCTION, GROUP, ENTRY, OUTPUT -> false;
                };
                String name = (element.name()
                                + " of the long_running Thursday night show in the upper studio, number two of four")
                        .substring(0, 80);
                elements.add(named ? element.with(Common.name(element.kind()), name) : element);
            }
            surveys.add(survey.withRig(Rig.of(elements)));
        }
        return sample.withSurveys(surveys);
    }

    @Start
    void start(Stage shown) throws Exception {
        open(shown, longNames(), LIVELY);
    }

    private void size(Hands robot, double[] size) {
        robot.interact(() -> {
            stage.setWidth(size[0]);
            stage.setHeight(size[1]);
            store.look(false, size[2]);
        });
        settle(robot);
    }

    private static void settle(Hands robot) {
        for (int pulse = 0; pulse < 4; pulse++) {
            robot.interact(() -> {});
        }
    }

    @TakesLong
    @Test
    void nothingIsOutOfReachOrBrokenLetterByLetter(Hands robot) throws Exception {
        everywhere(robot, THOROUGH ? SIZES : SOME);
        if (THOROUGH) {
            robot.interact(() -> store.replace(SampleShow.make(), Step.INTAKE));
            everywhere(robot, SIZES);
        }
        assertEquals(List.of(), wrong.stream().limit(20).toList());
    }

    private void everywhere(Hands robot, double[][] sizes) throws Exception {
        until(() -> state().causes().done());
        for (double[] size : sizes) {
            size(robot, size);
            for (Step step : Step.values()) {
                robot.interact(() -> {
                    store.go(step);
                    store.select(new Selection.Trouble("leak:crew>live"));
                });
                until(() -> state().fixes() == null || state().fixes().complete());
                settle(robot);
                String where =
                        step + " at " + (int) size[0] + "×" + (int) size[1] + ", " + (int) (100 * size[2]) + " %";
                robot.interact(() -> look(stage.getScene().getRoot(), where, size[2], false));
            }
        }
    }

    /** Looks at a node and at all in it; what scrolls may lie outside. */
    private void look(Node node, String where, double scale, boolean scrolls) {
        if (!node.isVisible()) {
            return;
        }
        Bounds bounds = node.localToScene(node.getLayoutBounds());
        boolean control = node instanceof ButtonBase || node instanceof TextInputControl;
        if (control && !scrolls && bounds.getWidth() > 0) {
            boolean inside = bounds.getMinX() >= -1
                    && bounds.getMinY() >= -1
                    && bounds.getMaxX() <= stage.getScene().getWidth() + 1
                    && bounds.getMaxY() <= stage.getScene().getHeight() + 1;
            if (!inside) {
                wrong.add(where + ": " + name(node) + " is outside the window: " + bounds);
            }
        }
        if (node instanceof Labeled labeled
                && labeled.isMnemonicParsing()
                && labeled.getText().contains("_")) {
            wrong.add("underscore left out: " + name(node));
        }
        if (node instanceof Labeled labeled
                && labeled.getText() != null
                && labeled.getText().length() > 6) {
            double letter = 6 * scale;
            if (labeled.isWrapText() && labeled.getWidth() < 8 * letter && labeled.getHeight() > 4 * 16 * scale) {
                wrong.add(where + ": “" + labeled.getText() + "” is broken letter by letter");
            }
            if (labeled instanceof ButtonBase && labeled.getText().startsWith("Apply") && labeled.isTextTruncated()) {
                wrong.add(where + ": “" + labeled.getText() + "” is cut");
            }
        }
        if (node instanceof ScrollBar bar
                && bar.getOrientation() == Orientation.HORIZONTAL
                && stage.getScene().getWidth() >= 1280
                && scale == 1
                && stage.getScene().lookup("#intake") instanceof Parent sheet
                && sheet.isVisible()
                && isIn(bar, sheet)) {
            wrong.add(where + ": the sheet scrolls sideways");
        }
        if (node instanceof Parent parent) {
            boolean within = scrolls || node instanceof ScrollPane || "map".equals(node.getId());
            parent.getChildrenUnmodifiable().forEach(child -> look(child, where, scale, within));
        }
    }

    private static boolean isIn(Node node, Parent part) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == part) {
                return true;
            }
        }
        return false;
    }

    private static String name(Node node) {
        return node.getId() != null
                ? "#" + node.getId()
                : node instanceof Labeled labeled ? "“" + labeled.getText() + "”" : node.toString();
    }

    @TakesLong
    @Test
    void theFirstFixAndItsPriceAreInSightAtEverySize(Hands robot) throws Exception {
        robot.interact(() -> store.replace(SampleShow.make(), Step.FINDINGS));
        until(() -> state().causes().done());
        robot.interact(() -> {
            store.go(Step.FINDINGS);
            store.select(new Selection.Trouble("leak:crew>live"));
        });
        until(() -> state().fixes() != null && state().fixes().complete());
        for (double[] size : THOROUGH ? SIZES : SOME) {
            size(robot, size);
            Node apply = robot.lookup("#fix-0").query();
            Bounds bounds = apply.localToScene(apply.getLayoutBounds());
            Node evidence = robot.lookup("#evidence").query();
            Bounds room = evidence.localToScene(evidence.getLayoutBounds());
            assertTrue(
                    bounds.getMaxY() <= room.getMaxY() && bounds.getMinY() >= room.getMinY(),
                    "the first fix at " + size[0] + "×" + size[1] + ": " + bounds);
        }
    }

    @TakesLong
    @Test
    void aNameThatIsCutSaysItselfUnderThePointer(Hands robot) throws Exception {
        robot.interact(() -> store.go(Step.INTAKE));
        settle(robot);
        Labeled cut = (Labeled) robot.lookup(".sheet-cell").queryAll().stream()
                .filter(n -> n instanceof Labeled l && l.isTextTruncated())
                .findFirst()
                .orElseThrow();
        robot.moveTo(cut);
        settle(robot);
        Tooltip said = (Tooltip) cut.getProperties().get(Tooltip.class);
        assertEquals(cut.getText(), said.getText());
    }

    @Test
    void aNameIsCutInTheMiddle(Hands robot) {
        robot.interact(() -> {
            javafx.scene.text.Font font = javafx.scene.text.Font.getDefault();
            String name = "Input of the long running Thursday night show, number two";
            double room = org.gullyrun.desktop.look.Type.width(name, font) / 2;
            String cut = org.gullyrun.desktop.look.Type.fit(name, font, room);
            assertTrue(cut.startsWith("Input") && cut.endsWith("two") && cut.contains("…"), cut);
            assertTrue(org.gullyrun.desktop.look.Type.width(cut, font) <= room, cut);
            assertEquals(name, org.gullyrun.desktop.look.Type.fit(name, font, 2 * room + 1));
            assertEquals("…", org.gullyrun.desktop.look.Type.fit(name, font, 3));
        });
    }

    @Test
    void aNumberStaysWithItsUnitAndADotEndsALineRatherThanBeginOne(Hands robot) {
        robot.interact(() -> assertEquals(
                "at 48\u00a0kHz, 2 routes, 7\u00a0ms apart\u00a0· as in known good",
                org.gullyrun.desktop.look.Nodes.label("at 48 kHz, 2 routes, 7 ms apart · as in known good")
                        .getText()));
    }
}
