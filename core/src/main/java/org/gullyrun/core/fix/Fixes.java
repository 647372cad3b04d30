package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.jspecify.annotations.Nullable;

/**
 * Finds the fixes of a finding: candidates from its evidence, each applied to a copy and audited again.
 *
 * <p>Rank: creates nothing new; clears most; alters fewest other deliveries; keeps processed sound rather than raw; fewest
 * settings; sentence. Cost: one audit
 * for each candidate, so it belongs off the interface thread; it stops at the next candidate when told to.
 */
public final class Fixes {
    private static final double NOTICED = 1.0;
    private static final Comparator<Fix> RANK = Comparator.<Fix>comparingInt(
                    r -> r.created().size())
            .thenComparingInt(r -> -r.cleared().size())
            .thenComparingInt(Fix::disturbance)
            .thenComparingInt(Fix::unprocessed)
            .thenComparingInt(r -> r.changes().size())
            .thenComparing(Fix::sentence);

    private final Audit audit;

    public Fixes(Audit audit) {
        this.audit = audit;
    }

    /** All verified fixes of a finding, best first; those found so far if cancelled. */
    public List<Fix> find(Reading reading, Finding finding, BooleanSupplier cancelled) {
        return find(reading, finding, cancelled, soFar -> {});
    }

    /** The same, telling of the fixes so far, best first, whenever one more is verified. */
    public List<Fix> find(Reading reading, Finding finding, BooleanSupplier cancelled, Consumer<List<Fix>> progress) {
        List<Fix> fixes = new ArrayList<>();
        for (List<Change> changes : Candidates.of(reading, finding)) {
            if (cancelled.getAsBoolean()) {
                break;
            }
            Fix fix = tried(reading, changes, finding);
            if (fix != null) {
                fixes.add(fix);
                fixes.sort(RANK);
                progress.accept(fixes);
            }
        }
        return fixes;
    }

    /**
     * What changes clear, create and alter; null if they do not fit, or do not clear the finding they were thought of for.
     */
    private @Nullable Fix tried(Reading before, List<Change> changes, Finding finding) {
        Made made = made(before, changes, finding);
        return made == null || !made.fix.cleared().contains(finding.identity()) ? null : made.fix;
    }

    /** Changes that were made: what they do, and the rig with them, read. */
    record Made(Fix fix, Reading after) {}

    /** The rig with changes that fit it, read. */
    Reading read(Reading before, List<Change> changes) {
        return audit.read(before, changes);
    }

    /** Makes changes and audits the rig; null if they do not fit it. */
    @Nullable
    Made made(Reading before, List<Change> changes) {
        return made(before, changes, null);
    }

    private @Nullable Made made(Reading before, List<Change> changes, @Nullable Finding finding) {
        Reading after;
        try {
            after = read(before, changes);
        } catch (Changes.Conflict e) {
            return null; // two gates of one route that are one setting with different values cannot both be met
        }
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
        cleared.sort(null);
        created.sort(null);
        return new Made(
                new Fix(
                        changes,
                        sentence(before.rig(), after.rig(), changes),
                        cleared,
                        created,
                        altered(before, after, finding),
                        Processing.lost(before, after, cleared)),
                after);
    }

    /** What changes that fit a rig do, as a sentence; empty if they do not fit. */
    static String sentence(Rig rig, List<Change> changes) {
        try {
            boolean adds = changes.stream().anyMatch(Change.Add.class::isInstance);
            return sentence(rig, adds ? Changes.apply(rig, changes) : rig, changes);
        } catch (Changes.Conflict e) {
            return "";
        }
    }

    private static String sentence(Rig rig, Rig changed, List<Change> changes) {
        return String.join(
                "; ",
                changes.stream()
                        .map(c -> Sentences.say(c instanceof Change.Add ? changed : rig, c))
                        .toList());
    }

    /** What the audit at hand can find: a reading may hold more, of rules that are not asked here. */
    private Map<String, Severity> bySubject(Reading reading) {
        Map<String, Severity> severities = new HashMap<>();
        reading.findings().stream()
                .filter(f -> audit.asks(f.rule()))
                .forEach(f -> severities.put(f.identity(), f.severity()));
        return severities;
    }

    private static List<String> altered(Reading before, Reading after, @Nullable Finding finding) {
        List<String> altered = new ArrayList<>();
        int outlets = before.rig().of(Kind.OUTLET).size();
        int sources = before.rig().of(Kind.SOURCE).size();
        if (before.scenes().size() != after.scenes().size()
                || after.rig().of(Kind.OUTLET).size() != outlets
                || after.rig().of(Kind.SOURCE).size() != sources) {
            return altered; // a source, outlet or scene came or went: the cells cannot be set side by side
        }
        for (int s = 0; s < sources; s++) {
            for (int o = 0; o < outlets; o++) {
                for (int i = 0; i < before.scenes().size(); i++) {
                    SceneReading was = before.scenes().get(i);
                    SceneReading is = after.scenes().get(i);
                    if (is.sharesRow(was, s)) {
                        continue;
                    }
                    CellReading a = was.cell(s, o);
                    boolean wasGood = a.verdict() == Verdict.GOOD || a.verdict() == Verdict.FAINT;
                    if (wasGood && (finding == null || !finding.isAbout(a)) && differs(a, is.cell(s, o))) {
                        altered.add(words(a, is.cell(s, o)));
                        break;
                    }
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
