package org.gullyrun.core.audit.rules;

import java.util.List;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Thresholds;

/** All rules, a line each. Nothing registers itself. */
public final class RuleCatalogue {
    private RuleCatalogue() {}

    /** Every rule there is. */
    public static final List<Rule> ALL = List.of(
            // Sound that comes back to where it was.
            new LoopElectric(),
            new LoopAir(),
            new LoopFarEnd(),
            // The same sound more than once.
            new Double(),
            new DoubleFaint(),
            // What must arrive and does not.
            new Missing(),
            new SceneGap(),
            // What must not arrive and does.
            new Leak(),
            new TrackMixed(),
            // Ends that disagree.
            new RateCable(),
            // What is not there, or not running.
            new DeviceGone(),
            new DeviceFallback(),
            new EngineDown(),
            new EngineManual(),
            new OutputIdle(),
            new CaptureIdle());

    /** The audit with all rules at the usual thresholds. */
    public static Audit usual() {
        return new Audit(Thresholds.USUAL, ALL);
    }
}
