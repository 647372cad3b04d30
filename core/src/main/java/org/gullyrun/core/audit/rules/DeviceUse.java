package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Everything that is set to a device which cannot be used, device by device. */
final class DeviceUse {
    /**
     * Who uses a device.
     *
     * @param settings the settings that name it
     * @param falling those of them with which sound goes elsewhere instead
     * @param fallbacks where that is; empty if nowhere
     */
    record Use(List<Address> settings, List<Address> falling, List<String> fallbacks) {
        /** The settings with which there is just silence. */
        List<Address> silent() {
            return settings.stream().filter(a -> !falling.contains(a)).toList();
        }
    }

    /** What stands between the id of a device that faces the wrong way and the direction that was wanted. */
    private static final char WANTED = '#';

    private final Rig rig;
    private final Map<String, Use> unusable = new TreeMap<>(Ids.ORDER);

    /** Collects every setting that names a device, by device. */
    private DeviceUse(Rig rig) {
        this.rig = rig;
        for (Element a : rig.of(Kind.APPLICATION)) {
            for (Element output : rig.in(a.id(), Kind.APP_OUTPUT)) {
                going(output, Choices.output(rig, a, output), Direction.PLAYBACK);
            }
            going(a, Choices.input(rig, a), Direction.RECORDING);
        }
        each(Kind.STRIP, Mixers.FEED, null);
        each(Kind.BUS, Mixers.TARGET, null);
        each(Kind.PRODUCTION, Productions.CUE_DEVICE, Direction.PLAYBACK);
        each(Kind.OUTLET, Outlets.DEVICE, Direction.PLAYBACK);
        each(Kind.PASS_THROUGH, Links.PASS_TO, Direction.PLAYBACK);
        for (Element machine : rig.of(Kind.MACHINE)) {
            standing(machine, Machines.PLAYBACK, Direction.PLAYBACK, false);
            standing(machine, Machines.RECORDING, Direction.RECORDING, false);
            standing(machine, Machines.CALL_PLAYBACK, Direction.PLAYBACK, true);
            standing(machine, Machines.CALL_RECORDING, Direction.RECORDING, true);
        }
        for (Element input : rig.of(Kind.INPUT)) {
            switch (input.get(Productions.TAKES)) {
                case RECORDING -> one(input, Productions.DEVICE, Direction.RECORDING);
                case PLAYBACK -> one(input, Productions.DEVICE, Direction.PLAYBACK);
                case null, default -> {}
            }
        }
        ref(Kind.PASS_THROUGH, Links.PASS_FROM);
        each(Kind.PROCESSOR, Links.PROCESSOR_FROM, Direction.RECORDING);
        ref(Kind.PROCESSOR, Links.PROCESSOR_TO);
        for (Element source : rig.of(Kind.SOURCE)) {
            Element at = rig.find(source.get(Sources.AT));
            if (at == null || at.kind() == Kind.DEVICE) {
                add(source, Sources.AT, source.or(Sources.AT, ""), Direction.RECORDING, "");
            }
        }
    }

    /** All devices that cannot be used although something is set to them. */
    static Map<String, Use> of(Rig rig) {
        return new DeviceUse(rig).unusable;
    }

    /** Notes where an output or input goes, and by which setting. */
    private void going(Element holder, Choices.Going going, Direction direction) {
        add(holder, going.decidedBy(), going.device(), direction, going.fallback());
    }

    /** A default that can't be used: its order of preference may have another in its place. */
    private void standing(Element machine, Setting<Choice> setting, Direction direction, boolean call) {
        Choice choice = machine.get(setting);
        Choices.Default now = Choices.standing(rig, machine.id(), direction, call);
        boolean moved = choice != null && now.isMoved() && now.set().equals(choice.id());
        add(machine, setting, choice == null ? "" : choice.id(), direction, moved ? now.is() : "");
    }

    /** Notes one choice of all elements of a kind. */
    private void each(Kind kind, Setting<Choice> setting, @Nullable Direction direction) {
        rig.of(kind).forEach(e -> one(e, setting, direction));
    }

    /** Notes one choice of one element. */
    private void one(Element holder, Setting<Choice> setting, @Nullable Direction direction) {
        Choice choice = holder.get(setting);
        add(holder, setting, choice == null ? "" : choice.id(), direction, "");
    }

    /** Notes what names a recording device directly. */
    private void ref(Kind kind, Setting<String> setting) {
        rig.of(kind).forEach(e -> add(e, setting, e.or(setting, ""), Direction.RECORDING, ""));
    }

    /** Notes a use of a device that cannot be used; where no direction is given, either will do. */
    private void add(
            Element holder, Setting<?> setting, String device, @Nullable Direction direction, String fallback) {
        boolean fine = direction == null ? Choices.usable(rig, device) : Choices.usable(rig, device, direction);
        if (device.isEmpty() || fine || fallback.isEmpty() && Choices.lacksOnlyItsEngine(rig, device)) {
            return; // an engine that doesn't run has a finding of its own
        }
        boolean wrong = direction != null
                && rig.find(device) instanceof Element found
                && !(found.kind() == Kind.DEVICE && Choices.faces(found, direction));
        Use use = unusable.computeIfAbsent(
                wrong && direction != null ? device + WANTED + direction.word() : device,
                x -> new Use(new ArrayList<>(), new ArrayList<>(), new ArrayList<>()));
        Address at = new Address(holder.id(), setting.key());
        use.settings.add(at);
        if (!fallback.isEmpty()) {
            use.falling.add(at);
            if (!use.fallbacks.contains(fallback)) {
                use.fallbacks.add(fallback);
            }
        }
    }

    /** The id of the device, without the direction that was wanted of it. */
    static String id(String device) {
        int wanted = device.indexOf(WANTED);
        return wanted < 0 ? device : device.substring(0, wanted);
    }

    /** Critical if a must at live or ears hangs on it, major if any does or sound goes astray, else a note. */
    static Severity severity(List<MissingPair> hanging, Severity withoutMusts) {
        if (hanging.stream().anyMatch(p -> {
            Outlets.Sort sort = p.outlet().get(Outlets.SORT);
            return sort == Outlets.Sort.LIVE || sort == Outlets.Sort.EARS;
        })) {
            return Severity.CRITICAL;
        }
        return hanging.isEmpty() ? withoutMusts : Severity.MAJOR;
    }

    /** Why the device can't be used, in words: unplugged, disabled, blocked, or not there at all. */
    static String state(Rig rig, String key) {
        Element device = rig.find(id(key));
        if (key.indexOf(WANTED) >= 0) {
            return "isn't a " + key.substring(key.indexOf(WANTED) + 1) + " device";
        }
        if (device == null || device.kind() != Kind.DEVICE) {
            return "doesn't exist";
        }
        if (!device.is(Devices.PRESENT, true)) {
            return "is unplugged or switched off";
        }
        if (!device.is(Devices.ENABLED, true)) {
            return "is disabled";
        }
        if (Choices.lacksOnlyItsEngine(rig, device.id())) {
            return "isn't there while " + rig.name(device.or(Devices.PROVIDED_BY, "")) + " doesn't run";
        }
        return device.get(Devices.DIRECTION) == Direction.RECORDING
                ? "is blocked by the privacy settings"
                : "can't be used";
    }

    /** The programs that use a device, as a list in words. */
    static String users(Rig rig, List<Address> settings) {
        return settings.isEmpty() ? "" : Sentences.list(names(rig, settings));
    }

    /** Whether one thing alone has all these settings: it falls back, several fall back. */
    static boolean isOne(Rig rig, List<Address> settings) {
        return names(rig, settings).size() == 1;
    }

    /** The programs that some settings belong to, each named once; a computer's default, and what starts there, where nothing else does. */
    private static List<String> names(Rig rig, List<Address> settings) {
        List<Element> programs = settings.stream()
                .map(a -> rig.program(rig.get(a.element())))
                .distinct()
                .toList();
        List<Element> named = programs.stream()
                .filter(p -> p.kind() != Kind.MACHINE && p.kind() != Kind.SOURCE)
                .toList();
        return (named.isEmpty() ? programs : named)
                .stream().map(Element::name).distinct().toList();
    }

    /** The switch that starts what offers a device; null if nothing of the rig does. */
    static @Nullable Address running(Rig rig, Element device) {
        Element engine = Choices.provider(rig, device);
        Capabilities.Engine runs = engine == null ? null : Capabilities.engine(engine.kind());
        return engine == null || runs == null
                ? null
                : new Address(engine.id(), runs.running().key());
    }

    /** The settings that make the device usable again, where it is there at all, and those that name it. */
    static Address[] evidence(Rig rig, String device, Use use) {
        List<Address> all = new ArrayList<>();
        rig.find(id(device), Kind.DEVICE).filter(d -> id(device).equals(device)).ifPresent(d -> {
            if (!d.is(Devices.PRESENT, true)) {
                all.add(new Address(device, Devices.PRESENT.key()));
            }
            if (!d.is(Devices.ENABLED, true)) {
                all.add(new Address(device, Devices.ENABLED.key()));
            }
            if (!d.is(Devices.PERMITTED, true)) {
                all.add(new Address(device, Devices.PERMITTED.key()));
            }
            if (Choices.lacksOnlyItsEngine(rig, device) && running(rig, d) instanceof Address start) {
                all.add(start);
            }
        });
        all.addAll(use.settings());
        return all.toArray(Address[]::new);
    }
}
