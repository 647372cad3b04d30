package org.gullyrun.core.audit;

/**
 * The figures at which findings begin or change severity. All stand here; a case can have its own.
 *
 * @param missingStrength a must weaker than this (dB against the source) is missing; −30 dB is hardly noticed beside
 *     programme at usual level
 * @param missingLevel a must below this (dBFS) at the outlet is missing; the noise of ordinary rooms and devices
 * @param leakMinor a never weaker than this (dB) is minor
 * @param leakNote a never weaker than this (dB) is a note
 * @param privateKept a private source without coupling keeps its severity down to this (dB): words stay intelligible
 * @param farEndMajor own voices weaker than this (dB) at a far end are minor
 * @param copyWithin copies fainter than this (dB below the strongest run) do not count as a double
 * @param stacked copies no farther apart than this (ms) put their first notch above hearing
 * @param comb below this (ms) copies are heard as colour; the precedence effect's fusion of speech (Haas 1951)
 * @param slap below this (ms) copies are heard as thickness, above as a repeat (Haas 1951)
 * @param loopCritical an electric circle above this gain (dB) is critical
 * @param loopMinor an electric loop below this gain (dB) is minor
 * @param airMajor a circle through the air above this gain (dB) is major
 */
public record Thresholds(
        double missingStrength,
        double missingLevel,
        double leakMinor,
        double leakNote,
        double privateKept,
        double farEndMajor,
        double copyWithin,
        double stacked,
        double comb,
        double slap,
        double loopCritical,
        double loopMinor,
        double airMajor) {

    /** The figures of the findings catalogue. */
    public static final Thresholds USUAL =
            new Thresholds(-30, -60, -30, -50, -60, -45, 20, 0.03, 30, 60, -12, -40, -20);
}
