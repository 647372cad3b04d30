package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.StreamSupport;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.casefile.WorkRecord;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What the terminal proposes to change, and what it says a change brings, in words and as JSON. */
class ProposalAnswersTest extends SampleInTerminalTest {
    @TakesLong
    @Test
    void whatWasRuledOutInRepairIsProposedNowhere() throws Exception {
        Survey good = SAMPLE.survey(SampleShow.KNOWN_GOOD).orElseThrow();
        List<Change> fault = SampleShow.changes(good.rig(), SampleShow.Fault.RAW_AND_CLEANED);
        Case one = new Case(
                "One fault",
                "",
                SAMPLE.showHours(),
                "",
                List.of(new Survey("now", "now", "", "", Changes.apply(good.rig(), fault), Map.of())),
                SAMPLE.brief());
        String proposed = "In Orrery, take input Host raw off program";
        for (boolean out : List.of(false, true)) {
            WorkRecord.RuledOut program =
                    new WorkRecord.RuledOut(new Address("in-host-raw", "program"), "It is locked.");
            WorkRecord record =
                    new WorkRecord("now", "now", true, List.of(), out ? List.of(program) : List.of(), List.of());
            CaseFiles.save(new Edit.OfWork("now", null, record).apply(one), Path.of(file));
            assertEquals(Exit.OK, terminal.run("audit", file, "--causes", "--fixes"));
            assertEquals(!out, terminal.out().contains(proposed), terminal.out());
            assertEquals(
                    out, terminal.out().contains("1 setting is left alone, as ruled out in Repair."), terminal.out());
        }
    }

    @TakesLong
    @Test
    void eachCauseSaysWhatToChangeAndWhatThatFixes() throws Exception {
        JsonNode answer = terminal.json("audit", file, "--causes", "--json");
        JsonNode causes = answer.path("causes");
        JsonNode way = answer.path("strategies").path(0);
        assertEquals(way.path("changes").size(), way.path("steps").size());
        assertTrue(way.path("steps").toString().contains("In Orrery, mute input All of default"), way.toString());
        Set<String> fixed = new HashSet<>();
        for (JsonNode cause : causes) {
            assertFalse(cause.path("sentence").asText().isBlank(), cause.toString());
            assertFalse(cause.path("changes").isEmpty(), cause.toString());
            StreamSupport.stream(cause.path("fixes").spliterator(), false)
                    .map(JsonNode::asText)
                    .forEach(fixed::add);
        }
        reading(SampleShow.AS_FOUND).findings().stream()
                .filter(Finding::isBad)
                .forEach(f -> assertTrue(fixed.contains(f.identity()), f.identity() + " has a cause"));
        JsonNode good = terminal.json("audit", file, "--causes", "--json", "--survey", SampleShow.KNOWN_GOOD);
        assertTrue(
                StreamSupport.stream(good.path("causes").spliterator(), false)
                        .allMatch(cause -> cause.path("fixes").size() > 0),
                "nothing is proposed for nothing");
    }

    @TakesLong
    @Test
    void repairTellsTheSameStepsInEveryForm() throws Exception {
        JsonNode plan = terminal.json("repair", file, "--survey", "as-found", "--json");
        assertEquals(10, plan.get("steps").size());
        assertEquals("NONE_CAN_BE_LEFT_OUT", plan.get("proof").asText());
        assertEquals(0, plan.get("left").size());
        assertTrue(plan.get("exactOrder").asBoolean());
        String first = plan.at("/steps/0/sentence").asText();
        assertEquals("In Orrery, mute input All of default", first);
        for (String form : List.of("--markdown", "--html", "")) {
            List<String> words = new ArrayList<>(List.of("repair", file, "--survey", "as-found"));
            if (!form.isEmpty()) {
                words.add(form);
            }
            assertEquals(Exit.OK, terminal.run(words.toArray(String[]::new)));
            String told = terminal.out().replace("\\", "");
            plan.get("steps")
                    .forEach(step ->
                            assertTrue(told.contains(step.get("sentence").asText()), told));
            assertTrue(told.contains("None of these can be left out."), told);
        }
        String other = terminal.out();
        other = other.substring(other.indexOf("Another way ("));
        assertTrue(other.contains("    In Chimewire, choose Tern headset as the output"), other);
        assertTrue(
                other.contains("  instead of:\n    Set the playback default of Desk PC to Plover, play side"), other);
        JsonNode without =
                terminal.json("repair", file, "--survey", "as-found", "--without", "in-default/muted", "--json");
        without.get("steps")
                .forEach(step -> assertFalse(step.get("element").asText().equals("in-default")
                        && step.get("setting").asText().equals("muted")));
        assertEquals(0, without.get("left").size());
        // What a step would add has an id, too, though the survey has no such element yet.
        assertTrue(plan.get("steps")
                .valueStream()
                .anyMatch(step -> step.get("element").asText().equals("sky-charts")));
        JsonNode notAdded = terminal.json("repair", file, "--survey", "as-found", "--without", "sky-charts", "--json");
        assertTrue(notAdded.get("steps")
                .valueStream()
                .noneMatch(step -> step.get("element").asText().equals("sky-charts")));
        assertTrue(notAdded.get("steps")
                .valueStream()
                .anyMatch(step -> step.get("element").asText().equals("in-charts")));
        assertEquals(Exit.USAGE, terminal.run("repair", file, "--without", "sky-chart"));
        assertTrue(terminal.err().contains("There is no element 'sky-chart' in this survey."), terminal.err());
        assertEquals(
                0,
                terminal.json("repair", file, "--survey", "known-good", "--json")
                        .get("steps")
                        .size());
        assertEquals(Exit.USAGE, terminal.run("repair", file, "--json", "--markdown"));
    }

    @Test
    void compareBlamesChangesForFindings() throws Exception {
        JsonNode told = terminal.json("compare", file, "--json");
        assertEquals(14, told.get("changes").size());
        assertTrue(told.get("whole").asBoolean());
        assertEquals(1, told.at("/blame/loop.far-end:guests>call").size());
        int talk = told.at("/blame/loop.far-end:guests>call/0").asInt();
        assertEquals("strip-talk", told.get("changes").get(talk).get("element").asText());
        assertEquals(Exit.OK, terminal.run("compare", file, "--from", "known good", "--to", "as found", "--markdown"));
        assertTrue(terminal.out().contains("14 changes. 13 are to blame for"), terminal.out());
        assertTrue(terminal.out().contains("## Changes that do no harm"), terminal.out());
        assertEquals(Exit.OK, terminal.run("compare", file, file, "--from", "as-found"));
        assertTrue(terminal.out().contains("Nothing is different."), terminal.out());
        assertEquals(Exit.USAGE, terminal.run("compare", file, "--from", "as-found", "--to", "as-found"));
        assertEquals(Exit.USAGE, terminal.run("compare", file, "--from", "never"));
    }

    @Test
    void reachSaysWhoHearsADifference() throws Exception {
        assertEquals(Exit.OK, terminal.run("reach", file, "ears/level", "--survey", "known-good"));
        assertEquals(
                "bus Ears, level: reaches Host's ears only.",
                terminal.out().lines().findFirst().orElseThrow());
        JsonNode json = terminal.json("reach", file, "Desk PC/playback default", "--json");
        assertEquals("playback", json.path("setting").asText());
        assertEquals("desk-pc", json.path("element").asText());
        assertTrue(json.path("listeners").has("live"), terminal.out());
        assertEquals(Exit.OK, terminal.run("reach", file, "in-charts/muted", "--survey", "as-found", "--scene", "Sky"));
        assertTrue(terminal.out().contains("reaches nobody"), "it isn't in that scene: " + terminal.out());
        assertEquals(Exit.USAGE, terminal.run("reach", file, "huddlewick/loudness"));
        assertTrue(terminal.err().contains("A program has no setting"), terminal.err());
        assertEquals(Exit.USAGE, terminal.run("reach", file, "desk-pc/loudness"));
        assertTrue(terminal.err().contains("no setting 'loudness'"), terminal.err());
        assertEquals(Exit.USAGE, terminal.run("reach", file, "nobody"));
        assertTrue(terminal.err().contains("no element 'nobody'"), terminal.err());
    }

    @Test
    void fixesOfEachFindingAreListedOrItSaysThatThereAreNone() throws Exception {
        JsonNode json = terminal.json("audit", file, "--survey", "known-good", "--fixes", "--json");
        assertTrue(json.path("findings").size() > 0);
        json.path("findings").forEach(finding -> {
            assertTrue(finding.has("fixes"), finding.toString());
            assertEquals(finding.path("fixes").isEmpty(), finding.has("noFix"), finding.toString());
        });
    }
}
