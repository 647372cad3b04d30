package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Where an input takes everything that plays on a device: each program by itself instead, so that what should not be heard
 * stays out and nothing else is lost.
 */
final class CaptureEach {
    private final Reading reading;
    private final Rig rig;
    private final SceneReading scene;
    private final Consumer<List<Change>> to;

    /** Looks at one scene of a reading; what might help goes to a receiver. */
    CaptureEach(Reading reading, int scene, Consumer<List<Change>> to) {
        this.reading = reading;
        this.rig = reading.rig();
        this.scene = reading.scenes().get(scene);
        this.to = to;
    }

    /**
     * Hands on what takes the place of the inputs on a route that take all that plays on a device.
     *
     * @param route the segments of the route, numbered as in the graph of the scene
     * @param outlet the listener to whom it leads; null for a loop
     */
    void along(List<Integer> route, @Nullable Element outlet) {
        for (Element input : takingAll(scene.graph(), route)) {
            if (rig.owner(input) instanceof Element production) {
                instead(input, production, outlet == null ? null : NewInputs.track(rig, production, outlet));
            }
        }
    }

    /** The inputs on a route that take everything that plays on a device. */
    static Set<Element> takingAll(FlowGraph graph, List<Integer> route) {
        Set<Element> inputs = new LinkedHashSet<>();
        for (int segment : route) {
            graph.rig()
                    .find(graph.segmentElement(segment), Kind.INPUT)
                    .filter(i -> i.get(Productions.TAKES) == Productions.Takes.PLAYBACK)
                    .ifPresent(inputs::add);
        }
        return inputs;
    }

    /** The input muted, or off one track, and an input for each program on the tracks that it had there. */
    private void instead(Element input, Element production, @Nullable Integer track) {
        SortedSet<Integer> ticked = Productions.ticked(input, Productions.TRACK);
        Map<Element, SortedSet<Integer>> starts = starts(input, production, ticked);
        offer(production, Change.set(rig, input.id(), Productions.INPUT_MUTED, true), starts, ticked);
        if (track != null && ticked.size() > 1 && ticked.contains(track)) {
            offer(production, Change.set(rig, input.id(), Productions.TRACK.of(track), false), starts, Set.of(track));
        }
    }

    /** What an input takes that no other takes by itself, each with the tracks on which it should be. */
    private Map<Element, SortedSet<Integer>> starts(Element input, Element production, SortedSet<Integer> ticked) {
        Map<Element, SortedSet<Integer>> starts = new LinkedHashMap<>();
        PointId end = PointId.of(input.id());
        for (Element source : rig.of(Kind.SOURCE)) {
            Element at = NewInputs.start(rig, source);
            if (at != null
                    && !starts.containsKey(at)
                    && scene.leadsByWire(PointId.of(source.id()), end)
                    && !NewInputs.isTaken(rig, production, at)) {
                SortedSet<Integer> tracks = NewInputs.tracks(
                        reading, production, at, cell -> cell.delivery().arrives() || cell.wish() == Wish.MUST);
                tracks.retainAll(ticked);
                starts.put(at, tracks);
            }
        }
        return starts;
    }

    private void offer(
            Element production,
            Change.@Nullable Set off,
            Map<Element, SortedSet<Integer>> starts,
            Collection<Integer> freed) {
        List<Change> changes = new ArrayList<>();
        Set<String> added = new HashSet<>();
        for (Map.Entry<Element, SortedSet<Integer>> start : starts.entrySet()) {
            SortedSet<Integer> tracks = new TreeSet<>(start.getValue());
            tracks.retainAll(freed);
            if (!tracks.isEmpty()) {
                Element input = NewInputs.of(
                        production, start.getKey(), tracks, id -> rig.find(id) != null || added.contains(id));
                added.add(input.id());
                changes.add(new Change.Add(input));
            }
        }
        if (off != null && !changes.isEmpty()) {
            changes.addFirst(off);
            to.accept(changes);
        }
    }
}
