package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * Where nothing else brings a missing source to its listener: its program, or the default that it follows, on another
 * device, and the one gate that stands between that device and the listener opened.
 */
final class ChoiceAndGate {
    private ChoiceAndGate() {}

    /** What might help, all settings of the program before those of the computer; none for what isn't missing. */
    static List<List<Change>> of(Reading reading, Finding finding) {
        Rig rig = reading.rig();
        Element source = rig.find(finding.subject().source());
        Element outlet = rig.find(finding.subject().outlet());
        Element program = source == null ? null : Sources.application(rig, source);
        if (source == null
                || program == null
                || outlet == null
                || reading.rule(finding).topic() != Topic.MISSING) {
            return List.of();
        }
        String machine = program.or(Applications.MACHINE, "");
        SceneReading scene = reading.scenes().get(finding.evidence().scene());
        GateMoves moves = new GateMoves(rig, scene.key());
        List<List<Change>> own = new ArrayList<>();
        List<List<Change>> byDefault = new ArrayList<>();
        for (Element output : Sources.outputs(rig, source)) {
            boolean follows = output.get(Applications.PROGRAM_CHOICE) == Choice.Special.DEFAULT
                    && rig.find(machine, Kind.MACHINE).isPresent();
            for (Element device : rig.of(Kind.DEVICE)) {
                int start = scene.graph().point(device.id());
                if (start < 0
                        || device.get(Devices.DIRECTION) != Devices.Direction.PLAYBACK
                        || !machine.equals(device.get(Devices.MACHINE))) {
                    continue;
                }
                Choice choice = Choice.to(device.id());
                int end = scene.graph().point(outlet.id());
                for (Gate gate : MissingCandidates.between(scene, start, end)) {
                    List<Change> opened = moves.open(gate);
                    add(own, Change.set(rig, output.id(), Applications.PROGRAM_CHOICE, choice), opened);
                    add(byDefault, follows ? Change.set(rig, machine, Machines.PLAYBACK, choice) : null, opened);
                }
            }
        }
        own.addAll(byDefault);
        return own;
    }

    private static void add(List<List<Change>> to, Change.@Nullable Set choice, List<Change> opened) {
        if (choice != null && !opened.isEmpty()) {
            List<Change> both = new ArrayList<>(List.of(choice));
            both.addAll(opened);
            to.add(both);
        }
    }
}
