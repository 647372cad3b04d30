package org.gullyrun.core.hostile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Unfinished;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.flow.graph.RigTooLarge;
import org.gullyrun.core.flow.route.Loop;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files that ask for far more than they look like end in an answer or in a sentence, never in a crash or without end. */
class HostileCasesTest {
    /** Each takes seconds; this is only to end what would never. */
    private static final Duration LONG = Duration.ofMinutes(3);

    private static final Map<String, String> CASES = HostileCases.all();

    @TempDir
    Path folder;

    private Case open(String text) throws Exception {
        return CaseFiles.open(Files.writeString(folder.resolve("hostile.json"), text));
    }

    private Reading read(String name) throws Exception {
        String text = CASES.get(name);
        assertTrue(text.getBytes(StandardCharsets.UTF_8).length < 1_000_000, "less than a megabyte");
        Case what = open(text);
        return assertTimeoutPreemptively(
                LONG,
                () -> RuleCatalogue.on(what.terms(), what.showHours())
                        .read(what.surveys().getFirst().rig(), what.brief()));
    }

    @TakesLong
    @ParameterizedTest
    @ValueSource(
            strings = {
                "60 stages of 20 strips",
                "scenes that all bring each other",
                "closed gates without end",
                "chain of 2000 cables",
                "one name for everything"
            })
    void whatLooksEndlessIsWorkedOut(String name) throws Exception {
        Reading reading = read(name);
        assertTrue(reading.scenes().size() > 0);
        reading.unfinished().stream().map(Unfinished::sentence).forEach(s -> assertTrue(s.endsWith(".")));
    }

    @TakesLong
    @ParameterizedTest
    @ValueSource(
            strings = {"sources times listeners", "strips times buses", "direct pass-throughs", "sources times scenes"})
    void whatIsTooLargeSaysSoWithItsNumbers(String name) {
        RigTooLarge fault = assertThrows(RigTooLarge.class, () -> read(name));
        assertTrue(fault.getMessage().matches(".*[0-9].*Split it into several cases\\."), fault.getMessage());
    }

    @Test
    void aRingIsOneCircleWithTheSumOfItsGains() throws Exception {
        Reading reading = read("ring of 1000 cables");
        List<Loop> loops = reading.scenes().getFirst().loops();
        assertEquals(1, loops.size());
        assertEquals(1, loops.getFirst().circles().size());
        assertEquals(-1, loops.getFirst().loopGain(), 1e-9); // a thousand pass-throughs of −0.001 dB
        assertEquals(
                List.of("loop.electric"),
                reading.findings().stream()
                        .map(Finding::rule)
                        .filter(r -> r.startsWith("loop"))
                        .toList());
    }

    @Test
    void nestedScenesAreWorkedOutOnceEach() throws Exception {
        StringBuilder scenes = new StringBuilder();
        StringBuilder entries = new StringBuilder();
        for (int i = 0; i < 60; i++) {
            scenes.append(i == 0 ? "" : ",").append("{\"id\":\"sc" + i + "\",\"production\":\"pr\"}");
            for (int e = 0; e < 2 && i < 59; e++) {
                entries.append("{\"id\":\"e" + i + "-" + e + "\",\"scene\":\"sc" + i + "\",\"brings\":\"sc" + (i + 1)
                        + "\",\"level\":" + -e + "},");
            }
        }
        entries.append("{\"id\":\"end\",\"scene\":\"sc59\",\"brings\":\"in\",\"level\":-3}");
        Case what = open(
                "{\"format\":\"gullyrun case\",\"version\":1,\"brief\":{\"must\":{\"live\":[\"ann\"]}},\"surveys\":["
                        + "{\"id\":\"s\",\"rig\":{\"devices\":[{\"id\":\"mic\",\"direction\":\"recording\"}],"
                        + "\"productions\":[{\"id\":\"pr\"}],\"inputs\":[{\"id\":\"in\",\"production\":\"pr\","
                        + "\"takes\":\"recording device\",\"device\":\"mic\",\"tracks\":[1]}],\"scenes\":[" + scenes
                        + "],\"entries\":[" + entries
                        + "],\"outputs\":[{\"id\":\"out\",\"production\":\"pr\",\"purpose\":\"live\","
                        + "\"tracks\":[1]}],\"sources\":[{\"id\":\"ann\",\"startsAt\":\"mic\"}],"
                        + "\"outlets\":[{\"id\":\"live\",\"sort\":\"live\",\"output\":\"out\"}]}}]}");
        Reading reading = assertTimeoutPreemptively(
                LONG, () -> RuleCatalogue.usual().read(what.surveys().getFirst().rig(), what.brief()));
        assertEquals(60, reading.scenes().size());
        assertEquals(
                -3, reading.scenes().getFirst().cells().getFirst().delivery().strength(), 1e-9);
        assertEquals(Set.of(), Set.copyOf(reading.findings()));
    }

    private static final String DEVICE =
            "{\"format\":\"gullyrun case\",\"version\":1,\"surveys\":[{\"id\":\"s\",\"rig\":"
                    + "{\"devices\":[{\"id\":\"mic\",\"direction\":\"recording\",%s}]}}]}";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"place\":\"?\" | surveys[0].rig.devices[0].place",
                "\"level\":1e999 | surveys[0].rig.devices[0].level",
                "\"name\":\"half \\ud800\" | surveys[0].rig.devices[0].name",
                "\"level\":61 | surveys[0].rig.devices[0].level",
                "\"level\":-201 | surveys[0].rig.devices[0].level",
                "\"later\":{\"deep\":[1,1e999]} | surveys[0].rig.devices[0].later.deep[1]",
            })
    void whatCouldNotBeSavedAgainIsRefusedWithItsPlace(String field, String place) {
        CaseProblem problem = assertThrows(CaseProblem.class, () -> open(String.format(DEVICE, field)));
        assertEquals(place, problem.place(), problem.getMessage());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"format\":\"gullyrun case\",\"version\":1.9,\"surveys\":[{\"id\":\"s\"}]} | version",
                "{\"format\":\"gullyrun case\",\"version\":1,\"limits\":{\"hangs.on\":-1},\"surveys\":[{\"id\":\"s\"}]}"
                        + " | limits.hangs.on",
                "{\"format\":\"gullyrun case\",\"version\":1,\"limits\":{\"leak.minor\":1e999},\"surveys\":[{\"id\":\"s\"}]}"
                        + " | limits.leak.minor",
                "{\"format\":\"gullyrun case\",\"version\":1,\"brief\":{\"windows\":[{\"source\":\"a\",\"outlet\":\"b\","
                        + "\"least\":-1e999}]},\"surveys\":[{\"id\":\"s\"}]} | brief.windows[0].least",
                "{\"format\":\"gullyrun case\",\"version\":1,\"surveys\":[{\"id\":\"s\",\"rig\":{\"inputs\":[{\"id\":\"i\","
                        + "\"tracks\":[257]}]}}]} | surveys[0].rig.inputs[0].tracks",
            })
    void whatMakesNoSenseIsRefusedWithItsPlace(String text, String place) {
        CaseProblem problem = assertThrows(CaseProblem.class, () -> open(text));
        assertEquals(place, problem.place(), problem.getMessage());
    }

    @Test
    void whatIsNoFileIsNotWaitedFor() throws Exception {
        assertTrue(assertThrows(CaseProblem.class, () -> CaseFiles.open(folder))
                .getMessage()
                .contains("it is a folder"));
        Path pipe = folder.resolve("pipe");
        assertEquals(0, new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor());
        CaseProblem problem =
                assertTimeoutPreemptively(LONG, () -> assertThrows(CaseProblem.class, () -> CaseFiles.open(pipe)));
        assertTrue(problem.getMessage().contains("a device or a pipe"), problem.getMessage());
    }

    @Test
    void aFileInUtf16IsNamedAsSuch() throws Exception {
        Path file = Files.write(
                folder.resolve("wide.json"),
                String.format(DEVICE, "\"level\":0").getBytes(StandardCharsets.UTF_16));
        assertTrue(assertThrows(CaseProblem.class, () -> CaseFiles.open(file))
                .getMessage()
                .contains("UTF-16"));
    }
}
