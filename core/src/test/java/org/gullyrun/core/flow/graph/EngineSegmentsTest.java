package org.gullyrun.core.flow.graph;

import static org.gullyrun.core.rig.Choice.to;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Sources;
import org.junit.jupiter.api.Test;

/** The table of the rig model, row by row: what mixers, productions and applications make, and the choices made in them. */
class EngineSegmentsTest extends SegmentChecks {
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
