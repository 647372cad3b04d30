package org.gullyrun.core.casefile;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a window that ended without saving has left behind: the case it began with, and every edit made since.
 *
 * @param journal where it is written down
 * @param file the file of the case; null if it was in none
 * @param stamp the stamp of that file when the first edit was made
 * @param base the case before the edits
 * @param steps the edits in order
 */
public record Leftover(Path journal, @Nullable Path file, String stamp, Case base, List<Step> steps) {

    /** One edit with its name and the moment it was made, as an ISO 8601 text. */
    public record Step(Edit edit, String name, String at) {}

    /** What is found beside a case: changes left behind, and whether another window has the case open. */
    public record Found(List<Leftover> leftovers, int others) {}

    /** The case with all edits made. */
    public Case made() {
        Case at = base;
        for (Step step : steps) {
            at = step.edit.apply(at);
        }
        return at;
    }

    /**
     * Looks for journals of a case (null: of cases in no file), newest first. Empty ones that nobody holds are removed.
     *
     * @param own the journal of this very window, which is passed over; or null
     */
    public static Found find(@Nullable Path file, Path otherwise, @Nullable Path own) {
        List<Leftover> leftovers = new ArrayList<>();
        int[] others = new int[1];
        if (file != null) {
            Path whole = file.toAbsolutePath().normalize();
            Path folder = whole.getParent();
            if (folder != null) {
                look(folder, "." + whole.getFileName() + ".", own, leftovers, others);
            }
        }
        look(otherwise, Journal.elsewhere(file) + ".", own, leftovers, others);
        leftovers.sort((a, b) -> b.steps.getLast().at.compareTo(a.steps.getLast().at));
        return new Found(List.copyOf(leftovers), others[0]);
    }

    private static void look(Path folder, String begin, @Nullable Path own, List<Leftover> leftovers, int[] others) {
        try (DirectoryStream<Path> files = Files.newDirectoryStream(folder, path -> {
            String name = path.getFileName().toString();
            return name.startsWith(begin)
                    && name.endsWith(Journal.ENDING)
                    && name.substring(begin.length()).matches("[0-9]+-[0-9]+\\" + Journal.ENDING);
        })) {
            for (Path path : files) {
                if (path.equals(own)) {
                    continue;
                }
                if (isHeld(path)) {
                    others[0]++;
                    continue;
                }
                Leftover read = read(path);
                if (read != null) {
                    leftovers.add(read);
                } else if (Files.size(path) == 0) {
                    Files.deleteIfExists(path);
                }
            }
        } catch (IOException e) {
            others[0] += 0; // a folder that cannot be read holds nothing that could be taken up
        }
    }

    private static boolean isHeld(Path path) {
        if (Journal.isOwn(path)) {
            return true;
        }
        try (FileChannel channel = FileChannel.open(path, StandardOpenOption.WRITE)) {
            try (FileLock lock = channel.tryLock()) {
                return lock == null;
            }
        } catch (IOException e) {
            return false;
        }
    }

    /**
     * Reads a journal as far as it goes: a line that was not written to its end, and all after it, does not count.
     *
     * @return null if not even the case and one edit can be read
     */
    public static @Nullable Leftover read(Path journal) {
        // What was cut off within a letter must not make the rest unreadable: so no strict decoding here.
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(Files.newInputStream(journal), StandardCharsets.UTF_8))) {
            String first = lines.readLine();
            if (first == null) {
                return null;
            }
            JsonNode head = CaseReader.JSON.readTree(first);
            if (head.path("journal").asInt() != 1) {
                return null;
            }
            Case base = CaseReader.read(String.valueOf(journal.getFileName()), bytes(head.path("case")));
            List<Step> steps = new ArrayList<>();
            Case at = base;
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                try {
                    JsonNode node = CaseReader.JSON.readTree(line);
                    Edit edit = EditCodec.read(node.path("edit"));
                    at = edit.apply(at);
                    steps.add(new Step(
                            edit, node.path("name").asText(), node.path("at").asText()));
                } catch (IOException | IllegalArgumentException | Edit.Misfit e) {
                    break;
                }
            }
            String file = head.path("file").asText();
            return steps.isEmpty()
                    ? null
                    : new Leftover(
                            journal,
                            file.isEmpty() ? null : Path.of(file),
                            head.path("stamp").asText(),
                            base,
                            List.copyOf(steps));
        } catch (IOException | CaseProblem | java.io.UncheckedIOException e) {
            return null;
        }
    }

    private static byte[] bytes(JsonNode node) throws IOException {
        return CaseReader.JSON.writeValueAsBytes(node);
    }

    /** Forgets it: the journal is removed. */
    public void drop() {
        try {
            Files.deleteIfExists(journal);
        } catch (IOException e) {
            // It will be offered once more; nothing is lost by that.
            journal.toFile().deleteOnExit();
        }
    }
}
