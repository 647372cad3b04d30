package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.jspecify.annotations.Nullable;

/**
 * Finds the remedies of a finding: candidates from its evidence, each applied to a copy and audited again.
 *
 * <p>Rank: creates nothing new; clears most; alters fewest other deliveries; fewest settings; sentence. Cost: one audit
 * for each candidate, so it belongs off the interface thread; it stops at the next candidate when told to.
 */
public final class Remedies {
    private static final double NOTICED = 1.0;
    private static final Comparator<Remedy> RANK = Comparator.<Remedy>comparingInt(
                    r -> r.created().size())
            .thenComparingInt(r -> -r.cleared().size())
            .thenComparingInt(Remedy::disturbance)
            .thenComparingInt(r -> r.changes().size())
            .thenComparing(Remedy::sentence);

    private final Audit audit;

    public Remedies(Audit audit) {
        this.audit = audit;
    }

    /** All verified remedies of a finding, best first; those found so far if cancelled. */
    public List<Remedy> find(Reading reading, Finding finding, BooleanSupplier cancelled) {
        List<Remedy> remedies = new ArrayList<>();
        for (List<Change> changes : Candidates.of(reading, finding)) {
            if (cancelled.getAsBoolean()) {
                break;
            }
            Remedy remedy = verify(reading, finding, changes);
            if (remedy != null) {
                remedies.add(remedy);
            }
        }
        remedies.sort(RANK);
        return remedies;
    }

    private @Nullable Remedy verify(Reading before, Finding finding, List<Change> changes) {
        Rig changed;
        try {
            changed = Changes.apply(before.rig(), changes);
        } catch (Changes.Conflict e) {
            return null; // two gates of one way that are one setting with different values cannot both be met
        }
        Reading after = audit.read(changed, before.brief());
        Map<String, Severity> then = bySubject(before);
        Map<String, Severity> now = bySubject(after);
        List<String> cleared = new ArrayList<>();
        List<String> created = new ArrayList<>();
        then.forEach((identity, severity) -> {
            Severity left = now.get(identity);
            if (left == null || severity.atLeast(Severity.MAJOR) && !left.atLeast(Severity.MAJOR)) {
                cleared.add(identity);
            }
        });
        now.forEach((identity, severity) -> {
            Severity was = then.get(identity);
            if (was == null && severity != Severity.NOTE
                    || was != null && severity.atLeast(Severity.MAJOR) && !was.atLeast(Severity.MAJOR)) {
                created.add(identity);
            }
        });
        if (!cleared.contains(finding.identity())) {
            return null;
        }
        cleared.sort(null);
        created.sort(null);
        return new Remedy(
                changes, sentence(before.rig(), changed, changes), cleared, created, altered(before, after, finding));
    }

    private static String sentence(Rig rig, Rig changed, List<Change> changes) {
        return String.join(
                "; ",
                changes.stream()
                        .map(c -> Sentences.say(c instanceof Change.Add ? changed : rig, c))
                        .toList());
    }

    private static Map<String, Severity> bySubject(Reading reading) {
        Map<String, Severity> severities = new HashMap<>();
        reading.findings().forEach(f -> severities.put(f.identity(), f.severity()));
        return severities;
    }

    private static List<String> altered(Reading before, Reading after, Finding finding) {
        List<String> altered = new ArrayList<>();
        int cells = before.scenes().getFirst().cells().size();
        if (before.scenes().size() != after.scenes().size()
                || cells != after.scenes().getFirst().cells().size()) {
            return altered; // a source, outlet or scene came or went: the cells cannot be set side by side
        }
        for (int i = 0; i < cells; i++) {
            for (int s = 0; s < before.scenes().size(); s++) {
                CellReading a = before.scenes().get(s).cells().get(i);
                CellReading b = after.scenes().get(s).cells().get(i);
                boolean own = a.source().id().equals(finding.subject().source())
                        && a.outlet().id().equals(finding.subject().outlet());
                boolean wasGood = a.verdict() == Verdict.GOOD || a.verdict() == Verdict.FAINT;
                if (!own && wasGood && differs(a, b)) {
                    altered.add(words(a, b));
                    break;
                }
            }
        }
        return altered;
    }

    private static boolean differs(CellReading a, CellReading b) {
        return a.verdict() != b.verdict()
                || Math.abs(a.delivery().strength() - b.delivery().strength()) > NOTICED;
    }

    private static String words(CellReading a, CellReading b) {
        String pair = a.outlet().name();
        String source = a.source().name();
        if (!b.delivery().arrives()) {
            return pair + " loses " + source;
        }
        double by = b.delivery().strength() - a.delivery().strength();
        return pair + " gets " + source + (Math.abs(by) > NOTICED ? by > 0 ? " louder" : " fainter" : " another way");
    }
}
