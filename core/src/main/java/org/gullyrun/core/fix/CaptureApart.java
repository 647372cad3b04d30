package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * Where an input takes everything that plays on a device, one program stays there and all others play to a cable of their own,
 * which the input takes instead and lets be heard on cue.
 */
final class CaptureApart {
    private final FlowGraph graph;
    private final Rig rig;
    private final Consumer<List<Change>> to;

    /** Looks at the rig of a graph; what might help goes to a receiver. */
    CaptureApart(FlowGraph graph, Consumer<List<Change>> to) {
        this.graph = graph;
        this.rig = graph.rig();
        this.to = to;
    }

    /** Hands on what leaves the program at the start of a route alone on its device, if an input takes all that plays there. */
    void along(List<Integer> route) {
        Element output = route.stream()
                .flatMap(s -> rig.find(graph.segmentElement(s), Kind.APP_OUTPUT).stream())
                .findFirst()
                .orElse(null);
        for (Element input : output == null ? Set.<Element>of() : CaptureEach.takingAll(graph, route)) {
            if (output != null && rig.owner(input) instanceof Element production) {
                FreeCables.of(graph, production.get(Productions.MACHINE))
                        .forEach(cable -> offer(input, production, output, cable.plays()));
            }
        }
    }

    private void offer(Element input, Element production, Element stays, Element cable) {
        String machine = production.get(Productions.MACHINE);
        Choice taken = input.get(Productions.DEVICE);
        String device = Choices.device(rig, machine, taken, Direction.PLAYBACK);
        if (rig.of(Kind.OUTLET).stream()
                .noneMatch(o -> Choices.listensOn(rig, o).equals(device))) {
            return; // what stays there would be heard by nobody
        }
        Setting<Choice> role = Choices.followed(rig, machine, taken, Direction.PLAYBACK);
        List<Change> changes = new ArrayList<>();
        if (role != null && machine != null) {
            add(changes, Change.set(rig, machine, role, Choice.to(cable.id())));
        } else {
            add(changes, Change.set(rig, input.id(), Productions.DEVICE, Choice.to(cable.id())));
        }
        for (Element program : rig.of(Kind.APPLICATION)) {
            for (Element output : rig.in(program.id(), Kind.APP_OUTPUT)) {
                Choices.Going going = Choices.output(rig, program, output);
                boolean follows = role != null && going.effective() instanceof Choice.Special;
                if (going.device().equals(device) && follows == output.equals(stays)) {
                    Choice there = Choice.to(output.equals(stays) ? device : cable.id());
                    boolean bySystem = going.decidedBy().equals(Applications.SYSTEM_CHOICE);
                    add(
                            changes,
                            Change.set(
                                    rig,
                                    output.id(),
                                    bySystem ? Applications.SYSTEM_CHOICE : Applications.PROGRAM_CHOICE,
                                    there));
                }
            }
        }
        add(changes, Change.set(rig, input.id(), Productions.CUE, true));
        to.accept(changes);
    }

    private static void add(List<Change> changes, Change.@Nullable Set change) {
        if (change != null) {
            changes.add(change);
        }
    }
}
