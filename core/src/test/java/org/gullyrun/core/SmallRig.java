package org.gullyrun.core;

import static org.gullyrun.core.rig.Choice.to;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;

/** A rig of a few devices without delays of their own, put together piece by piece for figures worked out by hand. */
public final class SmallRig {
    private final List<Element> parts = new ArrayList<>();

    /** Adds any element; gives this. */
    public SmallRig with(Element element) {
        parts.add(element);
        return this;
    }

    /** Puts in place of an element what is made of it. */
    public SmallRig alter(String id, UnaryOperator<Element> how) {
        parts.replaceAll(e -> e.id().equals(id) ? how.apply(e) : e);
        return this;
    }

    /** A device at 48 kHz. */
    public SmallRig device(String id, Direction direction) {
        return device(id, direction, 48_000);
    }

    /** A device. */
    public SmallRig device(String id, Direction direction, double rate) {
        return with(Element.of(Kind.DEVICE, id)
                .with(Devices.DIRECTION, direction)
                .with(Devices.LATENCY, 0.0)
                .with(Devices.RATE, rate));
    }

    /** A source at a recording device of its own, {@code mic-} and its id. */
    public SmallRig source(String id, SourceClass sourceClass, double level) {
        device("mic-" + id, Direction.RECORDING);
        return with(Element.of(Kind.SOURCE, id)
                .with(Sources.AT, "mic-" + id)
                .with(Sources.CLASS, sourceClass)
                .with(Sources.LEVEL, level));
    }

    /** What is heard at a playback device. */
    public SmallRig ears(String id, String device) {
        return with(Element.of(Kind.OUTLET, id)
                .with(Outlets.SORT, Outlets.Sort.EARS)
                .with(Outlets.DEVICE, to(device)));
    }

    /** A wire from a playback to a recording device. */
    public SmallRig wire(String id, String from, String to, double gain, double latency) {
        return with(Element.of(Kind.WIRE, id)
                .with(Links.WIRE_FROM, from)
                .with(Links.WIRE_TO, to)
                .with(Links.WIRE_GAIN, gain)
                .with(Links.WIRE_LATENCY, latency));
    }

    /** A pass-through from a recording to a playback device. */
    public SmallRig pass(String id, String from, String to, double gain, double latency) {
        return with(Element.of(Kind.PASS_THROUGH, id)
                .with(Links.PASS_FROM, from)
                .with(Links.PASS_TO, to(to))
                .with(Links.PASS_GAIN, gain)
                .with(Links.PASS_LATENCY, latency));
    }

    /** The rig so far. */
    public Rig rig() {
        return Rig.of(parts);
    }

    /** The graph of its only scene. */
    public FlowGraph graph() {
        Rig rig = rig();
        return FlowGraph.of(rig, SceneKey.axis(rig).getFirst());
    }

    /** All rules put to it, without a brief. */
    public Reading reading() {
        return RuleCatalogue.usual().read(rig(), Brief.EMPTY);
    }
}
