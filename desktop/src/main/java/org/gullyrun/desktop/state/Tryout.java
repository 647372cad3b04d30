package org.gullyrun.desktop.state;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.compare.Comparison;
import org.gullyrun.core.compare.Difference;
import org.gullyrun.core.compare.HeardDifference;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.runmap.MapDifference;
import org.jspecify.annotations.Nullable;

/**
 * Tries changes on a copy, or takes another survey, and has the difference shown. It is worked out away from the interface
 * thread; the newest request wins. Methods belong on the interface thread.
 */
public final class Tryout {
    private final Store store;
    private final Analysis analysis;
    private final AtomicLong newest = new AtomicLong();
    /** The request that a person is waiting for; what the pointer happens to rest on doesn't overtake it. */
    private long awaited = -1;

    private Runnable more = () -> {};
    private BiConsumer<State, Against> preparation = (state, against) -> {};

    Tryout(Store store, Analysis analysis) {
        this.store = store;
        this.analysis = analysis;
    }

    /** Tries one more change, together with those that are being tried. */
    public void add(Change change, String sentence) {
        Against now = store.state().against();
        List<Change> changes = new ArrayList<>();
        List<String> sentences = new ArrayList<>();
        if (now != null && now.kind() == Against.Kind.WHAT_IF) {
            for (int i = 0; i < now.asked().changes().size(); i++) {
                if (!about(now.asked().changes().get(i)).equals(about(change))) {
                    changes.add(now.asked().changes().get(i));
                    sentences.add(now.asked().sentences().get(i));
                }
            }
        }
        changes.add(change);
        sentences.add(sentence);
        whatIf(changes, sentences);
    }

    /** Sets what asks a person for one more change to try. */
    public void whenAskedForMore(Runnable ask) {
        more = ask;
    }

    /** Sets what has to be ready before a difference is shown; it is called away from the interface thread. */
    public void beforeShown(BiConsumer<State, Against> prepare) {
        preparation = prepare;
    }

    /** Asks for one more change to try. */
    public void askMore() {
        more.run();
    }

    /** No longer tries one of the changes; without the last of them nothing is tried. */
    public void drop(int place) {
        Against now = store.state().against();
        if (now == null || now.asked().changes().size() < 2) {
            end();
            return;
        }
        List<Change> changes = new ArrayList<>(now.asked().changes());
        List<String> sentences = new ArrayList<>(now.asked().sentences());
        changes.remove(place);
        sentences.remove(place);
        whatIf(changes, sentences);
    }

    /** What a change is about: two changes of the same setting can't be tried together. */
    private static Object about(Change change) {
        return change instanceof Change.Set set ? set.address() : change.element();
    }

    /** "What if you stop Brookdesk?"; what names a place first stays as it is. */
    private static String title(List<String> sentences) {
        boolean plain = sentences.stream().noneMatch(s -> s.startsWith("In "));
        return plain
                ? "What if you "
                        + sentences.stream()
                                .map(s -> s.substring(0, 1).toLowerCase(Locale.ROOT) + s.substring(1))
                                .collect(Collectors.joining(", and "))
                        + "?"
                : "What if: " + String.join("; ", sentences);
    }

    private void whatIf(List<Change> changes, List<String> sentences) {
        State now = store.state();
        Against known = now.against();
        Step from = known == null || known.kind() == Against.Kind.FIX
                ? now.step()
                : known.asked().from();
        String title = title(sentences);
        show(
                now,
                true,
                audit -> new Against.Asked(
                        Against.Kind.WHAT_IF,
                        title,
                        now.surveyShown().name(),
                        sentences,
                        changes,
                        now.reading(),
                        audit.read(
                                Changes.apply(now.reading().rig(), changes),
                                now.reading().brief(),
                                now.reading()),
                        from));
    }

    /** Shows what a fix would change, for as long as the pointer rests on it. */
    public void preview(Fix fix) {
        State now = store.state();
        Against known = now.against();
        if (now.isAnswerOld() || awaited == newest.get() || known != null && known.kind() != Against.Kind.FIX) {
            return;
        }
        show(
                now,
                false,
                audit -> new Against.Asked(
                        Against.Kind.FIX,
                        fix.sentence(),
                        now.surveyShown().name(),
                        List.of(fix.sentence()),
                        fix.changes(),
                        now.reading(),
                        audit.read(
                                Changes.apply(now.reading().rig(), fix.changes()),
                                now.reading().brief(),
                                now.reading()),
                        now.step()));
    }

    /** The pointer has left the fix. */
    public void endPreview() {
        Against known = store.state().against();
        if (awaited != newest.get() && (known == null || known.kind() == Against.Kind.FIX)) {
            end();
        }
    }

    /** Shows the later of two surveys against the earlier. */
    public void compare(Comparison comparison, String earlier) {
        State now = store.state();
        show(
                now,
                true,
                audit -> new Against.Asked(
                        Against.Kind.COMPARE,
                        now.surveyShown().name(),
                        earlier,
                        comparison.changes().stream().map(comparison::said).toList(),
                        comparison.changes(),
                        comparison.from(),
                        comparison.to(),
                        now.step()));
    }

    /**
     * Shows on the map what the step of the repair that is looked at does to the state that the steps before it have left;
     * false if none is.
     */
    public boolean step() {
        State now = store.state();
        WorkPlan plan = now.planning().plan();
        WorkPlan.Step step = now.planning().current();
        if (now.step() != Step.REPAIR
                || plan == null
                || step == null
                || !now.planning().isOf(now.reading())) {
            return false;
        }
        int at = now.planning().step();
        show(
                now,
                true,
                audit -> new Against.Asked(
                        Against.Kind.STEP,
                        "Step " + (at + 1) + ": " + step.sentence(),
                        at == 0 ? now.surveyShown().name() : "the rig after step " + at,
                        List.of(step.sentence()),
                        List.of(step.change()),
                        plan.states().get(at),
                        plan.states().get(at + 1),
                        Step.REPAIR));
        return true;
    }

    /** What is asked for, once it has been read. */
    private interface Question {
        Against.Asked read(Audit audit);
    }

    /** Works a difference out, unless something else is asked for or changed meanwhile. */
    private void show(State now, boolean asked, Question question) {
        long turn = newest.incrementAndGet();
        awaited = asked ? turn : -1;
        Audit audit = Analysis.audit(now.what()).quick();
        int scene = now.scene();
        boolean rates = now.lens() == Lens.RATES;
        analysis.work("try that", () -> {
            if (turn != newest.get()) {
                return () -> {};
            }
            Against against = of(audit, question.read(audit), scene, rates);
            preparation.accept(now, against);
            return () -> {
                awaited = turn == awaited ? -1 : awaited;
                if (turn == newest.get() && isOfSameRig(store.state(), now)) {
                    store.show(against, against.kind() != Against.Kind.FIX);
                    if (store.state().scene() != scene || (store.state().lens() == Lens.RATES) != rates) {
                        asShown();
                    }
                }
            };
        });
    }

    /** Whether nothing was changed meanwhile; findings of the slow rules may have come. */
    private static boolean isOfSameRig(State now, State before) {
        return now.surveyShown().rig() == before.surveyShown().rig()
                && now.what().brief() == before.what().brief();
    }

    private static Against of(Audit audit, Against.Asked asked, int chosen, boolean rates) {
        Reading before = asked.before();
        Reading after = asked.after();
        int scene = chosen < after.scenes().size() ? chosen : -1;
        List<Hearing> was = Hearing.all(before, Against.sceneBefore(asked, scene));
        List<HeardDifference> heard = HeardDifference.all(was, Hearing.all(after, scene));
        return new Against(
                asked,
                Difference.of(audit, before, after, scene),
                scene,
                MapDifference.of(before, after, scene, asked.changes(), rates),
                heard,
                was,
                false);
    }

    /** Works the difference out for the scene that is now shown, in levels or rates. */
    void asShown() {
        State now = store.state();
        Against known = now.against();
        if (known != null) {
            show(now, known.kind() != Against.Kind.FIX, audit -> known.asked());
        }
    }

    /** Shows the state before for as long as a key is held. */
    public void hold(boolean held) {
        Against known = store.state().against();
        if (known != null && known.held() != held) {
            store.show(known.holding(held), false);
        }
    }

    /** Makes the changes that are tried, as one step that can be undone. */
    public void keep() {
        Against known = store.state().against();
        if (known != null && known.kind() == Against.Kind.WHAT_IF) {
            end();
            store.change(known.asked().changes());
        }
    }

    /** Has the repair planned with what is tried, or goes back to the step that is looked at; false if neither is. */
    public boolean plan() {
        Against known = store.state().against();
        if (known != null && known.kind() == Against.Kind.STEP) {
            end();
            return true;
        }
        if (known == null || known.kind() != Against.Kind.WHAT_IF) {
            return false;
        }
        end();
        store.planner().require(known.asked().changes());
        store.go(Step.REPAIR);
        return true;
    }

    /** Shows no difference any more, and the step from which it was asked for. */
    public void end() {
        newest.incrementAndGet();
        Against known = store.state().against();
        if (known != null) {
            store.show((@Nullable Against) null, false);
            if (known.kind() != Against.Kind.FIX && store.state().step() == Step.TRACE) {
                store.go(known.asked().from());
            }
        }
    }
}
