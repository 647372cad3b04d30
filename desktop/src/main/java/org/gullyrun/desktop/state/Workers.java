package org.gullyrun.desktop.state;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ForkJoinPool;

/** The threads on which everything is done that takes longer than a frame. They end with the program. */
final class Workers {
    private Workers() {}

    /** A thread for work of one kind. */
    static ExecutorService of(String name) {
        return Executors.newSingleThreadExecutor(task -> {
            Thread thread = new Thread(task, "gullyrun-" + name);
            thread.setDaemon(true);
            return thread;
        });
    }

    /** Threads for fixes and causes: no more than two, as each holds readings of its own. */
    static ExecutorService seekers() {
        int most = Math.min(2, Runtime.getRuntime().availableProcessors());
        return new ForkJoinPool(
                most,
                pool -> {
                    var thread = ForkJoinPool.defaultForkJoinWorkerThreadFactory.newThread(pool);
                    thread.setName("gullyrun-seeker");
                    thread.setDaemon(true);
                    return thread;
                },
                null,
                true);
    }
}
