package org.gullyrun.core.audit;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.flow.graph.SegmentSettings;
import org.gullyrun.core.flow.route.OpenView;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/**
 * What a setting or an element reaches: which listeners hear a difference when it is changed, and of which sources.
 *
 * <p>Needs: a reading. Gives: the listeners behind every segment that the setting decides, as the rig stands; a segment
 * that is closed counts as if it were open, since the setting may be what closes it. Cost: two walks over the open graph for
 * each such segment and scene, some of them shared.
 *
 * @param sources for each listener that is reached, in the order of the rig, the sources that come to it by there
 * @param listeners how many listeners there are in all
 */
public record Reach(Map<Element, List<Element>> sources, int listeners) {

    private static final Set<String> USABLE =
            Set.of(Devices.PRESENT.key(), Devices.ENABLED.key(), Devices.PERMITTED.key());

    /** What one setting of an element reaches; the whole element if the key is empty. */
    public static Reach of(Reading reading, Address at) {
        return of(
                reading, at, IntStream.range(0, reading.scenes().size()).boxed().toList());
    }

    /** The same in some of the scenes, by their places. */
    public static Reach of(Reading reading, Address setting, List<Integer> scenes) {
        Rig rig = reading.rig();
        Address at = standIn(rig, setting);
        Map<String, Set<String>> reached = new LinkedHashMap<>();
        SceneReading before = null;
        for (int i : scenes) {
            SceneReading scene = reading.scenes().get(i);
            if (before == null || !scene.isLike(before)) {
                add(scene, at, reached);
            }
            before = scene;
        }
        Map<Element, List<Element>> sources = new LinkedHashMap<>();
        for (Element outlet : rig.of(Kind.OUTLET)) {
            Set<String> heard = reached.get(outlet.id());
            if (heard != null) {
                sources.put(
                        outlet,
                        rig.of(Kind.SOURCE).stream()
                                .filter(source -> heard.contains(source.id()))
                                .toList());
            }
        }
        return new Reach(sources, rig.of(Kind.OUTLET).size());
    }

    /** The setting that reaches the same: whether a program runs gates nothing in an audit, but who hears it would miss it. */
    private static Address standIn(Rig rig, Address at) {
        boolean runs = (at.key().equals(Applications.RUNNING.key()) || at.key().equals(Applications.SOUNDING.key()))
                && rig.find(at.element(), Kind.APPLICATION).isPresent();
        return runs ? new Address(at.element(), Applications.MUTED.key()) : at;
    }

    /** Adds what is reached in a scene. */
    private static void add(SceneReading scene, Address at, Map<String, Set<String>> reached) {
        FlowGraph graph = scene.graph();
        OpenView view = scene.view();
        Rig rig = graph.rig();
        List<Element> sources = rig.of(Kind.SOURCE);
        List<Element> outlets = rig.of(Kind.OUTLET);
        for (int s : segments(graph, at)) {
            boolean[] before = view.reachingOne(graph.from(s));
            boolean[] after = view.reachedFromOne(graph.to(s));
            List<String> heard = IntStream.range(0, sources.size())
                    .filter(i -> before[scene.sourcePoint(i)])
                    .mapToObj(i -> sources.get(i).id())
                    .toList();
            for (int o = 0; o < outlets.size() && !heard.isEmpty(); o++) {
                if (after[scene.outletPoint(o)]) {
                    reached.computeIfAbsent(outlets.get(o).id(), x -> new TreeSet<>(Ids.ORDER))
                            .addAll(heard);
                }
            }
        }
    }

    /** The segments that a setting decides, or that an element has to do with, and that nothing else closes. */
    private static int[] segments(FlowGraph graph, Address at) {
        Set<String> brought = brought(graph.rig(), at.element());
        boolean machine = graph.rig().find(at.element(), Kind.MACHINE).isPresent();
        return IntStream.range(0, graph.segments())
                .filter(s -> machine || concerns(graph, s, at.element()) || isBrought(graph, s, brought))
                .filter(s -> at.key().isEmpty()
                        || isBrought(graph, s, brought)
                        || SegmentSettings.of(graph, s).contains(at)
                        || graph.gates(s).stream().anyMatch(gate -> isBehind(gate, at)))
                .filter(s -> graph.isOpen(s)
                        || graph.gates(s).stream()
                                .allMatch(gate -> gate.open()
                                        || isBehind(gate, at)
                                        || gate.sort() == Gate.Sort.IN_SCENE && !brought.isEmpty()))
                .toArray();
    }

    /** The inputs that an entry, a group or a scene brings, however deep; none for anything else. */
    private static Set<String> brought(Rig rig, String id) {
        Set<String> inputs = new TreeSet<>(Ids.ORDER);
        Set<String> seen = new TreeSet<>(Ids.ORDER);
        Deque<Element> next = new ArrayDeque<>(rig.find(id) == null ? List.of() : List.of(rig.get(id)));
        boolean first = true;
        while (!next.isEmpty()) {
            Element at = next.pop();
            if (!seen.add(at.id())) {
                continue;
            }
            switch (at.kind()) {
                case ENTRY ->
                    rig.find(at.get(Productions.BRINGS), Kind.INPUT)
                            .or(() -> rig.find(at.get(Productions.BRINGS), Kind.GROUP))
                            .or(() -> rig.find(at.get(Productions.BRINGS), Kind.SCENE))
                            .ifPresent(next::push);
                case GROUP ->
                    rig.of(Kind.INPUT).stream()
                            .filter(input -> at.is(Productions.MEMBER.of(input.id()), false))
                            .forEach(next::push);
                case SCENE -> rig.in(at.id(), Kind.ENTRY).forEach(next::push);
                case INPUT -> {
                    if (!first) {
                        inputs.add(at.id());
                    }
                }
                case MACHINE, DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION -> {}
                case APP_OUTPUT, MIXER, STRIP, BUS, PRODUCTION, OUTPUT, SOURCE, OUTLET -> {}
            }
            first = false;
        }
        return inputs;
    }

    /** Whether a segment leads into one of some inputs, or into a copy of it. */
    private static boolean isBrought(FlowGraph graph, int segment, Set<String> inputs) {
        PointKind end = graph.kind(graph.to(segment));
        return (end == PointKind.INPUT || end == PointKind.COPY) && inputs.contains(graph.element(graph.to(segment)));
    }

    /** Whether a setting decides a gate: its own, or one of those that together say whether a device can be used. */
    private static boolean isBehind(Gate gate, Address at) {
        return gate.at().equals(at)
                || at.key().isEmpty() && gate.at().element().equals(at.element()) && !isTick(gate)
                || gate.sort() == Gate.Sort.USABLE
                        && gate.at().element().equals(at.element())
                        && USABLE.contains(at.key());
    }

    /** Whether a gate says where something goes by design: what isn't ticked isn't reached. */
    private static boolean isTick(Gate gate) {
        return gate.setting() != null
                && (!gate.setting().sub().isEmpty() || gate.setting().equals(Productions.CUE));
    }

    /** Whether an element makes a segment, stands at one of its ends, or has a gate on it, itself or by what lives in it. */
    private static boolean concerns(FlowGraph graph, int segment, String element) {
        return isPartOf(graph.rig(), graph.segmentElement(segment), element)
                || isPartOf(graph.rig(), graph.element(graph.from(segment)), element)
                || isPartOf(graph.rig(), graph.element(graph.to(segment)), element)
                || graph.gates(segment).stream()
                        .anyMatch(gate -> gate.at().element().equals(element));
    }

    private static boolean isPartOf(Rig rig, String part, String element) {
        Element found = rig.find(part);
        return part.equals(element) || found != null && rig.program(found).id().equals(element);
    }

    /** The listeners that are reached. */
    public List<Element> reached() {
        return List.copyOf(sources.keySet());
    }

    /** In one sentence who is reached, without a full stop. */
    public String sentence() {
        List<String> names = new ArrayList<>();
        sources.keySet().forEach(outlet -> names.add(outlet.name()));
        if (names.isEmpty()) {
            return "Reaches nobody";
        }
        if (names.size() == listeners && listeners > 1) {
            return "Reaches every listener";
        }
        return "Reaches " + Sentences.list(names) + (names.size() == 1 && listeners > 1 ? " only" : "");
    }
}
