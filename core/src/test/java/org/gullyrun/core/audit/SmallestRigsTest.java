package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.intake.Question;
import org.gullyrun.core.intake.Questions;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.junit.jupiter.api.Test;

/** Rules on the smallest rigs that tell right from nearly right; figures are worked out by hand. */
class SmallestRigsTest {
    private final SmallRig rig = new SmallRig();
    private Brief brief = Brief.EMPTY;

    private void wish(String source, String outlet, Wish wish) {
        brief = brief.with(new Brief.Cell(source, outlet, ""), wish);
    }

    private Reading reading() {
        return RuleCatalogue.usual().read(rig.rig(), brief);
    }

    private Map<String, Severity> found() {
        return reading().findings().stream().collect(Collectors.toMap(Finding::identity, Finding::severity));
    }

    private Optional<Finding> find(String rule) {
        return reading().findings().stream().filter(f -> f.rule().equals(rule)).findFirst();
    }

    private Finding finding(String rule) {
        return find(rule).orElseThrow(() -> new AssertionError(rule + " in " + found()));
    }

    private static double figure(Finding finding, String name) {
        return finding.figures().stream()
                .filter(f -> f.name().equals(name))
                .findFirst()
                .orElseThrow()
                .value();
    }

    /** An application with one output, in which a source of its name sounds. */
    private void application(String id, Choice plays) {
        rig.with(Element.of(Kind.APPLICATION, id).with(Applications.MACHINE, "pc"))
                .with(Element.of(Kind.APP_OUTPUT, id + "-out")
                        .with(Applications.OUTPUT_OF, id)
                        .with(Applications.PROGRAM_CHOICE, plays))
                .with(Element.of(Kind.SOURCE, "s-" + id)
                        .with(Sources.AT, id)
                        .with(Sources.CLASS, SourceClass.GAME)
                        .with(Sources.LEVEL, -20.0));
    }

    private void onPc(String... devices) {
        for (String device : devices) {
            rig.alter(device, e -> e.with(Devices.MACHINE, "pc"));
        }
    }

    @Test
    void clocksAreTheDevicesOwnNotTheirNames() {
        rig.device("out", Direction.PLAYBACK)
                .device("in", Direction.RECORDING)
                .wire("w", "out", "in", 0, 0)
                .alter("w", e -> e.with(Links.WIRE_SIGNAL, Links.Signal.DIGITAL));
        for (String id : List.of("out", "in")) {
            rig.alter(id, e -> e.with(Common.name(Kind.DEVICE), "Box").with(Devices.CLOCK_ERROR, 0.0));
        }
        rig.alter("in", e -> e.with(Devices.CLOCK_ERROR, 50.0));
        Finding drift = finding("rate.drift");
        assertEquals(Severity.MAJOR, drift.severity());
        assertEquals(180, figure(drift, "drift"), 1e-9); // 50 ppm of an hour
        assertEquals(1 / 9.0, figure(drift, "time to slip"), 1e-9); // 20 ms of 180 ms an hour
        assertTrue(drift.words().exact().contains("after 7 min"), drift.words().exact());
    }

    @Test
    void aChoiceOfTheWrongDirectionFallsBackLikeOneThatIsGone() {
        rig.with(Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, Choice.to("ears")))
                .device("ears", Direction.PLAYBACK)
                .device("mic", Direction.RECORDING)
                .ears("o", "ears");
        onPc("ears", "mic");
        application("app", Choice.to("mic"));
        wish("s-app", "o", Wish.MUST);
        assertTrue(reading().scenes().getFirst().cell(0, 0).delivery().arrives());
        Finding fallback = finding("device.fallback");
        assertTrue(
                fallback.words().title().startsWith("mic isn't a playback device"),
                fallback.words().title());
    }

    @Test
    void onlyProgramsFallBackAllElseIsSilent() {
        rig.with(Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, Choice.to("spare")))
                .device("gone", Direction.PLAYBACK)
                .device("spare", Direction.PLAYBACK)
                .alter("gone", e -> e.with(Devices.PRESENT, false))
                .with(Element.of(Kind.MIXER, "desk"))
                .with(Element.of(Kind.BUS, "bus").with(Mixers.BUS_OF, "desk").with(Mixers.TARGET, Choice.to("gone")));
        onPc("gone", "spare");
        application("app", Choice.to("gone"));
        assertTrue(
                finding("device.fallback")
                        .words()
                        .exact()
                        .contains("app falls back to the default, spare. desk doesn't, and is silent there."),
                finding("device.fallback").words().exact());
    }

    /** A voice at full scale into a mixer's only bus. */
    private void loudBus(String target) {
        rig.source("a", SourceClass.VOICE, 0)
                .with(Element.of(Kind.MIXER, "desk"))
                .with(Element.of(Kind.STRIP, "strip")
                        .with(Mixers.STRIP_OF, "desk")
                        .with(Mixers.FEED, Choice.to("mic-a"))
                        .with(Mixers.CROSSING.of("bus"), true))
                .with(Element.of(Kind.BUS, "bus").with(Mixers.BUS_OF, "desk").with(Mixers.TARGET, Choice.to(target)));
    }

    @Test
    void whatLeavesToNoDeviceClipsNothing() {
        rig.device("speaker", Direction.PLAYBACK);
        loudBus("speaker");
        assertEquals(12, figure(finding("level.clip"), "peak"), 1e-9);
        rig.alter("speaker", e -> e.with(Devices.PRESENT, false));
        assertTrue(find("level.clip").isEmpty());
    }

    @Test
    void aListenerBehindALoudBusIsToldWhereSomethingElseMakesItLoud() {
        rig.device("speaker", Direction.PLAYBACK)
                .device("room", Direction.RECORDING)
                .device("ears", Direction.PLAYBACK)
                .with(Element.of(Kind.COUPLING, "air")
                        .with(Links.COUPLING_FROM, "speaker")
                        .with(Links.COUPLING_TO, "room")
                        .with(Links.COUPLING_GAIN, -40.0)
                        .with(Links.COUPLING_LATENCY, 3.0))
                .pass("hear", "room", "ears", 0, 0)
                .ears("o", "ears");
        loudBus("speaker");
        assertEquals(
                List.of("level.clip:bus"),
                found().keySet().stream()
                        .filter(i -> i.startsWith("level.clip"))
                        .toList());
        rig.source("b", SourceClass.VOICE, 0).pass("own", "mic-b", "ears", 0, 0);
        assertTrue(found().containsKey("level.clip:o"), found().toString());
    }

    @Test
    void anUnknownLatencyThatBothRoutesPassDoesNotHideHowFarTheyAreApart() {
        rig.source("a", SourceClass.VOICE, -20)
                .device("p", Direction.PLAYBACK)
                .device("r", Direction.RECORDING)
                .device("ears", Direction.PLAYBACK)
                .pass("in", "mic-a", "p", 0, 0)
                .wire("w1", "p", "r", 0, 0)
                .wire("w2", "p", "r", 0, 10)
                .pass("out", "r", "ears", 0, 0)
                .ears("o", "ears")
                .alter("p", e -> e.with(Devices.LATENCY, null)); // in the segments of both wires
        assertTrue(finding("double").words().exact().contains("comb, first notch at 50 Hz"));
        rig.alter("w2", e -> e.with(Links.WIRE_LATENCY, null));
        assertTrue(finding("double").words().exact().contains("timing not known"));
    }

    @Test
    void aCallThatDropsMusicAndAnOutputThatIsOffAreFoundAlsoWhereNothingArrivesYet() {
        rig.source("music", SourceClass.MUSIC, -20)
                .with(Element.of(Kind.APPLICATION, "call").with(Applications.VOICE_ONLY, true))
                .with(Element.of(Kind.OUTLET, "far")
                        .with(Outlets.SORT, Outlets.Sort.FAR_END)
                        .with(Outlets.APPLICATION, "call"))
                .with(Element.of(Kind.PRODUCTION, "show"))
                .with(Element.of(Kind.OUTPUT, "stream")
                        .with(Productions.OUTPUT_OF, "show")
                        .with(Productions.ACTIVE, false))
                .with(Element.of(Kind.OUTLET, "live")
                        .with(Outlets.SORT, Outlets.Sort.LIVE)
                        .with(Outlets.OUTPUT, "stream"));
        wish("music", "far", Wish.MUST);
        wish("music", "live", Wish.MUST);
        assertEquals(Severity.MAJOR, found().get("call.voice-only:music>far"));
        assertEquals(Severity.CRITICAL, found().get("output.idle:stream"), "no track, so no way at all");
    }

    @Test
    void mustsAreCountedAsPairsNotAsNames() {
        rig.device("bridge", Direction.PLAYBACK)
                .device("back", Direction.RECORDING)
                .wire("w", "bridge", "back", 0, 0);
        for (String id : List.of("a", "b", "c")) {
            rig.source(id, SourceClass.VOICE, -30).pass("in-" + id, "mic-" + id, "bridge", 0, 0);
            rig.alter(id, e -> e.with(Common.name(Kind.SOURCE), "Voice"));
            wish(id, "o", Wish.MUST);
        }
        rig.device("ears", Direction.PLAYBACK).pass("out", "back", "ears", 0, 0).ears("o", "ears");
        List<Finding> hanging = reading().findings().stream()
                .filter(f -> f.rule().equals("hangs.on"))
                .toList();
        assertEquals(
                List.of("hangs.on:bridge"),
                hanging.stream().map(Finding::identity).toList());
        assertEquals(3, figure(hanging.getFirst(), "musts"), 0);
    }

    @Test
    void aDeviceThatIsAbsentIsOneGateAlsoAroundIt() {
        rig.source("a", SourceClass.VOICE, -20)
                .device("ears", Direction.PLAYBACK)
                .pass("through", "mic-a", "ears", 0, 0)
                .alter("through", e -> e.with(Links.PASS_DIRECT, true))
                .ears("o", "ears")
                .alter("ears", e -> e.with(Devices.PRESENT, false));
        wish("a", "o", Wish.MUST);
        SceneReading scene = reading().scenes().getFirst();
        assertEquals(1, scene.blocked(scene.cell(0, 0)).closed().size());
    }

    @Test
    void aCableIsIdleWhereNothingPlaysIntoItAndAnInputIsNotWhereACopyOfItIsFed() {
        rig.source("a", SourceClass.VOICE, -20)
                .device("in", Direction.PLAYBACK)
                .device("out", Direction.RECORDING)
                .device("other", Direction.PLAYBACK)
                .with(Element.of(Kind.CABLE, "cable")
                        .with(Links.CABLE_FROM, "in")
                        .with(Links.CABLE_TO, "out"))
                .pass("p", "mic-a", "other", 0, 0)
                .wire("w", "other", "out", 0, 0)
                .with(Element.of(Kind.PRODUCTION, "show"))
                .with(Element.of(Kind.INPUT, "input")
                        .with(Productions.INPUT_OF, "show")
                        .with(Productions.TAKES, Productions.Takes.RECORDING)
                        .with(Productions.DEVICE, Choice.to("mic-a")))
                .with(Element.of(Kind.SCENE, "scene").with(Productions.SCENE_OF, "show"))
                .with(Element.of(Kind.ENTRY, "copy")
                        .with(Productions.ENTRY_OF, "scene")
                        .with(Productions.BRINGS, "input")
                        .with(Productions.COPY, true));
        assertTrue(found().containsKey("capture.idle:cable"), "its far end is fed, it is not: " + found());
        assertFalse(found().containsKey("capture.idle:input"), found().toString());
    }

    @Test
    void whatStartsByHandMattersOnlyWhereNothingElseCarriesTheMust() {
        rig.device("ears", Direction.PLAYBACK).ears("o", "ears");
        loudBus("ears");
        rig.alter("desk", e -> e.with(Mixers.STARTS, false)).alter("a", e -> e.with(Sources.LEVEL, -20.0));
        wish("a", "o", Wish.MUST);
        assertEquals(Severity.MINOR, found().get("engine.manual:desk"));
        rig.pass("besides", "mic-a", "ears", -3, 0);
        assertFalse(found().containsKey("engine.manual:desk"), found().toString());
    }

    @Test
    void aCallDefaultThatIsGoneIsFound() {
        rig.with(Element.of(Kind.MACHINE, "pc").with(Machines.CALL_RECORDING, Choice.to("mic")))
                .device("mic", Direction.RECORDING)
                .alter("mic", e -> e.with(Devices.ENABLED, false));
        assertEquals(Severity.NOTE, found().get("device.gone:mic"));
    }

    @Test
    void aProgramFollowsTheDefaultAlsoWhileBothItsDeviceAndTheDefaultAreGone() {
        rig.with(Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, Choice.to("two")))
                .device("one", Direction.PLAYBACK)
                .device("two", Direction.PLAYBACK)
                .device("room", Direction.PLAYBACK)
                .alter("one", e -> e.with(Devices.PRESENT, false))
                .alter("two", e -> e.with(Devices.PRESENT, false))
                .ears("o", "room");
        onPc("one", "two", "room");
        application("app", Choice.to("one"));
        wish("s-app", "o", Wish.NEVER);
        assertEquals(Severity.MINOR, found().get("default.fragile:pc+playback"), found().toString());
    }

    @Test
    void twinsAreOfOneComputerAndCablesAreNamedToo() {
        for (String machine : List.of("pc", "laptop")) {
            rig.with(Element.of(Kind.MACHINE, machine))
                    .with(Element.of(Kind.APPLICATION, "app-" + machine)
                            .with(Common.name(Kind.APPLICATION), "Player")
                            .with(Applications.MACHINE, machine));
        }
        assertTrue(find("names.twin").isEmpty());
        rig.alter("app-laptop", e -> e.with(Applications.MACHINE, "pc"));
        assertTrue(found().containsKey("names.twin:app-laptop+app-pc"), found().toString());
        for (String id : List.of("c1", "c2")) {
            rig.with(Element.of(Kind.CABLE, id).with(Common.name(Kind.CABLE), "Cable"));
        }
        assertTrue(found().containsKey("names.twin:c1+c2"), found().toString());
    }

    @Test
    void whatIsOnAnotherComputerCannotBeChosenAsFarAsThatIsKnown() {
        rig.with(Element.of(Kind.MACHINE, "pc"))
                .with(Element.of(Kind.MACHINE, "laptop"))
                .device("d", Direction.PLAYBACK);
        application("app", Choice.to("d"));
        assertTrue(find("choice.elsewhere").isEmpty(), "nobody has said where d is");
        rig.alter("d", e -> e.with(Devices.MACHINE, "laptop"));
        assertEquals(
                "D is on laptop, so app on pc can't use it. Which one is really chosen, or which cable is in between?",
                finding("choice.elsewhere").words().plain());
        onPc("d");
        assertTrue(find("choice.elsewhere").isEmpty());
        rig.alter("pc", e -> e.with(Machines.PLAYBACK, Choice.to("d")))
                .alter("laptop", e -> e.with(Machines.PLAYBACK, Choice.to("d")));
        assertEquals(List.of("laptop"), finding("choice.elsewhere").subject().elements());
    }

    @Test
    void aSystemSettingMayCountWhereTheProgramsOwnChoiceIsNotYetKnown() {
        rig.with(Element.of(Kind.MACHINE, "pc")).device("d", Direction.PLAYBACK);
        application("app", Choice.to("d"));
        rig.alter("app-out", e -> e.with(Applications.SYSTEM_CHOICE, Choice.to("d")));
        assertTrue(found().containsKey("choice.idle:app-out"), found().toString());
        rig.alter("app-out", e -> e.with(Applications.PROGRAM_CHOICE, null));
        assertFalse(found().containsKey("choice.idle:app-out"));
    }

    @Test
    void whichOfTwoThatAreEquallyEarlyIsDelayedDoesNotHangOnTheOrderOfTheFile() {
        rig.device("ears", Direction.PLAYBACK).ears("o", "ears");
        for (String id : List.of("a", "b", "late")) {
            rig.source(id, SourceClass.VOICE, -30).alter(id, e -> e.with(Sources.TOGETHER, "band"));
            rig.pass("p-" + id, "mic-" + id, "ears", 0, id.equals("late") ? 50 : 5);
        }
        assertTrue(found().containsKey("late.apart:a>o"), found().toString());
        rig.alter("a", e -> e.with(Common.place(Kind.SOURCE), 9.0));
        assertTrue(found().containsKey("late.apart:a>o"), found().toString());
        assertEquals(45, figure(finding("late.apart"), "delay to add"), 1e-9);
    }

    @Test
    void aLeakSaysThatItIsDoubledOnlyWhereTheCopyCounts() {
        rig.source("a", SourceClass.VOICE, -20)
                .device("ears", Direction.PLAYBACK)
                .ears("o", "ears")
                .pass("one", "mic-a", "ears", 0, 0)
                .pass("two", "mic-a", "ears", -19, 30);
        wish("a", "o", Wish.NEVER);
        assertEquals(30, figure(finding("leak"), "apart"), 1e-9);
        assertTrue(finding("leak").words().exact().contains("doubled, 30 ms apart"));
        rig.alter("two", e -> e.with(Links.PASS_GAIN, -21.0));
        assertFalse(
                finding("leak").words().exact().contains("doubled"),
                finding("leak").words().exact());
    }

    @Test
    void anOutletOnTheDefaultHearsThatOfTheOnlyComputerAndElseItIsAsked() {
        rig.with(Element.of(Kind.MACHINE, "pc").with(Machines.PLAYBACK, Choice.to("ears")))
                .device("ears", Direction.PLAYBACK)
                .source("a", SourceClass.VOICE, -20)
                .pass("p", "mic-a", "ears", 0, 0)
                .with(Element.of(Kind.OUTLET, "o")
                        .with(Outlets.SORT, Outlets.Sort.EARS)
                        .with(Outlets.DEVICE, Choice.Special.DEFAULT));
        wish("a", "o", Wish.MUST);
        assertTrue(find("missing").isEmpty());
        rig.with(Element.of(Kind.MACHINE, "second"));
        assertTrue(
                finding("missing").words().exact().contains("the computer isn't entered"),
                finding("missing").words().exact());
        assertNotEquals(
                List.of(),
                Questions.of(rig.rig()).stream()
                        .map(Question::wording)
                        .filter(w -> w.contains("Which computer's default does o use?"))
                        .toList());
    }
}
