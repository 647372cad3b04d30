package org.gullyrun.desktop.window;

import javafx.scene.Scene;
import org.gullyrun.desktop.state.Store;

/** Is called as the window comes up, on the interface thread. Lets something outside time or drive the window. */
public interface WindowObserver {
    /** Nobody. */
    WindowObserver NONE = new WindowObserver() {};

    /** The bare window is shown; its parts come into the scene. */
    default void shown(Scene scene) {}

    /** All parts are there. */
    default void filled(Store store) {}
}
