package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.util.List;
import java.util.Map;
import org.gullyrun.core.brief.Limit;
import org.gullyrun.core.brief.Terms;
import org.junit.jupiter.api.Test;

/** Limits as people write them, and as a case keeps them. */
class LimitTest {
    @Test
    void aFigureIsReadAsPeopleWriteItAndNothingElseIs() {
        for (String typed : List.of("-24.5", "−24,5", " -24.5 dB ", "-24.5db")) {
            assertEquals(-24.5, Limit.LEAK_MINOR.read(typed), typed);
        }
        for (String wrong : List.of("", "soft", "-24.5 ms", "1e9", "--3", "NaN", "1.2.3")) {
            assertNull(Limit.LEAK_MINOR.read(wrong), wrong);
        }
    }

    @Test
    void whatIsSaidIsReadBackAsTheSame() {
        for (Limit limit : Limit.values()) {
            assertEquals(limit.usual(), limit.read(limit.say(limit.usual())), limit.key());
        }
    }

    @Test
    void aCaseKeepsOnlyWhatIsNotUsualAndItCounts() {
        Terms terms = Terms.USUAL.with(Limit.SLAP.key(), 80.0).with(Limit.COMB.key(), 25.0);
        Thresholds thresholds = new Thresholds(terms.limits(), 4);
        assertEquals(80, thresholds.of(Limit.SLAP));
        assertEquals(Limit.STACKED.usual(), thresholds.of(Limit.STACKED));
        assertEquals(
                Map.of(Limit.COMB.key(), 25.0),
                terms.with(Limit.SLAP.key(), null).limits());
    }
}
