package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.route.Route;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/**
 * What might fix a finding, from its evidence alone. Nothing here is verified yet.
 *
 * <p>For an unwanted route every gate on it (close one); for a blocked route its gates (open all); for something missing
 * also the choices at which the source sets out; for rates the odd end; for a flag that is off, on.
 */
final class Candidates {
    /** Of so many routes at most all but one are closed at once. */
    private static final int MOST_TOGETHER = 6;

    private final Reading reading;
    private final Finding finding;
    private final Rig rig;
    private final Set<List<Change>> found = new LinkedHashSet<>();

    private Candidates(Reading reading, Finding finding) {
        this.reading = reading;
        this.finding = finding;
        this.rig = reading.rig();
    }

    /** All candidates for a finding, the most obvious first. None is verified yet. */
    static List<List<Change>> of(Reading reading, Finding finding) {
        Candidates candidates = new Candidates(reading, finding);
        FixKind kind = reading.rule(finding).fixKind();
        if (kind.movesGates()) {
            candidates.fromRoutes();
        }
        candidates.fromSettings();
        if (kind == FixKind.CHOICES) {
            candidates.fromChoices();
        }
        switch (reading.rule(finding).topic()) {
            case MISSING -> MissingCandidates.of(reading, finding, candidates::add);
            case DOUBLE -> {
                candidates.together();
                Elsewhere.of(reading, finding, candidates::add);
            }
            case LEAK, LOOP, TRACK -> Elsewhere.of(reading, finding, candidates::add);
            case TIME -> {
                if (kind.movesGates()) { // a route that brings one's own voice late isn't wanted; one that is early is
                    Elsewhere.of(reading, finding, candidates::add);
                }
            }
            case SCENE, DOWN, DEVICE, RATE, CLOCK, CALL, LEVEL, RISK, CLUTTER -> {}
        }
        RuleCandidates.of(reading, finding, candidates::add);
        return List.copyOf(candidates.found);
    }

    /** Adds changes in the form in which they can be made here, if they can be made at all and make sense. */
    private void add(List<Change> changes) {
        List<Change> possible = Feasible.of(rig, changes);
        SceneReading scene = reading.scenes().get(finding.evidence().scene());
        if (!possible.isEmpty() && possible.stream().allMatch(c -> SensibleChoice.is(scene, c))) {
            found.add(List.copyOf(possible));
        }
    }

    /** Gates on the routes of the evidence: each open one closed, all closed ones of a blocked route opened. */
    private void fromRoutes() {
        SceneReading scene = reading.scenes().get(finding.evidence().scene());
        GateMoves moves = new GateMoves(rig, scene.key());
        for (Evidence.Trace route : finding.evidence().routes()) {
            List<Change> openAll = new ArrayList<>();
            List<Integer> segments = route.in(scene.graph());
            // What is on the wrong track leaves that track: of equal fixes the last on the route is meant.
            boolean lastFirst = reading.rule(finding).topic() == Topic.TRACK;
            // What arrives too faintly isn't helped by shutting the way that it comes.
            boolean mayClose = route.form() != Evidence.Form.BLOCKED
                    && reading.rule(finding).topic() != Topic.MISSING;
            for (int segment : lastFirst ? segments.reversed() : segments) {
                backOnDevice(scene.graph().segmentElement(segment), moves);
                List<Gate> gates = scene.graph().gates(segment);
                for (Gate gate : lastFirst ? gates.reversed() : gates) {
                    if (gate.open() && mayClose && !isNeededByCall(gate)) {
                        add(moves.close(gate));
                    } else if (!gate.open()) {
                        moves.open(gate).stream()
                                .filter(c -> !openAll.contains(c))
                                .forEach(openAll::add);
                    }
                }
            }
            if (route.form() == Evidence.Form.BLOCKED) {
                add(openAll);
                if (openAll.size() > 1) {
                    // Of several ways to the listener this may not be the best one: what all have in common is opened
                    // by itself.
                    openAll.forEach(change -> add(List.of(change)));
                }
            }
        }
    }

    /** What plays elsewhere because its device, or the default that it follows, can't be used gets the device back. */
    private void backOnDevice(String output, GateMoves moves) {
        rig.find(output, Kind.APP_OUTPUT).ifPresent(o -> {
            Element program = rig.owner(o);
            if (program != null) {
                Choices.Going going = Choices.output(rig, program, o);
                rig.find(going.moved().isEmpty() ? going.device() : going.moved(), Kind.DEVICE)
                        .filter(chosen -> !Choices.usable(rig, chosen))
                        .ifPresent(chosen -> add(moves.usable(chosen)));
            }
        });
    }

    /** Whether a gate is the microphone of a call whose other end has to hear somebody: that is never shut. */
    private boolean isNeededByCall(Gate gate) {
        return (Applications.MAY_LISTEN.equals(gate.setting()) || Applications.INPUT_MUTED.equals(gate.setting()))
                && reading.scenes().stream()
                        .flatMap(scene -> scene.cells().stream())
                        .anyMatch(cell -> cell.wish() == Wish.MUST
                                && gate.at().element().equals(cell.outlet().get(Outlets.APPLICATION)));
    }

    /** The settings that the evidence names: a flag that is off, on. */
    private void fromSettings() {
        List<Address> rates = new ArrayList<>();
        List<Change> flags = new ArrayList<>();
        for (Address address : finding.evidence().settings()) {
            Element element = rig.find(address.element());
            Setting<?> setting = element == null ? null : Catalogue.find(element.kind(), address.key());
            if (element == null || setting == null) {
                continue;
            }
            if (setting.equals(Devices.RATE) && reading.rule(finding).fixKind() != FixKind.ENGINE_RATE) {
                rates.add(address);
            } else if (setting.type() instanceof ValueType.Flag && Boolean.FALSE.equals(element.raw(setting))) {
                Change.Set on = Change.setRaw(rig, element.id(), setting, true);
                if (on != null && !address.key().equals("converts")) {
                    flags.add(on);
                }
            }
        }
        add(flags);
        for (Address one : rates) {
            for (Address other : rates) {
                Double rate = rig.get(other.element()).get(Devices.RATE);
                Change.Set change =
                        rate == null || one.equals(other) ? null : Change.set(rig, one.element(), Devices.RATE, rate);
                if (change != null) {
                    add(List.of(change));
                }
            }
        }
    }

    /** Of several unwanted routes all but one closed at once: each by the first, or last, gate that the one kept doesn't share. */
    private void together() {
        if (reading.rule(finding).topic() != Topic.DOUBLE) {
            return;
        }
        SceneReading scene = reading.scenes().get(finding.evidence().scene());
        int source = rig.place(Kind.SOURCE, finding.subject().source());
        int outlet = rig.place(Kind.OUTLET, finding.subject().outlet());
        if (source < 0 || outlet < 0) {
            return;
        }
        CellReading cell = scene.cell(source, outlet);
        double least = cell.delivery().strongestGain() - reading.thresholds().of(Threshold.COPY_WITHIN);
        List<Route> routes = scene.routes(cell, MOST_TOGETHER).routes().stream()
                .filter(route -> route.gain() >= least)
                .toList();
        // Where the way that it should come is turned far down, copies count that are no trouble otherwise.
        for (Route route : routes) {
            FarDown.back(rig, scene.graph(), route.segments()).stream().limit(1).forEach(up -> add(List.of(up)));
        }
        for (Route kept : routes.size() > 2 ? routes : List.<Route>of()) {
            Set<Gate> shared = new LinkedHashSet<>();
            kept.segments().forEach(s -> shared.addAll(scene.graph().gates(s)));
            Set<Change> first = new LinkedHashSet<>();
            Set<Change> last = new LinkedHashSet<>();
            for (Route other : routes) {
                if (other != kept) {
                    first.addAll(closing(scene, other.segments(), shared));
                    last.addAll(closing(scene, other.segments().reversed(), shared));
                }
            }
            add(List.copyOf(first));
            add(List.copyOf(last));
        }
    }

    /** The first gate of a route that isn't shared with the one that stays. */
    private List<Change> closing(SceneReading scene, List<Integer> route, Set<Gate> shared) {
        GateMoves moves = new GateMoves(rig, scene.key());
        for (int segment : route) {
            for (Gate gate : scene.graph().gates(segment)) {
                List<Change> changes = shared.contains(gate) ? List.of() : moves.close(gate);
                if (!changes.isEmpty()) {
                    return changes;
                }
            }
        }
        return List.of();
    }

    /**
     * The output choices of the source's application, and the machine's default where one of them leaves it to that. Only
     * devices come into question from which sound gets to the outlet as things stand, in a scene in which it is missing.
     */
    private void fromChoices() {
        Element source = rig.get(finding.subject().source());
        Element application = Sources.application(rig, source);
        if (application == null) {
            return;
        }
        String machine = application.or(Applications.MACHINE, "");
        List<Element> devices = rig.of(Kind.DEVICE).stream()
                .filter(d -> d.get(Devices.DIRECTION) == Direction.PLAYBACK && machine.equals(d.get(Devices.MACHINE)))
                .toList();
        for (Element output : Sources.outputs(rig, source)) {
            Choice now = output.get(Applications.PROGRAM_CHOICE);
            Setting<Choice> role = Choices.followed(rig, machine, now, Direction.PLAYBACK);
            boolean followersLeadOn =
                    role != null && followersLeadOn(Choices.device(rig, machine, now, Direction.PLAYBACK));
            for (Element device : devices) {
                Choice choice = Choice.to(device.id());
                Change.Set byDefault = role == null ? null : Change.set(rig, machine, role, choice);
                boolean leadsOn = leadsOn(PointId.of(device.id()));
                if (leadsOn || followersLeadOn) {
                    one(byDefault);
                }
                if (leadsOn) {
                    one(Change.set(rig, output.id(), Applications.PROGRAM_CHOICE, choice));
                } else {
                    for (Element pass : passingOn(device)) {
                        Change.Set on = Change.set(rig, pass.id(), Links.PASS_ENABLED, true);
                        together(Change.set(rig, output.id(), Applications.PROGRAM_CHOICE, choice), on);
                        together(byDefault, on);
                    }
                }
            }
        }
    }

    /** Pass-throughs that are switched off, and would lead from a device to the outlet. */
    private List<Element> passingOn(Element device) {
        SceneReading scene = reading.scenes().get(finding.evidence().scene());
        return rig.of(Kind.PASS_THROUGH).stream()
                .filter(pass -> !pass.is(Links.PASS_ENABLED, true)
                        && pass.get(Links.PASS_FROM) instanceof String from
                        && scene.leadsByWire(PointId.of(device.id()), PointId.of(from))
                        && pass.get(Links.PASS_TO) instanceof Choice.To(String end)
                        && leadsOn(PointId.of(end)))
                .toList();
    }

    private void together(Change.@Nullable Set one, Change.@Nullable Set other) {
        if (one != null && other != null) {
            add(List.of(one, other));
        }
    }

    /** Whether sound gets from a point to the outlet, in a scene that has the finding. */
    private boolean leadsOn(PointId point) {
        return finding.scenes().stream()
                .anyMatch(i -> reading.scenes()
                        .get(i)
                        .leadsByWire(point, PointId.of(finding.subject().outlet())));
    }

    /** Whether it gets there from what takes its sound from the default as it stands: that may follow the default. */
    private boolean followersLeadOn(String standing) {
        return standing.isEmpty()
                || finding.scenes().stream().anyMatch(i -> {
                    FlowGraph graph = reading.scenes().get(i).graph();
                    int point = graph.point(standing);
                    return point < 0 || Arrays.stream(graph.out(point)).anyMatch(s -> leadsOn(graph.id(graph.to(s))));
                });
    }

    private void one(Change.@org.jspecify.annotations.Nullable Set change) {
        if (change != null) {
            add(List.of(Objects.requireNonNull(change)));
        }
    }
}
