package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;

/**
 * Where rates change in a rig, and whether anything resamples there.
 *
 * <p>Source of the figures: pitch in cents is 1200·log₂ of reading rate over playing rate; where nothing resamples, speed
 * changes by the same ratio.
 */
public final class Rates {
    private Rates() {}

    /** What becomes of sound where two rates meet. */
    public enum Meeting {
        /** The link, the engine or the system resamples. */
        RESAMPLED,
        /** It is not known whether the link resamples. */
        NOT_KNOWN,
        /** The link does not resample: pitch and speed change. */
        WRONG
    }

    /**
     * A place where the rates of two ends differ.
     *
     * @param by the id of the element that joins them
     * @param from the id of the point before
     * @param to the id of the point behind
     * @param before the rate before it in Hz
     * @param after the rate behind it in Hz
     * @param meeting what becomes of it
     */
    public record Place(String by, PointId from, PointId to, double before, double after, Meeting meeting) {
        /** Rate behind over rate before. */
        public double ratio() {
            return after / before;
        }

        /** Both rates in kHz, like "48 → 44.1 kHz". */
        public String kilohertz() {
            return kilo(before) + " → " + kilo(after) + " kHz";
        }

        /** By how much the pitch changes where nothing resamples, in cents. */
        public double cents() {
            return 1200 * Math.log(ratio()) / Math.log(2);
        }
    }

    /** A rate in kHz, without its unit. */
    public static String kilo(double hertz) {
        return hertz % 1000 == 0 ? Long.toString(Math.round(hertz / 1000)) : Double.toString(hertz / 1000);
    }

    /** All places of a reading where rates change on open segments, in the order of the first scene that has them. */
    public static List<Place> of(Reading reading) {
        Map<String, Place> places = new LinkedHashMap<>();
        for (SceneReading scene : reading.scenes()) {
            FlowGraph graph = scene.graph();
            for (int s = 0; s < graph.segments(); s++) {
                if (graph.isOpen(s) && graph.converts(s)) {
                    PointId from = graph.id(graph.from(s));
                    PointId to = graph.id(graph.to(s));
                    // A copy of an input, a track: the engine is one. Two cables side by side are two places.
                    if (graph.kind(graph.to(s)) != PointKind.TRACK) {
                        places.putIfAbsent(
                                from + ">" + graph.element(graph.to(s)) + ">" + graph.segmentElement(s),
                                new Place(
                                        graph.segmentElement(s),
                                        from,
                                        to,
                                        graph.rate(graph.from(s)),
                                        graph.rate(graph.to(s)),
                                        meeting(reading.rig(), graph.segmentElement(s))));
                    }
                }
            }
        }
        return new ArrayList<>(places.values());
    }

    /** What becomes of sound where two rates meet at an element. */
    private static Meeting meeting(Rig rig, String by) {
        Element link = rig.find(by);
        if (link == null) {
            return Meeting.RESAMPLED;
        }
        Boolean converts = switch (link.kind()) {
            case CABLE -> link.get(Links.CABLE_CONVERTS);
            case WIRE ->
                link.get(Links.WIRE_SIGNAL) == Links.Signal.DIGITAL ? link.get(Links.WIRE_CONVERTS) : Boolean.TRUE;
            case PROCESSOR -> link.get(Links.PROCESSOR_CONVERTS);
            case MACHINE, DEVICE, COUPLING, PASS_THROUGH, APPLICATION, APP_OUTPUT, MIXER, STRIP, BUS -> Boolean.TRUE;
            case PRODUCTION, INPUT, GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> Boolean.TRUE;
        };
        return converts == null ? Meeting.NOT_KNOWN : converts ? Meeting.RESAMPLED : Meeting.WRONG;
    }
}
