package org.gullyrun.core.hostile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.compare.Comparison;
import org.gullyrun.core.compare.Matching;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.intake.Questions;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WholeRepair;
import org.gullyrun.core.repair.WorkOrder;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * What a file can hold and no sheet would let one enter: parts of programs that don't exist, references to elements of
 * other kinds, settings that nobody knows. All that is done with a rig gives an answer, and what is claimed is true.
 */
class DamagedRigsTest {
    private static final Case SAMPLE = SampleShow.make();
    private static final Brief BRIEF = SAMPLE.brief();
    private static final Audit AUDIT = RuleCatalogue.usual();
    private static final long SECONDS = 4;

    @TempDir
    Path folder;

    private static Rig good() {
        return SAMPLE.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
    }

    /** A rig of the sample show with so many things wrong that nobody would enter. */
    private static Rig damaged(Rig rig, int things, Random random) {
        List<Element> all = new ArrayList<>(rig.elements());
        for (int i = 0; i < things; i++) {
            int at = random.nextInt(all.size());
            Element element = all.get(at);
            switch (random.nextInt(8)) {
                case 0 -> all.remove(at);
                case 1 -> all.add(copy(element, i));
                default -> all.set(at, damaged(element, all, random));
            }
        }
        return Rig.of(all);
    }

    private static Element copy(Element element, int number) {
        Element copy = Element.of(element.kind(), element.id() + "-again-" + number);
        for (String key : element.keys()) {
            Setting<?> setting = Catalogue.find(element.kind(), key);
            if (setting != null) {
                copy = copy.put(setting, element.raw(setting));
            }
        }
        return copy;
    }

    /** An element with one setting that is held taken away, forgotten, turned or led to any other element. */
    private static Element damaged(Element element, List<Element> all, Random random) {
        List<Setting<?>> held = new ArrayList<>();
        for (String key : element.keys()) {
            if (Catalogue.find(element.kind(), key) instanceof Setting<?> setting && !key.equals("place")) {
                held.add(setting);
            }
        }
        if (held.isEmpty()) {
            return element;
        }
        Setting<?> setting = held.get(random.nextInt(held.size()));
        Object value = element.raw(setting);
        return switch (random.nextInt(4)) {
            case 0 -> element.put(setting, setting.isOptional() ? null : Unknown.UNKNOWN);
            case 1 -> setting.isFamily() ? element : element.put(setting, Unknown.UNKNOWN);
            default -> {
                Object other = value instanceof Boolean flag
                        ? (Object) !flag
                        : setting.type() instanceof ValueType.Ref || setting.type() instanceof ValueType.Pick
                                ? setting.type()
                                        .read(all.get(random.nextInt(all.size()))
                                                .id())
                                : value;
                yield element.put(setting, other);
            }
        };
    }

    @Test
    void areSavedAuditedAndReadOnLikeOthers() throws Exception {
        for (int seed = 0; seed < RandomRigs.many(60, 3_000); seed++) {
            Random random = new Random(seed);
            Rig start = seed % 2 == 0 ? good() : SAMPLE.surveys().getFirst().rig();
            Rig rig = damaged(start, 1 + random.nextInt(8), random);
            Case what = SAMPLE.withSurvey(SAMPLE.surveys().getFirst().withRig(rig));
            Path file = folder.resolve("damaged.json");
            CaseFiles.save(what, file);
            assertEquals(what, CaseFiles.open(file), "seed " + seed);
            Reading fresh = AUDIT.read(rig, BRIEF);
            Reading on = AUDIT.read(rig, BRIEF, AUDIT.read(start, BRIEF));
            assertEquals(fresh.findings(), on.findings(), "seed " + seed);
            for (int scene = 0; scene < fresh.scenes().size(); scene++) {
                assertEquals(
                        List.copyOf(fresh.scenes().get(scene).cells()),
                        List.copyOf(on.scenes().get(scene).cells()),
                        "seed " + seed);
            }
            for (Finding finding : fresh.findings()) {
                String told = finding.words().title() + finding.words().plain();
                assertFalse(told.contains("null") || told.contains("NaN"), "seed " + seed + ": " + told);
            }
            MapModel.of(fresh, 0, seed % 3 == 0);
            Hearing.all(fresh, 0).forEach(heard -> assertTrue(rig.find(heard.outlet()) != null));
            Questions.of(rig).forEach(question -> assertTrue(question.wording().endsWith("?"), question.wording()));
        }
    }

    @TakesLong
    @Test
    void areRepairedAsFarAsCanBeAndWhatIsClaimedIsTrue() {
        Audit quick = AUDIT.quick();
        for (int seed = 0; seed < RandomRigs.many(6, 60); seed++) {
            String at = "seed " + seed;
            Random random = new Random(7_000 + seed);
            Rig rig = damaged(good(), 1 + random.nextInt(5), random);
            Reading reading = quick.read(rig, BRIEF);
            List<Finding> bad =
                    reading.findings().stream().filter(Finding::isBad).toList();
            if (!bad.isEmpty()) {
                Finding finding = bad.get(random.nextInt(bad.size()));
                for (Fix fix : new Fixes(quick, good()).find(reading, finding, () -> false)) {
                    Reading after = quick.read(Changes.apply(rig, fix.changes()), BRIEF);
                    assertTrue(
                            after.findings().stream()
                                    .noneMatch(f -> f.identity().equals(finding.identity()) && f.isBad()),
                            () -> at + ": " + fix.sentence());
                }
            }
            long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
            List<Repair> repairs = new WholeRepair(
                            quick, good(), reading, Conditions.NONE, () -> System.nanoTime() > until)
                    .find(progress -> {});
            for (Repair repair : repairs) {
                WorkPlan plan = WorkPlan.of(quick, repair, seed % 2 == 0);
                assertEquals(repair.changes().size(), plan.steps().size(), at);
                assertFalse(new WorkOrder("Damaged", plan).html().isBlank(), at);
                Reading after = quick.read(Changes.apply(rig, repair.changes()), BRIEF);
                assertEquals(after.findings(), repair.after().findings(), at);
            }
            Comparison told = Comparison.of(quick, good(), rig, BRIEF, Matching.of(good(), rig), () -> false);
            told.blame().forEach((finding, changes) -> assertTrue(told.changes().containsAll(changes), at));
        }
    }
}
