package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the commands print and answer with, whatever stands in a case and wherever the output goes. */
class TerminalTest {
    @TempDir
    Path folder;

    private final Terminal terminal = new Terminal();

    private int run(String... args) {
        return terminal.run(args);
    }

    private String file(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text).toString();
    }

    /** A case in which every name commands a terminal. */
    private String evil() throws IOException {
        String name = "\\u001b[2Jgone\\nroot@host\\u202e\\u0007\\u009b31m";
        return file(
                "evil.json",
                "{\"format\":\"gullyrun case\",\"version\":1,\"title\":\"T" + name
                        + "\",\"brief\":{\"must\":{\"o\":[\"s\"]}},"
                        + "\"surveys\":[{\"id\":\"v\",\"rig\":{\"sources\":[{\"id\":\"s\",\"name\":\"N" + name
                        + "\",\"startsAt\":\"nowhere\"}],\"outlets\":[{\"id\":\"o\",\"name\":\"O" + name
                        + "\",\"sort\":\"ears\",\"device\":\"gone\"}]}}]}");
    }

    private static void harmless(String text) {
        text.codePoints()
                .filter(c -> c != '\n')
                .forEach(c -> assertFalse(
                        Character.getType(c) == Character.CONTROL || Character.getType(c) == Character.FORMAT,
                        () -> "U+" + Integer.toHexString(c) + " in " + text.replaceAll("\\p{C}", "¿")));
    }

    @Test
    void namesCannotCommandTheTerminalNorLookLikeLinesOfTheirOwn() throws Exception {
        for (String command : new String[] {"audit", "trace"}) {
            assertEquals(Exit.OK, run(command, evil()));
            harmless(terminal.out());
            assertTrue(terminal.out().lines().noneMatch(l -> l.startsWith("root@host")), terminal.out());
            assertEquals(Exit.OK, run(command, evil(), "--json"));
            harmless(terminal.out());
            assertTrue(
                    new ObjectMapper()
                            .readTree(terminal.out())
                            .path("case")
                            .asText()
                            .contains("\u001b[2J"),
                    "JSON keeps it");
        }
        assertEquals(Exit.USAGE, run("audit", evil(), "--survey", "\u001b[31mred"));
        harmless(terminal.err());
        assertEquals(Exit.FILE, run("audit", "\u001b[31mred"));
        harmless(terminal.err());
    }

    @Test
    void whatIsPrintedIsUtf8WhateverTheLocale() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        SafePrinter printer = SafePrinter.to(bytes);
        printer.println("−20 dB → Zoë 👩‍🚀");
        printer.flush();
        assertEquals(
                "−20 dB → Zoë 👩‍🚀", bytes.toString(StandardCharsets.UTF_8).strip());
    }

    @Test
    void anOutputThatIsFullOrClosedIsToldByTheExitCode() throws Exception {
        String file = folder.resolve("show.json").toString();
        assertEquals(Exit.OK, run("sample", file));
        StringWriter e = new StringWriter();
        OutputStream full = new OutputStream() {
            @Override
            public void write(int b) throws IOException {
                throw new IOException("No space left on device");
            }
        };
        assertEquals(Exit.FILE, Gullyrun.run(SafePrinter.to(full), new SafePrinter(e), "audit", file));
        assertTrue(e.toString().contains("couldn't be written"), e.toString());
    }

    @Test
    void aSampleOverwritesNothingUnasked() throws Exception {
        String mine = file("mine.json", "mine");
        assertEquals(Exit.USAGE, run("sample", mine));
        assertTrue(terminal.err().contains("--force"), terminal.err());
        assertEquals("mine", Files.readString(Path.of(mine)));
        assertEquals(Exit.OK, run("sample", mine, "--force"));
        assertEquals(Exit.OK, run("audit", mine));
    }

    @ParameterizedTest
    @CsvSource({
        "--survey, nobody, There is no survey 'nobody'. There are: as-found",
        "--scene, nobody, There is no scene 'nobody'. There are: Doors",
        "--text, 400, --text is a percentage from 80 to 150",
        "--step, dance, --step is one of intake",
        "--size, 12, --size is written as 1280x800",
        "--select, musik > archive, Nothing here is called 'musik > archive'",
        "--try, flurb, Nothing like 'flurb' can be tried here",
    })
    void aPictureIsAskedForInWordsThatExist(String option, String value, String told) {
        Path picture = folder.resolve("p.png");
        assertEquals(Exit.USAGE, run("picture", picture.toString(), option, value));
        assertTrue(terminal.err().contains(told), terminal.err());
        assertFalse(Files.exists(picture));
    }

    @Test
    void aPictureOfIntakeIsOfASectionThatItHas() {
        Path picture = folder.resolve("p.png");
        assertEquals(
                Exit.USAGE, run("picture", picture.toString(), "--step", "intake", "--select", "prograns/Fieldglass"));
        assertTrue(
                terminal.err().contains("Intake has no section 'prograns'. There are: sounds, listeners, "),
                terminal.err());
        assertFalse(Files.exists(picture));
    }

    @Test
    void aRigThatIsTooLargeIsRefusedWithItsNumbers() throws Exception {
        String sources = IntStream.range(0, 2_100)
                .mapToObj(i -> "{\"id\":\"s" + i + "\"}")
                .collect(Collectors.joining(","));
        String large = file(
                "large.json",
                "{\"format\":\"gullyrun case\",\"version\":1,\"surveys\":[{\"id\":\"v\",\"rig\":{\"sources\":["
                        + sources + "],\"outlets\":[" + sources.replace("\"s", "\"o") + "]}}]}");
        assertEquals(Exit.FILE, run("audit", large));
        assertTrue(
                terminal.err().contains("large.json: This rig is too large to audit: 2100 sources, 2100 listeners"),
                terminal.err());
    }

    @Test
    void thresholdsThatMakeNoSenseAreRefusedWithTheirRange() throws Exception {
        String odd = file(
                "odd.json",
                "{\"format\":\"gullyrun case\",\"version\":1,\"limits\":{\"double.comb\":-1},\"surveys\":[{\"id\":\"v\"}]}");
        assertEquals(Exit.FILE, run("audit", odd));
        assertTrue(
                terminal.err().contains("limits.double.comb: expected a value from 0 ms to 60000 ms, found −1 ms"),
                terminal.err());
    }

    @Test
    void helpNamesEveryExitCode() {
        assertEquals(Exit.OK, run("--help"));
        for (int code :
                new int[] {Exit.OK, Exit.FINDINGS, Exit.USAGE, Exit.FILE, Exit.NO_DISPLAY, Exit.SET_UP, Exit.BROKEN}) {
            assertTrue(terminal.out().matches("(?s).*\n +" + code + "  [a-z].*"), code + " in " + terminal.out());
        }
    }
}
