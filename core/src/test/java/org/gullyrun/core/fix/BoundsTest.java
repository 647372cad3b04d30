package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What is held of changes without making them, against what they do when they are made. */
@TakesLong
class BoundsTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Audit QUICK = AUDIT.quick();

    private static List<Reading> readings() {
        Case sample = SampleShow.make();
        List<Reading> readings = new ArrayList<>();
        readings.add(QUICK.read(sample.survey(SampleShow.AS_FOUND).orElseThrow().rig(), sample.brief()));
        for (int seed = 0; seed < RandomRigs.many(8, 400); seed++) {
            Rig rig = RandomRigs.of(seed);
            readings.add(QUICK.read(rig, RandomRigs.brief(rig, new Random(seed))));
        }
        return readings;
    }

    private static Set<List<Change>> candidates(Reading reading) {
        Set<List<Change>> all = new HashSet<>();
        reading.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .forEach(f -> all.addAll(Candidates.of(reading, f)));
        return all;
    }

    @Test
    void whatIsSaidToLoseAMustLosesOne() {
        int said = 0;
        int lost = 0;
        for (Reading reading : readings()) {
            CertainLosses losses = new CertainLosses(reading);
            Fixes fixes = new Fixes(QUICK);
            for (List<Change> changes : candidates(reading)) {
                Fixes.Made made = fixes.made(reading, changes);
                if (made == null) {
                    continue;
                }
                boolean loses = loses(reading, made.after());
                lost += loses ? 1 : 0;
                if (losses.isCertain(changes)) {
                    said++;
                    assertTrue(loses, changes.toString());
                }
            }
        }
        assertTrue(said > 30 && lost > said, "said of " + said + " of " + lost + " that do");
    }

    private static boolean loses(Reading before, Reading after) {
        int sources = before.rig().of(Kind.SOURCE).size();
        int outlets = before.rig().of(Kind.OUTLET).size();
        return before.scenes().size() == after.scenes().size()
                && IntStream.range(0, before.scenes().size())
                        .anyMatch(i -> IntStream.range(0, sources * outlets).anyMatch(at -> {
                            var was = before.scenes().get(i).cells().get(at);
                            var is = after.scenes().get(i).cells().get(at);
                            return was.wish() == Wish.MUST
                                    && was.delivery().arrives()
                                    && is.verdict() == Verdict.MISSING
                                    && !is.delivery().arrives();
                        }));
    }

    @Test
    void nearlyAllThatAChangeClearsOfWhatIsBadIsAmongWhatItWasHeldAbleToClear() {
        int cleared = 0;
        List<String> overlooked = new ArrayList<>();
        for (Reading reading : readings()) {
            AffectedFindings touched = new AffectedFindings(reading);
            Fixes fixes = new Fixes(QUICK);
            for (Finding from : reading.findings()) {
                if (from.severity() == Severity.NOTE) {
                    continue;
                }
                for (List<Change> changes : Candidates.of(reading, from)) {
                    Fixes.Made made = fixes.made(reading, changes);
                    if (made == null
                            || !made.fix().isSafe()
                            || changes.size() > 1
                            || !(changes.getFirst() instanceof Change.Set)) {
                        continue;
                    }
                    Set<Finding> may = new HashSet<>(touched.by(changes, reading.findings()));
                    for (Finding finding : reading.findings()) {
                        boolean route = !finding.subject().source().isEmpty()
                                || finding.rule().startsWith("loop.");
                        if (route && finding.isBad() && made.fix().cleared().contains(finding.identity())) {
                            cleared++;
                            if (!may.contains(finding) && finding != from) {
                                overlooked.add(changes + " " + finding.identity());
                            }
                        }
                    }
                }
            }
        }
        assertTrue(cleared > 200, "cleared " + cleared);
        // A device that is gone, and what follows another's choice, may clear what no route through the place shows.
        assertTrue(100 * overlooked.size() < cleared, overlooked.size() + " of " + cleared + ": " + overlooked);
    }

    @Test
    void whatTheRulesTriedIsReadAsIfNobodyHadTried() {
        Case sample = SampleShow.make();
        Rig found = sample.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        Reading deep = AUDIT.read(found, sample.brief());
        int tried = 0;
        for (List<Change> changes : candidates(deep)) {
            if (changes.size() == 1
                    && changes.getFirst() instanceof Change.Set set
                    && set.element().equals("desk-pc")) {
                Reading afresh = QUICK.read(Changes.apply(found, changes), sample.brief());
                assertEquals(afresh.findings(), QUICK.read(deep, changes).findings(), changes.toString());
                tried++;
            }
        }
        assertTrue(tried >= 4, "tried " + tried);
    }
}
