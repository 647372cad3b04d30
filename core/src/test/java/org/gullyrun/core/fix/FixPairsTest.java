package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Where one change would do harm alone, two are offered as one fix: the sample show's default that has moved. */
class FixPairsTest {
    private static final Case SHOW = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Rig FOUND =
            SHOW.survey(SampleShow.AS_FOUND).orElseThrow().rig();
    private static final Reading READING = AUDIT.read(FOUND, SHOW.brief());

    private static List<Fix> fixes(String identity) {
        Finding finding = READING.findings().stream()
                .filter(f -> f.identity().equals(identity))
                .findFirst()
                .orElseThrow();
        return new Fixes(AUDIT, SHOW.goodRig(SampleShow.AS_FOUND)).find(READING, finding, () -> false);
    }

    private static boolean isBad(Reading after, String identity) {
        return after.findings().stream().anyMatch(f -> f.identity().equals(identity) && f.isBad());
    }

    @Test
    void theMovedDefaultIsSetBackTogetherWithTheChatThatWouldBeOnAirByIt() {
        Fix first = fixes("missing:chimes>host-ears").getFirst();
        assertEquals(
                "Set the playback default of Desk PC to Plover, play side; in Huddlewick, choose Tern headset as the output",
                first.sentence());
        assertTrue(first.restores() && first.isSafe(), first.toString());
        Change alone = first.changes().getFirst();
        Reading half = AUDIT.read(Changes.apply(FOUND, List.of(alone)), SHOW.brief());
        assertTrue(
                half.findings().stream()
                        .anyMatch(f -> f.isBad()
                                && READING.findings().stream()
                                        .noneMatch(was -> was.identity().equals(f.identity()))),
                "the first step alone brings something bad");
        Reading whole = AUDIT.read(Changes.apply(FOUND, first.changes()), SHOW.brief());
        first.cleared().forEach(identity -> assertFalse(isBad(whole, identity), identity));
    }

    @Test
    void whereTheSecondChangeIsEnoughNoPairIsOffered() {
        List<Fix> fixes = fixes("missing:crew>host-ears");
        assertTrue(
                fixes.stream().anyMatch(f -> f.sentence().equals("In Huddlewick, choose Tern headset as the output")));
        assertTrue(fixes.stream().allMatch(f -> f.changes().size() == 1), fixes.toString());
    }

    private static Reading broken(Change... faults) {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        return AUDIT.read(Changes.apply(good, List.of(faults)), SHOW.brief());
    }

    private static <T> Change set(String element, Setting<T> setting, T value) {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        return Objects.requireNonNull(Change.set(good, element, setting, value));
    }

    private static List<Fix> fixes(Reading reading, String identity) {
        Finding finding = reading.findings().stream()
                .filter(f -> f.identity().equals(identity))
                .findFirst()
                .orElseThrow();
        return new Fixes(AUDIT).find(reading, finding, () -> false);
    }

    @TakesLong
    @Test
    void ofTwoLoopsThatAreOneFindingEachIsBrokenAndOfTwoGapsEachIsClosed() {
        Reading loops = broken(
                set("bus-dome", Mixers.TARGET, Choice.to("plover-play")),
                set("bus-ears", Mixers.TARGET, Choice.to("brookdesk-shows")));
        Fix both = fixes(loops, "loop.electric:brookdesk").getFirst();
        assertEquals(
                "In Brookdesk, send bus Ears to Tern headset and send bus Dome to Desk line out",
                both.sentence(),
                "of two buses on each other's devices neither goes back alone");
        Reading mended = AUDIT.read(Changes.apply(loops.rig(), both.changes()), SHOW.brief());
        assertTrue(mended.findings().stream().noneMatch(f -> f.rule().equals("loop.electric")));
        RootCauses.Found causes = RootCauses.of(AUDIT, loops, () -> false, x -> {});
        assertEquals(
                Set.copyOf(both.changes()),
                Set.copyOf(causes.groups().getFirst().fix().changes()));
        assertEquals(List.of(), causes.left());

        Reading gaps = broken(
                set("sky-charts", Productions.ENTRY_MUTED, true), set("in-charts", Productions.TRACK.of(1), false));
        assertTrue(fixes(gaps, "missing:charts>live").stream()
                .anyMatch(f -> f.changes().size() == 2));
    }

    @Test
    void switchesAndLevelsOnOneWayAreTurnedBackTogetherRatherThanAnotherWayBuilt() {
        Reading silent = broken(set("tern", Devices.MUTED, true), set("strip-music", Mixers.STRIP_MUTED, true));
        assertEquals(
                "Unmute Tern headset; in Brookdesk, unmute strip Music",
                fixes(silent, "missing:charts>host-ears").getFirst().sentence());

        Reading faint = broken(
                set("brookdesk-music", Devices.MUTED, true),
                set("strip-music", Mixers.CROSSING_LEVEL.of("bus-ears"), -40.0));
        List<Fix> both = fixes(faint, "missing:charts>host-ears");
        assertEquals(
                "Unmute Brookdesk Music; in Brookdesk, set the level of strip Music on bus Ears to 0 dB",
                both.getFirst().sentence());
        assertEquals(
                "In Orrery, put input Charts on cue",
                both.get(1).sentence(),
                "one change is enough, and does far less");
    }

    @Test
    void ofManySecondChangesTheBestIsFound() {
        Reading reading = broken(
                set("dome-in", Devices.ENABLED, false), set("bus-guests", Mixers.TARGET, Choice.to("heron-record")));
        assertEquals(
                "Enable Dome line in; in Brookdesk, send bus Guests to Brookdesk Guests",
                fixes(reading, "device.gone:dome-in").getFirst().sentence());
    }

    @Test
    void whatWasMissingUnseenBehindADeviceThatIsOffIsNoNewFindingOfTheDevice() {
        Reading reading =
                broken(set("dome-in", Devices.PRESENT, false), set("in-chimes", Productions.INPUT_MUTED, true));
        Fix first = fixes(reading, "device.gone:dome-in").getFirst();
        assertEquals("Plug in and switch on " + reading.rig().name("dome-in"), first.sentence());
        assertTrue(first.isSafe(), first.created().toString());
    }

    @Test
    void noStepOfAPairCouldBeLeftOut() {
        List<Finding> bad = READING.findings().stream().filter(Finding::isBad).toList();
        for (Finding finding : bad.subList(0, RandomRigs.many(3, bad.size()))) {
            List<Fix> fixes = new Fixes(AUDIT, SHOW.goodRig(SampleShow.AS_FOUND)).find(READING, finding, () -> false);
            for (Fix fix : fixes) {
                assertTrue(fix.isSafe(), fix.sentence());
                if (fix.restores() && fix.changes().size() == 2) {
                    fix.changes()
                            .forEach(one -> assertTrue(
                                    fixes.stream().noneMatch(f -> f.changes().equals(List.of(one))),
                                    finding.identity() + ": " + fix.sentence()));
                }
            }
        }
    }
}
