package org.gullyrun.core.audit;

import java.util.Set;
import org.gullyrun.core.brief.Complaint;

/** Which findings can be behind what a creator reports. */
public final class Symptoms {
    private static final Set<String> LOOPS = Set.of("loop.electric", "loop.air", "loop.far-end");

    private Symptoms() {}

    /**
     * Whether a finding can be what is reported: it is noticed so, and at that listener and of that source where both it and
     * the complaint name one. Notes never are, as nobody hears them.
     */
    public static boolean fits(Complaint complaint, Finding finding) {
        return !complaint.isOpen()
                && finding.severity() != Severity.NOTE
                && isAt(complaint.listener(), finding.subject().outlet())
                && isAt(complaint.source(), finding.subject().source())
                && (complaint.what() == null || isNoticed(complaint.what(), finding.rule()));
    }

    /** Whether a place that was reported can be the one found; an empty one is any. */
    private static boolean isAt(String reported, String found) {
        return reported.isEmpty() || found.isEmpty() || reported.equals(found);
    }

    /** Whether a rule's findings sound like that. */
    private static boolean isNoticed(Complaint.What what, String rule) {
        return switch (what) {
            case TWICE -> rule.startsWith("double") || LOOPS.contains(rule) || rule.equals("late.apart");
            case ECHO -> LOOPS.contains(rule) || rule.startsWith("double") || rule.equals("late.self");
            case HOWL -> LOOPS.contains(rule);
            case NOTHING ->
                Set.of("missing", "scene.gap", "engine.down", "output.idle", "track.empty", "stray")
                                .contains(rule)
                        || rule.equals("device.gone")
                        || rule.equals("device.fallback");
            case TOO_QUIET -> Set.of("level.balance", "level.window", "missing").contains(rule);
            case TOO_LOUD -> rule.startsWith("level.") || rule.equals("double");
            case ROBOTIC ->
                rule.startsWith("rate.")
                        || Set.of("device.call-profile", "level.clip", "double").contains(rule);
            case OFF_PITCH -> rule.startsWith("rate.");
            case LATE -> rule.startsWith("late.");
            case NOT_MEANT -> Set.of("leak", "track.mixed", "loop.far-end").contains(rule);
            case CUTS_OUT ->
                Set.of("scene.gap", "rate.drift", "missing", "device.fallback").contains(rule);
        };
    }
}
