package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.junit.jupiter.api.Test;

/** Faults that hide one another are taken back all the same, rather than built around. */
class MaskedFaultsTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static StartingRigs.Starting start(String title) {
        return StartingRigs.all().stream()
                .filter(s -> s.title().equals(title))
                .findFirst()
                .orElseThrow();
    }

    private static Set<String> repaired(StartingRigs.Starting start, List<Change> faults) {
        Reading reading = AUDIT.read(Changes.apply(start.rig(), faults), start.brief());
        Repair repair = Objects.requireNonNull(
                new WholeRepair(AUDIT, null, reading, Conditions.NONE, () -> false).best(), "it isn't cancelled");
        assertEquals(Set.of(), WholeRepair.bad(AUDIT, repair.after()));
        return repair.sentences().stream().collect(Collectors.toSet());
    }

    /** While the line back is muted, nothing shows that its bus is turned down as well. */
    @Test
    void aLineThatIsMutedAndABusBehindItThatIsTurnedDown() {
        StartingRigs.Starting start = start("A hardware mixer");
        Rig rig = start.rig();
        assertEquals(
                Set.of(
                        "Allow programs to use Alder microphone",
                        "Unmute Line from the mixer",
                        "Enable Linnet headphones",
                        "In Sluice, set the level of bus Main to 0 dB"),
                repaired(
                        start,
                        List.of(
                                set(rig, "alder-microphone", Devices.PERMITTED, false),
                                set(rig, "line-from-the-mixer", Devices.MUTED, true),
                                set(rig, "linnet-headphones", Devices.ENABLED, false),
                                set(rig, "main", Mixers.BUS_LEVEL, -40.0))));
    }

    /** The program plays into a strip that is fed from a device that is off, on the way to a bus that is muted. */
    @Test
    void aProgramAndABusThatGoIntoOneDeviceThatIsOff() {
        StartingRigs.Starting start = start("A panel with remote guests");
        Rig rig = start.rig();
        assertEquals(
                4,
                repaired(
                                start,
                                List.of(
                                        set(rig, "element-2", Applications.PROGRAM_CHOICE, Choice.to("mixer-clips-in")),
                                        set(rig, "ears", Mixers.TARGET, Choice.to("mixer-clips-in")),
                                        set(rig, "mixer-to-second-call", Devices.MUTED, true),
                                        set(rig, "mixer-clips-in", Devices.ENABLED, false)))
                        .size());
    }

    private static <T> Change set(Rig rig, String element, Setting<T> setting, T to) {
        return Objects.requireNonNull(Change.set(rig, element, setting, to));
    }
}
