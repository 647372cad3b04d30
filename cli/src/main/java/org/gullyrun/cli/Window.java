package org.gullyrun.cli;

import java.nio.file.Path;
import java.util.Locale;
import org.gullyrun.desktop.window.WorkbenchApp;
import org.jspecify.annotations.Nullable;

/** Opens the window, where there is a display for it. */
public final class Window {
    /** Where this is set, the window goes through itself once, and closes: when the program is put together. */
    private static final String REHEARSED = "GULLYRUN_REHEARSED";

    private Window() {}

    /** Opens the window on a file, or with the offer of the start. */
    static int open(@Nullable Path file) {
        return file == null ? run() : run(file.toString());
    }

    /** Opens the window on the sample show; the exit code of the command. */
    static int demo() {
        if (isSet(REHEARSED)) {
            return run(WorkbenchApp.DEMO, WorkbenchApp.REHEARSE);
        }
        return run(WorkbenchApp.DEMO);
    }

    /** Opens the window if there is a display, else says what can be done without one. */
    private static int run(String... arguments) {
        if (!hasDisplay()) {
            System.err.println("There is no display to show the window on; 'gullyrun picture OUT.png' renders it into a"
                    + " file, and 'gullyrun audit CASE' needs none.");
            return Exit.NO_DISPLAY;
        }
        WorkbenchApp.run(arguments);
        return Exit.OK;
    }

    /** Whether there is a display to show a window on. */
    public static boolean hasDisplay() {
        String system = System.getProperty("os.name", "").toLowerCase(Locale.ROOT);
        boolean needsServer = !system.contains("win") && !system.contains("mac");
        return !needsServer || isSet("DISPLAY") || isSet("WAYLAND_DISPLAY");
    }

    /** Whether a variable of the environment has a value. */
    private static boolean isSet(String variable) {
        String value = System.getenv(variable);
        return value != null && !value.isBlank();
    }
}
