package org.gullyrun.desktop.state;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.UnknownField;
import org.gullyrun.core.casefile.UnsavedChanges;
import org.jspecify.annotations.Nullable;

/**
 * The case as a file: opening, saving, recovering, its history and its journal, with the threads for that.
 *
 * <p>Methods belong on the interface thread, and the listener is called on it.
 */
final class CaseSession implements AutoCloseable {
    /** Takes what comes of files, on the interface thread. */
    interface Listener {
        /** A case is shown in place of the one before. */
        void begun(Case what, @Nullable Path file, Analysis.First first, List<UnsavedChanges> leftovers);

        /** The case was saved to a file. */
        void saved(Path file);

        /** Something has to be said. */
        void tell(Message message);
    }

    private final Consumer<Runnable> interfaceThread;
    private final Listener listener;
    private final Analysis analysis;
    private final Safekeeping safe;
    private final History history = new History();
    private final ExecutorService filer = Workers.of("filer");
    private final ScheduledExecutorService watchman = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "gullyrun-watchman");
        thread.setDaemon(true);
        return thread;
    });
    private boolean givenUp;

    CaseSession(Consumer<Runnable> interfaceThread, Analysis analysis, @Nullable Path journals, Listener listener) {
        this.interfaceThread = interfaceThread;
        this.analysis = analysis;
        this.listener = listener;
        this.safe = new Safekeeping(journals, this::later);
        if (journals != null) {
            watchman.scheduleWithFixedDelay(() -> safe.lookAround(this::later), 2, 2, TimeUnit.SECONDS);
        }
    }

    /** Begins with a case, here and now: the first one of a window. */
    Safekeeping.Opening begin(Case what, @Nullable Path file) {
        Safekeeping.Opening opening = safe.opening(file, null);
        safe.take(opening);
        safe.prepare(what);
        return opening;
    }

    /** Tells of trouble on the interface thread. */
    private void later(String trouble) {
        interfaceThread.accept(() -> listener.tell(new Message(trouble, true)));
    }

    /** Names journals that can't be read. */
    void tellOf(List<Path> damaged) {
        if (!damaged.isEmpty()) {
            listener.tell(new Message(
                    "Unsaved changes were found that can't be read, in "
                            + damaged.getFirst().getFileName() + ". The file is kept as it is.",
                    true));
        }
    }

    /** Whether no journal can be written, though one is wanted. */
    boolean lacksJournal() {
        return safe.lacksJournal();
    }

    // History.

    /** What can be undone and redone, and whether anything is unsaved. */
    Past past() {
        return new Past(history.isUnsaved(), history.undoName(), history.redoName());
    }

    /** Journals an edit and remembers it, before it is shown. */
    void did(Case before, Edit edit, String name, String survey) {
        safe.made(before, edit, name);
        history.did(edit, name, survey);
    }

    /** Journals an edit that undoes or redoes another. */
    void again(Case before, Edit edit, String name) {
        safe.made(before, edit, name);
    }

    History.@Nullable Entry undo() {
        return history.undo();
    }

    History.@Nullable Entry redo() {
        return history.redo();
    }

    // Files.

    /** Works on files one after the other, off the interface thread. */
    private void inTheFiler(String doing, Runnable work) {
        filer.execute(analysis.reporting(doing, work));
    }

    /** Opens a case file; {@code then} is done once it is shown. */
    void open(Path file, Runnable then) {
        inTheFiler("open the case", () -> {
            try {
                show(CaseFiles.open(file), file, then);
            } catch (CaseProblem e) {
                later(e.getMessage() + " The case that was open is still open.");
            }
        });
    }

    /** Shows a case that is in no file yet. */
    void replace(Case what, Runnable then) {
        inTheFiler("show the case", () -> show(what, null, then));
    }

    /** Shows a case once it is read. */
    private void show(Case what, @Nullable Path file, Runnable then) {
        Analysis.First first = Analysis.first(what);
        Safekeeping.Opening opening = safe.opening(file, null);
        interfaceThread.accept(() -> {
            begin(what, file, first, opening);
            then.run();
            tellOf(opening.damaged());
        });
    }

    /** Begins with a case, on disk or not. */
    private void begin(Case what, @Nullable Path file, Analysis.First first, Safekeeping.Opening opening) {
        givenUp = false;
        analysis.forget();
        history.clear();
        filer.execute(safe.take(opening));
        listener.begun(what, file, first, opening.leftovers());
    }

    /**
     * Restores what a window that ended without saving has left behind.
     *
     * @param edits makes its edits, as steps that can be undone
     */
    void restore(UnsavedChanges left, Consumer<UnsavedChanges.Step> edits) {
        Case base = left.base();
        inTheFiler("restore the changes", () -> {
            Analysis.First first = Analysis.first(base);
            Safekeeping.Opening opening = safe.opening(left.file(), left.stamp());
            interfaceThread.accept(() -> {
                begin(base, left.file(), first, opening);
                left.steps().forEach(edits);
                if (!safe.lacksJournal()) {
                    safe.whenWritten(left::drop); // until then the old journal holds them
                }
                listener.tell(new Message(restored(left), left.unreadable() > 0));
            });
        });
    }

    /** Says how many changes were restored. */
    private static String restored(UnsavedChanges left) {
        int back = left.steps().size();
        String damaged = left.unreadable() == 0
                ? ""
                : " " + left.unreadable() + (left.unreadable() == 1 ? " change" : " changes")
                        + " could not be read; the journal is kept beside the case.";
        return "Restored " + back
                + (back == 1 ? " unsaved change. Save to keep it" : " unsaved changes. Save to keep them")
                + " in the file." + damaged;
    }

    /** Forgets what was left behind. */
    void drop(UnsavedChanges left) {
        filer.execute(left::drop);
    }

    /** Names fields of a case's file that have no effect. */
    void tellOfUnknown(Case what) {
        String unknown = UnknownField.told(UnknownField.in(what));
        if (!unknown.isEmpty()) {
            listener.tell(new Message(unknown, false));
        }
    }

    /**
     * Saves the case as it is now. What is changed meanwhile counts as unsaved.
     *
     * @param over whether to save even over what another program has written to the file since it was opened
     * @param then done once it is saved; not if it can't be, which is reported
     * @param changedMeanwhile done instead of saving where another program has changed the file
     */
    void save(Case what, Path file, boolean over, Runnable then, Runnable changedMeanwhile) {
        Object mark = history.mark();
        int made = safe.made();
        inTheFiler("save the case", () -> {
            try {
                if (!over && safe.isForeign(file)) {
                    interfaceThread.accept(changedMeanwhile);
                    return;
                }
                CaseFiles.Written written = CaseFiles.written(what, file);
                safe.writing(written.stamp()); // before it is in the file, or it would look like another program's
                CaseFiles.save(written, file);
                String stamp = written.stamp();
                Safekeeping.Opening elsewhere = safe.isAt(file) ? null : safe.opening(file, stamp);
                interfaceThread.accept(() -> {
                    history.saved(mark);
                    filer.execute(safe.saved(what, stamp, made, elsewhere));
                    listener.saved(file);
                    then.run();
                });
            } catch (CaseProblem e) {
                later(String.valueOf(e.getMessage()));
            }
        });
    }

    /** What is unsaved is not wanted any more: closing forgets it. */
    void giveUp() {
        givenUp = true;
    }

    @Override
    public void close() {
        watchman.shutdownNow();
        filer.shutdown(); // what is being saved is saved to the end
        safe.close(history.isUnsaved() && !givenUp);
    }
}
