package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.junit.jupiter.api.Test;

/**
 * A singer who sings to a backing track: at the audience the voice is late by the time the track takes to their ears and
 * their voice to the audience, less the time the track takes there.
 */
class PerformerTest {
    /** The track comes to the singer's ears after 30 ms, the voice to the room after 40, the track to the room after some time. */
    private static List<Finding> found(double trackToRoom, boolean keepsTime) {
        SmallRig rig = new SmallRig()
                .device("ears", Direction.PLAYBACK)
                .device("room", Direction.PLAYBACK)
                .source("track", SourceClass.MUSIC, -20)
                .source("singer", SourceClass.VOICE, -20)
                .ears("singer-ears", "ears")
                .ears("audience", "room")
                .pass("a", "mic-track", "ears", 0, 30)
                .pass("b", "mic-singer", "room", 0, 40)
                .pass("c", "mic-track", "room", 0, trackToRoom)
                .alter("track", e -> e.with(Sources.TOGETHER, "song"))
                .alter("singer", e -> e.with(Sources.TOGETHER, "song"));
        if (keepsTime) {
            rig.alter("singer", e -> e.with(Sources.KEEPS_TIME, "track").with(Sources.HEARD_AT, "singer-ears"));
        }
        return rig.reading().findings().stream()
                .filter(f -> f.rule().equals("late.apart"))
                .toList();
    }

    private static double delay(Finding finding) {
        return finding.figures().stream()
                .filter(f -> f.name().equals("delay to add"))
                .findFirst()
                .orElseThrow()
                .value();
    }

    @Test
    void aLateSingerNeedsADelayOfTheTrack() {
        Finding late = found(5, true).getFirst(); // 30 + 40 − 5
        assertEquals("late.apart:track>audience", late.identity());
        assertEquals(65, delay(late), 1e-9);
        assertEquals(Severity.MAJOR, late.severity());
    }

    @Test
    void whereTheTrackIsDelayedByAsMuchTheyAreInTime() {
        assertEquals(List.of(), found(70, true));
    }

    @Test
    void anEarlySingerIsDelayedThemselves() {
        Finding early = found(100, true).getFirst(); // 70 − 100
        assertEquals("late.apart:singer>audience", early.identity());
        assertEquals(30, delay(early), 1e-9);
        assertEquals(Severity.MINOR, early.severity());
    }

    @Test
    void withoutThatTheTwoAreOnlyComparedWhereTheyArrive() {
        assertEquals(35, delay(found(5, false).getFirst()), 1e-9);
    }

    @Test
    void whatTheyKeepTimeWithMayBeMissingAltogether() {
        SmallRig rig = new SmallRig()
                .device("ears", Direction.PLAYBACK)
                .source("singer", SourceClass.VOICE, -20)
                .ears("singer-ears", "ears")
                .pass("a", "mic-singer", "ears", 0, 30)
                .alter("singer", e -> e.with(Sources.KEEPS_TIME, "gone").with(Sources.HEARD_AT, "singer-ears"))
                .with(Element.of(Kind.SOURCE, "gone-too"));
        assertEquals(
                List.of(),
                rig.reading().findings().stream()
                        .filter(f -> f.rule().equals("late.apart"))
                        .toList());
    }
}
