package org.gullyrun.desktop.basins;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.shape.ArcTo;
import javafx.scene.shape.Circle;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.QuadCurveTo;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tips;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Shown;
import org.gullyrun.desktop.state.Store;

/**
 * What one outlet hears, as a basin: a token for each source that arrives, the higher the louder; a hollow token on the
 * rim for one that is missing; one that breaks the bottom for one that leaks; twin tokens for a double; a coil on the
 * rim where a loop ends.
 */
final class Basin extends Pane {
    private static final double RIM = 18;
    private static final double BOTTOM = 74;
    private static final double NAME = 94;

    /** A token as it stands, built about x = 0 and moved to its place. */
    private record Token(Hearing.Drop drop, double scale, Group node) {}

    private final Store store;
    private final double width;
    private final double u;
    private final Group bed = new Group();
    private final Group tokens = new Group();
    private final Text name;
    private final Map<String, Token> bySource = new LinkedHashMap<>();
    private Hearing hearing;

    Basin(Store store, Hearing hearing, double width, double textScale) {
        this.store = store;
        this.hearing = hearing;
        this.width = width;
        this.u = textScale;
        getStyleClass().add("basin-cell");
        setId("basin-" + hearing.outlet());
        setPrefSize(width, BasinsView.HEIGHT * u);
        setMinWidth(width);
        name = name();
        getChildren().addAll(bed, tokens, name);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.BUTTON);
        setOnMouseClicked(e -> store.select(new Selection.OfOutlet(hearing.outlet())));
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                store.select(new Selection.OfOutlet(hearing.outlet()));
                e.consume();
            }
        });
        draw();
        place();
        describe();
    }

    /** Shows something else that the same outlet hears; false if it has to be made anew for that. */
    boolean show(Hearing other, double otherWidth, double textScale) {
        if (!hearing.outlet().equals(other.outlet())
                || !hearing.name().equals(other.name())
                || width != otherWidth
                || u != textScale) {
            return false;
        }
        Hearing before = hearing;
        hearing = other;
        if (before.isBad() != other.isBad() || before.coil() != other.coil()) {
            draw();
        }
        if (!before.drops().equals(other.drops())) {
            place();
        }
        if (!before.equals(other)) {
            describe();
        }
        return true;
    }

    private void draw() {
        bed.getChildren().clear();
        double left = 8 * u;
        double right = width - 8 * u;
        double top = RIM * u;
        double bottom = BOTTOM * u;
        double r = 7 * u;
        Path basin = new Path(
                new MoveTo(left, top - 3 * u),
                new QuadCurveTo(left + 4 * u, top - 3 * u, left + 4 * u, top + 2 * u),
                new LineTo(left + 4 * u, bottom - r),
                new QuadCurveTo(left + 4 * u, bottom, left + 4 * u + r, bottom),
                new LineTo(right - 4 * u - r, bottom),
                new QuadCurveTo(right - 4 * u, bottom, right - 4 * u, bottom - r),
                new LineTo(right - 4 * u, top + 2 * u),
                new QuadCurveTo(right - 4 * u, top - 3 * u, right, top - 3 * u));
        basin.getStyleClass().add("basin");
        if (hearing.isBad()) {
            basin.getStyleClass().add("bad");
        }
        bed.getChildren().add(basin);
        if (hearing.coil()) {
            Path turns = new Path(new MoveTo(right - 36 * u, top - 2 * u));
            for (int i = 0; i < 3; i++) {
                double x = right - 36 * u + (i + 1) * 10 * u;
                turns.getElements().add(new ArcTo(5 * u, 5 * u, 0, x, top - 2 * u, false, true));
            }
            turns.getStyleClass().add("coil");
            Tips.say(turns, "Sound that has gone round in a loop ends here.");
            bed.getChildren().add(turns);
        }
    }

    private void place() {
        List<Hearing.Drop> drops = hearing.drops();
        double from = (drops.size() > 7 ? 17 : 22) * u;
        double room = width - 2 * from;
        double step = drops.size() < 2 ? 0 : Math.min(17 * u, room / (drops.size() - 1));
        double x = width / 2 - step * (drops.size() - 1) / 2;
        double scale = u * (step > 0 && step < 9.5 * u ? 0.66 : step > 0 && step < 12 * u ? 0.8 : 0.95);
        Set<String> heard = new HashSet<>();
        for (int i = 0; i < drops.size(); i++) {
            Hearing.Drop drop = drops.get(i);
            heard.add(drop.source());
            Token known = bySource.get(drop.source());
            if (known == null || known.scale != scale || !known.drop.equals(drop)) {
                Token made = new Token(drop, scale, token(drop, scale));
                int at = known == null ? -1 : tokens.getChildren().indexOf(known.node);
                if (at >= 0) {
                    tokens.getChildren().set(at, made.node);
                } else {
                    tokens.getChildren().add(Math.min(i, tokens.getChildren().size()), made.node);
                }
                bySource.put(drop.source(), made);
                known = made;
            }
            known.node.setTranslateX(x + i * step);
        }
        bySource.values().removeIf(token -> {
            boolean gone = !heard.contains(token.drop.source());
            if (gone) {
                tokens.getChildren().remove(token.node);
            }
            return gone;
        });
    }

    private Group token(Hearing.Drop drop, double scale) {
        boolean missing = drop.verdict() == Verdict.MISSING;
        boolean leak = drop.verdict() == Verdict.LEAK;
        boolean twice = drop.verdict() == Verdict.DOUBLE;
        double high = missing ? 1 : Math.clamp((drop.level() + 60) / 48, 0.05, 1);
        double y = missing ? RIM * u - 3 * u : leak ? BOTTOM * u : (BOTTOM - 10 - high * (BOTTOM - RIM - 20)) * u;
        Group token = new Group();
        token.getStyleClass().add("token");
        if (!missing && !leak) {
            Rectangle stem = new Rectangle(-0.5, y + 6 * u - 0.5, 1, (BOTTOM - 7) * u - y + 1);
            stem.getStyleClass().add("stem");
            token.getChildren().add(stem);
        }
        Circle hit = new Circle(0, y, 9 * u);
        hit.getStyleClass().add("token-hit");
        token.getChildren().add(hit);
        for (int i = 0; i < (twice ? 2 : 1); i++) {
            SVGPath glyph = Glyph.of(drop.sourceClass(), scale);
            glyph.setTranslateX(twice ? (i == 0 ? -3.4 : 3.4) * scale : 0);
            glyph.setTranslateY(y + (twice ? (i == 0 ? 2.4 : -2.4) * scale : 0));
            glyph.getStyleClass().add(missing ? "hollow" : (leak || twice) && drop.loud() ? "bad" : "water");
            token.getChildren().add(glyph);
        }
        Selection.Pair pair = new Selection.Pair(drop.source(), hearing.outlet());
        String said = said(drop);
        Tips.say(token, said);
        token.setId("token-" + pair.source() + "-" + pair.outlet());
        token.setFocusTraversable(true);
        token.setAccessibleRole(AccessibleRole.BUTTON);
        token.setAccessibleText(said);
        token.setOnMouseClicked(e -> {
            store.select(pair);
            e.consume();
        });
        token.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                store.select(pair);
                e.consume();
            }
        });
        return token;
    }

    private String said(Hearing.Drop drop) {
        boolean arrives = !Double.isNaN(drop.level());
        return store.state().reading().rig().name(drop.source()) + " at " + hearing.name() + ": "
                + drop.verdict().word()
                + (arrives ? String.format(Locale.ROOT, ", %.1f dBFS", drop.level()) : "")
                + (drop.where().isEmpty() ? "" : ", in " + drop.where());
    }

    private Text name() {
        Font font = Type.water(13 * u);
        String fitted = Type.fit(hearing.name(), font, width - 8 * u);
        return Nodes.text(fitted, font, width / 2 - Type.width(fitted, font) / 2, NAME * u, "water", "basin-name");
    }

    private void describe() {
        Nodes.mark(name, "bad", hearing.isBad());
        long troubles = hearing.drops().stream().filter(Hearing.Drop::loud).count();
        setAccessibleText(hearing.name() + ": " + hearing.drops().size() + " sources"
                + (troubles > 0 ? ", " + troubles + " in trouble" : "")
                + (hearing.coil() ? ", a loop ends here" : ""));
    }

    /** Marks the basin and token that are selected. */
    void select(Selection selection, Shown shown) {
        boolean mine = selection instanceof Selection.OfOutlet(String id) && id.equals(hearing.outlet());
        Nodes.mark(this, "selected", mine);
        for (Token token : bySource.values()) {
            String source = token.drop.source();
            boolean on = selection.equals(new Selection.Pair(source, hearing.outlet()))
                    || shown.cell() != null
                            && shown.cell().source().id().equals(source)
                            && shown.cell().outlet().id().equals(hearing.outlet());
            Nodes.mark(token.node, "selected", on);
        }
    }
}
