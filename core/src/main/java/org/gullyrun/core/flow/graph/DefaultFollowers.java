package org.gullyrun.core.flow.graph;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** What follows a default of a computer: programs, inputs, pass-throughs and listeners. */
public final class DefaultFollowers {
    private final Rig rig;
    private final String machine;
    private final boolean playback;
    private final List<Address> found = new ArrayList<>();

    private DefaultFollowers(Rig rig, String machine, boolean playback) {
        this.rig = rig;
        this.machine = machine;
        this.playback = playback;
    }

    /**
     * The settings that lead to a default of a machine, or fall back to it, in the order of the rig.
     *
     * @param call whether the default for calls is meant and not the plain one; what follows that for calls follows the plain
     *     one too, unless a device is set for calls
     */
    public static List<Address> of(Rig rig, String machine, Direction direction, boolean call) {
        DefaultFollowers followers = new DefaultFollowers(rig, machine, direction == Direction.PLAYBACK);
        followers.addPrograms(call);
        if (!call) {
            followers.addProcessors();
            followers.addProductions();
            followers.addMixers();
            followers.addPassThroughs();
            followers.addListeners();
        }
        return List.copyOf(followers.found);
    }

    private void add(Element element, Setting<?> setting) {
        found.add(new Address(element.id(), setting.key()));
    }

    private void addPrograms(boolean call) {
        for (Element application : rig.of(Kind.APPLICATION)) {
            if (!machine.equals(application.get(Applications.MACHINE))) {
                continue;
            }
            if (playback) {
                for (Element output : rig.in(application.id(), Kind.APP_OUTPUT)) {
                    addFollowing(output, Choices.output(rig, application, output), call);
                }
            } else {
                addFollowing(application, Choices.input(rig, application), call);
            }
        }
    }

    /** Adds what follows the plain default, or the one for calls if that is meant. */
    private void addFollowing(Element holder, Choices.Going going, boolean call) {
        boolean follows = call
                ? going.effective() == Choice.Special.CALL_DEFAULT
                : going.effective() == Choice.Special.DEFAULT
                        || going.effective() == Choice.Special.CALL_DEFAULT && !hasDeviceForCalls()
                        || going.fallsBack();
        if (follows) {
            add(holder, going.decidedBy());
        }
    }

    private boolean hasDeviceForCalls() {
        return rig.get(machine).get(playback ? Machines.CALL_PLAYBACK : Machines.CALL_RECORDING) instanceof Choice.To;
    }

    private void addProcessors() {
        if (playback) {
            return;
        }
        for (Element processor : rig.of(Kind.PROCESSOR)) {
            if (machine.equals(processor.get(Links.PROCESSOR_MACHINE))
                    && processor.get(Links.PROCESSOR_FROM) == Choice.Special.DEFAULT) {
                add(processor, Links.PROCESSOR_FROM);
            }
        }
    }

    private void addProductions() {
        for (Element production : rig.of(Kind.PRODUCTION)) {
            if (!machine.equals(production.get(Productions.MACHINE))) {
                continue;
            }
            if (playback && production.get(Productions.CUE_DEVICE) == Choice.Special.DEFAULT) {
                add(production, Productions.CUE_DEVICE);
            }
            for (Element input : rig.in(production.id(), Kind.INPUT)) {
                Takes takes = input.get(Productions.TAKES);
                if (input.get(Productions.DEVICE) == Choice.Special.DEFAULT
                        && takes == (playback ? Takes.PLAYBACK : Takes.RECORDING)) {
                    add(input, Productions.DEVICE);
                } else if (playback && takes == Takes.OWN && input.is(Productions.PLAYS_ALOUD, false)) {
                    add(input, Productions.PLAYS_ALOUD);
                }
            }
        }
    }

    private void addMixers() {
        Choice.Special feed = playback ? Choice.Special.PLAYBACK_DEFAULT : Choice.Special.DEFAULT;
        for (Element mixer : rig.of(Kind.MIXER)) {
            if (!machine.equals(mixer.get(Mixers.MACHINE))) {
                continue;
            }
            for (Element strip : rig.in(mixer.id(), Kind.STRIP)) {
                if (strip.get(Mixers.FEED) == feed) {
                    add(strip, Mixers.FEED);
                }
            }
            for (Element bus : rig.in(mixer.id(), Kind.BUS)) {
                if (playback && bus.get(Mixers.TARGET) == Choice.Special.DEFAULT) {
                    add(bus, Mixers.TARGET);
                }
            }
        }
    }

    private void addPassThroughs() {
        for (Element pass : rig.of(Kind.PASS_THROUGH)) {
            if (playback
                    && pass.get(Links.PASS_TO) == Choice.Special.DEFAULT
                    && rig.find(pass.get(Links.PASS_FROM), Kind.DEVICE)
                            .filter(d -> machine.equals(d.get(Devices.MACHINE)))
                            .isPresent()) {
                add(pass, Links.PASS_TO);
            }
        }
    }

    private void addListeners() {
        for (Element outlet : rig.of(Kind.OUTLET)) {
            if (playback
                    && outlet.get(Outlets.DEVICE) == Choice.Special.DEFAULT
                    && machine.equals(Choices.machineOf(rig, outlet))) {
                add(outlet, Outlets.DEVICE);
            }
        }
    }
}
