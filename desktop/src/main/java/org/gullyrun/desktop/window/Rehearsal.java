package org.gullyrun.desktop.window;

import java.util.List;
import java.util.Objects;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/**
 * Goes once through what a start and the first minute of use need, and ends the program: from it the JDK learns what to
 * keep ready. Run when the program is put together.
 */
final class Rehearsal extends AnimationTimer {
    /** Frames for each turn, so that it is painted and what it sets going has its time. */
    private static final int FRAMES = 40;
    /** Some minute: what goes wrong here must not keep anybody waiting. */
    private static final int PATIENCE = 3_600;

    private final Scene scene;
    private final List<Runnable> turns;
    private boolean drawn;
    private int frames;
    private int waited;

    Rehearsal(Scene scene, Store store) {
        this.scene = scene;
        this.turns = List.of(
                () -> store.select(new Selection.Pair("music", "archive")),
                () -> store.lookAt(2),
                () -> store.go(Step.FINDINGS),
                () -> store.selectFinding(1),
                () -> store.change(List.of(Objects.requireNonNull(
                        Change.set(store.state().surveyShown().rig(), "in-default", Productions.INPUT_MUTED, true)))),
                store::undo,
                () -> store.go(Step.BRIEF),
                () -> store.go(Step.INTAKE),
                () -> store.go(Step.TRACE),
                Platform::exit);
    }

    @Override
    public void handle(long now) {
        drawn = drawn || scene.lookup(".bank") != null;
        if (++waited == PATIENCE) {
            Platform.exit();
        }
        if (drawn && ++frames % FRAMES == 0) {
            turns.get(Math.min(frames / FRAMES, turns.size()) - 1).run();
        }
    }
}
