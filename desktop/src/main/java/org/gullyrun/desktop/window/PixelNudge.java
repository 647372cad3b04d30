package org.gullyrun.desktop.window;

import javafx.animation.AnimationTimer;
import javafx.scene.shape.Rectangle;

/**
 * Keeps frames small: one pixel, in the colour of the sheet, that changes in every frame while there is something going
 * on.
 *
 * <p>A frame in which styles are gone through while nothing looks different has no region to paint, and JavaFX 25 then
 * paints the whole window: some 40 ms without a graphics card, for which the frame with the real answer has to wait.
 * With the speck there always is a region, of one pixel.
 */
final class PixelNudge extends Rectangle {
    /** Styles are still gone through in a frame or two after what changed; more does no harm. */
    private static final int FRAMES = 24;

    private int left;
    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            setOpacity(left % 2 == 0 ? 1 : 0.99);
            left--;
            if (left <= 0) {
                stop();
            }
        }
    };

    PixelNudge() {
        super(1, 1);
        getStyleClass().add("patch");
        setManaged(false);
        setMouseTransparent(true);
    }

    /** Something is going on: the next frames are to be small ones. */
    void stir() {
        if (left <= 0) {
            timer.start();
        }
        left = FRAMES;
    }
}
