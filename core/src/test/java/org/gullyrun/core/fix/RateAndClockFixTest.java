package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Objects;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.ExamplePair;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.junit.jupiter.api.Test;

/** Fixes for clocks that drift apart, and for what is resampled again and again. */
class RateAndClockFixTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static List<String> fixes(Reading reading, String rule) {
        Finding finding = reading.findings().stream()
                .filter(f -> f.rule().equals(rule))
                .findFirst()
                .orElseThrow(() -> new AssertionError(reading.findings()));
        return new Fixes(AUDIT)
                .find(reading, finding, () -> false).stream().map(Fix::sentence).toList();
    }

    /** A microphone passed on to a loudspeaker with a clock of its own. */
    private static SmallRig passed(DriverPath path) {
        return new SmallRig()
                .with(Element.of(Kind.MACHINE, "pc"))
                .device("mic", Direction.RECORDING)
                .device("out", Direction.PLAYBACK)
                .pass("heard", "mic", "out", 0, 0)
                .alter(
                        "mic",
                        e -> e.with(Devices.MACHINE, "pc")
                                .with(Devices.PATH, path)
                                .with(Devices.CLOCK_ERROR, 0.0))
                .alter("out", e -> e.with(Devices.MACHINE, "pc").with(Devices.CLOCK_ERROR, 50.0));
    }

    @Test
    void theSystemsMixingKeepsTwoClocksInStep() {
        assertEquals(
                List.of("Set the driver path of mic to standard"),
                fixes(AUDIT.read(passed(DriverPath.EXCLUSIVE).rig(), Brief.EMPTY), "rate.drift"));
    }

    @Test
    void aDigitalWireKnowsNothingOfTheSystem() {
        SmallRig rig = passed(DriverPath.EXCLUSIVE)
                .wire("spdif", "mic", "out", 0, 0)
                .alter("spdif", e -> e.with(Links.WIRE_SIGNAL, Links.Signal.DIGITAL));
        assertEquals(List.of(), fixes(AUDIT.read(rig.rig(), Brief.EMPTY), "rate.drift"));
    }

    @Test
    void ofManyRatesAlongARouteTheOddOnesAreSetToTheRest() {
        ExamplePair pair = Objects.requireNonNull(ExamplePair.all().get("rate.many"));
        Reading reading = AUDIT.read(Changes.apply(ExamplePair.GOOD, pair.with()), pair.brief());
        assertEquals(
                List.of(
                        "Set the rate of Hushgate microphone to 48 kHz; set the rate of Brookdesk Guests to 48 kHz",
                        "Set the rate of Hushgate microphone to 48 kHz",
                        "Set the rate of Brookdesk Guests to 48 kHz"),
                fixes(reading, "rate.many").subList(0, 3));
    }
}
