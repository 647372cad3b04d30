package org.gullyrun.desktop.state;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/** What was changed, in order, and how far of it has been taken back. */
final class History {
    /** One step: changes to the rig of a survey, and their name for people. */
    record Entry(String survey, List<Change> changes, String name) {}

    private final List<Entry> entries = new ArrayList<>();
    private int at;
    private int savedAt;

    void did(String survey, List<Change> changes, String name) {
        if (savedAt > at) {
            savedAt = -1; // what is in the file can no longer be reached
        }
        entries.subList(at, entries.size()).clear();
        entries.add(new Entry(survey, changes, name));
        at++;
    }

    @Nullable
    Entry undo() {
        return at == 0 ? null : entries.get(--at);
    }

    @Nullable
    Entry redo() {
        return at == entries.size() ? null : entries.get(at++);
    }

    void saved() {
        savedAt = at;
    }

    boolean isUnsaved() {
        return savedAt != at;
    }

    String undoName() {
        return at == 0 ? "" : entries.get(at - 1).name();
    }

    String redoName() {
        return at == entries.size() ? "" : entries.get(at).name();
    }

    void clear() {
        entries.clear();
        at = 0;
        savedAt = 0;
    }
}
