package org.gullyrun.desktop.window;

import java.io.PrintStream;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.stage.Stage;

/** Tells when the window, its parts and its map were on screen, counted from the command; then ends the program. */
final class StartTime extends AnimationTimer {
    /** Microseconds since 1970 at which the command was given; set by the script that starts the program. */
    private static final String BEGAN = "GULLYRUN_BEGAN";

    private static final String[] STAGES = {"bare sheet", "parts", "run map"};

    private final Stage stage;
    private final PrintStream out;
    private int reached;
    private int frames;

    StartTime(Stage stage, PrintStream out) {
        this.stage = stage;
        this.out = out;
    }

    @Override
    public void handle(long now) {
        boolean there = switch (reached) {
            case 0 -> stage.isShowing();
            case 1 -> stage.getScene().lookup("#evidence") != null;
            default -> stage.getScene().lookup(".bank") != null;
        };
        frames = there ? frames + 1 : 0;
        // What is there in one pulse is painted when the one after the next begins: that waits for it.
        if (frames == 3) {
            frames = 0;
            out.printf("%s %d ms%n", STAGES[reached], System.currentTimeMillis() - began());
            if (++reached == STAGES.length) {
                stop();
                Platform.exit();
            }
        }
    }

    private static long began() {
        String given = System.getenv(BEGAN);
        return given == null
                ? ProcessHandle.current().info().startInstant().orElseThrow().toEpochMilli()
                : Long.parseLong(given) / 1000;
    }
}
