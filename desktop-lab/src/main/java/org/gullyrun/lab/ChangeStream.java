package org.gullyrun.lab;

import java.io.PrintStream;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import javafx.application.Platform;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.state.Store;

/**
 * Makes change after change in a real window, as fast as a person never could, and says each as soon as it is made: for
 * the proof that ending the process at any moment loses none. The level of the first input counts the changes.
 */
final class ChangeStream {
    /** One change lowers the level by so much, dB. */
    static final double STEP = 0.001;

    private static final int MOST = 190_000;
    /** A save takes as long as some changes: about half of all kills come while one is under way. */
    private static final int EACH_SAVE = 4;

    private static final int PAUSE = 3;

    private ChangeStream() {}

    static void start(Store store, PrintStream out) {
        Thread thread = new Thread(() -> run(store, out), "gullyrun-stream");
        thread.setDaemon(true);
        thread.start();
    }

    /** Makes changes one after the other, and says of each when it was made. */
    private static void run(Store store, PrintStream out) {
        try {
            for (int i = 1; i <= MOST; i++) {
                CountDownLatch made = new CountDownLatch(1);
                int n = i;
                Platform.runLater(() -> {
                    step(store, n, out);
                    made.countDown();
                });
                made.await();
                out.println(i + " " + System.currentTimeMillis());
                out.flush();
                Thread.sleep(PAUSE);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Makes one change, and saves now and then. */
    private static void step(Store store, int n, PrintStream out) {
        Rig rig = store.state().surveyShown().rig();
        Element input = rig.of(Kind.INPUT).getFirst();
        Change change = Change.set(rig, input.id(), Productions.INPUT_LEVEL, -n * STEP);
        if (change != null) {
            store.change(List.of(change));
        }
        var file = store.state().file();
        if (n % EACH_SAVE == 0 && file != null) {
            out.println("saving " + n);
            store.save(file, true, () -> out.println("saved " + n), () -> {});
        }
    }
}
