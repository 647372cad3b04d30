package org.gullyrun.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a typed name means, where a row leads, and what is still to be asked. */
class NamesAndWaysTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final List<String> NAMES =
            List.of("Brookdesk Music", "Brookdesk Shows", "Mole speakers", "Tern headset", "Tern", "Desk line out");

    @ParameterizedTest
    @CsvSource({
        "tern,Tern", // the very name comes before a longer one
        "ter,Tern headset", // of two that begin so the first in the list
        "bs,Brookdesk Shows", // first letters
        "br sh,Brookdesk Shows", // parts of words in order
        "speak,Mole speakers", // the beginning of a later word
        "LINE,Desk line out", // whatever the case
        "esk m,Brookdesk Music", // any part
    })
    void aFewLettersFindTheName(String typed, String name) {
        assertEquals(name, NAMES.get(NameMatch.best(NAMES, typed)));
    }

    @Test
    void whatIsOnAnotherComputerIsOfferedLast() {
        Rig rig = SampleShow.make().surveys().getFirst().rig();
        Element program = rig.get("slewbell-out");
        List<String> offered = Typed.candidates(rig, program, Applications.PROGRAM_CHOICE);
        List<String> computers =
                offered.stream().map(id -> rig.machine(rig.get(id))).distinct().toList();
        assertEquals(List.of("dome-pc", "desk-pc"), computers, offered.toString());
        assertEquals(
                List.of("on Desk PC"),
                Columns.options(rig, program, Applications.PROGRAM_CHOICE, "tern").stream()
                        .filter(option -> option.shown().startsWith("Tern"))
                        .map(Option::note)
                        .toList());
    }

    @Test
    void whatNoNameHoldsFindsNothing() {
        assertEquals(-1, NameMatch.best(NAMES, "plover"));
        assertEquals(-1, NameMatch.best(NAMES, "shows brook"), "the order of the words counts");
        assertEquals(List.of(), NameMatch.all(List.of(), "x"));
    }

    @Test
    void theBetterMatchComesFirst() {
        List<Integer> all = NameMatch.all(NAMES, "tern");
        assertEquals(List.of(4, 3), all);
        for (String typed : List.of("b", "desk", "o", "e", "ter", "m")) {
            int before = 0;
            for (int place : NameMatch.all(NAMES, typed)) {
                int grade = NameMatch.grade(NAMES.get(place), typed);
                assertTrue(grade >= before, typed);
                before = grade;
            }
        }
    }

    @Test
    void aSourceLeadsToWhoHearsIt() {
        for (int seed = 0; seed < RandomRigs.many(100, 1_000); seed++) {
            Reading reading = AUDIT.read(RandomRigs.of(seed), Brief.EMPTY);
            Rig rig = reading.rig();
            for (Element source : rig.of(Kind.SOURCE)) {
                List<String> heard = new ArrayList<>();
                for (Element outlet : rig.of(Kind.OUTLET)) {
                    if (reading.scenes().stream()
                            .anyMatch(scene ->
                                    cell(scene, source, outlet).delivery().arrives())) {
                        heard.add(outlet.name());
                    }
                }
                assertEquals(heard, LeadsTo.names(reading, source), "seed " + seed + " " + source.id());
            }
            for (Element outlet : rig.of(Kind.OUTLET)) {
                List<String> hears = new ArrayList<>();
                for (Element source : rig.of(Kind.SOURCE)) {
                    if (reading.scenes().stream()
                            .anyMatch(scene ->
                                    cell(scene, source, outlet).delivery().arrives())) {
                        hears.add(source.name());
                    }
                }
                assertEquals(hears, LeadsTo.names(reading, outlet), "seed " + seed + " " + outlet.id());
            }
        }
    }

    private static CellReading cell(SceneReading scene, Element source, Element outlet) {
        Rig rig = scene.graph().rig();
        return scene.cell(
                rig.of(Kind.SOURCE).indexOf(source), rig.of(Kind.OUTLET).indexOf(outlet));
    }

    @Test
    void everyQuestionIsAboutSomethingUnknownAndIsAskedOnce() {
        for (int seed = 0; seed < RandomRigs.many(200, 2_000); seed++) {
            Rig rig = RandomRigs.of(seed);
            Set<Object> asked = new HashSet<>();
            for (Question question : Questions.of(rig)) {
                Element element = rig.get(question.at().element());
                Setting<?> setting =
                        Catalogue.find(element.kind(), question.at().key());
                assertTrue(setting != null, "seed " + seed + " " + question.at());
                assertTrue(asked.add(question.at()), "seed " + seed + " asks twice for " + question.at());
                assertTrue(question.wording().endsWith("?"), question.wording());
                assertFalse(question.wording().contains("null"), question.wording());
                assertTrue(
                        element.raw(setting) == null
                                || element.raw(setting) == org.gullyrun.core.rig.Choice.Special.UNSET
                                || List.of().equals(element.raw(setting))
                                || element.isUnknown(setting),
                        "seed " + seed + " asks for what is known: " + question.at());
            }
        }
    }

    @Test
    void anAnswerTakesItsQuestionAway() {
        for (int seed = 0; seed < RandomRigs.many(100, 1_000); seed++) {
            Rig rig = RandomRigs.of(seed);
            for (Question question : Questions.of(rig)) {
                Element element = rig.get(question.at().element());
                Setting<?> setting =
                        Catalogue.find(element.kind(), question.at().key());
                Object usual = setting == null ? null : setting.usual();
                if (usual == null || usual.equals(List.of())) {
                    continue; // no answer
                }
                Change.Set answer = Change.setRaw(rig, element.id(), setting, usual);
                if (answer == null) {
                    continue;
                }
                Rig answered = Changes.apply(rig, List.of(answer));
                boolean still = Questions.of(answered).stream().anyMatch(q -> q.at().equals(question.at()))
                        && !answered.get(element.id()).isUnknown(setting)
                        && usual != org.gullyrun.core.rig.Choice.Special.UNSET;
                assertFalse(still, "seed " + seed + " still asks " + question.wording());
            }
        }
    }

    @Test
    void aDefaultIsAskedForAsSoonAsAProgramFollowsIt() {
        Rig good = SampleShow.make().survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        assertTrue(Questions.of(good).stream().noneMatch(q -> q.at().key().equals(Machines.PLAYBACK.key())));
        Rig open = Changes.apply(good, List.of(Change.set(good, "desk-pc", Machines.PLAYBACK, null)));
        Question first = Questions.of(open).getFirst();
        assertEquals("desk-pc", first.at().element());
        assertEquals(Machines.PLAYBACK.key(), first.at().key());
        assertFalse(first.why().isBlank());
    }

    /** Whether a question is about a row, an output of it, or an entry that brings it into a scene. */
    private static boolean isOf(Rig rig, String asked, Element row) {
        Element about = rig.get(asked.substring(0, asked.indexOf('/')));
        return about.id().equals(row.id())
                || rig.program(about).id().equals(row.id())
                || about.kind() == Kind.ENTRY && row.id().equals(about.get(Productions.BRINGS));
    }

    @Test
    void whateverIsShownAsUnknownIsAsked() {
        Set<String> silent = new java.util.TreeSet<>();
        for (int seed = 0; seed < RandomRigs.many(150, 1_500); seed++) {
            Rig rig = RandomRigs.of(seed);
            Set<String> asked = new HashSet<>();
            Questions.of(rig).forEach(q -> asked.add(q.at().element() + "/" + q.at().key()));
            for (Section section : Section.values()) {
                for (Table table : Sheet.of(rig, section)) {
                    for (Element row : table.rows(rig)) {
                        for (Column column : table.columns()) {
                            if (column.text(rig, row).equals("?")) {
                                String at = row.id() + "/" + column.key();
                                boolean isAsked = asked.stream().anyMatch(a -> isOf(rig, a, row));
                                if (!isAsked) {
                                    silent.add(row.kind() + " " + column.key().replaceAll(":.*", ""));
                                }
                            }
                        }
                    }
                }
            }
        }
        assertEquals(Set.of(), silent, "shown as ? and not asked");
    }
}
