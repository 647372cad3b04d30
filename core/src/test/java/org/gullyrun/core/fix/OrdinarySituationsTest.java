package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * What is proposed in the situations that technicians meet every week, in four small rigs: one input that takes everything, an
 * input for each program, a second computer for the game, a mixer.
 */
class OrdinarySituationsTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static Case open(String name) throws Exception {
        return CaseFiles.open(Path.of(
                Objects.requireNonNull(OrdinarySituationsTest.class.getResource("/situations/" + name + ".json"))
                        .toURI()));
    }

    /** The rig of a case with some settings otherwise, given as {@code element/setting=value}, or without {@code -element}; read. */
    private static Reading read(Case what, @Nullable String otherwise) {
        Rig rig = what.surveys().getFirst().rig();
        for (String one : otherwise == null ? new String[0] : otherwise.split("; ")) {
            rig = Changes.apply(
                    rig, one.startsWith("-") ? Changes.removal(rig, one.substring(1)) : List.of(set(rig, one)));
        }
        return AUDIT.read(rig, what.brief());
    }

    private static Change set(Rig rig, String what) {
        String[] parts = what.split("[/=]", 3);
        Setting<?> setting =
                Objects.requireNonNull(Catalogue.find(rig.get(parts[0]).kind(), parts[1]));
        Object plain = setting.type() instanceof ValueType.Flag
                ? Boolean.valueOf(parts[2])
                : setting.type() instanceof ValueType.Texts
                        ? List.of(parts[2].split(","))
                        : setting.type() instanceof ValueType.Number ? Double.valueOf(parts[2]) : parts[2];
        return Objects.requireNonNull(
                Change.setRaw(rig, parts[0], setting, setting.type().read(plain)));
    }

    private static Finding finding(Reading reading, String identity) {
        return reading.findings().stream()
                .filter(f -> f.identity().equals(identity))
                .findFirst()
                .orElseThrow(() -> new AssertionError(
                        reading.findings().stream().map(Finding::identity).toList()));
    }

    private static List<String> proposals(Reading reading, String identity) {
        return new Fixes(AUDIT)
                .find(reading, finding(reading, identity), () -> false).stream()
                        .map(Fix::sentence)
                        .toList();
    }

    @Test
    void whereEverythingIsCapturedAPrivateChatIsKeptOutByEachProgramItselfOrByACable() throws Exception {
        Case what = open("everything-captured");
        String apart =
                "Set the playback default of Desk to Flume, play side; in Tattlebrook, choose Flume, play side as the output;"
                        + " in Huddle, choose Headset as the output; in Lampwick, put input Desktop sound on cue";
        String each =
                "In Lampwick, mute input Desktop sound and add an input each for Moss Rally, Larkspur, Tattlebrook and"
                        + " Bellhop, on track live and track archive";
        Reading reading = read(what, null);
        assertEquals(List.of(apart, each), proposals(reading, "leak:crew>live").subList(0, 2));
        Reading alone = read(what, "lamp/capturesPrograms=false");
        assertEquals(List.of(apart), proposals(alone, "leak:crew>live"));
        List<RootCauses.Group> causes =
                RootCauses.of(AUDIT, reading, () -> false, x -> {}).groups();
        assertEquals(apart, causes.getFirst().fix().sentence());
        assertTrue(causes.getFirst().standsAlone());
    }

    /**
     * Of the level: 6 dB under the voice at −20 dBFS is a power of 0.002512, of which the game at −30 dBFS takes 0.001. The rest is
     * −28.2 dBFS, and the music is at −24. Of the delay: the singer hears the track after 8 ms and the microphone takes 5.
     */
    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    everything-captured | pc/playback=fp | missing:guest>live | Set the playback default of Desk to Headset
                    each-captured | pc/recording=hmic; in-mic/device=default; tattle/listensTo=default | missing:host>live | Set the recording default of Desk to Desk mic
                    each-captured | pc/callPlayback=spk; tattle-out/plays=call default | missing:guest>ears | In Tattlebrook, choose Headset as the output
                    each-captured | phones/present=false; pc/playbackOrder=phones,spk | leak:music>archive | Plug in and switch on Headset
                    each-captured | rec/tracks:1=true; rec/tracks:2=false | leak:music>archive | In Lampwick, have output Recording take track archive instead of track live
                    each-captured | -in-game | missing:game>archive | In Lampwick, add an input that captures Moss Rally, on track live and track archive
                    each-captured | ears/device=spk; pc/playback=spk; tattle-out/plays=spk | leak:music>archive | Have Ann's ears listen on Headset; set the playback default of Desk to Headset; in Tattlebrook, choose Headset as the output
                    each-captured | in-game/application=bell | missing:game>live | In Lampwick, set the program of input Game to Moss Rally
                    scenes | | scene.gap:game>live | In Lampwick, bring Sound into scene Chatting
                    each-captured | in-music/level=12 | level.balance:live | In Lampwick, set the level of input Music to +7.7 dB
                    mixer | moss-out/plays=phones | missing:game>live | In Moss Rally, choose Sluice Game as the output
                    mixer | tattle/listensTo=b1 | loop.far-end:guest>far | In Tattlebrook, choose Sluice Call as the microphone
                    mixer | st-t/crossings:bus-call=true | loop.far-end:guest>far | In Sluice, switch strip Talk off bus Call
                    mixer | bus-ears/target=spk | missing:game>ears | In Sluice, send bus Ears to Headset
                    two-computers | | double:game>live | In Lampwick, mute input Line in
                    two-computers | -in-line; in-game/takes=application; in-game/application=moss | choice.elsewhere:in-game | In Lampwick, have input Game take Capture box
                    two-computers | -in-line; -moss-out2; moss-out/plays=phones | choice.elsewhere:moss-out | In Moss Rally, choose Video out as the output
                    two-voices | in-mic2/device=mic | missing:cohost>live | In Lampwick, set the device of input Second mic to Second mic
                    two-voices | pc/recording=mic2; in-mic/device=default | missing:host>live | In Lampwick, set the device of input Mic to Desk mic
                    performer | in-music/delay=300 | late.apart:host>live | In Lampwick, set the delay of input Track to 13 ms
                    """)
    void theFirstProposalIsTheChangeATechnicianWouldMake(
            String rig, @Nullable String otherwise, String identity, String sentence) throws Exception {
        assertEquals(sentence, proposals(read(open(rig), otherwise), identity).getFirst());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    mixer | bus-ears/target=spk | missing:game>ears | Ann can't hear Game: bus Ears in Sluice goes to Shelf speakers, and Ann listens on Headset.
                    mixer | st-t/crossings:bus-call=true | loop.far-end:guest>far | Bo hears their own voice, because Sluice sends Guest back into the call: strip Talk is on bus Call.
                    each-captured | pc/callPlayback=spk; tattle-out/plays=call default | missing:guest>ears | Ann can't hear Guest: Tattlebrook plays to Shelf speakers, and Ann listens on Headset.
                    each-captured | ears/device=spk; pc/playback=spk; tattle-out/plays=spk | leak:music>archive | Archive hears Music: Desk mic picks up Shelf speakers.
                    each-captured | tattle/listensTo=hmic | missing:host>far | Host doesn't reach Bo: Tattlebrook listens to Headset mic, not to Desk mic.
                    each-captured | in-mic/cue=true | late.self:host>ears | Your own voice comes back late at Ann's ears: input Mic in Lampwick is on cue.
                    each-captured | tattle/listensTo=fr; lamp/cueDevice=fp; in-mic/cue=true; in-call/cue=true | loop.far-end:guest>far | Bo hears their own voice, because Lampwick sends Guest back into the call: input Call is on cue.
                    each-captured | tattle/listensTo=fr; lamp/cueDevice=fp | missing:host>far | Host doesn't reach Bo: Tattlebrook listens to Flume, record side, not to Desk mic.
                    each-captured | in-mic/device=hmic | missing:host>live | Host doesn't reach Viewers: nothing that Viewers hear takes Desk mic.
                    each-captured | phones/present=false; pc/playbackOrder=phones,spk | device.fallback:phones | Headset is unplugged or switched off, so Tattlebrook now uses the default, Shelf speakers.
                    """)
    void whatIsReadToTheCreatorNamesTheReason(String rig, @Nullable String otherwise, String identity, String plain)
            throws Exception {
        assertEquals(
                plain, finding(read(open(rig), otherwise), identity).words().plain());
    }

    @Test
    void aCallThatShouldHearMoreThanOneMicrophoneListensToAMixOverACueThatNobodyUses() throws Exception {
        Case what = open("two-voices");
        String mix =
                "In Lampwick, put input Mic on cue, put input Second mic on cue and set the cue device to Flume, play"
                        + " side; in Tattlebrook, choose Flume, record side as the microphone";
        Brief both = BriefChange.apply(
                what.brief(), List.of(new BriefChange.OfCell(new Brief.Cell("cohost", "far", ""), null, Wish.MUST)));
        Reading reading = AUDIT.read(what.surveys().getFirst().rig(), both);
        assertEquals(List.of(mix), proposals(reading, "missing:cohost>far"));
        for (String used : List.of("in-game/cue=true", "moss-out/plays=fp", "fp/enabled=false")) {
            Rig rig = Changes.apply(reading.rig(), List.of(set(reading.rig(), used)));
            assertEquals(List.of(), proposals(AUDIT.read(rig, both), "missing:cohost>far"), used);
        }
    }

    @Test
    void nothingIsLedThroughTheAir() throws Exception {
        for (String identity : List.of("missing:game>archive", "missing:game>live")) {
            List<String> proposals = proposals(read(open("each-captured"), "-in-game"), identity);
            assertTrue(proposals.stream().noneMatch(p -> p.contains("Shelf speakers")), proposals.toString());
        }
    }

    @Test
    void nothingIsTakenFromAnotherComputer() throws Exception {
        List<String> proposals =
                proposals(read(open("two-computers"), "moss-out/plays=gphones; -in-line"), "missing:game>live");
        assertTrue(proposals.stream().noneMatch(p -> p.contains("captures Moss Rally")), proposals.toString());
    }

    @Test
    void whatAStoppedMixerOffersIsToldOnceWithTheMixer() throws Exception {
        Reading reading = read(open("mixer"), "sl/running=false");
        assertEquals(
                List.of("engine.down:sl"),
                reading.findings().stream()
                        .filter(Finding::isBad)
                        .map(Finding::identity)
                        .toList());
        assertEquals("Start Sluice", proposals(reading, "engine.down:sl").getFirst());
    }

    /** A louder microphone evens out the balance, and makes two sums too loud. */
    @Test
    void nothingMinorIsFixedByMoreThatIsMinor() throws Exception {
        Reading reading = read(open("each-captured"), "in-music/level=12");
        for (Finding finding : reading.findings()) {
            for (Fix fix : new Fixes(AUDIT).find(reading, finding, () -> false)) {
                assertTrue(
                        finding.isBad()
                                || fix.created().isEmpty()
                                || fix.created().size() < fix.cleared().size(),
                        fix.sentence());
            }
        }
    }

    /** Devices that are none, and a program that only the survey known to be good has. */
    @Test
    void whatIsNotThereEndsNoSearch() throws Exception {
        Case what = open("everything-captured");
        Rig good = what.surveys().getFirst().rig();
        Reading reading = read(what, "moss-out/plays=crew; flume/playback=crew; -bell");
        List<Finding> bad = reading.findings().stream().filter(Finding::isBad).toList();
        assertFalse(bad.isEmpty());
        for (Finding finding : bad) {
            new Fixes(AUDIT, good).find(reading, finding, () -> false);
        }
        assertFalse(read(open("performer"), "listen/playback=lamp").bad().isEmpty());
        Reading each = read(open("each-captured"), "in-bell/application=moss; -bell");
        Rig before = open("each-captured").surveys().getFirst().rig();
        for (Finding finding : each.findings()) {
            new Fixes(AUDIT, before).find(each, finding, () -> false);
        }
    }

    @Test
    void noProposalHoldsAnotherOne() throws Exception {
        for (Finding finding : read(open("everything-captured"), null).findings()) {
            List<Fix> fixes = new Fixes(AUDIT).find(read(open("everything-captured"), null), finding, () -> false);
            for (Fix whole : fixes) {
                assertTrue(
                        fixes.stream()
                                .noneMatch(part -> part != whole
                                        && whole.changes().containsAll(part.changes())
                                        && part.merit().worth() >= whole.merit().worth()),
                        whole.sentence());
            }
        }
    }
}
