package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.core.sample.SampleShow;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** In ordinary faulty rigs the first proposal is the change that an experienced technician would make. */
class PractitionersFixTest {
    private static final Case SHOW = SampleShow.make();
    private static final Audit AUDIT =
            RuleCatalogue.on(SHOW.terms(), SHOW.showHours()).quick();

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

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    in-host/program=false             | In Orrery, put input Host clean on program
                    in-host/device=tern-mic           | In Orrery, set the device of input Host clean to Hushgate microphone
                    hushgate/reads=kestrel            | In Hushgate, choose Larch boom as the microphone
                    strip-talk/crossings:bus-ears=false | In Brookdesk, switch strip Talk onto bus Ears
                    strip-shows/crossings:bus-ears=false | In Brookdesk, switch strip Shows onto bus Ears
                    in-guests/cue=true                | In Orrery, take input Guests off cue
                    chimewire-out/level=-40           | In Chimewire, set the output level to 0 dB
                    in-chimes/cue=true in-default/cue=true | In Orrery, take input Chimes off cue and take input All of default off cue
                    strip-host/crossings:bus-ears=true bus-ears/target=plover-play | In Brookdesk, send bus Ears to Tern headset and switch strip Host off bus Ears
                    desk-pc/playback=brookdesk-music strip-shows/crossings:bus-dome=false | In Pagewell, choose Plover, play side as the output; in Brookdesk, switch strip Shows onto bus Dome
                    almanac/muted=true doors-charts/level=-40 | Unmute Almanac; in Orrery, set the level of Charts in scene Doors to 0 dB
                    brookdesk/running=false strip-shows/crossingLevels:bus-guests=-40 | Start Brookdesk; in Brookdesk, set the level of strip Shows on bus Guests to 0 dB
                    strip-host/feed=plover-record hushgate/reads=desk-in | In Brookdesk, feed strip Host from Hushgate microphone; in Hushgate, choose Larch boom as the microphone
                    bus-guests/target=hushgate-mic in-effects/tracks:1=false | In Brookdesk, send bus Guests to Brookdesk Guests; in Orrery, put input Effects on track live
                    bus-dome/target=brookdesk-music strip-music/crossings:bus-dome=true | In Brookdesk, send bus Dome to Desk line out and switch strip Music off bus Dome
                    bus-dome/target=plover-play brookdesk-shows/muted=true | Unmute Brookdesk Shows; in Brookdesk, send bus Dome to Desk line out
                    """)
    void whatWentWrongSinceTheKnownGoodSurveyIsTakenBackFirst(String faults, String sentence) {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        List<Fix> fixes = fixes(good, faults);
        assertEquals(sentence, fixes.getFirst().sentence());
        for (Fix fix : fixes) {
            assertEquals(0, fix.merit().bad(), fix.sentence());
        }
    }

    @Test
    void anInputThatNoSceneOfAGroupBringsIsPutIntoTheGroup() {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        List<String> two = fixes(good, "house-sound/inputs:in-music=false").stream()
                .limit(2)
                .map(Fix::sentence)
                .toList();
        assertEquals(
                List.of(
                        "In Orrery, bring input Music into every scene",
                        "In Orrery, put input Music into group House sound"),
                two);
    }

    @Test
    void aPassThroughThatIsOffIsSwitchedOnTogetherWithTheDefaultThatNeedsIt() {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        assertEquals(
                "Set the playback default of Desk PC to Plover, play side; switch on the pass-through Plover to Shows",
                fixes(good, "desk-pc/playback=desk-out pass-plover/enabled=false")
                        .get(1)
                        .sentence());
    }

    @Test
    void aThirdWayToSetTheSameThingComesAfterAnotherThatDoesAsMuch() {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        List<String> first = fixes(good, "bus-guests/target=desk-in desk-pc/playback=tern").stream()
                .limit(4)
                .map(fix -> fix.sentence().replaceFirst(" to .*|, choose .*", ""))
                .toList();
        assertEquals(
                List.of("In Pagewell", "In Pagewell", "Set the playback default of Desk PC", "In Pagewell"), first);
    }

    @Test
    void twoUnrelatedFixesAreNotOfferedAsOne() {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        for (Fix fix : fixes(good, "desk-pc/playback=tern in-clips/muted=true")) {
            assertFalse(fix.sentence().contains("unmute input Clips"), fix.sentence());
        }
    }

    @Test
    void nothingIsLedToWhereItIsSilentAndNobodyListensToACable() throws Exception {
        Rig found = SHOW.surveys().getFirst().rig();
        Reading reading = AUDIT.read(found, SHOW.brief());
        Finding host = reading.findings().stream()
                .filter(f -> f.identity().equals("double:host>live"))
                .findFirst()
                .orElseThrow();
        List<String> sentences =
                fixes(reading, host).stream().map(Fix::sentence).toList();
        assertTrue(sentences.contains("In Orrery, mute input Host raw"));
        assertFalse(
                sentences.contains("In Orrery, set the device of input Host raw to Desk line in"), "that is silent");
        Finding chimes = reading.findings().stream()
                .filter(f -> f.identity().equals("double:chimes>live"))
                .findFirst()
                .orElseThrow();
        assertFalse(fixes(reading, chimes).stream()
                .anyMatch(f ->
                        f.sentence().equals("In Orrery, set the device of input All of default to Plover, play side")));
        Reading bus = read(open("bus-without-target"));
        assertFalse(fixes(bus, bus.findings().getFirst()).stream()
                .anyMatch(f -> f.sentence().startsWith("Have Ears listen on Sluicedeck in")));
    }

    @Test
    void ofEqualDevicesTheNamesakeIsMeantWhateverElseNamesHold() {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        Rig named = Changes.apply(
                good,
                List.of(
                        Objects.requireNonNull(
                                Change.set(good, "strip-shows", Common.name(Kind.STRIP), "Shows, shows")),
                        Objects.requireNonNull(Change.set(good, "plover-play", Common.name(Kind.DEVICE), "…"))));
        assertEquals(
                "In Brookdesk, feed strip Shows, shows from Brookdesk Shows",
                fixes(named, "strip-shows/feed=plover-play").getFirst().sentence());
    }

    @Test
    void whatIsOnlyHeardThroughTheFaultIsNoLoss() {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        Fix back = fixes(good, "huddlewick/listensTo=kestrel", good).getFirst();
        assertEquals("In Huddlewick, choose Hushgate microphone as the microphone", back.sentence());
        assertEquals(0, back.merit().lost());
        assertTrue(
                back.sideEffects().words().stream().anyMatch(w -> w.startsWith("Crew loses ") && w.contains("Dome")),
                "it is a side effect all the same");
        assertEquals(
                6,
                fixes(good, "huddlewick/listensTo=kestrel").stream()
                        .filter(f -> f.changes().equals(back.changes()))
                        .findFirst()
                        .orElseThrow()
                        .merit()
                        .lost(),
                "without a known-good survey nobody can tell");
    }

    @Test
    void noPairSilencesWhatItPutsRight() {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        for (Fix fix : fixes(good, "strip-host/feed=kestrel wren/present=false")) {
            assertFalse(fix.sentence().contains("mute Wren clip"), fix.sentence());
        }
    }

    /** The fixes of the worst finding that faults bring to a rig, as "element/setting=value", several with blanks between. */
    private static List<Fix> fixes(Rig good, String faults) {
        return fixes(good, faults, null);
    }

    private static List<Fix> fixes(Rig good, String faults, @Nullable Rig knownGood) {
        List<Change> changes = new ArrayList<>();
        for (String fault : faults.split(" ")) {
            String[] parts = fault.split("[/=]");
            Setting<?> setting =
                    Objects.requireNonNull(Catalogue.find(good.get(parts[0]).kind(), parts[1]));
            Object value = switch (setting.type()) {
                case ValueType.Flag flag -> Boolean.valueOf(parts[2]);
                case ValueType.Number number -> Double.valueOf(parts[2]);
                default -> Choice.to(parts[2]);
            };
            changes.add(Objects.requireNonNull(Change.setRaw(good, parts[0], setting, value)));
        }
        Set<String> before = AUDIT.read(good, SHOW.brief()).findings().stream()
                .map(Finding::identity)
                .collect(Collectors.toSet());
        Reading reading = AUDIT.read(Changes.apply(good, changes), SHOW.brief());
        Finding worst = reading.findings().stream()
                .filter(f -> f.isBad() && !before.contains(f.identity()))
                .findFirst()
                .orElseThrow();
        return new Fixes(AUDIT, knownGood).find(reading, worst, () -> false);
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
