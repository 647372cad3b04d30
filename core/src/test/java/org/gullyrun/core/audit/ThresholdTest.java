package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.util.List;
import java.util.Map;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Threshold;
import org.junit.jupiter.api.Test;

/** Limits as people write them, and as a case keeps them. */
class ThresholdTest {
    @Test
    void aFigureIsReadAsPeopleWriteItAndNothingElseIs() {
        for (String typed : List.of("-24.5", "−24,5", " -24.5 dB ", "-24.5db")) {
            assertEquals(-24.5, Threshold.LEAK_MINOR.read(typed), typed);
        }
        for (String wrong : List.of("", "soft", "-24.5 ms", "1e9", "--3", "NaN", "1.2.3")) {
            assertNull(Threshold.LEAK_MINOR.read(wrong), wrong);
        }
    }

    @Test
    void whatIsSaidIsReadBackAsTheSame() {
        for (Threshold limit : Threshold.values()) {
            assertEquals(limit.usual(), limit.read(limit.say(limit.usual())), limit.key());
        }
    }

    @Test
    void aCaseKeepsOnlyWhatIsNotUsualAndItCounts() {
        Terms terms = Terms.USUAL.with(Threshold.SLAP.key(), 80.0).with(Threshold.COMB.key(), 25.0);
        Thresholds thresholds = new Thresholds(terms.limits(), 4);
        assertEquals(80, thresholds.of(Threshold.SLAP));
        assertEquals(Threshold.STACKED.usual(), thresholds.of(Threshold.STACKED));
        assertEquals(
                Map.of(Threshold.COMB.key(), 25.0),
                terms.with(Threshold.SLAP.key(), null).limits());
    }
}
