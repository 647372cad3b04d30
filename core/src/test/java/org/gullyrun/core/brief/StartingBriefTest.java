package org.gullyrun.core.brief;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Starting briefs, held against the brief of the sample show. */
class StartingBriefTest {
    private final Rig rig = SampleShow.make().surveys().getFirst().rig();

    private Brief over(Brief brief, StartingBrief... some) {
        for (StartingBrief each : some) {
            brief = BriefChange.apply(brief, each.over(rig, brief));
        }
        return brief;
    }

    private static Wish at(Brief brief, String source, String outlet) {
        return brief.cells().get(new Brief.Cell(source, outlet, ""));
    }

    @Test
    void eachSaysWhatItsNameSays() {
        Brief live = over(Brief.EMPTY, StartingBrief.LIVE_CLEAN_ARCHIVE);
        assertEquals(Wish.MUST, at(live, "music", "live"));
        assertEquals(null, at(live, "music", "archive"), "the flag presets never");
        assertEquals(null, at(live, "host", "host-ears"), "one does not need one's own voice");
        Brief tracks = over(Brief.EMPTY, StartingBrief.RECORDING_FOR_EDITING);
        assertEquals(Wish.MUST, at(tracks, "guests", "track-guests"));
        assertEquals(null, at(tracks, "host", "track-guests"));
        Brief talk = over(Brief.EMPTY, StartingBrief.PRIVATE_TALK);
        assertEquals(Wish.NEVER, at(talk, "crew", "live"));
        assertEquals(null, at(talk, "crew", "crew-call"), "its own call");
        Brief guests = over(Brief.EMPTY, StartingBrief.GUESTS_ALL_BUT_THEMSELVES);
        assertEquals(Wish.NEVER, at(guests, "guests", "call"));
        assertEquals(Wish.MUST, at(guests, "host", "call"));
        assertEquals(null, at(guests, "music", "crew-call"), "a private call is none of a guest");
        Brief relay = over(Brief.EMPTY, StartingBrief.RELAY_WITHOUT_LICENSED);
        assertEquals(Wish.NEVER, at(relay, "music", "relay"));
    }

    @Test
    void oneLaidOverTwiceChangesNothingMore() {
        for (StartingBrief each : StartingBrief.values()) {
            Brief once = over(Brief.EMPTY, each);
            assertTrue(each.over(rig, once).isEmpty(), each.title());
        }
    }
}
