package org.gullyrun.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.junit.jupiter.api.Test;

class RowOrderTest {
    private static List<String> ids(Rig rig) {
        return rig.of(Kind.SOURCE).stream().map(Element::id).toList();
    }

    @Test
    void groupingPutsClassesTogetherAndKeepsTheOrderWithinThem() {
        int moved = 0;
        for (long seed = 0; seed < 300; seed++) {
            Rig rig = RandomRigs.of(seed);
            Rig grouped = Changes.apply(rig, RowOrder.groupedByClass(rig));
            Set<Object> closed = new HashSet<>();
            Object now = null;
            for (Element source : grouped.of(Kind.SOURCE)) {
                Object its = source.get(Sources.CLASS);
                if (its != now) {
                    assertTrue(closed.add(its), "seed " + seed + ": " + its + " comes twice");
                    now = its;
                }
            }
            for (Object its : closed) {
                assertEquals(of(rig, its), of(grouped, its), "seed " + seed);
            }
            assertEquals(List.of(), RowOrder.groupedByClass(grouped), "once is enough");
            moved += ids(rig).equals(ids(grouped)) ? 0 : 1;
        }
        assertTrue(moved > 20, "rigs in which something moved: " + moved);
    }

    private static List<String> of(Rig rig, Object its) {
        return rig.of(Kind.SOURCE).stream()
                .filter(s -> s.get(Sources.CLASS) == its)
                .map(Element::id)
                .toList();
    }

    @Test
    void aRowMovesByOneAndNothingElseChangesItsOrder() {
        for (long seed = 0; seed < 100; seed++) {
            Rig rig = RandomRigs.of(seed);
            List<Element> sources = rig.of(Kind.SOURCE);
            for (int i = 0; i < sources.size(); i++) {
                List<String> wanted = new ArrayList<>(ids(rig));
                Rig down = Changes.apply(rig, RowOrder.moved(rig, sources.get(i), 1));
                if (i + 1 < sources.size()) {
                    wanted.add(i + 1, wanted.remove(i));
                }
                assertEquals(wanted, ids(down), "seed " + seed + " row " + i);
            }
        }
    }
}
