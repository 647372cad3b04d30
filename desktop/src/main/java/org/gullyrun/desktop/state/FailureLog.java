package org.gullyrun.desktop.state;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.logging.FileHandler;
import java.util.logging.Handler;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;
import org.jspecify.annotations.Nullable;

/**
 * Where faults of the program itself are written down, for the developers: {@code gullyrun.log} in the state folder,
 * and the terminal. The window says them too; nothing is only in a log.
 *
 * <p>The file is opened by the first fault: a start without one does not pay for it.
 */
public final class FailureLog {
    private static final String NAME = "org.gullyrun";
    private static final int MOST_BYTES = 1 << 20;
    private static @Nullable Path folder;
    private static @Nullable Handler file;

    private FailureLog() {}

    /** Says in which folder the file is to be, from the next fault on. */
    public static synchronized void into(Path where) {
        if (file != null) {
            Logger.getLogger(NAME).removeHandler(file);
            file.close();
            file = null;
        }
        folder = where;
    }

    /** Writes down what went wrong, and while doing what. */
    public static synchronized void write(String doing, Throwable fault) {
        if (file == null && folder != null) {
            open(folder);
        }
        System.getLogger(NAME).log(System.Logger.Level.ERROR, doing, fault);
    }

    /** Opens the log. Without one the program still runs. */
    private static void open(Path where) {
        try {
            Files.createDirectories(where);
            String name = where.resolve("gullyrun.log").toString().replace("%", "%%");
            FileHandler handler = new FileHandler(name, MOST_BYTES, 1, true);
            handler.setEncoding("UTF-8");
            handler.setFormatter(new SimpleFormatter());
            Logger.getLogger(NAME).addHandler(handler);
            file = handler;
        } catch (IOException e) {
            folder = null; // it goes to the terminal only
        }
    }
}
