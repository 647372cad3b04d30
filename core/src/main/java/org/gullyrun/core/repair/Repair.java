package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.fix.SideEffects;
import org.gullyrun.core.fix.Steps;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Sentences;

/**
 * Changes after which nothing critical or major is left, as far as that can be had.
 *
 * @param changes the changes, in no particular order; each sets one setting, or adds or removes one element
 * @param before the rig as it is, read
 * @param after the rig with all of them, read
 * @param proof what is known of its size
 */
public record Repair(List<Change> changes, Reading before, Reading after, Proof proof) {

    /** What is known of the size of a repair. */
    public enum Proof {
        /** Leaving any one out was tried, and something serious was left each time. */
        NONE_CAN_BE_LEFT_OUT("None of these can be left out."),
        /** Every smaller set was ruled out. */
        NO_SMALLER_SET("No smaller set does."),
        /** The search was ended before each had been left out once. */
        UNPROVED("Whether all of them are needed wasn't tried to the end.");

        private final String sentence;

        Proof(String sentence) {
            this.sentence = sentence;
        }

        /** As it is told. */
        public String sentence() {
            return sentence;
        }
    }

    public Repair {
        changes = List.copyOf(changes);
    }

    /** The critical and major findings that are left, worst first. */
    public List<Finding> left() {
        return after.bad();
    }

    /** The findings above a note that are gone or down to minor. */
    public List<Finding> resolved() {
        Map<String, Severity> now =
                after.findings().stream().collect(Collectors.toMap(Finding::identity, Finding::severity, (a, b) -> a));
        return before.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .filter(f -> isResolved(f, now))
                .toList();
    }

    /** Whether a finding is gone, or no longer serious, where these are left. */
    static boolean isResolved(Finding finding, Map<String, Severity> after) {
        Severity left = after.get(finding.identity());
        return left == null || finding.isBad() && !left.atLeast(Severity.MAJOR);
    }

    /** The programs and devices that have to be opened or touched, each once. */
    public List<String> programs() {
        return changes.stream()
                .map(c -> c instanceof Change.Add add
                        ? after.rig().program(add.what())
                        : before.rig().program(before.rig().get(c.element())))
                .map(Element::name)
                .distinct()
                .toList();
    }

    /** Where its changes are made, and how many there. */
    public Map<Approach, Integer> approaches() {
        Map<Approach, Integer> counts = new EnumMap<>(Approach.class);
        changes.forEach(c -> counts.merge(Approach.of(before.rig(), c), 1, Integer::sum));
        return counts;
    }

    /** What it repairs: the whole, or all but what is left. */
    public String scope() {
        int left = left().size();
        return left == 0 ? "the whole" : "all but " + left + (left == 1 ? " serious finding" : " serious findings");
    }

    /** Where its changes are made, in words. */
    public String where() {
        List<String> all = new ArrayList<>();
        approaches().forEach((approach, count) -> all.add(count + " " + approach.word()));
        return String.join(", ", all);
    }

    /** Its changes, each as a step for the creator. */
    public List<String> sentences() {
        return sentences(changes);
    }

    /** Its changes that another repair doesn't make. */
    public List<Change> beyond(Repair other) {
        return changes.stream().filter(c -> !other.changes.contains(c)).toList();
    }

    /** Some of the changes as one text, what is alike in one sentence; empty if there are none. */
    public String told(List<Change> some) {
        return some.isEmpty() ? "" : Steps.of(before.rig(), after.rig(), some) + ".";
    }

    /** Some of its changes, each as a step for the creator. */
    public List<String> sentences(List<Change> some) {
        return some.stream()
                .map(c -> Sentences.say(c instanceof Change.Add ? after.rig() : before.rig(), c))
                .toList();
    }

    /** What else listeners notice: deliveries that were good and change, and those that newly arrive. */
    public SideEffects sideEffects() {
        return SideEffects.between(before, after);
    }

    /** What it costs, in one line: "9 settings in 4 programs · Archive loses Music". */
    public String price() {
        int programs = programs().size();
        return changes.size()
                + (changes.size() == 1 ? " setting in " : " settings in ")
                + programs
                + (programs == 1 ? " place · " : " places · ")
                + sideEffects().brief();
    }
}
