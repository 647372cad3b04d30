package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Levels by kinds of sound and times, against figures worked out by hand and against the sheet of figures. */
class StrataTest {
    private static final Case SHOW = SampleShow.make();

    private static Reading read(String survey) {
        return RuleCatalogue.usual()
                .quick()
                .read(SHOW.survey(survey).orElseThrow().rig(), SHOW.brief());
    }

    @Test
    void theMusicTrackHasMusicAtItsLevelAndNothingElse() {
        Reading good = read(SampleShow.KNOWN_GOOD);
        Strata music = Strata.of(good, 0).stream()
                .filter(s -> s.name().equals("Music track"))
                .findFirst()
                .orElseThrow();
        assertEquals(-36, music.music(), 1e-9);
        assertTrue(Double.isNaN(music.voice()) && Double.isNaN(music.game()) && Double.isNaN(music.rest()));
        assertEquals(-36 + 12, music.peak(), 1e-9); // the crest is 12 dB
        assertFalse(music.tooLoud());
        assertEquals(
                List.of("Music"),
                music.arrivals().stream().map(Strata.Arrival::name).toList());
        assertEquals(5, music.arrivals().getFirst().delay(), 1e-9); // Orrery's capture latency
        assertTrue(Double.isNaN(music.balance()));
    }

    @Test
    void figuresAreThoseOfTheSheetAndDoublesSayHowFarApartTheyAre() {
        Reading found = read(SampleShow.AS_FOUND);
        var sheet = LevelSheet.of(found);
        for (int scene = 0; scene < found.scenes().size(); scene++) {
            List<Strata> all = Strata.of(found, scene);
            for (int o = 0; o < all.size(); o++) {
                assertEquals(sheet.get(o).get(scene).voice(), all.get(o).voice(), 1e-9);
                assertEquals(sheet.get(o).get(scene).music(), all.get(o).music(), 1e-9);
                assertEquals(sheet.get(o).get(scene).peak(), all.get(o).peak(), 1e-9);
                double before = -1;
                for (Strata.Arrival arrival : all.get(o).arrivals()) {
                    assertTrue(arrival.delay() >= before, "the earliest first");
                    before = arrival.delay();
                }
            }
        }
        Strata live = Strata.of(found, 0).stream()
                .filter(s -> s.name().equals("Live"))
                .findFirst()
                .orElseThrow();
        Strata.Arrival host = live.arrivals().stream()
                .filter(a -> a.name().equals("Host"))
                .findFirst()
                .orElseThrow();
        assertEquals(10, Math.abs(host.copyApart()), 1e-9); // Hushgate takes 10 ms
    }
}
