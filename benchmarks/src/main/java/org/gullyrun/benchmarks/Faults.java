package org.gullyrun.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;

/**
 * The faults that can be planted in a rig: every flag turned, every choice moved to another device of its kind, every level
 * turned down by 40 dB, every rate set to another.
 */
final class Faults {
    private static final double DOWN = -40;

    private Faults() {}

    /** All of them, in the order of the elements. */
    static List<Change.Set> of(Rig rig) {
        List<Change.Set> all = new ArrayList<>();
        for (Element element : rig.elements()) {
            settings(rig, element).forEach(setting -> all.addAll(faults(rig, element, setting)));
        }
        return all;
    }

    /** What is so, or is wished, rather than set wrongly: the fault would be to have entered it. */
    private static final Set<String> FACTS = Set.of(
            "nothingElse",
            "restarts",
            "hasOutputChoice",
            "hasInputChoice",
            "capturesPrograms",
            "passesGuestsOn",
            "fixed",
            "private");

    /** All settings of an element: of families those for each bus, track and input. */
    private static List<Setting<?>> settings(Rig rig, Element element) {
        List<Setting<?>> all = new ArrayList<>();
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            if (!setting.isFamily()) {
                if (!FACTS.contains(setting.key())) {
                    all.add(setting);
                }
            } else if (element.kind() == Kind.STRIP) {
                rig.in(rig.program(element).id(), Kind.BUS).forEach(bus -> all.add(setting.of(bus.id())));
            } else if (element.kind() == Kind.INPUT || element.kind() == Kind.OUTPUT) {
                int tracks = rig.program(element).or(Productions.TRACKS, 1);
                for (int track = 1; track <= tracks; track++) {
                    all.add(setting.of(track));
                }
            } else if (element.kind() == Kind.GROUP) {
                rig.in(rig.program(element).id(), Kind.INPUT).forEach(input -> all.add(setting.of(input.id())));
            }
        }
        return all;
    }

    /** What can be wrong with a setting: turned, moved elsewhere, turned down. */
    private static List<Change.Set> faults(Rig rig, Element element, Setting<?> setting) {
        List<Change.Set> faults = new ArrayList<>();
        Object now = element.raw(setting);
        switch (setting.type()) {
            case ValueType.Flag flag -> {
                if (now instanceof Boolean on) {
                    add(rig, element, setting, !on, faults);
                }
            }
            case ValueType.Pick pick -> {
                if (now instanceof Choice chosen) {
                    for (Element device : rig.of(Kind.DEVICE)) {
                        boolean alike = now instanceof Choice.To(String id)
                                && rig.find(id) != null
                                && rig.get(id).get(Devices.DIRECTION) == device.get(Devices.DIRECTION)
                                && Objects.equals(rig.get(id).get(Devices.MACHINE), device.get(Devices.MACHINE));
                        if (alike && !device.id().equals(chosen.id())) {
                            add(rig, element, setting, Choice.to(device.id()), faults);
                        }
                    }
                }
            }
            case ValueType.Number(String unit, double least, double most) -> {
                if (now instanceof Double value && unit.equals("dB")) {
                    add(rig, element, setting, value + DOWN, faults);
                } else if (now instanceof Double value && unit.equals("Hz")) {
                    add(rig, element, setting, value == 48_000 ? 44_100.0 : 48_000.0, faults);
                }
            }
            case ValueType.Count count -> {}
            case ValueType.Text text -> {}
            case ValueType.Texts texts -> {}
            case ValueType.Ref ref -> {}
            case ValueType.Word<?> word -> {}
        }
        return faults;
    }

    /** Adds a fault, unless the setting has that value already or can't have it. */
    private static void add(Rig rig, Element element, Setting<?> setting, Object to, List<Change.Set> faults) {
        try {
            Change.Set fault = Change.setRaw(rig, element.id(), setting, to);
            if (fault != null) {
                faults.add(fault);
            }
        } catch (IllegalArgumentException e) {
            // A value that the setting can't have is no fault that somebody could make.
        }
    }
}
