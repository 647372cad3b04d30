package org.gullyrun.desktop.state;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.repair.Remedies;
import org.gullyrun.core.repair.Remedy;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.jspecify.annotations.Nullable;

/**
 * Holds the one state and makes the next one. Views watch it and send it what a person wants.
 *
 * <p>All methods belong on the interface thread. Readings and remedies are computed on threads of their own; the newest
 * wins, and what has been overtaken is dropped.
 */
public final class Store implements AutoCloseable {
    /** Remedies are tried only once the answer itself is on screen, ms: they would take the processor away from it. */
    private static final int AFTER_THE_ANSWER = 60;

    private final Consumer<Runnable> interfaceThread;
    private final Audit audit = RuleCatalogue.usual();
    private final List<BiConsumer<State, State>> watchers = new ArrayList<>();
    private final History history = new History();
    private final ExecutorService reader = worker("reader");
    private final ExecutorService mender = worker("mender");
    private final ExecutorService filer = worker("filer");
    private final AtomicLong newest = new AtomicLong();
    private final AtomicLong newestRemedies = new AtomicLong();
    private State state;

    /** A store on a case; it is audited once, here and now, so that there is something whole to show. */
    public Store(Case what, @Nullable Path file, Consumer<Runnable> interfaceThread) {
        this.interfaceThread = interfaceThread;
        Reading reading = audit.read(what.surveys().getFirst().rig(), what.brief());
        this.state = fresh(what, file, reading, false, 1);
    }

    private static State fresh(Case what, @Nullable Path file, Reading reading, boolean night, double textScale) {
        String survey = what.surveys().getFirst().id();
        return new State(
                what,
                file,
                false,
                survey,
                -1,
                Step.TRACE,
                Selection.NOTHING,
                -1,
                reading,
                Shown.NOTHING,
                null,
                "",
                "",
                null,
                night,
                textScale);
    }

    private static ExecutorService worker(String name) {
        return Executors.newSingleThreadExecutor(task -> {
            Thread thread = new Thread(task, "gullyrun-" + name);
            thread.setDaemon(true);
            return thread;
        });
    }

    /** The state now. */
    public State state() {
        return state;
    }

    /** Tells a view of every new state: the one before and the one now. Called once at once with the same twice. */
    public void watch(BiConsumer<State, State> watcher) {
        watchers.add(watcher);
        watcher.accept(state, state);
    }

    private void next(State to) {
        State before = state;
        state = to;
        if (to != before) {
            List.copyOf(watchers).forEach(w -> w.accept(before, to));
        }
    }

    // What a person wants: looking.

    /** Goes to a step. */
    public void go(Step step) {
        next(state.withStep(step));
    }

    /** Chooses a scene by its place; -1 for all. */
    public void chooseScene(int scene) {
        if (scene >= -1 && scene < state.reading().scenes().size()) {
            next(state.showing(state.reading(), state.selection(), scene));
            mend();
        }
    }

    /** Selects. */
    public void select(Selection selection) {
        if (!selection.equals(state.selection())) {
            next(state.showing(state.reading(), selection, state.scene()));
            mend();
        }
    }

    /** Selects the next finding in the list, or the one before. */
    public void selectFinding(int by) {
        List<Finding> findings = state.reading().findings();
        if (findings.isEmpty()) {
            return;
        }
        Finding now = state.shown().finding();
        int at = now == null ? (by > 0 ? -1 : 0) : findings.indexOf(now);
        int to = Math.floorMod(at + by, findings.size());
        select(new Selection.Trouble(findings.get(to).identity()));
    }

    /** Looks at another rung of the way shown, so many further. */
    public void followRun(int by) {
        if (!state.shown().ways().isEmpty()) {
            int last = state.shown().ways().getFirst().segments().size();
            next(state.withHop(Math.clamp(state.hop() + by, 0, last)));
        }
    }

    /** Looks at a certain rung, -1 for none. */
    public void lookAt(int hop) {
        next(state.withHop(hop));
    }

    /** Turns the night sheet on or off, and sets the size of text. */
    public void look(boolean night, double textScale) {
        next(state.withLook(night, Math.clamp(textScale, 0.8, 1.5)));
    }

    /** Takes the message away. */
    public void dismiss() {
        next(state.withMessage(null));
    }

    /** Tells something. */
    public void tell(Message message) {
        next(state.withMessage(message));
    }

    /** Shows another survey. */
    public void chooseSurvey(String id) {
        if (!id.equals(state.survey()) && state.what().survey(id).isPresent()) {
            next(state.withSurvey(state.what(), id, state.scene()));
            read();
        }
    }

    // What a person wants: changing.

    /** Makes changes to the rig shown, as one step that can be undone. Nothing happens where they do not fit. */
    public void change(List<? extends Change> changes) {
        if (changes.isEmpty()) {
            return;
        }
        Rig rig = state.surveyShown().rig();
        String name = changes.size() == 1
                ? said(rig, changes.getFirst())
                : changes.size() + " changes: " + said(rig, changes.getFirst()) + " …";
        try {
            Rig changed = Changes.apply(rig, changes);
            history.did(state.survey(), List.copyOf(changes), name);
            take(state.survey(), changed);
        } catch (Changes.Conflict e) {
            tell(new Message("That could not be changed: " + e.getMessage() + ". Nothing was altered.", true));
        }
    }

    private static String said(Rig rig, Change change) {
        try {
            return Sentences.say(change instanceof Change.Add ? Changes.apply(rig, List.of(change)) : rig, change);
        } catch (Changes.Conflict e) {
            return "change of " + change.element();
        }
    }

    /** Takes the last change back. */
    public void undo() {
        History.Entry entry = history.undo();
        if (entry != null) {
            again(entry, Changes.inverse(entry.changes()));
        }
    }

    /** Makes the change last taken back once more. */
    public void redo() {
        History.Entry entry = history.redo();
        if (entry != null) {
            again(entry, entry.changes());
        }
    }

    private void again(History.Entry entry, List<Change> changes) {
        Rig changed =
                Changes.apply(state.what().survey(entry.survey()).orElseThrow().rig(), changes);
        take(entry.survey(), changed);
    }

    private void take(String survey, Rig rig) {
        Case changed = state.what()
                .withSurvey(state.what().survey(survey).orElseThrow().withRig(rig));
        next(state.withSurvey(changed, survey, state.scene())
                .withHistory(history.isUnsaved(), history.undoName(), history.redoName()));
        read();
    }

    // What a person wants: files.

    /**
     * Opens a case in place of this one, off the interface thread.
     *
     * @param then done once it is shown; not if the file cannot be read, which is told
     */
    public void open(Path file, Runnable then) {
        filer.execute(() -> {
            try {
                Case what = CaseFiles.open(file);
                Reading reading = audit.read(what.surveys().getFirst().rig(), what.brief());
                interfaceThread.accept(() -> {
                    show(what, file, reading);
                    then.run();
                });
            } catch (CaseProblem e) {
                String why = e.getMessage() + " The case that was open is still open.";
                interfaceThread.accept(() -> tell(new Message(why, true)));
            }
        });
    }

    /** Shows a case that is in no file yet in place of this one. */
    public void replace(Case what) {
        filer.execute(() -> {
            Reading reading = audit.read(what.surveys().getFirst().rig(), what.brief());
            interfaceThread.accept(() -> show(what, null, reading));
        });
    }

    private void show(Case what, @Nullable Path file, Reading reading) {
        newest.incrementAndGet();
        newestRemedies.incrementAndGet();
        history.clear();
        next(fresh(what, file, reading, state.night(), state.textScale()));
    }

    /**
     * Saves the case as it stands now, off the interface thread, and goes on with that file. What is changed meanwhile
     * counts as not saved.
     *
     * @param then done once it is saved; not if it cannot be, which is told
     */
    public void save(Path file, Runnable then) {
        Case what = state.what();
        Object mark = history.mark();
        filer.execute(() -> {
            try {
                CaseFiles.save(what, file);
                interfaceThread.accept(() -> {
                    history.saved(mark);
                    next(state.withFile(file)
                            .withHistory(history.isUnsaved(), history.undoName(), history.redoName())
                            .withMessage(new Message("Saved " + file.getFileName() + ".", false)));
                    then.run();
                });
            } catch (CaseProblem e) {
                interfaceThread.accept(() -> tell(new Message(String.valueOf(e.getMessage()), true)));
            }
        });
    }

    // Computing.

    private void read() {
        long turn = newest.incrementAndGet();
        Rig rig = state.surveyShown().rig();
        var brief = state.what().brief();
        reader.execute(() -> {
            if (turn != newest.get()) {
                return; // overtaken while it waited
            }
            Reading reading = audit.read(rig, brief);
            interfaceThread.accept(() -> {
                if (turn == newest.get()) {
                    next(state.showing(reading, state.selection(), state.scene()));
                    mend();
                }
            });
        });
    }

    private void mend() {
        if (mender.isShutdown()) {
            return; // the last frame may still ask after the window was closed
        }
        long turn = newestRemedies.incrementAndGet();
        Finding finding = state.shown().finding();
        if (finding == null) {
            return;
        }
        Reading reading = state.reading();
        Runnable work = () -> {
            if (turn != newestRemedies.get()) {
                return;
            }
            List<Remedy> remedies = new Remedies(audit).find(reading, finding, () -> turn != newestRemedies.get());
            interfaceThread.accept(() -> {
                if (turn == newestRemedies.get()) {
                    next(state.withRemedies(new RemedyList(finding.identity(), remedies, true)));
                }
            });
        };
        CompletableFuture.delayedExecutor(AFTER_THE_ANSWER, TimeUnit.MILLISECONDS, mender)
                .execute(work);
    }

    @Override
    public void close() {
        reader.shutdownNow();
        mender.shutdownNow();
        filer.shutdown(); // what is being saved is saved to the end
    }
}
