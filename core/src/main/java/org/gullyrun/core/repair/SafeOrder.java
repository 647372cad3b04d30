package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.jspecify.annotations.Nullable;

/**
 * The order in which changes go wrong least in between.
 *
 * <p>Needs: a reading and changes that fit it. Gives: of all orders one whose states in between have, summed over them, the
 * fewest forbidden sources on air, then the fewest loops that build up, deaf ears, required sources missing live, other loops;
 * then the fewest changes of program from one step to the next; then by ids. What was wrong from the start counts for every step
 * that it lasts, so what is dangerous goes first. What is added comes before what refers to it.
 *
 * <p>Exact up to {@value #MOST_EXACT} changes: the travelling salesman's dynamic programming over subsets (Held and Karp, A
 * dynamic programming approach to sequencing problems, 1962). A cell depends only on the changes that can touch it
 * ({@link Touches}), so it is read once for each subset of those. Beyond that the next step is always the one that does best at
 * once ({@link StepByStep}). Cost: 2ⁿ · n² comparisons, and a reading for each subset of changes that touch something together.
 */
public final class SafeOrder {
    /** So many changes are ordered exactly. */
    public static final int MOST_EXACT = 14;
    /** Of changes that all touch one cell, so many at most are tried in all subsets. */
    private static final int MOST_TOGETHER = 10;

    /**
     * Changes in an order.
     *
     * @param changes the changes, the first to be made first
     * @param exact whether no order is better
     */
    public record Order(List<Change> changes, boolean exact) {
        public Order {
            changes = List.copyOf(changes);
        }
    }

    private final Audit audit;
    private final Reading start;
    private final List<Change> changes;
    private final boolean onAir;
    /** For each change those that have to be made before it, as bits. */
    private final int[] first;

    private final Map<Integer, Reading> readings = new HashMap<>();

    private SafeOrder(Audit audit, Reading start, List<Change> changes, boolean onAir) {
        this.audit = audit;
        this.start = start;
        this.changes = changes;
        this.onAir = onAir;
        this.first = new int[changes.size()];
    }

    /** Orders changes by ids only: how they are numbered, so that the same changes always give the same order. */
    private static List<Change> numbered(List<Change> changes) {
        return changes.stream()
                .sorted((a, b) -> Ids.ORDER.compare(
                        Conditions.about(a).toString(), Conditions.about(b).toString()))
                .toList();
    }

    /**
     * Orders changes.
     *
     * @param onAir whether the show is on air: off air only loops and deaf ears count
     */
    public static Order of(Audit audit, Reading start, List<Change> changes, boolean onAir) {
        List<Change> numbered = numbered(changes);
        if (numbered.size() < 2) {
            return new Order(numbered, true);
        }
        SafeOrder search = new SafeOrder(audit, start, numbered, onAir);
        if (numbered.size() <= Integer.SIZE - 2) {
            search.findFirsts();
        }
        Order exact = numbered.size() <= MOST_EXACT ? search.exact() : null;
        return exact != null
                ? exact
                : new Order(new StepByStep(audit, start, onAir, search::in).order(numbered), false);
    }

    /** Finds what each change needs: what doesn't fit alone comes after everything that is added. */
    private void findFirsts() {
        int adds = 0;
        for (int c = 0; c < changes.size(); c++) {
            adds |= changes.get(c) instanceof Change.Add ? 1 << c : 0;
        }
        for (int c = 0; c < changes.size(); c++) {
            if (adds != 0 && read(1 << c) == null) {
                first[c] = adds & ~(1 << c);
            }
        }
    }

    /** The rig with a subset of the changes, read; null if they don't fit without others. */
    private @Nullable Reading read(int subset) {
        if (subset == 0) {
            return start;
        }
        Reading known = readings.get(subset);
        if (known == null) {
            try {
                known = audit.read(start, members(subset));
            } catch (Changes.Conflict e) {
                return null;
            }
            readings.put(subset, known);
        }
        return known;
    }

    private List<Change> members(int subset) {
        return IntStream.range(0, changes.size())
                .filter(c -> (subset & 1 << c) != 0)
                .mapToObj(changes::get)
                .toList();
    }

    /** A subset with all that its changes need. */
    private int complete(int subset) {
        int all = subset;
        for (int c = 0; c < changes.size(); c++) {
            all |= (subset & 1 << c) != 0 ? first[c] : 0;
        }
        return all;
    }

    /** The best order of all, or null if too many changes touch one thing. */
    private @Nullable Order exact() {
        int n = changes.size();
        int all = (1 << n) - 1;
        Reading end = read(all);
        if (end == null) {
            return null;
        }
        List<@Nullable Reading> alone = new ArrayList<>();
        List<@Nullable Reading> without = new ArrayList<>();
        for (int c = 0; c < n; c++) {
            alone.add(read(complete(1 << c)));
            without.add(read(all & ~(1 << c)));
        }
        Touches touches = Touches.of(start, end, alone, without);
        int[][] costs = costs(touches);
        return costs == null ? null : new Order(new HeldKarp(costs, first, programs()).order(changes), true);
    }

    /** Where each change is made, as numbers. */
    private int[] programs() {
        List<String> names = changes.stream().map(this::in).toList();
        return names.stream().mapToInt(names::indexOf).toArray();
    }

    /** What goes wrong after each subset of the changes, by sort of harm; null if that would take too many readings. */
    private int @Nullable [] @Nullable [] costs(Touches touches) {
        int n = changes.size();
        List<Element> sources = start.rig().of(Kind.SOURCE);
        List<Element> outlets = start.rig().of(Kind.OUTLET);
        int[][] costs = new int[5][1 << n];
        for (int o = 0; o < outlets.size(); o++) {
            boolean ears = Harm.isPerson(outlets.get(o));
            boolean live = Harm.isLive(outlets.get(o));
            long[] nothing = new long[1 << n];
            long[] due = new long[1 << n];
            Arrays.fill(nothing, -1L);
            for (int s = 0; s < sources.size(); s++) {
                int own = complete(touches.of(s, o));
                if (Integer.bitCount(own) > MOST_TOGETHER) {
                    return null;
                }
                Map<Integer, Harm.Cell> table = new HashMap<>();
                for (int subset = 0; subset < 1 << n; subset++) {
                    Harm.Cell cell = cell(table, subset & own, s, o);
                    if (cell == null) {
                        continue; // no such state: something comes before what it refers to
                    }
                    costs[0][subset] += cell.onAir() != 0 ? 1 : 0;
                    costs[3][subset] += live && cell.missing() != 0 ? 1 : 0;
                    nothing[subset] &= cell.missing() | ~cell.due();
                    due[subset] |= cell.due();
                }
            }
            for (int subset = 0; ears && subset < 1 << n; subset++) {
                costs[2][subset] += (nothing[subset] & due[subset]) != 0 ? 1 : 0;
            }
        }
        return loops(touches, costs) ? counting(costs) : null;
    }

    private Harm.@Nullable Cell cell(Map<Integer, Harm.Cell> table, int subset, int source, int outlet) {
        Harm.Cell known = table.get(subset);
        if (known == null) {
            Reading reading = read(subset);
            if (reading == null) {
                return null;
            }
            known = Harm.Cell.of(reading, source, outlet);
            table.put(subset, known);
        }
        return known;
    }

    /** Adds the loops after each subset; whether that took few enough readings. */
    private boolean loops(Touches touches, int[][] costs) {
        int own = complete(touches.ofLoops());
        if (Integer.bitCount(own) > MOST_TOGETHER) {
            return false;
        }
        Map<Integer, Harm.Loops> table = new HashMap<>();
        for (int subset = 0; subset < costs[0].length; subset++) {
            Reading reading = read(subset & own);
            if (reading != null) {
                Harm.Loops loops = table.computeIfAbsent(subset & own, x -> Harm.Loops.of(reading.scenes()));
                costs[1][subset] = loops.buildingUp();
                costs[4][subset] = loops.others();
            }
        }
        return true;
    }

    /** Off air nobody outside hears anything. */
    private int[][] counting(int[][] costs) {
        if (!onAir) {
            Arrays.fill(costs[0], 0);
            Arrays.fill(costs[3], 0);
        }
        return costs;
    }

    /** The program or device that a change is made in, by its id. */
    private String in(Change change) {
        Element element =
                change instanceof Change.Add add ? add.what() : start.rig().find(change.element());
        return element == null ? "" : start.rig().program(element).id();
    }
}
