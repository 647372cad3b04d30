package org.gullyrun.desktop.trace;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import org.gullyrun.core.runmap.FoldedMap;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.Shown;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** Has maps worked out and laid out away from the interface thread, the newest only, and hands them over on it. */
final class MapSurveyor {
    /**
     * A map laid out.
     *
     * @param of the state that it is made of
     * @param shape what the layout depends on: the same shape, the same layout
     */
    record Survey(State of, MapModel model, MapLayout layout, String shape) {}

    /** A part of a whole map, folded to what is lit. */
    record Folded(MapModel whole, Shown shown, MapModel model, MapLayout layout) {
        /** Whether this is the map of a model, lit in the same way. */
        boolean isOf(MapModel other, Shown lit) {
            return whole == other
                    && shown.points().equals(lit.points())
                    && shown.segments().equals(lit.segments());
        }
    }

    /** So many layouts are kept: what is selected or tried comes and goes, and the map that was there before comes back. */
    private static final int MOST_KEPT = 60;
    /** By their shape, for all cases that are opened: the same shape has the same layout in each. */
    private static final Map<String, MapLayout> LAYOUTS =
            Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
                @Override
                protected boolean removeEldestEntry(Map.Entry<String, MapLayout> eldest) {
                    return size() > MOST_KEPT;
                }
            });

    private final Store store;
    private final Consumer<Survey> then;
    private @Nullable Survey last;
    /** What the map last asked for is made of. */
    private @Nullable State askedOf;

    private boolean asked;
    private long turn;
    private final AtomicLong foldings = new AtomicLong();
    /** The part that was folded before it was asked for; null if none was. */
    private volatile @Nullable Folded prepared;

    /** Hands surveys to somebody. */
    MapSurveyor(Store store, Consumer<Survey> then) {
        this.store = store;
        this.then = then;
    }

    /** Whether the map of one state isn't that of another. */
    static boolean differ(State one, State other) {
        return !one.soundsAs(other)
                || one.scene() != other.scene()
                || one.lens() != other.lens()
                || one.against() != other.against()
                || one.textScale() != other.textScale();
    }

    /** The newest survey; null before the first. */
    @Nullable
    Survey last() {
        return last;
    }

    /** Whether a state needs another map than the one last asked for. */
    boolean isNewTo(State now) {
        return askedOf == null || last == null || differ(askedOf, now);
    }

    /**
     * Takes the map of a difference of which only what is lit is going to be drawn: the whole needs no places then.
     */
    void takeFolded(State state, Against against) {
        Survey known = last;
        if (known != null) {
            askedOf = state;
            turn++;
            last = new Survey(state, against.model(), known.layout, known.shape);
            then.accept(last);
        }
    }

    /**
     * Asks for the map of a state. The first time all is cold: it is not asked for before there is room, for it would take
     * the processor from the other parts, and once only; what has changed meanwhile is drawn after it.
     */
    void ask(State state, boolean hasRoom) {
        askedOf = state;
        Survey known = last;
        if (known == null) {
            if (hasRoom && !asked) {
                asked = true;
                survey(state);
            }
            return;
        }
        if (state.against() != null || state.answer().models().hasMap(state.scene(), state.lens())) {
            MapModel model = model(state);
            String shape = shape(model, state);
            MapLayout layout = LAYOUTS.get(shape);
            if (layout == null
                    && state.against() != null
                    && known.of.textScale() == state.textScale()
                    && model.hasNodesOf(known.model)) {
                layout = known.layout.with(model, metrics(state)); // what is there already stays where it is
            }
            if (layout != null) {
                turn++; // what is being surveyed for an earlier state counts no more
                last = new Survey(state, model, layout, shape);
                then.accept(last);
                return;
            }
        }
        survey(state);
    }

    /** The map of a state; where a difference is shown, the one that has both. */
    private static MapModel model(State state) {
        Against against = state.against();
        return against != null ? against.model() : state.answer().models().map(state.scene(), state.lens());
    }

    /** What a layout depends on: the shape of the map and the size of text. */
    private static String shape(MapModel model, State state) {
        return model.signature() + state.textScale();
    }

    /** Lays a map out, or takes the layout that is known: a second for the largest, so never on the interface thread. */
    private static MapLayout layOut(MapModel model, String shape, State state) {
        MapLayout known = LAYOUTS.get(shape);
        if (known != null) {
            return known;
        }
        MapLayout layout = MapLayout.of(model, metrics(state));
        LAYOUTS.put(shape, layout);
        return layout;
    }

    private static MapMetrics metrics(State state) {
        return new MapMetrics(state.textScale(), MapMetrics.LONGEST[0]);
    }

    /** Lays the map out in the background. The newest state wins. */
    private void survey(State state) {
        long mine = ++turn;
        store.work("draw the map", () -> {
            MapModel model = model(state);
            String shape = shape(model, state);
            MapLayout layout = layOut(model, shape, state);
            return () -> {
                if (mine == turn) {
                    last = new Survey(state, model, layout, shape);
                    then.accept(last);
                    State late = store.state();
                    if (differ(state, late)) {
                        ask(late, true);
                    }
                }
            };
        });
    }

    /** Folds the map of a difference that is about to be shown, so that all of it comes at once. Off the interface thread. */
    void prepareFolded(State state, Against against) {
        Shown lit = against.lit(state.selection());
        if (!lit.isEmpty()) {
            prepared = folded(against.model(), state, lit);
        }
    }

    private static Folded folded(MapModel whole, State state, Shown lit) {
        MapModel part = FoldedMap.of(whole, lit.points(), lit.segments());
        return new Folded(whole, lit, part, layOut(part, shape(part, state), state));
    }

    /** Asks for a map folded to what is lit in a state; what was asked for before counts no more. */
    void fold(MapModel whole, State state, Shown shown, Consumer<Folded> folded) {
        long mine = foldings.incrementAndGet();
        Folded ready = prepared;
        if (ready != null && ready.isOf(whole, shown)) {
            folded.accept(ready);
            return;
        }
        store.work("fold the map", () -> {
            if (mine != foldings.get()) {
                return () -> {}; // something else is lit by now
            }
            Folded made = folded(whole, state, shown);
            return () -> {
                if (mine == foldings.get()) {
                    folded.accept(made);
                }
            };
        });
    }

    /** What is being folded counts no more. */
    void foldNothing() {
        foldings.incrementAndGet();
    }
}
