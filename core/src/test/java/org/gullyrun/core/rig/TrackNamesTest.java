package org.gullyrun.core.rig;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.gullyrun.core.intake.Questions;
import org.junit.jupiter.api.Test;

/** Tracks without a purpose go by the outputs that take them, never by a bare number where anything better is known. */
class TrackNamesTest {
    private final Element production =
            Element.of(Kind.PRODUCTION, "orrery").with(Productions.TRACK_NAME.of(4), "guests");

    private static Element output(String id, String name, int... tracks) {
        Element output =
                Element.of(Kind.OUTPUT, id).with(Common.name(Kind.OUTPUT), name).with(Productions.OUTPUT_OF, "orrery");
        for (int track : tracks) {
            output = output.with(Productions.TAKES_TRACK.of(track), true);
        }
        return output;
    }

    private final Rig rig =
            Rig.of(List.of(production, output("stream", "Live stream", 1), output("rec", "Recording", 1, 2, 3, 4, 12)));

    private String name(int track) {
        return Sentences.trackName(rig, production, String.valueOf(track));
    }

    @Test
    void theOutputThatTakesOnlyTheTrackGivesItItsName() {
        assertEquals("Live stream", name(1));
        assertEquals("second of Recording", name(2));
        assertEquals("third of Recording", name(3));
        assertEquals("guests", name(4), "a purpose that was entered counts first");
        assertEquals("fifth of Recording", name(12), "its place among those taken, not its number");
        assertEquals("6", name(6), "nothing takes it");
    }

    @Test
    void sentencesReadNaturally() {
        assertEquals("the second track of Recording", Sentences.called("track", name(2)));
        assertEquals("track Live stream", Sentences.called("track", name(1)));
        assertEquals("track 6", Sentences.called("track", name(6)));
    }

    @Test
    void whatATrackAmongSeveralIsForIsAsked() {
        List<String> asked = Questions.of(rig).stream()
                .filter(q -> q.at().key().startsWith(Productions.TRACK_NAME.key()))
                .map(q -> q.wording())
                .toList();
        assertEquals(
                List.of(
                        "What is track Live stream for?",
                        "What is the second track of Recording for?",
                        "What is the third track of Recording for?",
                        "What is the fifth track of Recording for?"),
                asked);
    }
}
