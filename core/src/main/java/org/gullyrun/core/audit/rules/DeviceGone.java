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
import org.gullyrun.core.audit.Topic;

/** Is something set to a device that is absent, disabled, blocked or not there? */
final class DeviceGone implements Rule {
    @Override
    public String id() {
        return "device.gone";
    }

    @Override
    public Topic topic() {
        return Topic.DEVICE;
    }

    @Override
    public String question() {
        return "Is something set to a device that can't be used?";
    }

    @Override
    public String severity() {
        return "Critical if live or somebody's ears need it, major if any listener does; else a note.";
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
                                users + (DeviceUse.isOne(context.rig(), use.settings()) ? " is" : " are") + " set to "
                                        + name + ", which " + state + ".",
                                Say.sentence(
                                        name + " " + state + "; " + users
                                                + (DeviceUse.isOne(context.rig(), use.settings()) ? " is" : " are")
                                                + " set to it.",
                                        hanging.isEmpty()
                                                ? "Nothing required depends on it"
                                                : "Silent because of it: " + Say.musts(context, hanging)),
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
