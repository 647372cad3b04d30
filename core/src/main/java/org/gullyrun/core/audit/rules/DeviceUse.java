package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.flow.Choices;
import org.gullyrun.core.rig.Address;
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
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Everything that is set to a device which cannot be used, device by device. */
final class DeviceUse {
    /** The settings that name the device, and where sound goes instead; empty if nowhere. */
    record Use(List<Address> settings, List<String> fallbacks) {}

    private final Rig rig;
    private final Map<String, Use> unusable = new TreeMap<>(Ids.ORDER);

    private DeviceUse(Rig rig) {
        this.rig = rig;
        for (Element a : rig.of(Kind.APPLICATION)) {
            for (Element output : rig.in(a.id(), Kind.APP_OUTPUT)) {
                going(output, Choices.output(rig, a, output));
            }
            going(a, Choices.input(rig, a));
        }
        each(Kind.STRIP, Mixers.FEED);
        each(Kind.BUS, Mixers.TARGET);
        each(Kind.PRODUCTION, Productions.CUE_DEVICE);
        each(Kind.OUTLET, Outlets.DEVICE);
        each(Kind.PASS_THROUGH, Links.PASS_TO);
        each(Kind.MACHINE, Machines.PLAYBACK);
        each(Kind.MACHINE, Machines.RECORDING);
        for (Element input : rig.of(Kind.INPUT)) {
            Productions.Takes takes = input.get(Productions.TAKES);
            if (takes == Productions.Takes.RECORDING || takes == Productions.Takes.PLAYBACK) {
                one(input, Productions.DEVICE, input.get(Productions.DEVICE));
            }
        }
        ref(Kind.PASS_THROUGH, Links.PASS_FROM);
        ref(Kind.PROCESSOR, Links.PROCESSOR_FROM);
        ref(Kind.PROCESSOR, Links.PROCESSOR_TO);
        for (Element source : rig.of(Kind.SOURCE)) {
            Element at = rig.find(source.get(Sources.AT));
            if (at == null || at.kind() == Kind.DEVICE) {
                add(source, Sources.AT, source.or(Sources.AT, ""), "");
            }
        }
    }

    /** All devices that cannot be used although something is set to them. */
    static Map<String, Use> of(Rig rig) {
        return new DeviceUse(rig).unusable;
    }

    private void going(Element holder, Choices.Going going) {
        add(holder, going.decidedBy(), going.device(), going.fallback());
    }

    private void each(Kind kind, Setting<Choice> setting) {
        rig.of(kind).forEach(e -> one(e, setting, e.get(setting)));
    }

    private void one(Element holder, Setting<Choice> setting, @Nullable Choice choice) {
        add(holder, setting, choice == null ? "" : choice.id(), "");
    }

    private void ref(Kind kind, Setting<String> setting) {
        rig.of(kind).forEach(e -> add(e, setting, e.or(setting, ""), ""));
    }

    private void add(Element holder, Setting<?> setting, String device, String fallback) {
        if (!device.isEmpty() && !Choices.usable(rig, device)) {
            Use use = unusable.computeIfAbsent(device, x -> new Use(new ArrayList<>(), new ArrayList<>()));
            use.settings.add(new Address(holder.id(), setting.key()));
            if (!fallback.isEmpty() && !use.fallbacks.contains(fallback)) {
                use.fallbacks.add(fallback);
            }
        }
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

    static String state(Rig rig, String id) {
        Element device = rig.find(id);
        if (device == null || device.kind() != Kind.DEVICE) {
            return "is not there";
        }
        if (!device.is(Devices.PRESENT, true)) {
            return "is not plugged in or is switched off";
        }
        if (!device.is(Devices.ENABLED, true)) {
            return "is disabled";
        }
        return device.get(Devices.DIRECTION) == Direction.RECORDING
                ? "is blocked by the privacy settings"
                : "cannot be used";
    }

    static String users(Rig rig, List<Address> settings) {
        return AuditContext.list(settings.stream()
                .map(a -> rig.program(rig.get(a.element())).name())
                .distinct()
                .toList());
    }

    /** The settings that make the device usable again, where it is there at all, and those that name it. */
    static Address[] evidence(Rig rig, String device, Use use) {
        List<Address> all = new ArrayList<>();
        rig.find(device, Kind.DEVICE).ifPresent(d -> {
            if (!d.is(Devices.PRESENT, true)) {
                all.add(new Address(device, Devices.PRESENT.key()));
            }
            if (!d.is(Devices.ENABLED, true)) {
                all.add(new Address(device, Devices.ENABLED.key()));
            }
            if (!d.is(Devices.PERMITTED, true)) {
                all.add(new Address(device, Devices.PERMITTED.key()));
            }
        });
        all.addAll(use.settings());
        return all.toArray(Address[]::new);
    }
}
