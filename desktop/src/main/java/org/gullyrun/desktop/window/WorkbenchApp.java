package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicReference;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.StackPane;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.FailureLog;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Pace;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** Starts the window: with a file, with the sample show, or with an empty sheet and what can be opened. */
public final class WorkbenchApp extends Application {
    /** The argument that asks for the sample show. */
    public static final String DEMO = "--demo";

    /** The argument that goes through the window once, and ends. */
    public static final String REHEARSE = "--rehearse";

    /** When a start without a file offers what to open, ms after the window is filled. */
    private static final double WELCOME = 400;

    private static final AtomicReference<CompletableFuture<Opened>> OPENING = new AtomicReference<>();

    /** Whose window is to tell of faults, once there is one. */
    private static final AtomicReference<@Nullable Store> SHOWN = new AtomicReference<>();

    private static final AtomicReference<WindowObserver> OBSERVER = new AtomicReference<>(WindowObserver.NONE);

    private @Nullable Store store;

    /** What the window starts with. */
    private record Opened(
            Store store, Preferences remembered, @Nullable Message problem, boolean empty) {}

    /** Runs the window until it is closed; the observer is called as it comes up. */
    public static void run(WindowObserver observer, String... arguments) {
        OBSERVER.set(observer);
        run(arguments);
    }

    /** Runs the window until it is closed. */
    public static void run(String... arguments) {
        FailureLog.into(Objects.requireNonNull(Preferences.journals().getParent()));
        // A fault of the program is said in the window, with what is still safe; never only in a log.
        Thread.setDefaultUncaughtExceptionHandler((thread, fault) -> {
            FailureLog.write("in " + thread.getName(), fault);
            Store store = SHOWN.get();
            if (store != null) {
                Platform.runLater(() -> store.tell(new Message(
                        "Something went wrong in Gullyrun (" + fault
                                + "). The case is as it was before; save it under another name to be safe.",
                        true)));
            }
        });
        // The case is read and audited while the toolkit starts: each takes a good part of a second.
        OPENING.set(CompletableFuture.supplyAsync(() -> open(List.of(arguments))));
        Application.launch(WorkbenchApp.class, arguments);
    }

    /** Opens what the arguments name: a case, the sample, or nothing. */
    private static Opened open(List<String> arguments) {
        Preferences remembered = new Preferences(Preferences.usualFile());
        boolean demo = arguments.contains(DEMO);
        Path file = arguments.isEmpty() || demo ? null : Path.of(arguments.getFirst());
        Case what = demo ? SampleShow.make() : StartingRigs.empty("New case");
        Message problem = null;
        if (file != null) {
            try {
                what = CaseFiles.open(file);
                remembered.opened(file);
            } catch (CaseProblem e) {
                problem = new Message(String.valueOf(e.getMessage()), true);
                file = null;
            }
        }
        Store store = new Store(what, file, Platform::runLater, Preferences.journals(), Pace.OF_A_PERSON);
        store.look(remembered.number("night", 0) > 0, remembered.number("text", 1));
        return new Opened(store, remembered, problem, file == null && !demo);
    }

    @Override
    public void start(Stage stage) {
        Preferences remembered = new Preferences(Preferences.usualFile());
        // The bare sheet first, in its place and colour: the window answers the command before its parts are made.
        Scene bare = Workbench.bare();
        if (remembered.number("night", 0) > 0) {
            bare.getRoot().getStyleClass().add("night");
        }
        stage.setTitle("Gullyrun");
        stage.setScene(bare);
        place(stage, remembered);
        stage.show();
        observer().shown(bare);
        Platform.runLater(() -> fill(stage, bare));
    }

    /** Fills the window in the order in which its parts are needed. */
    private void fill(Stage stage, Scene bare) {
        Type.load();
        Opened opened;
        try {
            opened = Objects.requireNonNull(OPENING.get(), "nothing to open was said")
                    .join();
        } catch (CompletionException e) {
            refuse(bare, e.getCause() == null ? e : e.getCause());
            return;
        }
        Store made = opened.store;
        store = made;
        SHOWN.set(made);
        Workbench workbench = new Workbench(stage, bare, made, opened.remembered, new NativeFilePicker(stage));
        if (opened.empty && made.state().leftovers().isEmpty()) {
            made.go(Step.INTAKE);
            // Once the sheet is laid out: it takes the cursor, and the dialog measures itself by its styles.
            PauseTransition wait = new PauseTransition(Duration.millis(WELCOME));
            wait.setOnFinished(e -> workbench.welcome());
            wait.play();
        }
        if (opened.problem != null) {
            made.tell(opened.problem);
        } else {
            made.tellOfUnknown();
        }
        if (getParameters().getRaw().contains(REHEARSE)) {
            new Rehearsal(bare, made).start();
        }
        observer().filled(made);
    }

    private static WindowObserver observer() {
        return Objects.requireNonNull(OBSERVER.get());
    }

    /** Nothing can be shown: that is said, in place of an empty window. */
    private static void refuse(Scene bare, Throwable why) {
        FailureLog.write("cannot start", why);
        Label told = new Label("Gullyrun could not start with this case (" + why
                + "). Nothing was changed. Start it with another file, or with: gullyrun demo");
        told.setId("refused");
        told.setWrapText(true);
        told.setMaxWidth(600);
        ((StackPane) bare.getRoot()).getChildren().setAll(told);
    }

    /** Places the window where it was, if that is still on a screen. */
    private static void place(Stage stage, Preferences remembered) {
        double width = remembered.number("width", 1280);
        double height = remembered.number("height", 800);
        double x = remembered.number("x", Double.NaN);
        double y = remembered.number("y", Double.NaN);
        Rectangle2D screen = Screen.getPrimary().getVisualBounds();
        stage.setWidth(Math.min(width, screen.getWidth()));
        stage.setHeight(Math.min(height, screen.getHeight()));
        // A place on a screen that is no longer there would hide the window.
        if (!Screen.getScreensForRectangle(x, y, 80, 40).isEmpty() && !Double.isNaN(x) && !Double.isNaN(y)) {
            stage.setX(x);
            stage.setY(y);
        }
        stage.setMaximized(remembered.number("whole", 0) > 0);
    }

    @Override
    public void stop() {
        if (store != null) {
            store.close();
        }
    }
}
