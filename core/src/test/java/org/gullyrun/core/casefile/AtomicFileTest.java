package org.gullyrun.core.casefile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class AtomicFileTest {
    @TempDir
    Path folder;

    private List<String> names() throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            return all.map(p -> p.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    void theNewTextIsInPlaceOfTheOldAndNothingElseIsLeft() throws Exception {
        Path file = folder.resolve("list.csv");
        AtomicFile.write(file, "one, a much longer text than what follows");
        AtomicFile.write(file, "zwei · ö");
        assertEquals("zwei · ö", Files.readString(file));
        assertEquals(List.of("list.csv"), names());
    }

    @Test
    void whoMayReadItStaysAsItWas() throws Exception {
        assumeTrue(folder.getFileSystem().supportedFileAttributeViews().contains("posix"));
        Path file = folder.resolve("shared.json");
        Files.writeString(file, "old");
        for (String rights : List.of("rw-rw-r--", "rw-------")) {
            Files.setPosixFilePermissions(file, PosixFilePermissions.fromString(rights));
            AtomicFile.write(file, "new");
            assertEquals(rights, PosixFilePermissions.toString(Files.getPosixFilePermissions(file)));
        }
        // A new file is as any other that is made there.
        Path fresh = folder.resolve("fresh.json");
        Path usual = Files.writeString(folder.resolve("usual.txt"), "");
        AtomicFile.write(fresh, "new");
        assertEquals(Files.getPosixFilePermissions(usual), Files.getPosixFilePermissions(fresh));
    }

    @Test
    void aLinkStaysALinkAndWhatItLeadsToIsWritten() throws Exception {
        Path real = Files.createDirectory(folder.resolve("shows")).resolve("case.json");
        Files.writeString(real, "old");
        Path link = Files.createSymbolicLink(folder.resolve("case.json"), real);
        AtomicFile.write(link, "new");
        assertTrue(Files.isSymbolicLink(link));
        assertEquals("new", Files.readString(real));
    }

    @Test
    void whatCannotBeWrittenSaysWhereAndLeavesAllAsItWas() throws Exception {
        CaseProblem gone = assertThrows(
                CaseProblem.class, () -> AtomicFile.write(folder.resolve("no").resolve("x.json"), "new"));
        assertTrue(
                gone.getMessage().startsWith("x.json: it can't be saved in " + folder.resolve("no")),
                gone.getMessage());
        assertTrue(gone.getMessage().contains("the folder doesn't exist"), gone.getMessage());
        Path clutter = Files.createDirectories(folder.resolve("taken.json").resolve("inside"))
                .getParent();
        assertThrows(CaseProblem.class, () -> AtomicFile.write(clutter, "new"));
        assertEquals(List.of("taken.json"), names(), "no part of it stays behind");
        assertTrue(Files.isDirectory(clutter.resolve("inside")));
    }
}
