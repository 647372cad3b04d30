package org.gullyrun.core.audit;

import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.jspecify.annotations.Nullable;

/**
 * What stands beside what at one outlet in one scene: the loudest voice that must be heard, and the power sum of music,
 * media, games and system sounds. Only sources whose level has been entered count.
 *
 * @param voice the loudest must of class voice; null if none arrives
 * @param loudestOfBed the loudest of music, media, games and system sounds; null if none arrives
 * @param voiceLevel the voice's usual level in dBFS; NaN if there is none
 * @param bedLevel the sum of the others in dBFS; NaN if there is none
 */
public record Balance(
        @Nullable CellReading voice, @Nullable CellReading loudestOfBed, double voiceLevel, double bedLevel) {

    /** The balance of one outlet, by its place in the rig's list. */
    public static Balance of(SceneReading scene, int sources, int outlet) {
        CellReading voice = null;
        CellReading bed = null;
        double power = 0;
        for (int s = 0; s < sources; s++) {
            CellReading cell = scene.cell(s, outlet);
            SourceClass is = cell.source().get(Sources.CLASS);
            if (is == null || !cell.delivery().arrives() || cell.source().get(Sources.LEVEL) == null) {
                continue;
            }
            double level = cell.usualLevel();
            switch (is) {
                case VOICE -> {
                    if (cell.wish() == Wish.MUST && (voice == null || level > voice.usualLevel())) {
                        voice = cell;
                    }
                }
                case MUSIC, MEDIA, GAME, SYSTEM -> {
                    power += power(level);
                    bed = bed == null || level > bed.usualLevel() ? cell : bed;
                }
                default -> {}
            }
        }
        return new Balance(
                voice,
                bed,
                voice == null ? Double.NaN : voice.usualLevel(),
                bed == null ? Double.NaN : 10 * Math.log10(power));
    }

    /** By how many dB the voice is above the rest; NaN where either is missing. */
    public double voiceAboveBed() {
        return voiceLevel - bedLevel;
    }

    /**
     * The level in dBFS at which the loudest of the rest leaves the voice so many dB above all of it; NaN where the others alone
     * are too loud, or something is missing. From the power sum: 10·log10(10^((voice − wanted)/10) − (10^(bed/10) − 10^(loudest/10))).
     */
    public double loudestMayBe(double wanted) {
        if (loudestOfBed == null || Double.isNaN(voiceLevel)) {
            return Double.NaN;
        }
        double others = power(bedLevel) - power(loudestOfBed.usualLevel());
        double left = power(voiceLevel - wanted) - others;
        return left <= 0 ? Double.NaN : 10 * Math.log10(left);
    }

    private static double power(double level) {
        return Math.pow(10, level / 10);
    }
}
