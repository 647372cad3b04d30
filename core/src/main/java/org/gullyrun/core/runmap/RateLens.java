package org.gullyrun.core.runmap;

import java.util.HashMap;
import java.util.Map;
import org.gullyrun.core.audit.Rates;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.flow.graph.Clocks;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/** Turns a map from levels to rates: what runs at which rate off which clock, and where rates meet. */
final class RateLens {
    /** Every channel is as wide as one of this level: width says nothing here. */
    private static final double EVEN = -44;

    private RateLens() {}

    /** Marks the rate of every point, and where it changes. */
    static void over(MapModel model, Reading reading) {
        Rig rig = reading.rig();
        for (MapNode node : model.nodes()) {
            for (PointId point : node.points) {
                rig.find(point.element(), Kind.DEVICE).ifPresent(device -> {
                    if (node.stage != MapNode.Stage.OUTLETS) {
                        node.under = Clocks.isPhysical(device)
                                ? Clocks.of(device).startsWith("own") ? "own clock" : Clocks.of(device)
                                : "computer's time";
                    }
                });
            }
        }
        Map<String, Rates.Place> byEnds = new HashMap<>();
        for (Rates.Place place : Rates.of(reading)) {
            byEnds.put(place.from() + ">" + place.to(), place);
        }
        for (MapEdge edge : model.edges()) {
            edge.level = edge.open ? EVEN : edge.level;
            for (SegmentKey key : edge.keys) {
                Rates.Place place = byEnds.get(key.from() + ">" + key.to());
                if (place != null) {
                    edge.rates = place.kilohertz();
                    edge.ratesBad |= place.meeting() != Rates.Meeting.RESAMPLED;
                }
            }
        }
    }
}
