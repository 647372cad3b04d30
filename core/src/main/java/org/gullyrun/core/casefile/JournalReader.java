package org.gullyrun.core.casefile;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Reads the steps of a journal line by line, as far as they fit a case. */
final class JournalReader {
    final List<UnsavedChanges.Step> steps = new ArrayList<>();
    private Case at;
    int unreadable;
    private int number;

    JournalReader(Case base, int before) {
        this.at = base;
        this.number = before;
    }

    /** Takes the next line, and counts it among the unreadable if it is damaged or doesn't fit what is there. */
    void next(@Nullable JsonNode line) {
        int n = line == null ? -1 : line.path("n").asInt(-1);
        if (line == null || n <= number) {
            unreadable++;
            number += line == null ? 1 : 0;
            return;
        }
        unreadable += n - number - 1; // whole lines are missing
        number = n;
        try {
            Edit edit = EditCodec.read(line.path("edit"));
            at = edit.apply(at);
            steps.add(new UnsavedChanges.Step(
                    edit, line.path("name").asText(), line.path("at").asText()));
        } catch (IllegalArgumentException | IllegalStateException | Edit.Misfit e) {
            unreadable++;
        }
    }
}
