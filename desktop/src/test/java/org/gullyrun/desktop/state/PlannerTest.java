package org.gullyrun.desktop.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.casefile.WorkRecord;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.sample.SampleShow;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** The plan of a repair as the case keeps it: reasons, orders by hand, and what is required. */
class PlannerTest extends WithoutWindow {
    PlannerTest() {
        super(fewFaults());
    }

    /** The sample show with three of its faults, so that a plan is made soon. */
    private static Case fewFaults() {
        Case show = SampleShow.make();
        Survey good = show.survey(SampleShow.KNOWN_GOOD).orElseThrow();
        List<Change> faults = new ArrayList<>();
        for (SampleShow.Fault fault : List.of(
                SampleShow.Fault.RAW_AND_CLEANED, SampleShow.Fault.EFFECTS_ON_CLIPS, SampleShow.Fault.PANEL_COPY)) {
            faults.addAll(SampleShow.changes(good.rig(), fault));
        }
        return show.withSurveys(List.of(
                new Survey(SampleShow.AS_FOUND, "as found", "", "", Changes.apply(good.rig(), faults), Map.of()),
                good));
    }

    private WorkPlan planned() throws InterruptedException {
        return planned(null);
    }

    /** Waits for a plan of the rig as it is, other than one; whether there are other ways to the same end is not waited for. */
    private WorkPlan planned(@Nullable WorkPlan before) throws InterruptedException {
        store.go(Step.REPAIR);
        until(() -> store.state().planning().plan() != null
                && store.state().planning().plan() != before
                && store.state().planning().isOf(store.state().reading()));
        return Objects.requireNonNull(store.state().planning().plan());
    }

    private static List<String> sentences(WorkPlan plan) {
        return plan.steps().stream().map(WorkPlan.Step::sentence).toList();
    }

    private WorkRecord kept() {
        return Objects.requireNonNull(
                store.state().what().workOrder(store.state().survey()));
    }

    @TakesLong
    @Test
    void whatIsRuledOutIsKeptWithItsReasonAndTakenBackByUndo() throws Exception {
        until(() -> store.state().causes().done()); // those of before must not lead the plan made anew
        WorkPlan first = planned();
        // Something that can be done otherwise: where nothing else helps, a long search comes first.
        int place = IntStream.range(0, first.steps().size())
                .filter(i -> first.steps().get(i).sentence().contains("Host raw"))
                .findFirst()
                .orElseThrow();
        store.planner().look(place);
        WorkPlan.Step step = first.steps().get(place);
        store.planner().ruleOut("she can't reach it");
        WorkPlan second = planned(first);
        assertTrue(second.steps().stream()
                .noneMatch(s -> Conditions.about(s.change()).equals(Conditions.about(step.change()))));
        assertEquals(
                List.of(new WorkRecord.RuledOut(Conditions.about(step.change()), "she can't reach it")),
                kept().ruledOut());
        assertEquals(SampleShow.AS_FOUND, kept().found());
        store.go(Step.FINDINGS);
        assertFalse(causes().contains(step.change()), "nor is it proposed in Findings");
        store.go(Step.REPAIR);
        store.planner().allowAll();
        assertEquals(List.of(), kept().ruledOut());
        untilPlanned(step, true);
        store.go(Step.FINDINGS);
        assertTrue(causes().contains(step.change()));
        store.undo();
        assertEquals(1, kept().ruledOut().size());
        assertFalse(causes().contains(step.change()));
        store.go(Step.REPAIR);
        untilPlanned(step, false);
        store.undo();
        assertNull(store.state().what().workOrder(store.state().survey()));
        untilPlanned(step, true);
    }

    /** Waits for a plan in which a step may be, or isn't. */
    private void untilPlanned(WorkPlan.Step step, boolean allowed) throws InterruptedException {
        until(() -> store.state().planning().plan() instanceof WorkPlan plan
                && store.state().planning().conditions().allows(step.change()) == allowed
                && (allowed || !sentences(plan).contains(step.sentence())));
    }

    /** The changes of the root causes, once they are those of the case as it stands. */
    private List<Change> causes() throws InterruptedException {
        until(() -> store.state().causes().ended() && !store.state().alerts().causesOld());
        return store.state().causes().groups().stream()
                .flatMap(g -> g.fix().changes().stream())
                .toList();
    }

    @Test
    void aStepMovedByHandKeepsItsPlaceWhenTheRepairGoesOn() throws Exception {
        WorkPlan safest = planned();
        store.planner().move(1);
        until(() -> store.state().planning().step() == 1);
        WorkPlan moved = Objects.requireNonNull(store.state().planning().plan());
        assertFalse(moved.exact());
        assertEquals(sentences(safest).get(1), sentences(moved).getFirst());
        assertEquals(sentences(safest).getFirst(), sentences(moved).get(1));
        for (int i = 0; i < moved.steps().size(); i++) {
            List<Finding> after = moved.states().get(i + 1).findings();
            moved.steps()
                    .get(i)
                    .fixes()
                    .forEach(f -> assertTrue(
                            after.stream().noneMatch(g -> g.identity().equals(f.identity()) && g.isBad() && f.isBad()),
                            f.identity()));
        }
        store.planner().look(0);
        store.planner().done();
        WorkPlan rest = planned(moved);
        assertEquals(sentences(moved).subList(1, moved.steps().size()), sentences(rest));
        assertEquals(
                sentences(rest),
                kept().planned().stream().map(WorkRecord.Step::sentence).toList());
        // Gone and come back, the order by hand is still there.
        store.chooseSurvey(SampleShow.KNOWN_GOOD);
        until(() -> !store.state().isAnswerOld());
        store.chooseSurvey("in-repair");
        until(() -> !store.state().isAnswerOld());
        assertEquals(sentences(rest), sentences(planned()));
    }

    @Test
    void aWorkOrderOfASurveyThatIsGoneIsInNobodysWay() throws Exception {
        planned();
        String survey = "in-repair";
        store.edit(
                new Edit.OfWork(survey, null, new WorkRecord(survey, survey, true, List.of(), List.of(), List.of())),
                "left behind");
        store.planner().done();
        until(() -> store.state().survey().equals(survey) && !store.state().isAnswerOld());
        assertEquals(1, kept().done().size());
    }

    @Test
    void rootCausesWaitWhileARepairIsWorkedThrough() throws Exception {
        until(() -> store.state().causes().done());
        WorkPlan first = planned();
        store.planner().done();
        planned(first);
        assertTrue(store.state().alerts().causesOld());
        store.go(Step.FINDINGS);
        until(() -> !store.state().alerts().causesOld());
        assertTrue(store.state().causes().done());
        assertEquals(
                first.steps().size() - 1,
                store.state().causes().groups().stream()
                        .filter(g -> g.findings().stream().anyMatch(Finding::isBad))
                        .count());
    }

    @TakesLong
    @Test
    void whatIsRequiredIsPartOfThePlan() throws Exception {
        WorkPlan first = planned();
        Change wanted = Change.set(store.state().reading().rig(), "in-guests", Productions.INPUT_MUTED, true);
        store.planner().require(List.of(wanted));
        WorkPlan plan = planned(first);
        assertTrue(
                plan.steps().stream().anyMatch(s -> s.change().equals(wanted)),
                sentences(plan).toString());

        // Once it is done it is no step any more, and stands in nobody's way.
        int at = plan.steps().stream().map(WorkPlan.Step::change).toList().indexOf(wanted);
        store.planner().look(at);
        store.planner().done();
        WorkPlan rest = planned(plan);
        WorkPlan.Step other = rest.steps().getFirst();
        store.planner().look(0);
        store.planner().ruleOut("not today");
        WorkPlan last = planned(rest);
        assertTrue(
                sentences(last).stream().noneMatch(other.sentence()::equals),
                sentences(last).toString());
        assertFalse(last.steps().isEmpty());
        assertTrue(last.steps().stream().noneMatch(s -> s.change().equals(wanted)));
    }
}
