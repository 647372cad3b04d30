package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.DefaultFollowers;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What follows a default that the show depends on is set to the device that this default is now. */
class NamedDeviceTest {
    @ParameterizedTest
    @CsvSource({
        "CALL_DEFAULT, desk-pc+callPlayback, phones",
        "DEFAULT, desk-pc+playback, speakers",
    })
    void whatFollowsADefaultNamesTheDeviceThatItIs(Choice.Special follows, String subject, String device) {
        SmallRig rig = new SmallRig()
                .with(Element.of(Kind.MACHINE, "desk-pc")
                        .with(Machines.PLAYBACK, Choice.to("speakers"))
                        .with(Machines.CALL_PLAYBACK, Choice.to("phones")))
                .with(Element.of(Kind.APPLICATION, "talk").with(Applications.MACHINE, "desk-pc"))
                .with(Element.of(Kind.APP_OUTPUT, "talk-out")
                        .with(Applications.OUTPUT_OF, "talk")
                        .with(Applications.PROGRAM_CHOICE, follows))
                .with(Element.of(Kind.SOURCE, "crew")
                        .with(Sources.AT, "talk")
                        .with(Sources.CLASS, SourceClass.GAME)
                        .with(Sources.LEVEL, -20.0));
        for (String each : List.of("phones", "speakers", "hall")) {
            rig.device(each, Direction.PLAYBACK).alter(each, e -> e.with(Devices.MACHINE, "desk-pc"));
        }
        rig.ears("hall-ears", "hall");
        Brief brief = Brief.EMPTY.with(new Brief.Cell("crew", "hall-ears", ""), Wish.NEVER);

        Audit audit = RuleCatalogue.usual();
        Reading reading = audit.read(rig.rig(), brief);
        Finding finding = reading.findings().stream()
                .filter(f -> f.identity().equals("default.fragile:" + subject))
                .findFirst()
                .orElseThrow(() -> new AssertionError(
                        reading.findings().stream().map(Finding::identity).toList()));
        assertEquals(
                follows == Choice.Special.DEFAULT,
                !DefaultFollowers.of(rig.rig(), "desk-pc", Direction.PLAYBACK, false)
                        .isEmpty(),
                "a device is set for calls");
        assertEquals(
                new Address("talk-out", Applications.PROGRAM_CHOICE.key()),
                finding.evidence().settings().getLast());
        assertEquals(
                List.of("In talk, choose " + device + " as the output"),
                new Fixes(audit)
                        .find(reading, finding, () -> false).stream()
                                .map(Fix::sentence)
                                .toList());
    }
}
