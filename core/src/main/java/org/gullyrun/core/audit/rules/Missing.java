package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Does a must have no open route, or only one too faint? */
final class Missing implements Rule {
    /** So many switches are named. */
    private static final int MOST_SHUT = 3;

    @Override
    public String id() {
        return "missing";
    }

    @Override
    public Topic topic() {
        return Topic.MISSING;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.CHOICES;
    }

    @Override
    public String question() {
        return "Does somebody not hear what they should?";
    }

    @Override
    public String severity() {
        return "Critical at live and ears, else major. What is weaker than {missing.strength}, or below {missing.level}, counts as missing.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        return context.missing().stream()
                .filter(p -> p.everywhere() && !p.unexplained().isEmpty())
                .map(p -> finding(id(), context, p))
                .toList();
    }

    /** One finding of a must that does not arrive; {@link SceneGap} makes its own with it. */
    static Finding finding(String rule, AuditContext context, MissingPair pair) {
        int scene = pair.unexplained().getFirst();
        BlockedRoute route = Objects.requireNonNull(pair.routes().get(scene));
        CellReading cell = context.scenes().get(scene).cell(pair.row(), pair.column());
        String source = pair.source().name();
        String outlet = pair.outlet().name();
        String in = pair.everywhere() ? "" : " " + context.in(pair.absent());
        FlowGraph graph = context.scenes().get(scene).graph();
        WrongDevice wrong = cell.tooFaint()
                ? null
                : WrongDevice.of(context.scenes().get(scene), pair, route, hearer(pair.outlet()));
        String cause;
        if (cell.tooFaint()) {
            cause = Spoken.faint(graph, pair.source(), cell.delivery().strongest());
        } else if (wrong != null) {
            cause = wrong.why();
        } else if (!route.exists()) {
            cause = notConnected(context, context.scenes().get(scene), pair);
        } else {
            cause = Sentences.list(route.closed().stream().map(Gate::why).toList())
                    + (route.exact() ? "" : " (not fully worked out: another route may need fewer changes)");
        }
        List<Figure> figures = new ArrayList<>();
        if (cell.tooFaint()) {
            figures.add(new Figure("strength", cell.delivery().strength(), "dB"));
        }
        figures.add(new Figure("closed gates", route.closed().size(), ""));
        Outlets.Sort sort = pair.outlet().get(Outlets.SORT);
        boolean worst = sort == Outlets.Sort.LIVE || sort == Outlets.Sort.EARS;
        Evidence evidence;
        if (cell.tooFaint()) {
            evidence =
                    context.evidence(scene, Evidence.Form.ROUTE, cell.delivery().strongest());
        } else if (wrong != null) {
            evidence = new Evidence(
                    scene,
                    wrong.route().isEmpty()
                            ? List.of()
                            : context.evidence(scene, Evidence.Form.ROUTE, wrong.route())
                                    .routes(),
                    List.of(wrong.choice()));
        } else if (route.exists()) {
            evidence = context.evidence(scene, Evidence.Form.BLOCKED, route.segments());
        } else {
            evidence = new Evidence(scene, List.of(), setsOut(context.rig(), pair.source()));
        }
        Element unknown = unknownChoice(context.rig(), context.scenes().get(scene), pair);
        if (unknown != null && !cell.tooFaint()) {
            return question(rule, context, pair, unknown, evidence, in);
        }
        return new Finding(
                rule,
                Finding.Subject.pair(pair.source().id(), pair.outlet().id()),
                worst ? Severity.CRITICAL : Severity.MAJOR,
                pair.unexplained(),
                new Finding.Words(
                        cell.tooFaint()
                                ? source + Say.verb(source, " is", " are") + " far too quiet at " + outlet + in
                                : outlet + Say.verb(outlet, " doesn't hear ", " don't hear ") + source + in,
                        told(
                                pair,
                                cell.tooFaint(),
                                in,
                                wrong != null
                                        ? cause + (wrong.listens().isEmpty() ? "" : ", and " + wrong.listens())
                                        : cell.tooFaint() || route.exists() ? cause : elsewhere(context, pair, cause)),
                        Say.sentence(
                                (cell.tooFaint()
                                                ? source + " at " + outlet + " at only "
                                                        + Say.of(cell.delivery().strength(), "dB")
                                                : route.exists()
                                                        ? "No open route from " + source + " to " + outlet
                                                        : source + Say.verb(source, " isn't", " aren't")
                                                                + " connected to " + outlet)
                                        + in,
                                ": " + cause
                                        + (cell.tooFaint()
                                                ? shut(context.scenes().get(scene), cell)
                                                : "")),
                        cause,
                        sort == Outlets.Sort.EARS
                                ? hearer(pair.outlet()) + Say.verb(hearer(pair.outlet()), " doesn't", " don't")
                                        + " hear it."
                                : "Nobody hears it there."),
                evidence,
                figures,
                Say.assumed(context.scenes().get(scene).graph(), route.segments()));
    }

    /** Of what only comes through the air, the switches that would let it come properly: ". Strip Talk is not on bus Ears". */
    private static String shut(SceneReading scene, CellReading cell) {
        FlowGraph graph = scene.graph();
        List<Integer> route = cell.delivery().strongest();
        if (route.isEmpty() || route.stream().noneMatch(graph::isCoupling)) {
            return "";
        }
        List<String> gates = scene.shutBetween(graph.from(route.getFirst()), graph.to(route.getLast())).stream()
                .limit(MOST_SHUT)
                .map(Gate::why)
                .toList();
        return gates.isEmpty() ? "" : ". " + Sentences.capitalized(Sentences.list(gates));
    }

    /** Who doesn't hear it: the person who wears the ears, if it is known who. */
    private static String hearer(Element outlet) {
        String person = outlet.get(Outlets.SORT) == Outlets.Sort.EARS ? outlet.or(Outlets.PERSON, "") : "";
        return person.isEmpty() ? outlet.name() : person;
    }

    /** What is missing, or nearly, and why, to be read to the creator. */
    private static String told(MissingPair pair, boolean faint, String in, String why) {
        String source = pair.source().name();
        String hearer = hearer(pair.outlet());
        boolean isPerson = !hearer.equals(pair.outlet().name());
        return (isPerson
                        ? hearer + (faint ? " can hardly hear " : " can't hear ") + source
                        : faint
                                ? source + Say.verb(source, " reaches ", " reach ") + hearer + " far too quietly"
                                : source + Say.verb(source, " doesn't reach ", " don't reach ") + hearer)
                + in + ": " + why + ".";
    }

    /** Why a person doesn't hear what plays elsewhere: they listen on something else. As it was, where that isn't known. */
    private static String elsewhere(AuditContext context, MissingPair pair, String cause) {
        Rig rig = context.rig();
        String plays = Spoken.plays(rig, pair.source());
        String hearer = hearer(pair.outlet());
        Element worn = rig.find(Choices.listensOn(rig, pair.outlet()));
        return plays.isEmpty()
                        || worn == null
                        || worn.id().equals(Spoken.playedDevice(rig, pair.source()))
                        || hearer.equals(pair.outlet().name())
                ? cause
                : plays + ", and " + hearer + Say.verb(hearer, " listens on ", " listen on ") + worn.name();
    }

    /** The output of the source's program whose device isn't known yet, if any device would bring it to the listener. */
    private static @Nullable Element unknownChoice(Rig rig, SceneReading scene, MissingPair pair) {
        Element program = Sources.application(rig, pair.source());
        if (program == null) {
            return null;
        }
        Element unknown = rig.in(program.id(), Kind.APP_OUTPUT).stream()
                .filter(o -> o.isUnknown(Applications.PROGRAM_CHOICE) || o.isUnknown(Applications.SYSTEM_CHOICE))
                .findFirst()
                .orElse(null);
        boolean leads = unknown != null
                && rig.of(Kind.DEVICE).stream()
                        .filter(d -> d.get(Devices.DIRECTION) == Devices.Direction.PLAYBACK
                                && Objects.equals(d.get(Devices.MACHINE), program.get(Applications.MACHINE)))
                        .anyMatch(d -> scene.leads(
                                PointId.of(d.id()), PointId.of(pair.outlet().id())));
        return leads ? unknown : null;
    }

    /** A finding that would be gone for some value of a choice not yet known asks for that choice. */
    private static Finding question(
            String rule, AuditContext context, MissingPair pair, Element output, Evidence evidence, String in) {
        String source = pair.source().name();
        String outlet = pair.outlet().name();
        String program = context.rig().name(pair.source().or(Sources.AT, ""));
        Address choice = new Address(
                output.id(),
                (output.isUnknown(Applications.SYSTEM_CHOICE)
                                ? Applications.SYSTEM_CHOICE
                                : Applications.PROGRAM_CHOICE)
                        .key());
        return new Finding(
                rule,
                Finding.Subject.pair(pair.source().id(), pair.outlet().id()),
                Severity.MINOR,
                pair.unexplained(),
                new Finding.Words(
                        "Where does " + program + " play?",
                        "I don't know yet where " + program + " plays, so I can't say whether " + outlet
                                + Say.verb(outlet, " hears ", " hear ") + source + in + ".",
                        "The output of " + program + " isn't known. " + outlet + " should hear " + source + in + ".",
                        "an answer is missing",
                        "Nothing is certain until this is answered."),
                new Evidence(evidence.scene(), List.of(), List.of(choice)),
                List.of(),
                true);
    }

    /** Why not even closed gates lead there: where the sound goes instead. */
    private static String notConnected(AuditContext context, SceneReading scene, MissingPair pair) {
        Rig rig = context.rig();
        Element outlet = pair.outlet();
        boolean byDefault = outlet.get(Outlets.DEVICE) == Choice.Special.DEFAULT;
        if (byDefault && Choices.machineOf(rig, outlet) == null) {
            return outlet.name() + " listens on a default, but the computer isn't entered";
        }
        String plays = Spoken.plays(rig, pair.source());
        if (plays.isEmpty()) {
            WrongDevice other = WrongDevice.microphone(rig, pair);
            return other != null
                    ? other.why()
                    : rig.find(pair.source().get(Sources.AT), Kind.DEVICE)
                            .map(microphone -> "nothing that " + outlet.name()
                                    + Say.verb(outlet.name(), " hears", " hear") + " takes " + microphone.name())
                            .orElse("nothing leads there");
        }
        String device = Spoken.playedDevice(rig, pair.source());
        boolean heard = rig.of(Kind.OUTLET).stream().anyMatch(o -> scene.leads(PointId.of(device), PointId.of(o.id())));
        return plays + (heard ? ", which doesn't lead to " + outlet.name() : ", which no listener hears");
    }

    /** The settings that decide where a source sets out: outputs of its application, and the default if one goes there. */
    static List<Address> setsOut(Rig rig, Element source) {
        Element application = Sources.application(rig, source);
        List<Address> settings = new ArrayList<>();
        if (application != null) {
            for (Element output : Sources.outputs(rig, source)) {
                Choices.Going going = Choices.output(rig, application, output);
                settings.add(new Address(output.id(), going.decidedBy().key()));
                String machine = application.get(Applications.MACHINE);
                if (going.effective() == Choice.Special.DEFAULT && machine != null && rig.find(machine) != null) {
                    settings.add(new Address(machine, Machines.PLAYBACK.key()));
                }
            }
        }
        return settings.isEmpty() ? List.of(new Address(source.id(), Sources.AT.key())) : settings;
    }
}
