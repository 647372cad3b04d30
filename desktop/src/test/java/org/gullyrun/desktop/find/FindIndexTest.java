package org.gullyrun.desktop.find;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Selection;
import org.junit.jupiter.api.Test;

/** One field for everything. */
class FindIndexTest {
    private static final Case CASE = SampleShow.make();
    private static final Reading READING =
            RuleCatalogue.usual().read(CASE.surveys().getFirst().rig(), CASE.brief());

    private static FindIndex.Hit first(String typed) {
        return FindIndex.search(typed, READING, List.of()).getFirst();
    }

    @Test
    void twoNamesTraceThatPair() {
        Selection pair = new Selection.Pair("music", "archive");
        assertEquals(pair, first("music archive").selection());
        assertEquals(pair, first("Music > Archive").selection());
        assertEquals(pair, first("music to archive").selection());
        assertEquals(pair, first("tunes archive").selection());
        assertEquals(pair, first("driftbox arch").selection());
        assertEquals(
                new Selection.Pair("charts", "relay"),
                first("star charts partner relay").selection());
    }

    @Test
    void oneNameFindsElementsAndFindings() {
        assertEquals(new Selection.OfSource("guests"), first("guests").selection());
        assertEquals(new Selection.OfElement("heron"), first("heron").selection());
        assertTrue(FindIndex.search("builds up", READING, List.of()).stream()
                .anyMatch(h -> h.selection() instanceof Selection.Trouble));
    }

    @Test
    void actionsAreFoundByWhatTheyDo() {
        boolean[] done = {false};
        Action night = new Action("night", "Look", "Day or night sheet", List.of(), "", () -> done[0] = true);
        FindIndex.search("night", READING, List.of(night)).getFirst().action().run();
        assertTrue(done[0]);
    }

    @Test
    void nonsenseFindsNothing() {
        assertEquals(List.of(), FindIndex.search("zzqx", READING, List.of()));
        assertEquals(List.of(), FindIndex.search("   ", READING, List.of()));
    }
}
