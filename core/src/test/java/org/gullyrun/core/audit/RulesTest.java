package org.gullyrun.core.audit;

import static org.gullyrun.core.rig.Choice.to;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Severities, precedence and identity, on the sample show with one thing changed at a time. */
class RulesTest {
    private static final Case CASE = SampleShow.make();
    private static final Rig GOOD =
            CASE.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();

    private Rig rig = GOOD;
    private Brief brief = CASE.brief();

    private <T> RulesTest set(String id, Setting<T> setting, T value) {
        rig = Changes.apply(rig, List.of(Change.set(rig, id, setting, value)));
        return this;
    }

    private Map<String, Severity> found() {
        return RuleCatalogue.usual().read(rig, brief).findings().stream()
                .collect(Collectors.toMap(Finding::identity, Finding::severity));
    }

    private Finding finding(String identity) {
        return RuleCatalogue.usual().read(rig, brief).findings().stream()
                .filter(f -> f.identity().equals(identity))
                .findFirst()
                .orElseThrow(() -> new AssertionError(identity + " in " + found()));
    }

    @Test
    void aMixerThatIsDownTakesThePlaceOfAllThatIsMissingForIt() {
        set("brookdesk", Mixers.RUNNING, false);
        Map<String, Severity> found = found();
        assertEquals(Severity.CRITICAL, found.get("engine.down:brookdesk"));
        assertTrue(found.keySet().stream().noneMatch(i -> i.startsWith("missing")), found.toString());
        // All that needs it but the host in the call: that falls back to the default microphone.
        assertEquals(15, finding("engine.down:brookdesk").figures().getFirst().value());
    }

    @Test
    void aDeviceThatIsGoneIsCriticalWhereEarsHangOnItAndANoteWhereNothingDoes() {
        set("larch", Devices.PERMITTED, false);
        assertEquals(Severity.CRITICAL, found().get("device.gone:larch"));
        assertTrue(found().keySet().stream().noneMatch(i -> i.startsWith("missing:host")), found().toString());
        rig = GOOD;
        set("mole", Devices.PRESENT, false);
        assertNull(found().get("device.gone:mole"), "nothing is set to it");
    }

    @Test
    void soundThatTakesTheDefaultInsteadIsAFallback() {
        set("tern", Devices.PRESENT, false);
        Map<String, Severity> found = found();
        assertEquals(Severity.CRITICAL, found.get("device.fallback:tern"));
        assertNull(found.get("device.gone:tern"));
    }

    @Test
    void anOutputThatIsNotActiveTakesThePlaceOfWhatIsMissingThere() {
        set("out-live", Productions.ACTIVE, false);
        assertEquals(Severity.CRITICAL, found().get("output.idle:out-live"));
        assertTrue(found().keySet().stream().noneMatch(i -> i.endsWith(">live")), found().toString());
    }

    @Test
    void aLeakIsMinorWhenFaintAndANoteWhenFainterButAPrivateOneKeepsItsSeverity() {
        set("in-music", Productions.TRACK.of(2), true).set("in-music", Productions.INPUT_LEVEL, -29.0);
        assertEquals(Severity.CRITICAL, found().get("leak:music>archive"));
        set("in-music", Productions.INPUT_LEVEL, -31.0);
        assertEquals(Severity.MINOR, found().get("leak:music>archive"));
        set("in-music", Productions.INPUT_LEVEL, -51.0);
        assertEquals(Severity.NOTE, found().get("leak:music>archive"));
        set("music", Sources.PRIVATE, true);
        assertEquals(Severity.CRITICAL, found().get("leak:music>archive"));
        set("in-music", Productions.INPUT_LEVEL, -61.0);
        assertEquals(Severity.NOTE, found().get("leak:music>archive"));
    }

    @Test
    void anEntryInTheBriefBeatsAPreset() {
        set("in-music", Productions.TRACK.of(2), true);
        brief = brief.with(new Brief.Cell("music", "archive", ""), Wish.MAY);
        assertNull(found().get("leak:music>archive"));
    }

    @Test
    void aMustThatArrivesTooFaintlyIsMissing() {
        set("in-music", Productions.INPUT_LEVEL, -31.0);
        Finding finding = finding("missing:music>live");
        assertEquals("input Music in Orrery is at only −31 dB", finding.words().cause());
        assertEquals(
                "Music reaches Live far too quietly: input Music in Orrery is at only −31 dB.",
                finding.words().plain());
        assertEquals(-31, finding.figures().getFirst().value(), 1e-9);
        set("out-relay", Productions.ACTIVE, false);
        assertTrue(found().containsKey("missing:music>live"), "an output that is idle explains nothing that arrives");
        set("in-music", Productions.INPUT_LEVEL, -26.0);
        assertTrue(found().containsKey("missing:music>live"), "−36 − 26 = −62 dBFS is below −60");
        set("in-music", Productions.INPUT_LEVEL, -17.0);
        assertFalse(found().containsKey("missing:music>live"), "−36 − 17 − 6 = −59 dBFS even in Panel");
        set("in-music", Productions.INPUT_LEVEL, -3.0).set("music", Sources.LEVEL, -62.0);
        assertEquals(
                "Music itself is at only −62 dBFS",
                finding("missing:music>live").words().cause());
    }

    @Test
    void copiesAreNamedByHowFarTheyAreApart() {
        double[] delays = {10.02, 10.04, 39, 41, 69, 71};
        String[] words = {"stacked", "comb", "comb", "slap", "slap", "echo"};
        for (int i = 0; i < delays.length; i++) {
            rig = GOOD;
            set("in-host-raw", Productions.PROGRAM, true).set("in-host-raw", Productions.INPUT_DELAY, delays[i]);
            Finding finding = finding("double:host>live");
            assertTrue(
                    finding.words().exact().contains(words[i]),
                    delays[i] + ": " + finding.words().exact());
            assertEquals(i == 0 ? Severity.MAJOR : Severity.CRITICAL, finding.severity());
        }
    }

    @Test
    void aCopyWhoseDelayIsNotKnownIsSaidToBeSo() {
        set("in-host-raw", Productions.PROGRAM, true).set("hushgate", Links.PROCESSOR_LATENCY, (Double) null);
        Finding finding = finding("double:host>live");
        assertTrue(
                finding.words().exact().contains("timing not known"),
                finding.words().exact());
        assertTrue(finding.assumed());
        assertEquals(Severity.CRITICAL, finding.severity());
    }

    @Test
    void aCopyMoreThanTwentyDecibelsDownIsFaint() {
        set("in-host-raw", Productions.PROGRAM, true).set("in-host-raw", Productions.INPUT_LEVEL, -21.0);
        assertEquals(Severity.NOTE, found().get("double.faint:host>live"));
        assertNull(found().get("double:host>live"));
    }

    @Test
    void ripleAndNotchAreThoseOfTwoCopies() {
        set("in-host-raw", Productions.PROGRAM, true).set("in-host-raw", Productions.INPUT_LEVEL, -6.0);
        Map<String, Double> figures = finding("double:host>track-host").figures().stream()
                .collect(Collectors.toMap(Figure::name, Figure::value));
        assertEquals(50, figures.get("first notch"), 1e-9); // 1000 / (2 · 10 ms)
        double a = Math.pow(10, -6 / 20.0); // 0.5012
        assertEquals(20 * Math.log10((1 + a) / (1 - a)), figures.get("ripple"), 1e-9); // 9.57 dB
        assertEquals(0.97, figures.get("rise"), 0.005); // 10 · log10(1 + 10^−0.6)
    }

    @Test
    void aFarEndThatHearsItselfOnlyThroughTheAirIsANoteWhileEchoIsCancelled() {
        assertEquals(Severity.NOTE, found().get("loop.far-end:guests>call"));
        set("farcall", Applications.CANCELS_ECHO, false);
        assertEquals(Severity.MAJOR, found().get("loop.far-end:guests>call")); // −40 dB
        set("dome-air", Links.COUPLING_GAIN, -46.0);
        assertEquals(Severity.MINOR, found().get("loop.far-end:guests>call"));
        set("dome-air", Links.COUPLING_GAIN, -29.0);
        assertEquals(Severity.CRITICAL, found().get("loop.far-end:guests>call"));
    }

    @Test
    void aLoopThroughTheAirIsJudgedByItsStrongestCircle() {
        set("strip-dome", Mixers.CROSSING.of("bus-dome"), true);
        assertEquals(Severity.MINOR, found().get("loop.air:brookdesk"));
        set("dome-air", Links.COUPLING_GAIN, -19.0);
        assertEquals(Severity.MAJOR, found().get("loop.air:brookdesk"));
        set("dome-air", Links.COUPLING_GAIN, 0.0);
        assertEquals(Severity.CRITICAL, found().get("loop.air:brookdesk"));
        assertNull(found().get("loop.electric:brookdesk"), "without the air there is no loop");
    }

    @Test
    void anElectricLoopIsMajorWhenItDiesDownAndMinorWhenFaint() {
        set("orrery", Productions.CUE_DEVICE, to("plover-play")).set("in-default", Productions.CUE, true);
        assertEquals(Severity.CRITICAL, found().get("loop.electric:orrery"));
        set("in-default", Productions.INPUT_LEVEL, -13.0);
        assertEquals(Severity.MAJOR, found().get("loop.electric:orrery"));
        Finding loop = finding("loop.electric:orrery");
        assertEquals(
                13,
                loop.figures().stream()
                        .filter(f -> f.name().equals("margin"))
                        .findFirst()
                        .orElseThrow()
                        .value(),
                1e-9);
        assertEquals(
                5,
                loop.figures().stream()
                        .filter(f -> f.name().equals("repeats"))
                        .findFirst()
                        .orElseThrow()
                        .value()); // ⌈60 / 13⌉
        set("in-default", Productions.INPUT_LEVEL, -41.0);
        assertEquals(Severity.MINOR, found().get("loop.electric:orrery"));
    }

    @Test
    void aCableThatConvertsIsFineAndOneOfWhichItIsNotKnownIsMinor() {
        set("heron-record", Devices.RATE, 44_100.0);
        assertEquals(Severity.MAJOR, found().get("rate.cable:heron"));
        set("heron", Links.CABLE_CONVERTS, (Boolean) null);
        assertEquals(Severity.MINOR, found().get("rate.cable:heron"));
        set("heron", Links.CABLE_CONVERTS, true);
        assertNull(found().get("rate.cable:heron"));
    }

    @Test
    void aPrivateSourceOnADedicatedTrackIsALeakAloneAndOthersAreMixed() {
        set("in-effects", Productions.TRACK.of(5), true);
        assertEquals(Severity.MAJOR, found().get("track.mixed:effects>track-clips"));
        set("effects", Sources.PRIVATE, true);
        assertNull(found().get("track.mixed:effects>track-clips"));
        assertEquals(Severity.CRITICAL, found().get("leak:effects>track-clips"));
    }

    @TakesLong
    @Test
    void onRigsOfAnyKindNoTroubleIsToldTwiceAndTheSameRigGivesTheSame() {
        for (int seed = 0; seed < 300; seed++) {
            Rig random = RandomRigs.of(seed);
            Brief wishes = Brief.EMPTY;
            for (int i = 0; i < 4; i++) {
                wishes = wishes.with(new Brief.Cell("q" + i, "live-outlet", ""), i % 2 == 0 ? Wish.MUST : Wish.NEVER)
                        .with(new Brief.Cell("q" + i, "ears", ""), Wish.MUST);
            }
            Reading reading = RuleCatalogue.usual().read(random, wishes);
            List<String> identities = new ArrayList<>();
            reading.findings().forEach(f -> identities.add(f.identity()));
            assertEquals(identities.stream().distinct().toList(), identities, "seed " + seed);
            assertEquals(
                    reading.findings(),
                    RuleCatalogue.usual().read(random, wishes).findings(),
                    "seed " + seed);
            for (Finding f : reading.findings()) {
                assertFalse(f.words().exact().contains("NaN"), f.words().exact());
                boolean pair = !f.subject().source().isEmpty();
                assertTrue(!pair
                        || !identities.contains("leak:" + f.subject().text())
                        || !f.rule().equals("loop.far-end"));
            }
        }
    }
}
