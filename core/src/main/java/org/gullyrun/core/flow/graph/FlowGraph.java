package org.gullyrun.core.flow.graph;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * The flow graph of one scene: points and directed segments with gates, gain (dB) and latency (ms).
 *
 * <p>Points are numbered in the order of their ids, segments in the order of their starting point, end point and
 * element: comparing numbers is the declared tie-break. Immutable; holds plain arrays, so that big rigs stay cheap.
 */
public final class FlowGraph {
    private final Rig rig;
    private final SceneKey scene;
    private final Shape shape;
    private final double[] gain;
    private final double[] latency;
    private final boolean[] open;
    private final int[][] gates;
    private final GatedSegments gated;
    private final List<List<Address>> assumed;
    private final Gate[] allGates;
    private final Map<Address, Integer> gateIndex;

    FlowGraph(Rig rig, SceneKey scene, GraphBuilder.Arrays a, @Nullable FlowGraph firstOfShape) {
        this.rig = rig;
        this.scene = scene;
        this.shape = a.shape;
        this.gain = a.gain;
        this.latency = a.latency;
        this.gates = a.gates;
        this.assumed = a.assumed;
        this.allGates = a.allGates;
        this.gated = new GatedSegments(gates, allGates.length);
        this.gateIndex = a.gateIndex;
        if (firstOfShape == null) {
            this.open = new boolean[gain.length];
            for (int s = 0; s < open.length; s++) {
                open[s] = isPassable(s);
            }
        } else {
            this.open = firstOfShape.open.clone();
            for (int s : a.ofScene) {
                open[s] = isPassable(s);
            }
        }
    }

    /** Compiles the graph of a rig in one scene, as the table of the rig model says. */
    public static FlowGraph of(Rig rig, SceneKey scene) {
        return Compiler.compile(rig, List.of(scene), 1).getFirst();
    }

    /**
     * Compiles the graphs of a rig in several scenes: each is what {@link #of} gives, but what does not depend on the
     * scene is worked out once.
     */
    public static List<FlowGraph> all(Rig rig, List<SceneKey> scenes) {
        return Compiler.compile(rig, scenes, scenes.size());
    }

    /**
     * The same for some of a rig's scenes.
     *
     * @param ofAll how many scenes the rig has: all of them together must not be too large
     */
    public static List<FlowGraph> some(Rig rig, List<SceneKey> scenes, int ofAll) {
        return Compiler.compile(rig, scenes, ofAll);
    }

    /** A graph with another rig behind it, on a shape that is like its own, and one gate turned or none. */
    private FlowGraph(FlowGraph same, Rig rig, Shape shape, int gate, @Nullable Gate turned) {
        this.rig = rig;
        this.scene = same.scene;
        this.shape = shape;
        this.gain = same.gain;
        this.latency = same.latency;
        this.gates = same.gates;
        this.gated = same.gated;
        this.assumed = same.assumed;
        this.gateIndex = same.gateIndex;
        if (turned == null) {
            this.allGates = same.allGates;
            this.open = same.open;
            return;
        }
        this.allGates = same.allGates.clone();
        this.open = same.open.clone();
        allGates[gate] = turned;
        for (int s : gated.of(gate)) {
            open[s] = isPassable(s);
        }
    }

    /**
     * This graph of a rig in which one flag was set otherwise, where nothing but a gate hangs on that flag: what compiling
     * afresh would give, without doing so.
     */
    public FlowGraph turned(Rig changed, Change.Set change) {
        Integer gate =
                gateIndex.get(new Address(change.element(), change.setting().key()));
        return gate == null
                ? withRig(changed)
                : new FlowGraph(
                        this,
                        changed,
                        shape,
                        gate,
                        GraphBuilder.turned(
                                changed,
                                allGates[gate],
                                changed.get(change.element()),
                                change.setting(),
                                Boolean.TRUE.equals(change.to())));
    }

    /** This graph for another version of the rig, in which nothing differs that the graph is compiled from. */
    public FlowGraph withRig(Rig changed) {
        return new FlowGraph(this, changed, shape, 0, null);
    }

    /** This graph, sharing the points and segments of another one if they are the same. */
    public FlowGraph sharingShapeOf(FlowGraph other) {
        return hasShapeOf(other) ? new FlowGraph(this, rig, other.shape, 0, null) : this;
    }

    /** Whether nothing but the rig and what gates are open differs in another graph, seen without comparing them. */
    public boolean sharesAllButGates(FlowGraph other) {
        return shape == other.shape && gates == other.gates && gain == other.gain && latency == other.latency;
    }

    /** Whether all gates of a segment are open. */
    private boolean isPassable(int segment) {
        for (int gate : gates[segment]) {
            if (!allGates[gate].open()) {
                return false;
            }
        }
        return true;
    }

    /** The rig it was compiled from. */
    public Rig rig() {
        return rig;
    }

    /** The scene it is of. */
    public SceneKey scene() {
        return scene;
    }

    /** The points from which an end can be reached, as worked out for this shape before or by {@code made}. */
    public boolean[] reachingAt(int end, Function<Integer, boolean[]> made) {
        return shape.reachingAt(end, made);
    }

    /** Whether points and segments have the same numbers in another graph, seen without comparing them. */
    public boolean sharesShape(FlowGraph other) {
        return shape == other.shape;
    }

    /** Whether points and segments have the same numbers in another graph. */
    public boolean hasShapeOf(FlowGraph other) {
        return shape.isLike(other.shape);
    }

    /** Whether gates have the same numbers in another graph, seen without comparing them. */
    public boolean sharesGates(FlowGraph other) {
        return gateIndex == other.gateIndex;
    }

    /** Whether the same segments are open, with the same gains and latencies, in a graph of the same shape. */
    public boolean passesAlike(FlowGraph other) {
        return Arrays.equals(open, other.open)
                && Arrays.equals(gain, other.gain)
                && Arrays.equals(latency, other.latency);
    }

    /** How many points there are; they are numbered from 0. */
    public int points() {
        return shape.points.length;
    }

    /** How many segments there are; they are numbered from 0. */
    public int segments() {
        return gain.length;
    }

    /** The points of all sources. */
    public int[] sources() {
        return shape.sources.clone();
    }

    /** The points of all outlets. */
    public int[] outlets() {
        return shape.outlets.clone();
    }

    /** The points where an engine leaves to a device: buses and cues. */
    public int[] exits() {
        return shape.exits.clone();
    }

    /** The points of the copies of an input. */
    public int[] copies(String input) {
        return IntStream.of(shape.copies).filter(p -> element(p).equals(input)).toArray();
    }

    /** The number of the point with this id, or -1. */
    public int point(PointId id) {
        return shape.point(id);
    }

    /** The number of the point of an element that has one, or -1. */
    public int point(String element) {
        return shape.point(PointId.of(element));
    }

    /** A point's id. */
    public PointId id(int point) {
        return shape.points[point];
    }

    /** What a point stands for. */
    public PointKind kind(int point) {
        return shape.kinds[point];
    }

    /** The id of the element that a point belongs to. */
    public String element(int point) {
        return shape.points[point].element();
    }

    /** A point's rate in Hz; NaN where it has none or it is not known. */
    public double rate(int point) {
        return shape.rates[point];
    }

    /** Where a segment starts. */
    public int from(int segment) {
        return shape.from[segment];
    }

    /** Where a segment ends. */
    public int to(int segment) {
        return shape.to[segment];
    }

    /** The id of the element that makes a segment. */
    public String segmentElement(int segment) {
        return shape.elements[segment];
    }

    /** What a segment is, whatever its number. */
    public SegmentKey key(int segment) {
        return new SegmentKey(id(from(segment)), id(to(segment)), segmentElement(segment));
    }

    /** The number of a segment, or -1 if there is none such. */
    public int segment(SegmentKey key) {
        return shape.segment(key);
    }

    /** A segment's gain in dB. */
    public double gain(int segment) {
        return gain[segment];
    }

    /** A segment's latency in ms. */
    public double latency(int segment) {
        return latency[segment];
    }

    /** Whether all gates of a segment are open. */
    public boolean isOpen(int segment) {
        return open[segment];
    }

    /** Whether a segment goes through the air. */
    public boolean isCoupling(int segment) {
        return shape.coupling[segment];
    }

    /** Whether a segment exists only because a chosen device cannot be used. */
    public boolean isFallback(int segment) {
        return shape.fallback[segment];
    }

    /** All gates of a segment. */
    public List<Gate> gates(int segment) {
        return Arrays.stream(gates[segment]).mapToObj(g -> allGates[g]).toList();
    }

    /** How many gates there are; they are numbered from 0. */
    public int gateCount() {
        return allGates.length;
    }

    /** A gate by its number. */
    public Gate gate(int number) {
        return allGates[number];
    }

    /** The number of the gate with this address, or -1. */
    public int gate(Address at) {
        return gateIndex.getOrDefault(at, -1);
    }

    /** The numbers of a segment's gates: the very list where several graphs share it. Not to be altered. */
    public int[] gateNumbers(int segment) {
        return gates[segment];
    }

    /** The segments that have a gate, by its number, in order. Not to be altered. */
    public int[] gated(int gate) {
        return gated.of(gate);
    }

    /** The segments that have the gate of this address, in order. */
    public int[] gated(Address at) {
        int gate = gate(at);
        return gate < 0 ? new int[0] : gated.of(gate).clone();
    }

    /** All closed gates, each once. */
    public List<Gate> closedGates() {
        return Arrays.stream(allGates).filter(g -> !g.open()).toList();
    }

    /** The settings whose value was assumed for a segment, since it is not yet known. */
    public List<Address> assumed(int segment) {
        return assumed.get(segment);
    }

    /** The first of the segments that start at a point; they follow each other up to {@link #outStart} of the next. */
    public int outStart(int point) {
        return shape.outStart[point];
    }

    /** Where the segments that end at a point begin in {@link #inSegment}; they go up to that of the next point. */
    public int inStart(int point) {
        return shape.inStart[point];
    }

    /** A segment by its place when all are ordered by where they end. */
    public int inSegment(int place) {
        return shape.inSegments[place];
    }

    /** The segments that start at a point, in order. */
    public int[] out(int point) {
        int[] out = new int[outStart(point + 1) - outStart(point)];
        for (int i = 0; i < out.length; i++) {
            out[i] = outStart(point) + i;
        }
        return out;
    }

    /** The segments that end at a point. */
    public int[] in(int point) {
        return Arrays.copyOfRange(shape.inSegments, inStart(point), inStart(point + 1));
    }

    /** Whether rates differ along a segment (both known). */
    public boolean converts(int segment) {
        double a = rate(from(segment));
        double b = rate(to(segment));
        return !Double.isNaN(a) && !Double.isNaN(b) && a != b;
    }
}
