package org.gullyrun.desktop.basins;

import java.util.Objects;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.compare.HeardDifference;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/**
 * The sign of one source in a basin, built about x = 0 and moved to its place: the higher the louder. It is changed in
 * place, for a change may turn a dozen at once, and to make their parts anew would take longer than all else of a basin.
 */
final class Token extends Group {
    /** How far the twins of a double stand from their middle, in the glyph's own measure. */
    private static final double APART_X = 3.4;

    private static final double APART_Y = 2.4;

    private final double scale;
    private final double u;
    private final String outletName;
    private final Rectangle stem = new Rectangle(-0.5, 0, 1, 1);
    private final Circle hit;
    private final SVGPath glyph;
    private @Nullable SVGPath twin;
    /** Where it was, and a hairline to there; null as long as it never moved. */
    private @Nullable SVGPath ghost;

    private final Rectangle trail = new Rectangle(-0.5, 0, 1, 1);
    private Hearing.Drop drop;

    Token(Store store, Hearing hearing, Hearing.Drop drop, double scale, double textScale) {
        this.drop = drop;
        this.scale = scale;
        this.u = textScale;
        this.outletName = hearing.name();
        this.hit = new Circle(0, 0, 9 * u);
        this.glyph = Glyph.of(drop.sourceClass(), scale);
        getStyleClass().add("token");
        stem.getStyleClass().add("stem");
        hit.getStyleClass().add("token-hit");
        trail.getStyleClass().add("trail");
        trail.setVisible(false);
        getChildren().addAll(stem, trail, hit, glyph);
        Selection.Pair pair = new Selection.Pair(drop.source(), hearing.outlet());
        setId("token-" + pair.source() + "-" + pair.outlet());
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.BUTTON);
        setOnMouseClicked(e -> {
            store.select(pair);
            e.consume();
        });
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                store.select(pair);
                e.consume();
            }
        });
    }

    String source() {
        return drop.source();
    }

    /** Whether it can show something else: only what has the same sign in the same size. */
    boolean fits(Hearing.Drop other, double otherScale) {
        return scale == otherScale && drop.sourceClass() == other.sourceClass();
    }

    /** Shows a source as it is heard, and if it is set against something, how it differs. */
    void show(Hearing.Drop now, HeardDifference.@Nullable Mark mark) {
        drop = now;
        HeardDifference.Sort sort = mark == null ? null : mark.sort();
        boolean went = sort == HeardDifference.Sort.WENT && now.verdict() != Verdict.MISSING;
        boolean missing = now.verdict() == Verdict.MISSING;
        boolean leak = now.verdict() == Verdict.LEAK;
        boolean twice = now.verdict() == Verdict.DOUBLE;
        double y = stand(now, mark, u);
        stem.setVisible(!missing && !leak && !went);
        stem.setY(y + 6 * u - 0.5);
        stem.setHeight(Math.max(0, (Basin.BOTTOM - 7) * u - y + 1));
        hit.setCenterY(y);
        String tone = missing ? "hollow" : went ? "went" : now.loud() ? "bad" : "water";
        place(glyph, tone, y, twice ? -1 : 0);
        if (twice && twin == null) {
            twin = Glyph.of(now.sourceClass(), scale);
            getChildren().add(twin);
        }
        if (twin != null) {
            twin.setVisible(twice);
            place(twin, tone, y, 1);
        }
        boolean moved = mark != null
                && !Double.isNaN(mark.levelBefore())
                && (sort == HeardDifference.Sort.MOVED || sort == HeardDifference.Sort.WENT && missing);
        ghost(moved && mark != null ? height(mark.levelBefore(), u) : Double.NaN, y);
        Nodes.mark(this, "dimmed", sort == HeardDifference.Sort.SAME);
        String said = said(sort);
        if (!Objects.equals(said, getAccessibleText())) {
            Tooltips.say(this, said);
            setAccessibleText(said);
        }
    }

    /** The height at which a source stands: by its level, on the rim if it is missing, through the bottom if it leaks. */
    static double stand(Hearing.Drop drop, HeardDifference.@Nullable Mark mark, double u) {
        boolean went = mark != null && mark.sort() == HeardDifference.Sort.WENT;
        return drop.verdict() == Verdict.MISSING
                ? (Basin.RIM - 3) * u
                : drop.verdict() == Verdict.LEAK && !went ? Basin.BOTTOM * u : height(drop.level(), u);
    }

    /** The height at which a level stands. */
    static double height(double level, double u) {
        double high = Math.clamp((level + 60) / 48, 0.05, 1);
        return (Basin.BOTTOM - 10 - high * (Basin.BOTTOM - Basin.RIM - 20)) * u;
    }

    /** Shows where it was; NaN for nothing. */
    private void ghost(double was, double is) {
        boolean shown = Math.abs(was - is) > 2 * u;
        if (shown && ghost == null) {
            ghost = Glyph.of(drop.sourceClass(), scale);
            ghost.getStyleClass().addAll("ghost");
            getChildren().add(1, ghost);
        }
        if (ghost != null) {
            ghost.setVisible(shown);
            ghost.setTranslateY(was);
        }
        trail.setVisible(shown);
        trail.setY(Math.min(was, is));
        trail.setHeight(shown ? Math.abs(was - is) : 0);
    }

    /** Places one glyph of a token. */
    private void place(SVGPath one, String tone, double y, int side) {
        one.setTranslateX(side * APART_X * scale);
        one.setTranslateY(y - side * APART_Y * scale);
        Nodes.turn(one, "hollow", tone.equals("hollow"));
        Nodes.turn(one, "bad", tone.equals("bad"));
        Nodes.turn(one, "water", tone.equals("water"));
        Nodes.turn(one, "went", tone.equals("went"));
    }

    /** What the token stands for, in words. */
    private String said(HeardDifference.@Nullable Sort sort) {
        boolean arrives = !Double.isNaN(drop.level());
        return drop.name() + " at " + outletName + ": "
                + drop.word()
                + (arrives ? ", " + Decimals.one(drop.level()) + " dBFS" : "")
                + (drop.where().isEmpty() ? "" : ", in " + drop.where())
                + (sort == HeardDifference.Sort.CAME
                        ? ", newly heard"
                        : sort == HeardDifference.Sort.WENT ? ", no longer heard" : "");
    }
}
