package org.gullyrun.core.rig;

/** What sort of thing an {@link Element} is. The order is the one in which a case file lists its sections. */
public enum Kind {
    MACHINE("machines", "computer", ""),
    DEVICE("devices", "device", ""),
    CABLE("cables", "cable", ""),
    WIRE("wires", "wire", ""),
    COUPLING("couplings", "coupling", ""),
    PASS_THROUGH("passThroughs", "pass-through", ""),
    PROCESSOR("processors", "processor", ""),
    APPLICATION("applications", "program", ""),
    APP_OUTPUT("applicationOutputs", "output", "application"),
    MIXER("mixers", "mixer", ""),
    STRIP("strips", "strip", "mixer"),
    BUS("buses", "bus", "mixer"),
    PRODUCTION("productions", "production", ""),
    INPUT("inputs", "input", "production"),
    GROUP("groups", "group", "production"),
    SCENE("scenes", "scene", "production"),
    ENTRY("entries", "entry", "scene"),
    OUTPUT("outputs", "output", "production"),
    SOURCE("sources", "source", ""),
    OUTLET("outlets", "listener", "");

    private final String section;
    private final String noun;
    private final String ownerKey;

    Kind(String section, String noun, String ownerKey) {
        this.section = section;
        this.noun = noun;
        this.ownerKey = ownerKey;
    }

    /** The name of the section of a case file that holds elements of this kind. */
    public String section() {
        return section;
    }

    /** The plain word for one element of this kind, as people say it; a case file keeps its own words. */
    public String noun() {
        return noun;
    }

    /** The key of the setting that names the element this one lives in (a strip's mixer), or an empty text. */
    public String ownerKey() {
        return ownerKey;
    }
}
