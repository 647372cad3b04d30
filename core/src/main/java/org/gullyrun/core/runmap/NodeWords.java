package org.gullyrun.core.runmap;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** What is written beneath the name of a node: whether it is a default, and on which of several computers it stands. */
final class NodeWords {
    private final Rig rig;

    NodeWords(Rig rig) {
        this.rig = rig;
    }

    /** Marks the device that is the default. */
    void defaultTag(MapNode node, String device) {
        for (Element machine : rig.of(Kind.MACHINE)) {
            boolean isDefault = Stream.of(Machines.PLAYBACK, Machines.RECORDING)
                    .anyMatch(s -> machine.get(s) instanceof Choice c && c.id().equals(device));
            if (isDefault) {
                add(node, "default");
            }
        }
    }

    /** Says on which computer something stands, where all of it stands on one that isn't the first of several. */
    void computer(MapNode node) {
        List<Element> machines = rig.of(Kind.MACHINE);
        if (machines.size() < 2) {
            return;
        }
        Stream<String> ids = node.points.isEmpty()
                ? Stream.of(node.id)
                : node.points.stream().map(point -> point.element());
        Set<String> on = ids.map(this::machine).collect(Collectors.toSet());
        String only = on.size() == 1 ? on.iterator().next() : "";
        if (!only.isEmpty() && !only.equals(machines.getFirst().id())) {
            add(node, "on " + rig.name(only));
        }
    }

    private String machine(String id) {
        Element element = rig.find(id);
        if (element == null) {
            return "";
        }
        Element program = rig.program(element);
        Setting<String> machine = Capabilities.machine(program.kind());
        return machine == null ? "" : program.or(machine, "");
    }

    private static void add(MapNode node, String words) {
        node.under = node.under.isEmpty() ? words : node.under + ", " + words;
    }
}
