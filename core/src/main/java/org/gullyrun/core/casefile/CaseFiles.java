package org.gullyrun.core.casefile;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;

/** Opens and saves case files. A save is all or nothing: the file is the old one or the new one at every moment. */
public final class CaseFiles {
    private CaseFiles() {}

    /** The most bytes that a case file may have; a whole show with ten surveys has some 200 kB. */
    public static final long MOST_BYTES = 64L << 20;

    /**
     * Reads a case.
     *
     * @throws CaseProblem if the file cannot be read or is no case; nothing has changed then
     */
    public static Case open(Path file) throws CaseProblem {
        String name = String.valueOf(file.getFileName());
        try {
            BasicFileAttributes what = Files.readAttributes(file, BasicFileAttributes.class);
            if (!what.isRegularFile()) { // to read from a pipe could wait for ever, from a device never end
                throw new CaseProblem(
                        name,
                        "",
                        what.isDirectory() ? "it is a folder" : "it is a device or a pipe, not a file",
                        "Choose a case file.");
            }
            long size = what.size();
            if (size > MOST_BYTES) {
                throw new CaseProblem(
                        name, "", "it has " + size + " bytes, more than a case file can have", "Choose a case file.");
            }
            return CaseReader.read(name, Files.readAllBytes(file));
        } catch (NoSuchFileException e) {
            throw new CaseProblem(name, "", "there is no such file", "Check whether it was moved or renamed.");
        } catch (AccessDeniedException e) {
            throw new CaseProblem(name, "", "you don't have permission to read it", "Ask its owner for permission.");
        } catch (IOException e) {
            throw new CaseProblem(
                    name,
                    "",
                    "it can't be read (" + e.getMessage() + ")",
                    "Check whether the drive is still connected.");
        }
    }

    /**
     * A case as it will stand in its file.
     *
     * @param bytes the whole file
     * @param stamp its stamp, as {@link FileStamp} will give it
     */
    public record Written(byte[] bytes, String stamp) {}

    /**
     * Writes a case down without touching any file, and reads it back: what could not be opened again never takes the place
     * of a file that can.
     *
     * @param file where it is to be saved
     * @throws CaseProblem if it would not read back as it is
     */
    public static Written written(Case what, Path file) throws CaseProblem {
        String name = String.valueOf(file.getFileName());
        byte[] bytes = CaseWriter.write(what).getBytes(StandardCharsets.UTF_8);
        String trouble = "";
        try {
            trouble = CaseReader.read(name, bytes).equals(what) ? "" : "what was written would not read back the same";
        } catch (CaseProblem e) {
            trouble = "it couldn't be opened again: " + e.getMessage();
        }
        if (trouble.isEmpty() && bytes.length > MOST_BYTES) {
            trouble = "it has " + bytes.length + " bytes, more than a case file can have";
        }
        if (!trouble.isEmpty()) {
            throw new CaseProblem(
                    name,
                    "",
                    "it was not saved, because " + trouble,
                    "The file is unchanged and the case is still open. Undo the last changes and save again.");
        }
        return new Written(bytes, FileStamp.of(bytes));
    }

    /**
     * Saves a case, all or nothing.
     *
     * @throws CaseProblem if that is not possible; the old file is then still there unharmed
     */
    public static void save(Case what, Path file) throws CaseProblem {
        save(written(what, file), file);
    }

    /**
     * Saves what was written down, all or nothing.
     *
     * @throws CaseProblem if that is not possible; the old file is then still there unharmed
     */
    public static void save(Written what, Path file) throws CaseProblem {
        AtomicFile.write(file, what.bytes);
    }
}
