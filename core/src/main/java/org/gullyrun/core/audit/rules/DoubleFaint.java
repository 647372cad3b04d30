package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Complaint.What;
import org.jspecify.annotations.Nullable;

/** Are there copies fainter than a double's, over a route without coupling? */
final class DoubleFaint extends PairRule {
    @Override
    public String id() {
        return "double.faint";
    }

    @Override
    public Topic topic() {
        return Topic.DOUBLE;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.TWICE, What.ECHO);
    }

    @Override
    public String question() {
        return "Does a listener hear a faint second copy of a source?";
    }

    @Override
    public String severity() {
        return "A note.";
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        return cell.verdict() == Verdict.FAINT ? Severity.NOTE : null;
    }

    @Override
    Telling tell(AuditContext context, int scene, CellReading cell, String inScenes) {
        double below = cell.delivery().strongestGain() - cell.delivery().copyGain();
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        return new Telling(
                new Finding.Words(
                        outlet + " also " + Say.verb(outlet, "hears", "hear") + " a faint copy of " + source,
                        "A faint second copy of " + source + " reaches " + outlet + ".",
                        Say.sentence(
                                "A second copy of " + source + " at " + outlet + ", " + Say.of(below, "dB")
                                        + " below the strongest route",
                                inScenes),
                        "a second route is open, turned far down",
                        "Hardly anything, unless somebody turns it up."),
                routes(context, scene, cell, 4),
                List.of(new Figure("copy below strongest", below, "dB")));
    }
}
