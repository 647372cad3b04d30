package org.gullyrun.core.audit.rules;

import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Verdict;
import org.jspecify.annotations.Nullable;

/** Are there copies fainter than a double's, over a run without coupling? */
final class DoubleFaint extends PairRule {
    @Override
    public String id() {
        return "double.faint";
    }

    @Override
    public String question() {
        return "Does an outlet get one source once more, but faintly?";
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
                        source + " heard once more at " + outlet + ", faintly",
                        "A faint second copy of " + source + " gets to " + outlet + ".",
                        Say.sentence(
                                source + " at " + outlet + " once more, " + Say.of(below, "dB")
                                        + " below the strongest run",
                                inScenes),
                        "a second way is open, turned far down",
                        "Hardly noticed, unless somebody turns it up."),
                runs(context, scene, cell, 4),
                List.of(new Figure("copy below strongest", below, "dB")));
    }
}
