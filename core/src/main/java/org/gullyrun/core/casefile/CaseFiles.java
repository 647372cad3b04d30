package org.gullyrun.core.casefile;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

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
            long size = Files.size(file);
            if (size > MOST_BYTES) {
                throw new CaseProblem(
                        name, "", "it has " + size + " bytes, more than a case file can have", "Choose a case file.");
            }
            return CaseReader.read(name, Files.readAllBytes(file));
        } catch (NoSuchFileException e) {
            throw new CaseProblem(name, "", "there is no such file", "Look whether it was moved or renamed.");
        } catch (AccessDeniedException e) {
            throw new CaseProblem(name, "", "it may not be read", "Ask for the right to read it.");
        } catch (IOException e) {
            throw new CaseProblem(
                    name, "", "it cannot be read (" + e.getMessage() + ")", "Look whether the drive is still there.");
        }
    }

    /**
     * Writes a case, all or nothing.
     *
     * @throws CaseProblem if that is not possible; the old file is then still there unharmed
     */
    public static void save(Case what, Path file) throws CaseProblem {
        WholeFile.write(file, CaseWriter.write(what));
    }
}
