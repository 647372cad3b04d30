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
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Objects;
import java.util.UUID;

/**
 * Writes a file all or nothing: at every moment it is the old one or the new one. Who may read it stays as it was, and where
 * the name is a link, what it leads to is written.
 */
public final class AtomicFile {
    private AtomicFile() {}

    /**
     * Writes a text in UTF-8: to a temporary file beside the place, forced to the drive, then renamed over the old one.
     *
     * @throws CaseProblem if that is not possible; the old file is then still there unharmed
     */
    public static void write(Path file, String text) throws CaseProblem {
        write(file, text.getBytes(StandardCharsets.UTF_8));
    }

    /**
     * Writes some bytes: to a temporary file beside the place, forced to the drive, then renamed over the old one.
     *
     * @throws CaseProblem if that is not possible; the old file is then still there unharmed
     */
    public static void write(Path file, byte[] bytes) throws CaseProblem {
        Path temporary = null;
        try {
            Path place = Files.exists(file) ? file.toRealPath() : file.toAbsolutePath();
            Path folder = Objects.requireNonNull(place.getParent(), "a folder is no file to write");
            Path beside = folder.resolve(".gullyrun-" + UUID.randomUUID() + ".part");
            try (FileChannel channel =
                    FileChannel.open(beside, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
                temporary = beside;
                keepRights(place, beside); // before there is anything in it that not everybody may read
                ByteBuffer buffer = ByteBuffer.wrap(bytes);
                while (buffer.hasRemaining()) {
                    channel.write(buffer);
                }
                channel.force(true);
            }
            try {
                Files.move(temporary, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            } catch (AtomicMoveNotSupportedException e) {
                Files.move(temporary, place, StandardCopyOption.REPLACE_EXISTING);
            }
            forceFolder(folder);
        } catch (IOException e) {
            discard(temporary);
            throw new CaseProblem(
                    String.valueOf(file.getFileName()),
                    "",
                    "it can't be saved in " + file.toAbsolutePath().getParent() + " (" + reason(e) + ")",
                    "The old file is unchanged. Save to another place.");
        }
    }

    /** A file that others may read is not to become one for its writer alone by being saved. */
    private static void keepRights(Path old, Path now) {
        var was = Files.getFileAttributeView(old, PosixFileAttributeView.class);
        var is = Files.getFileAttributeView(now, PosixFileAttributeView.class);
        if (was == null || is == null || !Files.exists(old)) {
            return;
        }
        try {
            is.setPermissions(was.readAttributes().permissions());
        } catch (IOException e) {
            // Some drives know no rights; what is written matters more.
        }
    }

    /** What went wrong in words for the user. The system's own message often is only the file's name. */
    private static String reason(IOException e) {
        return switch (e) {
            case AccessDeniedException denied -> "you don't have permission to write there";
            case NoSuchFileException gone -> "the folder doesn't exist";
            case FileSystemException other when other.getReason() != null -> other.getReason();
            default -> String.valueOf(e.getMessage());
        };
    }

    /** Makes the new name in the folder durable too. Where folders can't be opened, the file system sees to it. */
    private static void forceFolder(Path folder) {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException e) {
            // Some systems cannot force a folder; the rename itself is atomic all the same.
        }
    }

    /**
     * Removes what is left of a save that failed. That it can't be removed is no reason to hide the first trouble.
     */
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
