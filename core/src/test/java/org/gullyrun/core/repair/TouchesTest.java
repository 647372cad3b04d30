package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.stream.IntStream;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What is held not to touch a cell makes no difference to it, whatever else is changed. */
@TakesLong
class TouchesTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static @Nullable Reading read(Reading start, List<Change> changes, int subset) {
        try {
            return AUDIT.read(
                    Changes.apply(
                            start.rig(),
                            IntStream.range(0, changes.size())
                                    .filter(c -> (subset & 1 << c) != 0)
                                    .mapToObj(changes::get)
                                    .toList()),
                    start.brief());
        } catch (Changes.Conflict e) {
            return null;
        }
    }

    @Test
    void aCellIsTheSameInTwoStatesThatDifferOnlyInChangesThatDoNotTouchIt() {
        int compared = 0;
        int apart = 0;
        for (int seed = 0; seed < RandomRigs.many(12, 800); seed++) {
            Rig rig = RandomRigs.of(seed);
            Brief brief = RandomRigs.brief(rig, new Random(seed));
            Reading start = AUDIT.read(rig, brief);
            Repair repair =
                    Objects.requireNonNull(new WholeRepair(AUDIT, null, start, Conditions.NONE, () -> false).best());
            List<Change> changes = repair.changes();
            int n = changes.size();
            if (n < 2 || n > 6 || changes.stream().anyMatch(Change.Add.class::isInstance)) {
                continue;
            }
            List<@Nullable Reading> states = IntStream.range(0, 1 << n)
                    .mapToObj(subset -> read(start, changes, subset))
                    .collect(ArrayList::new, ArrayList::add, ArrayList::addAll);
            if (states.contains(null)) {
                continue;
            }
            int all = (1 << n) - 1;
            Touches touches = Touches.of(
                    start,
                    Objects.requireNonNull(states.get(all)),
                    IntStream.range(0, n).mapToObj(c -> states.get(1 << c)).toList(),
                    IntStream.range(0, n)
                            .mapToObj(c -> states.get(all & ~(1 << c)))
                            .toList());
            for (int s = 0; s < rig.of(org.gullyrun.core.rig.Kind.SOURCE).size(); s++) {
                for (int o = 0; o < rig.of(org.gullyrun.core.rig.Kind.OUTLET).size(); o++) {
                    int own = touches.of(s, o);
                    apart += own == all ? 0 : 1;
                    for (int subset = 0; subset <= all; subset++) {
                        assertEquals(
                                Harm.Cell.of(Objects.requireNonNull(states.get(subset & own)), s, o),
                                Harm.Cell.of(Objects.requireNonNull(states.get(subset)), s, o),
                                "seed " + seed + ", " + s + " at " + o + " after " + subset + " of " + changes);
                        compared++;
                    }
                }
            }
            for (int subset = 0; subset <= all; subset++) {
                assertEquals(
                        Harm.Loops.of(Objects.requireNonNull(states.get(subset & touches.ofLoops()))
                                .scenes()),
                        Harm.Loops.of(Objects.requireNonNull(states.get(subset)).scenes()),
                        "seed " + seed + ", loops after " + subset + " of " + changes);
            }
        }
        assertTrue(
                compared > 200 && apart > 20, compared + " compared, " + apart + " cells that not all changes touch");
    }
}
