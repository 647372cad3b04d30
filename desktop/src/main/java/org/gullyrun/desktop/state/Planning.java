package org.gullyrun.desktop.state;

import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.compare.HeardDifference;
import org.gullyrun.core.repair.Channel;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * The repair of the whole, as far as it is worked out, and where a person is in it.
 *
 * @param of the reading whose rig is to be repaired; null before anything was planned
 * @param conditions what the technician has ruled out or required
 * @param onAir whether the order is meant for a show that is on air
 * @param ways the repairs found, the best first
 * @param plan the first of them in its order; null while it is being worked out
 * @param channels what each listener goes through, in the scene shown
 * @param heard for each step of the plan what each listener hears after it, against before it, in the scene shown
 * @param scene the place of the scene of those, -1 for all
 * @param step the step looked at, counted from 0
 * @param done what has been done so far in this survey, in order
 * @param survey the id of the survey that is being repaired
 * @param isWorking whether more is being worked out
 */
public record Planning(
        @Nullable Reading of,
        Conditions conditions,
        boolean onAir,
        List<Repair> ways,
        @Nullable WorkPlan plan,
        List<Channel> channels,
        List<List<HeardDifference>> heard,
        int scene,
        int step,
        List<Change> done,
        String survey,
        boolean isWorking) {
    /** Nothing planned yet; on air until the technician says otherwise, as that is the careful way. */
    static final Planning NONE = new Planning(
            null, Conditions.NONE, true, List.of(), null, List.of(), List.of(), -1, 0, List.of(), "", false);

    public Planning {
        ways = List.copyOf(ways);
        channels = List.copyOf(channels);
        heard = List.copyOf(heard);
        done = List.copyOf(done);
    }

    /**
     * Whether there is a plan, it is of the rig and brief of a reading, and keeps to what is ruled out and required; until
     * then it is the previous plan.
     */
    public boolean isOf(Reading reading) {
        Reading start = plan == null ? null : plan.states().getFirst();
        return start != null && start.rig() == reading.rig() && start.brief() == reading.brief() && keepsConditions();
    }

    /** Whether the plan, if there is one, makes no change that is ruled out, and those that are required. */
    public boolean keepsConditions() {
        return plan == null
                || plan.steps().stream().allMatch(s -> conditions.allows(s.change()))
                        && conditions.due(plan.states().getFirst().rig()).stream()
                                .map(Conditions::about)
                                .allMatch(due -> plan.steps().stream()
                                        .anyMatch(s ->
                                                Conditions.about(s.change()).equals(due)));
    }

    /** The repair as it is planned, where it is of a reading and other conditions only narrow it; else null. */
    @Nullable
    Repair narrowed(Reading reading, Conditions others) {
        return plan != null && isOf(reading) && !others.equals(conditions) && others.narrow(conditions)
                ? plan.repair()
                : null;
    }

    /** The step looked at; null if there is none. */
    public WorkPlan.@Nullable Step current() {
        return plan == null || step >= plan.steps().size() ? null : plan.steps().get(step);
    }

    /** What listeners hear after the step looked at; null if that isn't known. */
    public @Nullable List<HeardDifference> hearings() {
        return plan == null || step >= heard.size() ? null : heard.get(step);
    }

    /** Another reading or other conditions, about which nothing is known yet; what is shown stays until something is. */
    Planning begun(Reading reading, Conditions under, boolean live, List<Change> soFar, String of) {
        return new Planning(reading, under, live, ways, plan, channels, heard, scene, step, soFar, of, true);
    }

    /** The same with a plan. */
    Planning found(List<Repair> all, WorkPlan first, Drawn drawn, boolean more) {
        int last = Math.max(0, first.steps().size() - 1);
        return new Planning(
                of,
                conditions,
                onAir,
                all,
                first,
                drawn.channels,
                drawn.heard,
                drawn.scene,
                Math.min(step, last),
                done,
                survey,
                more);
    }

    /** The same, with nothing being worked out any more. */
    Planning ended() {
        return new Planning(of, conditions, onAir, ways, plan, channels, heard, scene, step, done, survey, false);
    }

    /** The same after something was done in a survey; the first step is looked at next. */
    Planning did(List<Change> soFar, String in) {
        return new Planning(of, conditions, onAir, ways, plan, channels, heard, scene, 0, soFar, in, isWorking);
    }

    /** The same at another step. */
    Planning at(int other) {
        int last = plan == null ? 0 : Math.max(0, plan.steps().size() - 1);
        return new Planning(
                of,
                conditions,
                onAir,
                ways,
                plan,
                channels,
                heard,
                scene,
                Math.clamp(other, 0, last),
                done,
                survey,
                isWorking);
    }

    /** What is drawn of a plan in a scene; worked out away from the interface thread. */
    record Drawn(List<Channel> channels, List<List<HeardDifference>> heard, int scene) {
        static Drawn of(WorkPlan plan, int chosen) {
            int scene = chosen < plan.states().getFirst().scenes().size() ? chosen : -1;
            List<List<Hearing>> heard =
                    plan.states().stream().map(r -> Hearing.all(r, scene)).toList();
            return new Drawn(
                    Channel.all(plan.states(), scene),
                    IntStream.range(1, heard.size())
                            .mapToObj(i -> HeardDifference.all(heard.get(i - 1), heard.get(i)))
                            .toList(),
                    scene);
        }
    }
}
