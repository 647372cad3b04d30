package org.gullyrun.core.fix;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;

/**
 * Changes that are verified to fix a finding.
 *
 * @param changes the changes, applicable to the rig as it was read
 * @param sentence what a person does, in plain words
 * @param cleared the identities of all findings that are gone or down to minor by it
 * @param created the identities of findings that were not there before, or rose to major or critical
 * @param altered what else happens: other deliveries that were good and change, in plain words, each once
 * @param worth how much it resolves, less what minor findings it causes: a critical one counts 100, a major 10, a minor 1
 * @param bad how many of the created are major or critical
 * @param lost how many deliveries that were required or optional it loses
 * @param restores whether it puts everything it changes back as it was when all was well
 * @param unprocessed for how many doubles it leaves the raw sound and silences the processed one: hardly ever what is wanted
 */
public record Fix(
        List<Change> changes,
        String sentence,
        List<String> cleared,
        List<String> created,
        List<String> altered,
        int worth,
        int bad,
        int lost,
        boolean restores,
        int unprocessed) {
    /** What leads sound somewhere by design, other than what is switched off for a moment. */
    private static final Set<String> WIRING = Set.of(
            Productions.CUE.key(),
            Productions.PROGRAM.key(),
            Productions.TRACK.key(), // of inputs and outputs
            Mixers.CROSSING.key());

    public Fix {
        changes = List.copyOf(changes);
        cleared = List.copyOf(cleared);
        created = List.copyOf(created);
        altered = List.copyOf(altered);
    }

    /** Whether it causes nothing major or critical. What is minor is said beforehand, and taken into account. */
    public boolean isSafe() {
        return bad == 0;
    }

    /** Whether nothing else happens by it, no finding and no other sound anywhere. */
    public boolean isClean() {
        return created.isEmpty() && altered.isEmpty();
    }

    /** Whether it silences a program altogether: everything else that fixes the trouble comes before. */
    boolean cutsAtStart() {
        return changes.stream()
                .anyMatch(c -> c instanceof Change.Set set
                        && set.setting().equals(Applications.MUTED)
                        && Boolean.TRUE.equals(set.to()));
    }

    /**
     * How much is built anew rather than put right: 3 for what is added or removed, 2 for a choice that is moved from one
     * thing to another and for an input put into every scene, 1 for something wired where it was not or brought into one
     * scene; nothing for what is unmuted, turned up or completed.
     */
    int effort() {
        int effort = 0;
        for (Change change : changes) {
            effort += switch (change) {
                case Change.Add add -> add.what().kind() == Kind.ENTRY ? 1 : 3;
                case Change.Remove remove -> 3;
                case Change.Set set
                when set.from() instanceof Choice from ->
                    from == Choice.Special.UNSET || from == Choice.Special.NOTHING ? 0 : 2;
                case Change.Set set when !Boolean.TRUE.equals(set.to()) -> 0;
                case Change.Set set when set.setting().equals(Productions.ALWAYS) -> 2;
                case Change.Set set -> WIRING.contains(set.setting().familyKey()) ? 1 : 0;
            };
        }
        return effort;
    }

    /** How deep it reaches: a program's own setting 0, a default 1, a system setting 2. */
    int depth() {
        return changes.stream()
                .mapToInt(c -> c instanceof Change.Set set
                        ? set.setting().kind() == Kind.MACHINE
                                ? 1
                                : set.setting().equals(Applications.SYSTEM_CHOICE)
                                                || set.setting().equals(Applications.INPUT_SYSTEM)
                                        ? 2
                                        : 0
                        : 0)
                .max()
                .orElse(0);
    }

    /** How many other deliveries that were good it changes. */
    public int disturbance() {
        return altered.size();
    }

    /** What it clears and costs, in one line. */
    public String price() {
        return price(cleared.size(), created.size(), altered) + (restores ? " · as in known good" : "");
    }

    /**
     * The price of a change in the form used everywhere: "fixes 6 · no side effects" or "fixes 6 · causes 1 new". What it
     * causes is a side effect too.
     *
     * @param fixes how many findings it resolves
     * @param causes how many new ones it causes
     * @param effects what else it changes, in words
     */
    public static String price(int fixes, int causes, List<String> effects) {
        String price = "fixes " + fixes + (causes > 0 ? " · causes " + causes + " new" : "");
        if (effects.isEmpty()) {
            return causes > 0 ? price : price + " · no side effects";
        }
        return price + " · "
                + (effects.size() > 2
                        ? effects.getFirst() + " and " + (effects.size() - 1) + " more"
                        : String.join(" · ", effects));
    }
}
