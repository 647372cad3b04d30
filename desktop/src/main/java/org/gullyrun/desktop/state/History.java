package org.gullyrun.desktop.state;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.casefile.Edit;
import org.jspecify.annotations.Nullable;

/** What was changed, in order, and how far of it has been taken back. */
final class History {
    /** One step: the edit, its name for people, and the survey that was shown. */
    record Entry(Edit edit, String name, String survey) {}

    /** Stands for the case as it was opened. */
    private static final Object START = new Object();

    private final List<Entry> entries = new ArrayList<>();
    private int at;
    private Object saved = START;

    /** Remembers an edit, and forgets what was undone before it. */
    void did(Edit edit, String name, String survey) {
        entries.subList(at, entries.size()).clear();
        entries.add(new Entry(edit, name, survey));
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

    /**
     * The step done last, by which a state of the case is known again. It is compared as this very object: another step
     * in its place, even an equal one, may stand on other steps.
     */
    Object mark() {
        return at == 0 ? START : entries.get(at - 1);
    }

    /** The case as it stood at a mark is in the file. */
    void saved(Object mark) {
        saved = mark;
    }

    boolean isUnsaved() {
        return saved != mark();
    }

    String undoName() {
        return at == 0 ? "" : entries.get(at - 1).name();
    }

    String redoName() {
        return at == entries.size() ? "" : entries.get(at).name();
    }

    /** Forgets everything: what is shown now can't be undone to another case. */
    void clear() {
        entries.clear();
        at = 0;
        saved = START;
    }
}
