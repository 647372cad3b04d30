package org.gullyrun.benchmarks;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.core.sample.SampleShow;

/**
 * Plants one fault at a time into a rig that is well, and looks whether the change that takes it back is proposed: every
 * flag turned, every choice moved to another device or the default, every level turned down by 40 dB, every rate set to
 * another. Nothing is known of how the rig was before. Writes the figures as a page.
 */
public final class PlantedFaults {
    private static final double DOWN = -40;

    private PlantedFaults() {}

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
        Rig good = sample.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        Map<String, Counts> sorts = new LinkedHashMap<>();
        Audit audit = RuleCatalogue.on(sample.terms(), sample.showHours()).quick();
        Reading well = audit.read(good, sample.brief());
        for (Element element : good.elements()) {
            for (Setting<?> setting : settings(good, element)) {
                for (Change.Set fault : faults(good, element, setting)) {
                    plant(audit, well, sample.brief(), fault, sorts.computeIfAbsent(sort(fault), x -> new Counts()));
                }
            }
        }
        String page = page(sorts);
        if (arguments.length > 0) {
            Files.writeString(Path.of(arguments[0]), page);
        } else {
            System.out.print(page);
        }
    }

    /** What is so, or is wished, rather than set wrongly: the fault would be to have entered it. */
    private static final Set<String> FACTS = Set.of(
            "nothingElse",
            "restarts",
            "hasOutputChoice",
            "hasInputChoice",
            "capturesPrograms",
            "passesGuestsOn",
            "fixed");

    /** All settings of an element: of families those for each bus, track and input. */
    private static List<Setting<?>> settings(Rig rig, Element element) {
        List<Setting<?>> all = new ArrayList<>();
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            if (!setting.isFamily()) {
                if (!FACTS.contains(setting.key())) {
                    all.add(setting);
                }
            } else if (element.kind() == Kind.STRIP) {
                rig.in(rig.program(element).id(), Kind.BUS).forEach(bus -> all.add(setting.of(bus.id())));
            } else if (element.kind() == Kind.INPUT || element.kind() == Kind.OUTPUT) {
                int tracks = rig.program(element).or(Productions.TRACKS, 1);
                for (int track = 1; track <= tracks; track++) {
                    all.add(setting.of(track));
                }
            } else if (element.kind() == Kind.GROUP) {
                rig.in(rig.program(element).id(), Kind.INPUT).forEach(input -> all.add(setting.of(input.id())));
            }
        }
        return all;
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

    /** What can be wrong with a setting: turned, moved elsewhere, turned down. */
    private static List<Change.Set> faults(Rig rig, Element element, Setting<?> setting) {
        List<Change.Set> faults = new ArrayList<>();
        Object now = element.raw(setting);
        switch (setting.type()) {
            case ValueType.Flag flag -> {
                if (now instanceof Boolean on) {
                    add(rig, element, setting, !on, faults);
                }
            }
            case ValueType.Pick pick -> {
                if (now instanceof Choice chosen) {
                    for (Element device : rig.of(Kind.DEVICE)) {
                        boolean alike = now instanceof Choice.To(String id)
                                && rig.find(id) != null
                                && rig.get(id).get(Devices.DIRECTION) == device.get(Devices.DIRECTION)
                                && java.util.Objects.equals(
                                        rig.get(id).get(Devices.MACHINE), device.get(Devices.MACHINE));
                        if (alike && !device.id().equals(chosen.id())) {
                            add(rig, element, setting, Choice.to(device.id()), faults);
                        }
                    }
                }
            }
            case ValueType.Number(String unit, double least, double most) -> {
                if (now instanceof Double value && unit.equals("dB")) {
                    add(rig, element, setting, value + DOWN, faults);
                } else if (now instanceof Double value && unit.equals("Hz")) {
                    add(rig, element, setting, value == 48_000 ? 44_100.0 : 48_000.0, faults);
                }
            }
            case ValueType.Count count -> {}
            case ValueType.Text text -> {}
            case ValueType.Texts texts -> {}
            case ValueType.Ref ref -> {}
            case ValueType.Word<?> word -> {}
        }
        return faults;
    }

    /** Adds a fault, unless the setting has that value already or can't have it. */
    private static void add(Rig rig, Element element, Setting<?> setting, Object to, List<Change.Set> faults) {
        try {
            Change.Set fault = Change.setRaw(rig, element.id(), setting, to);
            if (fault != null) {
                faults.add(fault);
            }
        } catch (IllegalArgumentException e) {
            // A value that the setting can't have is no fault that somebody could make.
        }
    }

    /** Plants a fault, and counts where the change that takes it back stands among the fixes. */
    private static void plant(Audit audit, Reading well, Brief brief, Change.Set fault, Counts counts) {
        counts.planted++;
        Rig broken = Changes.apply(well.rig(), List.of(fault));
        Reading reading = audit.read(broken, brief);
        Set<String> before = well.findings().stream().map(Finding::identity).collect(Collectors.toSet());
        Finding worst = reading.findings().stream()
                .filter(f -> f.isBad() && !before.contains(f.identity()))
                .findFirst()
                .orElse(null);
        if (worst == null) {
            return;
        }
        counts.noticed++;
        List<Fix> fixes = new Fixes(audit).find(reading, worst, () -> false);
        int at = -1;
        for (int i = 0; i < fixes.size() && at < 0; i++) {
            List<Change> changes = fixes.get(i).changes();
            if (changes.size() == 1
                    && changes.getFirst() instanceof Change.Set set
                    && set.element().equals(fault.element())
                    && set.setting().equals(fault.setting())
                    && (java.util.Objects.equals(set.to(), fault.from())
                            || fault.to() instanceof Double down && set.to() instanceof Double up && up > down)) {
                at = i;
            }
        }
        counts.first += at == 0 ? 1 : 0;
        counts.amongThree += at >= 0 && at < 3 ? 1 : 0;
        counts.unfixed += fixes.isEmpty() ? 1 : 0;
        if (at != 0) {
            counts.others.add(fault.element() + "/" + fault.setting().key() + " → " + fault.to() + ": "
                    + worst.identity() + ", proposed first: "
                    + (fixes.isEmpty() ? "nothing" : fixes.getFirst().sentence())
                    + (at < 0 ? "" : " (own at " + (at + 1) + ")"));
        }
    }

    /** The page as it stands in the docs: what was measured, then one row for each sort of fault. */
    private static String page(Map<String, Counts> sorts) {
        StringBuilder page = new StringBuilder("""
                # Fixes

                How often the change that takes a fault back is proposed, and where. One fault at a time is planted in the known-good
                survey of the sample show, and the fixes of the worst finding that follows are listed, without knowing how the rig was
                before. A fault that causes nothing critical or major isn't counted. Where another change comes first, it is as good or
                better by the rank of `Fixes`.

                ```
                java -cp "$J" org.gullyrun.benchmarks.PlantedFaults docs/fixes.md
                ```

                | fault | planted | cause something bad | taken back first | among the first three | no fix found |
                |---|---|---|---|---|---|
                """);
        Counts all = new Counts();
        sorts.forEach((sort, c) -> {
            page.append(row(sort, c));
            all.planted += c.planted;
            all.noticed += c.noticed;
            all.first += c.first;
            all.amongThree += c.amongThree;
            all.unfixed += c.unfixed;
        });
        page.append(row("all", all)).append("\n## Where another change comes first\n\n");
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

    private static long share(int part, int whole) {
        return whole == 0 ? 0 : Math.round(100.0 * part / whole);
    }
}
