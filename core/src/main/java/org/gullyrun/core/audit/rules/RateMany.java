package org.gullyrun.core.audit.rules;

import java.util.HashSet;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.jspecify.annotations.Nullable;

/** Is a must converted more than twice on its way? */
final class RateMany extends MustRule {
    @Override
    public String id() {
        return "rate.many";
    }

    @Override
    public Topic topic() {
        return Topic.RATE;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.ONE_RATE;
    }

    @Override
    public String question() {
        return "Is something resampled again and again along its route?";
    }

    @Override
    public String severity() {
        return "A note above {rate.many} conversions.";
    }

    /** How often the strongest route changes between known rates. */
    private static long conversions(SceneReading scene, CellReading cell) {
        return cell.delivery().strongest().stream()
                .filter(scene.graph()::converts)
                .count();
    }

    @Override
    boolean applies(AuditContext context) {
        Set<Double> rates = new HashSet<>();
        context.rig().of(Kind.DEVICE).forEach(d -> rates.add(d.get(Devices.RATE)));
        context.rig().of(Kind.MIXER).forEach(m -> rates.add(m.get(Mixers.RATE)));
        context.rig().of(Kind.PRODUCTION).forEach(p -> rates.add(p.get(Productions.RATE)));
        rates.remove(null);
        return rates.size() > 1;
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        return conversions(scene, cell) > context.thresholds().of(Threshold.CONVERSIONS) ? Severity.NOTE : null;
    }

    @Override
    FindingBuilder tell(AuditContext context, int scene, CellReading cell, String inScenes, FindingBuilder told) {
        long count = conversions(context.scenes().get(scene), cell);
        return told.title(cell.source().name() + Say.verb(cell.source().name(), " is", " are") + " resampled " + count
                        + " times on the route to " + cell.outlet().name())
                .plain(cell.source().name() + Say.verb(cell.source().name(), " changes", " change") + " sample rate "
                        + count + " times on the route to " + cell.outlet().name() + ".")
                .exact(
                        count + " conversions on the strongest route from "
                                + cell.source().name() + " to " + cell.outlet().name(),
                        inScenes)
                .cause("devices along the route are set to different rates")
                .noticed("Nothing by itself; each conversion adds some delay.")
                .evidence(context.evidence(
                        scene, Evidence.Form.ROUTE, cell.delivery().strongest()))
                .figure("conversions", count, "");
    }
}
