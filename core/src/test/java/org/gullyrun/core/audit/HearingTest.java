package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What basins, the levels sheet and the rates sheet say, held against the cells and the graph they come from. */
class HearingTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    @Test
    void aListenerHearsWhatArrivesAndLacksWhatIsMissing() {
        Case sample = SampleShow.make();
        for (var survey : sample.surveys()) {
            Reading reading = AUDIT.read(survey.rig(), sample.brief());
            for (int scene = 0; scene < reading.scenes().size(); scene++) {
                List<Hearing> all = Hearing.all(reading, scene);
                for (int o = 0; o < all.size(); o++) {
                    Map<String, Hearing.Drop> drops = new HashMap<>();
                    all.get(o).drops().forEach(d -> drops.put(d.source(), d));
                    for (int s = 0; s < reading.rig().of(Kind.SOURCE).size(); s++) {
                        CellReading cell = reading.scenes().get(scene).cell(s, o);
                        Hearing.Drop drop = drops.get(cell.source().id());
                        boolean shown = cell.delivery().arrives() || cell.verdict() == Verdict.MISSING;
                        assertEquals(
                                shown,
                                drop != null,
                                cell.source().id() + ">" + cell.outlet().id());
                        if (drop != null && cell.delivery().arrives()) {
                            assertEquals(cell.usualLevel(), drop.level(), 1e-12);
                            assertEquals(cell.verdict(), drop.verdict());
                        }
                    }
                }
            }
        }
    }

    @Test
    void overAllScenesTheWorstCountsAndNamesItsScene() {
        Case sample = SampleShow.make();
        Reading reading =
                AUDIT.read(sample.survey(SampleShow.AS_FOUND).orElseThrow().rig(), sample.brief());
        Hearing live = Hearing.all(reading, -1).stream()
                .filter(h -> h.outlet().equals("live"))
                .findFirst()
                .orElseThrow();
        assertTrue(live.isBad());
        Hearing.Drop charts = live.drops().stream()
                .filter(d -> d.source().equals("charts"))
                .findFirst()
                .orElseThrow();
        assertTrue(charts.loud());
        assertFalse(charts.where().isEmpty());
        Reading good =
                AUDIT.read(sample.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig(), sample.brief());
        assertTrue(Hearing.all(good, -1).stream().noneMatch(Hearing::isBad));
    }

    @Test
    void levelsAddInPower() {
        SmallRig rig = new SmallRig()
                .device("out", Direction.PLAYBACK)
                .source("host", SourceClass.VOICE, -20)
                .source("guest", SourceClass.GUEST, -20)
                .source("music", SourceClass.MUSIC, -30)
                .source("bell", SourceClass.ALERT, -40)
                .pass("p1", "mic-host", "out", 0, 0)
                .pass("p2", "mic-guest", "out", 0, 0)
                .pass("p3", "mic-music", "out", -6, 0)
                .pass("p4", "mic-bell", "out", 0, 0)
                .ears("ears", "out");
        LevelSheet.Entry entry = LevelSheet.of(rig.reading()).getFirst().getFirst();
        assertEquals(-16.99, entry.voice(), 0.005, "two equal voices add up to 3 dB more");
        assertEquals(-36, entry.music(), 1e-9);
        assertEquals(-40, entry.rest(), 1e-9);
        // 10·log10(0.01 + 0.01 + 10^-3.6 + 10^-4) = -16.914, and 12 dB of crest.
        assertEquals(-4.914, entry.peak(), 0.001);
        assertFalse(entry.assumed());
    }

    @Test
    void copiesOfOneSourceMayAddInAmplitude() {
        SmallRig rig = new SmallRig()
                .device("out", Direction.PLAYBACK)
                .source("host", SourceClass.VOICE, -20)
                .pass("p1", "mic-host", "out", 0, 0)
                .pass("p2", "mic-host", "out", 0, 5)
                .ears("ears", "out");
        LevelSheet.Entry entry = LevelSheet.of(rig.reading()).getFirst().getFirst();
        assertEquals(-16.99, entry.voice(), 0.005);
        assertEquals(-20 + 6.02 + 12, entry.peak(), 0.005, "at worst both are in step");
    }

    @Test
    void aPersonsOwnVoiceIsTimedAtTheirEarsOnly() {
        SmallRig rig = new SmallRig()
                .device("out", Direction.PLAYBACK)
                .source("host", SourceClass.VOICE, -20)
                .alter("host", e -> e.with(Sources.PERSON, "Maren"))
                .pass("p1", "mic-host", "out", 0, 17)
                .ears("hers", "out")
                .alter("hers", e -> e.with(Outlets.PERSON, "Maren"))
                .ears("others", "out");
        List<List<LevelSheet.Entry>> sheet = LevelSheet.of(rig.reading());
        assertEquals(17, sheet.get(0).getFirst().ownVoiceLate(), 1e-9);
        assertTrue(Double.isNaN(sheet.get(1).getFirst().ownVoiceLate()));
    }

    @Test
    void aSourceWithoutALevelIsAssumed() {
        SmallRig rig = new SmallRig()
                .device("out", Direction.PLAYBACK)
                .source("host", SourceClass.VOICE, -20)
                .alter("host", e -> e.with(Sources.LEVEL, null))
                .pass("p1", "mic-host", "out", 0, 0)
                .ears("ears", "out");
        LevelSheet.Entry entry = LevelSheet.of(rig.reading()).getFirst().getFirst();
        assertTrue(entry.assumed());
        assertEquals(-20, entry.voice(), 1e-9);
    }

    @Test
    void ratesMeetWhereKnownOnesDifferOnAnOpenSegment() {
        for (int seed = 0; seed < RandomRigs.many(150, 2_000); seed++) {
            Reading reading = AUDIT.read(RandomRigs.of(seed), Brief.EMPTY);
            List<Rates.Place> places = Rates.of(reading);
            Map<String, Rates.Place> byEnds = new HashMap<>();
            for (Rates.Place place : places) {
                assertTrue(place.before() > 0 && place.after() > 0 && place.before() != place.after());
                assertEquals(1200 * Math.log(place.after() / place.before()) / Math.log(2), place.cents(), 1e-9);
                byEnds.put(place.by() + place.from() + place.to(), place);
            }
            for (SceneReading scene : reading.scenes()) {
                FlowGraph graph = scene.graph();
                for (int s = 0; s < graph.segments(); s++) {
                    double a = graph.rate(graph.from(s));
                    double b = graph.rate(graph.to(s));
                    if (graph.isOpen(s) && !graph.isCoupling(s) && a > 0 && b > 0 && a != b) {
                        String ends = graph.segmentElement(s) + graph.id(graph.from(s)) + graph.id(graph.to(s));
                        Element by = reading.rig().find(graph.segmentElement(s));
                        boolean analogue = by != null
                                && by.kind() == Kind.WIRE
                                && by.get(Links.WIRE_SIGNAL) == Links.Signal.ANALOGUE;
                        assertTrue(byEnds.containsKey(ends) || analogue, "seed " + seed + " " + ends);
                    }
                }
            }
        }
    }

    @Test
    void aCableFromFortyEightToFortyFourIsOffBy147Cents() {
        SmallRig rig = new SmallRig()
                .device("in", Direction.PLAYBACK, 48_000)
                .device("out", Direction.RECORDING, 44_100)
                .device("mic-x", Direction.RECORDING)
                .device("ear", Direction.PLAYBACK, 44_100)
                .source("a", SourceClass.MUSIC, -20)
                .pass("p", "mic-a", "in", 0, 0)
                .with(Element.of(Kind.CABLE, "cable")
                        .with(Links.CABLE_FROM, "in")
                        .with(Links.CABLE_TO, "out")
                        .with(Links.CABLE_CONVERTS, false))
                .pass("q", "out", "ear", 0, 0)
                .ears("ears", "ear");
        List<Rates.Place> places = Rates.of(rig.reading());
        assertEquals(1, places.size());
        assertEquals(-146.7, places.getFirst().cents(), 0.05);
        assertEquals(0.919, places.getFirst().ratio(), 0.0005);
        assertEquals(Rates.Meeting.WRONG, places.getFirst().meeting());
        rig.alter("cable", e -> e.with(Links.CABLE_CONVERTS, true));
        assertEquals(Rates.Meeting.RESAMPLED, Rates.of(rig.reading()).getFirst().meeting());
        rig.alter("cable", e -> e.with(Links.CABLE_CONVERTS, null));
        assertEquals(Rates.Meeting.NOT_KNOWN, Rates.of(rig.reading()).getFirst().meeting());
        rig.alter("out", e -> e.with(Devices.RATE, 48_000.0)).alter("ear", e -> e.with(Devices.RATE, 48_000.0));
        assertTrue(Rates.of(rig.reading()).isEmpty());
    }
}
