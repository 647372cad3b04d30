package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.core.words.Texts;
import org.gullyrun.desktop.find.Action;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;

/** All that the window says on its way through every step, sheet and dialog, held against phrases that nobody would say. */
class ScreenTextsTest extends SampleWindowTest {
    private final List<String> texts = new ArrayList<>();
    /** Controls that say nothing to those who hear the screen. */
    private final Set<String> nameless = new TreeSet<>();

    @Start
    void start(Stage shown) throws Exception {
        open(shown, SampleShow.make(), LIVELY);
    }

    private void read(Hands robot) {
        robot.interact(() -> read(stage.getScene().getRoot()));
    }

    private void read(Node node) {
        if (node instanceof Labeled labeled && labeled.getText() != null) {
            texts.addAll(labeled.getText().lines().toList());
        } else if (node instanceof Text text) {
            texts.addAll(text.getText().lines().toList());
        } else if (node instanceof TextInputControl input && input.getPromptText() != null) {
            texts.add(input.getPromptText());
        }
        if (isControl(node) && node.isVisible() && spoken(node).isBlank()) {
            nameless.add(node.getClass().getSimpleName() + " " + node.getId() + " " + node.getStyleClass());
        }
        if (node.getAccessibleText() != null) {
            texts.add(node.getAccessibleText());
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(this::read);
        }
    }

    private static boolean isControl(Node node) {
        // The cells of a sheet are reached by the one that is typed into, which has their names.
        return !node.getStyleClass().contains("sheet-cell")
                && (node instanceof ButtonBase
                        || node instanceof TextInputControl
                        || !(node instanceof ScrollPane)
                                && (node.isFocusTraversable() || node.getOnMouseClicked() != null)
                                && !(node.getId() != null && node.getId().equals("map")));
    }

    private static String spoken(Node node) {
        String text = node.getAccessibleText();
        return text != null
                ? text
                : node instanceof Labeled labeled && labeled.getText() != null ? labeled.getText() : "";
    }

    @TakesLong
    @Test
    void whatTheWindowSaysIsWhatATechnicianWouldSay(Hands robot) throws Exception {
        until(() -> state().causes().done());
        for (Step step : Step.values()) {
            robot.interact(() -> store.go(step));
            read(robot);
        }
        for (Selection selection : List.of(
                new Selection.Trouble("leak:crew>live"),
                new Selection.Trouble("missing:chimes>host-ears"),
                new Selection.Trouble("rate.cable:heron"),
                new Selection.Pair("music", "archive"),
                new Selection.Pair("clips", "host-ears"),
                new Selection.OfElement("brookdesk"),
                new Selection.OfSource("host"),
                new Selection.OfOutlet("live"))) {
            robot.interact(() -> store.select(selection));
            until(() -> state().fixes() == null || state().fixes().complete());
            read(robot);
        }
        // Each of these opens a sheet or a dialog, or says why it doesn't.
        for (String id : List.of(
                "about",
                "limits",
                "survey-add",
                "survey-name",
                "survey-good",
                "copy-questions",
                "about-finding",
                "what-if",
                "levels",
                "rates",
                "waive",
                "copy-finding",
                "keys",
                "licences",
                "new",
                "rates")) {
            robot.interact(() -> perform(id));
            read(robot);
            robot.push(KeyCode.ESCAPE);
        }
        for (String typed : List.of("default to Plover", "Brookdesk gone")) {
            robot.interact(() -> WhatIf.search(
                            WhatIf.events(store.state().reading().rig()), typed, "", 1)
                    .forEach(event -> store.tryout().add(event.change(), event.sentence())));
            until(() -> state().against() != null);
            read(robot);
            robot.interact(() -> store.select(new Selection.Pair("clips", "host-ears")));
            read(robot);
            robot.push(KeyCode.ESCAPE);
        }
        robot.push(KeyCode.ESCAPE);
        robot.interact(() -> workbench.welcome());
        read(robot);
        robot.push(KeyCode.ESCAPE);
        robot.push(KeyCode.CONTROL, KeyCode.K);
        for (String words : List.of("m", "e", "nothing like it")) {
            robot.write(words);
            read(robot);
        }
        robot.push(KeyCode.ESCAPE);
        robot.interact(() -> store.go(Step.INTAKE));
        for (int section = 0; section < Section.values().length; section++) {
            until(() -> robot.lookup("#cell").tryQuery().isPresent());
            read(robot);
            robot.push(KeyCode.F4).push(KeyCode.PAGE_DOWN);
        }
        assertEquals(Set.of(), nameless);
        assertTrue(texts.size() > 1_500, "texts: " + texts.size());
        Texts.check(texts.stream().filter(t -> !isNotice(t)).toList(), Path.of("target", "texts.txt"));
    }

    private void perform(String id) {
        workbench.commands().stream()
                .filter(a -> a.id().equals(id))
                .findFirst()
                .map(Action::run)
                .orElseThrow()
                .run();
    }

    /** The notices of what ships with the program are in the words of its authors. */
    private static boolean isNotice(String text) {
        return text.length() > 600 || text.contains("icence") || text.contains("LICENSE");
    }
}
