package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.rig.Kind;

/**
 * What becomes of the findings.
 *
 * @param cleared those that are gone or down to minor, worst first
 * @param created the identities of those that are new, or rose to major or critical
 * @param worth the weights of those cleared, less those of minor ones that are new
 * @param revealed the weights of what was missing unseen, and shows now that nothing hides it
 * @param bad how many of the created are major or critical
 */
record Outcome(List<Finding> cleared, List<String> created, int worth, int revealed, int bad) {
    /** What becomes of the findings that an audit can find, between two readings. */
    static Outcome between(Audit audit, Reading before, Reading after) {
        Map<String, Finding> then = byIdentity(audit, before);
        Map<String, Finding> now = byIdentity(audit, after);
        List<Finding> cleared = new ArrayList<>();
        List<String> created = new ArrayList<>();
        int worth = 0;
        int revealed = 0;
        int bad = 0;
        Set<String> silent = after.missingPairs();
        for (Finding here : now.values()) {
            Finding was = then.get(here.identity());
            boolean shows = was == null && here.severity() != Severity.NOTE;
            boolean lacked = shows && before.lackedUnseen(after, here);
            boolean isNew = shows && !lacked;
            revealed += lacked && here.isBad() ? here.severity().weight() : 0;
            if (isNew || was != null && here.isBad() && !was.isBad()) {
                created.add(here.identity());
                bad += here.isBad() ? 1 : 0;
                worth -= here.isBad() ? 0 : here.severity().weight();
            }
        }
        for (Finding was : then.values()) {
            Finding left = now.get(was.identity());
            // What is only told under what is down now, or is lacking in other scenes, isn't cleared.
            boolean unseen = left == null
                    && before.rule(was).topic() == Topic.MISSING
                    && silent.contains(was.subject().text());
            boolean abandoned = revealed > 0 && isStillOff(before, after, was);
            if (!unseen && !abandoned && (left == null || was.isBad() && !left.isBad())) {
                cleared.add(was);
                worth += was.severity().weight();
            }
        }
        created.sort(null);
        return new Outcome(cleared, created, worth, revealed, bad);
    }

    /** Whether a finding is about a device that still can't be used: what it carried was left where it is. */
    private static boolean isStillOff(Reading before, Reading after, Finding finding) {
        return before.rule(finding).topic() == Topic.DEVICE
                && finding.subject().elements().stream()
                        .anyMatch(id -> after.rig()
                                .find(id, Kind.DEVICE)
                                .filter(device -> !Choices.usable(after.rig(), device))
                                .isPresent());
    }

    /** What the audit at hand can find, worst first: a reading may hold more, of rules that are not asked here. */
    private static Map<String, Finding> byIdentity(Audit audit, Reading reading) {
        Map<String, Finding> findings = new LinkedHashMap<>();
        reading.findings().stream().filter(f -> audit.asks(f.rule())).forEach(f -> findings.put(f.identity(), f));
        return findings;
    }
}
