package org.gullyrun.core.flow.graph;

import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;

/** What follows a default of a computer: programs, inputs, pass-throughs and listeners. */
public final class DefaultFollowers {
    private DefaultFollowers() {}

    /** Whether any choice leads to the default of a direction on a machine, or falls back to it. */
    public static boolean any(Rig rig, String machine, Direction direction, boolean call) {
        boolean playback = direction == Direction.PLAYBACK;
        for (Element application : rig.of(Kind.APPLICATION)) {
            if (!machine.equals(application.get(Applications.MACHINE))) {
                continue;
            }
            if (!playback && follows(Choices.input(rig, application), call)) {
                return true;
            }
            for (Element output : rig.in(application.id(), Kind.APP_OUTPUT)) {
                if (playback && follows(Choices.output(rig, application, output), call)) {
                    return true;
                }
            }
        }
        return !call
                && (!playback && inProcessors(rig, machine)
                        || inProductions(rig, machine, direction)
                        || inMixers(rig, machine, playback)
                        || playback && elsewhere(rig, machine));
    }

    /** Whether it follows the plain default, or the one for calls if that is meant. */
    private static boolean follows(Choices.Going going, boolean call) {
        return call
                ? going.effective() == Choice.Special.CALL_DEFAULT
                : going.effective() == Choice.Special.DEFAULT
                        || going.effective() == Choice.Special.CALL_DEFAULT
                        || going.fallsBack();
    }

    /** Whether an input or a cue of a production follows it. */
    private static boolean inProductions(Rig rig, String machine, Direction direction) {
        for (Element production : rig.of(Kind.PRODUCTION)) {
            if (!machine.equals(production.get(Productions.MACHINE))) {
                continue;
            }
            boolean playback = direction == Direction.PLAYBACK;
            if (playback && production.get(Productions.CUE_DEVICE) == Choice.Special.DEFAULT) {
                return true;
            }
            for (Element input : rig.in(production.id(), Kind.INPUT)) {
                Takes takes = input.get(Productions.TAKES);
                boolean byDefault = input.get(Productions.DEVICE) == Choice.Special.DEFAULT;
                if (byDefault && takes == (playback ? Takes.PLAYBACK : Takes.RECORDING)
                        || playback && takes == Takes.OWN && input.is(Productions.PLAYS_ALOUD, false)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Whether a processor reads it. */
    private static boolean inProcessors(Rig rig, String machine) {
        return rig.of(Kind.PROCESSOR).stream()
                .anyMatch(p -> machine.equals(p.get(Links.PROCESSOR_MACHINE))
                        && p.get(Links.PROCESSOR_FROM) == Choice.Special.DEFAULT);
    }

    /** Whether a strip or a bus of a mixer follows it. */
    private static boolean inMixers(Rig rig, String machine, boolean playback) {
        Choice.Special feed = playback ? Choice.Special.PLAYBACK_DEFAULT : Choice.Special.DEFAULT;
        return rig.of(Kind.MIXER).stream()
                .filter(mixer -> machine.equals(mixer.get(Mixers.MACHINE)))
                .anyMatch(mixer -> rig.in(mixer.id(), Kind.STRIP).stream().anyMatch(s -> s.get(Mixers.FEED) == feed)
                        || playback
                                && rig.in(mixer.id(), Kind.BUS).stream()
                                        .anyMatch(b -> b.get(Mixers.TARGET) == Choice.Special.DEFAULT));
    }

    /** Whether a pass-through or a listener follows it. */
    private static boolean elsewhere(Rig rig, String machine) {
        return rig.of(Kind.PASS_THROUGH).stream()
                        .anyMatch(p -> p.get(Links.PASS_TO) == Choice.Special.DEFAULT
                                && rig.find(p.get(Links.PASS_FROM), Kind.DEVICE)
                                        .filter(d -> machine.equals(d.get(Devices.MACHINE)))
                                        .isPresent())
                || rig.of(Kind.OUTLET).stream()
                        .anyMatch(o -> o.get(Outlets.DEVICE) == Choice.Special.DEFAULT
                                && machine.equals(Choices.machineOf(rig, o)));
    }
}
