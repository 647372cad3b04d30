package org.gullyrun.core.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Devices.Direction;
import org.jspecify.annotations.Nullable;

/** The values that a setting with a choice can be given in a rig, those that make sense first. */
public final class Completions {
    private Completions() {}

    /** Raw values for a setting of an element, in the order to offer them; empty for settings without a choice. */
    public static List<Object> of(Rig rig, Element element, Setting<?> setting) {
        List<Object> values = new ArrayList<>();
        switch (setting.type()) {
            case ValueType.Pick(List<Choice.Special> specials) -> {
                values.addAll(specials);
                Direction direction = direction(element, setting);
                for (Element device : rig.of(Kind.DEVICE)) {
                    if (direction == null || device.get(Devices.DIRECTION) == direction) {
                        values.add(Choice.to(device.id()));
                    }
                }
            }
            case ValueType.Word<?> word -> values.addAll(List.of(word.list().getEnumConstants()));
            case ValueType.Ref(Set<Kind> kinds) ->
                rig.elements().stream()
                        .filter(e -> kinds.contains(e.kind()) && faces(e, direction(element, setting)))
                        .sorted(Comparator.comparing(e -> e.kind() == Kind.APP_OUTPUT)) // mostly a program is meant
                        .forEach(e -> values.add(e.id()));
            case ValueType.Flag flag -> values.addAll(List.of(true, false));
            case ValueType.Number number -> {}
            case ValueType.Count count -> {}
            case ValueType.Text text -> {}
            case ValueType.Texts texts -> {}
        }
        return values;
    }

    private static boolean faces(Element e, @Nullable Direction direction) {
        Direction known = e.kind() == Kind.DEVICE ? e.get(Devices.DIRECTION) : null;
        return direction == null || known == null || known == direction;
    }

    /** Which way the devices face that a choice can name; null if both can. */
    public static @Nullable Direction direction(Element element, Setting<?> setting) {
        return switch (element.kind()) {
            case STRIP, BUS -> null;
            case CABLE, WIRE, COUPLING, PASS_THROUGH ->
                setting.key().equals("playback") ? Direction.PLAYBACK : Direction.RECORDING;
            case PROCESSOR, SOURCE -> Direction.RECORDING;
            case INPUT ->
                element.get(Productions.TAKES) == Productions.Takes.PLAYBACK ? Direction.PLAYBACK : Direction.RECORDING;
            case MACHINE, DEVICE, APPLICATION, APP_OUTPUT, MIXER, PRODUCTION, GROUP, SCENE, ENTRY, OUTPUT, OUTLET ->
                setting.equals(Applications.INPUT)
                                || setting.equals(Applications.INPUT_SYSTEM)
                                || setting.equals(Machines.RECORDING)
                                || setting.equals(Machines.CALL_RECORDING)
                        ? Direction.RECORDING
                        : Direction.PLAYBACK;
        };
    }
}
