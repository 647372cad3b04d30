package org.gullyrun.desktop.state;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import org.gullyrun.core.audit.FindingFilter;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.UnsavedChanges;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * Holds the one state and makes the next one. Views watch it and send it what a person wants.
 *
 * <p>All methods belong on the interface thread. Readings and fixes are computed on threads of their own; the newest
 * wins, and what has been overtaken is dropped.
 */
public final class Store implements AutoCloseable {
    private final List<BiConsumer<State, State>> watchers = new ArrayList<>();
    private final Analysis analysis;
    private final Planner planner;
    private final Tryout tryout;
    private final CaseSession session;
    private State state;

    /** A store on a case that keeps no journal; it is audited once, here and now, so that there is something to show. */
    public Store(Case what, @Nullable Path file, Consumer<Runnable> interfaceThread) {
        this(what, file, interfaceThread, null, Pace.OF_A_PERSON);
    }

    /**
     * A store on a case.
     *
     * @param journals the folder for journals that cannot be beside their case; null for no journals at all
     * @param pace when long work begins
     */
    public Store(
            Case what, @Nullable Path file, Consumer<Runnable> interfaceThread, @Nullable Path journals, Pace pace) {
        this.analysis = new Analysis(interfaceThread, new Results(), pace);
        this.planner = new Planner(this, analysis);
        this.tryout = new Tryout(this, analysis);
        this.session = new CaseSession(interfaceThread, analysis, journals, new Files());
        Safekeeping.Opening opening = session.begin(what, file);
        Analysis.First first = Analysis.first(what);
        this.state =
                State.fresh(what, file, first.answer(), opening.leftovers(), Alerts.of(first, session), Look.USUAL);
        session.tellOf(opening.damaged());
        analysis.lookDeeper(state, true);
    }

    /** The state now. */
    public State state() {
        return state;
    }

    /**
     * Tells a view of every new state: the one before and the one now. Called once at once with the same twice. The
     * subscription ends it; parts of the window that last as long as it does need not.
     */
    public Subscription watch(BiConsumer<State, State> watcher) {
        watchers.add(watcher);
        watcher.accept(state, state);
        return () -> watchers.remove(watcher);
    }

    /** Takes the next state and tells everybody who watches. */
    private void next(State to) {
        State before = state;
        state = to;
        if (to != before) {
            List.copyOf(watchers).forEach(w -> w.accept(before, to));
            planner.follow(state);
        }
    }

    /** Plans the repair, and does what is ticked off. */
    public Planner planner() {
        return planner;
    }

    /** Tries changes without making them, and shows differences. */
    public Tryout tryout() {
        return tryout;
    }

    void show(Planning planning) {
        next(state.with(planning));
    }

    /** Shows a difference, or none; on the map if it was asked for. */
    void show(@Nullable Against against, boolean onMap) {
        State shown = state.with(against);
        next(onMap ? shown.with(shown.place().on(Step.TRACE)) : shown);
    }

    /** A person presses keys or buttons: long work waits meanwhile. */
    public void pressed() {
        analysis.pressed();
    }

    /** What the analysis brings goes into the next state. */
    private final class Results implements Analysis.Results {
        @Override
        public void answered(Answer answer) {
            next(state.showing(answer, state.selection(), state.scene()));
            analysis.seekFixes(state);
            analysis.lookDeeper(state, false);
        }

        @Override
        public void failed(String why) {
            next(state.with(state.alerts().failed(why)));
        }

        @Override
        public void deepened(Reading whole, ViewModels models) {
            boolean comes = state.selection() instanceof Selection.Trouble
                    && state.shown().finding() == null;
            next(state.deepened(whole, models));
            if (comes && state.shown().finding() != null) {
                analysis.seekFixes(state);
            }
        }

        @Override
        public void found(RootCauses.Found causes) {
            // Those of before stay until the new ones are complete: groups do not come and go at every change.
            if (!state.causes().ended() || causes.ended()) {
                next(state.with(causes));
            }
        }

        @Override
        public void found(FixList fixes) {
            next(state.with(fixes));
        }

        @Override
        public void trouble(String message) {
            tell(new Message(message, true));
        }
    }

    /** Goes to a step. */
    public void go(Step step) {
        next(state.with(state.place().on(step)));
        analysis.lookForCauses(state);
    }

    /** Chooses a scene by its place; -1 for all. */
    public void chooseScene(int scene) {
        if (scene >= -1 && scene < state.reading().scenes().size()) {
            next(state.showing(state.answer(), state.selection(), scene));
            tryout.asShown();
            analysis.seekFixes(state);
        }
    }

    /** Selects. */
    public void select(Selection selection) {
        if (!selection.equals(state.selection())) {
            next(state.showing(state.answer(), selection, state.scene()));
            analysis.seekFixes(state);
        }
    }

    /** Selects the next finding in the list, or the one before. */
    public void selectFinding(int by) {
        select(state.findingBeside(by));
    }

    /** Looks at another rung of the route shown, so many further. */
    public void followRoute(int by) {
        next(state.with(state.place().lookingAt(state.hopBeside(by))));
    }

    /** Looks at a certain rung, -1 for none. */
    public void lookAt(int hop) {
        next(state.with(state.place().lookingAt(hop)));
    }

    /** Turns the night sheet on or off, and sets the size of text. */
    public void look(boolean night, double textScale) {
        next(state.with(new Look(night, Math.clamp(textScale, 0.8, 1.5))));
    }

    /** Removes the message. */
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

    /** Makes changes to the rig shown, as one step that can be undone. Nothing happens where they do not fit. */
    public void change(List<? extends Change> changes) {
        if (!changes.isEmpty()) {
            change(changes, StepNames.of(state.surveyShown().rig(), changes));
        }
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
            session.did(state.what(), edit, name, state.survey());
            take(changed, state.survey());
        } catch (Edit.Misfit e) {
            tell(new Message("That change isn't possible: " + e.getMessage() + ". Nothing has changed.", true));
        }
    }

    /** Takes the last change back. */
    public void undo() {
        History.Entry entry = session.undo();
        if (entry != null) {
            again(entry, entry.edit().inverse(), "Undo: " + entry.name());
            tell(new Message("Undone: " + entry.name() + ".", false));
        }
    }

    /** Makes the change last taken back once more. */
    public void redo() {
        History.Entry entry = session.redo();
        if (entry != null) {
            again(entry, entry.edit(), entry.name());
            tell(new Message("Done again: " + entry.name() + ".", false));
        }
    }

    private void again(History.Entry entry, Edit edit, String name) {
        session.again(state.what(), edit, name);
        take(edit.apply(state.what()), entry.survey());
    }

    /** Takes a changed case and has it read. */
    private void take(Case changed, String survey) {
        String shown = changed.survey(survey).isPresent()
                ? survey
                : changed.surveys().getFirst().id();
        if (state.isHeardAlike(changed, shown)) {
            State before = state;
            next(state.noting(changed).with(session.past()));
            analysis.proposeAnew(before, state);
        } else {
            read(state.with(changed, shown, state.scene()).with(session.past()));
        }
    }

    /**
     * Opens a case in place of this one, off the interface thread.
     *
     * @param then done once it is shown; not if the file can't be read, which is reported
     */
    public void open(Path file, Runnable then) {
        session.open(file, () -> {
            then.run();
            tellOfUnknown();
        });
    }

    /** Shows a case that is in no file yet in place of this one, at a step. */
    public void replace(Case what, Step step) {
        session.replace(what, () -> {
            go(step);
            tellOfUnknown();
        });
    }

    /** Names fields of the case's file that have no effect: a misspelt one would otherwise go unnoticed. */
    public void tellOfUnknown() {
        session.tellOfUnknown(state.what());
    }

    /** Restores what a window that ended without saving has left behind, as steps that can be undone. */
    public void restore(UnsavedChanges left) {
        session.restore(left, step -> edit(step.edit(), step.name()));
    }

    /** Forgets what was left behind. */
    public void drop(UnsavedChanges left) {
        session.drop(left);
        decideLater();
    }

    /** Leaves what was left behind where it is; it is offered again at the next opening. */
    public void decideLater() {
        next(state.with(List.<UnsavedChanges>of()));
    }

    /**
     * Saves the case as it is now, off the interface thread, and goes on with that file. Later changes count as unsaved.
     *
     * @param over whether to save even over what another program has written to the file since it was opened
     * @param then done once it is saved; not if it can't be, which is reported
     * @param changedMeanwhile done instead of saving where another program has changed the file
     */
    public void save(Path file, boolean over, Runnable then, Runnable changedMeanwhile) {
        session.save(state.what(), file, over, then, changedMeanwhile);
    }

    /** What comes of files goes into the next state. */
    private final class Files implements CaseSession.Listener {
        @Override
        public void begun(Case what, @Nullable Path file, Analysis.First first, List<UnsavedChanges> leftovers) {
            next(State.fresh(what, file, first.answer(), leftovers, Alerts.of(first, session), state.look()));
            analysis.lookDeeper(state, false);
        }

        @Override
        public void saved(Path file) {
            next(state.in(file)
                    .with(session.past())
                    .with(state.alerts().journal(session.lacksJournal()))
                    .with(new Message("Saved " + file.getFileName() + ".", false)));
        }

        @Override
        public void tell(Message message) {
            Store.this.tell(message);
        }
    }

    /** Goes to a state with another rig or brief, and reads it; in one frame with the change where that takes a moment. */
    private void read(State changed) {
        Answer soon = analysis.read(changed.what(), changed.surveyShown().rig(), changed);
        if (soon == null) {
            next(changed);
            return;
        }
        next(changed.showing(soon, changed.selection(), changed.scene()));
        analysis.seekFixes(state);
        analysis.lookDeeper(state, false);
    }

    /** Chooses which findings are listed. */
    public void filter(FindingFilter filter) {
        next(state.with(state.place().with(filter)));
    }

    /** Turns the map from levels to rates and back. */
    public void turnLens() {
        next(state.with(state.place().with(state.lens() == Lens.LEVELS ? Lens.RATES : Lens.LEVELS)));
        tryout.asShown();
    }

    /** Works something out of the reading as it stands, off the interface thread, and hands it over on it. */
    public <T> void ask(Function<Reading, T> question, Consumer<T> then) {
        analysis.ask(state.reading(), question, then);
    }

    /** Does something for a view off the interface thread, and what that gives then on it. A failure is reported. */
    public void work(String doing, Supplier<Runnable> work) {
        analysis.work(doing, work);
    }

    /** What is unsaved is not wanted any more: closing forgets it. */
    public void giveUp() {
        session.giveUp();
    }

    @Override
    public void close() {
        analysis.close();
        session.close();
    }
}
