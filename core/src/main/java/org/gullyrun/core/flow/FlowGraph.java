package org.gullyrun.core.flow;

import java.util.Arrays;
import java.util.List;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Rig;

/**
 * The flow graph of one scene: points and directed segments with gates, gain (dB) and latency (ms).
 *
 * <p>Points are numbered in the order of their ids, segments in the order of their starting point, end point and
 * element: comparing numbers is the declared tie-break. Immutable; holds plain arrays, so that big rigs stay cheap.
 */
public final class FlowGraph {
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
    final int[] outStart;
    final int[] inStart;
    final int[] inSegments;
    private final int[] sources;
    private final int[] outlets;

    FlowGraph(Rig rig, SceneKey scene, GraphBuilder.Arrays a) {
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
        this.open = new boolean[from.length];
        this.outStart = new int[pointIds.length + 1];
        this.inStart = new int[pointIds.length + 1];
        for (int s = 0; s < from.length; s++) {
            open[s] = closedCount(s) == 0;
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
        this.sources = indices(PointKind.SOURCE);
        this.outlets = indices(PointKind.OUTLET);
    }

    /** Compiles the graph of a rig in one scene, as the table of the rig model says. */
    public static FlowGraph of(Rig rig, SceneKey scene) {
        return new Compiler(rig, scene).compile();
    }

    private int[] indices(PointKind kind) {
        int[] found = new int[pointIds.length];
        int n = 0;
        for (int p = 0; p < kinds.length; p++) {
            if (kinds[p] == kind) {
                found[n++] = p;
            }
        }
        return Arrays.copyOf(found, n);
    }

    private int closedCount(int segment) {
        int closed = 0;
        for (int gate : gates[segment]) {
            if (!allGates[gate].open()) {
                closed++;
            }
        }
        return closed;
    }

    /** The rig it was compiled from. */
    public Rig rig() {
        return rig;
    }

    /** The scene it is of. */
    public SceneKey scene() {
        return scene;
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
        return a == a && b == b && a != b;
    }
}
