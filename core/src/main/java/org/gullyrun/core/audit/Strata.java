package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.jspecify.annotations.Nullable;

/**
 * What one listener gets in one scene, by kinds of sound and by times.
 *
 * @param outlet the id of the listener
 * @param name its name
 * @param voice voices, guests and chat together, dBFS; NaN if none arrives, as with the next three
 * @param music music, dBFS
 * @param game games, dBFS
 * @param rest everything else, dBFS
 * @param peak what the sum can reach, dBFS
 * @param tooLoud whether that is more than full scale allows
 * @param balance by how many dB the loudest required voice is above music, media, games and the system; NaN if there is no such pair
 * @param wanted the least that this should be, dB
 * @param arrivals what arrives, the earliest first
 */
public record Strata(
        String outlet,
        String name,
        double voice,
        double music,
        double game,
        double rest,
        double peak,
        boolean tooLoud,
        double balance,
        double wanted,
        List<Arrival> arrivals) {
    public Strata {
        arrivals = List.copyOf(arrivals);
    }

    /**
     * One source that arrives.
     *
     * @param name its name
     * @param sourceClass its class
     * @param level dBFS
     * @param delay of its strongest route, ms
     * @param copyApart how many ms after or before it the strongest copy arrives; NaN if there is none
     */
    public record Arrival(
            String name, @Nullable SourceClass sourceClass, double level, double delay, double copyApart) {}

    /** What all listeners get in a scene by its place, in the order of the rig. */
    public static List<Strata> of(Reading reading, int scene) {
        List<Strata> all = new ArrayList<>();
        for (int o = 0; o < reading.rig().of(Kind.OUTLET).size(); o++) {
            all.add(of(reading, reading.scenes().get(scene), o));
        }
        return all;
    }

    /** What one listener gets. */
    private static Strata of(Reading reading, SceneReading scene, int place) {
        Element outlet = reading.rig().of(Kind.OUTLET).get(place);
        int sources = reading.rig().of(Kind.SOURCE).size();
        double[] powers = new double[4];
        double worst = 0;
        List<Arrival> arrivals = new ArrayList<>();
        for (int s = 0; s < sources; s++) {
            CellReading cell = scene.cell(s, place);
            if (!cell.delivery().arrives()) {
                continue;
            }
            SourceClass is = cell.source().get(Sources.CLASS);
            powers[stratum(is)] += Math.pow(10, cell.usualLevel() / 10);
            worst += Math.pow(10, cell.worstLevel() / 10);
            arrivals.add(new Arrival(
                    cell.source().name(),
                    is,
                    cell.usualLevel(),
                    cell.delivery().strongestDelay(),
                    cell.verdict() == Verdict.DOUBLE ? cell.delivery().copyApart() : Double.NaN));
        }
        arrivals.sort(Comparator.comparingDouble(Arrival::delay));
        double peak = db(worst) + reading.thresholds().of(Threshold.CREST);
        return new Strata(
                outlet.id(),
                outlet.name(),
                db(powers[0]),
                db(powers[1]),
                db(powers[2]),
                db(powers[3]),
                peak,
                peak > reading.thresholds().of(Threshold.CLIP_MINOR),
                Balance.of(scene, sources, place).voiceAboveBed(),
                reading.thresholds().of(Threshold.BALANCE),
                arrivals);
    }

    private static int stratum(@Nullable SourceClass is) {
        return switch (is) {
            case VOICE, GUEST, CHAT -> 0;
            case MUSIC -> 1;
            case GAME -> 2;
            case ALERT, EFFECT, MEDIA, SYSTEM -> 3;
            case null -> 3;
        };
    }

    /** A power as dB, NaN where there is none. */
    private static double db(double power) {
        return power > 0 ? 10 * Math.log10(power) : Double.NaN;
    }
}
