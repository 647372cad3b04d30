package org.gullyrun.desktop.measure;

import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.stage.Stage;
import javafx.stage.StageStyle;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.window.FilePicker;
import org.gullyrun.desktop.window.Remembered;
import org.gullyrun.desktop.window.Workbench;

/** Measures how long the real window takes to answer a change: from the change to the frame that shows what follows. */
public final class AnswerTime {
    private static final int CHANGES = 160;
    private static final int WARMING = 120;
    private static final int QUIET_FRAMES = 25;

    private AnswerTime() {}

    /**
     * Makes changes in a window on the sample show, one after the other, and times each.
     *
     * @return the times after warming up
     */
    public static Times measure(Case sample) throws InterruptedException {
        CompletableFuture<Times> done = new CompletableFuture<>();
        Platform.startup(() -> start(sample, done));
        try {
            return done.get();
        } catch (java.util.concurrent.ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        } finally {
            Platform.exit();
        }
    }

    private static void start(Case sample, CompletableFuture<Times> done) {
        Type.load();
        Store store = new Store(sample, null, Platform::runLater);
        Stage stage = new Stage(StageStyle.UNDECORATED);
        Remembered nothing = new Remembered(Path.of(System.getProperty("java.io.tmpdir"), "gullyrun-measure-none"));
        Workbench workbench = new Workbench(stage, store, nothing, FilePicker.NONE);
        stage.setWidth(1280);
        stage.setHeight(800);
        stage.show();
        Times times = new Times();
        new AnimationTimer() {
            private Reading before = store.state().reading();
            private boolean drawn;
            private boolean begun;
            private boolean awaited;
            private int quiet;
            private int made;

            @Override
            public void handle(long now) {
                drawn = drawn || workbench.scene().lookup(".bank") != null;
                if (!drawn) {
                    return;
                }
                if (!begun) {
                    // A person waits for the answer before the next change: so does this.
                    if (++quiet == QUIET_FRAMES) {
                        Platform.runLater(this::next); // just after a pulse: none has to wait longer for the next
                    }
                } else if (!awaited && store.state().reading() != before) {
                    awaited = true; // shown by this pulse
                    Painting.afterThisPulse(this::painted);
                }
            }

            private void painted() {
                times.end(made > WARMING);
                begun = false;
                quiet = 0;
            }

            private void next() {
                if (made == CHANGES) {
                    stop();
                    done.complete(times);
                    return;
                }
                made++;
                awaited = false;
                before = store.state().reading();
                store.select(new Selection.Pair("music", "archive"));
                boolean on = made % 2 == 0;
                begun = true;
                times.begin();
                store.change(List.of(Objects.requireNonNull(
                        Change.set(store.state().surveyShown().rig(), "in-music", Productions.TRACK.of(2), on))));
            }
        }.start();
    }
}
