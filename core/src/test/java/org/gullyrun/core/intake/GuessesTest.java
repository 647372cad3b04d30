package org.gullyrun.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** What names say of a row, whichever of two rows that belong together is typed first. */
class GuessesTest {
    private Rig rig = Rig.EMPTY;

    private String add(Section section, int place, String name) {
        Table table = Sheet.of(rig, section).get(place);
        List<Change> changes = table.add(rig, name);
        rig = Changes.apply(rig, changes);
        return table.added(changes);
    }

    private void type(Section section, int place, String row, String key, String text) {
        Column into = column(section, place, key);
        rig = Changes.apply(rig, into.enter(rig, rig.get(row), text));
    }

    private Column column(Section section, int place, String key) {
        return Sheet.of(rig, section).get(place).columns().stream()
                .filter(c -> c.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new AssertionError(key));
    }

    private String shown(String row, String key) {
        return column(Section.LISTENERS, 0, key).text(rig, rig.get(row));
    }

    private String production() {
        String production = add(Section.PRODUCTION, 0, "Orrery");
        for (String track : List.of("live", "archive", "host", "guests")) {
            int number = List.of("live", "archive", "host", "guests").indexOf(track) + 1;
            type(
                    Section.PRODUCTION,
                    1,
                    production,
                    Productions.TRACK_NAME.of(number).key(),
                    track);
        }
        return production;
    }

    private String output(String name) {
        return add(Section.PRODUCTION, 3, name);
    }

    @Test
    void aListenerTypedFirstIsJoinedToTheOutputThatComesLater() {
        String live = add(Section.LISTENERS, 0, "Live");
        String host = add(Section.LISTENERS, 0, "Host track");
        assertNull(rig.get(live).get(Outlets.OUTPUT));
        production();
        String stream = output("Live stream");
        assertEquals(stream, rig.get(live).get(Outlets.OUTPUT));
        assertNull(rig.get(host).get(Outlets.OUTPUT), "a live stream is no recording");
        String recording = output("Show recording");
        assertEquals(recording, rig.get(host).get(Outlets.OUTPUT));
        assertEquals(3, rig.get(host).get(Outlets.TRACK));
    }

    @Test
    void itIsTheSameAsIfItHadBeenTypedAfterwards() {
        add(Section.LISTENERS, 0, "Archive");
        add(Section.LISTENERS, 0, "Guests track");
        production();
        output("Service archive");
        output("Show recording");
        List<Element> before = rig.of(Kind.OUTLET);

        rig = Rig.EMPTY;
        production();
        output("Service archive");
        output("Show recording");
        add(Section.LISTENERS, 0, "Archive");
        add(Section.LISTENERS, 0, "Guests track");
        List<Element> after = rig.of(Kind.OUTLET);
        for (int i = 0; i < before.size(); i++) {
            assertEquals(after.get(i).get(Outlets.OUTPUT), before.get(i).get(Outlets.OUTPUT));
            assertEquals(after.get(i).get(Outlets.TRACK), before.get(i).get(Outlets.TRACK));
        }
    }

    @Test
    void whatWasEnteredStays() {
        String production = production();
        String first = output("First stream");
        type(Section.PRODUCTION, 3, first, Productions.PURPOSE.key(), "relay");
        String live = add(Section.LISTENERS, 0, "Live");
        type(Section.LISTENERS, 0, live, "listensAt", "First stream");
        output("Live stream");
        assertEquals(first, rig.get(live).get(Outlets.OUTPUT));
        assertEquals(production, rig.get(first).get(Productions.OUTPUT_OF));
    }

    @Test
    void ofTwoThatFitNeitherIsGuessed() {
        production();
        output("Live one");
        output("Live two");
        String live = add(Section.LISTENERS, 0, "Live");
        assertNull(rig.get(live).get(Outlets.OUTPUT));
    }

    @Test
    void anOutputIsWhatItsNameSays() {
        String production = production();
        String live = output("Live stream");
        assertEquals(Productions.Purpose.LIVE, rig.get(live).get(Productions.PURPOSE));
        assertEquals(Set.of(1), Productions.ticked(rig.get(live), Productions.TAKES_TRACK));
        String recording = output("Show recording");
        assertEquals(
                rig.get(production).or(Productions.TRACKS, 6),
                Productions.ticked(rig.get(recording), Productions.TAKES_TRACK).size(),
                "a recording takes all tracks");
        String other = output("Something else");
        assertNull(rig.get(other).get(Productions.PURPOSE));
    }

    @Test
    void aTrackIsTypedByNameOrNumber() {
        production();
        output("Show recording");
        String one = add(Section.LISTENERS, 0, "Some track");
        type(Section.LISTENERS, 0, one, "track", "gue");
        assertEquals(4, rig.get(one).get(Outlets.TRACK));
        assertEquals("guests", shown(one, "track"));
        type(Section.LISTENERS, 0, one, "track", "2");
        assertEquals("archive", shown(one, "track"));
        type(Section.LISTENERS, 0, one, "track", "5");
        assertEquals("5", shown(one, "track"), "a track without a purpose goes by its number");
        Refused refused = assertThrows(Refused.class, () -> type(Section.LISTENERS, 0, one, "track", "charts"));
        assertTrue(refused.getMessage().contains("No track of Orrery is called “charts”"), refused.getMessage());
        assertEquals(5, rig.get(one).get(Outlets.TRACK), "what is refused changes nothing");
        type(Section.LISTENERS, 0, one, "track", "");
        assertNull(rig.get(one).get(Outlets.TRACK));
    }

    @Test
    void whoeverIsCalledLikeACallersVoiceIsAtTheFarEndOfThatCall() {
        String guests = add(Section.SOUNDS, 0, "Guests");
        type(Section.SOUNDS, 0, guests, "startsAt", "+Farcall");
        String there = add(Section.LISTENERS, 0, "Guests");
        assertEquals(Outlets.Sort.FAR_END, rig.get(there).get(Outlets.SORT));
        assertEquals("Farcall", rig.name(rig.get(there).get(Outlets.APPLICATION)));
        String music = add(Section.SOUNDS, 0, "Music");
        type(Section.SOUNDS, 0, music, "startsAt", "+Driftbox");
        String listener = add(Section.LISTENERS, 0, "Music");
        assertNull(rig.get(listener).get(Outlets.SORT), "a player has no far end");
    }
}
