package org.gullyrun.benchmarks;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.core.sample.SampleShow;
import org.jspecify.annotations.Nullable;

/**
 * Plants faults into rigs that are well, one at a time and in pairs, and looks whether the change that takes one back is
 * proposed: every flag turned, every choice moved to another device or the default, every level turned down by 40 dB, every
 * rate set to another. How the rig was before is known where a survey is marked as known good, and else not. Writes the figures as a page.
 */
public final class PlantedFaults {
    /** So many pairs of faults are planted, drawn from those that each cause something bad. */
    private static final int PAIRS = 200;

    private static final long SEED = 20_261_128;

    private final Audit audit;
    private final Reading well;
    private final Set<String> before;
    /** The faults that cause something bad, in the order in which they were planted. */
    private final List<Change.Set> serious = new ArrayList<>();

    private final @Nullable Rig known;

    /** Plants into a rig that is well. With {@code known}, that rig is also the known-good survey of the faulty one. */
    private PlantedFaults(Audit audit, Rig well, Brief brief, boolean known) {
        this.audit = audit;
        this.known = known ? well : null;
        this.well = audit.read(well, brief);
        this.before = this.well.findings().stream().map(Finding::identity).collect(Collectors.toSet());
    }

    /** What came of the faults of one sort. */
    private static final class Counts {
        int planted;
        int noticed;
        int first;
        int amongThree;
        int unfixed;
        final List<String> others = new ArrayList<>();
    }

    /** Writes the page to the file named, or prints it. */
    public static void main(String[] arguments) throws Exception {
        Case sample = SampleShow.make();
        Audit audit = RuleCatalogue.on(sample.terms(), sample.showHours()).quick();
        Rig good = sample.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        PlantedFaults show = new PlantedFaults(audit, good, sample.brief(), false);
        Map<String, Counts> sorts = show.single();
        Map<String, Counts> more = new LinkedHashMap<>();
        more.put("two at a time in the sample show", show.pairs());
        List<SeveralFaults> several = new ArrayList<>();
        several.add(show.several("the sample show"));
        PlantedFaults known = new PlantedFaults(audit, good, sample.brief(), true);
        more.put("one at a time in the sample show, with the known-good survey", sum(known.single()));
        more.put("two at a time there", known.pairs());
        for (StartingRigs.Starting start : StartingRigs.all()) {
            PlantedFaults rig = new PlantedFaults(RuleCatalogue.usual().quick(), start.rig(), start.brief(), false);
            more.put("one at a time in *" + start.title() + "*", sum(rig.single()));
            several.add(rig.several("*" + start.title() + "*"));
        }
        String page = page(sorts, more, several);
        if (arguments.length > 0) {
            Files.writeString(Path.of(arguments[0]), page);
        } else {
            System.out.print(page);
        }
    }

    /** Plants every fault by itself. */
    private Map<String, Counts> single() {
        Map<String, Counts> sorts = new LinkedHashMap<>();
        for (Change.Set fault : Faults.of(well.rig())) {
            Counts counts = sorts.computeIfAbsent(sort(fault), x -> new Counts());
            int noticed = counts.noticed;
            plant(List.of(fault), counts);
            if (counts.noticed > noticed) {
                serious.add(fault);
            }
        }
        return sorts;
    }

    /** Plants pairs of faults of two elements, each of which causes something bad alone. */
    private Counts pairs() {
        Counts counts = new Counts();
        Random random = new Random(SEED);
        while (counts.planted < PAIRS) {
            Change.Set one = serious.get(random.nextInt(serious.size()));
            Change.Set other = serious.get(random.nextInt(serious.size()));
            if (!one.element().equals(other.element())) {
                plant(List.of(one, other), counts);
            }
        }
        return counts;
    }

    /** Plants several serious faults together, again and again, and repairs the whole rig each time. */
    private SeveralFaults several(String title) {
        return SeveralFaults.repaired(title, audit, well, serious);
    }

    /** The row of the table that a fault is counted in. */
    private static String sort(Change.Set fault) {
        return switch (fault.setting().type()) {
            case ValueType.Flag flag -> "a switch or gate turned";
            case ValueType.Pick pick -> "a choice moved";
            case ValueType.Number number when number.unit().equals("Hz") -> "a rate changed";
            default -> "a level turned down by 40 dB";
        };
    }

    /** Plants faults, and counts where a change that takes one back stands among the fixes of the worst finding. */
    private void plant(List<Change.Set> faults, Counts counts) {
        counts.planted++;
        Reading reading = audit.read(Changes.apply(well.rig(), faults), well.brief());
        Finding worst = reading.findings().stream()
                .filter(f -> f.isBad() && !before.contains(f.identity()))
                .findFirst()
                .orElse(null);
        if (worst == null) {
            return;
        }
        counts.noticed++;
        List<Fix> fixes = new Fixes(audit, known).find(reading, worst, () -> false);
        int at = -1;
        for (int i = 0; i < fixes.size() && at < 0; i++) {
            at = takesBack(fixes.get(i), faults) ? i : -1;
        }
        counts.first += at == 0 ? 1 : 0;
        counts.amongThree += at >= 0 && at < 3 ? 1 : 0;
        counts.unfixed += fixes.isEmpty() ? 1 : 0;
        if (at != 0) {
            String planted = faults.stream()
                    .map(f -> f.element() + "/" + f.setting().key() + " → " + f.to())
                    .collect(Collectors.joining(", "));
            counts.others.add(planted + ": " + worst.identity() + ", proposed first: "
                    + (fixes.isEmpty() ? "nothing" : fixes.getFirst().sentence())
                    + (at < 0 ? "" : " (own at " + (at + 1) + ")"));
        }
    }

    /** Whether a fix takes one of the faults back, or several, and does nothing else. */
    private static boolean takesBack(Fix fix, List<Change.Set> faults) {
        return fix.changes().stream().allMatch(change -> faults.stream().anyMatch(fault -> isBack(change, fault)));
    }

    /** Whether a change puts a setting back as it was; what was turned down may be turned up less far. */
    private static boolean isBack(Change change, Change.Set fault) {
        return change instanceof Change.Set set
                && set.element().equals(fault.element())
                && set.setting().equals(fault.setting())
                && (java.util.Objects.equals(set.to(), fault.from())
                        || fault.to() instanceof Double down && set.to() instanceof Double up && up > down);
    }

    /** All sorts as one. */
    private static Counts sum(Map<String, Counts> sorts) {
        Counts all = new Counts();
        for (Counts c : sorts.values()) {
            all.planted += c.planted;
            all.noticed += c.noticed;
            all.first += c.first;
            all.amongThree += c.amongThree;
            all.unfixed += c.unfixed;
        }
        return all;
    }

    /** The page as it stands in the docs: what was measured, then one row for each sort of fault and each rig. */
    private static String page(Map<String, Counts> sorts, Map<String, Counts> more, List<SeveralFaults> several) {
        StringBuilder page = new StringBuilder("""
                # Fixes

                How often the change that takes a fault back is proposed, and where. Faults are planted in rigs that are well, and the
                fixes of the worst finding that follows are listed, without knowing how the rig was before unless it says so. A fault that
                causes nothing critical or major isn't counted. Where another change comes first, it is as good or better by the rank of `Fixes`.

                ```
                java -cp "$J" org.gullyrun.benchmarks.PlantedFaults docs/fixes.md
                ```

                ## One fault at a time in the known-good survey of the sample show

                | fault | planted | cause something bad | taken back first | among the first three | no fix found |
                |---|---|---|---|---|---|
                """);
        sorts.forEach((sort, c) -> page.append(row(sort, c)));
        page.append(row("all", sum(sorts))).append("""

                ## Pairs, and the starting rigs

                Of two faults planted together, one that is taken back counts.

                | faults | planted | cause something bad | taken back first | among the first three | no fix found |
                |---|---|---|---|---|---|
                """);
        more.forEach((sort, c) -> page.append(row(sort, c)));
        page.append(SeveralFaults.table(several));
        page.append("\n## Where another change comes first in the sample show\n\n");
        sorts.values()
                .forEach(c -> c.others.forEach(o -> page.append("- ").append(o).append('\n')));
        return page.toString();
    }

    /** One row of the table, percentages of what was noticed. */
    private static String row(String sort, Counts c) {
        return String.format(
                Locale.ROOT,
                "| %s | %d | %d | %d (%d %%) | %d (%d %%) | %d |%n",
                sort,
                c.planted,
                c.noticed,
                c.first,
                share(c.first, c.noticed),
                c.amongThree,
                share(c.amongThree, c.noticed),
                c.unfixed);
    }

    /** A part in per cent, rounded down: 100 % is said of all only. */
    static long share(int part, int whole) {
        return whole == 0 ? 0 : 100L * part / whole;
    }
}
