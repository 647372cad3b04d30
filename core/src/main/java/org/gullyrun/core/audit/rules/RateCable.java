package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** Do the ends of a cable, a digital wire or a processor differ in rate, with nothing that converts? */
final class RateCable implements Rule {
    @Override
    public String id() {
        return "rate.cable";
    }

    @Override
    public Topic topic() {
        return Topic.RATE;
    }

    @Override
    public String question() {
        return "Do the two ends of a cable, a digital wire or a processor run at different rates?";
    }

    @Override
    public String severity() {
        return "Major if the link doesn't resample, minor if that is unknown; nothing if it does.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        Rig rig = context.rig();
        for (Element cable : rig.of(Kind.CABLE)) {
            ends(rig, cable, cable.get(Links.CABLE_FROM), Links.CABLE_TO, Links.CABLE_CONVERTS, findings);
        }
        for (Element wire : rig.of(Kind.WIRE)) {
            if (wire.get(Links.WIRE_SIGNAL) == Links.Signal.DIGITAL) {
                ends(rig, wire, wire.get(Links.WIRE_FROM), Links.WIRE_TO, Links.WIRE_CONVERTS, findings);
            }
        }
        for (Element processor : rig.of(Kind.PROCESSOR)) {
            String from = Choices.device(
                    rig,
                    processor.get(Links.PROCESSOR_MACHINE),
                    processor.get(Links.PROCESSOR_FROM),
                    Devices.Direction.RECORDING);
            ends(rig, processor, from, Links.PROCESSOR_TO, Links.PROCESSOR_CONVERTS, findings);
        }
        return findings;
    }

    /** Adds a finding if both ends run at known rates that differ and the link isn't known to resample. */
    private void ends(
            Rig rig,
            Element link,
            @Nullable String from,
            Setting<String> to,
            Setting<Boolean> converts,
            List<Finding> findings) {
        Element a = rig.find(from, Kind.DEVICE).orElse(null);
        Element b = rig.find(link.get(to), Kind.DEVICE).orElse(null);
        Double played = a == null ? null : a.get(Devices.RATE);
        Double read = b == null ? null : b.get(Devices.RATE);
        Boolean does = link.get(converts);
        if (a == null
                || b == null
                || played == null
                || read == null
                || played.equals(read)
                || Boolean.TRUE.equals(does)) {
            return;
        }
        double ratio = read / played;
        double cents = 1200 * Math.log(ratio) / Math.log(2);
        String rates = Say.kilo(played) + " and " + Say.kilo(read);
        findings.add(new Finding(
                id(),
                Finding.Subject.of(List.of(link.id())),
                does == null ? Severity.MINOR : Severity.MAJOR,
                List.of(),
                new Finding.Words(
                        link.name() + " connects " + rates,
                        "The two ends of " + link.name() + " are set to different sample rates.",
                        Say.sentence(
                                a.name() + " runs at " + Say.kilo(played) + " and " + b.name() + " at " + Say.kilo(read)
                                        + ",",
                                (does == null ? "and nobody knows whether " : "and ") + link.name()
                                        + (does == null ? " resamples: at worst " : " doesn't resample: ")
                                        + Say.of(cents, "cents") + ", speed × "
                                        + String.format(java.util.Locale.ROOT, "%.3f", ratio)),
                        "the sample rates of its two ends differ",
                        "Wrong pitch and speed, crackles, or a robotic voice."),
                Evidence.of(
                        new Address(a.id(), Devices.RATE.key()),
                        new Address(b.id(), Devices.RATE.key()),
                        new Address(link.id(), converts.key())),
                List.of(new Figure("ratio", ratio, ""), new Figure("pitch", cents, "cents")),
                does == null));
    }
}
