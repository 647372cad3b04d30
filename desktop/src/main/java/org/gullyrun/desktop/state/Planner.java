package org.gullyrun.desktop.state;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WholeRepair;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Rig;

/**
 * Plans the repair while its step is shown, away from the interface thread, and does what is ticked off. The survey as found
 * stays as evidence: the first step that is done makes a copy of it, which is then repaired.
 */
public final class Planner {
    /** So many other fixes are offered in place of a step. */
    private static final int MOST_INSTEAD = 3;
    /** The name of the survey that is being repaired. */
    private static final String IN_REPAIR = "in repair";

    private final Store store;
    private final Analysis analysis;
    /** Counts what was asked for; what is overtaken stops at its next trial. */
    private final AtomicLong newest = new AtomicLong();

    private final AtomicLong newestInstead = new AtomicLong();
    /** What the case said isn't possible when the repair was planned last; only asked on the interface thread. */
    private Set<Address> ruledOut = Set.of();

    Planner(Store store, Analysis analysis) {
        this.store = store;
        this.analysis = analysis;
    }

    /** Plans anew where the rig that is shown is another or something else is ruled out, and draws the plan for another scene. */
    void follow(State now) {
        if (now.step() != Step.REPAIR || now.isAnswerOld() || now.alerts().isNotAudited()) {
            return;
        }
        Planning known = now.planning();
        Reading of = known.of();
        if (of == null
                || of.rig() != now.reading().rig()
                || of.brief() != now.reading().brief()) {
            boolean same = known.survey().equals(now.survey());
            KeptWork kept = KeptWork.of(now);
            WorkPlan plan = known.plan();
            Change done = known.done().isEmpty() ? null : known.done().getLast();
            if (same && plan != null && done != null && isDone(plan, done, now)) {
                goOn(now, plan, done);
                return;
            }
            plan(now, same ? known.conditions() : kept.conditions(), same ? known.onAir() : kept.onAir(), kept.done());
        } else if (!now.ruledOut().equals(ruledOut)) {
            Conditions conditions = known.conditions().ruledOut(ruledOut, now.ruledOut());
            plan(now, conditions, known.onAir(), known.done());
        } else if (known.plan() != null && known.scene() != now.scene() && !known.isWorking()) {
            redraw(now, known.plan());
        }
    }

    /** Whether a rig is as planned, with one of the steps done and nothing else. */
    private static boolean isDone(WorkPlan plan, Change done, State now) {
        Reading start = plan.states().getFirst();
        return start.brief() == now.reading().brief()
                && plan.steps().stream().anyMatch(s -> s.change().equals(done))
                && Changes.between(start.rig(), now.reading().rig()).equals(List.of(done));
    }

    /** Goes on with the other steps, in their order: a plan that holds isn't made anew. */
    private void goOn(State now, WorkPlan plan, Change done) {
        long turn = begun();
        Planning known = now.planning();
        store.show(known.begun(now.reading(), known.conditions(), known.onAir(), known.done(), now.survey()));
        Case what = now.what();
        int scene = now.scene();
        Supplier<Runnable> goOn = () -> {
            Audit audit = Analysis.audit(what).quick();
            Reading start = audit.read(now.reading().rig(), now.reading().brief(), now.reading());
            WorkPlan rest = plan.without(audit, start, done);
            return found(turn, List.of(rest.repair()), rest, scene, false);
        };
        // What is left after the first step is known, so it doesn't wait behind the long work of the plan before.
        if (plan.isFirst(done)) {
            analysis.work("go on with the repair", goOn);
        } else {
            analysis.longWork("go on with the repair", () -> analysis.onScreen(goOn.get()));
        }
    }

    /** Begins something new: what was asked for before it ends at its next trial, and what could be done instead of a step, too. */
    private long begun() {
        newestInstead.incrementAndGet();
        return newest.incrementAndGet();
    }

    /** Works the plan out under some conditions. */
    private void plan(State now, Conditions conditions, boolean onAir, List<Change> done) {
        long turn = begun();
        ruledOut = now.ruledOut();
        Repair near = now.planning().narrowed(now.reading(), conditions);
        store.show(now.planning().begun(now.reading(), conditions, onAir, done, now.survey()));
        Case what = now.what();
        Rig good = now.goodRig();
        int scene = now.scene();
        KeptWork kept = KeptWork.of(now);
        CompletableFuture<RootCauses.Found> causes = analysis.causes(now.ruledOut());
        BooleanSupplier over = () -> turn != newest.get();
        analysis.longWork("plan the repair", () -> {
            Audit audit = Analysis.audit(what).quick();
            Reading reading = audit.read(now.reading().rig(), now.reading().brief(), now.reading());
            WholeRepair whole = new WholeRepair(audit, good, reading, conditions, over);
            if (near != null) {
                whole = whole.goingOnFrom(near);
            } else if (conditions.equals(kept.conditions())) {
                whole = whole.knowing(causes.join());
            }
            WorkPlan[] plan = new WorkPlan[1];
            Consumer<List<Repair>> progress = soFar -> {
                if (plan[0] == null || plan[0].repair() != soFar.getFirst()) {
                    plan[0] = kept.ordered(audit, soFar.getFirst(), onAir);
                }
                show(turn, soFar, plan[0], scene, true);
            };
            // Half-way through, nobody turns to another way: none is sought.
            List<Repair> ways = done.isEmpty() ? whole.find(progress) : whole.find(progress, 0);
            if (!ways.isEmpty()) {
                show(turn, ways, plan[0], scene, false);
            } else {
                analysis.onScreen(() -> end(turn));
            }
        });
    }

    /** Shows what was found, unless something else was asked for meanwhile. */
    private void show(long turn, List<Repair> ways, WorkPlan plan, int scene, boolean more) {
        analysis.onScreen(found(turn, ways, plan, scene, more));
    }

    /** Draws what was found; to be shown on the interface thread. */
    private Runnable found(long turn, List<Repair> ways, WorkPlan plan, int scene, boolean more) {
        Planning.Drawn drawn = Planning.Drawn.of(plan, scene);
        return () -> {
            if (turn == newest.get()) {
                store.show(store.state().planning().found(ways, plan, drawn, more));
            }
        };
    }

    private void end(long turn) {
        if (turn == newest.get()) {
            store.show(store.state().planning().ended());
        }
    }

    /** Draws the plan for another scene. */
    private void redraw(State now, WorkPlan plan) {
        long turn = begun();
        List<Repair> ways = now.planning().ways();
        int scene = now.scene();
        analysis.longWork("draw the repair", () -> show(turn, ways, plan, scene, false));
    }

    /** Looks at the step so many further. */
    public void walk(int by) {
        look(store.state().planning().step() + by);
    }

    /** Looks at a step, counted from 0. */
    public void look(int step) {
        store.show(store.state().planning().at(step));
    }

    /** Orders the steps for a show that is on air, or isn't. */
    public void onAir(boolean is) {
        Planning now = store.state().planning();
        if (is != now.onAir()) {
            plan(store.state(), now.conditions(), is, now.done());
        }
    }

    /**
     * Plans the rest anew without the step looked at, which isn't possible here. It is kept in the case with the reason, as one
     * step that can be undone.
     */
    public void ruleOut(String reason) {
        State now = store.state();
        WorkPlan plan = now.planning().plan();
        WorkPlan.Step step = now.planning().current();
        if (plan != null && step != null) {
            store.edit(KeptWork.of(now).ruledOut(plan, step, reason), "rule out: " + step.sentence());
            store.tell(new Message("Planning anew without: " + step.sentence() + ".", false));
        }
    }

    /** Moves the step looked at so many places further, and shows at once what that does to the states in between. */
    public void move(int by) {
        State now = store.state();
        WorkPlan plan = now.planning().plan();
        int from = now.planning().step();
        if (plan == null || !now.planning().isOf(now.reading())) {
            return;
        }
        int to = Math.clamp(from + by, 0, Math.max(0, plan.steps().size() - 1));
        if (to == from || from >= plan.steps().size()) {
            return;
        }
        List<Change> order =
                new ArrayList<>(plan.steps().stream().map(WorkPlan.Step::change).toList());
        order.add(to, order.remove(from));
        long turn = begun();
        List<Repair> ways = now.planning().ways();
        int scene = now.scene();
        Audit audit = Analysis.audit(now.what()).quick();
        analysis.longWork("order the steps", () -> {
            try {
                WorkPlan moved = WorkPlan.of(audit, plan.repair(), order, plan.onAir(), false);
                Planning.Drawn drawn = Planning.Drawn.of(moved, scene);
                analysis.onScreen(() -> {
                    if (turn == newest.get()) {
                        store.show(store.state()
                                .planning()
                                .found(ways, moved, drawn, false)
                                .at(to));
                    }
                });
            } catch (Changes.Conflict e) {
                analysis.onScreen(() -> store.tell(new Message(
                        "That step can't be made earlier: it needs another one first. Nothing was moved.", true)));
            }
        });
    }

    /** Puts the steps into the safest order again. */
    public void orderAnew() {
        State now = store.state();
        plan(
                now,
                now.planning().conditions(),
                now.planning().onAir(),
                now.planning().done());
    }

    /**
     * Looks for what could be done instead of the step looked at, away from the interface thread.
     *
     * @param then told of other fixes of the worst that the step fixes, the best first, unless another step is looked at by then
     */
    public void instead(Consumer<List<Fix>> then) {
        State now = store.state();
        WorkPlan plan = now.planning().plan();
        WorkPlan.Step step = now.planning().current();
        if (plan == null || step == null || step.fixes().isEmpty()) {
            return;
        }
        long turn = newestInstead.incrementAndGet();
        String worst = step.fixes().getFirst().identity();
        Case what = now.what();
        Rig good = now.goodRig();
        Conditions conditions = now.planning().conditions();
        analysis.longWork("look for other fixes", () -> {
            Reading start = plan.states().getFirst();
            List<Fix> others = start.findings().stream()
                    .filter(f -> f.identity().equals(worst))
                    .findFirst()
                    .map(f -> new Fixes(Analysis.audit(what).quick(), good, conditions::allows)
                            .find(start, f, () -> turn != newestInstead.get()))
                    .orElse(List.of())
                    .stream()
                    .filter(fix -> fix.changes().stream()
                            .noneMatch(c -> Conditions.about(c).equals(Conditions.about(step.change()))))
                    .limit(MOST_INSTEAD)
                    .toList();
            analysis.onScreen(() -> {
                if (turn == newestInstead.get() && store.state().planning().current() == step) {
                    then.accept(others);
                }
            });
        });
    }

    /** Plans anew with a fix in place of the step looked at. */
    public void swap(Fix fix) {
        Planning now = store.state().planning();
        WorkPlan.Step step = now.current();
        if (step != null) {
            Conditions conditions = now.conditions().without(Conditions.about(step.change()));
            for (Change change : fix.changes()) {
                conditions = conditions.requiring(change);
            }
            plan(store.state(), conditions, now.onAir(), now.done());
            store.tell(new Message("Planning anew with: " + fix.sentence() + ".", false));
        }
    }

    /** Plans anew with all that another way does otherwise. */
    public void take(Repair way) {
        WorkPlan plan = store.state().planning().plan();
        if (plan != null) {
            require(way.beyond(plan.repair()));
            store.tell(new Message("Planning the other way. Shift X allows everything again.", false));
        }
    }

    /** Plans anew with changes that a person wants to be part of it. */
    public void require(List<Change> changes) {
        Planning now = store.state().planning();
        Conditions conditions = now.conditions();
        for (Change change : changes) {
            conditions = conditions.requiring(change);
        }
        plan(store.state(), conditions, now.onAir(), now.done());
    }

    /** Allows everything again that was ruled out. */
    public void allowAll() {
        Planning now = store.state().planning();
        Edit allowed = KeptWork.of(store.state()).allowed();
        if (allowed != null) {
            store.edit(allowed, "allow everything again");
        }
        plan(store.state(), Conditions.NONE, now.onAir(), now.done());
    }

    /** Ticks the step looked at off: it is made in the survey that is being repaired, as one step that can be undone. */
    public void done() {
        State now = store.state();
        WorkPlan.Step step = now.planning().current();
        if (step == null || !now.planning().isOf(now.reading())) {
            return; // the plan shown is out of date
        }
        List<Change> done = new ArrayList<>(now.planning().done());
        done.add(step.change());
        Survey shown = now.surveyShown();
        WorkPlan plan = Objects.requireNonNull(now.planning().plan());
        KeptWork kept = KeptWork.of(now);
        String id = shown.id();
        List<Edit> made = new ArrayList<>();
        if (!shown.name().equals(IN_REPAIR)) {
            id = Ids.from(IN_REPAIR, x -> now.what().survey(x).isPresent());
            Survey copy = new Survey(id, IN_REPAIR, shown.date(), "", shown.rig(), Map.of());
            made.add(new Edit.OfSurvey(now.what().surveys().size(), null, copy));
        }
        made.add(new Edit.OfRig(id, List.of(step.change())));
        made.addAll(kept.done(id, now.what().workOrder(id), plan, step));
        store.show(now.planning().did(done, id));
        store.edit(new Edit.Several(made), "done: " + step.sentence());
        store.chooseSurvey(id);
    }
}
