package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The terminal's answers, in words and as JSON, are those of the core. */
class AnswersTest extends SampleInTerminalTest {
    @ParameterizedTest
    @ValueSource(strings = {SampleShow.AS_FOUND, SampleShow.KNOWN_GOOD})
    void theAuditAsJsonHoldsEveryFindingInOrder(String survey) throws Exception {
        JsonNode findings =
                terminal.json("audit", file, "--json", "--survey", survey).path("findings");
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

    @Test
    void aTraceOfEverythingHoldsEveryCell() throws Exception {
        for (String survey : List.of(SampleShow.AS_FOUND, SampleShow.KNOWN_GOOD)) {
            JsonNode root = terminal.json("trace", file, "--json", "--survey", survey);
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
        JsonNode root = terminal.json("trace", file, "--json", "--survey", SampleShow.KNOWN_GOOD);
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
        JsonNode whole = terminal.json("trace", file, "--json");
        for (Element source : rig.of(Kind.SOURCE).subList(0, 3)) {
            for (Element outlet : rig.of(Kind.OUTLET)) {
                JsonNode one =
                        terminal.json("trace", file, "--json", "--source", source.name(), "--listener", outlet.id());
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
        JsonNode sky = terminal.json("trace", file, "--json", "--scene", "Sky");
        assertEquals(1, sky.path("scenes").size());
        JsonNode all = terminal.json("trace", file, "--json");
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

    @ParameterizedTest
    @ValueSource(strings = {"critical", "major", "minor"})
    void asFoundFailsWhenAskedTo(String severity) {
        assertEquals(1, terminal.run("audit", file, "--fail-on", severity));
        assertEquals(Exit.OK, terminal.run("audit", file));
    }

    @Test
    void knownGoodFailsForMinorFindingsOnly() {
        assertEquals(Exit.OK, terminal.run("audit", file, "--survey", SampleShow.KNOWN_GOOD, "--fail-on", "critical"));
        assertEquals(Exit.OK, terminal.run("audit", file, "--survey", SampleShow.KNOWN_GOOD, "--fail-on", "major"));
        assertEquals(1, terminal.run("audit", file, "--survey", SampleShow.KNOWN_GOOD, "--fail-on", "minor"));
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
}
