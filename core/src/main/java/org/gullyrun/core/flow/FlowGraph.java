package org.gullyrun.core.flow;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Predicate;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * The flow graph of one scene: points and directed segments with gates, gain (dB) and latency (ms).
 *
 * <p>Points are numbered in the order of their ids, segments in the order of their starting point, end point and
 * element: comparing numbers is the declared tie-break. Immutable; holds plain arrays, so that big rigs stay cheap.
 */
public final class FlowGraph {
    /** So many flags are kept of from where ends can be reached: some 32 MB. */
    private static final long MOST_KEPT = 32_000_000;

    private final Rig rig;
    private final SceneKey scene;
    final String[] pointIds;
    final PointKind[] kinds;
    final String[] elements;
    final double[] rates;
    final int[] from;
    final int[] to;
    final String[] segmentElements;
    final double[] gain;
    final double[] latency;
    final boolean[] open;
    final boolean[] coupling;
    final boolean[] fallback;
    final int[][] gates;
    final List<List<Address>> assumed;
    final Gate[] allGates;
    private final Map<Address, Integer> gateIndex;
    final int[] outStart;
    final int[] inStart;
    final int[] inSegments;
    /** From where an end can be reached whatever is closed; by the end, or without couplings by −1 less it. */
    private final Map<Integer, boolean[]> reaching;

    private final int[] sources;
    private final int[] outlets;
    private final int[] exits;

    FlowGraph(Rig rig, SceneKey scene, GraphBuilder.Arrays a, @Nullable FlowGraph sameShape) {
        this.rig = rig;
        this.scene = scene;
        this.pointIds = a.pointIds;
        this.kinds = a.kinds;
        this.elements = a.elements;
        this.rates = a.rates;
        this.from = a.from;
        this.to = a.to;
        this.segmentElements = a.segmentElements;
        this.gain = a.gain;
        this.latency = a.latency;
        this.coupling = a.coupling;
        this.fallback = a.fallback;
        this.gates = a.gates;
        this.assumed = a.assumed;
        this.allGates = a.allGates;
        this.gateIndex = a.gateIndex;
        this.reaching = sameShape == null ? new ConcurrentHashMap<>() : sameShape.reaching;
        if (sameShape != null) {
            this.open = sameShape.open.clone();
            for (int s : a.ofScene) {
                open[s] = isPassable(s);
            }
            this.outStart = sameShape.outStart;
            this.inStart = sameShape.inStart;
            this.inSegments = sameShape.inSegments;
            this.sources = sameShape.sources;
            this.outlets = sameShape.outlets;
            this.exits = sameShape.exits;
            return;
        }
        this.open = new boolean[from.length];
        for (int s = 0; s < from.length; s++) {
            open[s] = isPassable(s);
        }
        this.outStart = new int[pointIds.length + 1];
        this.inStart = new int[pointIds.length + 1];
        for (int s = 0; s < from.length; s++) {
            outStart[from[s] + 1]++;
            inStart[to[s] + 1]++;
        }
        for (int p = 0; p < pointIds.length; p++) {
            outStart[p + 1] += outStart[p];
            inStart[p + 1] += inStart[p];
        }
        this.inSegments = new int[from.length];
        int[] next = inStart.clone();
        for (int s = 0; s < from.length; s++) {
            inSegments[next[to[s]]++] = s;
        }
        this.sources = indices(k -> k == PointKind.SOURCE);
        this.outlets = indices(k -> k == PointKind.OUTLET);
        this.exits = indices(k -> k == PointKind.BUS || k == PointKind.CUE);
    }

    /** Compiles the graph of a rig in one scene, as the table of the rig model says. */
    public static FlowGraph of(Rig rig, SceneKey scene) {
        return Compiler.compile(rig, List.of(scene)).getFirst();
    }

    /**
     * The graphs of a rig in several scenes, given those of another version of it: where the versions differ by one flag
     * on which only a gate hangs, the gate is turned and nothing compiled.
     */
    public static List<FlowGraph> all(Rig rig, List<SceneKey> scenes, List<FlowGraph> before) {
        Change.Set change =
                before.isEmpty() ? null : OneFlag.between(before.getFirst().rig(), rig);
        if (change == null || !before.stream().map(FlowGraph::scene).toList().equals(scenes)) {
            return all(rig, scenes);
        }
        return before.stream().map(g -> g.turned(rig, change)).toList();
    }

    /**
     * Compiles the graphs of a rig in several scenes: each is what {@link #of} gives, but what does not depend on the
     * scene is worked out once.
     */
    public static List<FlowGraph> all(Rig rig, List<SceneKey> scenes) {
        return Compiler.compile(rig, scenes);
    }

    /** A graph with another rig behind it and one gate turned, or none. */
    private FlowGraph(FlowGraph same, Rig rig, int gate, @Nullable Gate turned) {
        this.rig = rig;
        this.scene = same.scene;
        this.pointIds = same.pointIds;
        this.kinds = same.kinds;
        this.elements = same.elements;
        this.rates = same.rates;
        this.from = same.from;
        this.to = same.to;
        this.segmentElements = same.segmentElements;
        this.gain = same.gain;
        this.latency = same.latency;
        this.coupling = same.coupling;
        this.fallback = same.fallback;
        this.gates = same.gates;
        this.assumed = same.assumed;
        this.gateIndex = same.gateIndex;
        this.outStart = same.outStart;
        this.inStart = same.inStart;
        this.inSegments = same.inSegments;
        this.sources = same.sources;
        this.outlets = same.outlets;
        this.exits = same.exits;
        this.reaching = same.reaching;
        if (turned == null) {
            this.allGates = same.allGates;
            this.open = same.open;
            return;
        }
        this.allGates = same.allGates.clone();
        this.open = same.open.clone();
        allGates[gate] = turned;
        for (int s = 0; s < from.length; s++) {
            for (int g : gates[s]) {
                if (g == gate) {
                    open[s] = isPassable(s);
                    break;
                }
            }
        }
    }

    /**
     * This graph of a rig in which one flag was set otherwise, where nothing but a gate hangs on that flag: what compiling
     * afresh would give, without doing so.
     */
    FlowGraph turned(Rig changed, Change.Set change) {
        Integer gate =
                gateIndex.get(new Address(change.element(), change.setting().key()));
        return gate == null
                ? new FlowGraph(this, changed, 0, null)
                : new FlowGraph(
                        this,
                        changed,
                        gate,
                        GraphBuilder.turned(
                                changed,
                                allGates[gate],
                                changed.get(change.element()),
                                change.setting(),
                                Boolean.TRUE.equals(change.to())));
    }

    private int[] indices(Predicate<PointKind> wanted) {
        int[] found = new int[pointIds.length];
        int n = 0;
        for (int p = 0; p < kinds.length; p++) {
            if (wanted.test(kinds[p])) {
                found[n++] = p;
            }
        }
        return Arrays.copyOf(found, n);
    }

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

    /** What was worked out for an end once already, or works it out. */
    boolean[] reachingAt(int end, Function<Integer, boolean[]> made) {
        boolean[] known = reaching.get(end);
        if (known == null) {
            known = made.apply(end);
            if ((long) reaching.size() * pointIds.length < MOST_KEPT) {
                reaching.put(end, known);
            }
        }
        return known;
    }

    /** Whether points have the same numbers in another graph for certain. */
    public boolean sharesPoints(FlowGraph other) {
        return pointIds == other.pointIds;
    }

    /** Whether gates have the same numbers in another graph for certain. */
    boolean sharesGates(FlowGraph other) {
        return gateIndex == other.gateIndex;
    }

    /** For each gate the number that the one with its address has in another graph, or -1. */
    int[] gateNumbers(FlowGraph other) {
        int[] numbers = new int[allGates.length];
        for (int g = 0; g < numbers.length; g++) {
            numbers[g] = other.gateIndex.getOrDefault(allGates[g].at(), -1);
        }
        return numbers;
    }

    /** Whether points and segments have the same numbers in another graph. */
    public boolean hasShapeOf(FlowGraph other) {
        return (pointIds == other.pointIds || Arrays.equals(pointIds, other.pointIds))
                && (from == other.from || Arrays.equals(from, other.from))
                && (to == other.to || Arrays.equals(to, other.to))
                && (segmentElements == other.segmentElements || Arrays.equals(segmentElements, other.segmentElements));
    }

    /** How many points there are; they are numbered from 0. */
    public int points() {
        return pointIds.length;
    }

    /** How many segments there are; they are numbered from 0. */
    public int segments() {
        return from.length;
    }

    /** The points of all sources. */
    public int[] sources() {
        return sources.clone();
    }

    /** The points of all outlets. */
    public int[] outlets() {
        return outlets.clone();
    }

    /** The number of the point with this id, or -1. */
    public int point(String id) {
        int found = Arrays.binarySearch(pointIds, id, Ids.ORDER);
        return found < 0 ? -1 : found;
    }

    /** The id of the point of a production's track. */
    public static String trackPoint(String production, int number) {
        return production + (number < 10 ? "#track0" : "#track") + number;
    }

    /** The points where an engine leaves to a device: buses and cues. */
    public int[] exits() {
        return exits.clone();
    }

    /** A point's id. */
    public String id(int point) {
        return pointIds[point];
    }

    /** What a point stands for. */
    public PointKind kind(int point) {
        return kinds[point];
    }

    /** The id of the element that a point belongs to. */
    public String element(int point) {
        return elements[point];
    }

    /** A point's rate in Hz; NaN where it has none or it is not known. */
    public double rate(int point) {
        return rates[point];
    }

    /** Where a segment starts. */
    public int from(int segment) {
        return from[segment];
    }

    /** Where a segment ends. */
    public int to(int segment) {
        return to[segment];
    }

    /** The id of the element that makes a segment. */
    public String segmentElement(int segment) {
        return segmentElements[segment];
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
        return coupling[segment];
    }

    /** Whether a segment exists only because a chosen device cannot be used. */
    public boolean isFallback(int segment) {
        return fallback[segment];
    }

    /** All gates of a segment. */
    public List<Gate> gates(int segment) {
        return Arrays.stream(gates[segment]).mapToObj(g -> allGates[g]).toList();
    }

    /** The segments that have the gate of this address, in order. */
    public int[] gated(Address at) {
        int[] found = new int[4];
        int n = 0;
        int gate = gateIndex.getOrDefault(at, -1);
        for (int s = 0; gate >= 0 && s < gates.length; s++) {
            for (int g : gates[s]) {
                if (g == gate) {
                    found = n == found.length ? Arrays.copyOf(found, 2 * n) : found;
                    found[n++] = s;
                    break;
                }
            }
        }
        return Arrays.copyOf(found, n);
    }

    /** All closed gates, each once. */
    public List<Gate> closedGates() {
        return Arrays.stream(allGates).filter(g -> !g.open()).toList();
    }

    /** The settings whose value was assumed for a segment, since it is not yet known. */
    public List<Address> assumed(int segment) {
        return assumed.get(segment);
    }

    /** The segments that start at a point, in order. */
    public int[] out(int point) {
        int[] out = new int[outStart[point + 1] - outStart[point]];
        for (int i = 0; i < out.length; i++) {
            out[i] = outStart[point] + i;
        }
        return out;
    }

    /** The segments that end at a point. */
    public int[] in(int point) {
        return Arrays.copyOfRange(inSegments, inStart[point], inStart[point + 1]);
    }

    /** Whether rates differ along a segment (both known). */
    public boolean converts(int segment) {
        double a = rates[from[segment]];
        double b = rates[to[segment]];
        return !Double.isNaN(a) && !Double.isNaN(b) && a != b;
    }
}
