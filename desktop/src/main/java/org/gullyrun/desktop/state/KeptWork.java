package org.gullyrun.desktop.state;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.casefile.WorkRecord;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.jspecify.annotations.Nullable;

/**
 * What the case keeps of the repair of the survey shown: read when a repair goes on, and written with every step.
 *
 * @param survey the id of the survey shown
 * @param record what is kept of it; null if nothing is
 * @param done the changes that were ticked off and still stand
 * @param conditions what is ruled out
 */
record KeptWork(String survey, @Nullable WorkRecord record, List<Change> done, Conditions conditions) {
    static KeptWork of(State state) {
        WorkRecord record = state.what().workOrder(state.survey());
        return new KeptWork(
                state.survey(),
                record,
                record == null ? List.of() : done(state, record),
                Conditions.ruledOut(state.ruledOut()));
    }

    /** What was done and still stands, in the order in which it was, by what differs from the survey as found. */
    private static List<Change> done(State state, WorkRecord record) {
        Survey found = state.what().survey(record.found()).orElse(null);
        if (found == null) {
            return List.of();
        }
        try {
            List<Change> made = Changes.between(found.rig(), state.surveyShown().rig());
            return record.done().stream()
                    .flatMap(step ->
                            made.stream().filter(c -> Conditions.about(c).equals(step.at())))
                    .distinct()
                    .toList();
        } catch (IllegalArgumentException e) {
            return List.of(); // the surveys are of different rigs by now
        }
    }

    /** Whether the order is meant for a show on air; it is until somebody says otherwise. */
    boolean onAir() {
        return record == null || record.onAir();
    }

    /** The plan of a repair: in the order that is kept, if it is of these very steps, else in the safest. */
    WorkPlan ordered(Audit audit, Repair repair, boolean live) {
        Map<Address, Change> changes = new HashMap<>();
        repair.changes().forEach(c -> changes.put(Conditions.about(c), c));
        List<Address> planned = record == null
                ? List.of()
                : record.planned().stream().map(WorkRecord.Step::at).toList();
        if (live == onAir() && !planned.isEmpty() && changes.keySet().equals(new HashSet<>(planned))) {
            WorkPlan safest = WorkPlan.of(audit, repair, live);
            List<Change> order = planned.stream().map(changes::get).toList();
            boolean same =
                    safest.steps().stream().map(WorkPlan.Step::change).toList().equals(order);
            try {
                return same ? safest : WorkPlan.of(audit, repair, order, live, false);
            } catch (Changes.Conflict e) {
                return safest;
            }
        }
        return WorkPlan.of(audit, repair, live);
    }

    /**
     * The edits that keep a step as done in a survey, which may be a copy of the one shown.
     *
     * @param there what is kept of that survey already; null if nothing is
     */
    List<Edit> done(String in, @Nullable WorkRecord there, WorkPlan plan, WorkPlan.Step step) {
        List<WorkRecord.Step> steps = new ArrayList<>(record == null ? List.of() : record.done());
        steps.add(kept(step));
        WorkRecord next = new WorkRecord(
                in,
                record == null ? survey : record.found(),
                plan.onAir(),
                steps,
                record == null ? List.of() : record.ruledOut(),
                left(plan, step));
        if (in.equals(survey)) {
            return List.of(new Edit.OfWork(in, record, next));
        }
        List<Edit> edits = new ArrayList<>();
        if (record != null) {
            edits.add(new Edit.OfWork(survey, record, null));
        }
        edits.add(new Edit.OfWork(in, there, next));
        return edits;
    }

    /** The edit that keeps a step as not possible, with the reason. */
    Edit ruledOut(WorkPlan plan, WorkPlan.Step step, String reason) {
        List<WorkRecord.RuledOut> out = new ArrayList<>(record == null ? List.of() : record.ruledOut());
        out.add(new WorkRecord.RuledOut(Conditions.about(step.change()), reason));
        return new Edit.OfWork(
                survey,
                record,
                new WorkRecord(
                        survey,
                        record == null ? survey : record.found(),
                        plan.onAir(),
                        record == null ? List.of() : record.done(),
                        out,
                        left(plan, step)));
    }

    /** The edit after which everything is allowed again; null if it is already. */
    @Nullable
    Edit allowed() {
        return record == null || record.ruledOut().isEmpty()
                ? null
                : new Edit.OfWork(
                        survey,
                        record,
                        new WorkRecord(
                                survey, record.found(), record.onAir(), record.done(), List.of(), record.planned()));
    }

    private static List<WorkRecord.Step> left(WorkPlan plan, WorkPlan.Step without) {
        return plan.steps().stream()
                .filter(s -> s != without)
                .map(KeptWork::kept)
                .toList();
    }

    private static WorkRecord.Step kept(WorkPlan.Step step) {
        return new WorkRecord.Step(Conditions.about(step.change()), step.sentence());
    }
}
