package org.gullyrun.lab;

import java.lang.reflect.Method;
import javafx.application.Platform;

/**
 * Tells when a frame is on screen, for measuring. JavaFX says that only inside: what is handed to its painting thread after
 * a pulse is done once the frame of that pulse is painted, and what comes to the interface thread after that once the
 * picture has been handed to the display. Needs {@code --add-exports javafx.graphics/com.sun.javafx.tk=ALL-UNNAMED}.
 */
final class Painting {
    private Painting() {}

    /** In a pulse: runs something on the interface thread once what this pulse shows is on screen. */
    static void afterThisPulse(Runnable then) {
        Platform.runLater(() -> onPaintingThread(() -> Platform.runLater(then)));
    }

    /** Runs something on JavaFX's painting thread, which has no public door. */
    private static void onPaintingThread(Runnable then) {
        try {
            Class<?> kit = Class.forName("com.sun.javafx.tk.Toolkit");
            Class<?> job = Class.forName("com.sun.javafx.tk.RenderJob");
            Method add = kit.getMethod("addRenderJob", job);
            add.invoke(
                    kit.getMethod("getToolkit").invoke(null),
                    job.getConstructor(Runnable.class).newInstance(then));
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("this machine can't tell when a frame is painted", e);
        }
    }
}
