package org.gullyrun.desktop.trace;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.CacheHint;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import org.gullyrun.core.runmap.MapDifference;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Shown;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.state.WrongSegments;
import org.jspecify.annotations.Nullable;

/** The run map: draws the state's reading, lights its selection; it can be zoomed and panned. */
public final class MapView extends Region {
    private final Store store;
    private final Contours contours = new Contours();
    private final Group holder = new Group();
    private final Label empty = Nodes.label(
            "Nothing to draw yet.\nOpen a case with Ctrl O, or the sample show from the Case menu.", "soft");
    private final MapPanning panning;
    private final Translate pan;
    private final Scale zoom;
    private final MapSurveyor surveyor;
    private @Nullable MapDrawing drawing;
    private @Nullable MapLayout drawnLayout;
    /** The size in which the map is drawn, of that in which letters have their usual size. */
    private double drawn = 1;

    private double drawnWidth;
    private double drawnHeight;
    private final MapOverview overview = new MapOverview(this::centre);
    /** Whether the whole map cannot be shown at a size at which it can be read. */
    private volatile boolean large;
    /** The layout, and the room, of which that was found. */
    private @Nullable MapLayout measured;

    private double measuredWidth;
    private double measuredHeight;
    /** What is folded to what is lit; null while the whole map is shown. */
    private MapSurveyor.@Nullable Folded folded;
    /** The whole map and how it was looked at, while only a part of it is shown. */
    private @Nullable KeptMap kept;

    private boolean folding;
    /** What of the drawing is in the window. */
    private MapSight sight = MapSight.of(false, false);

    /** A map of what the store holds. */
    public MapView(Store store) {
        this.store = store;
        this.surveyor = new MapSurveyor(store, survey -> redraw());
        setId("map");
        getStyleClass().add("sheet");
        panning = new MapPanning(this, () -> drawn, this::quick);
        pan = panning.pan();
        zoom = panning.zoom();
        holder.getTransforms().addAll(pan, zoom);
        empty.setVisible(false);
        empty.setMouseTransparent(true);
        empty.layoutXProperty()
                .bind(widthProperty().subtract(empty.widthProperty()).divide(2));
        empty.layoutYProperty().bind(heightProperty().divide(2.4));
        overview.setVisible(false);
        getChildren().addAll(contours, holder, overview, empty);
        pan.xProperty().addListener(x -> see());
        pan.yProperty().addListener(x -> see());
        zoom.xProperty().addListener(x -> see());
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        widthProperty().addListener(x -> {
            if (surveyor.last() == null) {
                surveyor.ask(store.state(), getWidth() > 0);
            }
            redraw();
        });
        heightProperty().addListener(x -> redraw());
        addEventHandler(MouseEvent.MOUSE_CLICKED, e -> {
            if (e.isStillSincePress()) {
                store.select(Selection.NOTHING);
            }
        });
        store.tryout().beforeShown((state, against) -> {
            if (large) {
                surveyor.prepareFolded(state, against);
            }
        });
        store.watch(this::update);
    }

    /** Whether the map shows the state as it is now: no other one is being laid out. */
    public boolean isSettled() {
        MapSurveyor.Survey survey = surveyor.last();
        return survey != null
                && (store.state().step() != Step.TRACE || !folding && !MapSurveyor.differ(survey.of(), store.state()));
    }

    /** Draws the map anew for another rig; else changes only what is lit or open. */
    private void update(State before, State now) {
        boolean first = surveyor.last() == null;
        if (!first && now.step() != Step.TRACE) {
            takeAway();
            return; // it is not seen: nothing is drawn until it is
        }
        putBack();
        Against against = now.against();
        if (against != null && large && surveyor.isNewTo(now) && !lit(now).isEmpty()) {
            surveyor.takeFolded(now, against);
        } else if (surveyor.isNewTo(now)) {
            surveyor.ask(now, getWidth() > 0);
        } else if (large) {
            redraw();
        } else if (drawing != null) {
            light(now);
        }
    }

    /** Takes a large map that is not seen out of the window: every picture of another step would go through all its parts. */
    private void takeAway() {
        if (large && folded == null && drawing != null) {
            holder.getChildren().clear();
        }
    }

    /** Puts the map back into the window when its step is opened. */
    private void putBack() {
        if (holder.getChildren().isEmpty() && drawing != null) {
            present(drawing);
        }
    }

    /** Draws the model that is there, or says why there is none. */
    private void redraw() {
        MapSurveyor.Survey survey = surveyor.last();
        if (survey == null
                || getWidth() <= 0
                || survey.of().textScale() != store.state().textScale()) {
            return;
        }
        MapModel m = survey.model();
        MapLayout l = survey.layout();
        empty.setVisible(m.nodes().isEmpty());
        if (l != measured || getWidth() != measuredWidth || getHeight() != measuredHeight) {
            measured = l;
            measuredWidth = getWidth();
            measuredHeight = getHeight();
            large = room().isLarge(m, l);
        }
        if (large && !lit(store.state()).isEmpty()) {
            fold(m, store.state());
        } else {
            surveyor.foldNothing();
            folding = false;
            unfold();
            draw(m, l);
        }
    }

    private MapFit room() {
        return new MapFit(getWidth(), getHeight(), store.state().textScale());
    }

    /** Draws a model as it was laid out. */
    private void draw(MapModel m, MapLayout l) {
        MapDrawing known = drawing;
        if (known != null
                && drawnLayout != null
                && getWidth() == drawnWidth
                && getHeight() == drawnHeight
                && known.update(m, l)) {
            drawnLayout = l;
            known.ring(rings());
            light(store.state());
            return;
        }
        double before = drawn;
        sight = MapSight.of(large, folded != null);
        drawing = new MapDrawing(m, room().geometry(m, l), sight.inWindow(), store::select, this::preview);
        drawing.ring(rings());
        drawn = drawing.geometry().metrics.unit() / store.state().textScale();
        zoom.setX(zoom.getX() * before / drawn); // what somebody has brought near stays as near
        zoom.setY(zoom.getX());
        drawnLayout = l;
        drawnWidth = getWidth();
        drawnHeight = getHeight();
        present(drawing);
        light(store.state());
        settle();
        contours.draw(getWidth(), getHeight());
        see();
    }

    /** Where something was changed, while that is shown. */
    private List<MapDifference.Ring> rings() {
        Against against = store.state().against();
        return against == null || against.held() ? List.of() : against.map().rings();
    }

    /** Shows of a large map only what is lit. */
    private void fold(MapModel whole, State state) {
        MapSurveyor.Folded known = folded;
        Shown lit = lit(state);
        folding = known == null || !known.isOf(whole, lit);
        if (known != null && !folding) {
            surveyor.foldNothing();
            draw(known.model(), known.layout());
            return;
        }
        surveyor.fold(whole, state, lit, part -> {
            folding = false;
            keep();
            folded = part;
            draw(part.model(), part.layout());
        });
    }

    /** Puts a drawing into the window, and the whole map beneath it out of sight while only a part is shown. */
    private void present(MapDrawing shown) {
        KeptMap whole = kept;
        Group below = whole == null ? shown.world() : whole.drawing().world();
        below.setVisible(below == shown.world()); // taken out, it would need all its styles again
        if (below == shown.world()) {
            holder.getChildren().setAll(below);
        } else if (holder.getChildren().contains(below)) {
            holder.getChildren().retainAll(List.of(below));
            holder.getChildren().add(shown.world());
        } else {
            holder.getChildren().setAll(below, shown.world());
        }
    }

    /** Keeps the whole map as it stands, to come back to. */
    private void keep() {
        MapDrawing whole = drawing;
        MapLayout its = drawnLayout;
        if (folded == null && whole != null && its != null) {
            kept = new KeptMap(
                    whole,
                    its,
                    sight,
                    drawnWidth,
                    drawnHeight,
                    drawn,
                    pan.getX(),
                    pan.getY(),
                    zoom.getX(),
                    panning.isMoved());
        }
        panning.moved(false);
    }

    /** Comes back to the whole map, as it was looked at. */
    private void unfold() {
        KeptMap whole = kept;
        folded = null;
        kept = null;
        if (whole != null) {
            drawing = null; // nothing looks where it stands until the view is back in its place
            drawn = whole.drawn();
            panning.moved(whole.moved());
            zoom.setX(whole.by());
            zoom.setY(whole.by());
            pan.setX(whole.x());
            pan.setY(whole.y());
            boolean fits = whole.width() == getWidth() && whole.height() == getHeight();
            drawnLayout = fits ? whole.layout() : null; // else it is drawn anew
            drawing = whole.drawing();
            sight = whole.sight();
            present(whole.drawing());
            see();
        }
    }

    /** Tells the map and its overview what is in sight; the overview is there while that is not the whole map. */
    private void see() {
        MapDrawing shown = drawing;
        MapSurveyor.Survey of = surveyor.last();
        if (shown == null || of == null || folded != null) {
            overview.setVisible(false);
        }
        if (shown != null && of != null) {
            Bounds room = new BoundingBox(-pan.getX(), -pan.getY(), getWidth(), getHeight());
            if (folded == null) {
                overview.see(of.model(), shown.geometry(), room, zoom.getX());
            }
            sight.follow(shown, room, zoom.getX(), large);
        }
    }

    /** Brings a place of the map into the middle. */
    private void centre(double x, double y) {
        panning.moved(true);
        pan.setX((getWidth() + overview.beside()) / 2 - x * zoom.getX());
        pan.setY(getHeight() / 2 - y * zoom.getY());
    }

    /** What is lit: what is selected, or where a difference is shown, what differs. */
    private static Shown lit(State state) {
        Against against = state.against();
        return against == null ? state.shown() : against.lit(state.selection());
    }

    /** Lights what is selected. */
    private void light(State state) {
        if (drawing != null) {
            Against against = state.against();
            drawing.light(
                    lit(state),
                    against == null ? WrongSegments.wrong(state) : against.wrong(),
                    against == null ? Set.of() : against.gone());
            if (state.textScale() > 1) {
                settle();
            }
        }
    }

    /** Lights what is under the pointer. */
    private void preview(Selection selection) {
        State state = store.state();
        if (drawing != null && state.against() == null && state.selection() instanceof Selection.Nothing) {
            drawing.light(
                    selection instanceof Selection.Nothing
                            ? state.shown()
                            : Shown.of(state.reading(), selection, state.scene()),
                    Set.of(),
                    Set.of());
        }
    }

    /** Fits the whole map into the view, however small its letters become. */
    public void fit() {
        if (drawing != null) {
            show(room().whole(drawing.geometry()));
            panning.moved(true); // so that it stays whole when something is selected
        }
    }

    /**
     * Shows the map as long as nobody has moved it: whole at usual text; where larger text is wanted its letters are
     * larger too, and what is lit is brought into sight.
     */
    private void settle() {
        if (drawing != null && !panning.isMoved()) {
            MapFit room = room();
            show(MapFit.exact(room.settled(room.whole(drawing.geometry()) * drawn) / drawn));
        }
    }

    /** Shows the map at a scale. */
    private void show(double factor) {
        MapDrawing map = Objects.requireNonNull(drawing);
        zoom.setX(factor);
        zoom.setY(factor);
        Bounds lit = map.litBounds();
        MapGeometry all = map.geometry();
        if (lit == null) {
            see();
            double beside = overview.beside();
            pan.setX(beside + MapFit.pan(getWidth() - beside, all.width() * factor, 0, 0));
            double first = all.height() * factor > getHeight() + 1 ? map.firstSource() * factor : 0;
            pan.setY(Math.min(0, MapFit.pan(getHeight(), all.height() * factor, first, first + getHeight() * 0.8)));
        } else {
            pan.setX(MapFit.pan(getWidth(), all.width() * factor, lit.getMinX() * factor, lit.getMaxX() * factor));
            Bounds end = lit.getHeight() * factor > getHeight() ? Objects.requireNonNull(map.litEnd()) : lit;
            double y = MapFit.pan(getHeight(), all.height() * factor, end.getMinY() * factor, end.getMaxY() * factor);
            pan.setY(Math.min(0, y));
        }
    }

    /** Zooms about the middle of the view. */
    public void zoomBy(double factor) {
        panning.zoomAt(factor, getWidth() / 2, getHeight() / 2);
    }

    /** While it moves it is drawn from a picture: several times as fast on big maps. */
    private void quick(boolean on) {
        if (drawing != null) {
            drawing.world().setCache(on);
            drawing.world().setCacheHint(on ? CacheHint.SPEED : CacheHint.DEFAULT);
        }
    }
}
