package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is remembered from one start to the next, and that whatever stands in the file is no reason not to start. */
class PreferencesTest {
    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void place() {
        file = folder.resolve("deep").resolve("down").resolve("window.properties");
    }

    private Path touched(String name) throws Exception {
        return Files.writeString(folder.resolve(name), "{}");
    }

    @Test
    void whatIsKeptIsThereAtTheNextStart() throws Exception {
        Preferences now = new Preferences(file);
        assertEquals(1280, now.number("width", 1280));
        now.keep("width", 1500.5);
        now.opened(touched("one case, with blanks = and ü.json"));
        now.save();
        Preferences next = new Preferences(file);
        assertEquals(1500.5, next.number("width", 1280));
        assertEquals(List.of(folder.resolve("one case, with blanks = and ü.json")), next.recent());
        try (var files = Files.list(file.getParent())) {
            assertEquals(List.of(file), files.toList(), "nothing is left lying about");
        }
    }

    @Test
    void theLastFileComesFirstEachOnceAtMostEightAndThoseThatAreGoneAreLeftOut() throws Exception {
        Preferences now = new Preferences(file);
        List<Path> expected = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            Path each = touched("case-" + i + ".json");
            now.opened(each);
            expected.addFirst(each);
        }
        assertEquals(expected.subList(0, 8), now.recent());
        now.opened(folder.resolve("deep").resolve("..").resolve("case-7.json"));
        assertEquals(expected.get(4), now.recent().getFirst(), "the same file by another name");
        assertEquals(8, now.recent().size());
        Files.delete(expected.get(1));
        assertFalse(now.recent().contains(expected.get(1)));
        assertEquals(7, now.recent().size());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "width=wide",
                "width=NaN",
                "width=-Infinity",
                "width=",
                "width=\\u12",
                "recent.0=\\u0000",
                "recent.0=/nowhere/at/all.json",
                "no sense \u0001 at all",
                "#"
            })
    void aDamagedFileIsNoReasonNotToStart(String damaged) throws Exception {
        Files.createDirectories(file.getParent());
        Files.writeString(file, damaged);
        Preferences now = new Preferences(file);
        assertEquals(1280, now.number("width", 1280));
        assertEquals(List.of(), now.recent());
        Path opened = touched("fine.json");
        now.opened(opened);
        now.save();
        assertEquals(List.of(opened), new Preferences(file).recent());
    }

    @Test
    void bytesThatAreNoTextAreNoReasonEither() throws Exception {
        Files.createDirectories(file.getParent());
        Files.write(file, new byte[] {(byte) 0xff, (byte) 0xfe, 0, 1, (byte) 0xc3});
        assertEquals(700, new Preferences(file).number("height", 700));
    }

    @Test
    void whereItCannotBeWrittenNothingIsSaidAndTheWindowGoesOn() throws Exception {
        Path inTheWay = touched("window");
        Preferences now = new Preferences(inTheWay.resolve("window.properties"));
        now.keep("width", 900);
        now.save();
        assertEquals(900, now.number("width", 1280));
        assertEquals("{}", Files.readString(inTheWay));
    }

    @Test
    void theUsualPlacesAreThoseOfTheSystem() {
        assertTrue(Preferences.usualFile().endsWith(Path.of("gullyrun", "window.properties")));
        assertTrue(Preferences.journals().endsWith(Path.of("gullyrun", "journals")));
        assertTrue(
                Preferences.usualFile().isAbsolute() && Preferences.journals().isAbsolute());
    }
}
