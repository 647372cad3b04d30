package org.gullyrun.desktop.window;

import java.util.List;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.input.InputEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import org.gullyrun.desktop.find.Action;
import org.gullyrun.desktop.look.CutTexts;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** The window: puts the {@link Frame}, the {@link Commands} and their keys on a stage, and remembers where it was. */
public final class Workbench {
    /** The one style sheet. */
    private static final String SHEET =
            Objects.requireNonNull(Nodes.class.getResource("sheet.css")).toExternalForm();

    private static final double TEXT = 13;

    private final Stage stage;
    private final Preferences remembered;
    private final Store store;
    private final PixelNudge speck = new PixelNudge();
    private final FileCommands files;
    private final Commands commands;
    private final Scene scene;

    /** Makes the window on a stage; it is not shown yet. */
    public Workbench(Stage stage, Store store, Preferences remembered, FilePicker picker) {
        this(stage, bare(), store, remembered, picker);
    }

    /** Makes the window on a stage that may show the bare sheet already. */
    Workbench(Stage stage, Scene bare, Store store, Preferences remembered, FilePicker picker) {
        this.stage = stage;
        this.store = store;
        this.remembered = remembered;
        this.scene = bare;
        Overlay overlay = new Overlay();
        CaseDialogs dialogs = new CaseDialogs(store, overlay, picker);
        Sheets sheets = new Sheets(store, overlay);
        new WhatIfSheet(store, overlay);
        this.files = new FileCommands(store, overlay, picker, remembered, dialogs);
        this.commands = new Commands(store);
        ListFiles lists = new ListFiles(store, overlay, picker);
        commands.addCases(files, dialogs, lists, sheets);
        commands.addRepair(new RepairCommands(store, overlay, lists), new CompareSheet(store, overlay, picker));
        AtomicReference<Frame> made = new AtomicReference<>();
        commands.addViews(made::get, overlay, dialogs, sheets);
        double width = stage.getScene() == bare ? bare.getWidth() : Double.NaN;
        Frame frame = new Frame(store, commands.all(), remembered, files, width);
        made.set(frame);
        scene.setRoot(new StackPane(frame, new MessageBar(store), overlay, speck));
        scene.addEventFilter(InputEvent.ANY, e -> speck.stir());
        scene.addEventFilter(KeyEvent.KEY_PRESSED, e -> store.pressed());
        scene.addEventFilter(MouseEvent.MOUSE_PRESSED, e -> store.pressed());
        scene.addEventFilter(KeyEvent.KEY_RELEASED, e -> {
            if (e.getCode() == KeyCode.B) {
                store.tryout().hold(false);
            }
        });
        CutTexts.watch(scene);
        new Keyboard(scene, overlay, commands::all, () -> store.state().step() == Step.INTAKE, frame::stepKey);
        if (stage.getScene() != scene) {
            stage.setScene(scene);
        }
        stage.setMinWidth(1024); // less would push parts of the head out of the window
        stage.setMinHeight(600);
        stage.setOnCloseRequest(this::closing);
        overlay.whenClosed(frame::requestFocus); // or the next control in line would seem to have been chosen
        store.watch(this::update);
        frame.requestFocus(); // so that keys count at once, and no control looks chosen
    }

    /** An empty sheet in the colours of the program, which a window can show before its parts are made. */
    static Scene bare() {
        Scene bare = new Scene(new StackPane(), 1280, 800);
        bare.getStylesheets().add(SHEET);
        return bare;
    }

    /** Everything that can be done by name or by key. */
    List<Action> commands() {
        return commands.all();
    }

    /** Offers what a start without a file can go on with. */
    public void welcome() {
        files.welcome();
    }

    /** The scene of the window. */
    public Scene scene() {
        return scene;
    }

    /** Titles the window, and applies the sheet's colours and the size of text. */
    private void update(State before, State now) {
        speck.stir();
        stage.setTitle(now.what().title() + (now.unsaved() ? " (unsaved)" : "") + " – Gullyrun");
        Nodes.turn(scene.getRoot(), "night", now.night());
        scene.getRoot().setStyle("-fx-font-size: " + TEXT * now.textScale() + "px;");
        if (!now.leftovers().isEmpty() && (before == now || before.leftovers() != now.leftovers())) {
            Platform.runLater(() -> files.offer(now.leftovers().getFirst()));
        }
        remembered.keep("night", now.night() ? 1 : 0);
        remembered.keep("text", now.textScale());
    }

    /** Asks before closing if something isn't saved. */
    private void closing(WindowEvent e) {
        if (store.state().unsaved()) {
            e.consume();
            files.kept(this::close);
        } else {
            remember();
        }
    }

    /** Closes the window once nothing unsaved is lost by it. */
    private void close() {
        remember();
        stage.close();
    }

    /** Remembers size, sheet and text size for next time. */
    private void remember() {
        remembered.keep("whole", stage.isMaximized() ? 1 : 0);
        if (!stage.isMaximized()) {
            remembered.keep("x", stage.getX());
            remembered.keep("y", stage.getY());
            remembered.keep("width", stage.getWidth());
            remembered.keep("height", stage.getHeight());
        }
        remembered.save();
    }
}
