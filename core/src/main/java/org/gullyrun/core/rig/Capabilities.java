package org.gullyrun.core.rig;

import org.jspecify.annotations.Nullable;

/**
 * What elements of a kind are able to do. Every question is answered for every kind by name, so that the compiler points
 * at all of them when a kind is added.
 */
public final class Capabilities {
    private Capabilities() {}

    /**
     * The two settings that say what something joins.
     *
     * @param from where sound comes in
     * @param to where it goes on
     */
    public record Ends(Setting<?> from, Setting<?> to) {}

    /**
     * The settings of something that carries sound and has to run for it.
     *
     * @param running whether it runs now
     * @param starts how it is started
     */
    public record Engine(Setting<Boolean> running, Setting<Boolean> starts) {}

    /** How engines of a kind run; null for all that is no engine. */
    public static @Nullable Engine engine(Kind kind) {
        return switch (kind) {
            case MIXER -> new Engine(Mixers.RUNNING, Mixers.STARTS);
            case PROCESSOR -> new Engine(Links.PROCESSOR_RUNNING, Links.PROCESSOR_STARTS);
            case PRODUCTION -> new Engine(Productions.RUNNING, Productions.STARTS);
            case MACHINE, DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, APPLICATION, APP_OUTPUT, STRIP -> null;
            case BUS, INPUT, GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> null;
        };
    }

    /** What elements of a kind join; null where they join nothing. */
    public static @Nullable Ends ends(Kind kind) {
        return switch (kind) {
            case CABLE -> new Ends(Links.CABLE_FROM, Links.CABLE_TO);
            case WIRE -> new Ends(Links.WIRE_FROM, Links.WIRE_TO);
            case COUPLING -> new Ends(Links.COUPLING_FROM, Links.COUPLING_TO);
            case PASS_THROUGH -> new Ends(Links.PASS_FROM, Links.PASS_TO);
            case PROCESSOR -> new Ends(Links.PROCESSOR_FROM, Links.PROCESSOR_TO);
            case MACHINE, DEVICE, APPLICATION, APP_OUTPUT, MIXER, STRIP, BUS, PRODUCTION, INPUT -> null;
            case GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> null;
        };
    }

    /** Whether something of a kind may be left without a name of its own, and is then named after its ends. */
    public static boolean isNamedAfterEnds(Kind kind) {
        return switch (kind) {
            case WIRE, COUPLING, PASS_THROUGH -> true;
            case MACHINE, DEVICE, CABLE, PROCESSOR, APPLICATION, APP_OUTPUT, MIXER, STRIP, BUS -> false;
            case PRODUCTION, INPUT, GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> false;
        };
    }

    /** The setting that says on which computer something is; null where it is on that of its owner, or on none. */
    public static @Nullable Setting<String> machine(Kind kind) {
        return switch (kind) {
            case DEVICE -> Devices.MACHINE;
            case APPLICATION -> Applications.MACHINE;
            case PROCESSOR -> Links.PROCESSOR_MACHINE;
            case MIXER -> Mixers.MACHINE;
            case PRODUCTION -> Productions.MACHINE;
            case OUTLET -> Outlets.MACHINE;
            case MACHINE, CABLE, WIRE, COUPLING, PASS_THROUGH, APP_OUTPUT, STRIP, BUS, INPUT -> null;
            case GROUP, SCENE, ENTRY, OUTPUT, SOURCE -> null;
        };
    }

    /** What something of a kind needs in order to work at all; the first thing to check if it fails. */
    public static @Nullable Setting<?> works(Kind kind) {
        return switch (kind) {
            case DEVICE -> Devices.PRESENT;
            case CABLE -> Links.CABLE_FROM;
            case WIRE -> Links.WIRE_FROM;
            case COUPLING -> Links.COUPLING_FROM;
            case PASS_THROUGH -> Links.PASS_ENABLED;
            case PROCESSOR -> Links.PROCESSOR_RUNNING;
            case APPLICATION -> Applications.RUNNING;
            case MIXER -> Mixers.RUNNING;
            case PRODUCTION -> Productions.RUNNING;
            case MACHINE, APP_OUTPUT, STRIP, BUS, INPUT, GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> null;
        };
    }

    /** Whether a name alone says which element is meant, so that the word for its kind can be left out. */
    public static boolean isNamedAlone(Kind kind) {
        return switch (kind) {
            case DEVICE, APPLICATION, MIXER, PRODUCTION, PROCESSOR, MACHINE -> true;
            case CABLE, WIRE, COUPLING, PASS_THROUGH, APP_OUTPUT, STRIP, BUS, INPUT, GROUP -> false;
            case SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> false;
        };
    }
}
