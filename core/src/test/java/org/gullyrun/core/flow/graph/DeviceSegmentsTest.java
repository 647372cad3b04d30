package org.gullyrun.core.flow.graph;

import static org.gullyrun.core.rig.Choice.to;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;
import org.junit.jupiter.api.Test;

/** The table of the rig model, row by row: what sources, devices, links and listeners make. */
class DeviceSegmentsTest extends SegmentChecks {
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
                        .with(Links.PROCESSOR_FROM, to("raw"))
                        .with(Links.PROCESSOR_TO, "clean")
                        .with(Links.PROCESSOR_LATENCY, 10.0)
                        .with(Links.PROCESSOR_GAIN, 2.0)
                        .with(Links.PROCESSOR_RUNNING, false));
        expect("raw", "clean", -1, 10, "processor gate isn't running".replace("processor ", ""));
    }
}
