package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * A repair in the order in which to make it, with the state of the rig after each step.
 *
 * @param repair what is repaired
 * @param onAir whether the order is meant for a show that is on air
 * @param exact whether no order is better
 * @param steps the steps in order
 * @param states the rig before the first step, and after each, read
 * @param harms what goes wrong in each state: worked out here, as a view that draws the plan asks for all of them
 */
public record WorkPlan(
        Repair repair, boolean onAir, boolean exact, List<Step> steps, List<Reading> states, List<Harm> harms) {
    public WorkPlan {
        steps = List.copyOf(steps);
        states = List.copyOf(states);
        harms = List.copyOf(harms);
    }

    /**
     * One step.
     *
     * @param change the change to make
     * @param sentence what to say to the creator, without a full stop
     * @param where the exact setting: "Orrery · input All of default · muted"
     * @param from its value before, in words; empty for what is added
     * @param to its value after, in words; empty for what is removed
     * @param fixes the findings above a note that are gone after it, worst first
     * @param causes the serious findings that are there after it and weren't before
     * @param heard what is heard while it is done; empty if nothing
     */
    public record Step(
            Change change,
            String sentence,
            String where,
            String from,
            String to,
            List<Finding> fixes,
            List<Finding> causes,
            String heard) {
        public Step {
            fixes = List.copyOf(fixes);
            causes = List.copyOf(causes);
        }
    }

    /** The plan of a repair in the safest order. */
    public static WorkPlan of(Audit audit, Repair repair, boolean onAir) {
        SafeOrder.Order order = SafeOrder.of(audit, repair.before(), repair.changes(), onAir);
        return of(audit, repair, order.changes(), onAir, order.exact());
    }

    /**
     * The plan of a repair in an order of one's own.
     *
     * @throws org.gullyrun.core.rig.Changes.Conflict if something would come before what it refers to
     */
    public static WorkPlan of(Audit audit, Repair repair, List<Change> order, boolean onAir, boolean exact) {
        List<Reading> states = new ArrayList<>(List.of(repair.before()));
        List<Step> steps = new ArrayList<>();
        for (Change change : order) {
            Reading before = states.getLast();
            Reading after = audit.read(before, List.of(change));
            states.add(after);
            steps.add(step(audit, change, before, after));
        }
        List<Harm> harms = states.parallelStream().map(Harm::of).toList();
        return new WorkPlan(repair, onAir, exact, steps, states, harms);
    }

    /** Whether a change is the first step: what is left once it has been done is known already. */
    public boolean isFirst(Change change) {
        return !steps.isEmpty() && steps.getFirst().change.equals(change);
    }

    /**
     * What is left to do once one of the steps has been done; the others keep their order.
     *
     * @param now the rig with that step, read
     */
    public WorkPlan without(Audit audit, Reading now, Change done) {
        List<Change> order = steps.stream()
                .map(Step::change)
                .filter(change -> !change.equals(done))
                .toList();
        Repair rest = new Repair(order, now, repair.after(), repair.proof());
        if (!isFirst(done) || !states.get(1).rig().equals(now.rig())) {
            return of(audit, rest, order, onAir, exact);
        }
        List<Reading> after = new ArrayList<>(states.subList(1, states.size()));
        after.set(0, now);
        return new WorkPlan(rest, onAir, exact, steps.subList(1, steps.size()), after, harms.subList(1, harms.size()));
    }

    /** One step between two states. */
    private static Step step(Audit audit, Change change, Reading before, Reading after) {
        Rig rig = change instanceof Change.Add ? after.rig() : before.rig();
        Map<String, Severity> was = severities(audit, before);
        Map<String, Severity> is = severities(audit, after);
        List<Finding> fixes = before.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE && audit.asks(f.rule()) && Repair.isResolved(f, is))
                .toList();
        List<Finding> causes = after.findings().stream()
                .filter(f -> f.isBad()
                        && audit.asks(f.rule())
                        && !was.getOrDefault(f.identity(), Severity.NOTE).atLeast(Severity.MAJOR)
                        && !before.lackedUnseen(after, f))
                .toList();
        Element program = rig.program(rig.get(change.element()));
        Setting<?> setting = change instanceof Change.Set set ? set.setting() : null;
        return new Step(
                change,
                Sentences.say(rig, change),
                Sentences.where(rig, change),
                change instanceof Change.Set(String id, Setting<?> s, Object from, Object to)
                        ? Sentences.words(rig, s, from)
                        : "",
                change instanceof Change.Set(String id, Setting<?> s, Object from, Object to)
                        ? Sentences.words(rig, s, to)
                        : "",
                fixes,
                causes,
                heard(program, setting));
    }

    private static Map<String, Severity> severities(Audit audit, Reading reading) {
        Map<String, Severity> all = new HashMap<>();
        reading.findings().stream().filter(f -> audit.asks(f.rule())).forEach(f -> all.put(f.identity(), f.severity()));
        return all;
    }

    /** What is heard while a setting is changed. */
    private static String heard(Element program, @Nullable Setting<?> setting) {
        if (Sentences.hasToRestart(program)) {
            return "Sound through " + program.name() + " stops while it restarts.";
        } else if (setting == null) {
            return "";
        } else if (setting.equals(Devices.RATE) || setting.equals(Mixers.RATE) || setting.equals(Productions.RATE)) {
            return "A click is heard while it switches.";
        } else if (setting.equals(Links.CABLE_CONVERTS)) {
            return "Sound on the cable stops for a moment.";
        } else if (setting.kind() == Kind.MACHINE && !setting.equals(Machines.SYSTEM_CHOICE)) {
            return "Whatever follows the default switches over at once.";
        }
        return "";
    }

    /** What goes wrong in the state after so many steps. */
    public Harm harm(int after) {
        return harms.get(after);
    }

    /** What goes wrong after a step that did not before it, in words; empty if nothing does. */
    public List<String> dangers(int step) {
        Harm before = harm(step);
        Harm after = harm(step + 1);
        return new Harm(
                        Math.max(0, after.onAir() - before.onAir()),
                        Math.max(0, after.buildingUp() - before.buildingUp()),
                        Math.max(0, after.deaf() - before.deaf()),
                        Math.max(0, after.missingLive() - before.missingLive()),
                        Math.max(0, after.otherLoops() - before.otherLoops()))
                .words();
    }

    /** What a step fixes, in one line: how much, and the worst of it. */
    public String effect(int step) {
        return effect(step, JoinedFindings::title);
    }

    /** The same in fewer words, where there is little room. */
    public String briefEffect(int step) {
        return effect(step, JoinedFindings::brief);
    }

    private String effect(int step, Function<JoinedFindings, String> told) {
        List<Finding> fixes = steps.get(step).fixes;
        if (fixes.isEmpty()) {
            return "makes way for later steps";
        }
        List<JoinedFindings> rows = JoinedFindings.of(states.get(step).rig(), fixes);
        return "fixes " + fixes.size() + " · " + told.apply(rows.getFirst())
                + (rows.size() > 1 ? ", and " + (rows.size() - 1) + " more" : "");
    }

    /** What would be left if one stopped after a step. */
    public String ifStopped(int step) {
        List<Finding> left = states.get(step + 1).bad();
        long critical =
                left.stream().filter(f -> f.severity() == Severity.CRITICAL).count();
        long major = left.size() - critical;
        String counted = Stream.of(told(critical, "critical"), told(major, "major"))
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(" and "));
        return left.isEmpty()
                ? "nothing serious is left"
                : counted + (left.size() == 1 ? " finding is left" : " findings are left");
    }

    private static String told(long count, String what) {
        return count == 0 ? "" : count + " " + what;
    }
}
