package org.gullyrun.core.flow.graph;

import java.util.Iterator;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/**
 * Settings that lead sound and do nothing else: flags that are gates, and choices of programs and machines. What is said
 * of a way on which nothing differs is the same whatever they are.
 */
public final class RoutingSettings {
    /** Flags on which nothing but a gate hangs. */
    private static final Set<Setting<?>> GATES = Set.of(
            Devices.MUTED,
            Applications.MUTED,
            Applications.INPUT_MUTED,
            Applications.MAY_LISTEN,
            Mixers.STRIP_MUTED,
            Mixers.BUS_MUTED,
            Productions.INPUT_MUTED,
            Productions.CUE,
            Productions.PROGRAM,
            Links.PASS_ENABLED);

    /** Flags on which sometimes more hangs: what an output or a program offers is taken from elsewhere while it is off. */
    private static final Set<Setting<?>> REROUTING =
            Set.of(Productions.ACTIVE, Productions.ALWAYS, Links.PROCESSOR_RUNNING);

    private static final Set<Setting<?>> CHOICES = Set.of(
            Applications.PROGRAM_CHOICE,
            Applications.SYSTEM_CHOICE,
            Applications.INPUT,
            Applications.INPUT_SYSTEM,
            Machines.PLAYBACK,
            Machines.RECORDING,
            Machines.CALL_PLAYBACK,
            Machines.CALL_RECORDING,
            Mixers.FEED,
            Mixers.TARGET,
            Productions.DEVICE,
            Productions.CUE_DEVICE,
            Links.PROCESSOR_FROM,
            Links.PASS_TO);

    private RoutingSettings() {}

    /** Whether a setting can change where sound goes. */
    private static boolean leads(Setting<?> setting) {
        return isGate(setting) || REROUTING.contains(setting) || CHOICES.contains(setting);
    }

    /** Whether a setting is a flag on which nothing but a gate hangs: set otherwise, that one is turned and no more. */
    public static boolean isGate(Setting<?> setting) {
        return setting.sub().isEmpty()
                ? GATES.contains(setting)
                : setting.kind() == Mixers.CROSSING.kind()
                                && setting.familyKey().equals(Mixers.CROSSING.key())
                        || setting.kind() == Productions.TRACK.kind()
                                && setting.familyKey().equals(Productions.TRACK.key());
    }

    /** Whether two rigs differ in nothing but values, known in both, of settings that lead sound and do nothing else. */
    public static boolean only(Rig before, Rig after) {
        if (before == after) {
            return true;
        }
        Iterator<Element> olds = before.elements().iterator();
        Iterator<Element> news = after.elements().iterator();
        while (olds.hasNext() && news.hasNext()) {
            Element a = olds.next();
            Element b = news.next();
            if (a != b && !only(a, b)) {
                return false;
            }
        }
        return !olds.hasNext() && !news.hasNext();
    }

    /** Whether two elements differ only in settings that lead sound elsewhere, and are known in both. */
    private static boolean only(Element a, Element b) {
        if (!a.id().equals(b.id()) || a.kind() != b.kind() || !a.extras().equals(b.extras())) {
            return false;
        }
        List<Change> changes = Changes.between(Rig.of(List.of(a)), Rig.of(List.of(b)));
        return changes.stream()
                .allMatch(c -> c instanceof Change.Set set
                        && leads(set.setting())
                        && !a.isUnknown(set.setting())
                        && !b.isUnknown(set.setting())
                        && isChosen(a, set.setting()) == isChosen(b, set.setting()));
    }

    /** Whether a setting leads somewhere: what leads nowhere isn't in use, and needs no name. */
    private static boolean isChosen(Element element, Setting<?> setting) {
        return element.get(setting) != Choice.Special.UNSET;
    }
}
