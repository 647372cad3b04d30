package org.gullyrun.desktop.state;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FindingFilter;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Leftover;
import org.gullyrun.core.casefile.UnknownField;
import org.gullyrun.core.flow.RigTooLarge;
import org.gullyrun.core.repair.Causes;
import org.gullyrun.core.repair.Remedies;
import org.gullyrun.core.repair.Remedy;
import org.gullyrun.core.repair.WhatIf;
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

    /** So long the interface thread waits for a reading, ms: less than half a frame. */
    private static final int SOON = 7;
    /** Where trying takes longer, remedies are shown as they are verified, at most once in so many ms. */
    private static final int STILL_TRYING = 300;
    /** While a person types or clicks, what takes long pauses, and goes on so long after, ms. */
    private static final int IDLE = 400;

    private static final int PAUSE = 25;
    /** So long root causes are sought. An ordinary rig takes a second; after that, what was found so far has to do. */
    private static final int CAUSES_SECONDS = 60;
    /** And so long fixes of one finding are tried. */
    private static final int FIXES_SECONDS = 20;

    /** At the start the window itself, all of it cold, comes before what takes long, ms. */
    private static final int AFTER_THE_WINDOW = 3_000;

    private final Consumer<Runnable> interfaceThread;
    private final List<BiConsumer<State, State>> watchers = new ArrayList<>();
    private final History history = new History();
    private final ExecutorService reader = worker("reader");
    private final ExecutorService mender = worker("mender");
    /** Beside the mender, so that remedies of what is selected do not wait for what stands behind everything. */
    private final ExecutorService seeker = seekers();

    private final ExecutorService filer = worker("filer");
    private final ScheduledExecutorService watchman = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "gullyrun-watchman");
        thread.setDaemon(true);
        return thread;
    });
    private final Safekeeping safe;
    private final AtomicLong newest = new AtomicLong();
    private final AtomicLong newestRemedies = new AtomicLong();
    /** When a person last pressed something, as {@link System#nanoTime} tells it. */
    private volatile long lastPressed = System.nanoTime() - IDLE * 1_000_000L;

    private State state;
    private boolean givenUp;

    /** A store on a case that keeps no journal; it is audited once, here and now, so that there is something to show. */
    public Store(Case what, @Nullable Path file, Consumer<Runnable> interfaceThread) {
        this(what, file, interfaceThread, null);
    }

    /**
     * A store on a case.
     *
     * @param journals the folder for journals that cannot be beside their case; null for no journals at all
     */
    public Store(Case what, @Nullable Path file, Consumer<Runnable> interfaceThread, @Nullable Path journals) {
        this.interfaceThread = interfaceThread;
        this.safe = new Safekeeping(journals, why -> interfaceThread.accept(() -> tell(new Message(why, true))));
        Safekeeping.Opening opening = safe.opening(file, null);
        safe.take(opening);
        First first = first(what);
        safe.prepare(what);
        this.state = State.fresh(what, file, first.answer, opening.leftovers(), alerts(first), Look.USUAL);
        tellOf(opening.damaged());
        if (journals != null) {
            watchman.scheduleWithFixedDelay(() -> safe.lookAround(this::noticed), 2, 2, TimeUnit.SECONDS);
        }
        lookDeeper(AFTER_THE_WINDOW);
    }

    private static Audit audit(Case what) {
        return RuleCatalogue.on(what.terms(), what.showHours());
    }

    /** What is computed of the first survey of a case; where that fails, of nothing at all, and why. */
    private record First(Answer answer, String failure) {}

    private static First first(Case what) {
        Audit audit = audit(what).quick();
        try {
            return new First(Answer.of(audit.read(what.surveys().getFirst().rig(), what.brief())), "");
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
            return new First(Answer.of(audit.read(Rig.EMPTY, what.brief())), reason("audit", e));
        }
    }

    private Alerts alerts(First first) {
        return Alerts.NONE.failed(first.failure).journal(safe.lacksJournal());
    }

    /** What went wrong, as a sentence; a fault of the program itself is also logged, so that it can be mended. */
    private static String reason(String doing, Throwable fault) {
        Throwable cause = fault instanceof CompletionException && fault.getCause() != null ? fault.getCause() : fault;
        if (cause instanceof RigTooLarge) {
            return String.valueOf(cause.getMessage());
        }
        System.getLogger("org.gullyrun").log(System.Logger.Level.ERROR, doing + " failed", cause);
        return switch (cause) {
            case OutOfMemoryError e -> "There is not enough memory for it.";
            case StackOverflowError e -> "Its parts are nested too deeply.";
            default -> "The program made a mistake (" + cause + ").";
        };
    }

    /** Does something on another thread; if that fails it is told rather than lost with the thread. */
    private Runnable told(String doing, Runnable work) {
        return () -> {
            try {
                work.run();
            } catch (CancellationException e) {
                if (!seeker.isShutdown()) {
                    throw e; // else the window was closed meanwhile
                }
            } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
                String why = "Could not " + doing + ". " + reason(doing, e);
                interfaceThread.accept(() -> tell(new Message(why, true)));
            }
        };
    }

    private void tellOf(List<Path> damaged) {
        if (!damaged.isEmpty()) {
            tell(new Message(
                    "Unsaved changes were found that can't be read, in "
                            + damaged.getFirst().getFileName() + ". The file is kept as it is.",
                    true));
        }
    }

    /** Remedies are tried with the quick audit, unless it is one of the deep rules that found the trouble. */
    private static Audit auditFor(Case what, Finding finding) {
        Audit all = audit(what);
        return all.isDeep(finding.rule()) ? all : all.quick();
    }

    private void noticed(String what) {
        interfaceThread.accept(() -> tell(new Message(what, true)));
    }

    /** What seeks causes tries some rigs at a time: its helpers give way as it does, which those of all others would not. */
    private static ExecutorService seekers() {
        int most = Math.min(2, Runtime.getRuntime().availableProcessors());
        return new ForkJoinPool(
                most,
                pool -> {
                    var thread = ForkJoinPool.defaultForkJoinWorkerThreadFactory.newThread(pool);
                    thread.setName("gullyrun-seeker");
                    thread.setDaemon(true);
                    thread.setPriority(Thread.MIN_PRIORITY);
                    return thread;
                },
                null,
                true);
    }

    private static ExecutorService worker(String name) {
        return Executors.newSingleThreadExecutor(task -> {
            Thread thread = new Thread(task, "gullyrun-" + name);
            thread.setDaemon(true);
            if (name.equals("mender")) {
                thread.setPriority(Thread.MIN_PRIORITY); // what takes long gives way to what is waited for
            }
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

    /** A person presses keys or buttons: what takes long waits meanwhile. */
    public void pressed() {
        lastPressed = System.nanoTime();
    }

    /** Whether a turn has been overtaken; waits first while a person presses something. */
    private boolean isOver(long turn, AtomicLong turns) {
        try {
            while (turn == turns.get() && System.nanoTime() - lastPressed < IDLE * 1_000_000L) {
                Thread.sleep(PAUSE);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return true;
        }
        return turn != turns.get();
    }

    // What a person wants: looking.

    /** Goes to a step. */
    public void go(Step step) {
        next(state.with(state.place().on(step)));
    }

    /** Chooses a scene by its place; -1 for all. */
    public void chooseScene(int scene) {
        if (scene >= -1 && scene < state.reading().scenes().size()) {
            next(state.showing(state.answer(), state.selection(), scene));
            mend();
        }
    }

    /** Selects. */
    public void select(Selection selection) {
        if (!selection.equals(state.selection())) {
            next(state.showing(state.answer(), selection, state.scene()));
            mend();
        }
    }

    /** Selects the next finding in the list, or the one before. */
    public void selectFinding(int by) {
        List<Finding> findings =
                state.step() == Step.FINDINGS ? state.listed() : state.reading().findings();
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
            next(state.with(state.place().lookingAt(Math.clamp(state.hop() + by, 0, last))));
        }
    }

    /** Looks at a certain rung, -1 for none. */
    public void lookAt(int hop) {
        next(state.with(state.place().lookingAt(hop)));
    }

    /** Turns the night sheet on or off, and sets the size of text. */
    public void look(boolean night, double textScale) {
        next(state.with(new Look(night, Math.clamp(textScale, 0.8, 1.5))));
    }

    /** Takes the message away. */
    public void dismiss() {
        next(state.with((Message) null));
    }

    /** Tells something. */
    public void tell(Message message) {
        next(state.with(message));
    }

    /** Shows another survey. */
    public void chooseSurvey(String id) {
        if (!id.equals(state.survey()) && state.what().survey(id).isPresent()) {
            read(state.with(state.what(), id, state.scene()));
        }
    }

    // What a person wants: changing.

    /** Makes changes to the rig shown, as one step that can be undone. Nothing happens where they do not fit. */
    public void change(List<? extends Change> changes) {
        if (changes.isEmpty()) {
            return;
        }
        Rig rig = state.surveyShown().rig();
        String first = said(rig, changes.getFirst());
        change(changes, changes.size() == 1 ? first : first + " (" + changes.size() + " changes)");
    }

    /** As {@link #change(List)}, with a name for the step. */
    public void change(List<? extends Change> changes, String name) {
        if (!changes.isEmpty()) {
            edit(new Edit.OfRig(state.survey(), List.copyOf(changes)), name);
        }
    }

    /** Changes the brief, as one step that can be undone. */
    public void brief(List<BriefChange> changes, String name) {
        if (!changes.isEmpty()) {
            edit(new Edit.OfBrief(changes), name);
        }
    }

    /** Makes an edit of the case, as one step that can be undone. Nothing happens where it does not fit. */
    public void edit(Edit edit, String name) {
        try {
            Case changed = edit.apply(state.what());
            safe.made(state.what(), edit, name);
            history.did(edit, name, state.survey());
            take(changed, state.survey());
        } catch (Edit.Misfit e) {
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
            again(entry, entry.edit().inverse(), "Undo: " + entry.name());
        }
    }

    /** Makes the change last taken back once more. */
    public void redo() {
        History.Entry entry = history.redo();
        if (entry != null) {
            again(entry, entry.edit(), entry.name());
        }
    }

    private void again(History.Entry entry, Edit edit, String name) {
        safe.made(state.what(), edit, name);
        take(edit.apply(state.what()), entry.survey());
    }

    private void take(Case changed, String survey) {
        String shown = changed.survey(survey).isPresent()
                ? survey
                : changed.surveys().getFirst().id();
        read(state.with(changed, shown, state.scene()).with(past()));
    }

    private Past past() {
        return new Past(history.isUnsaved(), history.undoName(), history.redoName());
    }

    // What a person wants: files.

    /**
     * Opens a case in place of this one, off the interface thread.
     *
     * @param then done once it is shown; not if the file cannot be read, which is told
     */
    public void open(Path file, Runnable then) {
        inTheFiler("open the case", () -> {
            try {
                Case what = CaseFiles.open(file);
                show(what, file, then);
            } catch (CaseProblem e) {
                String why = e.getMessage() + " The case that was open is still open.";
                interfaceThread.accept(() -> tell(new Message(why, true)));
            }
        });
    }

    /** Shows a case that is in no file yet in place of this one, at a step. */
    public void replace(Case what, Step step) {
        inTheFiler("show the case", () -> show(what, null, () -> go(step)));
    }

    /** Makes ready what is slow about opening a case, on the thread for files, and shows it on the interface thread. */
    private void show(Case what, @Nullable Path file, Runnable then) {
        First first = first(what);
        Safekeeping.Opening opening = safe.opening(file, null);
        interfaceThread.accept(() -> {
            begin(what, file, first, opening);
            then.run();
            tellOfUnknown();
            tellOf(opening.damaged());
        });
    }

    private void inTheFiler(String doing, Runnable work) {
        filer.execute(told(doing, work));
    }

    /** Says which fields of the case's file count for nothing: one that is misspelt would otherwise not be noticed. */
    public void tellOfUnknown() {
        String unknown = UnknownField.told(UnknownField.in(state.what()));
        if (!unknown.isEmpty()) {
            tell(new Message(unknown, false));
        }
    }

    private void begin(Case what, @Nullable Path file, First first, Safekeeping.Opening opening) {
        givenUp = false;
        newest.incrementAndGet();
        newestRemedies.incrementAndGet();
        history.clear();
        Runnable end = safe.take(opening);
        filer.execute(end);
        next(State.fresh(what, file, first.answer, opening.leftovers(), alerts(first), state.look()));
        lookDeeper();
    }

    /** Takes up what a window that ended without saving has left behind, as steps that can be undone. */
    public void takeUp(Leftover left) {
        Case base = left.base();
        inTheFiler("restore the changes", () -> {
            First first = first(base);
            Safekeeping.Opening opening = safe.opening(left.file(), left.stamp());
            interfaceThread.accept(() -> {
                begin(base, left.file(), first, opening);
                for (Leftover.Step step : left.steps()) {
                    edit(step.edit(), step.name());
                }
                if (!safe.lacksJournal()) {
                    safe.whenWritten(left::drop); // until then the old journal holds them
                }
                tell(new Message(restored(left), left.unreadable() > 0));
            });
        });
    }

    private static String restored(Leftover left) {
        int back = left.steps().size();
        String damaged = left.unreadable() == 0
                ? ""
                : " " + left.unreadable() + (left.unreadable() == 1 ? " change" : " changes")
                        + " could not be read; the journal is kept beside the case.";
        return back + (back == 1 ? " unsaved change is" : " unsaved changes are")
                + " back. Save to keep them in the file." + damaged;
    }

    /** Forgets what was left behind. */
    public void drop(Leftover left) {
        filer.execute(left::drop);
        next(state.with(List.<Leftover>of()));
    }

    /** Leaves what was left behind where it is; it is offered again at the next opening. */
    public void decideLater() {
        next(state.with(List.<Leftover>of()));
    }

    /**
     * Saves the case as it stands now, off the interface thread, and goes on with that file. What is changed meanwhile
     * counts as not saved.
     *
     * @param over whether to save even over what somebody else has written to the file since it was opened
     * @param then done once it is saved; not if it cannot be, which is told
     * @param changedMeanwhile done in place of saving where the file was changed by somebody else
     */
    public void save(Path file, boolean over, Runnable then, Runnable changedMeanwhile) {
        Case what = state.what();
        Object mark = history.mark();
        int made = safe.made();
        inTheFiler("save the case", () -> {
            try {
                if (!over && safe.isForeign(file)) {
                    interfaceThread.accept(changedMeanwhile);
                    return;
                }
                CaseFiles.Written written = CaseFiles.written(what, file);
                safe.writing(written.stamp()); // before it is seen in the file, or it would seem to be somebody else's
                CaseFiles.save(written, file);
                String stamp = written.stamp();
                Safekeeping.Opening elsewhere = safe.isAt(file) ? null : safe.opening(file, stamp);
                interfaceThread.accept(() -> {
                    history.saved(mark);
                    filer.execute(safe.saved(what, stamp, made, elsewhere));
                    next(state.in(file)
                            .with(past())
                            .with(state.alerts().journal(safe.lacksJournal()))
                            .with(new Message("Saved " + file.getFileName() + ".", false)));
                    then.run();
                });
            } catch (CaseProblem e) {
                interfaceThread.accept(() -> tell(new Message(String.valueOf(e.getMessage()), true)));
            }
        });
    }

    // Computing.

    /**
     * Goes to a state whose rig or brief is another, and reads it. What is read within a few milliseconds comes in one piece
     * with the change itself: one frame is painted then instead of two.
     */
    private void read(State changed) {
        long turn = newest.incrementAndGet();
        Rig rig = changed.surveyShown().rig();
        var brief = changed.what().brief();
        Audit audit = audit(changed.what());
        Reading before = changed.reading();
        CompletableFuture<@Nullable Answer> answer = CompletableFuture.supplyAsync(
                () -> turn == newest.get() ? Answer.of(audit.quick().read(rig, brief, before)) : null, reader);
        Answer soon = soon(answer);
        if (soon != null) {
            next(changed.showing(soon, changed.selection(), changed.scene()));
            mend();
            lookDeeper();
            return;
        }
        next(changed);
        answer.whenComplete((late, fault) -> {
            if (late == null && (fault == null || turn != newest.get() || reader.isShutdown())) {
                return; // overtaken
            }
            String failure = fault == null ? "" : reason("audit", fault);
            interfaceThread.accept(() -> {
                if (turn == newest.get()) {
                    if (late == null) {
                        next(state.with(state.alerts().failed(failure)));
                        return;
                    }
                    next(state.showing(late, state.selection(), state.scene()));
                    mend();
                    lookDeeper();
                }
            });
        });
    }

    private static @Nullable Answer soon(CompletableFuture<@Nullable Answer> answer) {
        try {
            return answer.get(SOON, TimeUnit.MILLISECONDS);
        } catch (TimeoutException | ExecutionException e) {
            return null;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return null;
        }
    }

    /** What takes longer, once the answer is on screen: the rules that try other rigs, then what stands behind it all. */
    private void lookDeeper() {
        lookDeeper(AFTER_THE_ANSWER * 3);
    }

    private void lookDeeper(int milliseconds) {
        if (seeker.isShutdown()) {
            return;
        }
        long turn = newest.get();
        Reading quick = state.reading();
        Audit audit = audit(state.what());
        Runnable look = () -> {
            if (isOver(turn, newest)) {
                return;
            }
            Reading whole = audit.read(quick.rig(), quick.brief(), quick);
            interfaceThread.accept(() -> {
                if (turn == newest.get()) {
                    boolean comes = state.selection() instanceof Selection.Trouble
                            && state.shown().finding() == null;
                    next(state.deepened(whole));
                    if (comes && state.shown().finding() != null) {
                        mend();
                    }
                }
            });
            seekCauses(audit.quick(), quick, turn);
        };
        CompletableFuture.delayedExecutor(milliseconds, TimeUnit.MILLISECONDS, seeker)
                .execute(told("look for root causes", look));
    }

    private void seekCauses(Audit audit, Reading reading, long turn) {
        Consumer<Causes.Found> tell = found -> interfaceThread.accept(() -> {
            // What was worked out before stays until all is worked out anew: groups do not come and go at every change.
            boolean first = !state.causes().ended() || found.ended();
            if (turn == newest.get() && first) {
                next(state.with(found));
            }
        });
        long until = System.nanoTime() + CAUSES_SECONDS * 1_000_000_000L;
        Causes.Found found =
                Causes.of(audit, reading, () -> isOver(turn, newest), () -> System.nanoTime() > until, tell);
        if (found.ended()) {
            tell.accept(found);
        }
    }

    /** Chooses which findings are listed. */
    public void filter(FindingFilter filter) {
        next(state.with(state.place().with(filter)));
    }

    /** Turns the map from levels to rates and back. */
    public void turnLens() {
        next(state.with(state.place().with(state.lens() == Lens.LEVELS ? Lens.RATES : Lens.LEVELS)));
    }

    /** Tries something that may happen, off the interface thread. */
    public void tryOut(WhatIf.Event event, Consumer<WhatIf.Outcome> then) {
        Audit audit = audit(state.what()).quick();
        ask(reading -> WhatIf.of(audit, reading, event), then);
    }

    /** Works something out of the reading as it stands, off the interface thread, and hands it over on it. */
    public <T> void ask(Function<Reading, T> question, Consumer<T> then) {
        Reading reading = state.reading();
        reader.execute(told("work that out", () -> {
            T answer = question.apply(reading);
            interfaceThread.accept(() -> then.accept(answer));
        }));
    }

    /** Lives with a finding, for a reason; an empty reason takes a waiver back. */
    public void waive(Finding finding, String reason) {
        Edit.About from = Edit.About.of(state.what());
        Terms terms = reason.isBlank()
                ? from.terms().without(finding.identity())
                : from.terms().with(state.reading().waiver(finding, reason.strip()));
        edit(
                new Edit.OfCase(from, from.with(terms)),
                (reason.isBlank() ? "no longer waive: " : "waive: ")
                        + finding.words().title());
    }

    private void mended(long turn, RemedyList known) {
        interfaceThread.accept(() -> {
            if (turn == newestRemedies.get()) {
                next(state.with(known));
            }
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
        Case what = state.what();
        Runnable work = () -> {
            if (turn != newestRemedies.get()) {
                return;
            }
            long[] told = {System.nanoTime()};
            long until = System.nanoTime() + FIXES_SECONDS * 1_000_000_000L;
            List<Remedy> remedies = new Remedies(auditFor(what, finding))
                    .find(reading, finding, () -> turn != newestRemedies.get() || System.nanoTime() > until, soFar -> {
                        if (System.nanoTime() - told[0] > STILL_TRYING * 1_000_000L) {
                            told[0] = System.nanoTime();
                            mended(turn, new RemedyList(finding.identity(), soFar, Causes.Progress.WORKING));
                        }
                    });
            mended(
                    turn,
                    new RemedyList(
                            finding.identity(),
                            remedies,
                            System.nanoTime() > until ? Causes.Progress.OUT_OF_TIME : Causes.Progress.DONE));
        };
        CompletableFuture.delayedExecutor(AFTER_THE_ANSWER, TimeUnit.MILLISECONDS, mender)
                .execute(told("try fixes", work));
    }

    /** What is unsaved is not wanted any more: closing forgets it. */
    public void giveUp() {
        givenUp = true;
    }

    /** From now on only the answer to a change is computed: no remedies, and nothing that takes longer. */
    public void onlyAnswer() {
        mender.shutdownNow();
        seeker.shutdownNow();
    }

    @Override
    public void close() {
        newest.incrementAndGet(); // what is still being tried stops at its next trial
        newestRemedies.incrementAndGet();
        reader.shutdownNow();
        mender.shutdownNow();
        seeker.shutdownNow();
        watchman.shutdownNow();
        filer.shutdown(); // what is being saved is saved to the end
        safe.close(history.isUnsaved() && !givenUp);
    }
}
