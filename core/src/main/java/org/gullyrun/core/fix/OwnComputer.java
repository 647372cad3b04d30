package org.gullyrun.core.fix;

import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.OtherComputer;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Completions;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.ValueType;

/**
 * What might be meant where something on another computer is chosen: a device of the own one, and for an input that takes a
 * program the device at which that program arrives.
 */
final class OwnComputer {
    private final Reading reading;
    private final Rig rig;
    private final Consumer<List<Change>> to;

    private OwnComputer(Reading reading, Consumer<List<Change>> to) {
        this.reading = reading;
        this.rig = reading.rig();
        this.to = to;
    }

    /** Hands on the candidates for the settings that a finding names. */
    static void of(Reading reading, Finding finding, Consumer<List<Change>> to) {
        OwnComputer own = new OwnComputer(reading, to);
        for (Address at : finding.evidence().settings()) {
            Element element = reading.rig().get(at.element());
            Setting<?> setting = Catalogue.find(element.kind(), at.key());
            if (setting != null && setting.type() instanceof ValueType.Pick) {
                own.device(element, setting);
            } else if (setting != null && setting.equals(Productions.APPLICATION)) {
                own.arriving(element);
            }
        }
    }

    private void device(Element element, Setting<?> setting) {
        Direction direction = Completions.direction(element, setting);
        devices(element)
                .filter(d -> direction == null || d.get(Devices.DIRECTION) == direction)
                .map(d -> Change.setRaw(rig, element.id(), setting, Choice.to(d.id())))
                .filter(Objects::nonNull)
                .forEach(change -> to.accept(List.of(change)));
    }

    private void arriving(Element input) {
        devices(input)
                .filter(d -> d.get(Devices.DIRECTION) == Direction.RECORDING && arrives(input, d))
                .forEach(d -> to.accept(Stream.of(
                                Change.set(rig, input.id(), Productions.TAKES, Productions.Takes.RECORDING),
                                Change.set(rig, input.id(), Productions.DEVICE, Choice.to(d.id())))
                        .filter(Objects::nonNull)
                        .map(Change.class::cast)
                        .toList()));
    }

    /** Whether the program that an input takes gets to a device by wire. */
    private boolean arrives(Element input, Element device) {
        Element program = rig.find(input.get(Productions.APPLICATION));
        return rig.of(Kind.SOURCE).stream()
                .filter(source -> program != null && program.equals(Sources.application(rig, source)))
                .anyMatch(source -> reading.scenes().stream()
                        .anyMatch(scene -> scene.leadsByWire(PointId.of(source.id()), PointId.of(device.id()))));
    }

    private Stream<Element> devices(Element chooser) {
        String here = OtherComputer.computer(rig, chooser);
        return rig.of(Kind.DEVICE).stream().filter(d -> Objects.equals(rig.machine(d), here) && Choices.usable(rig, d));
    }
}
