package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Faults that hide each other: no change that takes one back does any good before another has been taken back. */
class HiddenFaultsTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private StartingRigs.Starting starting = starting("panel");
    private Rig good = starting.rig();

    private static StartingRigs.Starting starting(String title) {
        return StartingRigs.all().stream()
                .filter(s -> s.title().contains(title))
                .findFirst()
                .orElseThrow();
    }

    private void in(String title) {
        starting = starting(title);
        good = starting.rig();
    }

    private <T> Change fault(String element, Setting<T> setting, T to) {
        return Objects.requireNonNull(Change.set(good, element, setting, to));
    }

    /** Exactly what was set wrongly is set back. */
    private void areTakenBack(Change... faults) {
        Rig broken = Changes.apply(good, List.of(faults));
        Reading reading = AUDIT.read(broken, starting.brief());
        Repair repair = repaired(reading);
        assertEquals(List.of(), repair.left());
        assertEquals("the whole", repair.scope());
        assertEquals(new HashSet<>(Changes.between(broken, good)), new HashSet<>(repair.changes()));
    }

    private static Repair repaired(Reading reading) {
        return Objects.requireNonNull(new WholeRepair(AUDIT, null, reading, Conditions.NONE, () -> false).best());
    }

    @Test
    void aRepairSaysHowMuchItRepairs() {
        Rig broken = Changes.apply(good, List.of(fault("thrush-microphone", Devices.PRESENT, false)));
        Reading reading = AUDIT.read(broken, starting.brief());
        assertEquals(
                "all but 1 serious finding", new Repair(List.of(), reading, reading, Repair.Proof.UNPROVED).scope());
    }

    @Test
    void aStripGoesBackToTheDeviceOfItsNameWhichIsOff() {
        areTakenBack(
                fault("ears", Mixers.BUS_MUTED, true),
                fault("clips", Mixers.FEED, Choice.to("mixer-second-call-in")),
                fault("mixer-clips-in", Devices.ENABLED, false),
                fault("harbourline", Applications.LEVEL, -40.0));
    }

    @Test
    void whereAnInputCannotBePutOnATrackAnotherOneTakesItsMicrophoneThere() {
        in("capture box");
        Change tick = fault("in-microphone", Productions.TRACK.of(1), false);
        Reading reading = AUDIT.read(Changes.apply(good, List.of(tick)), starting.brief());
        Conditions impossible = Conditions.ruledOut(Set.of(Conditions.about(tick)));
        Repair repair = Objects.requireNonNull(new WholeRepair(AUDIT, null, reading, impossible, () -> false).best());
        assertEquals(List.of(), repair.left());
        assertEquals(1, repair.changes().size(), repair.changes().toString());
        Element input = ((Change.Add) repair.changes().getFirst()).what();
        assertEquals(Choice.to("plume-microphone"), input.get(Productions.DEVICE));
        assertEquals(Set.of(1), Productions.ticked(input, Productions.TRACK));
    }

    @TakesLong
    @Test
    void aCallGoesBackToItsMicrophoneWhichIsOff() {
        areTakenBack(
                fault("first-call", Mixers.FEED, Choice.to("thrush-headphones")),
                fault("second-call", Mixers.FEED, Choice.to("mixer-first-call-in")),
                fault("harbourline", Applications.INPUT, Choice.to("thrush-microphone")),
                fault("mixer-to-first-call", Devices.ENABLED, false));
    }

    @TakesLong
    @Test
    void whatIsMutedIsUnmutedOnceNothingIsDoubledByItRatherThanCapturedAnew() {
        areTakenBack(
                fault("mixer-to-the-show", Devices.MUTED, true),
                fault("first-call", Mixers.CROSSING_LEVEL.of("ears"), -40.0),
                fault("mixer-first-call-in", Devices.LEVEL, -40.0),
                fault("copperwire", Applications.PASSES_ON, true));
    }

    @TakesLong
    @Test
    void aChangeThatBringsMoreThanItClearsIsTriedWhereNothingElseHelps() {
        areTakenBack(
                fault("element-2", Applications.OUTPUT_LEVEL, -40.0),
                fault("host", Mixers.CROSSING_LEVEL.of("second"), -40.0),
                fault("harbourline", Applications.INPUT, Choice.to("mixer-to-second-call")),
                fault("mixer-to-second-call", Devices.ENABLED, false));
    }

    @TakesLong
    @Test
    void twoLevelsOnOneWayAreBothTurnedUp() {
        in("capture box");
        areTakenBack(
                fault("plume-microphone", Devices.PERMITTED, false),
                fault("in-microphone", Productions.TRACK.of(1), false),
                fault("game-video-out", Devices.LEVEL, -40.0),
                fault("video-cable", Links.WIRE_GAIN, -40.0));
    }

    @Test
    void aListenerGoesBackToTheHeadsetAndTheBusIsUnmuted() {
        in("mixer program");
        areTakenBack(
                fault("ears", Mixers.BUS_MUTED, true),
                fault("game", Mixers.CROSSING_LEVEL.of("show"), -40.0),
                fault("listener-host-s-ears", Outlets.DEVICE, Choice.to("mixer-talk-in")),
                fault("heather-microphone", Devices.PRESENT, false));
    }

    @Test
    void oneChangeTakesThePlaceOfSeveralThatLeadAroundAFault() {
        in("mixer program");
        areTakenBack(
                fault("call", Mixers.TARGET, Choice.to("mixer-show-out")),
                fault("tidecall", Applications.INPUT_MUTED, true),
                fault("element-2", Applications.PROGRAM_CHOICE, Choice.to("heather-headset")),
                fault("in-the-mix", Productions.PROGRAM, false));
    }

    /** One strip reads the other's microphone: putting it right is one change, swapping what both are for is four. */
    @TakesLong
    @Test
    void nothingIsRewiredAroundAStripThatReadsTheWrongDevice() {
        good = SampleShow.make().survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        Rig broken = Changes.apply(
                good,
                List.of(
                        fault("farcall-out", Applications.PROGRAM_CHOICE, Choice.to("mole")),
                        fault("dome-speaker", Devices.PRESENT, false),
                        fault("strip-dome", Mixers.FEED, Choice.to("larch")),
                        fault("pass-wren", Links.PASS_GAIN, -40.0)));
        Repair repair = repaired(AUDIT.read(broken, SampleShow.make().brief()));
        assertEquals(List.of(), repair.left());
        assertEquals(4, repair.changes().size(), repair.sentences().toString());
    }
}
