package org.gullyrun.desktop.trace;

import java.util.Set;
import java.util.function.Consumer;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.QuadCurveTo;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import org.gullyrun.core.runmap.FoldedMap;
import org.gullyrun.core.runmap.MapNode;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.trace.MapSheet.Layer;

/** Draws sources, programs, devices and listeners: a hairline, or a hook, with a name. */
final class MapBanks {
    private final MapSheet sheet;
    private final MapGeometry at;
    private final MapMetrics m;
    private final double u;
    private final Consumer<Selection> select;
    private final Consumer<Selection> preview;

    MapBanks(MapSheet sheet, MapGeometry geometry, Consumer<Selection> select, Consumer<Selection> preview) {
        this.sheet = sheet;
        this.at = geometry;
        this.m = geometry.metrics;
        this.u = m.unit();
        this.select = select;
        this.preview = preview;
    }

    /** What a node that is no grid looks like, where it is and what lights it. */
    MapPlan plan(MapNode node) {
        Bounds bounds = new BoundingBox(
                at.left(node) - 4 * u, at.top(node) + m.west(node, 0) - 22 * u, at.width(node) + 8 * u, 44 * u);
        return new MapPlan("node " + node.id(), node.look(), bounds, Set.of(), node.points());
    }

    /** Draws a node that is no grid. */
    void draw(MapNode node) {
        if (node.stage() == MapNode.Stage.OUTLETS && !FoldedMap.isMore(node)) {
            outlet(node);
        } else {
            line(node);
        }
    }

    /** Draws what is a line with a name. */
    private void line(MapNode node) {
        double x = at.left(node);
        double w = at.width(node);
        double y = at.top(node) + m.west(node, 0);
        Node bank = Nodes.line(x, y, x + w, y, "bank");
        double textX = x;
        if (node.stage() == MapNode.Stage.SOURCES && !FoldedMap.isMore(node)) {
            SVGPath glyph = Glyph.of(node.sourceClass(), u * 0.95);
            glyph.setTranslateX(x + 6 * u);
            glyph.setTranslateY(y - 9 * u);
            sheet.putAt(Layer.BANKS, glyph, node.points());
            textX += 18 * u;
        }
        double tagWidth = node.tag().isEmpty() ? 0 : Type.width(node.tag(), m.tag()) + 6 * u;
        Text title = Nodes.text(Type.fit(node.title(), m.name(), x + w - textX - tagWidth), m.name(), textX, y - 5 * u);
        sheet.putAt(Layer.BANKS, bank, node.points());
        sheet.putAt(Layer.BANKS, title, node.points());
        if (!node.tag().isEmpty()) {
            Text tag = Nodes.text(
                    node.tag(), m.tag(), x + w - tagWidth + 6 * u, y - 5 * u, node.isTagBad() ? "bad" : "caption");
            sheet.putAt(Layer.BANKS, tag, node.points());
        }
        if (!node.under().isEmpty()) {
            sheet.putAt(
                    Layer.BANKS,
                    Nodes.text(Type.fit(node.under(), m.small(), w), m.small(), x, y + 12 * u, "caption"),
                    node.points());
        }
        hit(
                node,
                x - 2 * u,
                y - 19 * u,
                w + 4 * u,
                node.under().isEmpty() ? 24 * u : 34 * u,
                node.title(),
                selection(node));
    }

    /** What a click on a node selects. */
    private static Selection selection(MapNode node) {
        if (FoldedMap.isMore(node)) {
            return Selection.NOTHING; // opens what is folded
        }
        return switch (node.stage()) {
            case SOURCES -> new Selection.OfSource(node.id());
            case OUTLETS -> new Selection.OfOutlet(node.id());
            case PROGRAMS, DEVICES, MIXERS, PRODUCTIONS ->
                new Selection.OfElement(node.points().iterator().next().element());
        };
    }

    /** Draws a listener. */
    private void outlet(MapNode node) {
        double x = at.left(node);
        double w = at.width(node);
        double y = at.top(node) + m.west(node, 0);
        Path hook = new Path(
                new MoveTo(x, y - 8 * u),
                new LineTo(x, y + 2 * u),
                new QuadCurveTo(x, y + 7 * u, x + 6 * u, y + 7 * u));
        hook.getStyleClass().add("basin-hook");
        Text name =
                Nodes.text(Type.fit(node.title(), m.water(), w - 12 * u), m.water(), x + 12 * u, y + 3 * u, "water");
        if (node.isBad()) {
            hook.getStyleClass().add("bad");
            name.getStyleClass().add("bad");
        }
        sheet.putAt(Layer.BANKS, hook, node.points());
        sheet.putAt(Layer.BANKS, name, node.points());
        if (!node.under().isEmpty()) {
            sheet.putAt(
                    Layer.BANKS,
                    Nodes.text(
                            Type.fit(node.under(), m.small(), w - 12 * u),
                            m.small(),
                            x + 12 * u,
                            y + 15 * u,
                            "caption"),
                    node.points());
        }
        hit(node, x - 2 * u, y - 13 * u, w + 4 * u, 30 * u, node.title(), selection(node));
    }

    /** Lays a place over something drawn that can be clicked, reached by Tab and heard. */
    void hit(MapNode node, double x, double y, double w, double h, String name, Selection selection) {
        Rectangle hit = new Rectangle(x, y, w, h);
        if (Type.width(name, m.name()) > w - 24 * u) {
            Tooltips.say(hit, name); // it may be cut
        }
        hit.getStyleClass().add("hit");
        hit.setId("map-" + node.id() + (name.equals(node.title()) ? "" : "-" + name));
        hit.setFocusTraversable(true);
        hit.setAccessibleRole(AccessibleRole.BUTTON);
        hit.setAccessibleText(name);
        hit.setOnMouseClicked(e -> {
            if (e.isStillSincePress()) {
                select.accept(selection);
                e.consume();
            }
        });
        hit.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                select.accept(selection);
                e.consume();
            }
        });
        hit.hoverProperty().addListener((o, was, is) -> preview.accept(is ? selection : Selection.NOTHING));
        sheet.put(Layer.MARKS, hit);
    }
}
