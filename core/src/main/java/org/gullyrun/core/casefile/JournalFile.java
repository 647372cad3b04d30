package org.gullyrun.core.casefile;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;

/**
 * The file of a {@link Journal}: locked while it is open, so that other windows know of it, and written anew beside itself
 * without a moment in which what is in it is in no file.
 *
 * <p>One thread writes, another forces what is written to the drive; the methods may be called by both.
 */
final class JournalFile {
    /** The ending of the names of journals. */
    static final String ENDING = ".journal";

    /** What is added to the name of a journal while it is being written anew. */
    static final String PART = ".part";

    private static final int MOST_NAMES = 1_000;

    private static final AtomicInteger COUNT = new AtomicInteger();

    /** Those of this process. Where a process opens a file anew and closes it again, POSIX takes its own lock away. */
    private static final Set<Path> HELD = ConcurrentHashMap.newKeySet();

    /** One being written anew, which takes the place of the old one once it is on the drive. */
    private record Fresh(Path beside, FileChannel channel, FileLock lock) {
        /** Deletes the journal: all that it holds is in the case now. */
        void discard() {
            HELD.remove(beside);
            try {
                channel.close();
                Files.deleteIfExists(beside);
            } catch (IOException e) {
                // It is found and removed at the next start; the old journal holds everything.
                beside.toFile().deleteOnExit();
            }
        }
    }

    private final Path path;
    private final @Nullable Path like;
    private FileChannel channel;
    private FileLock lock;
    private @Nullable Fresh fresh;
    private int parts;

    private JournalFile(Path path, @Nullable Path like, FileChannel channel, FileLock lock) {
        this.path = path;
        this.like = like;
        this.channel = channel;
        this.lock = lock;
    }

    /**
     * Makes a new file: what an earlier process of the same number has left behind is not written over.
     *
     * @param begin what its name begins with
     * @param like the journal gets the permissions of this file; null if only its writer may read it
     * @return null if it cannot be made or locked there
     */
    static @Nullable JournalFile open(@Nullable Path folder, String begin, @Nullable Path like) {
        for (int i = 0; folder != null && i < MOST_NAMES; i++) {
            Path path = folder.resolve(
                    begin + "." + ProcessHandle.current().pid() + "-" + COUNT.incrementAndGet() + ENDING);
            try {
                HELD.add(path);
                FileChannel channel = create(path, like);
                FileLock lock = channel.tryLock();
                if (lock != null) {
                    return new JournalFile(path, like, channel, lock);
                }
                channel.close();
            } catch (FileAlreadyExistsException e) {
                HELD.remove(path);
                continue;
            } catch (IOException e) {
                HELD.remove(path);
                return null;
            }
            HELD.remove(path);
            return null;
        }
        return null;
    }

    /** A new, empty file that nobody can read who cannot read the case; one for a case in no file is its writer's alone. */
    private static FileChannel create(Path path, @Nullable Path like) throws IOException {
        return FileChannel.open(
                path,
                Set.of(
                        StandardOpenOption.CREATE_NEW,
                        StandardOpenOption.WRITE,
                        StandardOpenOption.READ,
                        LinkOption.NOFOLLOW_LINKS),
                FilePermissions.asOf(like, path));
    }

    /** Whether this process holds a journal. */
    static boolean isOwn(Path path) {
        return HELD.contains(path);
    }

    Path path() {
        return path;
    }

    /** Adds lines, whole or not at all; into the one being written anew, too. */
    synchronized void append(byte[] bytes) throws IOException {
        long whole = channel.position();
        try {
            write(channel, bytes);
        } catch (IOException e) {
            channel.truncate(whole);
            channel.position(whole);
            throw e;
        }
        Fresh next = fresh;
        if (next != null) {
            try {
                write(next.channel, bytes);
            } catch (IOException e) {
                next.discard(); // the old journal stays: it holds everything too
                fresh = null;
            }
        }
    }

    /** Puts lines in the place of all that is there: at once where it is empty, else when they are on the drive. */
    synchronized void replace(byte[] bytes) throws IOException {
        if (channel.size() == 0) {
            append(bytes);
            return;
        }
        Path beside = path.resolveSibling(path.getFileName() + PART + ++parts);
        Files.deleteIfExists(beside);
        HELD.add(beside);
        FileChannel made = create(beside, like);
        Fresh next = new Fresh(beside, made, made.lock());
        try {
            write(made, bytes);
            if (fresh != null) {
                fresh.discard(); // not before: until now it alone held what came after the save before
            }
            fresh = next;
        } catch (IOException e) {
            next.discard();
            throw e;
        }
    }

    /**
     * Forces what is written to the drive, then lets one written anew take its place. May take long; nothing waits for it.
     *
     * @return false if yet another has been written anew meanwhile, which is still to be forced
     */
    boolean force() throws IOException {
        Fresh next;
        FileChannel written;
        synchronized (this) {
            next = fresh;
            written = next == null ? channel : next.channel;
        }
        try {
            written.force(next != null);
        } catch (ClosedChannelException e) {
            return false;
        }
        synchronized (this) {
            if (next != null && next == fresh) {
                Files.move(next.beside, path, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
                channel.close();
                HELD.remove(next.beside);
                channel = next.channel;
                lock = next.lock;
                fresh = null;
            }
        }
        return true;
    }

    /** Writes all bytes: a channel may take fewer than it is given. */
    private static void write(FileChannel channel, byte[] bytes) throws IOException {
        ByteBuffer buffer = ByteBuffer.wrap(bytes);
        while (buffer.hasRemaining()) {
            channel.write(buffer);
        }
    }

    /** Closes it; the file goes away unless it is to be kept. */
    synchronized void close(boolean keep) throws IOException {
        if (fresh != null) {
            fresh.discard();
        }
        if (!keep) {
            Files.deleteIfExists(path);
        }
        lock.release();
        channel.close();
        HELD.remove(path);
    }
}
