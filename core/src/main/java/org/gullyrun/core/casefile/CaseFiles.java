package org.gullyrun.core.casefile;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

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
     * Writes a case: to a temporary file beside it, forced to the drive, then renamed over the old one.
     *
     * @throws CaseProblem if that is not possible; the old file is then still there unharmed
     */
    public static void save(Case what, Path file) throws CaseProblem {
        String name = String.valueOf(file.getFileName());
        Path folder = file.toAbsolutePath().getParent();
        byte[] bytes = CaseWriter.write(what).getBytes(StandardCharsets.UTF_8);
        Path temporary = null;
        try {
            temporary = Files.createTempFile(folder, "." + name, ".part");
            try (FileChannel channel = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
                ByteBuffer buffer = ByteBuffer.wrap(bytes);
                while (buffer.hasRemaining()) {
                    channel.write(buffer);
                }
                channel.force(true);
            }
            try {
                Files.move(temporary, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            } catch (AtomicMoveNotSupportedException e) {
                Files.move(temporary, file, StandardCopyOption.REPLACE_EXISTING);
            }
            forceFolder(folder);
        } catch (IOException e) {
            discard(temporary);
            throw new CaseProblem(
                    name,
                    "",
                    "it cannot be saved in " + folder + " (" + reason(e) + ")",
                    "What was there is unharmed; save to another place.");
        }
    }

    private static String reason(IOException e) {
        return switch (e) {
            case AccessDeniedException denied -> "no right to write there";
            case NoSuchFileException gone -> "the folder is not there";
            case FileSystemException other when other.getReason() != null -> other.getReason();
            default -> String.valueOf(e.getMessage());
        };
    }

    private static void forceFolder(Path folder) {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException e) {
            // Some systems cannot force a folder; the rename itself is atomic all the same.
        }
    }

    private static void discard(java.nio.file.@org.jspecify.annotations.Nullable Path temporary) {
        if (temporary != null) {
            try {
                Files.deleteIfExists(temporary);
            } catch (IOException e) {
                // A stray part file does no harm; the error that matters is being told already.
            }
        }
    }
}
