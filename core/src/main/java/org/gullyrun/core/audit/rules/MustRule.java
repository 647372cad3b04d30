package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.brief.Wish;
import org.jspecify.annotations.Nullable;

/** A rule that looks at each cell in which something arrives, scene by scene, and makes one finding of a pair. */
abstract class MustRule implements Rule {

    /** How bad a cell is by this rule, or null if it is not concerned; asked only where a must arrives. */
    abstract @Nullable Severity judge(AuditContext context, SceneReading scene, CellReading cell);

    /** Says what there is to say of a pair, from its worst scene. */
    abstract FindingBuilder tell(
            AuditContext context, int scene, CellReading cell, String inScenes, FindingBuilder told);

    @Override
    public final List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        if (!applies(context)) {
            return findings;
        }
        for (int s = 0; s < context.sources().size(); s++) {
            List<Finding> kept = context.kept(this, s);
            if (kept != null) {
                findings.addAll(kept);
                continue;
            }
            for (int o = 0; o < context.outlets().size(); o++) {
                Severity worst = null;
                List<Integer> places = new ArrayList<>();
                Severity severity = null;
                for (int i = 0; i < context.scenes().size(); i++) {
                    SceneReading scene = context.scenes().get(i);
                    if (!context.isAsBefore(i)) {
                        CellReading cell = scene.cell(s, o);
                        severity = concerns(cell) ? judge(context, scene, cell) : null;
                    }
                    if (severity != null) {
                        if (worst == null || severity.compareTo(worst) < 0) {
                            worst = severity;
                            places.addFirst(i);
                        } else {
                            places.add(i);
                        }
                    }
                }
                if (worst != null) {
                    int at = places.getFirst();
                    CellReading cell = context.scenes().get(at).cell(s, o);
                    FindingBuilder told = FindingBuilder.pair(id(), worst, cell.source(), cell.outlet())
                            .in(places);
                    findings.add(tell(context, at, cell, context.in(places), told)
                            .assumed(Say.assumed(
                                    context.scenes().get(at).graph(),
                                    cell.delivery().strongest()))
                            .made());
                }
            }
        }
        return findings;
    }

    /** Whether there is anything in the rig or brief that the rule could be about. */
    abstract boolean applies(AuditContext context);

    /** Whether a cell is looked at: a must that arrives, unless a rule says otherwise. */
    boolean concerns(CellReading cell) {
        return cell.wish() == Wish.MUST && cell.delivery().arrives();
    }
}
