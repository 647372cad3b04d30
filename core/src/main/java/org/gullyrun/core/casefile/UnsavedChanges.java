package org.gullyrun.core.casefile;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a window that ended without saving has left behind: the case it began with, and every edit made since.
 *
 * @param journal where it is written down
 * @param file the file of the case that was asked for; null if it is in none. What the journal itself says does not count
 * @param stamp the stamp of that file when the first edit was made
 * @param base the case before the edits
 * @param steps the edits in order, as far as they can be read and fit
 * @param unreadable how many edits are damaged, missing, or do not fit without one that is
 */
public record UnsavedChanges(
        Path journal, @Nullable Path file, String stamp, Case base, List<Step> steps, int unreadable) {
    /** A journal is no larger than this: a case and some thousand edits. */
    private static final long MOST_BYTES = 4 * CaseFiles.MOST_BYTES;

    private static final String DAMAGED = ".damaged";

    /** One edit with its name and the moment it was made, as an ISO 8601 text. */
    public record Step(Edit edit, String name, String at) {}

    /**
     * What is found beside a case.
     *
     * @param leftovers changes left behind
     * @param others how many other windows have the case open
     * @param damaged journals of which not even the case at their beginning can be read
     */
    public record Found(List<UnsavedChanges> leftovers, int others, List<Path> damaged) {}

    /** The case with all edits made. */
    public Case made() {
        Case at = base;
        for (Step step : steps) {
            at = step.edit.apply(at);
        }
        return at;
    }

    /**
     * Looks for journals of a case (null: of cases in no file), newest first. Empty ones that nobody holds are removed;
     * links, pipes and what belongs to another user are passed over.
     *
     * @param own the journal of this very window, which is passed over; or null
     */
    public static Found find(@Nullable Path file, Path otherwise, @Nullable Path own) {
        Search search = new Search(file, own);
        if (file != null) {
            Path whole = file.toAbsolutePath().normalize();
            if (whole.getParent() instanceof Path folder) {
                search.look(folder, "." + whole.getFileName() + ".");
            }
        }
        search.look(otherwise, Journal.elsewhere(file) + ".");
        search.leftovers.sort((a, b) -> b.steps.getLast().at.compareTo(a.steps.getLast().at));
        return new Found(List.copyOf(search.leftovers), search.others, List.copyOf(search.damaged));
    }

    private static final class Search {
        private final @Nullable Path file;
        private final @Nullable Path own;
        private final List<UnsavedChanges> leftovers = new ArrayList<>();
        private final List<Path> damaged = new ArrayList<>();
        private int others;

        Search(@Nullable Path file, @Nullable Path own) {
            this.file = file;
            this.own = own;
        }

        /** Looks for journals of a case in a folder. */
        private void look(Path folder, String begin) {
            String names = "[0-9]+-[0-9]+\\" + JournalFile.ENDING + "(\\" + JournalFile.PART + "[0-9]*)?";
            try (DirectoryStream<Path> files = Files.newDirectoryStream(folder, path -> {
                String name = path.getFileName().toString();
                return name.startsWith(begin) && name.substring(begin.length()).matches(names);
            })) {
                List<Path> found = new ArrayList<>();
                files.forEach(found::add);
                // Those written anew first, the newest last: one may take the place of the journal beside it.
                found.sort(Comparator.<Path, Boolean>comparing(path -> !isPart(path))
                        .thenComparingInt(path -> path.toString().length())
                        .thenComparing(Path::toString));
                for (Path path : found) {
                    if (!path.equals(own) && FilePermissions.isFile(path)) {
                        tryToLook(path);
                    }
                }
            } catch (IOException e) {
                return; // a folder that cannot be read holds nothing that could be restored
            }
        }

        /** One journal that cannot be got at is named, and keeps none of the others from being offered. */
        private void tryToLook(Path path) {
            try {
                look(path);
            } catch (IOException e) {
                if (Files.exists(path)) { // not removed meanwhile by another window
                    damaged.add(path);
                }
            }
        }

        /** The case as its file has it; null if that cannot be read. */
        private @Nullable Case inFile() {
            try {
                return file == null ? null : CaseFiles.open(file);
            } catch (CaseProblem e) {
                return null;
            }
        }

        /** Whether a file is a journal that was being written anew when the program ended. */
        private static boolean isPart(Path path) {
            return !path.toString().endsWith(JournalFile.ENDING);
        }

        /** Ends what a crash has cut short: a journal that was written anew, whole, takes the place of the one before. */
        private void settle(Path part) throws IOException {
            String name = part.getFileName().toString();
            Path journal = part.resolveSibling(name.substring(0, name.lastIndexOf(JournalFile.PART)));
            if (Files.exists(journal) && isHeld(journal)) {
                return; // its window lives, and is about to do this itself
            }
            UnsavedChanges anew = Files.size(part) == 0 ? null : read(part, file);
            if (anew != null && anew.unreadable == 0 && !anew.steps.isEmpty() && FilePermissions.isOwnFile(journal)) {
                Files.move(part, journal, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            } else {
                Files.deleteIfExists(part); // the journal before is still there, and whole
            }
        }

        /** Reads one journal, unless another program is still writing it. */
        private void look(Path path) throws IOException {
            boolean part = isPart(path);
            if (isHeld(path)) {
                others += part ? 0 : 1;
            } else if (FilePermissions.isOwnFile(path)) {
                if (part) {
                    settle(path);
                } else if (Files.size(path) == 0) {
                    Files.deleteIfExists(path);
                } else if (read(path, file) instanceof UnsavedChanges read) {
                    if (read.steps.isEmpty() && read.unreadable == 0) {
                        Files.deleteIfExists(path); // the crash came within the very first change
                    } else if (read.unreadable == 0 && read.made().equals(inFile())) {
                        Files.deleteIfExists(path); // the crash came right after a save
                    } else if (read.steps.isEmpty()) {
                        damaged.add(path);
                    } else {
                        leftovers.add(read);
                    }
                } else {
                    damaged.add(path);
                }
            }
        }
    }

    /** Whether a running program holds the file. */
    private static boolean isHeld(Path path) {
        if (JournalFile.isOwn(path)) {
            return true;
        }
        try (FileChannel channel = FileChannel.open(path, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS)) {
            try (FileLock lock = channel.tryLock()) {
                return lock == null;
            }
        } catch (IOException e) {
            return false;
        }
    }

    /**
     * Reads a journal. A last line without an end was being written when the crash came and does not count; any other line
     * that cannot be read, or does not fit, is counted, and what follows it is kept as far as it fits.
     *
     * @param file the file of the case
     * @return null if not even the case at its beginning can be read
     */
    public static @Nullable UnsavedChanges read(Path journal, @Nullable Path file) {
        List<String> lines;
        try {
            if (Files.size(journal) > MOST_BYTES) {
                return null;
            }
            String text = new String(Files.readAllBytes(journal), StandardCharsets.UTF_8);
            lines = List.of(text.substring(0, text.lastIndexOf('\n') + 1).split("\n", -1));
        } catch (IOException e) {
            return null;
        }
        lines = lines.subList(0, lines.size() - 1); // nothing follows the last line's end
        if (lines.isEmpty()) {
            return null;
        }
        JsonNode head = JournalLine.read(lines.getFirst(), 0);
        int version = head == null ? 0 : head.path("journal").asInt();
        if (head == null || version < 1 || version > JournalLine.VERSION) {
            return null;
        }
        try {
            Case base = CaseReader.read(
                    String.valueOf(journal.getFileName()), CaseReader.JSON.writeValueAsBytes(head.path("case")));
            JournalReader reader = new JournalReader(base, head.path("after").asInt());
            lines.stream().skip(1).forEach(line -> reader.next(JournalLine.read(line, version)));
            return new UnsavedChanges(
                    journal, file, head.path("stamp").asText(), base, List.copyOf(reader.steps), reader.unreadable);
        } catch (IOException | CaseProblem e) {
            return null;
        }
    }

    /** Forgets it: the journal is removed. One that was not read to the end is kept under another name. */
    public void drop() {
        try {
            if (unreadable > 0) {
                Files.move(
                        journal,
                        journal.resolveSibling(journal.getFileName() + DAMAGED),
                        StandardCopyOption.REPLACE_EXISTING);
            } else {
                Files.deleteIfExists(journal);
            }
        } catch (IOException e) {
            // It will be offered once more; nothing is lost by that.
            journal.toFile().deleteOnExit();
        }
    }
}
