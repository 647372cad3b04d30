package org.gullyrun.core.repair;

import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/** Where a change is made: two repairs whose changes lie elsewhere are different ways to the same end. */
public enum Approach {
    /** What the production captures, mixes and keeps. */
    PRODUCTION("in the production"),
    /** Where programs play and what they listen to. */
    PROGRAMS("in the programs"),
    /** What the computer takes as its defaults. */
    DEFAULTS("by the computer's defaults"),
    /** What the mixer joins. */
    MIXER("in the mixer"),
    /** Devices and what joins them. */
    DEVICES("at the devices");

    private final String word;

    Approach(String word) {
        this.word = word;
    }

    /** How it is said: "in the production". */
    public String word() {
        return word;
    }

    /** Where a change of a rig is made. */
    public static Approach of(Rig rig, Change change) {
        Kind kind = change instanceof Change.Add add
                ? add.what().kind()
                : rig.get(change.element()).kind();
        return switch (kind) {
            case PRODUCTION, INPUT, GROUP, SCENE, ENTRY, OUTPUT -> PRODUCTION;
            case APPLICATION, APP_OUTPUT, PROCESSOR -> PROGRAMS;
            case MACHINE -> DEFAULTS;
            case MIXER, STRIP, BUS -> MIXER;
            case DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, SOURCE, OUTLET -> DEVICES;
        };
    }
}
