package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.flow.route.Figures;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Holds what arrives against the brief, cell by cell. */
final class CellReader {
    private final Rig rig;
    private final Wishes wishes;
    private final Thresholds thresholds;
    /** The listeners that others stand in for. */
    private final Set<String> standIns;
    /** Rows that several scenes shared and share again, with other numbers of segments. */
    private final Map<SourceRow, SourceRow> renumbered = new IdentityHashMap<>();

    /** Reads cells of a rig by a brief. */
    CellReader(Rig rig, Wishes wishes, Thresholds thresholds) {
        this.rig = rig;
        this.wishes = wishes;
        this.thresholds = thresholds;
        this.standIns = rig.of(Kind.OUTLET).stream()
                .map(outlet -> outlet.get(Outlets.STANDS_IN))
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
    }

    /** What counts in a scene. */
    Wishes.Counting[][] wished(SceneKey key) {
        return wishes.table(key.scene());
    }

    /** All rows of a scene; those of another reading are taken over where nothing that they rest on differs. */
    List<SourceRow> read(SceneReading scene, @Nullable SceneReading before) {
        FlowGraph graph = scene.graph();
        List<Element> sources = rig.of(Kind.SOURCE);
        List<Element> outlets = rig.of(Kind.OUTLET);
        int[] places = scene.deliveries().placesInRow(scene.outletPoints());
        Wishes.Counting[][] wished = scene.wished();
        if (before != null
                && before.graph().rig() == rig
                && before.flow().isLike(scene.flow())
                && before.wished() == wished) {
            return before.rows();
        }
        List<SourceRow> rows = new ArrayList<>(sources.size());
        boolean alike = before != null
                && before.rows().size() == sources.size()
                && SceneReading.areSame(before.graph().rig().of(Kind.OUTLET), outlets);
        Wishes.Counting[][] wishedBefore = before == null ? wished : before.wished();
        for (int s = 0; s < sources.size(); s++) {
            int point = scene.sourcePoints()[s];
            SourceRow same = null; // but for the numbers of segments
            if (alike && before != null) {
                SourceRow known = before.rows().get(s);
                if (known.source() == sources.get(s)
                        && (wishedBefore[s] == wished[s] || Arrays.equals(wishedBefore[s], wished[s]))
                        && isSame(scene, point, before, before.sourcePoints()[s])) {
                    if (shares(scene, point, before, before.sourcePoints()[s])) {
                        rows.add(known);
                        continue;
                    }
                    same = known;
                }
            }
            Delivery[] arriving = scene.deliveries().row(point);
            Delivery[] byWire = scene.electric().row(point);
            SourceRow again = same == null ? null : renumbered.get(same);
            if (again != null && isOver(again, places, arriving, byWire)) {
                rows.add(again);
                continue;
            }
            List<CellReading> cells = new ArrayList<>(places.length);
            for (int o = 0; o < places.length; o++) {
                Delivery delivery = arriving[places[o]];
                Delivery electric = byWire[places[o]];
                cells.add(
                        same == null
                                ? cell(graph, sources.get(s), outlets.get(o), wished[s][o], delivery, electric)
                                : same.cells().get(o).over(delivery, electric));
            }
            if (same == null) {
                standIn(graph, cells);
                rows.add(new SourceRow(sources.get(s), cells));
            } else {
                SourceRow row = new SourceRow(sources.get(s), List.copyOf(cells), same.troubled());
                renumbered.put(same, row);
                rows.add(row);
            }
        }
        return rows;
    }

    /** Whether a row is about these very deliveries: scenes that shared a row may be numbered each in its own way now. */
    private static boolean isOver(SourceRow row, int[] places, Delivery[] arriving, Delivery[] byWire) {
        for (int o = 0; o < places.length; o++) {
            CellReading cell = row.cells().get(o);
            if (cell.delivery() != arriving[places[o]] || cell.electric() != byWire[places[o]]) {
                return false;
            }
        }
        return true;
    }

    /** A must is met where one of the listeners that stand in for each other gets the source: at the others it may be. */
    private void standIn(FlowGraph graph, List<CellReading> cells) {
        if (standIns.isEmpty()) {
            return;
        }
        Set<String> met = new HashSet<>();
        for (CellReading cell : cells) {
            boolean may = cell.wish() != Wish.NEVER && !cell.ownVoice();
            if (may && cell.delivery().arrives() && !isTooFaint(cell.source(), cell.delivery())) {
                met.add(Outlets.standsFor(cell.outlet()));
            }
        }
        cells.replaceAll(cell -> cell.verdict() == Verdict.MISSING
                        && standIns.contains(Outlets.standsFor(cell.outlet()))
                        && met.contains(Outlets.standsFor(cell.outlet()))
                ? cell.judged(verdict(cell.source(), graph, Wish.MAY, cell.delivery(), cell.electric()))
                : cell);
    }

    /** Whether something required arrives, but so faintly that it counts as missing. */
    private boolean isTooFaint(Element source, Delivery delivery) {
        return !Figures.reaches(delivery.strength(), thresholds.of(Threshold.MISSING_STRENGTH))
                || !Figures.reaches(
                        Sources.level(source) + delivery.strength(), thresholds.of(Threshold.MISSING_LEVEL));
    }

    /** Whether deliveries of a source are equal in two scenes, with and without the air. */
    private static boolean isSame(SceneReading scene, int point, SceneReading before, int pointBefore) {
        return scene.deliveries().isSameRow(point, before.deliveries(), pointBefore)
                && scene.electric().isSameRow(point, before.electric(), pointBefore);
    }

    /** Whether deliveries of a source are the very same objects in two scenes. */
    private static boolean shares(SceneReading scene, int point, SceneReading before, int pointBefore) {
        return scene.deliveries().sharesRow(point, before.deliveries(), pointBefore)
                && scene.electric().sharesRow(point, before.electric(), pointBefore);
    }

    /** One pair of source and listener: what the brief wants, what arrives, and what follows from both. */
    private CellReading cell(
            FlowGraph graph,
            Element source,
            Element outlet,
            Wishes.Counting counting,
            Delivery delivery,
            Delivery electric) {
        boolean own = Outlets.hearsItself(rig, outlet, source);
        Verdict verdict =
                own && delivery.arrives() ? Verdict.LEAK : verdict(source, graph, counting.wish(), delivery, electric);
        return new CellReading(source, outlet, counting, delivery, electric, verdict, own);
    }

    /** The worst of what can be said of a cell: missing comes before leak, leak before double, double before good. */
    private Verdict verdict(Element source, FlowGraph graph, Wish wish, Delivery delivery, Delivery electric) {
        if (!delivery.arrives()) {
            return wish == Wish.MUST ? Verdict.MISSING : Verdict.NOTHING_DUE;
        }
        if (wish == Wish.NEVER) {
            return Verdict.LEAK;
        }
        if (wish == Wish.MUST && isTooFaint(source, delivery)) {
            return Verdict.MISSING;
        }
        if (delivery.copyGain() >= delivery.strongestGain() - thresholds.of(Threshold.COPY_WITHIN) - 1e-9) {
            return Verdict.DOUBLE;
        }
        boolean strongestInAir =
                delivery != electric && delivery.strongest().stream().anyMatch(graph::isCoupling);
        return electric.routes() > (strongestInAir ? 0 : 1) ? Verdict.FAINT : Verdict.GOOD;
    }
}
