package org.gullyrun.desktop.window;

import java.io.PrintStream;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/** Tells when the window, its parts and its map were on screen, counted from the command; then ends the program. */
final class StartTime extends AnimationTimer {
    /** Microseconds since 1970 at which the command was given; set by the script that starts the program. */
    private static final String BEGAN = "GULLYRUN_BEGAN";

    /** What comes after what, and what is in the scene once it is there; each is counted by itself. */
    private enum Stage {
        BARE("bare sheet", List.of()),
        PARTS("parts", List.of("#evidence", ".basin-cell")),
        MAP("run map", List.of("#evidence", ".basin-cell", ".bank"));

        final String name;
        final List<String> parts;

        Stage(String name, List<String> parts) {
            this.name = name;
            this.parts = parts;
        }
    }

    private final javafx.stage.Stage window;
    private final PrintStream out;
    private final Map<Stage, Integer> frames = new EnumMap<>(Stage.class);

    StartTime(javafx.stage.Stage window, PrintStream out) {
        this.window = window;
        this.out = out;
    }

    @Override
    public void handle(long now) {
        for (Stage stage : Stage.values()) {
            // To look for what has been found already would itself take long, all being cold.
            boolean there = frames.containsKey(stage)
                    || window.isShowing()
                            && stage.parts.stream()
                                    .allMatch(part -> window.getScene().lookup(part) != null);
            // What is there in one pulse is painted when the one after the next begins: that waits for it.
            if (there && frames.merge(stage, 1, Integer::sum) == 3) {
                out.printf("%s %d ms%n", stage.name, System.currentTimeMillis() - began());
            }
        }
        if (frames.getOrDefault(Stage.MAP, 0) == 3) {
            stop();
            Platform.exit();
        }
    }

    private static long began() {
        String given = System.getenv(BEGAN);
        return given == null
                ? ProcessHandle.current().info().startInstant().orElseThrow().toEpochMilli()
                : Long.parseLong(given) / 1000;
    }
}
