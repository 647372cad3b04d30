package org.gullyrun.desktop.trace;

import java.util.LinkedHashSet;
import java.util.Set;
import org.gullyrun.desktop.state.SegmentKey;

/** A channel between two nodes: all segments that run between the same ports. Filled while being built. */
final class MapEdge {
    final MapNode from;
    final int fromPort;
    final MapNode to;
    final int toPort;
    final Set<SegmentKey> keys = new LinkedHashSet<>();
    boolean here;
    boolean open;
    boolean openEverywhere = true;
    boolean air;
    String loop = "";
    String closed = "";
    /** Where rates meet on it, which; empty elsewhere, and where levels are shown. */
    String rates = "";
    /** Whether nothing is known to convert there. */
    boolean ratesBad;

    private final String ports;
    double level = Double.NEGATIVE_INFINITY;

    MapEdge(MapNode from, int fromPort, MapNode to, int toPort) {
        this.from = from;
        this.fromPort = fromPort;
        this.to = to;
        this.toPort = toPort;
        this.ports = from.id + ":" + fromPort + ">" + to.id + ":" + toPort;
    }

    /** The same channel between copies of its ends. */
    MapEdge between(MapNode newFrom, int newFromPort, MapNode newTo, int newToPort) {
        MapEdge copy = new MapEdge(newFrom, newFromPort, newTo, newToPort);
        copy.keys.addAll(keys);
        copy.here = here;
        copy.open = open;
        copy.openEverywhere = openEverywhere;
        copy.air = air;
        copy.loop = loop;
        copy.closed = closed;
        copy.rates = rates;
        copy.ratesBad = ratesBad;
        copy.level = level;
        return copy;
    }

    /** Whether it goes back: such channels are led beneath the map. */
    boolean isReturn() {
        return to.layer() <= from.layer();
    }

    String ports() {
        return ports;
    }
}
