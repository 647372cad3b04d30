package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** The sentence on a pair, held against what the sample show's page says of it. */
class ArrivalTest {
    private static final Reading GOOD = RuleCatalogue.usual()
            .quick()
            .read(
                    SampleShow.make()
                            .survey(SampleShow.KNOWN_GOOD)
                            .orElseThrow()
                            .rig(),
                    SampleShow.make().brief());

    private static String sentence(Reading reading, int scene, String source, String outlet, boolean everywhere) {
        Rig rig = reading.rig();
        int s = rig.of(Kind.SOURCE).indexOf(rig.find(source));
        int o = rig.of(Kind.OUTLET).indexOf(rig.find(outlet));
        return Arrival.sentence(reading, scene, reading.scenes().get(scene).cell(s, o), everywhere);
    }

    @Test
    void whatArrivesIsToldByItsRoutesAndLevel() {
        assertEquals("Arrives by 1 route in Doors at −32.0 dBFS.", sentence(GOOD, 0, "film", "host-ears", true));
    }

    @Test
    void whatArrivesInSomeScenesOnlyIsMissingInTheOthersAndWhatNeverArrivesInAny() {
        assertEquals("Doesn't arrive in Sky.", sentence(GOOD, 1, "film", "host-ears", true));
        assertEquals("Doesn't arrive in any scene.", sentence(GOOD, 0, "crew", "archive", true));
        assertEquals(
                "Doesn't arrive in Doors.", sentence(GOOD, 0, "crew", "archive", false), "only Doors is looked at");
    }

    @Test
    void noSceneIsNamedWhereThereIsOnlyOne() {
        SmallRig rig = new SmallRig()
                .source("host", SourceClass.VOICE, -20)
                .device("head", Direction.PLAYBACK)
                .ears("ears", "head");
        assertEquals("Doesn't arrive.", sentence(rig.reading(), 0, "host", "ears", true));
        Reading heard = rig.pass("monitor", "mic-host", "head", -6, 0).reading();
        assertEquals("Arrives by 1 route at −26.0 dBFS.", sentence(heard, 0, "host", "ears", true));
    }

    @Test
    void theSourcesThatArriveAreCountedInOneSceneOrInAny() {
        Rig rig = GOOD.rig();
        int ears = rig.of(Kind.OUTLET).indexOf(rig.find("host-ears"));
        for (SceneReading scene : GOOD.scenes()) {
            long counted = scene.cells().stream()
                    .filter(c -> c.outlet() == rig.of(Kind.OUTLET).get(ears))
                    .filter(c -> c.delivery().arrives())
                    .count();
            assertEquals(counted, Arrival.sources(GOOD, "host-ears", scene));
        }
        assertTrue(
                Arrival.sources(GOOD, "host-ears", null)
                        > Arrival.sources(GOOD, "host-ears", GOOD.scenes().get(1)),
                "the opening film isn't heard in Sky");
    }
}
