package org.gullyrun.core.flow.graph;

import static org.gullyrun.core.rig.Choice.to;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;

/** Compiles small rigs and looks at single segments of their graphs. */
abstract class SegmentChecks {
    final List<Element> parts = new ArrayList<>();

    FlowGraph graph;

    static Element play(String id) {
        return Element.of(Kind.DEVICE, id)
                .with(Devices.DIRECTION, Direction.PLAYBACK)
                .with(Devices.MACHINE, "pc")
                .with(Devices.LATENCY, 8.0)
                .with(Devices.LEVEL, -2.0);
    }

    static Element record(String id) {
        return play(id).with(Devices.DIRECTION, Direction.RECORDING)
                .with(Devices.LATENCY, 5.0)
                .with(Devices.LEVEL, -3.0);
    }

    static Element application(String id) {
        return Element.of(Kind.APPLICATION, id).with(Applications.MACHINE, "pc");
    }

    static Element output(String id, Choice choice) {
        return Element.of(Kind.APP_OUTPUT, id + "-o")
                .with(Applications.OUTPUT_OF, id)
                .with(Applications.PROGRAM_CHOICE, choice)
                .with(Applications.OUTPUT_LEVEL, -1.0);
    }

    static Element input(String id, Takes takes) {
        return Element.of(Kind.INPUT, id)
                .with(Productions.INPUT_OF, "show")
                .with(Productions.TAKES, takes)
                .with(Productions.ALWAYS, true)
                .with(Productions.INPUT_LEVEL, -4.0)
                .with(Productions.INPUT_DELAY, 20.0)
                .with(Productions.TRACK.of(1), true);
    }

    static Element show() {
        return Element.of(Kind.PRODUCTION, "show")
                .with(Productions.MACHINE, "pc")
                .with(Productions.TRACKS, 2);
    }

    void rig(Element... elements) {
        parts.addAll(List.of(elements));
        Rig made = Rig.of(parts);
        graph = FlowGraph.of(made, SceneKey.axis(made).getFirst());
    }

    int segment(String from, String to) {
        return IntStream.range(0, graph.segments())
                .filter(s -> graph.id(graph.from(s)).text().equals(from)
                        && graph.id(graph.to(s)).text().equals(to))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no segment " + from + " → " + to + " among "
                        + IntStream.range(0, graph.segments())
                                .mapToObj(s -> graph.id(graph.from(s)) + "→" + graph.id(graph.to(s)))
                                .toList()));
    }

    boolean has(String from, String to) {
        return IntStream.range(0, graph.segments())
                .anyMatch(s -> graph.id(graph.from(s)).text().equals(from)
                        && graph.id(graph.to(s)).text().equals(to));
    }

    void expect(String from, String to, double gain, double latency, String... closed) {
        int s = segment(from, to);
        assertEquals(gain, graph.gain(s), 1e-12, from + " → " + to + " gain");
        assertEquals(latency, graph.latency(s), 1e-12, from + " → " + to + " latency");
        assertEquals(
                List.of(closed),
                graph.gates(s).stream().filter(g -> !g.open()).map(Gate::why).toList(),
                from + " → " + to + " closed gates");
    }
}
