package org.gullyrun.core.flow.graph;

import java.util.Locale;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Names of points and hops for people. */
public final class PointWords {
    private PointWords() {}

    /** The name of a point: "Brookdesk · strip Music", "Orrery · archive track". */
    public static String name(FlowGraph graph, int point) {
        Rig rig = graph.rig();
        Element element = rig.find(graph.element(point));
        if (element == null) {
            return graph.element(point);
        }
        return switch (graph.kind(point)) {
            case STRIP, BUS -> rig.program(element).name() + " · " + Sentences.noun(rig, element);
            case INPUT -> rig.program(element).name() + " · " + Sentences.noun(rig, element);
            case COPY -> rig.program(element).name() + " · copy of " + element.name();
            case CUE -> element.name() + " · cue";
            case TRACK -> {
                String name = Sentences.trackName(
                        rig, element, String.valueOf(graph.id(point).track()));
                yield element.name() + " · " + Sentences.called("track", name);
            }
            case APPLICATION_IN -> element.name() + ", listening";
            case SOURCE, APPLICATION_OUT, PLAYBACK, RECORDING, DIRECT, OUTLET -> element.name();
        };
    }

    /** The part of a point's name that says which it is within its program: "strip Music". */
    public static String within(FlowGraph graph, int point) {
        String name = name(graph, point);
        return name.substring(name.indexOf(" · ") < 0 ? 0 : name.indexOf(" · ") + 3);
    }

    /** The program that a point belongs to, where its name has one: "Brookdesk". */
    public static String program(FlowGraph graph, int point) {
        String name = name(graph, point);
        return name.substring(0, Math.max(0, name.indexOf(" · ")));
    }

    /** What a hop is: how it was chosen, its gain, a change of rate, or what closes it. */
    public static String hop(FlowGraph graph, int segment) {
        Rig rig = graph.rig();
        StringBuilder words = new StringBuilder();
        for (Gate gate : graph.gates(segment)) {
            if (!gate.open()) {
                add(words, gate.why());
            }
        }
        Element by = rig.find(graph.segmentElement(segment));
        if (by != null) {
            switch (by.kind()) {
                case APP_OUTPUT -> add(words, chosen(rig, by));
                case CABLE -> add(words, "cable " + by.name());
                case WIRE -> add(words, by.name());
                case COUPLING -> add(words, "through the air, " + by.name());
                case PASS_THROUGH -> add(words, "passed on by " + by.name());
                case MACHINE, DEVICE, PROCESSOR, APPLICATION, MIXER, STRIP, BUS, PRODUCTION, INPUT -> {}
                case GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> {}
            }
        }
        if (graph.isFallback(segment)) {
            add(words, "because its device cannot be used");
        }
        if (Math.abs(graph.gain(segment)) >= 0.05) {
            add(words, Decimals.signed(graph.gain(segment)) + " dB");
        }
        double rate = graph.rate(graph.to(segment));
        if (graph.converts(segment)) {
            add(words, kilo(graph.rate(graph.from(segment))) + " → " + kilo(rate) + " kHz");
        } else if (!Double.isNaN(rate) && graph.rate(graph.from(segment)) != rate) {
            add(words, kilo(rate) + " kHz");
        }
        return words.toString();
    }

    /** Which setting decides where an output plays. */
    private static String chosen(Rig rig, Element output) {
        Element application = rig.owner(output);
        if (application == null) {
            return "";
        }
        Choices.Going going = Choices.output(rig, application, output);
        if (going.decidedBy().equals(Applications.SYSTEM_CHOICE)) {
            return "system setting";
        }
        return going.effective() == Choice.Special.DEFAULT
                ? "the default"
                : going.effective() == Choice.Special.CALL_DEFAULT ? "the default for calls" : "chosen in the program";
    }

    /** Adds words to a line, parted from those before. */
    private static void add(StringBuilder words, String more) {
        if (!more.isEmpty()) {
            words.append(words.isEmpty() ? "" : ", ").append(more);
        }
    }

    private static String kilo(double hertz) {
        return String.format(Locale.ROOT, hertz % 1000 == 0 ? "%.0f" : "%.1f", hertz / 1000);
    }
}
