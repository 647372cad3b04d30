package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;

/**
 * A call can listen to one device only. Where its guests should hear more than what comes there, and no mixer makes a mix, a
 * production can: its cue plays to a free cable, what the guests should hear is on cue, and the call listens to that cable.
 * Only where nobody uses the cue so far.
 */
final class CallMix {
    private final SceneReading scene;
    private final Rig rig;
    private final Element guest;
    private final int column;
    private final Consumer<List<Change>> to;

    /** Looks at one scene of a reading for a listener at the far end of a call; what might help goes to a receiver. */
    CallMix(Reading reading, int scene, Element guest, Consumer<List<Change>> to) {
        this.scene = reading.scenes().get(scene);
        this.rig = reading.rig();
        this.guest = guest;
        this.column = rig.of(Kind.OUTLET).indexOf(guest);
        this.to = to;
    }

    /** Hands on the mix of each production that has all that the guest should hear. */
    void offer() {
        Element call =
                rig.find(guest.get(Outlets.APPLICATION), Kind.APPLICATION).orElse(null);
        String machine = call == null ? null : call.get(Applications.MACHINE);
        for (Element production : call == null ? List.<Element>of() : rig.of(Kind.PRODUCTION)) {
            List<Element> inputs = Objects.equals(production.get(Productions.MACHINE), machine) && isCueFree(production)
                    ? inputs(production)
                    : List.of();
            if (call != null && !inputs.isEmpty()) {
                FreeCables.of(scene.graph(), machine).forEach(cable -> mix(call, production, inputs, cable));
            }
        }
    }

    private boolean isCueFree(Element production) {
        return rig.in(production.id(), Kind.INPUT).stream().noneMatch(i -> i.is(Productions.CUE, false));
    }

    /** Inputs with all that the guest must hear, and nothing that the guest must not; none if something is in no such input. */
    private List<Element> inputs(Element production) {
        List<Element> clean = rig.in(production.id(), Kind.INPUT).stream()
                .filter(input -> sources(Wish.NEVER).noneMatch(s -> isIn(s, input)))
                .toList();
        List<Element> chosen = new ArrayList<>();
        for (Element source : sources(Wish.MUST).toList()) {
            if (chosen.stream().noneMatch(input -> isIn(source, input))) {
                Element input =
                        clean.stream().filter(i -> isIn(source, i)).findFirst().orElse(null);
                if (input == null) {
                    return List.of();
                }
                chosen.add(input);
            }
        }
        return chosen;
    }

    private Stream<Element> sources(Wish wish) {
        List<Element> all = rig.of(Kind.SOURCE);
        return IntStream.range(0, all.size())
                .filter(row -> scene.cell(row, column).wish() == wish)
                .mapToObj(all::get);
    }

    private boolean isIn(Element source, Element input) {
        return scene.leadsByWire(PointId.of(source.id()), PointId.of(input.id()));
    }

    private void mix(Element call, Element production, List<Element> inputs, FreeCables.Ends cable) {
        to.accept(Stream.concat(
                        inputs.stream().map(input -> Change.set(rig, input.id(), Productions.CUE, true)),
                        Stream.of(
                                Change.set(
                                        rig,
                                        production.id(),
                                        Productions.CUE_DEVICE,
                                        Choice.to(cable.plays().id())),
                                Change.set(
                                        rig,
                                        call.id(),
                                        Applications.INPUT,
                                        Choice.to(cable.records().id()))))
                .filter(Objects::nonNull)
                .map(Change.class::cast)
                .toList());
    }
}
