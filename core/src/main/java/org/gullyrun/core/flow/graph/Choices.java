package org.gullyrun.core.flow.graph;

import java.util.List;
import java.util.SortedSet;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** Where choices really lead: defaults, system choices and fallbacks. */
public final class Choices {
    private Choices() {}

    /**
     * Where an output or input of an application goes.
     *
     * @param effective the choice that counts, or null if it is not yet known
     * @param device the id of the device that the choice leads to; empty if to none
     * @param fallback the id of the default that is used because the device is not usable; else empty
     * @param fallsBack whether it takes the default, as soon as that can be used, because the device cannot
     * @param moved the id of the device that is set as the default, where the order of preference has moved that; else empty
     * @param decidedBy the setting that decided: a choice of the application or output, or a default of the machine
     */
    public record Going(
            @Nullable Choice effective,
            String device,
            String fallback,
            boolean fallsBack,
            Setting<?> decidedBy,
            String moved) {}

    /** The engine of the rig that offers a device; null if none does, or it isn't there. */
    public static @Nullable Element provider(Rig rig, Element device) {
        Element engine = rig.find(device.get(Devices.PROVIDED_BY));
        return engine == null || Capabilities.engine(engine.kind()) == null ? null : engine;
    }

    /** Whether a device can be used: it is itself in order, and what offers it, if anything does, runs. */
    public static boolean usable(Rig rig, Element device) {
        if (device.get(Devices.PROVIDED_BY) != null) {
            Element engine = provider(rig, device);
            Capabilities.Engine runs = engine == null ? null : Capabilities.engine(engine.kind());
            if (engine == null || runs == null || !engine.is(runs.running(), true)) {
                return false;
            }
        }
        return usableItself(device);
    }

    /** Whether a device would be usable if the engine of the rig that offers it ran. */
    public static boolean lacksOnlyItsEngine(Rig rig, String id) {
        Element device = rig.find(id, Kind.DEVICE).orElse(null);
        return device != null && usableItself(device) && provider(rig, device) != null && !usable(rig, device);
    }

    /** Whether a device is in order: present, enabled and, for recording, permitted. Unknown values count as yes. */
    static boolean usableItself(Element device) {
        return device.is(Devices.PRESENT, true)
                && device.is(Devices.ENABLED, true)
                && (device.get(Devices.DIRECTION) != Direction.RECORDING || device.is(Devices.PERMITTED, true));
    }

    /** Whether an id names a usable device. */
    public static boolean usable(Rig rig, String id) {
        Element device = rig.find(id);
        return device != null && device.kind() == Kind.DEVICE && usable(rig, device);
    }

    /** Whether an id names a usable device that faces a direction, or may do so as far as is known. */
    public static boolean usable(Rig rig, String id, Direction direction) {
        return usable(rig, id) && faces(rig.get(id), direction);
    }

    /** Whether a device faces a direction, or may do so as far as is known. */
    public static boolean faces(Element device, Direction direction) {
        Direction own = device.get(Devices.DIRECTION);
        return own == null || own == direction;
    }

    /** The machine on whose default an outlet listens: its own, or else the only one there is; null if that is not known. */
    public static @Nullable String machineOf(Rig rig, Element outlet) {
        String own = outlet.get(Outlets.MACHINE);
        List<Element> machines = rig.of(Kind.MACHINE);
        return own == null && machines.size() == 1 ? machines.getFirst().id() : own;
    }

    /** The id of the playback device at which an outlet listens; empty if none. */
    public static String listensOn(Rig rig, Element outlet) {
        return device(rig, machineOf(rig, outlet), outlet.get(Outlets.DEVICE), Direction.PLAYBACK);
    }

    /**
     * A default of a machine.
     *
     * @param set the id of the device that is set; empty if none is, or it is not known
     * @param is the id of the device that counts: another one of the order of preference where the one set can't be used
     */
    public record Default(String set, String is) {
        static final Default NONE = new Default("", "");

        /** Whether the order of preference has moved it. */
        public boolean isMoved() {
            return !set.equals(is);
        }
    }

    /** A machine's default for a direction, for calls or for everything else. */
    public static Default standing(Rig rig, @Nullable String machine, Direction direction, boolean call) {
        Element m = rig.find(machine, Kind.MACHINE).orElse(null);
        if (m == null) {
            return Default.NONE;
        }
        boolean playback = direction == Direction.PLAYBACK;
        if (call) {
            Choice chosen = m.get(playback ? Machines.CALL_PLAYBACK : Machines.CALL_RECORDING);
            if (chosen == null) {
                return Default.NONE;
            }
            Default forCalls = preferred(
                    rig, m, chosen, playback ? Machines.CALL_PLAYBACK_ORDER : Machines.CALL_RECORDING_ORDER, direction);
            if (!forCalls.is.isEmpty()) {
                return forCalls;
            }
        }
        Choice plain = m.get(playback ? Machines.PLAYBACK : Machines.RECORDING);
        return preferred(rig, m, plain, playback ? Machines.PLAYBACK_ORDER : Machines.RECORDING_ORDER, direction);
    }

    /**
     * The default of a machine that a choice follows; null if it follows none. Where nothing is set for calls, those follow the
     * plain default.
     */
    public static @Nullable Setting<Choice> followed(
            Rig rig, @Nullable String machine, @Nullable Choice choice, Direction direction) {
        Element m = rig.find(machine, Kind.MACHINE).orElse(null);
        if (m == null || !(choice instanceof Choice.Special special)) {
            return null;
        }
        boolean playback = direction == Direction.PLAYBACK || special == Choice.Special.PLAYBACK_DEFAULT;
        Setting<Choice> plain = playback ? Machines.PLAYBACK : Machines.RECORDING;
        Setting<Choice> forCalls = playback ? Machines.CALL_PLAYBACK : Machines.CALL_RECORDING;
        return switch (special) {
            case DEFAULT, PLAYBACK_DEFAULT -> plain;
            case CALL_DEFAULT -> m.get(forCalls) instanceof Choice.To ? forCalls : plain;
            case NOTHING, UNSET -> null;
        };
    }

    /** The device that is set, or if that can't be used the first usable one of an order; none usable, the one that is set. */
    private static Default preferred(
            Rig rig, Element machine, @Nullable Choice chosen, Setting<List<String>> order, Direction direction) {
        String set = chosen == null ? "" : chosen.id();
        if (chosen == null || usable(rig, set, direction)) {
            return new Default(set, set);
        }
        return machine.or(order, List.of()).stream()
                .map(one -> named(rig, machine, one))
                .filter(id -> usable(rig, id, direction))
                .findFirst()
                .map(id -> new Default(set, id))
                .orElse(new Default(set, set));
    }

    /** The id of the device to which a default would move if its own went off, by its order; empty if none says. */
    public static String next(Rig rig, Element machine, Direction direction, boolean call) {
        boolean playback = direction == Direction.PLAYBACK;
        Setting<List<String>> order = playback
                ? call ? Machines.CALL_PLAYBACK_ORDER : Machines.PLAYBACK_ORDER
                : call ? Machines.CALL_RECORDING_ORDER : Machines.RECORDING_ORDER;
        String now = standing(rig, machine.id(), direction, call).is();
        return machine.or(order, List.of()).stream()
                .map(one -> named(rig, machine, one))
                .filter(id -> !id.equals(now) && usable(rig, id, direction))
                .findFirst()
                .orElse("");
    }

    /** The id of a device of a machine that is given by its id or its name. */
    private static String named(Rig rig, Element machine, String name) {
        return rig.find(name, Kind.DEVICE).isPresent()
                ? name
                : rig.of(Kind.DEVICE).stream()
                        .filter(d -> machine.id().equals(d.get(Devices.MACHINE))
                                && d.name().equalsIgnoreCase(name))
                        .map(Element::id)
                        .findFirst()
                        .orElse("");
    }

    /** The id of the device that counts as a machine's default for a direction; empty if it is not set or not known. */
    public static String fallbackDefault(Rig rig, @Nullable String machine, Direction direction, boolean call) {
        return standing(rig, machine, direction, call).is();
    }

    /** The device that a choice leads to, and the one that is set as the default if that has moved to another. */
    static List<String> devices(Rig rig, @Nullable String machine, @Nullable Choice choice, Direction direction) {
        String device = device(rig, machine, choice, direction);
        boolean plays = choice == Choice.Special.PLAYBACK_DEFAULT;
        boolean follows = plays || choice == Choice.Special.DEFAULT || choice == Choice.Special.CALL_DEFAULT;
        Default standing = follows
                ? standing(rig, machine, plays ? Direction.PLAYBACK : direction, choice == Choice.Special.CALL_DEFAULT)
                : Default.NONE;
        return device.isEmpty()
                ? List.of()
                : standing.isMoved() && !standing.set().isEmpty() ? List.of(device, standing.set()) : List.of(device);
    }

    /** The id of the device that a choice leads to on a machine; empty if to none. */
    public static String device(Rig rig, @Nullable String machine, @Nullable Choice choice, Direction direction) {
        return switch (choice) {
            case null -> "";
            case Choice.To(String id) -> id;
            case Choice.Special.DEFAULT -> fallbackDefault(rig, machine, direction, false);
            case Choice.Special.CALL_DEFAULT -> fallbackDefault(rig, machine, direction, true);
            case Choice.Special.PLAYBACK_DEFAULT -> fallbackDefault(rig, machine, Direction.PLAYBACK, false);
            case Choice.Special.NOTHING, Choice.Special.UNSET -> "";
        };
    }

    /** The lowest track that an output takes, which is the one that services and players play; null if it takes none. */
    public static @Nullable Integer lowestTrack(Element output) {
        SortedSet<Integer> taken = Productions.ticked(output, Productions.TAKES_TRACK);
        return taken.isEmpty() ? null : taken.first();
    }

    /** The output that a listener hears because its own is off or takes no track; null if it hears its own, or none. */
    public static @Nullable Element otherwise(Rig rig, Element outlet) {
        Outlets.Sort sort = outlet.get(Outlets.SORT);
        boolean may = sort == Outlets.Sort.LIVE || sort == Outlets.Sort.ARCHIVE || sort == Outlets.Sort.RELAY;
        Element own = rig.find(outlet.get(Outlets.OUTPUT), Kind.OUTPUT).orElse(null);
        boolean works = own != null && own.is(Productions.ACTIVE, true) && lowestTrack(own) != null;
        return may && !works
                ? rig.find(outlet.get(Outlets.OTHERWISE), Kind.OUTPUT).orElse(null)
                : null;
    }

    /** The id of the device that a strip takes; empty if none. */
    public static String feed(Rig rig, Element strip) {
        return device(rig, machineOfMixer(rig, strip), strip.get(Mixers.FEED), Direction.RECORDING);
    }

    /** The id of the device to which a bus goes; empty if to none. */
    public static String target(Rig rig, Element bus) {
        return device(rig, machineOfMixer(rig, bus), bus.get(Mixers.TARGET), Direction.PLAYBACK);
    }

    /** The device to which a bus goes, and the one that is set as the default if that has moved. */
    static List<String> targets(Rig rig, Element bus) {
        return devices(rig, machineOfMixer(rig, bus), bus.get(Mixers.TARGET), Direction.PLAYBACK);
    }

    private static @Nullable String machineOfMixer(Rig rig, Element part) {
        Element mixer = rig.owner(part);
        return mixer == null ? null : mixer.get(Mixers.MACHINE);
    }

    /** Where an output of an application really goes. */
    public static Going output(Rig rig, Element application, Element output) {
        return going(
                rig, application, output, Applications.PROGRAM_CHOICE, Applications.SYSTEM_CHOICE, Direction.PLAYBACK);
    }

    /** Where an application really listens. */
    public static Going input(Rig rig, Element application) {
        return going(rig, application, application, Applications.INPUT, Applications.INPUT_SYSTEM, Direction.RECORDING);
    }

    /** Where a program and system setting together really lead, and which of the two decides. */
    private static Going going(
            Rig rig,
            Element application,
            Element holder,
            Setting<Choice> programSetting,
            Setting<Choice> systemSetting,
            Direction direction) {
        String machine = application.get(Applications.MACHINE);
        Choice program = holder.get(programSetting);
        Choice system = holder.get(systemSetting);
        boolean wins = rig.find(machine, Kind.MACHINE)
                .map(m -> m.get(Machines.SYSTEM_CHOICE) == Machines.SystemChoice.WINS)
                .orElse(false);
        boolean toDefault = program == Choice.Special.DEFAULT || program == Choice.Special.CALL_DEFAULT;
        boolean bySystem = system != Choice.Special.UNSET && (wins || toDefault);
        Choice effective = bySystem ? system : program;
        String device = device(rig, machine, effective, direction);
        String fallback = "";
        boolean gone = !device.isEmpty()
                && !usable(rig, device, direction)
                && application.or(Applications.WHEN_GONE, Applications.WhenGone.DEFAULT)
                        == Applications.WhenGone.DEFAULT;
        if (gone) {
            String spare = fallbackDefault(rig, machine, direction, false);
            fallback = !spare.equals(device) && usable(rig, spare, direction) ? spare : "";
        }
        List<String> all = devices(rig, machine, effective, direction);
        String moved = all.size() > 1 ? all.getLast() : "";
        return new Going(effective, device, fallback, gone, bySystem ? systemSetting : programSetting, moved);
    }
}
