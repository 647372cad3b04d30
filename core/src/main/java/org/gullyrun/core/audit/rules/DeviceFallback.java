package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Sentences;

/** Is something set to a device that cannot be used, so that sound takes the default instead? */
final class DeviceFallback implements Rule {
    @Override
    public String id() {
        return "device.fallback";
    }

    @Override
    public Topic topic() {
        return Topic.DEVICE;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.NOTHING, What.CUTS_OUT);
    }

    @Override
    public String question() {
        return "Does sound go to the default because a device can't be used?";
    }

    @Override
    public String severity() {
        return "Critical if live or somebody's ears need the device; else major.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        DeviceUse.of(context.rig()).forEach((device, use) -> {
            if (!use.fallbacks().isEmpty() && !isToldOfItsEngine(context, device)) {
                List<MissingPair> hanging = context.hangingOn(device, "usable");
                String name = context.rig().name(DeviceUse.id(device));
                String state = DeviceUse.state(context.rig(), device);
                String users = DeviceUse.users(context.rig(), use.falling());
                String others = DeviceUse.users(context.rig(), use.silent());
                boolean falls = DeviceUse.isOne(context.rig(), use.falling());
                boolean stays = DeviceUse.isOne(context.rig(), use.silent());
                String instead = Sentences.list(
                        use.fallbacks().stream().map(context.rig()::name).toList());
                findings.add(new Finding(
                        id(),
                        Finding.Subject.of(List.of(device)),
                        DeviceUse.severity(hanging, Severity.MAJOR),
                        List.of(),
                        new Finding.Words(
                                name + " " + state + "; " + instead + " is used instead",
                                name + " " + state + ", so " + users + " now " + (falls ? "uses" : "use")
                                        + " the default, " + instead + ".",
                                Say.sentence(
                                        name + " " + state + "; " + users + (falls ? " falls" : " fall")
                                                + " back to the default, " + instead + ".",
                                        others.isEmpty()
                                                ? ""
                                                : others + (stays ? " doesn't, and is" : " don't, and are")
                                                        + " silent there.",
                                        hanging.isEmpty()
                                                ? ""
                                                : "Silent because of it: " + Say.musts(context, hanging)),
                                name + " " + state,
                                "Sound comes out, or is picked up, at the wrong device."),
                        Evidence.of(DeviceUse.evidence(context.rig(), device, use)),
                        List.of(new Figure("musts", hanging.size(), "")),
                        false));
            }
        });
        return findings;
    }

    /** Whether a device is only missing because its mixer or processor doesn't run, and that is a finding already. */
    private static boolean isToldOfItsEngine(AuditContext context, String device) {
        Address running = Choices.lacksOnlyItsEngine(context.rig(), device)
                ? DeviceUse.running(context.rig(), context.rig().get(device))
                : null;
        return running != null
                && !context.hangingOn(running.element(), running.key()).isEmpty();
    }
}
