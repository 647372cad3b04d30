package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;

/** Is something set to a device that is absent, disabled, blocked or not there? */
final class DeviceGone implements Rule {
    @Override
    public String id() {
        return "device.gone";
    }

    @Override
    public String question() {
        return "Is something set to a device that cannot be used?";
    }

    @Override
    public String severity() {
        return "Critical if a must at live or ears hangs on it, major if any does; else a note.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        DeviceUse.of(context.rig()).forEach((device, use) -> {
            if (use.fallbacks().isEmpty()) {
                List<MissingPair> hanging = context.hangingOn(device, "usable");
                String name = context.rig().name(DeviceUse.id(device));
                String state = DeviceUse.state(context.rig(), device);
                String users = DeviceUse.users(context.rig(), use.settings());
                findings.add(new Finding(
                        id(),
                        Finding.Subject.of(List.of(device)),
                        DeviceUse.severity(hanging, Severity.NOTE),
                        List.of(),
                        new Finding.Words(
                                name + " " + state,
                                users + " is set to " + name + ", which " + state + ".",
                                Say.sentence(
                                        name + " " + state + "; " + users + " is set to it.",
                                        hanging.isEmpty()
                                                ? "Nothing that must arrive hangs on it"
                                                : "Missing for it: " + Say.musts(context, hanging)),
                                name + " " + state,
                                hanging.isEmpty() ? "Nothing, for now." : "Silence where this device is used."),
                        Evidence.of(DeviceUse.evidence(context.rig(), device, use)),
                        List.of(new Figure("musts", hanging.size(), "")),
                        false));
            }
        });
        return findings;
    }
}
