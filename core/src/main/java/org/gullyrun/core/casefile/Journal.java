package org.gullyrun.core.casefile;

import com.fasterxml.jackson.core.JsonProcessingException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Writes down every edit as it is made, beside the case, so that a crash loses none.
 *
 * <p>One file for each window that has a case open; it is locked as long as the window lives, by which others know of
 * it. It is empty until something is changed. Its first line holds the case as it was opened or saved, each further line
 * one edit. Writing goes on in the background; what has been handed over is on the drive within a second.
 */
public final class Journal implements AutoCloseable {
    /** The ending of the names of journals. */
    static final String ENDING = ".journal";

    private static final int RETRY = 2;

    private static final AtomicInteger COUNT = new AtomicInteger();

    /** Those of this process. Where a process opens a file anew and closes it again, POSIX takes its own lock away. */
    private static final Set<Path> HELD = ConcurrentHashMap.newKeySet();

    /** What the thread has to do; lines are made there too, for a whole case takes its time to write. */
    private record Task(
            @Nullable Supplier<String> line, @Nullable Runnable after, boolean anew, boolean last) {}

    private final Path path;
    private final FileChannel channel;
    private final FileLock lock;
    private final Consumer<String> trouble;
    private final Clock clock;
    private final LinkedBlockingQueue<Task> tasks = new LinkedBlockingQueue<>();
    private final Thread writer;
    private int edits;

    private Journal(Path path, FileChannel channel, FileLock lock, Clock clock, Consumer<String> trouble) {
        this.path = path;
        this.channel = channel;
        this.lock = lock;
        this.clock = clock;
        this.trouble = trouble;
        this.writer = new Thread(this::write, "gullyrun-journal");
        writer.setDaemon(true);
        writer.start();
    }

    /**
     * Opens the journal of a case.
     *
     * @param file the file of the case; null if it is in none yet
     * @param otherwise the folder for journals of cases that are in no file, or in a folder that cannot be written
     * @param trouble told, on another thread, when changes cannot be written down
     * @return null if there is no place at all where a journal can be written
     */
    public static @Nullable Journal open(@Nullable Path file, Path otherwise, Clock clock, Consumer<String> trouble) {
        String own = ProcessHandle.current().pid() + "-" + COUNT.incrementAndGet() + ENDING;
        if (file != null) {
            Path whole = file.toAbsolutePath().normalize();
            Journal beside = open(whole.resolveSibling("." + whole.getFileName() + "." + own), clock, trouble);
            if (beside != null) {
                return beside;
            }
        }
        try {
            Files.createDirectories(otherwise);
        } catch (IOException e) {
            return null;
        }
        return open(otherwise.resolve(elsewhere(file) + "." + own), clock, trouble);
    }

    /** The beginning of the names of journals that are not beside their case. */
    static String elsewhere(@Nullable Path file) {
        return file == null
                ? "untitled"
                : Stamp.of(file.toAbsolutePath().normalize().toString().getBytes(StandardCharsets.UTF_8))
                        .substring(0, 24);
    }

    private static @Nullable Journal open(Path path, Clock clock, Consumer<String> trouble) {
        try {
            FileChannel channel = FileChannel.open(
                    path, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.READ);
            FileLock lock = channel.tryLock();
            if (lock == null) {
                channel.close();
                return null;
            }
            HELD.add(path);
            return new Journal(path, channel, lock, clock, trouble);
        } catch (IOException e) {
            return null;
        }
    }

    /** Whether this process holds a journal. */
    static boolean isOwn(Path path) {
        return HELD.contains(path);
    }

    /** Where it is written. */
    public Path path() {
        return path;
    }

    /**
     * Hands an edit over to be written down. Returns at once.
     *
     * @param base the case before the edit; written first if this is the first edit since it was opened or saved
     * @param stamp the stamp of the file of the case, as {@link Stamp} gives it; empty if it is in none
     */
    public void append(Case base, @Nullable Path file, String stamp, Edit edit, String name) {
        if (edits++ == 0) {
            begin(base, file, stamp);
        }
        int number = edits;
        Instant at = clock.instant();
        tasks.add(new Task(() -> line(number, at, edit, name), null, false, false));
    }

    private static String line(int number, Instant at, Edit edit, String name) {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("n", number);
        fields.put("at", at.toString());
        fields.put("name", name);
        fields.put("edit", EditCodec.write(edit));
        return EditCodec.line(fields);
    }

    private void begin(Case base, @Nullable Path file, String stamp) {
        tasks.add(new Task(() -> head(base, file, stamp), null, true, false));
    }

    private static String head(Case base, @Nullable Path file, String stamp) {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("journal", 1);
        fields.put("file", file == null ? "" : file.toAbsolutePath().normalize().toString());
        fields.put("stamp", stamp);
        try {
            fields.put("case", CaseReader.JSON.readTree(CaseWriter.write(base)));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("what is written here can be read", e);
        }
        return EditCodec.line(fields);
    }

    /** Everything so far is in the file of the case: the journal begins anew with the next edit. */
    public void saved() {
        edits = 0;
        tasks.add(new Task(null, null, true, false));
    }

    /** Does something, on the journal's thread, when all that was handed over so far is on the drive. */
    public void whenWritten(Runnable then) {
        tasks.add(new Task(null, then, false, false));
    }

    private void write() {
        List<Task> waiting = new ArrayList<>();
        boolean told = false;
        boolean last = false;
        while (!last) {
            try {
                // What could not be written is tried again, also when nothing new comes.
                Task next = waiting.isEmpty() ? tasks.take() : tasks.poll(RETRY, TimeUnit.SECONDS);
                if (next != null) {
                    waiting.add(next);
                }
            } catch (InterruptedException e) {
                return;
            }
            tasks.drainTo(waiting);
            last = waiting.stream().anyMatch(Task::last);
            try {
                put(waiting);
                told = false;
            } catch (IOException e) {
                if (!told && !last) {
                    trouble.accept("Changes cannot be written down in " + path.getParent() + " (" + e.getMessage()
                            + "). They are in the window only: save the case to another place.");
                    told = true;
                }
            }
        }
    }

    /** Writes what is waiting, takes it off the list, and forces it to the drive; a line goes in whole or not at all. */
    private void put(List<Task> waiting) throws IOException {
        List<Runnable> after = new ArrayList<>();
        while (!waiting.isEmpty()) {
            Task task = waiting.getFirst();
            if (task.anew) {
                channel.truncate(0);
                channel.position(0);
            }
            if (task.line != null) {
                long whole = channel.position();
                try {
                    ByteBuffer bytes = ByteBuffer.wrap((task.line.get() + "\n").getBytes(StandardCharsets.UTF_8));
                    while (bytes.hasRemaining()) {
                        channel.write(bytes);
                    }
                } catch (IOException e) {
                    channel.truncate(whole);
                    channel.position(whole);
                    throw e;
                }
            }
            if (task.after != null) {
                after.add(task.after);
            }
            waiting.removeFirst();
        }
        channel.force(false);
        after.forEach(Runnable::run);
    }

    /** Ends it; the file goes away if nothing in it is unsaved or {@code keep} is not wished. */
    public void close(boolean keep) {
        tasks.add(new Task(null, null, false, true));
        try {
            writer.join(5000);
            if (edits == 0 || !keep) {
                Files.deleteIfExists(path);
            }
            lock.release();
            channel.close();
            HELD.remove(path);
        } catch (IOException e) {
            // What is left over is found, and found to be without changes, at the next start.
            edits = 0;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Ends it and keeps what is unsaved in it. */
    @Override
    public void close() {
        close(true);
    }
}
