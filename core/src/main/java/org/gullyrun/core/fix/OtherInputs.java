package org.gullyrun.core.fix;

import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/**
 * Which sources come through the other inputs of a production: another input that takes them would double them. Sound that
 * comes through a loudspeaker and the air doesn't count.
 */
final class OtherInputs {
    private final Rig rig;
    /** By the id of a production, what comes through the inputs that are in a scene and that somebody hears, scene by scene. */
    private final Map<String, List<Heard>> heard = new HashMap<>();

    /** The inputs of a reading. Cost: one pass over the graph of each scene. */
    OtherInputs(Reading reading) {
        this.rig = reading.rig();
        List<long[][]> reached = reading.scenes().stream()
                .map(scene -> scene.electricView().reachedFromEach(points(Kind.SOURCE, scene::sourcePoint)))
                .toList();
        List<boolean[]> leadsOn = reading.scenes().stream()
                .map(scene -> scene.view().reaching(points(Kind.OUTLET, scene::outletPoint)))
                .toList();
        for (Element production : rig.of(Kind.PRODUCTION)) {
            heard.put(
                    production.id(),
                    reading.scenes().stream().map(scene -> new Heard()).toList());
        }
        for (int i = 0; i < reading.scenes().size(); i++) {
            FlowGraph graph = reading.scenes().get(i).graph();
            for (Element input : rig.of(Kind.INPUT)) {
                int point = graph.point(input.id());
                boolean isHeard = point >= 0
                        && leadsOn.get(i)[point]
                        && IntStream.of(graph.in(point)).anyMatch(graph::isOpen);
                if (isHeard && heard.get(rig.program(input).id()) instanceof List<Heard> own) {
                    own.get(i).add(input, BitSet.valueOf(reached.get(i)[point]));
                }
            }
        }
    }

    /** The points of all elements of a kind, in the rig's order. */
    private int[] points(Kind kind, IntUnaryOperator point) {
        return IntStream.range(0, rig.of(kind).size()).map(point).toArray();
    }

    /**
     * The places of the sources that come through another input of the same production, in any scene in which an input is heard;
     * in any at all if it is heard in none.
     */
    BitSet besides(Element input) {
        List<Heard> scenes = heard.getOrDefault(rig.program(input).id(), List.of());
        boolean isHeard = scenes.stream().anyMatch(scene -> scene.byInput.containsKey(input));
        BitSet besides = new BitSet();
        scenes.stream()
                .filter(scene -> !isHeard || scene.byInput.containsKey(input))
                .forEach(scene -> besides.or(scene.besides(input)));
        return besides;
    }

    /** The sources that come through the inputs of a production in one scene, by their places. */
    private static final class Heard {
        final Map<Element, BitSet> byInput = new HashMap<>();
        private final BitSet any = new BitSet();
        /** Those that come through two inputs or more. */
        private final BitSet several = new BitSet();

        void add(Element input, BitSet sources) {
            byInput.put(input, sources);
            BitSet again = (BitSet) sources.clone();
            again.and(any);
            several.or(again);
            any.or(sources);
        }

        BitSet besides(Element input) {
            BitSet besides = (BitSet) any.clone();
            besides.andNot(Objects.requireNonNullElseGet(byInput.get(input), BitSet::new));
            besides.or(several);
            return besides;
        }
    }
}
