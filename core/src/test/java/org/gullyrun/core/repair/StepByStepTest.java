package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Orders step by step against trying every change that is left at every step, each rig read from scratch. */
class StepByStepTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Comparator<Harm> LEAST = Comparator.comparingInt(Harm::onAir)
            .thenComparingInt(Harm::buildingUp)
            .thenComparingInt(Harm::deaf)
            .thenComparingInt(Harm::missingLive)
            .thenComparingInt(Harm::otherLoops);

    /** How many steps of an order leave least wrong, of all that could come next. */
    private static int best(Reading start, List<Change> order) {
        int best = 0;
        Rig now = start.rig();
        for (int i = 0; i < order.size(); i++) {
            List<Harm> all = new ArrayList<>();
            for (Change next : order.subList(i, order.size())) {
                Harm harm = after(now, next, start.brief());
                if (harm != null) {
                    all.add(harm);
                }
            }
            now = Changes.apply(now, List.of(order.get(i)));
            Harm taken = Harm.of(AUDIT.read(now, start.brief()));
            best += all.stream().noneMatch(h -> LEAST.compare(h, taken) < 0) ? 1 : 0;
        }
        return best;
    }

    private static Harm after(Rig now, Change next, Brief brief) {
        try {
            return Harm.of(AUDIT.read(Changes.apply(now, List.of(next)), brief));
        } catch (Changes.Conflict e) {
            return null; // it refers to something that comes with another change
        }
    }

    private static List<Change> order(Reading start, List<Change> changes) {
        List<Change> order = new StepByStep(AUDIT, start, true, Change::element).order(changes);
        assertEquals(new HashSet<>(changes), new HashSet<>(order));
        return order;
    }

    /** Up to seven flags of different elements turned. */
    private static List<Change> turned(Rig rig, Random random) {
        List<Element> elements = new ArrayList<>(rig.elements());
        Collections.shuffle(elements, random);
        List<Change> turned = new ArrayList<>();
        for (Element element : elements) {
            for (String key : element.keys()) {
                Setting<?> setting = Objects.requireNonNull(Catalogue.find(element.kind(), key));
                if (element.raw(setting) instanceof Boolean flag) {
                    turned.add(Change.setRaw(rig, element.id(), setting, !flag));
                    break;
                }
            }
        }
        return turned.stream().limit(7).toList();
    }

    @Test
    void everyStepOfTheSampleShowsWayBackLeavesLeastWrong() {
        Case show = SampleShow.make();
        Rig found = show.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        List<Change> back = Changes.between(
                found, show.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig());
        Reading start = AUDIT.read(found, show.brief());
        assertEquals(back.size(), best(start, order(start, back)));
    }

    @TakesLong
    @Test
    void nearlyEveryStepOnRandomRigsLeavesLeastWrong() {
        int steps = 0;
        int best = 0;
        for (int seed = 0; seed < RandomRigs.many(40, 2000); seed++) {
            Rig rig = RandomRigs.of(seed);
            Reading reading = AUDIT.read(rig, RandomRigs.brief(rig, new Random(seed)));
            List<Change> changes = turned(rig, new Random(seed));
            steps += changes.size();
            best += best(reading, order(reading, changes));
        }
        assertTrue(best >= steps * 0.98 && steps > 50, best + " of " + steps + " steps");
    }
}
