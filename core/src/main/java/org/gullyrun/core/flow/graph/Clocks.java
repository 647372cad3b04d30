package org.gullyrun.core.flow.graph;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/** Which clock a device runs off. */
public final class Clocks {
    private Clocks() {}

    /** The clock's name; a device's own if it is physical and names none; the machine's for a virtual one. */
    public static String of(Element device) {
        String named = device.or(Devices.CLOCK, "");
        return !named.isEmpty()
                ? named
                : isOwn(device) ? "own clock of " + device.name() : "machine " + device.or(Devices.MACHINE, "");
    }

    /** What two devices have alike exactly if they run off one clock; {@link #of} is only its name. */
    public static String key(Element device) {
        return isOwn(device) ? "device " + device.id() : isPhysical(device) ? "clock " + of(device) : of(device);
    }

    /** Whether a device is a physical one that names no clock: it then keeps time for itself. */
    public static boolean isOwn(Element device) {
        return device.or(Devices.CLOCK, "").isEmpty() && !device.is(Devices.VIRTUAL, false);
    }

    /** Whether a device's clock is a physical one, its own or one that it names. */
    public static boolean isPhysical(Element device) {
        return !device.or(Devices.CLOCK, "").isEmpty() || isOwn(device);
    }

    /** The devices of a rig by their clocks; those on a clock of their own, alone, are left out. */
    public static Map<String, List<Element>> shared(Rig rig) {
        Map<String, List<Element>> groups = new TreeMap<>(Ids.ORDER);
        for (Element device : rig.of(Kind.DEVICE)) {
            if (!isOwn(device)) {
                String machine = rig.name(device.or(Devices.MACHINE, ""));
                String name = isPhysical(device) ? of(device) : machine + "'s own time";
                groups.computeIfAbsent(name, x -> new ArrayList<>()).add(device);
            }
        }
        return groups;
    }
}
