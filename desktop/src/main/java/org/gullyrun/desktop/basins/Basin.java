package org.gullyrun.desktop.basins;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.shape.ArcTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.QuadCurveTo;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.compare.HeardDifference;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Shown;
import org.gullyrun.desktop.state.Store;

/**
 * What one outlet hears, as a basin: a token for each source that arrives, the higher the louder; a hollow token on the
 * rim for one that is missing; one that breaks the bottom for one that leaks; twin tokens for a double; a coil on the
 * rim where a loop ends. Set against how it was, what is the same is pale, what has gone or moved leaves a ghost, and its name
 * is followed by how much differs.
 */
final class Basin extends Pane {
    static final double RIM = 18;
    static final double BOTTOM = 74;
    private static final double NAME = 94;

    private final Store store;
    private final double width;
    private final double u;
    private final Path bed = new Path();
    private final Path coil = new Path();
    private final Group tokens = new Group();
    /** What has no room one by one. */
    private final Group crowd = new Group();

    private final Text name;
    /** The rest of a name that needs two lines. */
    private final Text below;

    private final Text caption;
    private final Map<String, Token> bySource = new LinkedHashMap<>();
    private HeardDifference difference;
    private Hearing hearing;

    Basin(Store store, HeardDifference shown, double width, double textScale) {
        this.store = store;
        this.difference = shown;
        this.hearing = shown.shown();
        this.width = width;
        this.u = textScale;
        getStyleClass().add("basin-cell");
        setId("basin-" + hearing.outlet());
        setPrefSize(width, BasinsView.HEIGHT * u);
        setMinWidth(width);
        name = Nodes.text("", Type.water(13 * u), 0, NAME * u, "water", "basin-name");
        below = Nodes.text("", Type.water(12 * u), 0, (NAME + 9) * u, "water", "basin-name");
        caption = Nodes.text("", Type.sans(11 * u), 0, NAME * u, "difference-caption");
        getChildren().addAll(bed, coil, tokens, crowd, name, below, caption);
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
    boolean show(HeardDifference shown, double otherWidth, double textScale) {
        Hearing other = shown.shown();
        if (!hearing.outlet().equals(other.outlet())
                || !hearing.name().equals(other.name())
                || width != otherWidth
                || u != textScale) {
            return false;
        }
        HeardDifference before = difference;
        difference = shown;
        hearing = other;
        if (!before.shown().drops().equals(other.drops()) || !before.marks().equals(shown.marks())) {
            place();
        }
        if (!before.equals(shown)) {
            describe();
        }
        return true;
    }

    /** Draws what stays: the rim, the name, the scale. */
    private void draw() {
        double left = 8 * u;
        double right = width - 8 * u;
        double top = RIM * u;
        double bottom = BOTTOM * u;
        double r = 7 * u;
        bed.getElements()
                .addAll(
                        new MoveTo(left, top - 3 * u),
                        new QuadCurveTo(left + 4 * u, top - 3 * u, left + 4 * u, top + 2 * u),
                        new LineTo(left + 4 * u, bottom - r),
                        new QuadCurveTo(left + 4 * u, bottom, left + 4 * u + r, bottom),
                        new LineTo(right - 4 * u - r, bottom),
                        new QuadCurveTo(right - 4 * u, bottom, right - 4 * u, bottom - r),
                        new LineTo(right - 4 * u, top + 2 * u),
                        new QuadCurveTo(right - 4 * u, top - 3 * u, right, top - 3 * u));
        bed.getStyleClass().add("basin");
        coil.getElements().add(new MoveTo(right - 36 * u, top - 2 * u));
        for (int i = 0; i < 3; i++) {
            double x = right - 36 * u + (i + 1) * 10 * u;
            coil.getElements().add(new ArcTo(5 * u, 5 * u, 0, x, top - 2 * u, false, true));
        }
        coil.getStyleClass().add("coil");
        Tooltips.say(coil, "Sound that has gone round in a loop ends here.");
    }

    /** Places tokens by level, side by side; see {@link Spread}. */
    private void place() {
        Spread spread = Spread.of(difference, width, u);
        Set<String> heard = new HashSet<>();
        for (Spread.Spot spot : spread.spots()) {
            Hearing.Drop drop = spot.drop();
            heard.add(drop.source());
            Token token = bySource.get(drop.source());
            if (token == null || !token.fits(drop, spot.scale())) {
                Token made = new Token(store, hearing, drop, spot.scale(), u);
                bySource.put(drop.source(), made);
                token = made;
            }
            token.show(drop, difference.marks().get(drop.source()));
            token.setTranslateX(spot.x());
        }
        bySource.keySet().retainAll(heard);
        List<Token> wanted = spread.spots().stream()
                .map(spot -> Objects.requireNonNull(bySource.get(spot.drop().source())))
                .toList();
        if (!wanted.equals(tokens.getChildren())) {
            tokens.getChildren().setAll(wanted);
        }
        crowd.getChildren().clear();
        if (!spread.band().isEmpty()) {
            band(spread);
        }
        if (!spread.more().isEmpty()) {
            String said = "+" + spread.more().size();
            double baseline = (BOTTOM - 8) * u;
            // The lines of tokens pass here: one through the plus would make it a minus.
            Rectangle back = new Rectangle(
                    spread.moreX() - u, baseline - 9 * u, Type.width(said, Type.sans(10.5 * u)) + 2 * u, 11 * u);
            back.getStyleClass().add("basin-back");
            back.setMouseTransparent(true);
            crowd.getChildren().add(back);
            number(said, spread.moreX(), baseline, spread.more(), "bad");
        }
    }

    /** What is right and has no room one by one: a band from the quietest to the loudest, with their number. */
    private void band(Spread spread) {
        double top = Double.POSITIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        for (Hearing.Drop drop : spread.band()) {
            double y = Token.height(drop.level(), u);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y);
        }
        double least = 15 * u;
        double middle = Math.clamp((top + bottom) / 2, (RIM + 8) * u, (BOTTOM - 10) * u);
        double tall = Math.max(least, bottom - top + 8 * u);
        double wide = Spread.bandWidth(spread.band().size()) * u;
        Rectangle rect = new Rectangle(spread.bandX(), middle - tall / 2, wide, tall);
        rect.setArcWidth(8 * u);
        rect.setArcHeight(8 * u);
        rect.getStyleClass().add("good-band");
        crowd.getChildren().add(rect);
        Tooltips.say(rect, names(spread.band()));
        String said = spread.band().size() + " ok";
        double x = spread.bandX() + (wide - Type.width(said, Type.sans(10.5 * u))) / 2;
        number(said, x, middle + 4 * u, spread.band(), "water");
    }

    private void number(String said, double x, double baseline, List<Hearing.Drop> drops, String tone) {
        Text text = Nodes.text(said, Type.sans(10.5 * u), x, baseline, tone);
        Tooltips.say(text, names(drops));
        crowd.getChildren().add(text);
    }

    private static String names(List<Hearing.Drop> drops) {
        return drops.stream().map(d -> d.name() + ": " + d.word()).collect(Collectors.joining("\n"));
    }

    /**
     * Writes the name in the middle beneath the basin, and how much differs after it or, where that is too long, beneath it; a
     * long name with nothing after it takes two lines.
     */
    private void write() {
        double room = width - 8 * u;
        String first = hearing.name();
        String second = "";
        double gap = difference.caption().isEmpty() ? 0 : 6 * u;
        double told = Type.width(difference.caption(), caption.getFont());
        boolean beside = Type.width(first, Type.water(13 * u)) + gap + told <= room;
        if (!beside && difference.caption().isEmpty()) {
            int cut = first.lastIndexOf(' ', first.length() / 2 + 3);
            second = cut > 0 ? first.substring(cut + 1) : "";
            first = cut > 0 ? first.substring(0, cut) : first;
        }
        boolean two = !second.isEmpty() || !beside && gap > 0;
        name.setFont(two ? below.getFont() : Type.water(13 * u));
        name.setY((two ? NAME - 5 : NAME) * u);
        name.setText(Type.fit(first, name.getFont(), room));
        double named = Type.width(name.getText(), name.getFont());
        double left = (width - named - (beside ? gap + told : 0)) / 2;
        name.setX(left);
        below.setText(Type.fit(second, below.getFont(), room));
        below.setX((width - Type.width(below.getText(), below.getFont())) / 2);
        below.setVisible(!second.isEmpty());
        String fitted = beside ? difference.caption() : Type.fit(difference.caption(), caption.getFont(), room);
        caption.setText(fitted);
        caption.setX(beside ? left + named + gap : (width - Type.width(fitted, caption.getFont())) / 2);
        caption.setY(beside ? name.getY() : (NAME + 8) * u);
        Nodes.turn(caption, "bad", difference.isWorse());
    }

    /** Says what the listener hears, for readers of the screen. */
    private void describe() {
        Nodes.mark(name, "bad", hearing.isBad());
        Nodes.mark(below, "bad", hearing.isBad());
        Nodes.turn(bed, "bad", hearing.isBad());
        coil.setVisible(hearing.coil());
        write();
        Nodes.mark(bed, "dimmed", difference.isMarked() && difference.caption().isEmpty());
        long troubles = hearing.drops().stream().filter(Hearing.Drop::loud).count();
        setAccessibleText(hearing.name() + ": " + hearing.drops().size()
                + (hearing.drops().size() == 1 ? " source" : " sources")
                + (troubles > 0 ? ", " + troubles + " in trouble" : "")
                + (hearing.coil() ? ", a loop ends here" : "")
                + (difference.caption().isEmpty() ? "" : "; different: " + difference.caption()));
    }

    /** Marks the basin and token that are selected. */
    void select(Selection selection, Shown shown) {
        boolean mine = selection instanceof Selection.OfOutlet(String id) && id.equals(hearing.outlet());
        Nodes.mark(this, "selected", mine);
        for (Token token : bySource.values()) {
            String source = token.source();
            boolean on = selection.equals(new Selection.Pair(source, hearing.outlet()))
                    || shown.cell() != null
                            && shown.cell().source().id().equals(source)
                            && shown.cell().outlet().id().equals(hearing.outlet());
            Nodes.mark(token, "selected", on);
        }
    }
}
