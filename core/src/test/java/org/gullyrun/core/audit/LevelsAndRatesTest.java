package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.ChannelLevels;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.junit.jupiter.api.Test;

/** What listeners get as levels, and where rates meet, against values worked out by hand. */
class LevelsAndRatesTest {
    private final SmallRig rig = new SmallRig();

    /** Ann at −20, a guest at −20 turned down by 10, music at −36 that arrives by two routes of equal gain. */
    private void show() {
        rig.device("ears", Direction.PLAYBACK)
                .source("ann", SourceClass.VOICE, -20)
                .source("guest", SourceClass.GUEST, -20)
                .source("music", SourceClass.MUSIC, -36)
                .alter("ann", e -> e.with(Sources.PERSON, "Ann"))
                .pass("p-ann", "mic-ann", "ears", 0, 25)
                .pass("p-guest", "mic-guest", "ears", -10, 3)
                .pass("p-music", "mic-music", "ears", 0, 1)
                .pass("p-again", "mic-music", "ears", 0, 9)
                .ears("o", "ears")
                .alter("o", e -> e.with(Outlets.PERSON, "Ann"));
    }

    @Test
    void aListenerGetsTheSumsOfPowersAndTheirOwnVoiceLate() {
        show();
        LevelSheet.Entry entry = LevelSheet.of(rig.reading()).getFirst().getFirst();
        assertEquals(-19.5861, entry.voice(), 1e-4); // 10·lg(0.01 + 0.001)
        assertEquals(-32.9897, entry.music(), 1e-4); // two copies of −36: 3.0103 more
        assertTrue(Double.isNaN(entry.rest()));
        // Copies that meet in phase: music at −29.9794. 10·lg(0.011 + 0.0010047) = −19.2065, and 12 dB of crest above.
        assertEquals(-7.2065, entry.peak(), 1e-4);
        assertEquals(25, entry.ownVoiceLate(), 1e-9);
        assertFalse(entry.assumed());
    }

    @Test
    void aLevelThatNobodyEnteredIsTheUsualOneAndSaidToBeAssumed() {
        show();
        rig.alter("music", e -> e.with(Sources.LEVEL, null));
        LevelSheet.Entry entry = LevelSheet.of(rig.reading()).getFirst().getFirst();
        assertTrue(entry.assumed());
        assertEquals(
                Sources.level(rig.rig().get("music")) + 10 * Math.log10(2),
                entry.music(),
                1e-9,
                "by its class, arriving twice");
    }

    @Test
    void aChannelIsAsLoudAsAllThatIsInIt() {
        show();
        SceneReading scene = rig.reading().scenes().getFirst();
        FlowGraph graph = scene.graph();
        ChannelLevels levels = ChannelLevels.of(scene.flow().view());
        assertEquals(-20, levels.at(graph.point("mic-ann")), 1e-9);
        // At the ears: 0.01 + 0.001 + 2·10^−3.6.
        assertEquals(10 * Math.log10(0.011 + 2 * Math.pow(10, -3.6)), levels.at(graph.point("o")), 1e-9);
        SceneReading silent = new SmallRig()
                .device("mic", Direction.RECORDING)
                .reading()
                .scenes()
                .getFirst();
        assertEquals(
                Double.NEGATIVE_INFINITY,
                ChannelLevels.of(silent.flow().view()).at(silent.graph().point("mic")));
    }

    private List<Rates.Place> cable(double from, double to, Object converts) {
        SmallRig two = new SmallRig()
                .device("play", Direction.PLAYBACK, from)
                .device("rec", Direction.RECORDING, to)
                .source("s", SourceClass.MUSIC, -30)
                .pass("p", "mic-s", "play", 0, 0);
        Element cable =
                Element.of(Kind.CABLE, "line").with(Links.CABLE_FROM, "play").with(Links.CABLE_TO, "rec");
        two.with(converts instanceof Boolean known ? cable.with(Links.CABLE_CONVERTS, known) : cable);
        return Rates.of(two.reading());
    }

    @Test
    void whereRatesMeetThePitchChangesByTheirRatio() {
        Rates.Place place = cable(44_100, 48_000, false).stream()
                .filter(p -> p.by().equals("line"))
                .findFirst()
                .orElseThrow();
        assertEquals(1.088435, place.ratio(), 1e-6);
        assertEquals(146.706, place.cents(), 1e-3); // 1200 · log₂ 1.088435
        assertEquals(44_100, place.before());
        assertEquals(48_000, place.after());
        assertEquals(Rates.Meeting.WRONG, place.meeting());
        assertEquals("44.1 → 48 kHz", place.kilohertz());
        assertEquals("22.05", Rates.kilo(22_050));
    }

    @Test
    void whetherALinkConvertsIsAskedOfTheLink() {
        assertEquals(List.of(Rates.Meeting.RESAMPLED), meetings(cable(44_100, 48_000, true)));
        assertEquals(List.of(Rates.Meeting.WRONG), meetings(cable(44_100, 48_000, false)));
        assertEquals(List.of(), meetings(cable(48_000, 48_000, false)));
    }

    private static List<Rates.Meeting> meetings(List<Rates.Place> places) {
        return places.stream()
                .filter(p -> p.by().equals("line"))
                .map(Rates.Place::meeting)
                .toList();
    }
}
