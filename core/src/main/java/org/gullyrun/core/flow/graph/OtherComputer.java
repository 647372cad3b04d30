package org.gullyrun.core.flow.graph;

import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/** What can't be chosen because it is on another computer: sound gets from one to the other by a wire only. */
public final class OtherComputer {
    private OtherComputer() {}

    /**
     * The device or program that something would choose on another computer than its own; null if it is on the same, or if
     * that isn't known.
     *
     * @param raw the value of the setting
     */
    public static @Nullable Element chosen(Rig rig, Element chooser, Setting<?> setting, @Nullable Object raw) {
        Element chosen = raw instanceof Choice.To(String id)
                ? rig.find(id)
                : raw instanceof String id && setting.type() instanceof ValueType.Ref ? rig.find(id) : null;
        if (chosen == null || chosen.kind() != Kind.DEVICE && chosen.kind() != Kind.APPLICATION) {
            return null;
        }
        String here = computer(rig, chooser);
        String there = rig.machine(chosen);
        return here == null || there == null || here.equals(there) ? null : chosen;
    }

    /** The id of the computer on which something chooses; null where it may choose from any, or if that isn't known. */
    public static @Nullable String computer(Rig rig, Element chooser) {
        return switch (chooser.kind()) {
            case MACHINE -> chooser.id();
            case APPLICATION, APP_OUTPUT, MIXER, STRIP, BUS, PROCESSOR, PRODUCTION, INPUT -> rig.machine(chooser);
            case DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> null;
        };
    }
}
