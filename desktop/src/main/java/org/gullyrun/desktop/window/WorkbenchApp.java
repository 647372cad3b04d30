package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.util.List;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** Starts the window: with a file, with the sample show, or with what was open last. */
public final class WorkbenchApp extends Application {
    /** The argument that asks for the sample show. */
    public static final String DEMO = "--demo";

    private @Nullable Store store;

    /** Runs the window until it is closed. */
    public static void run(String... arguments) {
        Application.launch(WorkbenchApp.class, arguments);
    }

    @Override
    public void start(Stage stage) {
        Type.load();
        Remembered remembered = new Remembered(Remembered.usualFile());
        List<String> arguments = getParameters().getRaw();
        Path file = arguments.isEmpty() || arguments.contains(DEMO) ? null : Path.of(arguments.getFirst());
        if (arguments.isEmpty()) {
            file = remembered.recent().stream().findFirst().orElse(null);
        }
        Case what = Workbench.usualCase();
        Message problem = null;
        if (file != null) {
            try {
                what = CaseFiles.open(file);
                remembered.opened(file);
            } catch (CaseProblem e) {
                problem = new Message(e.getMessage() + " The sample show is open instead.", true);
                file = null;
            }
        }
        Store made = new Store(what, file, Platform::runLater);
        store = made;
        made.look(remembered.number("night", 0) > 0, remembered.number("text", 1));
        new Workbench(stage, made, remembered, new NativeFilePicker(stage));
        if (problem != null) {
            made.tell(problem);
        }
        place(stage, remembered);
        stage.show();
    }

    private static void place(Stage stage, Remembered remembered) {
        double width = remembered.number("width", 1280);
        double height = remembered.number("height", 800);
        double x = remembered.number("x", Double.NaN);
        double y = remembered.number("y", Double.NaN);
        Rectangle2D screen = Screen.getPrimary().getVisualBounds();
        stage.setWidth(Math.min(width, screen.getWidth()));
        stage.setHeight(Math.min(height, screen.getHeight()));
        // A place on a screen that is no longer there would hide the window.
        if (!Screen.getScreensForRectangle(x, y, 80, 40).isEmpty() && x == x && y == y) {
            stage.setX(x);
            stage.setY(y);
        }
    }

    @Override
    public void stop() {
        if (store != null) {
            store.close();
        }
    }
}
