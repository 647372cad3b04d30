package org.gullyrun.desktop.findings;

import java.util.function.IntPredicate;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.ArcTo;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import org.gullyrun.core.audit.Severity;

/** A dot for each scene: full where it has the finding, else hollow. */
final class ScenePips {
    /** Half of the line around a dot, px. */
    private static final double EDGE = 1;

    private ScenePips() {}

    /**
     * The dots in a row. Those that look alike are one shape: with twenty scenes, a row would have twenty times as many
     * parts to style and to lay out.
     *
     * @param has whether a scene has the finding
     * @param column the width of each scene, px
     * @param radius of a dot, px
     */
    static Node of(int scenes, IntPredicate has, Severity severity, double column, double radius) {
        Path full = new Path();
        full.getStyleClass().addAll("pip", severity.word());
        Path hollow = new Path();
        hollow.getStyleClass().add("pip");
        for (int scene = 0; scene < scenes; scene++) {
            add(has.test(scene) ? full : hollow, column * (scene + 0.5), radius + EDGE, radius);
        }
        full.setManaged(false);
        hollow.setManaged(false);
        Pane pips = new Pane(full, hollow);
        pips.setMinSize(column * scenes, 2 * (radius + EDGE));
        pips.setPrefSize(column * scenes, 2 * (radius + EDGE));
        pips.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        return pips;
    }

    private static void add(Path path, double x, double y, double radius) {
        path.getElements()
                .addAll(
                        new MoveTo(x - radius, y),
                        new ArcTo(radius, radius, 0, x + radius, y, false, true),
                        new ArcTo(radius, radius, 0, x - radius, y, false, true),
                        new ClosePath());
    }
}
