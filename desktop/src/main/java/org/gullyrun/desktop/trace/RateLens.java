package org.gullyrun.desktop.trace;

import java.util.HashMap;
import java.util.Map;
import org.gullyrun.core.audit.Rates;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.flow.Clocks;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.state.SegmentKey;

/** Turns a map from levels to rates: what runs at which rate off which clock, and where rates meet. */
final class RateLens {
    /** Every channel is as wide as one of this level: width says nothing here. */
    private static final double EVEN = -44;

    private RateLens() {}

    static void over(MapModel model, Reading reading) {
        Rig rig = reading.rig();
        for (MapNode node : model.nodes()) {
            for (String point : node.points) {
                rig.find(point, Kind.DEVICE).ifPresent(device -> {
                    if (node.stage != MapNode.Stage.OUTLETS) {
                        node.under = Clocks.isPhysical(device)
                                ? Clocks.of(device).startsWith("own") ? "own clock" : Clocks.of(device)
                                : "machine's time";
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
                    edge.rates = Say.kilo(place.before()) + " → " + Say.kilo(place.after()) + " kHz";
                    edge.ratesBad |= place.meeting() != Rates.Meeting.CONVERTED;
                }
            }
        }
    }
}
