package org.gullyrun.desktop.intake;

import java.util.Objects;
import java.util.SortedSet;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;

/** The crossings of one input with the tracks of its production, as small as a row and drawn as on the map. */
final class TrackCrossings extends Pane {
    /** The room that they take, at the usual size of text. */
    static final double WIDTH = 76;

    private static final double HIGH = 16;
    private static final double WIDEST = 11;

    private Object drawn = "";

    /** Draws an input; nothing is drawn again that looks the same. */
    void show(Rig rig, Element input, double u) {
        Element production = rig.program(input);
        int tracks = Objects.requireNonNullElse(production.get(Productions.TRACKS), 0);
        SortedSet<Integer> on = Productions.ticked(input, Productions.TRACK);
        String look = tracks + " " + on + " " + u;
        if (look.equals(drawn)) {
            return;
        }
        drawn = look;
        getChildren().clear();
        setMinSize(WIDTH * u, HIGH * u);
        setMaxSize(WIDTH * u, HIGH * u);
        int shown = Math.max(tracks, on.isEmpty() ? 0 : on.last());
        if (shown == 0) {
            return;
        }
        double step = Math.min(WIDEST, (WIDTH - 14) / shown) * u;
        double y = HIGH / 2 * u;
        getChildren().add(Nodes.line(0, y, step * shown, y, "grid-line"));
        for (int t = 1; t <= shown; t++) {
            Circle dot = new Circle(step * (t - 0.5), y, (on.contains(t) ? 3.2 : 1.4) * u);
            dot.getStyleClass().add("crossing");
            if (!on.contains(t)) {
                dot.getStyleClass().add("off");
            }
            Tooltips.say(
                    dot,
                    (on.contains(t) ? "on " : "not on ")
                            + Sentences.called("track", Sentences.trackName(rig, production, String.valueOf(t))));
            getChildren().add(dot);
        }
    }
}
