package org.gullyrun.desktop.window;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.event.EventHandler;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.scene.input.InputEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.basins.BasinsView;
import org.gullyrun.desktop.evidence.EvidenceView;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.trace.MapView;

/**
 * Makes the window quick before it is needed. What answers a change has not run yet when the window opens, and code that
 * runs for the first time takes five times as long: the first answers would be late. So views that nobody sees answer
 * changes of the sample show while a person still reads the first screen, piece by piece, never while one does something.
 */
final class Exercise extends AnimationTimer {
    /** After the start all else is done first, ms. */
    private static final int AFTER = 2_000;

    private static final int ROUNDS = 20;
    private static final int PANES = 32;
    private static final int ACROSS = 8;
    /** Pieces are done one after the other for so long, ns; then the window has its turn. */
    private static final long AT_A_TIME = 8_000_000;
    /** So long nothing was pressed or moved, ns. */
    private static final long IDLE = 300_000_000;

    private final Store store;
    private final BorderPane views = new BorderPane();
    /**
     * Panes of nothing over the window: where one changes, what is there is painted as it is. They are of many sizes, since
     * the compiler leaves out what never happened so far, and painting what is cut at an edge is among it.
     */
    private final Group veil = new Group();

    private final Iterator<Runnable> pieces;
    private final Scene shown;
    private final Pane over;
    private final EventHandler<InputEvent> touching = e -> touch();
    private int painted;
    private long touched;

    private Exercise(Scene shown, Pane over, Store store) {
        this.over = over;
        this.shown = shown;
        this.store = store;
        this.pieces = pieces().iterator();
        new Scene(views, 1280, 800).getStylesheets().addAll(shown.getStylesheets());
        for (int i = 0; i < PANES; i++) {
            Rectangle pane = new Rectangle(
                    i % ACROSS * shown.getWidth() / ACROSS,
                    i / ACROSS * shown.getHeight() / (PANES / ACROSS),
                    shown.getWidth() / (1.5 + i % 7),
                    shown.getHeight() / (2 + i % 5));
            pane.setFill(Color.TRANSPARENT);
            veil.getChildren().add(pane);
        }
        veil.setManaged(false);
        veil.setMouseTransparent(true);
        shown.addEventFilter(InputEvent.ANY, touching);
        touch();
    }

    /** Begins a while after a window has opened. */
    static void begin(Scene shown, Pane over) {
        Executor later = CompletableFuture.delayedExecutor(AFTER, TimeUnit.MILLISECONDS);
        CompletableFuture.supplyAsync(() -> new Store(SampleShow.make(), null, Platform::runLater), later)
                .thenAccept(store -> Platform.runLater(() -> {
                    store.onlyAnswer();
                    new Exercise(shown, over, store).start();
                }));
    }

    private List<Runnable> pieces() {
        List<Runnable> all = new ArrayList<>();
        all.add(() -> over.getChildren().add(veil));
        all.add(() -> views.setCenter(new MapView(store)));
        all.add(() -> views.setBottom(new BasinsView(store, 1280)));
        all.add(() -> views.setRight(new EvidenceView(store)));
        drawn(all);
        for (int i = 0; i < ROUNDS; i++) {
            all.add(() -> store.select(new Selection.Trouble(
                    store.state().reading().findings().getFirst().identity())));
            drawn(all);
            answered(all, "in-default", Productions.INPUT_MUTED, true);
            all.add(() -> store.select(new Selection.Pair("music", "archive")));
            drawn(all);
            answered(all, "in-music", Productions.TRACK.of(2), false);
        }
        return all;
    }

    /** A change, taken back. */
    private void answered(List<Runnable> all, String element, Setting<Boolean> setting, boolean to) {
        all.add(() -> {
            Change change = Change.set(store.state().surveyShown().rig(), element, setting, to);
            store.change(change == null ? List.of() : List.of(change));
        });
        drawn(all);
        all.add(store::undo);
        drawn(all);
    }

    /** Styles, layout and painting; what is painted is the window itself, since only that reaches the painting thread. */
    private void drawn(List<Runnable> all) {
        all.add(views::applyCss);
        all.add(views::layout);
        all.add(this::paint);
    }

    private void paint() {
        painted++;
        for (int i = 0; i < PANES; i++) {
            if ((i + painted) % 4 == 0) {
                var pane = veil.getChildren().get(i);
                pane.setOpacity(pane.getOpacity() < 1 ? 1 : 0.9);
            }
        }
    }

    private void touch() {
        touched = System.nanoTime();
    }

    @Override
    public void handle(long now) {
        if (System.nanoTime() - touched < IDLE) {
            return;
        }
        boolean goesOn = false; // if anything goes wrong it is over, and told once
        try {
            if (shown.getWindow() != null && shown.getWindow().isShowing()) {
                long began = System.nanoTime();
                int before = painted;
                while (pieces.hasNext() && painted == before && System.nanoTime() - began < AT_A_TIME) {
                    pieces.next().run();
                }
                goesOn = pieces.hasNext();
            }
        } finally {
            if (!goesOn) {
                end();
            }
        }
    }

    private void end() {
        stop();
        shown.removeEventFilter(InputEvent.ANY, touching);
        over.getChildren().remove(veil);
        store.close();
    }
}
