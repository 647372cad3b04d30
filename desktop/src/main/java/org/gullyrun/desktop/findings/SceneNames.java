package org.gullyrun.desktop.findings;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.transform.Rotate;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.State;

/** The names of scenes over columns that are narrower than they are. */
final class SceneNames {
    private static final double SLANT = 33;
    /** How long a slanted name may be at 100 % text; longer ones have a tooltip. */
    private static final double LONGEST = 178;

    private static final double SIZE = 11.7;
    private static final double LINE = 17;

    private SceneNames() {}

    /** The names over columns of a width, at the right end; slanted where one of them has no room to lie. */
    static Node over(State state, double column) {
        HBox names = new HBox(Nodes.spacer());
        names.setAlignment(Pos.BOTTOM_LEFT);
        names.setPadding(new Insets(6, 8, 2, 0));
        List<SceneReading> scenes = state.reading().scenes();
        if (scenes.size() <= 1) {
            return names;
        }
        double u = state.textScale();
        double widest = scenes.stream()
                .mapToDouble(s -> Type.width(s.name(), Type.sans(SIZE * u)) + 4 * u)
                .max()
                .orElse(0);
        if (widest > column) {
            names.getChildren().add(slanted(scenes, column, Math.min(widest, LONGEST * u), u));
            return names;
        }
        for (SceneReading scene : scenes) {
            Label label = label(scene);
            label.setMinWidth(column);
            label.setMaxWidth(column);
            label.setAlignment(Pos.CENTER);
            names.getChildren().add(label);
        }
        return names;
    }

    /** Each name comes down to its column from the left, so that none reaches beyond the last. */
    private static Node slanted(List<SceneReading> scenes, double column, double length, double u) {
        double line = LINE * u;
        double height = length * Math.sin(Math.toRadians(SLANT)) + line;
        Pane pane = new Pane();
        for (int i = 0; i < scenes.size(); i++) {
            Label label = label(scenes.get(i));
            label.setAlignment(Pos.CENTER_RIGHT);
            label.resize(length, line);
            label.setManaged(false);
            label.relocate(column * (i + 0.5) - length - u, height - line);
            label.getTransforms().add(new Rotate(SLANT, length, line));
            pane.getChildren().add(label);
        }
        pane.setMinSize(column * scenes.size(), height);
        pane.setMaxWidth(Region.USE_PREF_SIZE);
        pane.setPrefSize(column * scenes.size(), height);
        return pane;
    }

    /** The name of a scene on one line. */
    private static Label label(SceneReading scene) {
        Label label = Nodes.label(scene.name(), "caption");
        Tooltips.say(label, scene.name());
        label.setWrapText(false);
        return label;
    }
}
