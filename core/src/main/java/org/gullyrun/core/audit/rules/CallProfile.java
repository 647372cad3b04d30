package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Is a wireless body's microphone read while its playback serves ears? */
final class CallProfile implements Rule {
    @Override
    public String id() {
        return "device.call-profile";
    }

    @Override
    public Topic topic() {
        return Topic.CALL;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.ROBOTIC);
    }

    @Override
    public FixKind fixKind() {
        return FixKind.OTHER_MICROPHONE;
    }

    @Override
    public String question() {
        return "Is a wireless headset's microphone in use while somebody listens on it?";
    }

    @Override
    public String severity() {
        return "Major.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        for (Element microphone : rig.of(Kind.DEVICE)) {
            String body = microphone.or(Devices.BODY, "");
            if (body.isEmpty()
                    || microphone.get(Devices.DIRECTION) != Direction.RECORDING
                    || !Choices.usable(context.rig(), microphone)) {
                continue;
            }
            Element worn = rig.of(Kind.DEVICE).stream()
                    .filter(d -> body.equals(d.or(Devices.BODY, ""))
                            && d.get(Devices.DIRECTION) == Direction.PLAYBACK
                            && Choices.usable(context.rig(), d)
                            && servesEars(context, d))
                    .findFirst()
                    .orElse(null);
            if (worn == null || !isWireless(microphone) && !isWireless(worn)) {
                continue;
            }
            List<String> readers = readers(context, microphone);
            if (!readers.isEmpty()) {
                findings.add(tell(rig, microphone, worn, readers));
            }
        }
        return findings;
    }

    private static boolean isWireless(Element device) {
        return device.get(Devices.LINK) == Devices.Link.WIRELESS;
    }

    /** Whether somebody wears the device to listen, whatever else it is used for. */
    private static boolean servesEars(AuditContext context, Element device) {
        FlowGraph graph = context.scenes().getFirst().graph();
        return Arrays.stream(graph.out(graph.point(device.id())))
                .anyMatch(s -> context.rig()
                        .find(graph.element(graph.to(s)), Kind.OUTLET)
                        .filter(o -> o.get(Outlets.SORT) == Outlets.Sort.EARS)
                        .isPresent());
    }

    /** The programs that read a device in some scene. */
    private static List<String> readers(AuditContext context, Element device) {
        Set<String> readers = new LinkedHashSet<>();
        for (SceneReading scene : context.scenes()) {
            FlowGraph graph = scene.graph();
            for (int s : graph.out(graph.point(device.id()))) {
                if (graph.isOpen(s)) {
                    context.rig()
                            .find(
                                    graph.segmentElement(s),
                                    context.rig().get(graph.segmentElement(s)).kind())
                            .ifPresent(e -> readers.add(context.rig().program(e).id()));
                }
            }
        }
        return List.copyOf(readers);
    }

    /**
     * One finding for each headset: a radio link that carries its microphone drops to call quality for the ears as
     * well.
     */
    private Finding tell(Rig rig, Element microphone, Element worn, List<String> readers) {
        String by = Sentences.list(readers.stream().map(rig::name).toList());
        Double rate =
                worn.get(Devices.CALL_RATE) == null ? microphone.get(Devices.CALL_RATE) : worn.get(Devices.CALL_RATE);
        FindingBuilder told = FindingBuilder.of(id(), Severity.MAJOR, microphone.id())
                .title(worn.name() + " drops to call quality while " + by + " uses its microphone")
                .plain(by + " uses " + microphone.name() + ", so everything on " + worn.name()
                        + " sounds like a telephone.")
                .exact(
                        by + " uses " + microphone.name() + "; " + worn.name()
                                + " is wireless and somebody listens on it,",
                        rate == null ? "and drops to its call rate" : "and drops to " + Say.kilo(rate))
                .cause("a wireless headset carries both directions at a lower rate only")
                .noticed("Dull, telephone-like sound in the headset.")
                .setting(worn, Devices.LINK)
                .setting(microphone, Devices.ENABLED);
        for (String reader : readers) {
            rig.find(reader, Kind.APPLICATION).ifPresent(a -> told.setting(a, Applications.INPUT));
        }
        if (rate != null) {
            told.figure("rate in call use", rate, "Hz");
        }
        return told.made();
    }
}
