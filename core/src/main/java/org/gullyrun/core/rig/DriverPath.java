package org.gullyrun.core.rig;

/** The way by which sound gets into or out of a device, an application or an engine. */
public enum DriverPath implements Worded {
    /** Through the system's own mixing. */
    STANDARD("standard"),
    /** Around the system's mixing, holding the device alone. */
    EXCLUSIVE("exclusive"),
    /** Around the system's mixing, with short buffers. */
    LOW_LATENCY("low-latency"),
    /** An older interface. */
    LEGACY("legacy");

    private final String word;

    DriverPath(String word) {
        this.word = word;
    }

    @Override
    public String word() {
        return word;
    }

    /** Whether sound on this path goes around the system's mixing, where it cannot be captured. */
    public boolean goesAround() {
        return this == EXCLUSIVE || this == LOW_LATENCY;
    }
}
