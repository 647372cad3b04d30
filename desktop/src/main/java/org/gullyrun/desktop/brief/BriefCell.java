package org.gullyrun.desktop.brief;

import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.shape.Shape;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;

/** One cell: the wish as a mark, and beside it, where the two disagree, what the audit says. */
final class BriefCell extends VBox {
    /** The room for what says in which scenes, at 100 % text. */
    private static final double WIDTH = 34;
    /** With more scenes than this, they stand closer together. */
    private static final int USUAL_SCENES = 4;

    private final double u;
    private String look = "";

    BriefCell(double textScale) {
        this.u = textScale;
        getStyleClass().add("brief-cell");
        setAlignment(Pos.CENTER);
        setSpacing(3 * u);
    }

    /** Shows a cell as it is in a scene, or at worst in any ({@code scene} below 0). */
    void show(Reading reading, int source, int outlet, int scene) {
        int at = scene >= 0 ? scene : reading.worstScene(source, outlet);
        CellReading cell = reading.scenes().get(at).cell(source, outlet);
        boolean entered = cell.counting().ground() == Wishes.Ground.ENTERED;
        boolean loud = reading.isLoud(at, cell);
        StringBuilder scenes = new StringBuilder();
        boolean differs = false;
        if (scene < 0 && reading.scenes().size() > 1) {
            for (int s = 0; s < reading.scenes().size(); s++) {
                CellReading each = reading.scenes().get(s).cell(source, outlet);
                scenes.append(reading.isLoud(s, each) ? '!' : '.');
                differs |= each.wish() != cell.wish();
            }
        }
        setAccessibleText(words(reading, source, outlet, scene));
        String now = cell.source().get(Sources.CLASS) + " " + cell.wish() + " " + entered + " " + loud + " "
                + cell.verdict() + " " + scenes + " " + differs;
        if (now.equals(look)) {
            return;
        }
        look = now;
        boolean twice = loud && cell.verdict() == Verdict.DOUBLE;
        double size = (twice ? 0.6 : 0.8) * u; // so that three marks have room too
        HBox marks = new HBox((twice ? 2 : 5) * u, mark(cell.wish(), entered, loud, (twice ? 0.85 : 1) * u));
        marks.setAlignment(Pos.CENTER);
        getChildren().setAll(marks);
        if (loud) {
            var glyph = Glyph.of(cell.source().get(Sources.CLASS), size);
            glyph.getStyleClass().add(cell.verdict() == Verdict.MISSING ? "hollow" : "bad");
            marks.getChildren().add(glyph);
            if (twice) {
                var twin = Glyph.of(cell.source().get(Sources.CLASS), size);
                twin.getStyleClass().add("bad");
                HBox.setMargin(twin, new Insets(0, 0, 0, -2 * u));
                marks.getChildren().add(twin);
            }
        }
        if (differs || loud && scenes.indexOf("!") >= 0 && scenes.indexOf(".") >= 0) {
            double gap = (scenes.length() > USUAL_SCENES ? 1 : 2) * u;
            double wide = Math.clamp((WIDTH * u + gap) / scenes.length() - gap, u, 6 * u);
            HBox pips = new HBox(gap);
            pips.setAlignment(Pos.CENTER);
            for (int s = 0; s < scenes.length(); s++) {
                Rectangle pip = new Rectangle(wide, 2.6 * u);
                pip.getStyleClass().add("scene-pip");
                Nodes.mark(pip, "bad", scenes.charAt(s) == '!');
                pips.getChildren().add(pip);
            }
            getChildren().add(pips);
        }
        Nodes.mark(this, "loud", loud);
    }

    /** What a cell shows, in words. */
    static String words(Reading reading, int source, int outlet, int scene) {
        int at = scene >= 0 ? scene : reading.worstScene(source, outlet);
        CellReading cell = reading.scenes().get(at).cell(source, outlet);
        return cell.source().name() + " at " + cell.outlet().name() + ": "
                + cell.wish().adjective() + ", " + reading.word(at, cell);
    }

    /**
     * The mark of a wish: a disc, a ring, a cross. What was not entered is drawn softly.
     *
     * @param pixel a pixel at 100 %
     */
    static Shape mark(Wish wish, boolean entered, boolean loud, double pixel) {
        Shape shape = switch (wish) {
            case MUST -> new Circle(5.2 * pixel);
            case MAY -> new Circle(4.6 * pixel);
            case NEVER -> {
                SVGPath cross = new SVGPath();
                double r = 4 * pixel;
                cross.setContent("M" + -r + "," + -r + "L" + r + "," + r + "M" + r + "," + -r + "L" + -r + "," + r);
                yield cross;
            }
        };
        shape.getStyleClass().addAll("wish", wish.word());
        Nodes.mark(shape, "entered", entered);
        Nodes.mark(shape, "bad", loud);
        return shape;
    }
}
