package org.gullyrun.benchmarks;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WholeRepair;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;

/**
 * What came of planting four faults at once and repairing the whole, without knowing how the rig was.
 *
 * @param title of the rig
 * @param planted so many times
 * @param whole after so many repairs nothing serious was left that wasn't there before
 * @param few so many of these took no more changes than there were faults
 * @param added in so many something was added to the rig, an input for example
 */
record SeveralFaults(String title, int planted, int whole, int few, int added) {
    private static final int AT_ONCE = 4;
    private static final int TIMES = 25;
    private static final long SEED = 7;

    /** Plants faults that each cause something serious alone, of as many elements, and repairs what they cause together. */
    static SeveralFaults repaired(String title, Audit audit, Reading well, List<Change.Set> serious) {
        Set<String> before = bad(well);
        Random random = new Random(SEED);
        int whole = 0;
        int few = 0;
        int added = 0;
        for (int i = 0; i < TIMES; i++) {
            Reading reading = audit.read(Changes.apply(well.rig(), draw(serious, random)), well.brief());
            Repair repair = Objects.requireNonNull(
                    new WholeRepair(audit, null, reading, Conditions.NONE, () -> false).best(), "it isn't cancelled");
            boolean isWhole = before.containsAll(bad(repair.after()));
            whole += isWhole ? 1 : 0;
            few += isWhole && repair.changes().size() <= AT_ONCE ? 1 : 0;
            added += repair.changes().stream().allMatch(Change.Set.class::isInstance) ? 0 : 1;
        }
        return new SeveralFaults(title, TIMES, whole, few, added);
    }

    private static Set<String> bad(Reading of) {
        return of.bad().stream().map(Finding::identity).collect(Collectors.toSet());
    }

    private static List<Change.Set> draw(List<Change.Set> serious, Random random) {
        List<Change.Set> faults = new ArrayList<>();
        Set<String> elements = new HashSet<>();
        while (faults.size() < AT_ONCE) {
            Change.Set fault = serious.get(random.nextInt(serious.size()));
            if (elements.add(fault.element())) {
                faults.add(fault);
            }
        }
        return faults;
    }

    /** All as a section of the page. */
    static String table(List<SeveralFaults> all) {
        StringBuilder table = new StringBuilder("""

                ## Four at a time, the whole repaired

                Four faults that each cause something serious alone are planted together. A repair is whole where nothing serious is left.

                | rig | planted | repaired whole | with at most four changes | something added |
                |---|---|---|---|---|
                """);
        for (SeveralFaults one : all) {
            table.append(String.format(
                    Locale.ROOT,
                    "| %s | %d | %d (%d %%) | %d | %d |%n",
                    one.title,
                    one.planted,
                    one.whole,
                    PlantedFaults.share(one.whole, one.planted),
                    one.few,
                    one.added));
        }
        return table.toString();
    }
}
