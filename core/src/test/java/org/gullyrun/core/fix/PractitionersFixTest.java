package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** In ordinary faulty rigs the first proposal is the change that an experienced technician would make. */
class PractitionersFixTest {

    private static Case open(String name) throws Exception {
        return CaseFiles.open(java.nio.file.Path.of(PractitionersFixTest.class
                .getResource("/fixes/" + name + ".json")
                .toURI()));
    }

    private static Reading read(Case what) {
        return RuleCatalogue.usual().quick().read(what.surveys().getFirst().rig(), what.brief());
    }

    private static List<Fix> fixes(Reading reading, Finding finding) {
        return new Fixes(RuleCatalogue.usual().quick()).find(reading, finding, () -> false);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    engine-stopped               | engine.down:sluice    | Start Sluicedeck
                    bus-without-target           | missing:game>ears     | In Sluicedeck, send bus Phones to Headset
                    slider-down                  | missing:game>ears     | In Sluicedeck, set the level of strip PC to 0 dB
                    chat-on-the-captured-default | leak:team>live        | In Tattlebrook, choose Headset as the output
                    passed-on-to-itself          | missing:game>ears     | Let Shrew played on play to Headset
                    gap-in-two-scenes            | scene.gap:host>live   | In Lampwick, bring input Mic into every scene
                    caller-without-input         | missing:guest>live    | In Lampwick, add an input that captures Hailbeam, on track Stream
                    call-hears-its-own-cable     | loop.far-end:guest>end | In Hailbeam, choose Mic as the microphone
                    call-hears-its-own-cable     | missing:host>end      | In Hailbeam, choose Mic as the microphone
                    muted-input                  | missing:game>live     | In Lampwick, unmute input PC sound
                    no-echo-cancelling           | loop.far-end:team>end | In Tattlebrook, switch echo cancelling on
                    three-copies                 | double:host>live      | In Lampwick, mute input Mic 2 and mute input Mic 3
                    choice-not-known             | missing:game>ears     | In Moss Rally, choose Headset as the output
                    music-on-the-voice-track     | track.mixed:music>t3  | In Lampwick, take input Music off track Recording
                    """)
    void theFirstProposalIsTheChangeATechnicianWouldMake(String name, String identity, String sentence)
            throws Exception {
        Case what = open(name);
        Reading reading = read(what);
        Finding finding = reading.findings().stream()
                .filter(f -> f.identity().equals(identity))
                .findFirst()
                .orElseThrow(() -> new AssertionError(
                        reading.findings().stream().map(Finding::identity).toList()));
        Fix first = fixes(reading, finding).getFirst();
        assertEquals(sentence, first.sentence());
        assertTrue(first.isSafe(), first.created().toString());
        List<RootCauses.Group> causes = RootCauses.of(RuleCatalogue.usual().quick(), reading, () -> false, x -> {})
                .groups();
        assertEquals(sentence, causes.getFirst().fix().sentence(), "the root cause is the same");
        assertTrue(causes.getFirst().standsAlone());
    }

    @Test
    void whatIsNeverAskedForIsNotProposed() throws Exception {
        for (String name : List.of("call-hears-its-own-cable", "no-echo-cancelling", "muted-input")) {
            Reading reading = read(open(name));
            for (Finding finding : reading.findings()) {
                for (Fix fix : fixes(reading, finding)) {
                    assertFalse(fix.sentence().contains("from using microphones"), name + ": " + fix.sentence());
                    assertFalse(fix.sentence().contains("taking track"), name + ": " + fix.sentence());
                }
            }
        }
    }

    @Test
    void copiesAtTheSameTimeAddUpInAmplitudeInEverySentenceTheSame() throws Exception {
        Finding three = read(open("three-copies")).findings().getFirst();
        // Three equal copies: 20 log 3 = 9.54 dB.
        assertTrue(three.words().exact().contains("+9.5 dB"), three.words().exact());
        assertEquals("3 routes are open at once", three.words().cause());
        assertEquals(
                20 * Math.log10(3),
                three.figures().stream()
                        .filter(f -> f.name().equals("rise"))
                        .findFirst()
                        .orElseThrow()
                        .value(),
                1e-9);
    }

    @Test
    void whatIsNotKnownYetIsAQuestion() throws Exception {
        Finding asked = read(open("choice-not-known")).findings().getFirst();
        assertEquals("Where does Moss Rally play?", asked.words().title());
        assertEquals(Severity.MINOR, asked.severity());
        assertTrue(asked.assumed());
    }

    @Test
    void onlyTheMissingSourceIsToldNotThatItsTrackIsEmpty() throws Exception {
        assertTrue(read(open("muted-input")).findings().stream()
                .noneMatch(f -> f.rule().equals("track.empty")));
    }

    @Test
    void whereNoEchoIsCancelledNobodyIsToldThatItIs() throws Exception {
        for (Finding finding : read(open("no-echo-cancelling")).findings()) {
            assertFalse(
                    finding.words().noticed().contains("cancelling"),
                    finding.words().noticed());
        }
    }
}
