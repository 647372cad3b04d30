package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.flow.SceneKey;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Rig;

/**
 * Reads a rig: compiles every scene, works out deliveries and loops, and puts all rules to them.
 *
 * <p>Needs: rig, brief, thresholds, rules. Gives: a {@link Reading}. Cost: for each scene what {@code flow} says, and
 * one pass over sources × outlets for each rule.
 */
public final class Audit {
    private final Thresholds thresholds;
    private final List<Rule> rules;

    public Audit(Thresholds thresholds, List<? extends Rule> rules) {
        this.thresholds = thresholds;
        this.rules = List.copyOf(rules);
    }

    /** Reads a rig against a brief. The same rig and brief give the same reading, always. */
    public Reading read(Rig rig, Brief brief) {
        Wishes wishes = new Wishes(rig, brief);
        CellReader reader = new CellReader(rig, wishes, thresholds);
        List<SceneReading> scenes = SceneKey.axis(rig).stream()
                .map(key -> new SceneReading(FlowGraph.of(rig, key), reader))
                .toList();
        AuditContext context = new AuditContext(rig, wishes, thresholds, scenes);
        List<Finding> findings = new ArrayList<>();
        for (Rule rule : rules) {
            findings.addAll(rule.check(context));
        }
        List<String> order = rules.stream().map(Rule::id).toList();
        findings.sort(Comparator.comparing(Finding::severity)
                .thenComparingInt(f -> order.indexOf(f.rule()))
                .thenComparing(f -> f.subject().text(), Ids.ORDER));
        return new Reading(rig, brief, wishes, scenes, findings);
    }
}
