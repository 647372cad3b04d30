package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The commands as somebody types them: output, JSON and exit codes. */
class GullyrunTest {
    @TempDir
    Path folder;

    private String file = "";
    private String out = "";
    private String err = "";

    @BeforeEach
    void sample() {
        file = folder.resolve("sample.json").toString();
        assertEquals(Exit.OK, run("sample", file));
    }

    private int run(String... args) {
        StringWriter o = new StringWriter();
        StringWriter e = new StringWriter();
        int code = Gullyrun.run(new SafePrinter(o), new SafePrinter(e), args);
        out = o.toString();
        err = e.toString();
        return code;
    }

    private JsonNode json() throws Exception {
        return new ObjectMapper().readTree(out);
    }

    @Test
    void auditListsFindingsWorstFirstAndFailsOnlyWhenAsked() {
        assertEquals(Exit.OK, run("audit", file));
        assertTrue(out.startsWith("Lantern Hill Skywatch · as found"), out);
        assertTrue(out.contains("17 critical, 19 major, 6 minor, 6 notes"), out);
        assertTrue(out.indexOf("critical  ") < out.indexOf("major     "));
        assertEquals(Exit.OK, run("audit", file, "--causes"));
        assertTrue(out.contains("11 changes clear 41 of them"), out);
        assertEquals(Exit.FINDINGS, run("audit", file, "--fail-on", "critical"));
        assertEquals(Exit.OK, run("audit", file, "--survey", "known-good", "--fail-on", "major"));
    }

    @Test
    void causesAsJsonSayWhatIsSetAndWhatThatClears() throws Exception {
        assertEquals(Exit.OK, run("audit", file, "--json", "--causes"));
        JsonNode causes = json().path("causes");
        assertEquals(11, causes.size());
        assertEquals(
                "In Orrery, mute input All of default",
                causes.get(0).path("sentence").asText());
        assertEquals(
                "set in-default/muted to true",
                causes.get(0).path("changes").get(0).asText());
        assertEquals(13, causes.get(0).path("clears").size());
        assertEquals(0, causes.get(0).path("alters").size());
        int cleared = 0;
        for (JsonNode cause : causes) {
            cleared += cause.path("clears").size();
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
        assertTrue(out.contains("References that lead nowhere:"), out);
        assertTrue(out.contains("ann/startsAt names 'gone'"), out);
        assertTrue(
                out.contains("A field of the file is not known here: 'levle' of source ann in survey s."
                        + " It counts for nothing and is kept."),
                out);
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
                leak.path("ways").get(0).path("points").toString());
    }

    @Test
    void traceAsJsonGivesRunsBlockedWaysAndLoops() throws Exception {
        assertEquals(Exit.OK, run("trace", file, "--json", "--scene", "sky", "--source", "charts", "--outlet", "Live"));
        JsonNode scene = json().path("scenes").get(0);
        JsonNode cell = scene.path("cells").get(0);
        assertEquals(0, cell.path("runs").asInt());
        assertEquals("missing", cell.path("verdict").asText());
        assertEquals(
                "in-charts",
                cell.path("blocked").path("gates").get(0).path("element").asText());
        assertEquals(
                "input Charts is not in Sky",
                cell.path("blocked").path("gates").get(0).path("why").asText());
        JsonNode loop = scene.path("loops").get(0);
        assertTrue(loop.path("runsAway").asBoolean());
        assertEquals(12, loop.path("circles").get(0).path("time").asDouble(), 1e-9);
        assertEquals(Exit.OK, run("trace", file, "--json", "--scene", "Doors", "--source", "host", "--outlet", "live"));
        JsonNode host = json().path("scenes").get(0).path("cells").get(0);
        assertEquals(3, host.path("runs").asInt());
        assertEquals(3, host.path("ways").size());
        assertEquals(5, host.path("first").asDouble(), 1e-9); // the raw microphone's own 5 ms
    }

    @Test
    void traceInWordsIsALadder() {
        assertEquals(Exit.OK, run("trace", file, "--scene", "Doors", "--source", "Music", "--outlet", "Archive"));
        assertTrue(out.contains("Music → Archive: leaking (the brief says never)"), out);
        assertTrue(out.contains("in-music"), out);
    }

    @Test
    void whatIsWrongIsSaidAndHasItsCode() throws Exception {
        assertEquals(Exit.FILE, run("audit", folder.resolve("none.json").toString()));
        assertTrue(err.contains("none.json: there is no such file"), err);
        Path broken = Files.writeString(folder.resolve("broken.json"), "{,");
        assertEquals(Exit.FILE, run("audit", broken.toString()));
        assertTrue(err.contains("line 1, column 2"), err);
        assertEquals(Exit.USAGE, run("audit", file, "--survey", "yesterday"));
        assertTrue(err.contains("There are: as-found, known-good"), err);
        assertEquals(Exit.USAGE, run("trace", file, "--source", "organ"));
        assertEquals(Exit.USAGE, run("dance"));
        assertEquals(Exit.USAGE, run("audit", file, "--fail-on", "bad"));
        assertEquals(
                Exit.FILE, run("sample", folder.resolve("no/such/folder.json").toString()));
    }
}
