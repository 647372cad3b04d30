package org.gullyrun.desktop.window;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import javafx.collections.ListChangeListener;
import javafx.event.EventHandler;
import javafx.scene.input.InputEvent;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.stage.Window;
import org.testfx.util.WaitForAsyncUtils;

/**
 * Waits until what was pressed has come to a window: it goes through the display, and a busy machine takes long enough
 * for that to let a test ask, or type, before it.
 */
final class Arrivals {
    /** A key that closes its window is let go of where nothing hears it: it is not waited for longer than this. */
    private static final long LONGEST_MILLIS = 2_000;

    private final Semaphore released = new Semaphore(0);
    private volatile boolean anything;
    private final EventHandler<InputEvent> heard = event -> {
        anything |= event instanceof KeyEvent || event.getEventType() == MouseEvent.MOUSE_PRESSED;
        if (event.getEventType() == KeyEvent.KEY_RELEASED || event.getEventType() == MouseEvent.MOUSE_RELEASED) {
            released.release();
        }
    };

    Arrivals() {
        WaitForAsyncUtils.waitForAsyncFx(LONGEST_MILLIS, () -> {
            Window.getWindows().forEach(this::listenTo);
            Window.getWindows().addListener((ListChangeListener<Window>) change -> {
                while (change.next()) {
                    change.getAddedSubList().forEach(this::listenTo);
                }
            });
        });
    }

    private void listenTo(Window window) {
        window.removeEventFilter(InputEvent.ANY, heard);
        window.addEventFilter(InputEvent.ANY, heard);
    }

    /** Presses something and waits until so many keys or buttons were let go of in a window; whether any came to one. */
    boolean await(int releases, Runnable press) {
        released.drainPermits();
        anything = false;
        press.run();
        try {
            return released.tryAcquire(releases, LONGEST_MILLIS, TimeUnit.MILLISECONDS) || anything;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return true;
        }
    }
}
