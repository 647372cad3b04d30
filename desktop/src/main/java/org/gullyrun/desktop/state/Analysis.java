package org.gullyrun.desktop.state;

import java.util.List;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.flow.graph.RigTooLarge;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.RepairCauses;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Everything that is computed away from the interface thread, and the threads that do it. The newest request wins: what
 * has been overtaken is dropped, and long work pauses while a person types or clicks. Failures are reported.
 *
 * <p>Methods belong on the interface thread, and results come back on it.
 */
final class Analysis implements AutoCloseable {
    /** Takes results, on the interface thread. */
    interface Results {
        /** The rig was read, later than at once. */
        void answered(Answer answer);

        /** The rig could not be read. */
        void failed(String why);

        /** The slow rules have been asked too. */
        void deepened(Reading whole, ViewModels models);

        /** Root causes, as far as found, without what is ruled out. */
        void found(RootCauses.Found causes);

        /** Fixes of the selected finding, as far as verified. */
        void found(FixList fixes);

        /** Something else went wrong. */
        void trouble(String message);
    }

    /**
     * What is computed of the first survey of a case; where that fails, of an empty rig.
     *
     * @param failure why it failed; empty if it didn't
     */
    record First(Answer answer, String failure) {}

    /** How long the interface thread waits for a reading, ms: less than half a frame. */
    private static final int SOON = 7;
    /** Fixes are shown as they are verified, at most once in this many ms. */
    private static final int STILL_TRYING = 300;

    private static final int PAUSE = 25;
    /** How long to look for root causes. An ordinary rig takes a second. */
    private static final int CAUSES_SECONDS = 60;
    /** How long to try fixes of one finding. */
    private static final int FIXES_SECONDS = 20;

    private final Consumer<Runnable> interfaceThread;
    private final Results results;
    private final Pace pace;
    private final ExecutorService reader = Workers.of("reader");
    private final ExecutorService fixer = Workers.of("fixer");
    /** For what views need worked out, maps above all. */
    private final ExecutorService drawer = Workers.of("drawer");
    /** Beside the fixer, so that fixes of the selection do not wait for root causes. */
    private final ExecutorService seeker = Workers.seekers();

    private final AtomicLong newest = new AtomicLong();
    private final AtomicLong newestFixes = new AtomicLong();
    /** Counts how often something else was ruled out. */
    private final AtomicLong newestTerms = new AtomicLong();

    private final SoughtCauses sought = new SoughtCauses();
    /** When a person last pressed something, in {@link System#nanoTime}. */
    private volatile long lastPressed;

    Analysis(Consumer<Runnable> interfaceThread, Results results, Pace pace) {
        this.interfaceThread = interfaceThread;
        this.results = results;
        this.pace = pace;
        this.lastPressed = System.nanoTime() - pace.idle() * 1_000_000L;
    }

    static Audit audit(Case what) {
        return RuleCatalogue.on(what.terms(), what.showHours());
    }

    private static Answer answer(Case what, Reading reading) {
        return Answer.of(reading, what.terms().complaint());
    }

    /** Reads the first survey of a case, here and now. */
    static First first(Case what) {
        Audit audit = audit(what).quick();
        try {
            return new First(answer(what, audit.read(what.surveys().getFirst().rig(), what.brief())), "");
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
            return new First(answer(what, audit.read(Rig.EMPTY, what.brief())), reason("audit", e));
        }
    }

    /** What went wrong, as a sentence. A fault of the program itself is also logged. */
    private static String reason(String doing, Throwable fault) {
        Throwable cause = fault instanceof CompletionException && fault.getCause() != null ? fault.getCause() : fault;
        if (cause instanceof RigTooLarge) {
            return String.valueOf(cause.getMessage());
        }
        FailureLog.write(doing + " failed", cause);
        return switch (cause) {
            case OutOfMemoryError e -> "There isn't enough memory for it.";
            case StackOverflowError e -> "Its parts are nested too deeply.";
            default -> "Something went wrong in Gullyrun (" + cause + ").";
        };
    }

    /** Wraps work for another thread so that a failure is reported instead of lost with the thread. */
    Runnable reporting(String doing, Runnable work) {
        return () -> {
            try {
                work.run();
            } catch (CancellationException e) {
                if (!seeker.isShutdown()) {
                    throw e; // else the window was closed meanwhile
                }
            } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
                String why = "Could not " + doing + ". " + reason(doing, e);
                interfaceThread.accept(() -> results.trouble(why));
            }
        };
    }

    /** A person presses keys or buttons: long work waits meanwhile. */
    void pressed() {
        lastPressed = System.nanoTime();
    }

    /** Drops all that is being computed of the case shown so far. */
    void forget() {
        newest.incrementAndGet();
        newestFixes.incrementAndGet();
    }

    /** Whether a turn has been overtaken; waits first while a person presses something. */
    private boolean isOver(long turn, AtomicLong turns) {
        try {
            while (turn == turns.get() && System.nanoTime() - lastPressed < pace.idle() * 1_000_000L) {
                Thread.sleep(PAUSE);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return true;
        }
        return turn != turns.get();
    }

    /**
     * Reads a rig. What is read within a few milliseconds is returned at once, so that one frame shows the change and its
     * answer; else null is returned and the answer comes later.
     *
     * @param shown what is on screen; from its reading is taken over what can't have changed
     */
    @Nullable
    Answer read(Case what, Rig rig, State shown) {
        long turn = newest.incrementAndGet();
        Audit audit = audit(what);
        CompletableFuture<@Nullable Answer> answer = CompletableFuture.supplyAsync(
                () -> turn == newest.get()
                        ? answer(what, audit.quick().read(rig, what.brief(), shown.reading()))
                                .prepared(shown)
                        : null,
                reader);
        Answer soon = soon(answer);
        if (soon != null) {
            return soon;
        }
        answer.whenComplete((late, fault) -> {
            if (late == null && (fault == null || turn != newest.get() || reader.isShutdown())) {
                return; // overtaken
            }
            String failure = fault == null ? "" : reason("audit", fault);
            interfaceThread.accept(() -> {
                if (turn != newest.get()) {
                    return;
                }
                if (late == null) {
                    results.failed(failure);
                } else {
                    results.answered(late);
                }
            });
        });
        return null;
    }

    /** An answer that is there within a moment, else null. */
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

    /**
     * Long work once the answer is on screen: first the slow rules, then root causes, which wait while a repair is worked
     * through: nobody sees those of the states in between.
     *
     * @param shown what is on screen
     * @param atStart whether the window is only just being shown
     */
    void lookDeeper(State shown, boolean atStart) {
        int wait = atStart ? pace.atStart() : pace.deeper();
        if (seeker.isShutdown() || wait == Pace.NEVER) {
            return;
        }
        long turn = newest.get();
        long terms = newestTerms.get();
        Reading quick = shown.reading();
        Audit audit = audit(shown.what());
        Runnable look = () -> {
            if (isOver(turn, newest)) {
                return;
            }
            Reading whole = audit.read(quick.rig(), quick.brief(), quick);
            ViewModels models = new ViewModels(whole);
            models.prepare(shown);
            interfaceThread.accept(() -> {
                if (turn == newest.get()) {
                    results.deepened(whole, models);
                }
            });
            if (shown.step() != Step.REPAIR && terms == newestTerms.get()) {
                seekCauses(audit.quick(), shown, turn, terms);
            }
        };
        CompletableFuture.delayedExecutor(wait, TimeUnit.MILLISECONDS, seeker)
                .execute(reporting("look for root causes", look));
    }

    /** Looks anew for fixes and root causes where something else is ruled out. */
    void proposeAnew(State before, State now) {
        if (!now.ruledOut().equals(before.ruledOut())) {
            newestTerms.incrementAndGet();
            seekFixes(now);
            lookForCauses(now);
        }
    }

    /** Looks for the root causes that waited while a repair was worked through. */
    void lookForCauses(State shown) {
        if (!sought.isOf(newest.get(), newestTerms.get()) && shown.step() != Step.REPAIR) {
            lookDeeper(shown, false);
        }
    }

    /**
     * The root causes of what was read last with just these settings ruled out, as far as they are worked out or being worked
     * out: not done if they aren't.
     */
    CompletableFuture<RootCauses.Found> causes(Set<Address> ruledOut) {
        return sought.of(newest.get(), ruledOut);
    }

    /** Looks for root causes in the background, until done, out of time, or overtaken by a change. */
    private void seekCauses(Audit audit, State shown, long turn, long terms) {
        Reading reading = shown.reading();
        Consumer<RootCauses.Found> show = found -> interfaceThread.accept(() -> {
            if (turn == newest.get() && terms == newestTerms.get()) {
                results.found(found);
            }
        });
        BooleanSupplier over = () -> isOver(turn, newest) || terms != newestTerms.get();
        long until = System.nanoTime() + CAUSES_SECONDS * 1_000_000_000L;
        RootCauses.Found found = sought.seek(
                turn,
                terms,
                shown.ruledOut(),
                () -> RootCauses.of(shown.fixes(audit), reading, over, () -> System.nanoTime() > until, show));
        RepairCauses repair = new RepairCauses(
                audit,
                shown.goodRig(),
                reading,
                Conditions.ruledOut(shown.ruledOut()),
                () -> over.getAsBoolean() || System.nanoTime() > until);
        if (found.done() && RepairCauses.mayDoBetter(found)) {
            show.accept(new RootCauses.Found(found.groups(), List.of(), RootCauses.Progress.WORKING));
            found = repair.better(found);
        }
        if (found.ended()) {
            show.accept(found);
        }
    }

    /** Tries fixes of the selected finding; those of the one before are stopped. */
    void seekFixes(State shown) {
        Reading reading = shown.reading();
        Finding finding = shown.shown().finding();
        long turn = newestFixes.incrementAndGet();
        if (finding == null || fixer.isShutdown() || pace.fixes() == Pace.NEVER) {
            return; // the last frame may still ask after the window was closed
        }
        Audit all = audit(shown.what());
        Fixes fixes = shown.fixes(all.isDeep(finding.rule()) ? all : all.quick());
        Runnable work = () -> {
            if (turn == newestFixes.get()) {
                seekFixes(fixes, reading, finding, turn);
            }
        };
        CompletableFuture.delayedExecutor(pace.fixes(), TimeUnit.MILLISECONDS, fixer)
                .execute(reporting("try fixes", work));
    }

    /** Looks for the fixes of one finding, likewise. */
    private void seekFixes(Fixes search, Reading reading, Finding finding, long turn) {
        long[] shown = {System.nanoTime()};
        long until = System.nanoTime() + FIXES_SECONDS * 1_000_000_000L;
        List<Fix> fixes =
                search.find(reading, finding, () -> turn != newestFixes.get() || System.nanoTime() > until, soFar -> {
                    if (System.nanoTime() - shown[0] > STILL_TRYING * 1_000_000L) {
                        shown[0] = System.nanoTime();
                        show(turn, new FixList(finding.identity(), soFar, RootCauses.Progress.WORKING));
                    }
                });
        RootCauses.Progress end =
                System.nanoTime() > until ? RootCauses.Progress.OUT_OF_TIME : RootCauses.Progress.DONE;
        show(turn, new FixList(finding.identity(), fixes, end));
    }

    /** Shows what was found so far, unless a change has come in between. */
    private void show(long turn, FixList fixes) {
        interfaceThread.accept(() -> {
            if (turn == newestFixes.get()) {
                results.found(fixes);
            }
        });
    }

    /** Does something for a view, and what that gives then on the interface thread. */
    void work(String doing, Supplier<Runnable> work) {
        if (!drawer.isShutdown()) { // the last frame may still ask after the window was closed
            drawer.execute(reporting(doing, () -> interfaceThread.accept(work.get())));
        }
    }

    /** Does long work beside others of its kind; it has to ask itself whether it has been overtaken. */
    void longWork(String doing, Runnable work) {
        if (!seeker.isShutdown()) {
            seeker.execute(reporting(doing, work));
        }
    }

    /** Does something on the interface thread. */
    void onScreen(Runnable what) {
        interfaceThread.accept(what);
    }

    /** Works something out of a reading and hands it over. */
    <T> void ask(Reading reading, Function<Reading, T> question, Consumer<T> then) {
        if (!reader.isShutdown()) { // the pointer may still move over a window that is being closed
            reader.execute(reporting("work that out", () -> {
                T answer = question.apply(reading);
                interfaceThread.accept(() -> then.accept(answer));
            }));
        }
    }

    @Override
    public void close() {
        forget(); // what is still being tried stops at its next trial
        reader.shutdownNow();
        drawer.shutdown();
        fixer.shutdownNow();
        seeker.shutdownNow();
    }
}
