package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** No fix can make a case that cannot be opened again: each is applied, saved, opened, and is what it was. */
class EveryFixSavedTest {
    @TempDir
    Path folder;

    private int saved;

    private void saves(Case base, Rig rig, List<Change> changes, String about) throws Exception {
        Rig changed;
        try {
            changed = Changes.apply(rig, changes);
        } catch (Changes.Conflict e) {
            return; // not offered
        }
        Case what = base.withSurvey(base.surveys().getFirst().withRig(changed));
        Path file = folder.resolve("case.json");
        CaseFiles.save(what, file);
        assertEquals(what, CaseFiles.open(file), about);
        saved++;
    }

    private static Case on(Rig rig, Brief brief) {
        return new Case("c", "", 4, "", List.of(new Survey("s", "s", "", "", rig, Map.of())), brief);
    }

    @TakesLong
    @Test
    void everyFixOfTheSampleShow() throws Exception {
        Case sample = SampleShow.make();
        Rig rig = sample.surveys().getFirst().rig();
        Audit audit = RuleCatalogue.usual();
        Reading reading = audit.read(rig, sample.brief());
        Fixes fixes = new Fixes(audit.quick());
        Set<List<Change>> tried = new HashSet<>();
        for (Finding finding : reading.findings()) {
            for (Fix fix : fixes.find(reading, finding, () -> false)) {
                if (tried.add(fix.changes())) {
                    saves(sample, rig, fix.changes(), fix.sentence());
                }
            }
        }
        assertTrue(saved > 50, "fixes: " + saved);
    }

    @Test
    void everyCandidateOnRandomRigsAndOnSuchAsStandAtTheEndOfEveryRange() throws Exception {
        for (int seed = 0; seed < RandomRigs.many(4, 150); seed++) {
            Random random = new Random(seed);
            List<Element> elements = new ArrayList<>();
            for (Element e : RandomRigs.of(seed).elements()) {
                double level = random.nextBoolean() ? 60 : -200;
                elements.add(
                        seed % 2 == 0
                                ? e
                                : switch (e.kind()) {
                                    case DEVICE -> e.with(Devices.LEVEL, level);
                                    case STRIP -> e.with(Mixers.STRIP_LEVEL, level);
                                    case BUS -> e.with(Mixers.BUS_LEVEL, level);
                                    case INPUT ->
                                        e.with(Productions.INPUT_LEVEL, level).with(Productions.INPUT_DELAY, 60_000.0);
                                    case SOURCE -> e.with(Sources.LEVEL, 20.0).with(Sources.TOGETHER, "all");
                                    default -> e;
                                });
            }
            Rig rig = Rig.of(elements);
            Brief brief = Brief.EMPTY;
            for (Element source : rig.of(Kind.SOURCE)) {
                for (Element outlet : rig.of(Kind.OUTLET)) {
                    Brief.Cell cell = new Brief.Cell(source.id(), outlet.id(), "");
                    brief = brief.with(cell, Wish.values()[random.nextInt(3)]);
                    Map<Brief.Cell, Brief.Window> windows = new java.util.TreeMap<>(brief.windows());
                    windows.put(cell, new Brief.Window(-10.0, 5.0));
                    brief = new Brief(brief.cells(), windows, Map.of(outlet.id(), 40.0));
                }
            }
            Reading reading = RuleCatalogue.usual().quick().read(rig, brief);
            for (Finding finding : reading.findings()) {
                for (List<Change> changes : Candidates.of(reading, finding)) {
                    saves(on(rig, brief), rig, changes, "seed " + seed + ": " + finding.identity() + " " + changes);
                }
            }
        }
        assertTrue(saved > 80, "candidates: " + saved);
    }
}
