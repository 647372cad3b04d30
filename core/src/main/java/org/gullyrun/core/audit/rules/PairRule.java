package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.flow.route.Route;
import org.jspecify.annotations.Nullable;

/** A rule that looks at each pair of source and outlet, scene by scene, and makes one finding of a pair. */
abstract class PairRule implements Rule {

    /** How bad a cell is by this rule, or null if it is not concerned. */
    abstract @Nullable Severity judge(AuditContext context, SceneReading scene, CellReading cell);

    /** What is said, shown and stated of a pair, from its worst scene. */
    abstract Telling tell(AuditContext context, int scene, CellReading cell, String inScenes);

    /** What a finding adds to its subject and severity. */
    record Telling(Finding.Words words, Evidence evidence, List<Figure> figures) {}

    private record Hit(int scene, Severity severity) {}

    @Override
    public final List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        for (int s : context.troubled()) {
            List<Finding> kept = context.kept(this, s);
            if (kept != null) {
                findings.addAll(kept);
                continue;
            }
            for (int o = 0; o < context.outlets().size(); o++) {
                List<Hit> hits = new ArrayList<>();
                int[] starts = context.rowStarts(s); // between them one and the same row is shared
                for (int k = 0; k < starts.length; k++) {
                    SceneReading scene = context.scenes().get(starts[k]);
                    Severity severity = judge(context, scene, scene.cell(s, o));
                    int end = k + 1 < starts.length
                            ? starts[k + 1]
                            : context.scenes().size();
                    for (int i = starts[k]; severity != null && i < end; i++) {
                        hits.add(new Hit(i, severity));
                    }
                }
                if (!hits.isEmpty()) {
                    hits.sort(Comparator.comparing(Hit::severity).thenComparingInt(Hit::scene));
                    List<Integer> scenes = hits.stream().map(Hit::scene).toList();
                    int worst = scenes.getFirst();
                    CellReading cell = context.scenes().get(worst).cell(s, o);
                    Telling telling = tell(context, worst, cell, context.in(scenes));
                    findings.add(new Finding(
                            id(),
                            Finding.Subject.pair(
                                    cell.source().id(), cell.outlet().id()),
                            hits.getFirst().severity(),
                            scenes,
                            telling.words,
                            telling.evidence,
                            telling.figures,
                            Say.assumedBetween(
                                    context.scenes().get(worst).graph(),
                                    telling.evidence.routes().stream()
                                            .map(w -> w.in(
                                                    context.scenes().get(worst).graph()))
                                            .toList())));
                }
            }
        }
        return findings;
    }

    /** The strongest route first, then others in the order of search, at most {@code most}. */
    static Evidence routes(AuditContext context, int scene, CellReading cell, int most) {
        SceneReading reading = context.scenes().get(scene);
        List<Evidence.Trace> routes = new ArrayList<>();
        routes.add(reading.trace(Evidence.Form.ROUTE, cell.delivery().strongest()));
        for (Route route : reading.routes(cell, most).routes()) {
            Evidence.Trace trace = reading.trace(Evidence.Form.ROUTE, route.segments());
            if (routes.size() < most && !routes.contains(trace)) {
                routes.add(trace);
            }
        }
        return new Evidence(scene, routes, List.of());
    }
}
