package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Thresholds;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.Figures;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.jspecify.annotations.Nullable;

/** Does a call's far end get its own voices? Takes the place of leak and double, whatever the brief says. */
final class LoopFarEnd extends PairRule {
    @Override
    public String id() {
        return "loop.far-end";
    }

    @Override
    public Topic topic() {
        return Topic.LOOP;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.TWICE, What.ECHO, What.HOWL, What.NOT_MEANT);
    }

    @Override
    public FixKind fixKind() {
        return FixKind.CANCEL_ECHO;
    }

    @Override
    public String question() {
        return "Do the people in a call hear themselves?";
    }

    @Override
    public String severity() {
        return "Critical down to {leak.minor}, major down to {far-end.major}, else minor; a note where it only comes through the air and the program cancels echo.";
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        if (!cell.ownVoice() || !cell.delivery().arrives()) {
            return null;
        }
        if (!cell.electric().arrives() && cancels(context, cell)) {
            return Severity.NOTE;
        }
        Thresholds t = context.thresholds();
        double strength = cell.delivery().strength();
        return Figures.reaches(strength, t.of(Threshold.LEAK_MINOR))
                ? Severity.CRITICAL
                : Figures.reaches(strength, t.of(Threshold.FAR_END_MAJOR)) ? Severity.MAJOR : Severity.MINOR;
    }

    /** Whether the call program removes its own echo. It does unless entered otherwise. */
    private static boolean cancels(AuditContext context, CellReading cell) {
        return context.rig()
                .find(cell.outlet().get(Outlets.APPLICATION), Kind.APPLICATION)
                .map(a -> a.is(Applications.CANCELS_ECHO, true))
                .orElse(true);
    }

    @Override
    Telling tell(AuditContext context, int scene, CellReading cell, String inScenes) {
        String outlet = cell.outlet().name();
        FlowGraph graph = context.scenes().get(scene).graph();
        double delay = cell.delivery().strongestDelay();
        boolean isPerson = !cell.outlet().or(Outlets.PERSONS, List.of()).isEmpty();
        String title =
                outlet + Say.verb(outlet, isPerson ? " hears their own voice" : " hears itself", " hear themselves");
        return new Telling(
                new Finding.Words(
                        title,
                        title + ", because " + why(graph, cell) + ".",
                        Say.sentence(
                                Say.route(graph, cell.delivery().strongest()),
                                inScenes + ":",
                                Say.of(cell.delivery().strength(), "dB") + ", " + Say.of(delay, "ms")
                                        + " here plus the network"),
                        "what the call plays comes back into its microphone",
                        cell.electric().arrives() || !cancels(context, cell)
                                ? "They hear themselves as an echo."
                                : "The call's own echo cancelling takes care of it."),
                routes(context, scene, cell, 4),
                List.of(
                        new Figure("strength", cell.delivery().strength(), "dB"),
                        new Figure("local delay", delay, "ms")));
    }

    /** What brings their sound back. */
    private static String why(FlowGraph graph, CellReading cell) {
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        List<Integer> route = cell.delivery().strongest();
        List<Spoken.Doing> doings = Spoken.doings(graph, route);
        if (doings.isEmpty()) {
            String back = Spoken.comesBack(graph, route);
            return back.isEmpty()
                    ? source + Say.verb(source, " goes ", " go ") + Say.through(graph, route) + " back into the call"
                    : back;
        }
        String what = source.equals(outlet) ? Say.verb(source, "its sound", "their voices") : source;
        Element by = doings.getLast().program();
        boolean alone = doings.stream().allMatch(doing -> doing.program().equals(by));
        return by.name() + " sends " + what + " back into the call: "
                + (alone
                        ? doings.stream()
                                .map(doing -> doing.part() + " " + doing.does())
                                .collect(Collectors.joining(", and "))
                        : Spoken.whole(doings));
    }
}
