package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Balance;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentSettings;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
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

/** What might fix a finding in a way that depends on its rule: choices, levels, delays, what can be left out. */
final class RuleCandidates {
    private static final double STEP = 10; // levels are set in tenths of a dB, delays in tenths of a ms

    private static final Set<Choice> FOLLOWING =
            Set.of(Choice.Special.DEFAULT, Choice.Special.CALL_DEFAULT, Choice.Special.PLAYBACK_DEFAULT);

    private final Reading reading;
    private final Finding finding;
    private final Rig rig;
    private final Consumer<List<Change>> to;

    private RuleCandidates(Reading reading, Finding finding, Consumer<List<Change>> to) {
        this.reading = reading;
        this.finding = finding;
        this.rig = reading.rig();
        this.to = to;
    }

    /** Hands on the candidates of a finding's rule, one after the other. */
    static void of(Reading reading, Finding finding, Consumer<List<Change>> to) {
        new RuleCandidates(reading, finding, to).all();
    }

    /** By the rule's topic: what a level, a delay, a rate or a call needs. */
    private void all() {
        switch (reading.rule(finding).fixKind()) {
            case CANCEL_ECHO -> cancelEcho();
            case ENGINE_RATE, ONE_RATE, RECLOCK -> RateCandidates.of(reading, finding, to);
            case CLEAR_CHOICE -> idleChoice();
            case RECOGNISE_PROGRAM ->
                element().ifPresent(e -> set(e, Productions.RECOGNISED, Productions.Recognised.TITLE_THEN_PROGRAM));
            case REMOVE -> to.accept(Changes.removal(rig, first()));
            case FULL_SOUND -> addresses(Applications.VOICE_ONLY).forEach(e -> set(e, Applications.VOICE_ONLY, false));
            case OTHER_MICROPHONE -> otherMicrophone();
            case REMOVE_ENTRY -> addresses(Productions.BRINGS).forEach(e -> to.accept(Changes.removal(rig, e.id())));
            case LOWER_SUM -> {
                fewerCopies();
                levels(-over());
            }
            case BALANCE -> balance();
            case INTO_WINDOW -> levels(-figure("outside by"));
            case DELAY -> delays();
            case NAME_DEVICE -> byName();
            case OTHER_OUTPUT -> element().ifPresent(this::outputs);
            case OWN_COMPUTER -> OwnComputer.of(reading, finding, to);
            case GATES, CHOICES, KEEP_ROUTES -> {}
        }
    }

    /** Music, media and game turned down by as much as is missing to the wanted distance. */
    private void balance() {
        if (!finding.subject().source().isEmpty()) {
            levels(figure("difference"));
            return;
        }
        int outlet = rig.place(Kind.OUTLET, first());
        Balance balance = Balance.of(
                reading.scenes().get(finding.evidence().scene()),
                rig.of(Kind.SOURCE).size(),
                outlet);
        double wanted = figure("wanted");
        double mayBe = balance.loudestMayBe(wanted);
        levels(figure("voice above the rest") - wanted);
        if (balance.loudestOfBed() != null && !Double.isNaN(mayBe)) {
            levels(mayBe - balance.loudestOfBed().usualLevel());
        }
    }

    private String first() {
        return finding.subject().elements().getFirst();
    }

    private Optional<Element> element() {
        return Optional.ofNullable(rig.find(first()));
    }

    /** A figure of the finding, 0 if it has none of that name. */
    private double figure(String name) {
        return finding.figures().stream()
                .filter(f -> f.name().equals(name))
                .mapToDouble(Figure::value)
                .findFirst()
                .orElse(0);
    }

    /** What fixes it that the loudest source comes twice: its copies add up more than different sources do. */
    private void fewerCopies() {
        FlowGraph graph = reading.scenes().get(finding.evidence().scene()).graph();
        for (Evidence.Trace route : finding.evidence().routes()) {
            List<Integer> segments = route.in(graph);
            String loudest = segments.isEmpty() ? "" : graph.element(graph.from(segments.getFirst()));
            reading.findings().stream()
                    .filter(f -> reading.rule(f).topic() == Topic.DOUBLE
                            && f.subject().source().equals(loudest)
                            && f.subject().outlet().equals(first()))
                    .forEach(f -> Candidates.of(reading, f).forEach(to));
        }
    }

    /** By how many dB the sum peaks above the threshold. */
    private double over() {
        return figure("peak") - reading.thresholds().of(Threshold.CLIP_MINOR);
    }

    /** Offers one setting, unless it has that value already. */
    private <T> void set(Element element, Setting<T> setting, T value) {
        Change.Set change = Change.set(rig, element.id(), setting, value);
        if (change != null) {
            to.accept(List.of(change));
        }
    }

    /** The elements that the evidence names with a setting. */
    private List<Element> addresses(Setting<?> setting) {
        return addressed(rig, finding, setting);
    }

    /** The elements that a finding's evidence names with a setting. */
    static List<Element> addressed(Rig rig, Finding finding, Setting<?> setting) {
        return finding.evidence().settings().stream()
                .filter(a -> a.key().equals(setting.key()))
                .map(a -> rig.find(a.element()))
                .filter(Objects::nonNull)
                .toList();
    }

    /** The call at whose other end they hear themselves takes its own sound out of the microphone. */
    private void cancelEcho() {
        Element outlet = rig.find(finding.subject().outlet());
        if (outlet != null) {
            rig.find(outlet.get(Outlets.APPLICATION), Kind.APPLICATION)
                    .ifPresent(call -> set(call, Applications.CANCELS_ECHO, true));
        }
    }

    /** The program's own choice set to the default, so that the system setting counts again. */
    private void idleChoice() {
        element().ifPresent(e -> {
            if (e.kind() == Kind.APP_OUTPUT) {
                set(e, Applications.SYSTEM_CHOICE, Choice.Special.UNSET);
                set(e, Applications.PROGRAM_CHOICE, Choice.Special.DEFAULT);
            } else {
                set(e, Applications.INPUT_SYSTEM, Choice.Special.UNSET);
                set(e, Applications.INPUT, Choice.Special.DEFAULT);
            }
        });
    }

    /** Of a wireless headset another microphone that picks something up, so that it goes back to full quality. */
    private void otherMicrophone() {
        Element worn = rig.get(first());
        for (Element application : addresses(Applications.INPUT)) {
            for (Element device : rig.of(Kind.DEVICE)) {
                if (device.get(Devices.DIRECTION) == Direction.RECORDING
                        && Objects.equals(device.get(Devices.MACHINE), worn.get(Devices.MACHINE))
                        && !device.id().equals(worn.id())
                        && reading.scenes().stream().anyMatch(scene -> scene.isFed(PointId.of(device.id())))) {
                    set(application, Applications.INPUT, Choice.to(device.id()));
                }
            }
        }
        set(worn, Devices.ENABLED, false);
    }

    /** Every level on the routes of the evidence, moved by so many dB. */
    private void levels(double by) {
        double step = by < 0 ? Math.floor(by * STEP) / STEP : Math.ceil(by * STEP) / STEP;
        FlowGraph graph = reading.scenes().get(finding.evidence().scene()).graph();
        boolean first = true;
        for (Evidence.Trace route : finding.evidence().routes()) {
            double here = first ? step : -step; // the second way of a balance is the voice: it goes the other way
            for (int segment : route.in(graph)) {
                for (Address at : SegmentSettings.of(graph, segment)) {
                    level(at, here);
                }
            }
            first = false;
        }
    }

    /** A level moved by so many dB, within what the setting can have. */
    private void level(Address at, double by) {
        Element element = rig.find(at.element());
        Setting<?> setting = element == null ? null : Catalogue.find(element.kind(), at.key());
        if (element == null || setting == null || !isLevel(setting) || !(element.raw(setting) instanceof Double now)) {
            return;
        }
        Change.Set change = Change.setRaw(rig, element.id(), setting, Math.round((now + by) * STEP) / STEP);
        if (change != null) {
            to.accept(List.of(change));
        }
    }

    /** Whether a setting is a level that somebody can turn. */
    static boolean isLevel(Setting<?> setting) {
        return switch (setting.kind()) {
            case INPUT -> setting.equals(Productions.INPUT_LEVEL);
            case ENTRY -> setting.equals(Productions.ENTRY_LEVEL);
            case STRIP ->
                setting.equals(Mixers.STRIP_LEVEL) || setting.familyKey().equals(Mixers.CROSSING_LEVEL.key());
            case BUS -> setting.equals(Mixers.BUS_LEVEL);
            case APP_OUTPUT -> setting.equals(Applications.OUTPUT_LEVEL);
            case MACHINE, DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION, MIXER -> false;
            case PRODUCTION, GROUP, SCENE, OUTPUT, SOURCE, OUTLET -> false;
        };
    }

    /** The delay that is missing, put on the input of what arrives first; or taken from an input that delays the other. */
    private void delays() {
        double add = figure("delay to add") - figure("delay to take away");
        SceneReading scene = reading.scenes().get(finding.evidence().scene());
        Set<Element> own = finding.evidence().routes().stream()
                .flatMap(route -> route.in(scene.graph()).stream())
                .flatMap(segment -> rig.find(scene.graph().segmentElement(segment), Kind.INPUT).stream())
                .collect(Collectors.toCollection(LinkedHashSet::new));
        own.forEach(input -> delay(input, add));
        for (Element input : rig.of(Kind.INPUT)) {
            if (add > 0
                    && input.or(Productions.INPUT_DELAY, 0.0) > 0
                    && !own.contains(input)
                    && scene.leads(
                            PointId.of(input.id()), PointId.of(finding.subject().outlet()))) {
                delay(input, -add);
            }
        }
    }

    private void delay(Element input, double by) {
        double wanted = Math.max(0, input.or(Productions.INPUT_DELAY, 0.0) + by);
        set(input, Productions.INPUT_DELAY, Math.round(wanted * STEP) / STEP);
    }

    /** What follows the default, set by name to the device that the default is now: all of it, and each alone. */
    private void byName() {
        Element machine = rig.get(first());
        Setting<?> role = Objects.requireNonNull(
                Catalogue.find(Kind.MACHINE, finding.subject().elements().getLast()));
        Direction direction = Machines.isForPlayback(role) ? Direction.PLAYBACK : Direction.RECORDING;
        String device = Choices.standing(rig, machine.id(), direction, Machines.isForCalls(role))
                .is();
        if (device.isEmpty()) {
            return;
        }
        List<Change> all = new ArrayList<>();
        for (Address at : finding.evidence().settings()) {
            Element follower = rig.get(at.element());
            Setting<?> setting = Catalogue.find(follower.kind(), at.key());
            if (setting != null && FOLLOWING.contains(follower.raw(setting))) {
                all.add(Objects.requireNonNull(Change.setRaw(rig, follower.id(), setting, Choice.to(device))));
            }
        }
        to.accept(all);
        all.forEach(one -> to.accept(List.of(one)));
    }

    /** Every output of an application, led to each device in turn. */
    private void outputs(Element application) {
        for (Element output : rig.in(application.id(), Kind.APP_OUTPUT)) {
            for (Element device : rig.of(Kind.DEVICE)) {
                if (device.get(Devices.DIRECTION) == Direction.PLAYBACK
                        && Objects.equals(device.get(Devices.MACHINE), application.get(Applications.MACHINE))) {
                    set(output, Applications.PROGRAM_CHOICE, Choice.to(device.id()));
                }
            }
        }
    }
}
