package org.gullyrun.core.audit;

import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Sources;

/**
 * One source at one outlet in one scene: what is wished, what arrives, and the verdict.
 *
 * @param source the source
 * @param outlet the outlet
 * @param counting what the brief says, and why
 * @param delivery what arrives
 * @param electric what arrives over routes without couplings
 * @param verdict what follows
 * @param ownVoice whether the outlet is the far end at which the source sits: it must never hear itself
 */
public record CellReading(
        Element source,
        Element outlet,
        Wishes.Counting counting,
        Delivery delivery,
        Delivery electric,
        Verdict verdict,
        boolean ownVoice) {

    /** The same cell where segments have other numbers. */
    CellReading over(Delivery now, Delivery nowElectric) {
        return now == delivery && nowElectric == electric
                ? this
                : new CellReading(source, outlet, counting, now, nowElectric, verdict, ownVoice);
    }

    /** The same cell where a must is met at a listener that stands in for this one. */
    CellReading judged(Verdict other) {
        return new CellReading(source, outlet, counting, delivery, electric, other, ownVoice);
    }

    /** What the brief says. */
    public Wish wish() {
        return counting.wish();
    }

    /** The usual level in dBFS at the outlet; NaN if nothing arrives. */
    public double usualLevel() {
        return Sources.level(source) + delivery.strength();
    }

    /** The worst level in dBFS at the outlet, as if all copies arrived in phase; NaN if nothing arrives. */
    public double worstLevel() {
        return Sources.level(source) + delivery.worst();
    }

    /** The level in dBFS of the strongest route alone; NaN if nothing arrives. */
    public double strongestLevel() {
        return Sources.level(source) + delivery.strongestGain();
    }

    /** Whether a must arrives, but too faintly to count. */
    public boolean tooFaint() {
        return verdict == Verdict.MISSING && delivery.arrives();
    }
}
