package org.gullyrun.core.runmap;

import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.Set;
import org.gullyrun.core.flow.graph.SegmentKey;

/** A channel between two nodes: all segments that run between the same ports. Complete once it is part of a {@link MapModel}. */
public final class MapEdge {
    /** How a channel differs from what it is set against. */
    public enum Turn {
        /** Not at all, or it is set against nothing. */
        NONE,
        /** Something runs through it that didn't. */
        CAME,
        /** Something no longer runs through it. */
        WENT,
        /** It was part of a loop that is no more. */
        LOOP_GONE
    }

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
    /** Whether it is part of a loop in any scene. */
    boolean circle;

    String closed = "";
    /** Where rates meet on it, which; empty elsewhere, and where levels are shown. */
    String rates = "";
    /** Whether nothing is known to convert there. */
    boolean ratesBad;

    /** How it differs from what it is set against. */
    Turn turn = Turn.NONE;

    private final String ports;
    double level = Double.NEGATIVE_INFINITY;

    MapEdge(MapNode from, int fromPort, MapNode to, int toPort) {
        this.from = from;
        this.fromPort = fromPort;
        this.to = to;
        this.toPort = toPort;
        this.ports = from.id + ":" + fromPort + ">" + to.id + ":" + toPort;
    }

    /** Where it starts. */
    public MapNode from() {
        return from;
    }

    /** The column of a grid where it starts, from 0. */
    public int fromPort() {
        return fromPort;
    }

    /** Where it ends. */
    public MapNode to() {
        return to;
    }

    /** The row of a grid where it ends, from 0. */
    public int toPort() {
        return toPort;
    }

    /** The segments that it stands for. */
    public Set<SegmentKey> keys() {
        return Collections.unmodifiableSet(keys);
    }

    /** Whether any of its segments exists in the scenes drawn. */
    public boolean isHere() {
        return here;
    }

    /** Whether any of its segments is open in a scene drawn. */
    public boolean isOpen() {
        return open;
    }

    /** Whether all of its segments are open in all scenes drawn. */
    public boolean isOpenEverywhere() {
        return openEverywhere;
    }

    /** Whether it goes through the air. */
    public boolean isAir() {
        return air;
    }

    /** What there is to say of the loop that it is part of; empty if it is part of none. */
    public String loop() {
        return loop;
    }

    /** Why it is closed; empty if it is open. */
    public String closed() {
        return closed;
    }

    /** Where rates meet on it, which; empty elsewhere, and where levels are shown. */
    public String rates() {
        return rates;
    }

    /** Whether nothing is known to resample there. */
    public boolean isRatesBad() {
        return ratesBad;
    }

    /** The level of what it carries in dBFS; negative infinity if nothing. */
    public double level() {
        return level;
    }

    /** How it differs from what it is set against. */
    public Turn turn() {
        return turn;
    }

    /** The same channel between copies of its ends. */
    public MapEdge between(MapNode newFrom, int newFromPort, MapNode newTo, int newToPort) {
        MapEdge copy = new MapEdge(newFrom, newFromPort, newTo, newToPort);
        copy.keys.addAll(keys);
        copy.here = here;
        copy.open = open;
        copy.openEverywhere = openEverywhere;
        copy.air = air;
        copy.loop = loop;
        copy.circle = circle;
        copy.closed = closed;
        copy.rates = rates;
        copy.ratesBad = ratesBad;
        copy.level = level;
        copy.turn = turn;
        return copy;
    }

    /** Whether it goes back: such channels are led beneath the map. */
    public boolean isReturn() {
        return to.layer() <= from.layer();
    }

    /** Both ends as one text: the same in every scene. */
    public String ports() {
        return ports;
    }
}
