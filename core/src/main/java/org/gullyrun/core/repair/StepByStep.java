package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.fix.SideEffects;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Kind;
import org.jspecify.annotations.Nullable;

/**
 * An order in which the next change is always the one that leaves least wrong; of equals one in the same program.
 *
 * <p>What a change does is only looked at again once another was made that does something about the same sources or ears. Of
 * dozens of changes, most have nothing to do with each other. Cost: two readings for each change, and one more for each that is
 * looked at again.
 */
final class StepByStep {
    /** The harms that several sources do together: loops that build up, ears that hear nothing, other loops. */
    private static final List<Integer> TOGETHER = List.of(1, 2, 4);

    private final Audit audit;
    private final Reading start;
    private final boolean onAir;
    private final Function<Change, String> program;

    /**
     * Orders changes of a rig.
     *
     * @param onAir whether the show is on air
     * @param program where a change is made
     */
    StepByStep(Audit audit, Reading start, boolean onAir, Function<Change, String> program) {
        this.audit = audit;
        this.start = start;
        this.onAir = onAir;
        this.program = program;
    }

    /**
     * What a change does.
     *
     * @param less by sort of harm, the worst first, how much less goes wrong; negative where more does
     * @param sources the sources of which anything differs, by their places
     */
    private record Effect(int[] less, BitSet sources) {
        boolean isBetterThan(Effect other) {
            for (int i = 0; i < less.length; i++) {
                if (less[i] != other.less[i]) {
                    return less[i] > other.less[i];
                }
            }
            return false;
        }

        /** Whether another change may do something else once this one has been made; what does nothing yet may prepare it. */
        boolean matters(Effect other) {
            return sources.isEmpty()
                    || other.sources.isEmpty()
                    || sources.intersects(other.sources)
                    || TOGETHER.stream().anyMatch(i -> less[i] != 0 && other.less[i] != 0);
        }
    }

    /** The changes in order; those that only fit all at once come last. */
    List<Change> order(List<Change> changes) {
        List<Change> left = new ArrayList<>(changes);
        List<Change> order = new ArrayList<>();
        Map<Change, Effect> known = new HashMap<>();
        Reading now = start;
        String in = "";
        while (!left.isEmpty()) {
            for (Change change : left) {
                Reading after = known.containsKey(change) ? null : made(now, change);
                if (after != null) {
                    known.put(change, effect(now, after));
                }
            }
            Change best = best(left, known, in);
            Reading after = best == null ? null : made(now, best);
            if (best == null || after == null) {
                order.addAll(left);
                break;
            }
            Effect made = effect(now, after);
            left.remove(best);
            order.add(best);
            known.values().removeIf(made::matters);
            now = after;
            in = program.apply(best);
        }
        return order;
    }

    private @Nullable Change best(List<Change> left, Map<Change, Effect> known, String in) {
        Change best = null;
        Effect most = null;
        for (Change change : left) {
            Effect effect = known.get(change);
            if (effect != null
                    && (most == null
                            || effect.isBetterThan(most)
                            || !most.isBetterThan(effect) && isIn(in, change) && !isIn(in, best))) {
                best = change;
                most = effect;
            }
        }
        return best;
    }

    private boolean isIn(String in, @Nullable Change change) {
        return change != null && program.apply(change).equals(in);
    }

    private @Nullable Reading made(Reading now, Change change) {
        try {
            return audit.read(now, List.of(change));
        } catch (Changes.Conflict e) {
            return null;
        }
    }

    private Effect effect(Reading now, Reading after) {
        int[] before = figures(now);
        int[] then = figures(after);
        boolean comparable = SideEffects.comparable(now, after);
        BitSet differing = new BitSet();
        for (int s = 0; s < now.rig().of(Kind.SOURCE).size(); s++) {
            differing.set(s, !comparable || SideEffects.differing(now, after, s).length > 0);
        }
        return new Effect(
                IntStream.range(0, before.length).map(i -> before[i] - then[i]).toArray(), differing);
    }

    private int[] figures(Reading of) {
        Harm harm = onAir ? Harm.of(of) : Harm.of(of).offAir();
        return new int[] {harm.onAir(), harm.buildingUp(), harm.deaf(), harm.missingLive(), harm.otherLoops()};
    }
}
