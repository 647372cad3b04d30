package org.gullyrun.desktop.window;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Pace;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mockito;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** What tests of the real window need: the window on a case, and waiting for what it shows. */
@ExtendWith({ApplicationExtension.class, Hands.Given.class})
abstract class WindowTest {
    /** Neither fixes nor root causes are looked for: they are not what most tests are about, and take a second each time. */
    static final Pace QUIET = new Pace(Pace.NEVER, Pace.NEVER, Pace.NEVER, 50);
    /** Fixes of what is selected are looked for at once. */
    static final Pace WITH_FIXES = new Pace(10, Pace.NEVER, Pace.NEVER, 50);
    /** All that takes long is looked for at once. */
    static final Pace LIVELY = new Pace(10, 30, 100, 50);

    final FilePicker picker = Mockito.mock(FilePicker.class);
    Path folder;
    Path file;
    Store store;
    Stage stage;
    Workbench workbench;

    /** Opens the window on a case that is saved in a file of its own. */
    void open(Stage shown, Case what) throws Exception {
        open(shown, what, QUIET);
    }

    /** Opens it at a pace. */
    void open(Stage shown, Case what, Pace pace) throws Exception {
        keep(what, "sample.json");
        show(shown, new Store(CaseFiles.open(file), file, Platform::runLater, null, pace));
    }

    /** Saves a case in a file of its own, for a window that is still to be shown. */
    void keep(Case what, String name) throws Exception {
        Type.load();
        folder = Files.createTempDirectory("gullyrun-window");
        file = folder.resolve(name);
        CaseFiles.save(what, file);
    }

    /** Shows the window of a store. */
    void show(Stage shown, Store with) {
        store = with;
        stage = shown;
        workbench = new Workbench(stage, store, new Preferences(folder.resolve("window.properties")), picker);
        stage.setX(0);
        stage.setY(0);
        stage.setWidth(1280);
        stage.setHeight(800);
        stage.show();
    }

    /** What is pressed before the window has the keyboard is lost. */
    @BeforeEach
    void haveTheKeyboard() throws Exception {
        until(() -> stage == null || stage.isFocused());
    }

    @AfterEach
    void close() throws IOException {
        store.close();
        try (Stream<Path> all = Files.walk(folder)) {
            all.sorted(Comparator.reverseOrder()).forEach(path -> path.toFile().delete());
        }
    }

    static void until(Callable<Boolean> met) throws Exception {
        WaitForAsyncUtils.waitFor(90, TimeUnit.SECONDS, met); // a busy machine is slow, not wrong
        WaitForAsyncUtils.waitForFxEvents();
    }

    State state() throws Exception {
        return WaitForAsyncUtils.asyncFx(store::state).get();
    }

    Rig rig() throws Exception {
        return state().surveyShown().rig();
    }

    boolean has(String identity) throws Exception {
        return state().reading().findings().stream().anyMatch(f -> f.identity().equals(identity));
    }

    /** Does what the find field finds for some words. */
    static void act(Hands robot, String words) {
        robot.push(KeyCode.CONTROL, KeyCode.K);
        paste(robot, words);
        robot.push(KeyCode.ENTER);
    }

    /** Pastes a text: as real as typing it, and done at once. */
    private static void paste(Hands robot, String text) {
        robot.interact(() -> Clipboard.getSystemClipboard().setContent(Map.of(DataFormat.PLAIN_TEXT, text)));
        robot.push(KeyCode.CONTROL, KeyCode.V);
    }

    /** Puts a text into a field of the form that is asked with. */
    static void fill(Hands robot, String key, String text) {
        robot.clickOn("#form-" + key);
        robot.push(KeyCode.CONTROL, KeyCode.A);
        paste(robot, text);
    }

    /** What labels say, with plain blanks before units. */
    static String text(Hands robot, String query) {
        return robot.lookup(query).queryAllAs(Label.class).stream()
                .map(Label::getText)
                .toList()
                .toString()
                .replace('\u00a0', ' ');
    }
}
