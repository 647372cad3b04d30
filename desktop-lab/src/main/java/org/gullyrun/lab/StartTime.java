package org.gullyrun.lab;

import java.io.PrintStream;
import java.util.List;
import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;

/**
 * Tells when the window with its parts, and its map, were on screen, counted from the command. What it does itself while the window
 * opens is rehearsed like the rest, and little: looking for parts anew in every frame took a tenth of the time it told.
 */
final class StartTime extends AnimationTimer {
    /** Microseconds since 1970 at which the command was given; set by the script that starts the program. */
    private static final String BEGAN = "GULLYRUN_BEGAN";

    /** A frame is laid out in one pulse, and painted and handed to the display before the one after the next begins. */
    private static final int PULSES = 2;

    /** Ids or style classes of what is in the scene once a stage is there; each is counted by itself. */
    private static final class Stage {
        final String name;
        final List<String> parts;
        long laidOut = -1;
        boolean told;

        Stage(String name, String... parts) {
            this.name = name;
            this.parts = List.of(parts);
        }
    }

    private final List<Stage> stages = List.of(
            new Stage("parts", "evidence", "basin-cell"), new Stage("run map", "evidence", "basin-cell", "bank"));
    private final Scene scene;
    private final PrintStream out;
    private final Runnable then;
    private long pulses;

    /** Times a window, beginning with {@link #start}; once all is told, something follows. */
    StartTime(Scene scene, PrintStream out, Runnable then) {
        this.scene = scene;
        this.out = out;
        this.then = then;
    }

    @Override
    public void start() {
        scene.addPostLayoutPulseListener(this::laidOut);
        super.start();
    }

    /** Notes which parts the last layout has brought. */
    private void laidOut() {
        for (Stage stage : stages) {
            if (stage.laidOut < 0 && isThere(stage)) {
                stage.laidOut = pulses;
            }
        }
    }

    /** Whether all parts of a stage are in the window. */
    private boolean isThere(Stage stage) {
        for (String part : stage.parts) {
            if (!isIn(scene.getRoot(), part)) {
                return false;
            }
        }
        return true;
    }

    /** As a lookup does, but without what is only needed to understand a selector, which would be read for the first time. */
    private static boolean isIn(Node node, String part) {
        if (part.equals(node.getId()) || node.getStyleClass().contains(part)) {
            return true;
        }
        if (node instanceof Parent parent) {
            for (Node child : parent.getChildrenUnmodifiable()) {
                if (isIn(child, part)) {
                    return true;
                }
            }
        }
        return false;
    }

    @Override
    public void handle(long now) {
        pulses++;
        for (Stage stage : stages) {
            if (!stage.told && stage.laidOut >= 0 && pulses >= stage.laidOut + PULSES) {
                stage.told = true;
                tell(stage);
            }
        }
    }

    /** Prints when a stage was reached, counted from the command. */
    private void tell(Stage stage) {
        out.println(stage.name + " " + (System.currentTimeMillis() - began()) + " ms");
        if (stage == stages.getLast()) {
            stop();
            then.run();
        }
    }

    /** When the command was given: told by the launcher, else the start of this process. */
    private static long began() {
        String given = System.getenv(BEGAN);
        return given == null
                ? ProcessHandle.current().info().startInstant().orElseThrow().toEpochMilli()
                : Long.parseLong(given) / 1000;
    }
}
