package org.gullyrun.core.fix;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;

/**
 * How much there is to do for a list of changes, which can be said without trying them.
 *
 * @param cutsAtStart whether a program is silenced altogether: everything else that fixes the trouble comes before
 * @param away how many levels and delays are moved further from 0, where they rest: what somebody turned is rather turned
 *     back
 * @param effort how much is built anew rather than put right: 3 for what is added or removed, 2 for a choice that is moved
 *     from one thing to another and for an input put into every scene or into a group, 1 for something wired where it was not or brought
 *     into one scene; nothing for what is unmuted, turned up or completed
 * @param depth how deep it reaches: a program's own setting 0, a default 1, a system setting or a device muted 2
 */
public record Work(boolean cutsAtStart, int away, int effort, int depth) {
    /** What leads sound somewhere by design, other than what is switched off for a moment. */
    private static final Set<String> WIRING = Set.of(
            Productions.CUE.key(),
            Productions.PROGRAM.key(),
            Productions.TRACK.key(), // of inputs and outputs
            Mixers.CROSSING.key());

    /** What there is to do for some changes. */
    public static Work of(List<Change> changes) {
        boolean cuts = false;
        int away = 0;
        int effort = 0;
        int depth = 0;
        for (Change change : changes) {
            cuts |= cutsAtStart(change);
            away += isAway(change) ? 1 : 0;
            effort += effort(change);
            depth = Math.max(depth, depth(change));
        }
        return new Work(cuts, away, effort, depth);
    }

    /** The same in a rig: an input on a cue that nothing else is on is more than one beside others. */
    public static Work of(Rig rig, List<Change> changes) {
        Work plain = of(changes);
        int firstOnCue = (int) changes.stream()
                .filter(c -> c instanceof Change.Set set
                        && set.setting().equals(Productions.CUE)
                        && Boolean.TRUE.equals(set.to()))
                .map(c -> rig.find(c.element(), Kind.INPUT).map(rig::owner).orElse(null))
                .filter(production -> production != null
                        && rig.in(production.id(), Kind.INPUT).stream().noneMatch(i -> i.is(Productions.CUE, false)))
                .count();
        return new Work(plain.cutsAtStart, plain.away, plain.effort + 2 * firstOnCue, plain.depth);
    }

    /** Whether a change adds something that wasn't there; what is brought into a scene was. */
    public static boolean buildsAnew(Change change) {
        return change instanceof Change.Add add && add.what().kind() != Kind.ENTRY;
    }

    private static boolean cutsAtStart(Change change) {
        return change instanceof Change.Set set
                && set.setting().equals(Applications.MUTED)
                && Boolean.TRUE.equals(set.to());
    }

    private static boolean isAway(Change change) {
        return change instanceof Change.Set set
                && (RuleCandidates.isLevel(set.setting()) || set.setting().equals(Productions.INPUT_DELAY))
                && set.from() instanceof Double from
                && set.to() instanceof Double to
                && Math.abs(to) > Math.abs(from);
    }

    /** The effort of one change. */
    private static int effort(Change change) {
        return switch (change) {
            case Change.Add add -> buildsAnew(add) ? 3 : 1;
            case Change.Remove remove -> 3;
            case Change.Set set
            when set.from() instanceof Choice from ->
                from == Choice.Special.UNSET || from == Choice.Special.NOTHING ? 0 : 2;
            case Change.Set set when !Boolean.TRUE.equals(set.to()) -> 0;
            case Change.Set set when intoScenes(set) -> 2;
            case Change.Set set -> WIRING.contains(set.setting().familyKey()) ? 1 : 0;
        };
    }

    /** Whether an input comes into several scenes at once. */
    private static boolean intoScenes(Change.Set set) {
        return set.setting().equals(Productions.ALWAYS)
                || set.setting().kind() == Kind.GROUP
                        && set.setting().familyKey().equals(Productions.MEMBER.key());
    }

    /** How deep one change reaches. */
    private static int depth(Change change) {
        if (!(change instanceof Change.Set set)) {
            return 0;
        }
        boolean system = set.setting().equals(Applications.SYSTEM_CHOICE)
                || set.setting().equals(Applications.INPUT_SYSTEM)
                || set.setting().equals(Devices.MUTED);
        return set.setting().kind() == Kind.MACHINE ? 1 : system ? 2 : 0;
    }
}
