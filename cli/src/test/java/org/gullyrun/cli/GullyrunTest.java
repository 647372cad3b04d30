package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.file.Files;
import java.nio.file.Path;
import org.gullyrun.core.TakesLong;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The commands as somebody types them: output, JSON and exit codes. */
class GullyrunTest {
    @TempDir
    Path folder;

    private String file = "";
    private final Terminal terminal = new Terminal();

    @BeforeEach
    void sample() {
        file = folder.resolve("sample.json").toString();
        assertEquals(Exit.OK, run("sample", file));
    }

    private int run(String... args) {
        return terminal.run(args);
    }

    private JsonNode json() throws Exception {
        return new ObjectMapper().readTree(terminal.out());
    }

    @Test
    void auditListsFindingsWorstFirstAndFailsOnlyWhenAsked() {
        assertEquals(Exit.OK, run("audit", file));
        assertTrue(terminal.out().startsWith("Lantern Hill Skywatch · as found"), terminal.out());
        assertTrue(terminal.out().contains("17 critical, 19 major, 6 minor, 6 notes"), terminal.out());
        assertTrue(terminal.out().indexOf("critical  ") < terminal.out().indexOf("major     "));
        assertEquals(Exit.FINDINGS, run("audit", file, "--fail-on", "critical"));
        assertEquals(Exit.OK, run("audit", file, "--survey", "known-good", "--fail-on", "major"));
    }

    @TakesLong
    @Test
    void causesSayWhatIsSetAndWhatThatClears() throws Exception {
        assertEquals(Exit.OK, run("audit", file, "--causes"));
        assertTrue(terminal.out().contains("11 changes fix 41 of them"), terminal.out());
        assertEquals(Exit.OK, run("audit", file, "--json", "--causes"));
        JsonNode causes = json().path("causes");
        assertEquals(11, causes.size());
        assertEquals(
                "In Orrery, mute input All of default",
                causes.get(0).path("sentence").asText());
        assertEquals(
                "set in-default/muted to true",
                causes.get(0).path("changes").get(0).asText());
        assertEquals(13, causes.get(0).path("fixes").size());
        assertEquals(0, causes.get(0).path("sideEffects").size());
        int cleared = 0;
        for (JsonNode cause : causes) {
            cleared += cause.path("fixes").size();
        }
        assertEquals(41, cleared);
    }

    @Test
    void whatLeadsNowhereAndWhatIsMisspeltIsNamed() throws Exception {
        Path text = folder.resolve("hanging.json");
        Files.writeString(
                text,
                "{\"format\":\"gullyrun case\",\"version\":1,\"title\":\"T\",\"surveys\":[{\"id\":\"s\",\"rig\":"
                        + "{\"sources\":[{\"id\":\"ann\",\"startsAt\":\"gone\",\"levle\":-20}]}}]}");
        assertEquals(Exit.OK, run("audit", text.toString()));
        assertTrue(terminal.out().contains("References to something that doesn't exist:"), terminal.out());
        assertTrue(terminal.out().contains("ann/startsAt refers to 'gone'"), terminal.out());
        assertTrue(
                terminal.out()
                        .contains("A field of the file is unknown: 'levle' of source ann in survey s."
                                + " It has no effect and is kept."),
                terminal.out());
        assertEquals(Exit.OK, run("audit", text.toString(), "--json"));
        assertEquals("levle", json().path("unknownFields").get(0).path("field").asText());
        assertEquals("gone", json().path("dangling").get(0).path("to").asText());
    }

    @Test
    void auditAsJsonHasStableFields() throws Exception {
        assertEquals(Exit.OK, run("audit", file, "--json", "--scene", "Panel"));
        JsonNode leak = null;
        for (JsonNode finding : json().path("findings")) {
            leak = finding.path("identity").asText().equals("leak:music>archive") ? finding : leak;
        }
        assertEquals("critical", leak.path("severity").asText());
        assertEquals("music", leak.path("source").asText());
        assertEquals(0.0, leak.path("figures").path("strength").asDouble(), 1e-9);
        assertEquals(
                "[\"music\",\"driftbox#out\",\"in-music\",\"orrery#track02\",\"archive\"]",
                leak.path("routes").get(0).path("points").toString());
    }

    @Test
    void traceAsJsonGivesRunsBlockedWaysAndLoops() throws Exception {
        assertEquals(
                Exit.OK, run("trace", file, "--json", "--scene", "sky", "--source", "charts", "--listener", "Live"));
        JsonNode scene = json().path("scenes").get(0);
        JsonNode cell = scene.path("cells").get(0);
        assertEquals(0, cell.path("routeCount").asInt());
        assertEquals("missing", cell.path("verdict").asText());
        assertEquals(
                "in-charts",
                cell.path("blockedRoute").path("gates").get(0).path("element").asText());
        assertEquals(
                "input Charts isn't in Sky",
                cell.path("blockedRoute").path("gates").get(0).path("why").asText());
        JsonNode loop = scene.path("loops").get(0);
        assertTrue(loop.path("buildsUp").asBoolean());
        assertEquals(37, loop.path("circles").get(0).path("time").asDouble(), 1e-9);
        assertEquals(
                Exit.OK, run("trace", file, "--json", "--scene", "Doors", "--source", "host", "--listener", "live"));
        JsonNode host = json().path("scenes").get(0).path("cells").get(0);
        assertEquals(3, host.path("routeCount").asInt());
        assertEquals(3, host.path("routes").size());
        assertEquals(
                10, host.path("first").asDouble(), 1e-9); // the raw microphone's own 5 ms, and Orrery's capture latency
    }

    @Test
    void traceInWordsIsALadder() {
        assertEquals(Exit.OK, run("trace", file, "--scene", "Doors", "--source", "Music", "--listener", "Archive"));
        String told = terminal.out();
        assertTrue(told.contains("Music → Archive (forbidden): leaking"), told);
        assertTrue(told.contains("1 route, −36.0 dBFS, after 5.0 ms"), told);
        assertTrue(told.contains("−36.0 dBFS     5.0 ms  Orrery · input Music (48 kHz)"), told);
        assertTrue(told.contains("Orrery · track archive"), told);
        assertFalse(told.contains("Loop"), "only the pair was asked for: " + told);
        assertEquals(Exit.OK, run("trace", file, "--scene", "Panel", "--source", "effects", "--listener", "live"));
        told = terminal.out();
        assertTrue(
                told.contains("3 routes, −29.0 dBFS, at worst −26.4 dBFS, after 5.0 to 125.0 ms"),
                "powers add up, at worst amplitudes: " + told);
        assertTrue(
                told.indexOf("  0.0 dB, 125.0 ms") < told.indexOf("  −6.0 dB, 5.0 ms"), "the strongest first: " + told);
        assertTrue(told.contains("Wren clip (through the air, Dome air, −40.0 dB)"), told);
        assertEquals(Exit.OK, run("trace", file, "--scene", "Sky", "--source", "charts", "--listener", "live"));
        assertTrue(terminal.out().contains("  closed gates:\n    input Charts isn't in Sky"), terminal.out());
        assertEquals(Exit.OK, run("trace", file, "--scene", "Doors"));
        assertTrue(
                terminal.out().contains("Loop, builds up\n  0.0 dB, 37.0 ms a round: Orrery · input All of default → "),
                terminal.out());
    }

    @Test
    void whatIsWrongIsSaidAndHasItsCode() throws Exception {
        assertEquals(Exit.FILE, run("audit", folder.resolve("none.json").toString()));
        assertTrue(terminal.err().contains("none.json: there is no such file"), terminal.err());
        Path broken = Files.writeString(folder.resolve("broken.json"), "{,");
        assertEquals(Exit.FILE, run("audit", broken.toString()));
        assertTrue(terminal.err().contains("line 1, column 2"), terminal.err());
        assertEquals(Exit.USAGE, run("audit", file, "--survey", "yesterday"));
        assertTrue(terminal.err().contains("There are: as-found, known-good"), terminal.err());
        assertEquals(Exit.USAGE, run("trace", file, "--source", "organ"));
        assertEquals(Exit.USAGE, run("dance"));
        assertEquals(Exit.USAGE, run("audit", file, "--fail-on", "bad"));
        assertEquals(
                Exit.FILE, run("sample", folder.resolve("no/such/folder.json").toString()));
    }
}
