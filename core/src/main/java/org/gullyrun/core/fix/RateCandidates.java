package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** What might fix sample rates and clocks that don't go together: one rate for all, or the way through the system's mixing. */
final class RateCandidates {
    private final Reading reading;
    private final Finding finding;
    private final Rig rig;
    private final Consumer<List<Change>> to;

    private RateCandidates(Reading reading, Finding finding, Consumer<List<Change>> to) {
        this.reading = reading;
        this.finding = finding;
        this.rig = reading.rig();
        this.to = to;
    }

    /** Hands on the candidates of a finding about rates or clocks; none for another. */
    static void of(Reading reading, Finding finding, Consumer<List<Change>> to) {
        RateCandidates candidates = new RateCandidates(reading, finding, to);
        FixKind kind = reading.rule(finding).fixKind();
        if (kind == FixKind.ENGINE_RATE) {
            candidates.engineRate();
        } else if (kind == FixKind.ONE_RATE) {
            candidates.oneRate();
        } else if (kind == FixKind.RECLOCK) {
            candidates.reclock();
        }
    }

    /** A program's rate set to that of its devices, and the devices' to that of the program. */
    private void engineRate() {
        Element engine = rig.get(finding.subject().elements().getFirst());
        Setting<Double> own = engine.kind() == Kind.MIXER ? Mixers.RATE : Productions.RATE;
        Double rate = engine.get(own);
        List<Change> devices = new ArrayList<>();
        for (Element device : RuleCandidates.addressed(rig, finding, Devices.RATE)) {
            if (device.kind() == Kind.DEVICE && device.get(Devices.RATE) instanceof Double other && rate != null) {
                one(Change.set(rig, engine.id(), own, other));
                Change.Set change = Change.set(rig, device.id(), Devices.RATE, rate);
                if (change != null) {
                    devices.add(change);
                }
            }
        }
        to.accept(devices);
    }

    /** The rate of each device and engine on the route set to that of another, the commonest first, and of all at once. */
    private void oneRate() {
        FlowGraph graph = reading.scenes().get(finding.evidence().scene()).graph();
        Map<Element, Double> rates = new LinkedHashMap<>();
        for (Evidence.Trace route : finding.evidence().routes()) {
            for (int segment : route.in(graph)) {
                Element element = rig.find(graph.element(graph.to(segment)));
                Element program = element == null ? null : rig.program(element);
                if (program != null && !Double.isNaN(graph.rate(graph.to(segment)))) {
                    rates.put(program, graph.rate(graph.to(segment)));
                }
            }
        }
        Map<Double, Long> often = rates.values().stream().collect(Collectors.groupingBy(r -> r, Collectors.counting()));
        often.keySet().stream()
                .sorted(Comparator.comparing((Double rate) -> often.get(rate))
                        .thenComparing(r -> r)
                        .reversed())
                .forEach(rate -> {
                    List<Change> all = rates.keySet().stream()
                            .map(one -> rated(one, rate))
                            .filter(Objects::nonNull)
                            .toList();
                    all.forEach(one -> to.accept(List.of(one)));
                    to.accept(all);
                });
    }

    /** The devices of a pass-through that go around the system's mixing, which would keep two clocks in step, back on it. */
    private void reclock() {
        if (RuleCandidates.addressed(rig, finding, Links.PASS_ENABLED).isEmpty()) {
            return; // a digital wire knows nothing of the system
        }
        List<Change> all = new ArrayList<>();
        for (String end : finding.subject().elements()) {
            Element device = rig.get(end);
            if (device.or(Devices.PATH, DriverPath.STANDARD).goesAround()) {
                all.add(Objects.requireNonNull(Change.set(rig, end, Devices.PATH, DriverPath.STANDARD)));
            }
        }
        to.accept(all);
    }

    /** The change of a device's or an engine's rate; null if it has that rate, or none that can be set. */
    private @Nullable Change rated(Element element, double rate) {
        return switch (element.kind()) {
            case DEVICE -> Change.set(rig, element.id(), Devices.RATE, rate);
            case MIXER -> Change.set(rig, element.id(), Mixers.RATE, rate);
            case PRODUCTION -> Change.set(rig, element.id(), Productions.RATE, rate);
            case MACHINE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION, APP_OUTPUT, STRIP, BUS -> null;
            case INPUT, GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> null;
        };
    }

    private void one(Change.@Nullable Set change) {
        if (change != null) {
            to.accept(List.of(change));
        }
    }
}
