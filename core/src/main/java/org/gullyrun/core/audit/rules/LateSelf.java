package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Thresholds;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.flow.route.Figures;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Does a person hear their own voice late at their ears? */
final class LateSelf extends MustRule {
    @Override
    public String id() {
        return "late.self";
    }

    @Override
    public Topic topic() {
        return Topic.TIME;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.LATE, What.ECHO);
    }

    @Override
    public String question() {
        return "Does somebody hear their own voice late?";
    }

    @Override
    public String severity() {
        return "Minor above {self.minor}, major above {self.major}.";
    }

    @Override
    boolean concerns(CellReading cell) {
        String person = cell.outlet().or(Outlets.PERSON, "");
        return cell.delivery().arrives()
                && cell.outlet().get(Outlets.SORT) == Outlets.Sort.EARS
                && !person.isEmpty()
                && person.equals(cell.source().or(Sources.PERSON, ""));
    }

    @Override
    boolean applies(AuditContext context) {
        return context.outlets().stream()
                .anyMatch(o -> !o.or(Outlets.PERSON, "").isEmpty());
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        Thresholds t = context.thresholds();
        if (!Figures.reaches(cell.delivery().strength(), t.of(Threshold.LEAK_MINOR))) {
            return null;
        }
        double late = cell.delivery().strongestDelay();
        return late > t.of(Threshold.SELF_MAJOR) + 1e-9
                ? Severity.MAJOR
                : late > t.of(Threshold.SELF_MINOR) + 1e-9 ? Severity.MINOR : null;
    }

    @Override
    FindingBuilder tell(AuditContext context, int scene, CellReading cell, String inScenes, FindingBuilder told) {
        Delivery heard = cell.delivery();
        double late = heard.strongestDelay();
        String person = cell.outlet().or(Outlets.PERSON, "");
        FlowGraph graph = context.scenes().get(scene).graph();
        List<Spoken.Doing> doings = Spoken.doings(graph, heard.strongest());
        return told.title(person + " hears their own voice " + Say.of(late, "ms") + " late")
                .plain("Your own voice comes back late at " + cell.outlet().name() + ": "
                        + (doings.isEmpty() ? "it goes " + Say.through(graph, heard.strongest()) : Spoken.whole(doings))
                        + ".")
                .exact(
                        cell.source().name() + " at " + cell.outlet().name() + " after " + Say.of(late, "ms") + " at "
                                + Say.of(heard.strength(), "dB"),
                        inScenes)
                .cause("your microphone is on what you listen to, over a slow route")
                .noticed(
                        late > context.thresholds().of(Threshold.SELF_MAJOR)
                                ? "An echo of yourself that makes it hard to speak."
                                : "Your own voice sounds hollow.")
                .evidence(context.evidence(scene, Evidence.Form.ROUTE, heard.strongest()))
                .figure("delay", late, "ms")
                .figure("strength", heard.strength(), "dB");
    }
}
