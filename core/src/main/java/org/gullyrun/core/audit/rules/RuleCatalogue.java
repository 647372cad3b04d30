package org.gullyrun.core.audit.rules;

import java.util.List;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Thresholds;
import org.gullyrun.core.brief.Terms;

/** All rules, a line each. Nothing registers itself. */
public final class RuleCatalogue {
    private RuleCatalogue() {}

    /** Every rule there is. Among findings of the same severity, those of the earlier rule come first. */
    public static final List<Rule> ALL = List.of(
            // Sound that comes back to where it was: it may howl at any moment.
            new LoopElectric(),
            new LoopAir(),
            new LoopFarEnd(),
            new SceneSelf(),
            // What must not arrive and does: it cannot be taken back.
            new Leak(),
            // What is not running or not there, and all that hangs on it.
            new EngineDown(),
            new OutputIdle(),
            new DeviceGone(),
            new ChoiceElsewhere(),
            new DeviceFallback(),
            // What must arrive and does not.
            new Missing(),
            new SceneGap(),
            // The same sound more than once.
            new HeardTwice(),
            new DoubleFaint(),
            // What is kept so that it cannot be cut apart.
            new TrackMixed(),
            new TrackEmpty(),
            // Ends that disagree.
            new RateCable(),
            new RateEngine(),
            new RateDrift(),
            new RateMany(),
            // How it sounds.
            new CallProfile(),
            new CallVoiceOnly(),
            new LateSelf(),
            new LateApart(),
            new LevelClip(),
            new LevelBalance(),
            new LevelWindow(),
            // What only waits to go wrong.
            new EngineManual(),
            new DefaultFragile(),
            new CaptureTitle(),
            new CaptureSilent(),
            new HangsOn(),
            // Clutter that hides faults.
            new Stray(),
            new CaptureIdle(),
            new ChoiceIdle(),
            new NamesTwin());

    /** The audit with all rules at the usual thresholds. */
    public static Audit usual() {
        return new Audit(Thresholds.USUAL, List.of(), ALL);
    }

    /** The audit with all rules on the terms of a case, for a show of so many hours. */
    public static Audit on(Terms terms, double showHours) {
        return new Audit(new Thresholds(terms.limits(), showHours), terms.waivers(), ALL).about(terms.complaint());
    }
}
