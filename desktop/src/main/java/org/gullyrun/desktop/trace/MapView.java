package org.gullyrun.desktop.trace;

import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import javafx.application.Platform;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.CacheHint;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import org.gullyrun.core.runmap.FoldedMap;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Shown;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.state.WrongSegments;
import org.jspecify.annotations.Nullable;

/** The run map: draws the state's reading, lights its selection; it can be zoomed and panned. */
public final class MapView extends Region {
    /** Of the size in which letters have their usual size. */
    private static final double CLOSEST = 3;

    private static final double FARTHEST = 0.2;
    /** Maps that would have to be smaller to be seen whole cannot be read so: they are folded to what is lit. */
    private static final double LEAST_DRAWN = 0.75;
    /** What a map may reach beyond its room. */
    private static final double HAIR = 0.01;
    /** Pixels by which a map may reach beyond its room without an overview. */
    private static final double SLACK = 4;

    private final Store store;
    private final Contours contours = new Contours();
    private final Group holder = new Group();
    private final Label empty = Nodes.label(
            "Nothing to draw yet.\nOpen a case with Ctrl O, or the sample show from the Case menu.", "soft");
    private final Translate pan = new Translate();
    private final Scale zoom = new Scale(1, 1);
    private final ExecutorService surveyor = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "gullyrun-map");
        thread.setDaemon(true);
        return thread;
    });
    private @Nullable MapModel model;
    private @Nullable MapLayout layout;
    private @Nullable MapDrawing drawing;
    private @Nullable MapLayout drawnLayout;
    /** The size in which the map is drawn, of that in which letters have their usual size. */
    private double drawn = 1;

    private double drawnWidth;
    private double drawnHeight;
    /** What the overview was drawn of. */
    private @Nullable MapGeometry overviewOf;

    private final MapOverview overview = new MapOverview(this::centre);
    /** Whether the whole map cannot be shown at a size at which it can be read. */
    private boolean large;
    /** The layout, and the room, of which that was found. */
    private @Nullable MapLayout measured;

    private double measuredWidth;
    private double measuredHeight;
    /** What is folded to what is lit; null while the whole map is shown. */
    private @Nullable Folded folded;
    /** The whole map and how it was looked at, while only a part of it is shown. */
    private @Nullable Kept kept;

    private final AtomicLong foldings = new AtomicLong();
    private boolean folding;
    private String signature = "";
    private long turn;
    private boolean moved;
    private double grabX;
    private double grabY;

    /** A part of a whole map, folded to what is lit. */
    private record Folded(MapModel whole, Shown shown, MapModel model, MapLayout layout) {
        boolean isOf(MapModel other, Shown lit) {
            return whole == other
                    && shown.points().equals(lit.points())
                    && shown.segments().equals(lit.segments());
        }
    }

    /** A drawing and the place of the view over it. */
    private record Kept(
            MapDrawing drawing,
            MapLayout layout,
            double width,
            double height,
            double drawn,
            double x,
            double y,
            double by,
            boolean moved) {}

    /** A map of what the store holds. */
    public MapView(Store store) {
        this.store = store;
        setId("map");
        getStyleClass().add("sheet");
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
            if (model == null) {
                rebuild(store.state());
            }
            redraw();
        });
        heightProperty().addListener(x -> redraw());
        addEventHandler(ScrollEvent.SCROLL, this::scroll);
        addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            grabX = e.getX() - pan.getX();
            grabY = e.getY() - pan.getY();
        });
        addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            moved = true;
            quick(true);
            pan.setX(e.getX() - grabX);
            pan.setY(e.getY() - grabY);
        });
        addEventHandler(MouseEvent.MOUSE_RELEASED, e -> quick(false));
        addEventHandler(MouseEvent.MOUSE_CLICKED, e -> {
            if (e.isStillSincePress()) {
                store.select(Selection.NOTHING);
            }
        });
        store.watch(this::update);
    }

    /** Whether the first map is being laid out. */
    private boolean asked;
    /** What the map that is shown was made of. */
    private @Nullable State drawnOf;
    /** What the map last asked for is made of. */
    private @Nullable State askedOf;

    /** Whether the map shows the state as it is now: no other one is being laid out. */
    public boolean isSettled() {
        return drawnOf != null
                && (store.state().step() != Step.TRACE || !folding && !looksOther(drawnOf, store.state()));
    }

    private void update(State before, State now) {
        boolean first = model == null;
        if (!first && now.step() != Step.TRACE) {
            return; // it is not seen: nothing is drawn until it is
        }
        State of = askedOf;
        if (first || of == null || looksOther(of, now)) {
            rebuild(now);
        } else if (large) {
            redraw();
        } else if (drawing != null) {
            light(now);
        }
    }

    private static boolean looksOther(State one, State other) {
        return !one.soundsAs(other)
                || one.scene() != other.scene()
                || one.lens() != other.lens()
                || one.textScale() != other.textScale();
    }

    private void rebuild(State state) {
        askedOf = state;
        if (model == null) {
            // The first time all is cold: not on the interface thread, not before the window has its size, for it would
            // take
            // the processor from the other parts, and once only.
            // What has changed meanwhile is drawn after it: asking again would only delay the first map.
            if (getWidth() > 0 && !asked) {
                asked = true;
                survey(state);
            }
            return;
        }
        if (state.answer().models().hasMap(state.scene(), state.lens())) {
            MapModel next = state.answer().models().map(state.scene(), state.lens());
            if (layout != null && isLaidOut(next, state)) {
                turn++; // what is being surveyed for an earlier state counts no more
                model = next;
                drawnOf = state;
                redraw();
                return;
            }
        }
        survey(state);
    }

    private boolean isLaidOut(MapModel next, State state) {
        return (next.signature() + state.textScale()).equals(signature);
    }

    /** Works out the map, and lays it out where it has another shape, away from the interface thread. */
    private void survey(State state) {
        long mine = ++turn;
        MapLayout known = layout;
        String knownOf = signature;
        surveyor.execute(() -> {
            MapModel next = state.answer().models().map(state.scene(), state.lens());
            String shape = next.signature() + state.textScale();
            MapLayout made = known != null && shape.equals(knownOf)
                    ? known
                    : MapLayout.of(next, new MapMetrics(state.textScale(), MapMetrics.LONGEST[0]));
            Platform.runLater(() -> {
                if (mine == turn) {
                    signature = shape;
                    model = next;
                    drawnOf = state;
                    layout = made;
                    redraw();
                    State late = store.state();
                    if (looksOther(state, late)) {
                        rebuild(late);
                    }
                }
            });
        });
    }

    private void redraw() {
        MapModel m = model;
        MapLayout l = layout;
        if (m == null
                || l == null
                || getWidth() <= 0
                || !(m.signature() + store.state().textScale()).equals(signature)) {
            return;
        }
        empty.setVisible(m.nodes().isEmpty());
        if (l != measured || getWidth() != measuredWidth || getHeight() != measuredHeight) {
            measured = l;
            measuredWidth = getWidth();
            measuredHeight = getHeight();
            large = isLarge(whole(trial(m, l, store.state().textScale(), MapMetrics.LONGEST[0])));
        }
        if (large && !store.state().shown().isEmpty()) {
            fold(m, store.state());
        } else {
            foldings.incrementAndGet();
            folding = false;
            unfold();
            draw(m, l);
        }
    }

    private void draw(MapModel m, MapLayout l) {
        MapDrawing known = drawing;
        if (known != null
                && drawnLayout == l
                && getWidth() == drawnWidth
                && getHeight() == drawnHeight
                && known.update(m)) {
            light(store.state());
            return;
        }
        double before = drawn;
        drawing = new MapDrawing(m, geometry(m, l), store::select, this::preview);
        drawn = drawing.geometry().metrics.unit() / store.state().textScale();
        zoom.setX(zoom.getX() * before / drawn); // what somebody has brought near stays as near
        zoom.setY(zoom.getX());
        drawnLayout = l;
        drawnWidth = getWidth();
        drawnHeight = getHeight();
        holder.getChildren().setAll(drawing.world());
        light(store.state());
        settle();
        contours.draw(getWidth(), getHeight());
        see();
    }

    /** Shows of a large map only what is lit. */
    private void fold(MapModel whole, State state) {
        Shown shown = state.shown();
        long mine = foldings.incrementAndGet(); // what is being folded for an earlier selection counts no more
        folding = folded == null || !folded.isOf(whole, shown);
        if (folded != null && !folding) {
            draw(folded.model, folded.layout);
            return;
        }
        surveyor.execute(() -> {
            if (mine != foldings.get()) {
                return; // something else is lit by now
            }
            MapModel part = FoldedMap.of(whole, shown.points(), shown.segments());
            MapLayout made = MapLayout.of(part, new MapMetrics(state.textScale(), MapMetrics.LONGEST[0]));
            Platform.runLater(() -> {
                if (mine == foldings.get()) {
                    folding = false;
                    keep();
                    folded = new Folded(whole, shown, part, made);
                    draw(part, made);
                }
            });
        });
    }

    /** Keeps the whole map as it stands, to come back to. */
    private void keep() {
        MapDrawing whole = drawing;
        MapLayout its = drawnLayout;
        if (folded == null && whole != null && its != null) {
            kept = new Kept(whole, its, drawnWidth, drawnHeight, drawn, pan.getX(), pan.getY(), zoom.getX(), moved);
        }
        moved = false;
    }

    /** Comes back to the whole map, as it was looked at. */
    private void unfold() {
        Kept whole = kept;
        folded = null;
        kept = null;
        if (whole != null) {
            drawing = whole.drawing;
            boolean fits = whole.width == getWidth() && whole.height == getHeight();
            drawnLayout = fits ? whole.layout : null; // else it is drawn anew
            drawn = whole.drawn;
            moved = whole.moved;
            holder.getChildren().setAll(whole.drawing.world());
            zoom.setX(whole.by);
            zoom.setY(whole.by);
            pan.setX(whole.x);
            pan.setY(whole.y);
            see();
        }
    }

    /** Tells the overview what is in sight; it is there while that is not the whole map. */
    private void see() {
        MapDrawing all = folded == null ? drawing : null;
        MapModel of = model;
        overview.setVisible(all != null
                && of != null
                && (all.geometry().width() * zoom.getX() > getWidth() + SLACK
                        || all.geometry().height() * zoom.getX() > getHeight() + SLACK));
        if (all != null && of != null && overview.isVisible()) {
            if (overviewOf != all.geometry()) {
                overviewOf = all.geometry();
                overview.draw(of, all.geometry());
            }
            overview.relocate(10, getHeight() - overview.getPrefHeight() - 10);
            overview.see(new BoundingBox(
                    -pan.getX() / zoom.getX(),
                    -pan.getY() / zoom.getY(),
                    getWidth() / zoom.getX(),
                    getHeight() / zoom.getY()));
        }
    }

    /** Brings a place of the map into the middle. */
    private void centre(double x, double y) {
        moved = true;
        pan.setX(getWidth() / 2 - x * zoom.getX());
        pan.setY(getHeight() / 2 - y * zoom.getY());
    }

    private void light(State state) {
        if (drawing != null) {
            drawing.light(state.shown(), WrongSegments.wrong(state));
            if (state.textScale() > 1) {
                settle();
            }
        }
    }

    private MapGeometry trial(MapModel m, MapLayout l, double scale, double longest) {
        return new MapGeometry(m, l, new MapMetrics(scale, longest), getWidth(), getHeight());
    }

    /**
     * The places for the room there is, in the size in which they are shown: names are cut shorter only as far as that makes
     * the map larger. To draw it in full and zoom would be the same to the eye, but without a graphics card the display draws
     * each letter under a zoom as a shape, which made half of the time to paint a map.
     */
    private MapGeometry geometry(MapModel m, MapLayout l) {
        double scale = store.state().textScale();
        MapGeometry trial = trial(m, l, scale, MapMetrics.LONGEST[0]);
        for (double longest : MapMetrics.LONGEST) {
            trial = trial(m, l, scale, longest);
            if (trial.width() <= getWidth() * Math.max(1, trial.height() / getHeight())) {
                break;
            }
        }
        double whole = whole(trial);
        double size = settled(whole);
        if (size == 1) {
            return trial;
        }
        double room = size / whole;
        return new MapGeometry(m, l, trial.metrics.times(size), getWidth() * room, getHeight() * room);
    }

    /** The size in which a map is shown as long as nobody has moved it, of which all can be seen at another size. */
    private double settled(double whole) {
        return isLarge(whole)
                ? 1
                : Math.min(1, whole * Math.max(1, store.state().textScale()));
    }

    /** Whether a map would have to be shown smaller than can be read, to be seen whole. */
    private boolean isLarge(double whole) {
        return whole * Math.max(1, store.state().textScale()) < LEAST_DRAWN;
    }

    private void preview(Selection selection) {
        State state = store.state();
        if (drawing != null && state.selection() instanceof Selection.Nothing) {
            drawing.light(
                    selection instanceof Selection.Nothing
                            ? state.shown()
                            : Shown.of(state.reading(), selection, state.scene()),
                    Set.of());
        }
    }

    /** Fits the whole map into the view, however small its letters become. */
    public void fit() {
        if (drawing != null) {
            show(whole(drawing.geometry()));
            moved = true; // so that it stays whole when something is selected
        }
    }

    /** The factor at which the whole map is seen. */
    private double whole(MapGeometry geometry) {
        return exact(Math.min(1, Math.min(getHeight() / geometry.height(), getWidth() / geometry.width())));
    }

    /** Widths of letters do not grow quite evenly with their size; to be smaller by a hair is not to be smaller. */
    private static double exact(double factor) {
        return factor > 1 - HAIR ? 1 : factor;
    }

    /**
     * Shows the map as long as nobody has moved it: whole at usual text; where larger text is wanted its letters are
     * larger too, and what is lit is brought into sight.
     */
    private void settle() {
        if (drawing != null && !moved) {
            show(exact(settled(whole(drawing.geometry()) * drawn) / drawn));
        }
    }

    private void show(double factor) {
        MapDrawing map = Objects.requireNonNull(drawing);
        zoom.setX(factor);
        zoom.setY(factor);
        Bounds lit = map.litBounds();
        MapGeometry all = map.geometry();
        if (lit == null) {
            pan.setX(pan(getWidth(), all.width() * factor, 0, 0));
            pan.setY(Math.min(0, pan(getHeight(), all.height() * factor, 0, 0)));
        } else {
            pan.setX(pan(getWidth(), all.width() * factor, lit.getMinX() * factor, lit.getMaxX() * factor));
            double y = pan(getHeight(), all.height() * factor, lit.getMinY() * factor, lit.getMaxY() * factor);
            pan.setY(Math.min(0, y));
        }
    }

    /**
     * Where the map begins: in the middle of the room if it fits, else so that what lies between two places is in the
     * middle; where that is longer than the room its end is shown, for there the listeners are.
     */
    private static double pan(double room, double size, double from, double to) {
        double end = size - to < room / 5 ? size : to + 16; // names at the edge are not cut for so little
        double wanted = to - from > room ? room - end : (room - from - to) / 2;
        return size <= room ? (room - size) / 2 : Math.clamp(wanted, room - size, 0);
    }

    /** Zooms about the middle of the view. */
    public void zoomBy(double factor) {
        zoomAt(factor, getWidth() / 2, getHeight() / 2);
    }

    private void zoomAt(double factor, double x, double y) {
        double to = Math.clamp(zoom.getX() * factor, FARTHEST / drawn, CLOSEST / drawn);
        double real = to / zoom.getX();
        moved = true;
        pan.setX(x - (x - pan.getX()) * real);
        pan.setY(y - (y - pan.getY()) * real);
        zoom.setX(to);
        zoom.setY(to);
    }

    private void scroll(ScrollEvent e) {
        if (e.getDeltaY() != 0) {
            zoomAt(Math.exp(e.getDeltaY() * 0.002), e.getX(), e.getY());
            e.consume();
        }
    }

    /** While it moves it is drawn from a picture: several times as fast on big maps. */
    private void quick(boolean on) {
        if (drawing != null) {
            drawing.world().setCache(on);
            drawing.world().setCacheHint(on ? CacheHint.SPEED : CacheHint.DEFAULT);
        }
    }
}
