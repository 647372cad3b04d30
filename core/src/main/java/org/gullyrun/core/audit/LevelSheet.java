package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;

/**
 * What each listener gets in every scene, as levels: voices, music, the rest, how high it peaks, and how late a person's
 * own voice is. Levels are usual levels in dBFS, summed as powers; what must not arrive counts as it arrives.
 */
public final class LevelSheet {
    private LevelSheet() {}

    /**
     * One outlet in one scene. Figures are NaN where nothing of the sort arrives.
     *
     * @param voice voices, guests and chat together
     * @param music music
     * @param rest everything else
     * @param peak the sum of all, each as loud as its copies can get, and the crest above it
     * @param ownVoiceLate for ears, after how many ms the person's own voice comes back loud enough to be heard
     * @param assumed whether a source that arrives has no level entered, so that the usual one counts
     */
    public record Entry(double voice, double music, double rest, double peak, double ownVoiceLate, boolean assumed) {}

    /** The entries of each outlet of the rig, scene by scene. */
    public static List<List<Entry>> of(Reading reading) {
        List<List<Entry>> sheet = new ArrayList<>();
        for (int o = 0; o < reading.rig().of(Kind.OUTLET).size(); o++) {
            List<Entry> row = new ArrayList<>();
            for (SceneReading scene : reading.scenes()) {
                row.add(entry(reading, scene, o));
            }
            sheet.add(List.copyOf(row));
        }
        return sheet;
    }

    /** The levels and times of all that reaches one listener. */
    private static Entry entry(Reading reading, SceneReading scene, int outlet) {
        double voice = 0;
        double music = 0;
        double rest = 0;
        double worst = 0;
        double late = Double.NaN;
        boolean assumed = false;
        for (int s = 0; s < reading.rig().of(Kind.SOURCE).size(); s++) {
            CellReading cell = scene.cell(s, outlet);
            if (!cell.delivery().arrives()) {
                continue;
            }
            Element source = cell.source();
            double power = Math.pow(10, cell.usualLevel() / 10);
            switch (source.get(Sources.CLASS)) {
                case VOICE, GUEST, CHAT -> voice += power;
                case MUSIC -> music += power;
                case null, default -> rest += power;
            }
            worst += Math.pow(10, cell.worstLevel() / 10);
            assumed |= source.get(Sources.LEVEL) == null;
            String person = cell.outlet().or(Outlets.PERSON, "");
            if (cell.outlet().get(Outlets.SORT) == Outlets.Sort.EARS
                    && !person.isEmpty()
                    && person.equals(source.or(Sources.PERSON, ""))
                    && cell.delivery().strength() >= reading.thresholds().of(Threshold.LEAK_MINOR)) {
                late = cell.delivery().strongestDelay();
            }
        }
        double crest = reading.thresholds().of(Threshold.CREST);
        return new Entry(db(voice), db(music), db(rest), db(worst) + crest, late, assumed);
    }

    /** A power as dB, NaN where there is none. */
    private static double db(double power) {
        return power > 0 ? 10 * Math.log10(power) : Double.NaN;
    }
}
