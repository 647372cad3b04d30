package org.gullyrun.desktop.window;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import org.gullyrun.desktop.find.Action;
import org.jspecify.annotations.Nullable;

/**
 * Turns keys into actions. A key held down acts once a frame at most, and never types the letter that led into a field.
 */
final class Keyboard {
    /** Keys of one step, before the actions. */
    interface StepKeys {
        /** Does what the key means to what is shown; false if it means nothing there. */
        boolean took(KeyEvent e, boolean typing);
    }

    private final Scene scene;
    private final Overlay overlay;
    private final Supplier<List<Action>> actions;
    private final BooleanSupplier inSheet;
    private final StepKeys step;

    /** The key that was taken for an action and has not been let go since. */
    private @Nullable KeyCode held;
    /** The key that was pressed last and has not been let go since. */
    private @Nullable KeyCode down;

    private boolean painted = true;
    /** The last press came too soon: neither it nor its letter counts. */
    private boolean dropped;

    /**
     * Listens to the keys of a scene.
     *
     * @param inSheet whether the sheet of the intake is shown, whose cells have keys of their own
     */
    Keyboard(Scene scene, Overlay overlay, Supplier<List<Action>> actions, BooleanSupplier inSheet, StepKeys step) {
        this.scene = scene;
        this.overlay = overlay;
        this.actions = actions;
        this.inSheet = inSheet;
        this.step = step;
        scene.addPostLayoutPulseListener(() -> painted = true);
        scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        scene.addEventFilter(KeyEvent.KEY_TYPED, e -> {
            // The letter that opened a form or a cell is not typed into it, however long it is held.
            if (held != null || dropped) {
                e.consume();
            }
        });
        scene.addEventFilter(KeyEvent.KEY_RELEASED, e -> {
            if (e.getCode() == held) {
                held = null;
            }
            if (e.getCode() == down) {
                down = null;
                dropped = false;
            }
        });
    }

    /** Keys that act everywhere come before those of what has the cursor. */
    private void pressed(KeyEvent e) {
        if (repeatsTooFast(e)) {
            e.consume();
            return;
        }
        if (e.getCode() != held) {
            held = null;
        } else if (typing()) {
            e.consume(); // still the key that led here
            return;
        }
        if (overlay.isVisible()) {
            if (overlay.took(e)) {
                e.consume();
            }
            return;
        }
        act(e, typing());
    }

    /**
     * A key held down repeats some thirty times a second. Where one answer takes longer than that, answers would pile up
     * and nothing would ever be painted: so what repeats waits for a frame.
     */
    private boolean repeatsTooFast(KeyEvent e) {
        dropped = e.getCode() == down && !painted;
        down = e.getCode();
        painted &= dropped;
        Platform.requestNextPulse();
        return dropped;
    }

    private boolean typing() {
        return scene.getFocusOwner() instanceof TextInputControl;
    }

    /** Does what a key stands for. While somebody types, letters are text. */
    private void act(KeyEvent e, boolean typing) {
        if (typing && !e.isShortcutDown() && !e.getCode().isFunctionKey()) {
            return;
        }
        if (typing && inSheet.getAsBoolean() && isOfCells(e)) {
            return; // the cell knows what to do with it
        }
        if (step.took(e, typing)) {
            held = overlay.isVisible() ? e.getCode() : held; // a form that it opened doesn't get its letter
            e.consume();
            return;
        }
        for (Action action : actions.get()) {
            for (String keys : action.keys()) {
                if (matches(keys, e)) {
                    held = e.getCode();
                    action.run().run();
                    e.consume();
                    return;
                }
            }
        }
    }

    /** Whether the sheet of Intake uses a key itself. */
    private static boolean isOfCells(KeyEvent e) {
        return switch (e.getCode()) {
            case ENTER, DELETE, A, C, V, X -> true;
            default -> false;
        };
    }

    /** Whether a key event is the one that is written in the table of commands. */
    private static boolean matches(String keys, KeyEvent e) {
        // Where the plus needs Shift, as on some keyboards, its key is that of a digit: what it types counts.
        if (keys.equals("Shortcut+PLUS") && e.isShortcutDown() && "+".equals(e.getText())) {
            return true;
        }
        boolean bare = !keys.contains("+");
        if (bare) {
            // Some layouts need Shift or AltGr for a sign: the sign counts, not how it is reached.
            boolean sign = switch (keys) {
                case "Open Bracket" -> "[".equals(e.getText());
                case "Close Bracket" -> "]".equals(e.getText());
                case "PLUS" -> "+".equals(e.getText());
                case "MINUS" -> "-".equals(e.getText());
                default -> false;
            };
            if (sign && !e.isShortcutDown()) {
                return true;
            }
        }
        return KeyCombination.valueOf(keys).match(e);
    }
}
