package org.gullyrun.desktop.trace;

import javafx.scene.Group;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;

/** The faint lines of height behind the map, which make it a survey sheet. */
final class Contours extends Group {
    private static final double APART = 95;
    private static final double WAVE = 220;

    Contours() {
        setMouseTransparent(true);
    }

    /** Draws them for the room there is. */
    void draw(double width, double height) {
        getChildren().clear();
        for (int i = 0; i < height / APART; i++) {
            double y = 62 + i * APART;
            Path line = new Path(new MoveTo(-20, y));
            for (double x = -20; x < width + WAVE; x += WAVE) {
                double bend = 26 * Math.sin(i * 1.7 + x / 310);
                line.getElements()
                        .add(new CubicCurveTo(x + 75, y - 20 + bend, x + 145, y + 24 - bend, x + WAVE, y + bend / 2));
            }
            line.getStyleClass().add("contour");
            getChildren().add(line);
        }
    }
}
