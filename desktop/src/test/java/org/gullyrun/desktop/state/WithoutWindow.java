package org.gullyrun.desktop.state;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.gullyrun.core.casefile.Case;
import org.junit.jupiter.api.AfterEach;

/** A store without any window: a queue stands in for the interface thread. */
abstract class WithoutWindow {
    private final BlockingQueue<Runnable> queue = new LinkedBlockingQueue<>();
    final Store store;

    WithoutWindow(Case what) {
        this.store = new Store(what, null, queue::add);
    }

    @AfterEach
    void close() {
        store.close();
    }

    void until(BooleanSupplier met) throws InterruptedException {
        while (!met.getAsBoolean()) {
            Runnable task = queue.poll(60, TimeUnit.SECONDS);
            assertTrue(task != null, "nothing more happens");
            task.run();
        }
    }
}
