package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.StreamSupport;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.casefile.WorkRecord;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The terminal's answers, in words and as JSON, are those of the core. */
class AnswersTest {
    private static final Case SAMPLE = SampleShow.make();

    @TempDir
    Path folder;

    private final Terminal terminal = new Terminal();
    private String file = "";

    @BeforeEach
    void sample() {
        file = folder.resolve("sample.json").toString();
        assertEquals(Exit.OK, terminal.run("sample", file));
    }

    private JsonNode json(String... args) throws Exception {
        assertEquals(Exit.OK, terminal.run(args), terminal.err());
        return new ObjectMapper().readTree(terminal.out());
    }

    private static Reading reading(String survey) {
        return RuleCatalogue.on(SAMPLE.terms(), SAMPLE.showHours())
                .read(SAMPLE.survey(survey).orElseThrow().rig(), SAMPLE.brief());
    }

    @ParameterizedTest
    @ValueSource(strings = {SampleShow.AS_FOUND, SampleShow.KNOWN_GOOD})
    void theAuditAsJsonHoldsEveryFindingInOrder(String survey) throws Exception {
        JsonNode findings = json("audit", file, "--json", "--survey", survey).path("findings");
        List<Finding> expected = reading(survey).findings();
        assertEquals(expected.size(), findings.size());
        for (int i = 0; i < expected.size(); i++) {
            Finding finding = expected.get(i);
            JsonNode one = findings.get(i);
            assertEquals(finding.identity(), one.path("identity").asText());
            assertEquals(finding.severity().word(), one.path("severity").asText());
            assertEquals(finding.rule(), one.path("rule").asText());
            assertEquals(finding.words().title(), one.path("title").asText());
            assertEquals(finding.words().plain(), one.path("plain").asText());
            assertEquals(finding.scenes().size(), one.path("scenes").size());
            assertEquals(finding.evidence().routes().size(), one.path("routes").size());
            for (JsonNode figure : one.path("figures")) {
                assertTrue(figure.isNumber(), one.toString());
            }
        }
    }

    @Test
    void theAuditInWordsNamesEveryRowOnceWorstFirst() {
        assertEquals(Exit.OK, terminal.run("audit", file));
        String text = terminal.out();
        Reading reading = reading(SampleShow.AS_FOUND);
        int before = -1;
        for (JoinedFindings row : JoinedFindings.of(reading.rig(), reading.findings())) {
            int at = text.indexOf(row.title());
            assertTrue(at >= 0, row.title());
            assertTrue(at > before, row.title() + " stands in the order of the core");
            before = at;
        }
    }

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

    @Test
    void aTraceOfEverythingHoldsEveryCell() throws Exception {
        for (String survey : List.of(SampleShow.AS_FOUND, SampleShow.KNOWN_GOOD)) {
            JsonNode root = json("trace", file, "--json", "--survey", survey);
            Reading reading = reading(survey);
            JsonNode scenes = root.path("scenes");
            assertEquals(reading.scenes().size(), scenes.size());
            for (int i = 0; i < scenes.size(); i++) {
                SceneReading scene = reading.scenes().get(i);
                JsonNode cells = scenes.get(i).path("cells");
                assertEquals(scene.cells().size(), cells.size(), scene.name());
                for (int c = 0; c < cells.size(); c++) {
                    CellReading expected = scene.cells().get(c);
                    JsonNode cell = cells.get(c);
                    assertEquals(expected.source().id(), cell.path("source").asText());
                    assertEquals(expected.outlet().id(), cell.path("outlet").asText());
                    assertEquals(
                            expected.delivery().routes(),
                            cell.path("routeCount").asLong());
                    if (expected.delivery().arrives()) {
                        assertEquals(
                                expected.delivery().strength(),
                                cell.path("strength").asDouble(),
                                1e-9);
                    } else {
                        assertFalse(cell.has("strength"), cell.toString());
                    }
                }
            }
        }
    }

    @Test
    void theFiguresOfARouteAreTheSumsOfItsHops() throws Exception {
        JsonNode root = json("trace", file, "--json", "--survey", SampleShow.KNOWN_GOOD);
        int routes = 0;
        for (JsonNode scene : root.path("scenes")) {
            for (JsonNode cell : scene.path("cells")) {
                double strongest = Double.NEGATIVE_INFINITY;
                for (JsonNode route : cell.path("routes")) {
                    assertEquals(
                            cell.path("source").asText(),
                            route.path("points").get(0).asText());
                    assertEquals(
                            cell.path("outlet").asText(),
                            route.path("points")
                                    .get(route.path("points").size() - 1)
                                    .asText());
                    strongest = Math.max(strongest, route.path("gain").asDouble());
                    routes++;
                }
                if (cell.path("routes").size() == 1) {
                    assertEquals(strongest, cell.path("strength").asDouble(), 1e-9, cell.toString());
                } else if (!cell.path("routes").isEmpty()) {
                    assertTrue(cell.path("strength").asDouble() >= strongest - 1e-9, cell.toString());
                }
            }
        }
        assertTrue(routes > 100, "routes: " + routes);
    }

    @Test
    void aTraceOfOnePairIsThatCellOfTheWhole() throws Exception {
        Rig rig = SAMPLE.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        JsonNode whole = json("trace", file, "--json");
        for (Element source : rig.of(Kind.SOURCE).subList(0, 3)) {
            for (Element outlet : rig.of(Kind.OUTLET)) {
                JsonNode one = json("trace", file, "--json", "--source", source.name(), "--listener", outlet.id());
                for (int i = 0; i < whole.path("scenes").size(); i++) {
                    List<JsonNode> expected = new ArrayList<>();
                    for (JsonNode cell : whole.path("scenes").get(i).path("cells")) {
                        if (cell.path("source").asText().equals(source.id())
                                && cell.path("outlet").asText().equals(outlet.id())) {
                            expected.add(cell);
                        }
                    }
                    List<JsonNode> found = new ArrayList<>();
                    one.path("scenes").get(i).path("cells").forEach(found::add);
                    assertEquals(expected, found, source.id() + ">" + outlet.id());
                }
            }
        }
    }

    @Test
    void oneSceneIsThatSceneOfAll() throws Exception {
        JsonNode sky = json("trace", file, "--json", "--scene", "Sky");
        assertEquals(1, sky.path("scenes").size());
        JsonNode all = json("trace", file, "--json");
        assertEquals(
                all.path("scenes").get(1).path("cells"),
                sky.path("scenes").get(0).path("cells"));
        terminal.run("audit", file, "--scene", "sky");
        assertTrue(terminal.out().contains("star charts") || terminal.out().contains("Star charts"));
    }

    @TakesLong
    @Test
    void theSameInputGivesTheSameText() {
        for (String[] args : new String[][] {
            {"audit", file}, {"audit", file, "--json"}, {"audit", file, "--causes", "--json"}, {"trace", file, "--json"}
        }) {
            assertEquals(Exit.OK, terminal.run(args));
            String first = terminal.out();
            assertEquals(Exit.OK, terminal.run(args));
            assertEquals(first, terminal.out(), String.join(" ", args));
        }
    }

    @TakesLong
    @Test
    void eachCauseSaysWhatToChangeAndWhatThatFixes() throws Exception {
        JsonNode answer = json("audit", file, "--causes", "--json");
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
        JsonNode good = json("audit", file, "--causes", "--json", "--survey", SampleShow.KNOWN_GOOD);
        assertTrue(
                StreamSupport.stream(good.path("causes").spliterator(), false)
                        .allMatch(cause -> cause.path("fixes").size() > 0),
                "nothing is proposed for nothing");
    }

    @ParameterizedTest
    @CsvSource({"critical,1", "major,1", "minor,1"})
    void asFoundFailsWhenAskedTo(String severity, int code) {
        assertEquals(code, terminal.run("audit", file, "--fail-on", severity));
        assertEquals(Exit.OK, terminal.run("audit", file));
    }

    @Test
    void knownGoodFailsForMinorFindingsOnly() {
        assertEquals(Exit.OK, terminal.run("audit", file, "--survey", SampleShow.KNOWN_GOOD, "--fail-on", "critical"));
        assertEquals(Exit.OK, terminal.run("audit", file, "--survey", SampleShow.KNOWN_GOOD, "--fail-on", "major"));
    }

    @ParameterizedTest
    @CsvSource({
        "--survey,nobody,known-good",
        "--scene,nowhere,Panel",
        "--fail-on,terrible,critical",
    })
    void aNameThatDoesNotExistIsToldWithThoseThatDo(String option, String value, String among) {
        assertEquals(Exit.USAGE, terminal.run("audit", file, option, value));
        assertTrue(terminal.err().contains(value), terminal.err());
        assertTrue(terminal.err().toLowerCase().contains(among.toLowerCase()), terminal.err());
        assertEquals("", terminal.out());
    }

    @Test
    void aFileThatIsNoCaseIsNamedWithItsPlaceAndARemedy() throws Exception {
        String broken = Files.writeString(
                        folder.resolve("broken.json"), "{\n  \"format\": \"gullyrun case\",\n  oops\n}")
                .toString();
        assertEquals(Exit.FILE, terminal.run("audit", broken));
        assertTrue(terminal.err().contains("broken.json"), terminal.err());
        assertTrue(terminal.err().contains("line 3"), terminal.err());
        assertEquals(
                Exit.FILE, terminal.run("trace", folder.resolve("none.json").toString()));
        assertTrue(terminal.err().contains("none.json"), terminal.err());
        assertEquals(Exit.FILE, terminal.run("trace", folder.toString()));
        assertEquals("", terminal.out());
    }

    @TakesLong
    @Test
    void repairTellsTheSameStepsInEveryForm() throws Exception {
        JsonNode plan = json("repair", file, "--survey", "as-found", "--json");
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
        JsonNode without = json("repair", file, "--survey", "as-found", "--without", "in-default/muted", "--json");
        without.get("steps")
                .forEach(step -> assertFalse(step.get("element").asText().equals("in-default")
                        && step.get("setting").asText().equals("muted")));
        assertEquals(0, without.get("left").size());
        // What a step would add has an id, too, though the survey has no such element yet.
        assertTrue(plan.get("steps")
                .valueStream()
                .anyMatch(step -> step.get("element").asText().equals("sky-charts")));
        JsonNode notAdded = json("repair", file, "--survey", "as-found", "--without", "sky-charts", "--json");
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
                json("repair", file, "--survey", "known-good", "--json")
                        .get("steps")
                        .size());
        assertEquals(Exit.USAGE, terminal.run("repair", file, "--json", "--markdown"));
    }

    @Test
    void compareBlamesChangesForFindings() throws Exception {
        JsonNode told = json("compare", file, "--json");
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
        String show = file;
        assertEquals(Exit.OK, terminal.run("reach", show, "ears/level", "--survey", "known-good"));
        assertEquals(
                "bus Ears, level: reaches Host's ears only.",
                terminal.out().lines().findFirst().orElseThrow());
        assertEquals(Exit.OK, terminal.run("reach", show, "Desk PC/playback default", "--json"));
        JsonNode json = new ObjectMapper().readTree(terminal.out());
        assertEquals("playback", json.path("setting").asText());
        assertEquals("desk-pc", json.path("element").asText());
        assertTrue(json.path("listeners").has("live"), terminal.out());
        assertEquals(Exit.OK, terminal.run("reach", show, "in-charts/muted", "--survey", "as-found", "--scene", "Sky"));
        assertTrue(terminal.out().contains("reaches nobody"), "it isn't in that scene: " + terminal.out());
        assertEquals(Exit.USAGE, terminal.run("reach", show, "huddlewick/loudness"));
        assertTrue(terminal.err().contains("A program has no setting"), terminal.err());
        assertEquals(Exit.USAGE, terminal.run("reach", show, "desk-pc/loudness"));
        assertTrue(terminal.err().contains("no setting 'loudness'"), terminal.err());
        assertEquals(Exit.USAGE, terminal.run("reach", show, "nobody"));
        assertTrue(terminal.err().contains("no element 'nobody'"), terminal.err());
    }

    @Test
    void fixesOfEachFindingAreListedOrItSaysThatThereAreNone() throws Exception {
        String show = file;
        assertEquals(Exit.OK, terminal.run("audit", show, "--survey", "known-good", "--fixes", "--json"));
        JsonNode json = new ObjectMapper().readTree(terminal.out());
        assertTrue(json.path("findings").size() > 0);
        json.path("findings").forEach(finding -> {
            assertTrue(finding.has("fixes"), finding.toString());
            assertEquals(finding.path("fixes").isEmpty(), finding.has("noFix"), finding.toString());
        });
    }
}
