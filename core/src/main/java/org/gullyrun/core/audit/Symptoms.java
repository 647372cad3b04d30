package org.gullyrun.core.audit;

import org.gullyrun.core.brief.Complaint;

/** Which findings can be behind what a creator reports. */
final class Symptoms {
    private Symptoms() {}

    /**
     * Whether a finding can be what is reported: it is noticed so, and at that listener and of that source where both it and
     * the complaint name one. Notes never are, as nobody hears them.
     *
     * @param rule the rule that found it
     */
    static boolean fits(Complaint complaint, Finding finding, Rule rule) {
        return !complaint.isOpen()
                && finding.severity() != Severity.NOTE
                && isAt(complaint.listener(), finding.subject().outlet())
                && isAt(complaint.source(), finding.subject().source())
                && (complaint.what() == null || rule.heardAs().contains(complaint.what()));
    }

    /** Whether a place that was reported can be the one found; an empty one is any. */
    private static boolean isAt(String reported, String found) {
        return reported.isEmpty() || found.isEmpty() || reported.equals(found);
    }
}
