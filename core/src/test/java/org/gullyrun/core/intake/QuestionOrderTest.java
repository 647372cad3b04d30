package org.gullyrun.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.sample.SampleShow;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What decides most is asked first. */
class QuestionOrderTest {
    private static final Case SAMPLE = SampleShow.make();
    private static final Rig GOOD =
            SAMPLE.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static List<String> asked(Rig rig, Complaint reported) {
        return QuestionOrder.of(AUDIT.read(rig, SAMPLE.brief()), reported).stream()
                .map(q -> q.at().toString())
                .toList();
    }

    private static Rig unknown(Rig rig, String element, Setting<?> setting) {
        return with(rig, element, setting, Unknown.UNKNOWN);
    }

    private static Rig with(Rig rig, String element, Setting<?> setting, @Nullable Object value) {
        Change change = new Change.Set(element, setting, rig.get(element).raw(setting), value);
        return Changes.apply(rig, List.of(change));
    }

    @Test
    void aSettingOnWhichAFindingRestsComesBeforeOneThatDecidesNothing() {
        Rig rig = unknown(GOOD, "larch", Devices.RATE);
        rig = unknown(rig, "chimewire-out", Applications.PROGRAM_CHOICE);
        List<String> asked = asked(rig, Complaint.NONE);
        assertEquals("chimewire-out/plays", asked.getFirst());
        assertTrue(asked.contains("larch/rate"));
        assertEquals(
                "larch/rate",
                asked(unknown(GOOD, "larch", Devices.RATE), Complaint.NONE).getFirst());
    }

    @Test
    void aDefaultThatSomethingFollowsComesFirstAndIsAskedForAlsoWhileItsDeviceIsOff() {
        Rig rig = unknown(GOOD, "chimewire-out", Applications.PROGRAM_CHOICE);
        Rig unset = unknown(rig, "desk-pc", Machines.PLAYBACK);
        assertEquals("desk-pc/playback", asked(unset, Complaint.NONE).getFirst());
        String device =
                GOOD.get("desk-pc").or(Machines.PLAYBACK, Choice.Special.UNSET).id();
        Rig off = with(rig, device, Devices.ENABLED, false);
        assertTrue(asked(off, Complaint.NONE).contains("desk-pc/" + Machines.PLAYBACK_ORDER.key()));
        Rig known = with(off, "desk-pc", Machines.PLAYBACK_ORDER, List.of("mole"));
        assertTrue(asked(known, Complaint.NONE).stream().noneMatch(q -> q.startsWith("desk-pc/")));
    }

    @Test
    void ofTwoWhatFitsTheReportComesFirst() {
        Rig rig = unknown(GOOD, "chimewire-out", Applications.PROGRAM_CHOICE);
        rig = unknown(rig, "almanac-out", Applications.PROGRAM_CHOICE);
        Complaint chimes = new Complaint("", Complaint.What.NOTHING, "chimes", "");
        Complaint charts = new Complaint("", Complaint.What.NOTHING, "charts", "");
        assertEquals("chimewire-out/plays", asked(rig, chimes).getFirst());
        assertEquals("almanac-out/plays", asked(rig, charts).getFirst());
    }

    @Test
    void aLatencyThatNobodyEnteredIsNotAskedForAlthoughDoublesRestOnIt() {
        Rig found =
                with(SAMPLE.survey(SampleShow.AS_FOUND).orElseThrow().rig(), "orrery", Productions.CUE_LATENCY, null);
        assertTrue(AUDIT.read(found, SAMPLE.brief()).findings().stream()
                .anyMatch(f -> f.assumed() && f.rule().equals("double")));
        assertEquals(List.of(), asked(found, Complaint.NONE));
        Rig open = unknown(unknown(found, "desk-out", Devices.RATE), "orrery", Productions.CUE_LATENCY);
        assertEquals("orrery/cueLatency", asked(open, Complaint.NONE).getFirst());
    }

    @Test
    void aPerformerWhoKeepsTimeIsAskedWhereTheyHearIt() {
        Rig rig = with(GOOD, "host", Sources.KEEPS_TIME, "music");
        Question question = Questions.of(rig).stream()
                .filter(q -> q.at().equals(new Address("host", Sources.HEARD_AT.key())))
                .findFirst()
                .orElseThrow();
        assertEquals("On whose headphones does Host hear Music?", question.wording());
        assertEquals(Kind.SOURCE, rig.get(question.at().element()).kind());
    }
}
