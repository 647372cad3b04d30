package org.gullyrun.core.sample;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Dangling;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow.Fault;
import org.junit.jupiter.api.Test;

/** The sample show: clean by computation when all is well, and every fault to be seen, alone and among the others. */
class SampleShowTest {
    private static final Case CASE = SampleShow.make();
    private static final Rig GOOD =
            CASE.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();

    /** What each fault has to show, by identity. */
    private static final Map<Fault, Set<String>> SHOWS = new EnumMap<>(Map.ofEntries(
            Map.entry(Fault.ALL_IN_ONE, Set.of("double:chimes>live", "double:clips>live", "leak:crew>live")),
            Map.entry(Fault.CUE_LOOP, Set.of("loop.electric:orrery")),
            Map.entry(Fault.RAW_AND_CLEANED, Set.of("double:host>live", "double:host>track-host")),
            Map.entry(Fault.PANEL_COPY, Set.of("double:effects>live", "double:music>live")),
            Map.entry(Fault.MUSIC_ARCHIVED, Set.of("leak:music>archive")),
            Map.entry(Fault.CHARTS_NOT_IN_SKY, Set.of("scene.gap:charts>live", "scene.gap:charts>track-clips")),
            Map.entry(Fault.HERON_RATES, Set.of("rate.cable:heron")),
            Map.entry(Fault.GUESTS_HEAR_THEMSELVES, Set.of("loop.far-end:guests>call")),
            Map.entry(Fault.DEFAULT_MOVED, Set.of("missing:clips>host-ears", "missing:chimes>host-ears")),
            Map.entry(Fault.EFFECTS_ON_CLIPS, Set.of("track.mixed:effects>track-clips")),
            Map.entry(Fault.MIXER_BY_HAND, Set.of("engine.manual:brookdesk", "capture.idle:strip-spare"))));

    private static Reading read(Rig rig) {
        return RuleCatalogue.usual().read(rig, CASE.brief());
    }

    private static Map<String, Severity> found(Rig rig) {
        return read(rig).findings().stream().collect(Collectors.toMap(Finding::identity, Finding::severity));
    }

    @Test
    void knownGoodIsCleanByComputation() {
        Reading reading = read(GOOD);
        assertEquals(
                Set.of(
                        "default.fragile:desk-pc+playback",
                        "loop.far-end:guests>call",
                        "rate.drift:dome-video+kestrel",
                        "hangs.on:brookdesk",
                        "hangs.on:dome-video",
                        "hangs.on:hushgate"),
                reading.findings().stream().map(Finding::identity).collect(Collectors.toSet()));
        assertEquals(0, reading.findings().stream().filter(Finding::isBad).count());
        int musts = 0;
        for (SceneReading scene : reading.scenes()) {
            for (CellReading cell : scene.cells()) {
                if (cell.wish() == Wish.MUST) {
                    musts++;
                    assertTrue(
                            cell.delivery().arrives(),
                            cell.source().id() + " > " + cell.outlet().id());
                }
            }
        }
        assertTrue(musts > 150, "musts in all scenes: " + musts);
    }

    @Test
    void everyFaultShowsAlone() {
        for (Fault fault : Fault.values()) {
            Map<String, Severity> found = found(Changes.apply(GOOD, SampleShow.changes(GOOD, fault)));
            assertTrue(found.keySet().containsAll(SHOWS.get(fault)), fault + ": " + found);
        }
    }

    @Test
    void everyFaultShowsAmongTheOthersAndGoesAlone() {
        Rig all = CASE.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        Map<String, Severity> found = found(all);
        for (Fault fault : Fault.values()) {
            assertTrue(found.keySet().containsAll(SHOWS.get(fault)), fault + ": " + found);
        }
        Map<String, Severity> mended =
                found(Changes.apply(all, Changes.inverse(SampleShow.changes(GOOD, Fault.EFFECTS_ON_CLIPS))));
        assertTrue(!mended.containsKey("track.mixed:effects>track-clips"));
        assertEquals(found.size() - 1, mended.size());
    }

    @Test
    void figuresAreThoseWorkedOutByHand() {
        Reading reading = read(CASE.survey(SampleShow.AS_FOUND).orElseThrow().rig());
        CellReading music = cell(reading, "music", "archive");
        assertEquals(0, music.delivery().strength(), 1e-9);
        assertEquals(-36, music.usualLevel(), 1e-9);
        CellReading host = cell(reading, "host", "live");
        assertEquals(10, host.delivery().copyApart(), 1e-9); // Hushgate's 10 ms
        CellReading guests = cell(reading, "guests", "call");
        assertEquals(19, guests.delivery().strongestDelay(), 1e-9); // Heron 7 + Brookdesk 12
        Finding rate = reading.findings().stream()
                .filter(f -> f.rule().equals("rate.cable"))
                .findFirst()
                .orElseThrow();
        assertEquals(-146.7, rate.figures().get(1).value(), 0.05); // 1200 · log2(44.1 / 48)
    }

    private static CellReading cell(Reading reading, String source, String outlet) {
        return reading.scenes().getFirst().cells().stream()
                .filter(c -> c.source().id().equals(source) && c.outlet().id().equals(outlet))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void nothingDanglesAndAllIsTheSameTwice() {
        CASE.surveys().forEach(s -> assertEquals(List.of(), Dangling.in(s.rig())));
        Rig rig = CASE.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        assertEquals(read(rig).findings(), read(rig).findings());
    }
}
