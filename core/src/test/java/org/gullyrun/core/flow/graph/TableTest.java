package org.gullyrun.core.flow.graph;

import static org.gullyrun.core.rig.Choice.to;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.junit.jupiter.api.Test;

/** Every row of the rig model's table, with figures worked out by hand. */
class TableTest {
    private final List<Element> parts = new ArrayList<>();

    private FlowGraph graph;

    private static Element play(String id) {
        return Element.of(Kind.DEVICE, id)
                .with(Devices.DIRECTION, Direction.PLAYBACK)
                .with(Devices.MACHINE, "pc")
                .with(Devices.LATENCY, 8.0)
                .with(Devices.LEVEL, -2.0);
    }

    private static Element record(String id) {
        return play(id).with(Devices.DIRECTION, Direction.RECORDING)
                .with(Devices.LATENCY, 5.0)
                .with(Devices.LEVEL, -3.0);
    }

    private static Element application(String id) {
        return Element.of(Kind.APPLICATION, id).with(Applications.MACHINE, "pc");
    }

    private static Element output(String id, Choice choice) {
        return Element.of(Kind.APP_OUTPUT, id + "-o")
                .with(Applications.OUTPUT_OF, id)
                .with(Applications.PROGRAM_CHOICE, choice)
                .with(Applications.OUTPUT_LEVEL, -1.0);
    }

    private static Element input(String id, Takes takes) {
        return Element.of(Kind.INPUT, id)
                .with(Productions.INPUT_OF, "show")
                .with(Productions.TAKES, takes)
                .with(Productions.ALWAYS, true)
                .with(Productions.INPUT_LEVEL, -4.0)
                .with(Productions.INPUT_DELAY, 20.0)
                .with(Productions.TRACK.of(1), true);
    }

    private static Element show() {
        return Element.of(Kind.PRODUCTION, "show")
                .with(Productions.MACHINE, "pc")
                .with(Productions.TRACKS, 2);
    }

    private void rig(Element... elements) {
        parts.addAll(List.of(elements));
        Rig made = Rig.of(parts);
        graph = FlowGraph.of(made, SceneKey.axis(made).getFirst());
    }

    private int segment(String from, String to) {
        return IntStream.range(0, graph.segments())
                .filter(s -> graph.id(graph.from(s)).text().equals(from)
                        && graph.id(graph.to(s)).text().equals(to))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no segment " + from + " → " + to + " among "
                        + IntStream.range(0, graph.segments())
                                .mapToObj(s -> graph.id(graph.from(s)) + "→" + graph.id(graph.to(s)))
                                .toList()));
    }

    private boolean has(String from, String to) {
        return IntStream.range(0, graph.segments())
                .anyMatch(s -> graph.id(graph.from(s)).text().equals(from)
                        && graph.id(graph.to(s)).text().equals(to));
    }

    private void expect(String from, String to, double gain, double latency, String... closed) {
        int s = segment(from, to);
        assertEquals(gain, graph.gain(s), 1e-12, from + " → " + to + " gain");
        assertEquals(latency, graph.latency(s), 1e-12, from + " → " + to + " latency");
        assertEquals(
                List.of(closed),
                graph.gates(s).stream().filter(g -> !g.open()).map(Gate::why).toList(),
                from + " → " + to + " closed gates");
    }

    @Test
    void aSourceEntersItsApplicationWithTheApplicationsLevelUnlessItIsMuted() {
        rig(
                application("app").with(Applications.LEVEL, -6.0),
                application("quiet").with(Applications.MUTED, true),
                Element.of(Kind.SOURCE, "s").with(Sources.AT, "app"),
                Element.of(Kind.SOURCE, "q").with(Sources.AT, "quiet"));
        expect("s", "app#out", -6, 0);
        expect("q", "quiet#out", 0, 0, "quiet is muted");
    }

    @Test
    void aSourceEntersARecordingDeviceWithItsLevelAndItsLatencyIfItIsPhysical() {
        rig(
                record("mic"),
                record("cable-end").with(Devices.VIRTUAL, true),
                Element.of(Kind.SOURCE, "s").with(Sources.AT, "mic"),
                Element.of(Kind.SOURCE, "v").with(Sources.AT, "cable-end"));
        expect("s", "mic", -3, 5);
        expect("v", "cable-end", -3, 0);
    }

    @Test
    void aDeviceThatCannotBeUsedIsOneGateWithItsReasons() {
        rig(
                record("mic")
                        .with(Devices.ENABLED, false)
                        .with(Devices.PERMITTED, false)
                        .with(Devices.MUTED, true),
                Element.of(Kind.SOURCE, "s").with(Sources.AT, "mic"));
        expect("s", "mic", -3, 5, "mic is disabled and blocked by the privacy settings", "mic is muted");
    }

    @Test
    void aWireHasBothDevicesLevelsAndLatenciesAndItsOwn() {
        rig(
                play("out"),
                record("in"),
                Element.of(Kind.WIRE, "w")
                        .with(Links.WIRE_FROM, "out")
                        .with(Links.WIRE_TO, "in")
                        .with(Links.WIRE_GAIN, -10.0)
                        .with(Links.WIRE_LATENCY, 1.5));
        expect("out", "in", -15, 14.5); // −2 −10 −3; 8 + 1.5 + 5
    }

    @Test
    void aCableBetweenVirtualEndsHasOnlyItsOwnLatency() {
        rig(
                play("a").with(Devices.VIRTUAL, true),
                record("b").with(Devices.VIRTUAL, true),
                Element.of(Kind.CABLE, "c")
                        .with(Links.CABLE_FROM, "a")
                        .with(Links.CABLE_TO, "b")
                        .with(Links.CABLE_LATENCY, 7.0));
        expect("a", "b", -5, 7);
    }

    @Test
    void aCouplingTakesTheDistanceWhereNoLatencyIsKnown() {
        rig(
                play("speaker"),
                record("mic"),
                Element.of(Kind.COUPLING, "air")
                        .with(Links.COUPLING_FROM, "speaker")
                        .with(Links.COUPLING_TO, "mic")
                        .with(Links.COUPLING_GAIN, -40.0)
                        .with(Links.COUPLING_DISTANCE, 3.43));
        expect("speaker", "mic", -45, 23); // 8 + 10 + 5: 3.43 m at 343 m/s
        assertTrue(graph.isCoupling(segment("speaker", "mic")));
    }

    @Test
    void aPassThroughPlaysARecordingDeviceOnToTheDefault() {
        rig(
                Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, to("out")),
                record("in"),
                play("out"),
                Element.of(Kind.PASS_THROUGH, "p")
                        .with(Links.PASS_FROM, "in")
                        .with(Links.PASS_TO, Choice.Special.DEFAULT)
                        .with(Links.PASS_GAIN, -1.0)
                        .with(Links.PASS_LATENCY, 10.0)
                        .with(Links.PASS_ENABLED, false));
        expect("in", "out", -1, 10, "pass-through p is switched off");
    }

    @Test
    void aDirectPassThroughGoesAroundTheMicrophoneButNotAroundTheHeadphones() {
        rig(
                record("mic").with(Devices.MUTED, true).with(Devices.PERMITTED, false),
                play("phones"),
                Element.of(Kind.PASS_THROUGH, "direct")
                        .with(Links.PASS_FROM, "mic")
                        .with(Links.PASS_TO, to("phones"))
                        .with(Links.PASS_DIRECT, true)
                        .with(Links.PASS_GAIN, -1.0)
                        .with(Links.PASS_LATENCY, 0.5),
                Element.of(Kind.SOURCE, "s").with(Sources.AT, "mic"),
                Element.of(Kind.OUTLET, "ears")
                        .with(Outlets.SORT, Outlets.Sort.EARS)
                        .with(Outlets.DEVICE, to("phones")));
        expect("s", "direct", -1, 0.5);
        expect("direct", "ears", -2, 0);
        assertFalse(has("mic", "phones"));
    }

    @Test
    void earsHearAPlaybackDeviceWithItsLevelAndLatency() {
        rig(
                play("phones").with(Devices.MUTED, true),
                Element.of(Kind.OUTLET, "ears")
                        .with(Outlets.SORT, Outlets.Sort.EARS)
                        .with(Outlets.DEVICE, to("phones")));
        expect("phones", "ears", -2, 8, "phones is muted");
    }

    @Test
    void aProcessorStandsBetweenTwoRecordingDevices() {
        rig(
                record("raw"),
                record("clean").with(Devices.VIRTUAL, true),
                Element.of(Kind.PROCESSOR, "gate")
                        .with(Links.PROCESSOR_FROM, "raw")
                        .with(Links.PROCESSOR_TO, "clean")
                        .with(Links.PROCESSOR_LATENCY, 10.0)
                        .with(Links.PROCESSOR_GAIN, 2.0)
                        .with(Links.PROCESSOR_RUNNING, false));
        expect("raw", "clean", -1, 10, "processor gate isn't running".replace("processor ", ""));
    }

    @Test
    void aStripTakesARecordingDeviceOrWhatIsPlayedToAPlaybackDevice() {
        rig(
                record("mic"),
                play("end"),
                Element.of(Kind.MIXER, "mix").with(Mixers.LATENCY, 12.0).with(Mixers.RUNNING, false),
                Element.of(Kind.STRIP, "one")
                        .with(Mixers.STRIP_OF, "mix")
                        .with(Mixers.FEED, to("mic"))
                        .with(Mixers.STRIP_LEVEL, -6.0),
                Element.of(Kind.STRIP, "two")
                        .with(Mixers.STRIP_OF, "mix")
                        .with(Mixers.FEED, to("end"))
                        .with(Mixers.STRIP_LEVEL, -6.0)
                        .with(Mixers.STRIP_MUTED, true));
        expect("mic", "one", -6, 0, "mix isn't running");
        expect("end", "two", -8, 0, "mix isn't running", "strip two is muted");
    }

    @Test
    void everyCrossingIsASegmentOpenOrClosed() {
        rig(
                play("out"),
                record("virtual").with(Devices.VIRTUAL, true),
                Element.of(Kind.MIXER, "mix").with(Mixers.LATENCY, 12.0),
                Element.of(Kind.STRIP, "s")
                        .with(Mixers.STRIP_OF, "mix")
                        .with(Mixers.CROSSING.of("a"), true)
                        .with(Mixers.CROSSING_LEVEL.of("a"), -5.0),
                Element.of(Kind.BUS, "a")
                        .with(Mixers.BUS_OF, "mix")
                        .with(Mixers.BUS_LEVEL, -1.0)
                        .with(Mixers.TARGET, to("out")),
                Element.of(Kind.BUS, "b")
                        .with(Mixers.BUS_OF, "mix")
                        .with(Mixers.BUS_MUTED, true)
                        .with(Mixers.TARGET, to("virtual")));
        expect("s", "a", -6, 12);
        expect("s", "b", 0, 12, "strip s is not on bus b", "bus b is muted");
        expect("a", "out", 0, 0);
        expect("b", "virtual", -3, 0);
    }

    @Test
    void anInputTakesARecordingDeviceWithItsLevelAndDelay() {
        rig(record("mic"), show(), input("i", Takes.RECORDING).with(Productions.DEVICE, to("mic")));
        expect("mic", "i", -4, 20);
        expect("i", "show#track01", 0, 0);
        expect("i", "show#track02", 0, 0, "input i is not on track 2");
        expect("i", "show#cue", 0, 0, "input i is not on cue");
    }

    @Test
    void allThatIsPlayedIsTakenBeforeTheDevicesLevelAndMuteUnlessSomebodyGoesAround() {
        rig(
                play("out").with(Devices.MUTED, true),
                show(),
                input("all", Takes.PLAYBACK).with(Productions.DEVICE, to("out")),
                application("game").with(Applications.PATH, DriverPath.EXCLUSIVE),
                output("game", to("out")),
                application("other"),
                output("other", to("out")));
        expect("out", "all", -4, 20, "game's exclusive path cannot be captured");
    }

    @Test
    void anApplicationIsTakenWhereverItPlaysButNotWhenItPlaysToNothing() {
        rig(
                show(),
                application("song"),
                output("song", Choice.Special.NOTHING),
                application("clip"),
                output("clip", to("gone")),
                input("i", Takes.APPLICATION).with(Productions.APPLICATION, "song"),
                input("j", Takes.APPLICATION).with(Productions.APPLICATION, "clip"));
        expect("song#out", "i", -4, 20, "song plays to nothing");
        expect("clip#out", "j", -4, 20);
        expect("clip#out", "gone", -1, 0, "there is no device gone for this");
    }

    @Test
    void ownSoundThatPlaysAloudLeavesForTheDefaultInsteadOfCueAndTracks() {
        rig(
                Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, to("out")),
                play("out"),
                show(),
                input("film", Takes.OWN).with(Productions.PLAYS_ALOUD, true).with(Productions.CUE, true),
                Element.of(Kind.SOURCE, "s").with(Sources.AT, "film"));
        expect("s", "film", -4, 20);
        expect("film", "out", 0, 0);
        expect("film", "show#track01", 0, 0, "input film plays to the default device instead");
        expect("film", "show#cue", 0, 0, "input film plays to the default device instead");
    }

    @Test
    void aTrackAboveTheCountIsKeptAndClosed() {
        rig(show(), input("i", Takes.OWN).with(Productions.TRACK.of(5), true));
        expect("i", "show#track05", 0, 0, "show has 2 tracks, no track 5");
    }

    @Test
    void cueGoesToItsDeviceAndLiveHearsTheLowestTrackItTakes() {
        rig(
                play("phones").with(Devices.PRESENT, false),
                show().with(Productions.CUE_DEVICE, to("phones")),
                Element.of(Kind.OUTPUT, "out")
                        .with(Productions.OUTPUT_OF, "show")
                        .with(Productions.TAKES_TRACK.of(2), true)
                        .with(Productions.TAKES_TRACK.of(1), true)
                        .with(Productions.ACTIVE, false),
                Element.of(Kind.OUTLET, "live")
                        .with(Outlets.SORT, Outlets.Sort.LIVE)
                        .with(Outlets.OUTPUT, "out"),
                Element.of(Kind.OUTLET, "two")
                        .with(Outlets.SORT, Outlets.Sort.TRACK)
                        .with(Outlets.OUTPUT, "out")
                        .with(Outlets.TRACK, 2));
        expect("show#cue", "phones", 0, 0, "phones is unplugged or switched off");
        expect("show#track01", "live", 0, 0, "output out isn't active");
        expect("show#track02", "two", 0, 0, "output out isn't active");
        assertFalse(has("show#track02", "live"));
    }

    @Test
    void anApplicationListensAndCarriesToItsFarEndOrPassesOn() {
        rig(
                record("mic"),
                application("call")
                        .with(Applications.INPUT, to("mic"))
                        .with(Applications.INPUT_LEVEL, -2.0)
                        .with(Applications.MAY_LISTEN, false)
                        .with(Applications.INPUT_MUTED, true)
                        .with(Applications.PASSES_ON, true)
                        .with(Applications.PASS_GAIN, -7.0)
                        .with(Applications.PASS_LATENCY, 3.0),
                Element.of(Kind.OUTLET, "far")
                        .with(Outlets.SORT, Outlets.Sort.FAR_END)
                        .with(Outlets.APPLICATION, "call"));
        expect("mic", "call#in", -2, 0, "call may not use microphones");
        expect("call#in", "far", 0, 0, "call's microphone is muted");
        expect("call#in", "call#out", -7, 3);
    }

    @Test
    void choicesFallBackToTheDefaultWhereTheirDeviceIsGone() {
        Element pc = Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, to("spare"));
        rig(
                pc,
                play("spare"),
                play("phones").with(Devices.PRESENT, false),
                application("app"),
                output("app", to("phones")),
                application("strict").with(Applications.WHEN_GONE, Applications.WhenGone.SILENT),
                output("strict", to("phones")));
        expect("app#out", "phones", -1, 0, "phones is unplugged or switched off");
        expect("app#out", "spare", -1, 0);
        assertTrue(graph.isFallback(segment("app#out", "spare")));
        assertFalse(has("strict#out", "spare"));
    }

    @Test
    void aSystemChoiceReplacesTheDefaultOrWins() {
        for (Machines.SystemChoice rule : Machines.SystemChoice.values()) {
            parts.clear();
            rig(
                    Element.of(Kind.MACHINE, "pc")
                            .with(Machines.PLAYBACK, to("a"))
                            .with(Machines.SYSTEM_CHOICE, rule),
                    play("a"),
                    play("b"),
                    play("c"),
                    application("x"),
                    output("x", Choice.Special.DEFAULT).with(Applications.SYSTEM_CHOICE, to("c")),
                    application("y"),
                    output("y", to("b")).with(Applications.SYSTEM_CHOICE, to("c")));
            assertTrue(has("x#out", "c"));
            assertEquals(rule == Machines.SystemChoice.WINS, has("y#out", "c"), rule.word());
            assertEquals(rule != Machines.SystemChoice.WINS, has("y#out", "b"), rule.word());
        }
    }

    @Test
    void unknownValuesCountAsUsualAndAreNamed() {
        rig(
                record("mic")
                        .with(Devices.LATENCY, null)
                        .with(Devices.LEVEL, null)
                        .with(Devices.MUTED, null),
                Element.of(Kind.SOURCE, "s").with(Sources.AT, "mic"),
                application("app"),
                output("app", to("x")).with(Applications.PROGRAM_CHOICE, null));
        expect("s", "mic", 0, 0);
        assertEquals(
                List.of("mic/muted", "mic/level", "mic/latency"),
                graph.assumed(segment("s", "mic")).stream()
                        .map(Object::toString)
                        .toList());
        assertFalse(has("app#out", "x"), "an unknown choice makes no segment");
    }

    @Test
    void ratesThatDifferAlongASegmentAreAConversion() {
        rig(
                play("a").with(Devices.RATE, 48_000.0),
                record("b").with(Devices.RATE, 44_100.0),
                Element.of(Kind.CABLE, "c").with(Links.CABLE_FROM, "a").with(Links.CABLE_TO, "b"));
        assertTrue(graph.converts(segment("a", "b")));
    }
}
