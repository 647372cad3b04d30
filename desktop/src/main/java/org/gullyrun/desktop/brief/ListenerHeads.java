package org.gullyrun.desktop.brief;

import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.layout.Pane;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import javafx.scene.transform.Rotate;
import javafx.scene.transform.Translate;
import org.gullyrun.core.rig.Element;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.Type;

/** The names of listeners over the columns of the brief: askew, so that narrow columns have room for long names. */
final class ListenerHeads {
    private static final double LEAST_HEIGHT = 74;
    /** Degrees from level. */
    private static final double SLANT = 33;
    /** Longer names are cut in the middle, and told by a tooltip. */
    private static final double LONGEST = 120;

    private final List<Element> outlets;
    private final double u;
    private final Font font;
    private final double longest;

    /**
     * Measures the names.
     *
     * @param outlets the listeners in the order of the columns
     * @param u size of text, 1 at 100 %
     */
    ListenerHeads(List<Element> outlets, double u) {
        this.outlets = outlets;
        this.u = u;
        this.font = Type.water(13 * u);
        this.longest = outlets.stream()
                .mapToDouble(o -> Math.min(LONGEST * u, Type.width(o.name(), font)))
                .max()
                .orElse(0);
    }

    /** How far the last name reaches beyond its column, px. */
    double beyond() {
        return Math.max(40, longest * Math.cos(Math.toRadians(SLANT)) - 12 * u);
    }

    /**
     * The names, each over its column.
     *
     * @param left where the first column begins, px
     * @param wide how wide a column is, px
     * @param chosen gets the number of a column whose name was clicked
     */
    Pane over(double left, double wide, IntConsumer chosen) {
        double high = Math.max(LEAST_HEIGHT * u, longest * Math.sin(Math.toRadians(SLANT)) + 26 * u);
        Pane head = new Pane();
        head.setMinHeight(high);
        head.setMinWidth(left + outlets.size() * wide + beyond() - 30 * u);
        for (int o = 0; o < outlets.size(); o++) {
            String whole = outlets.get(o).name();
            Text name = Nodes.text(Type.fit(whole, font, LONGEST * u), font, 0, 0, "water");
            if (!name.getText().equals(whole)) {
                Tooltips.say(name, whole);
            }
            name.getTransforms().addAll(new Translate(left + (o + 0.36) * wide, high - 8), new Rotate(-SLANT));
            int column = o;
            name.setAccessibleText("Select " + whole);
            name.setOnMouseClicked(e -> chosen.accept(column));
            head.getChildren().add(name);
        }
        return head;
    }
}
