package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** The same trouble at several listeners is one row; nothing is lost or told twice by that. */
class JoinedFindingsTest {
    private static final Case SAMPLE = SampleShow.make();

    private static Reading found() {
        Rig rig = SAMPLE.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        return RuleCatalogue.usual().read(rig, SAMPLE.brief());
    }

    private static List<String> titles(Reading reading) {
        return JoinedFindings.of(reading.rig(), reading.findings()).stream()
                .map(JoinedFindings::title)
                .toList();
    }

    @Test
    void listenersAreJoinedWithTheVerbForSeveral() {
        List<String> titles = titles(found());
        assertTrue(titles.contains("Live, Archive and Partner relay hear Clips twice, 12 ms apart"), titles.toString());
        assertTrue(titles.contains("Live, Archive and Partner relay hear Crew (never)"), titles.toString());
        assertTrue(titles.contains("Host's ears, Dome ears and Guests don't hear Clips"), titles.toString());
        assertTrue(titles.contains("Live, Archive and Partner relay peak at 0.8 dBFS"), titles.toString());
        assertTrue(titles.contains("Archive hears Music (never)"), "alone it reads as before");
    }

    @Test
    void whereThereIsLittleRoomListenersAreCounted() {
        Reading reading = found();
        List<String> brief = JoinedFindings.of(reading.rig(), reading.findings()).stream()
                .map(JoinedFindings::brief)
                .toList();
        assertTrue(brief.contains("Live and 2 others hear Clips twice"), brief.toString());
        assertTrue(brief.contains("Live and 3 others don't hear Star charts in Sky"), brief.toString());
        assertTrue(brief.contains("Archive hears Music (never)"), "one listener is named");
    }

    @Test
    void whatDiffersInMoreThanTheListenerStaysApart() {
        List<String> titles = titles(found());
        assertTrue(titles.contains("Host's ears don't hear Chimes"), titles.toString());
        assertTrue(titles.stream().noneMatch(t -> t.contains("Chimes") && t.contains("Clips")), titles.toString());
    }

    @Test
    void everyFindingIsInExactlyOneRowWithOthersOfItsRuleSourceAndScenes() {
        int joined = 0;
        for (long seed = 0; seed < RandomRigs.many(150, 2_000); seed++) {
            Rig rig = RandomRigs.of(seed);
            Reading reading =
                    RuleCatalogue.usual().quick().read(rig, RereadTest.brief(rig, new java.util.Random(seed)));
            Set<String> told = new HashSet<>();
            for (JoinedFindings row : JoinedFindings.of(rig, reading.findings())) {
                joined += row.findings().size() - 1;
                for (Finding finding : row.findings()) {
                    assertTrue(told.add(finding.identity()), "seed " + seed + ": " + finding.identity());
                    assertEquals(row.first().rule(), finding.rule());
                    assertEquals(
                            row.first().subject().source(), finding.subject().source());
                    assertEquals(new HashSet<>(row.first().scenes()), new HashSet<>(finding.scenes()));
                    assertTrue(row.title().contains(rig.name(JoinedFindings.listener(rig, finding))), row.title());
                    assertTrue(row.holds(finding.identity()));
                }
            }
            assertEquals(reading.findings().size(), told.size(), "seed " + seed);
        }
        assertTrue(joined > 30, "joined: " + joined);
    }
}
