package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.Delivery;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;

/** Holds what arrives against the brief, cell by cell. */
final class CellReader {
    private final Rig rig;
    private final Wishes wishes;
    private final Thresholds thresholds;

    CellReader(Rig rig, Wishes wishes, Thresholds thresholds) {
        this.rig = rig;
        this.wishes = wishes;
        this.thresholds = thresholds;
    }

    List<CellReading> read(SceneReading scene) {
        FlowGraph graph = scene.graph();
        List<Element> outlets = rig.of(Kind.OUTLET);
        List<CellReading> cells = new ArrayList<>();
        for (Element source : rig.of(Kind.SOURCE)) {
            int s = graph.point(source.id());
            for (Element outlet : outlets) {
                int o = graph.point(outlet.id());
                Wishes.Counting counting = wishes.of(source, outlet, scene.key().scene());
                Delivery delivery = scene.deliveries().get(s, o);
                Delivery electric = scene.electric().get(s, o);
                boolean own = outlet.get(Outlets.SORT) == Outlets.Sort.FAR_END
                        && outlet.get(Outlets.APPLICATION) instanceof String application
                        && application.equals(source.get(Sources.AT));
                Verdict verdict = own && delivery.arrives()
                        ? Verdict.LEAK
                        : verdict(source, graph, counting.wish(), delivery, electric);
                cells.add(new CellReading(source, outlet, counting, delivery, electric, verdict, own));
            }
        }
        return List.copyOf(cells);
    }

    private Verdict verdict(Element source, FlowGraph graph, Wish wish, Delivery delivery, Delivery electric) {
        if (!delivery.arrives()) {
            return wish == Wish.MUST ? Verdict.MISSING : Verdict.NOTHING_DUE;
        }
        if (wish == Wish.NEVER) {
            return Verdict.LEAK;
        }
        if (wish == Wish.MUST
                && (delivery.strength() < thresholds.missingStrength()
                        || Sources.level(source) + delivery.strength() < thresholds.missingLevel())) {
            return Verdict.MISSING;
        }
        if (delivery.copyGain() >= delivery.strongestGain() - thresholds.copyWithin() - 1e-9) {
            return Verdict.DOUBLE;
        }
        boolean strongestInAir = delivery.strongest().stream().anyMatch(graph::isCoupling);
        return electric.runs() > (strongestInAir ? 0 : 1) ? Verdict.FAINT : Verdict.GOOD;
    }
}
