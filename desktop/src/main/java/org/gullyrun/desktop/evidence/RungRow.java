package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import org.gullyrun.desktop.look.KeptControls;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** One rung of the ladder. It stays while what it shows changes: making controls anew costs more than all else here. */
final class RungRow extends HBox {
    private static final double RAIL = 13;

    private final Label level = figure();
    private final Label delay = figure();
    private final Label name = Nodes.label("", "strong");
    private final Label sub = Nodes.label("", "caption");
    private final VBox words = new VBox();
    private final Pane rails = new Pane();
    private @Nullable RungLook shown;
    private double scale;

    RungRow(Store store, int index) {
        words.setPadding(new Insets(1, 0, 4, 0));
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        getChildren().addAll(level, rails, words, delay);
        setPadding(new Insets(0, 4, 0, 0));
        getStyleClass().add("rung");
        setId("rung-" + index);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.BUTTON);
        Runnable lookAt = () -> store.lookAt(store.state().hop() == index ? -1 : index);
        setOnMouseClicked(e -> lookAt.run());
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                lookAt.run();
                e.consume();
            }
        });
    }

    /** A figure at the right end, never cut. */
    private static Label figure() {
        Label label = Nodes.label("", "figures");
        label.setWrapText(false);
        label.setAlignment(Pos.TOP_RIGHT);
        return label;
    }

    /** How wide the rails of some routes are. */
    static double railsWidth(int routes, double scale) {
        return (14 + RAIL * (routes - 1) + 12) * scale;
    }

    /** Shows a rung, with the switch that turns its gate if it has one. */
    void show(RungLook look, @Nullable Node pill, double u) {
        RungLook before = shown;
        shown = look;
        level.setText(look.level());
        delay.setText(look.delay());
        name.setText(look.name());
        sub.setText(look.sub());
        String colour = look.bad() ? "bad-text" : "plain";
        if (!name.getStyleClass().contains(colour)) {
            name.getStyleClass().removeAll("bad-text", "plain");
            name.getStyleClass().add(colour);
        }
        List<Node> told = new ArrayList<>(List.of(name));
        if (!look.sub().isEmpty()) {
            told.add(sub);
        }
        if (pill != null) {
            told.add(pill);
            VBox.setMargin(pill, new Insets(3, 0, 3, 0));
        }
        KeptControls.exchange(words.getChildren(), told);
        setMinHeight((look.sub().isEmpty() ? 28 : 42) * u);
        setAccessibleText(look.spoken());
        if (before == null || scale != u || !before.rails().equals(look.rails())) {
            scale = u;
            for (Label figure : List.of(level, delay)) {
                figure.setMinWidth(46 * u);
                figure.setPrefWidth(46 * u);
            }
            draw(look.rails(), u);
        }
    }

    /** Draws the rails of all routes beside this rung. */
    private void draw(List<RungLook.Rail> routes, double u) {
        double width = railsWidth(routes.size(), u);
        rails.setMinWidth(width);
        rails.setPrefWidth(width);
        rails.getChildren().clear();
        for (int w = 0; w < routes.size(); w++) {
            RungLook.Rail route = routes.get(w);
            double x = (7 + RAIL * w) * u;
            double dot = 10 * u;
            piece(route.above(), x, 0, dot, route.passes());
            piece(route.below(), x, dot, dot, true);
            if (route.dot() != RungLook.Stroke.NONE) {
                Circle circle = new Circle(x, dot, 4.4 * u);
                circle.getStyleClass().addAll("rung-dot", word(route.dot()));
                rails.getChildren().add(circle);
            }
        }
    }

    /** A piece of a rail; the lower one follows the height of the row. */
    private void piece(RungLook.Stroke stroke, double x, double from, double to, boolean on) {
        if (stroke != RungLook.Stroke.NONE) {
            Line line = Nodes.line(x, from, x, to, "rail", word(stroke));
            if (on) {
                line.endYProperty().bind(rails.heightProperty());
            }
            rails.getChildren().add(line);
        }
    }

    private static String word(RungLook.Stroke stroke) {
        return stroke.name().toLowerCase(Locale.ROOT);
    }
}
