package org.gullyrun.core.flow.graph;

import static org.gullyrun.core.rig.Choice.to;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.junit.jupiter.api.Test;

/** The rows of the model's second edition, worked out by hand: what services, captures, cues and spare outputs make. */
class LaterSegmentsTest extends SegmentChecks {
    private static Element source(String id, String at) {
        return Element.of(Kind.SOURCE, id).with(Sources.AT, at);
    }

    private static Element farEnd(String id, String call) {
        return Element.of(Kind.OUTLET, id)
                .with(Outlets.SORT, Outlets.Sort.FAR_END)
                .with(Outlets.APPLICATION, call);
    }

    private static Element output(String id, int... tracks) {
        Element output = Element.of(Kind.OUTPUT, id).with(Productions.OUTPUT_OF, "show");
        for (int track : tracks) {
            output = output.with(Productions.TAKES_TRACK.of(track), true);
        }
        return output;
    }

    @Test
    void aSourceAtOneOutputGoesWhereThatOneGoes() {
        rig(
                play("speakers"),
                play("headset"),
                application("game").with(Applications.LEVEL, -3.0).with(Applications.MUTED, true),
                output("game", to("speakers")),
                Element.of(Kind.APP_OUTPUT, "talk")
                        .with(Applications.OUTPUT_OF, "game")
                        .with(Applications.PROGRAM_CHOICE, to("headset")),
                source("party", "talk"),
                show(),
                input("all", Takes.APPLICATION).with(Productions.APPLICATION, "game"));
        expect("party", "talk", -3, 0, "game is muted");
        expect("talk", "headset", 0, 0);
        assertFalse(has("talk", "speakers"), "the other output doesn't carry it");
        expect("talk", "all", -4, 20);
        expect("game#out", "all", -4, 20);
    }

    @Test
    void anOutputThatPlaysNowhereIsNotCaptured() {
        rig(
                play("speakers"),
                application("game"),
                output("game", to("speakers")),
                Element.of(Kind.APP_OUTPUT, "talk")
                        .with(Applications.OUTPUT_OF, "game")
                        .with(Applications.PROGRAM_CHOICE, Choice.Special.NOTHING),
                source("party", "talk"),
                show(),
                input("all", Takes.APPLICATION).with(Productions.APPLICATION, "game"));
        expect("talk", "all", -4, 20, "game plays to nothing");
        expect("game#out", "all", -4, 20);
    }

    @Test
    void aServiceLetsThoseInACallHearEachOtherButNotThemselves() {
        Element ada = source("ada", "call").with(Sources.PERSON, "Ada");
        rig(
                application("call"),
                ada,
                source("somebody", "call"),
                farEnd("to-ada", "call").with(Outlets.PERSONS, List.of("Ada")),
                farEnd("to-ben", "call").with(Outlets.PERSONS, List.of("Ben")),
                farEnd("to-all", "call"));
        expect("ada", "to-ben", 0, 0);
        assertFalse(has("ada", "to-ada"));
        assertFalse(has("ada", "to-all"), "nobody is named there: it is for all, Ada among them");
        assertFalse(has("somebody", "to-ben"), "whose voice it is isn't known");
    }

    @Test
    void aServiceThatDoesNotPassGuestsOnMakesNoSuchRoute() {
        rig(
                application("call").with(Applications.PASSES_GUESTS, false),
                source("ada", "call").with(Sources.PERSON, "Ada"),
                farEnd("to-ben", "call").with(Outlets.PERSONS, List.of("Ben")));
        assertFalse(has("ada", "to-ben"));
    }

    @Test
    void takingAndCueingHaveLatenciesThatAreAssumedWhereNotEntered() {
        rig(
                record("mic"),
                play("phones"),
                show().with(Productions.CAPTURE_LATENCY, 11.0)
                        .with(Productions.CUE_LATENCY, 7.0)
                        .with(Productions.CUE_PROGRAM, 2)
                        .with(Productions.CUE_DEVICE, to("phones")),
                input("voice", Takes.RECORDING).with(Productions.DEVICE, to("mic")));
        expect("mic", "voice", -4, 31); // 20 of the input, 11 of the production
        expect("show#cue", "phones", 0, 7);
        expect("show#track02", "show#cue", 0, 0);
        assertFalse(has("show#track01", "show#cue"), "only the chosen track");
        assertEquals(List.of(), graph.assumed(segment("mic", "voice")));
        parts.replaceAll(e -> e.id().equals("show") ? show() : e);
        rig();
        assertEquals(
                List.of("captureLatency"),
                graph.assumed(segment("mic", "voice")).stream()
                        .map(at -> at.key())
                        .toList());
    }

    @Test
    void anInputTakesSeveralPrograms() {
        rig(
                application("music"),
                application("browser").with(Applications.PATH, DriverPath.EXCLUSIVE),
                application("other"),
                show(),
                input("sounds", Takes.APPLICATION)
                        .with(Productions.APPLICATION, "music")
                        .with(Productions.ALSO.of("browser"), true)
                        .with(Productions.ALSO.of("other"), false));
        expect("music#out", "sounds", -4, 20);
        expect("browser#out", "sounds", -4, 20, "browser's exclusive path cannot be captured");
        assertFalse(has("other#out", "sounds"));
    }

    @Test
    void aStripTakesADefaultAndABusGoesToOne() {
        rig(
                Element.of(Kind.MACHINE, "pc")
                        .with(Machines.PLAYBACK, to("speakers"))
                        .with(Machines.RECORDING, to("mic")),
                play("speakers"),
                record("mic"),
                Element.of(Kind.MIXER, "mix").with(Mixers.MACHINE, "pc").with(Mixers.LATENCY, 1.0),
                Element.of(Kind.STRIP, "voice").with(Mixers.STRIP_OF, "mix").with(Mixers.FEED, Choice.Special.DEFAULT),
                Element.of(Kind.STRIP, "computer")
                        .with(Mixers.STRIP_OF, "mix")
                        .with(Mixers.FEED, Choice.Special.PLAYBACK_DEFAULT),
                Element.of(Kind.BUS, "out").with(Mixers.BUS_OF, "mix").with(Mixers.TARGET, Choice.Special.DEFAULT));
        expect("mic", "voice", 0, 0);
        expect("speakers", "computer", -2, 0);
        expect("out", "speakers", 0, 0);
        assertEquals(
                List.of(new Address("voice", "feed")),
                DefaultFollowers.of(graph.rig(), "pc", Devices.Direction.RECORDING, false));
        assertEquals(
                List.of(new Address("computer", "feed"), new Address("out", "target")),
                DefaultFollowers.of(graph.rig(), "pc", Devices.Direction.PLAYBACK, false));
    }

    @Test
    void thePathOfABusClosesWhatTakesItsDevice() {
        rig(
                play("cable"),
                Element.of(Kind.MIXER, "mix").with(Mixers.PATH, DriverPath.EXCLUSIVE),
                Element.of(Kind.BUS, "out")
                        .with(Mixers.BUS_OF, "mix")
                        .with(Mixers.TARGET, to("cable"))
                        .with(Mixers.BUS_PATH, DriverPath.STANDARD),
                show(),
                input("all", Takes.PLAYBACK).with(Productions.DEVICE, to("cable")));
        expect("cable", "all", -4, 20);
        parts.replaceAll(e -> e.id().equals("out") ? e.with(Mixers.BUS_PATH, DriverPath.LOW_LATENCY) : e);
        rig();
        expect("cable", "all", -4, 20, "mix holds the device on a low-latency path");
        parts.replaceAll(e -> e.id().equals("out") ? e.with(Mixers.BUS_PATH, null) : e);
        rig();
        expect("cable", "all", -4, 20, "mix holds the device on an exclusive path");
    }

    @Test
    void aDeviceThatAnEngineOffersIsThereWhileThatRuns() {
        Element mixer = Element.of(Kind.MIXER, "mix").with(Mixers.RUNNING, false);
        rig(
                Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, to("speakers")),
                mixer,
                play("offered").with(Devices.PROVIDED_BY, "mix"),
                play("orphan").with(Devices.PROVIDED_BY, "nobody"),
                play("speakers"),
                application("music"),
                output("music", to("offered")),
                application("chat"),
                output("chat", to("orphan")));
        expect("music#out", "offered", -1, 0, "mix isn't running");
        expect("music#out", "speakers", -1, 0);
        assertTrue(graph.isFallback(segment("music#out", "speakers")));
        expect("chat#out", "orphan", -1, 0, "orphan is offered by a program that isn't here");
        assertTrue(Choices.lacksOnlyItsEngine(graph.rig(), "offered"));
    }

    @Test
    void aServiceTakesAnotherOutputWhileItsOwnIsOff() {
        Element vod = Element.of(Kind.OUTLET, "vod")
                .with(Outlets.SORT, Outlets.Sort.ARCHIVE)
                .with(Outlets.OUTPUT, "keeps")
                .with(Outlets.OTHERWISE, "live");
        rig(show(), output("live", 1), output("keeps", 2).with(Productions.ACTIVE, false), vod);
        expect("show#track02", "vod", 0, 0, "output keeps isn't active");
        expect("show#track01", "vod", 0, 0);
        parts.replaceAll(e -> e.id().equals("keeps") ? e.with(Productions.ACTIVE, true) : e);
        rig();
        expect("show#track02", "vod", 0, 0);
        assertFalse(has("show#track01", "vod"));
        parts.replaceAll(e -> e.id().equals("keeps") ? output("keeps") : e);
        rig();
        expect("show#track01", "vod", 0, 0);
        assertFalse(has("show#track02", "vod"), "it takes no track");
    }

    @Test
    void theSegmentsOfAGateAreThoseThatNameIt() {
        for (int seed = 0; seed < RandomRigs.many(20, 400); seed++) {
            Rig rig = RandomRigs.of(seed);
            for (FlowGraph each : FlowGraph.all(rig, SceneKey.axis(rig))) {
                for (int g = 0; g < each.gateCount(); g++) {
                    Gate gate = each.gate(g);
                    int[] named = IntStream.range(0, each.segments())
                            .filter(s -> each.gates(s).contains(gate))
                            .toArray();
                    assertArrayEquals(named, each.gated(gate.at()), "seed " + seed + ", " + gate.at());
                }
            }
        }
    }
}
