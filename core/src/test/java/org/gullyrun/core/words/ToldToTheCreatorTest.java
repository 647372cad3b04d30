package org.gullyrun.core.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is read to the creator says who does what, and which setting makes it so. */
class ToldToTheCreatorTest {
    private static final Map<String, Finding> FOUND = found();

    private static Map<String, Finding> found() {
        Case sample = SampleShow.make();
        return RuleCatalogue.on(sample.terms(), sample.showHours())
                .read(sample.survey(SampleShow.AS_FOUND).orElseThrow().rig(), sample.brief())
                .findings()
                .stream()
                .collect(Collectors.toMap(Finding::identity, f -> f));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '"', textBlock = """
            loop.electric:orrery | Orrery picks up its own monitor sound through input All of default and plays it again, so it builds up.
            loop.far-end:guests>call | Guests hear themselves, because Brookdesk sends their voices back into the call: strip Talk is on bus Guests.
            missing:chimes>host-ears | Host can't hear Chimes: Chimewire plays to Mole speakers, Desk PC's default, and Host listens on Tern headset.
            missing:clips>call | Clips don't reach Guests: Pagewell plays to Mole speakers, Desk PC's default, which doesn't lead to Guests.
            scene.gap:charts>live | Star charts don't reach Live in Sky: input Charts isn't in Sky.
            leak:crew>live | Live hears Crew: Huddlewick plays to Mole speakers, Desk PC's default, and input All of default in Orrery takes everything played there.
            leak:music>archive | Archive hears Music: input Music in Orrery is on track archive. Its licence only covers live.
            double:clips>live | Clips reach Live twice: once through input Clips, and once through Mole speakers and input All of default.
            double:effects>live | Effects reach Live twice: once through the copy of House sound in Panel, and once through input Effects.
            double:host>live | Host reaches Live twice: once through input Host raw, and once through Hushgate microphone and input Host clean.
            default.fragile:desk-pc+playback | Huddlewick, Pagewell and 3 more follow Desk PC's playback default. If an update or a new headset moves it to Heron, play side, Dome ears and Guests would hear Crew.
            """)
    void theSampleShow(String finding, String sentence) {
        assertTrue(FOUND.containsKey(finding), () -> finding + " of " + FOUND.keySet());
        assertEquals(sentence, FOUND.get(finding).words().plain());
    }

    @Test
    void aPersonHearsNothingNotTheirEars() {
        assertEquals(
                "Host doesn't hear it.",
                FOUND.get("missing:chimes>host-ears").words().noticed());
        List<String> same = FOUND.values().stream()
                .map(f -> f.words().plain())
                .filter(plain -> plain.contains("once directly, and once directly"))
                .toList();
        assertEquals(List.of(), same, "what two routes differ by is named");
    }
}
