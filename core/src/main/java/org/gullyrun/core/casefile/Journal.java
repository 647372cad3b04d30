package org.gullyrun.core.casefile;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Writes down every edit as it is made, beside the case, so that a crash loses none.
 *
 * <p>One file for each window that has a case open. It is locked as long as the window lives, which is how other windows
 * know of it, and it is empty until something is changed. Its first line holds the case as it was opened or saved, each
 * further line one edit; every line ends in a checksum ({@link JournalLine}).
 *
 * <p>One thread writes lines as they come, so that a process that is ended loses none; another forces them to the drive,
 * which may take long, so that the machine may end too. After a save the journal is written anew beside the old one and
 * renamed once it is on the drive; until then every line goes into both, so that at no moment an edit is in neither.
 */
public final class Journal implements AutoCloseable {
    private static final int RETRY = 2;
    /** An edit with the name of the step that it is. */
    public record Entry(Edit edit, String name) {}

    /**
     * What the thread has to do; lines are made there too, for a whole case takes its time to write.
     *
     * @param anew whether the lines take the place of all before
     */
    private record Task(
            List<Supplier<String>> lines, @Nullable Runnable after, boolean anew, boolean last) {}

    private final JournalFile file;
    private final Consumer<String> trouble;
    private final Clock clock;
    private final LinkedBlockingQueue<Task> tasks = new LinkedBlockingQueue<>();
    private final Thread writer;
    private final ExecutorService forcer;
    private int edits;
    private int number;

    /** A journal writes on a thread of its own: saving never waits for it and neither does typing. */
    private Journal(JournalFile file, Clock clock, Consumer<String> trouble) {
        this.file = file;
        this.clock = clock;
        this.trouble = trouble;
        this.forcer = Executors.newSingleThreadExecutor(task -> {
            Thread thread = new Thread(task, "gullyrun-journal-force");
            thread.setDaemon(true);
            return thread;
        });
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
        if (file != null) {
            Path whole = file.toAbsolutePath().normalize();
            JournalFile beside = JournalFile.open(whole.getParent(), "." + whole.getFileName(), whole);
            if (beside != null) {
                return new Journal(beside, clock, trouble);
            }
        }
        try {
            Files.createDirectories(otherwise);
        } catch (IOException e) {
            return null;
        }
        JournalFile elsewhere = JournalFile.open(otherwise, elsewhere(file), null);
        return elsewhere == null ? null : new Journal(elsewhere, clock, trouble);
    }

    /** The beginning of the names of journals that are not beside their case. */
    static String elsewhere(@Nullable Path file) {
        return file == null
                ? "untitled"
                : FileStamp.of(file.toAbsolutePath().normalize().toString().getBytes(StandardCharsets.UTF_8))
                        .substring(0, 24);
    }

    /** Where it is written. */
    public Path path() {
        return file.path();
    }

    /**
     * Hands an edit over to be written down. Returns at once.
     *
     * @param base the case before the edit; written first if this is the first edit since it was opened or saved
     * @param stamp the stamp of the file of the case, as {@link FileStamp} gives it; empty if it is in none
     */
    public void append(Case base, String stamp, Edit edit, String name) {
        List<Supplier<String>> lines = new ArrayList<>();
        boolean first = edits == 0;
        if (first) {
            int before = number;
            lines.add(() -> head(base, stamp, before));
        }
        lines.add(next(new Entry(edit, name)));
        tasks.add(new Task(lines, null, first, false));
    }

    /** Writes a case down and throws that away: just after a start the first time takes long, and no edit should wait for it. */
    public void prepare(Case base) {
        tasks.add(new Task(
                List.of(() -> {
                    head(base, "", 0);
                    return "";
                }),
                null,
                false,
                false));
    }

    /** The next line, numbered and dated now; it is written out later, on the journal's own thread. */
    private Supplier<String> next(Entry entry) {
        edits++;
        int n = ++number;
        Instant at = clock.instant();
        return () -> {
            Map<String, Object> fields = new LinkedHashMap<>();
            fields.put("n", n);
            fields.put("at", at.toString());
            fields.put("name", entry.name);
            fields.put("edit", EditCodec.write(entry.edit));
            return JournalLine.write(EditCodec.line(fields));
        };
    }

    /** The first line names the case that all later lines belong to. */
    private static String head(Case base, String stamp, int before) {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("journal", JournalLine.VERSION);
        fields.put("after", before); // numbers go on over saves, so that one line can stand in two journals
        fields.put("stamp", stamp);
        String begin = EditCodec.line(fields);
        // Inside a text a line break is always written as \n, so those that are left are between values.
        String text = CaseWriter.write(base).replace('\n', ' ');
        return JournalLine.write(begin.substring(0, begin.length() - 1) + ",\"case\":" + text.strip() + "}");
    }

    /**
     * The case is in its file as it stood before the last edits: the journal begins anew with those, or empty.
     *
     * @param base the case as it was saved
     * @param stamp the stamp of its file
     * @param rest what was changed while it was being saved
     */
    public void saved(Case base, String stamp, List<Entry> rest) {
        edits = 0;
        List<Supplier<String>> lines = new ArrayList<>();
        if (!rest.isEmpty()) {
            int before = number;
            lines.add(() -> head(base, stamp, before));
            rest.forEach(entry -> lines.add(next(entry)));
        }
        tasks.add(new Task(lines, null, true, false));
    }

    /** Does something, on the journal's thread, when all that was handed over so far is on the drive. */
    public void whenWritten(Runnable then) {
        tasks.add(new Task(List.of(), then, false, false));
    }

    /** Writes what is waiting in one go. */
    private void write() {
        List<Task> waiting = new ArrayList<>();
        List<Runnable> after = new ArrayList<>();
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
                put(waiting, after);
                force(List.copyOf(after));
                after.clear();
                told = false;
            } catch (IOException e) {
                if (!told && !last) {
                    trouble.accept("Changes can't be written to " + path().getParent() + " (" + e.getMessage()
                            + "). They exist in this window only: save the case to another place.");
                    told = true;
                }
            }
        }
    }

    /** Writes what is waiting and takes it off the list; a line goes in whole or not at all. */
    private void put(List<Task> waiting, List<Runnable> after) throws IOException {
        dropReplaced(waiting, after);
        while (!waiting.isEmpty()) {
            Task task = waiting.getFirst();
            StringBuilder text = new StringBuilder();
            task.lines.forEach(line -> text.append(line.get()));
            byte[] bytes = text.toString().getBytes(StandardCharsets.UTF_8);
            if (task.anew) {
                file.replace(bytes);
            } else if (bytes.length > 0) {
                file.append(bytes);
            }
            if (task.after != null) {
                after.add(task.after);
            }
            waiting.removeFirst();
        }
    }

    /** Leaves out what later lines take the place of, so that many saves in a row cannot hold up the edits after them. */
    private static void dropReplaced(List<Task> waiting, List<Runnable> after) {
        int from = waiting.size() - 1;
        while (from > 0 && !waiting.get(from).anew) {
            from--;
        }
        List<Task> replaced = waiting.subList(0, Math.max(0, from));
        replaced.stream().map(Task::after).filter(Objects::nonNull).forEach(after::add);
        replaced.clear();
    }

    /** Has what is written forced to the drive, then tells. */
    private void force(List<Runnable> after) {
        forcer.execute(() -> {
            try {
                if (!file.force()) {
                    force(after); // one written anew since then has taken its place, and is forced next
                    return;
                }
            } catch (IOException e) {
                trouble.accept("Changes can't be forced to the drive in " + path().getParent() + " (" + e.getMessage()
                        + "). Save the case to another place.");
            }
            after.forEach(Runnable::run);
        });
    }

    /** Ends it; the file goes away if nothing in it is unsaved or {@code keep} is not wished. */
    public void close(boolean keep) {
        tasks.add(new Task(List.of(), null, false, true));
        try {
            writer.join(5000);
            forcer.shutdown();
            forcer.awaitTermination(5, TimeUnit.SECONDS);
            file.close(keep && edits > 0);
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
