package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Finds the fixes of a finding: candidates from its evidence, each applied to a copy and audited again.
 *
 * <p>Rank: causes nothing major; silences no program altogether; resolves most; leaves least that was hidden; keeps processed
 * sound rather than raw; loses fewest deliveries; goes back to how it was when all was well; moves no level away from 0 dB; takes
 * least from others; least to build anew; fewest settings; a program's own setting before a default, a default before a system
 * setting; of those that are alike in all this, what the rig itself suggests ({@link Merit#ALIKE}); in the order in which sound
 * meets them. Cost: one audit for
 * each candidate, so it belongs off the interface thread; it stops at the next candidate when told to.
 */
public final class Fixes {
    /** Of what differs from when all was well so many changes are tried. */
    private static final int MOST_DIFFERENCES = 40;

    /** Of so many choices, each with a gate opened, as many are tried where nothing else helps. */
    private static final int MOST_BOTH = 40;
    /** Of more changes than this, none does anything much without the others. */
    private static final int MOST_PARTS = 3;
    /** Of what clears a finding and does harm, so many are told. */
    private static final int MOST_CLEARING = 6;

    static final Comparator<Fix> RANK = Comparator.<Fix>comparingInt(
                    fix -> fix.merit().bad())
            .thenComparing(fix -> fix.work().cutsAtStart())
            .thenComparingInt(fix -> -fix.merit().worth())
            .thenComparingInt(fix -> fix.merit().revealed())
            .thenComparingInt(fix -> fix.merit().unprocessed())
            .thenComparingInt(fix -> fix.merit().lost())
            .thenComparing(fix -> !fix.restores())
            .thenComparingInt(fix -> fix.work().away())
            .thenComparingInt(fix -> fix.merit().disturbance())
            .thenComparingInt(fix -> fix.work().effort())
            .thenComparingInt(fix -> fix.changes().size())
            .thenComparingInt(fix -> fix.work().depth())
            .thenComparing(Fix::merit, Merit.ALIKE);

    private final Audit audit;
    private final @Nullable Rig knownGood;
    private final Predicate<Change> allowed;
    private final @Nullable TriedChanges tried;
    private @Nullable WhenGood whenGood;

    /** Fixes as an audit sees them, where no survey is known to be good. */
    public Fixes(Audit audit) {
        this(audit, null);
    }

    /**
     * Fixes as an audit sees them.
     *
     * @param knownGood the rig as it was when all was well: what goes back to it ranks before its like; null if not known
     */
    public Fixes(Audit audit, @Nullable Rig knownGood) {
        this(audit, knownGood, change -> true);
    }

    /**
     * The same, with only some changes allowed.
     *
     * @param allowed whether a change may be part of a fix: what isn't possible here, or isn't wanted, is never tried
     */
    public Fixes(Audit audit, @Nullable Rig knownGood, Predicate<Change> allowed) {
        this(audit, knownGood, allowed, null);
    }

    private Fixes(Audit audit, @Nullable Rig knownGood, Predicate<Change> allowed, @Nullable TriedChanges tried) {
        this.audit = audit;
        this.knownGood = knownGood;
        this.allowed = allowed;
        this.tried = tried;
    }

    /** The same for many findings of one reading: what was tried for one isn't read again for the next. */
    public Fixes forMany(Reading reading) {
        return new Fixes(audit, knownGood, allowed, new TriedChanges(audit, reading));
    }

    /** The audit by whose findings fixes are judged. */
    public Audit audit() {
        return audit;
    }

    /** Whether a change may be part of a fix. */
    boolean allows(Change change) {
        return allowed.test(change);
    }

    /** All verified fixes of a finding, best first; those found so far if cancelled. */
    public List<Fix> find(Reading reading, Finding finding, BooleanSupplier cancelled) {
        return find(reading, finding, cancelled, soFar -> {});
    }

    /** What might fix a finding, nothing of it tried yet: single changes and several together. */
    public Collection<List<Change>> ideas(Reading reading, Finding finding) {
        return candidates(reading, finding);
    }

    /**
     * Every change that is an idea for some findings, or part of a small one, and which of these it may clear by itself: too many
     * rather than too few.
     */
    public Map<Change, Set<String>> mayClear(Reading reading, List<Finding> findings) {
        Map<Change, Set<String>> all = new LinkedHashMap<>();
        AffectedFindings touched = new AffectedFindings(reading);
        for (Finding finding : findings) {
            for (List<Change> changes : candidates(reading, finding)) {
                for (Change change : changes.size() > MOST_PARTS ? List.<Change>of() : changes) {
                    all.computeIfAbsent(
                                    change,
                                    c -> touched.by(List.of(c), findings).stream()
                                            .map(Finding::identity)
                                            .collect(Collectors.toCollection(HashSet::new)))
                            .add(finding.identity());
                }
            }
        }
        return all;
    }

    /** What might fix a finding: from its evidence, and what differs from when all was well. */
    Collection<List<Change>> candidates(Reading reading, Finding finding) {
        Set<List<Change>> all = new LinkedHashSet<>(Candidates.of(reading, finding));
        if (knownGood != null) {
            differences(reading.rig(), knownGood).stream()
                    .filter(change -> finding.isBad()
                            || change instanceof Change.Set set
                                    && finding.evidence().settings().contains(set.address()))
                    .map(change -> Feasible.of(reading.rig(), List.of(change)))
                    .filter(possible -> !possible.isEmpty())
                    .forEach(all::add);
        }
        all.removeIf(changes -> !changes.stream().allMatch(this::allows));
        return all;
    }

    /** The changes that clear a finding whatever else they bring: a few, what does least harm first. */
    public List<List<Change>> clearing(Reading reading, Finding finding, BooleanSupplier cancelled) {
        List<Fix> clearing = new ArrayList<>();
        for (List<Change> changes : candidates(reading, finding)) {
            Made made = cancelled.getAsBoolean() ? null : made(reading, changes, finding);
            if (made != null && clears(made, finding)) {
                clearing.add(made.fix);
            }
        }
        return clearing.stream()
                .sorted(Comparator.comparingInt((Fix fix) -> fix.merit().bad()).thenComparing(RANK))
                .limit(MOST_CLEARING)
                .map(Fix::changes)
                .toList();
    }

    /** What is tried where none of the candidates helps: another device with what is in the way from there, or one more input. */
    List<List<Change>> lastIdeas(Reading reading, Finding finding, BooleanSupplier cancelled) {
        List<List<Change>> ideas = new ArrayList<>(AnotherWay.of(this, reading, finding, cancelled));
        MissingCandidates.atLast(reading, finding, ideas::add);
        return ideas.stream()
                .map(changes -> Feasible.of(reading.rig(), changes))
                .filter(changes -> !changes.isEmpty() && changes.stream().allMatch(this::allows))
                .limit(MOST_BOTH)
                .toList();
    }

    /** What was heard when all was well, worked out once; null if that isn't known. Called from several threads. */
    private synchronized @Nullable WhenGood whenGood(Reading now) {
        if (whenGood == null && knownGood != null) {
            whenGood = new WhenGood(audit.read(knownGood, now.brief()));
        }
        return whenGood;
    }

    /** Settings of elements in both rigs that differ, as changes back; the first so many. */
    private static List<Change> differences(Rig rig, Rig good) {
        return Changes.between(rig, good).stream()
                .filter(c -> c instanceof Change.Set && rig.find(c.element()) != null)
                .limit(MOST_DIFFERENCES)
                .toList();
    }

    /** Whether every change sets what the known-good survey has. */
    boolean restores(List<Change> changes) {
        Rig good = knownGood;
        return good != null
                && changes.stream().allMatch(c -> {
                    Element then = good.find(c.element());
                    return c instanceof Change.Set set
                            && then != null
                            && then.kind() == set.setting().kind()
                            && Objects.equals(then.raw(set.setting()), set.to());
                });
    }

    /** The same, telling of the fixes so far, best first, whenever one more is verified. */
    public List<Fix> find(Reading reading, Finding finding, BooleanSupplier cancelled, Consumer<List<Fix>> progress) {
        List<Fix> fixes = new ArrayList<>();
        Pairs pairs = new Pairs(this, reading, finding, fixes, cancelled, progress);
        tryAll(candidates(reading, finding), reading, finding, fixes, pairs, cancelled, progress);
        if (!cancelled.getAsBoolean()) {
            pairs.find();
        }
        if (fixes.isEmpty() && !cancelled.getAsBoolean()) {
            tryAll(lastIdeas(reading, finding, cancelled), reading, finding, fixes, pairs, cancelled, progress);
        }
        return varied(fixes);
    }

    /** The same, with a third way to set one and the same thing after what resolves as much by setting another. */
    private static List<Fix> varied(List<Fix> ranked) {
        List<Fix> varied = new ArrayList<>(ranked);
        for (int i = 2; i < varied.size(); i++) {
            Fix third = varied.get(i);
            if (isAlike(third, varied.get(i - 1)) && isAlike(third, varied.get(i - 2))) {
                for (int j = i + 1; j < varied.size(); j++) {
                    Fix other = varied.get(j);
                    if (!isAlike(other, third)
                            && other.merit().worth() >= third.merit().worth()) {
                        varied.add(i, varied.remove(j));
                        break;
                    }
                }
            }
        }
        return varied;
    }

    private static boolean isAlike(Fix one, Fix other) {
        return Changes.places(one.changes()).equals(Changes.places(other.changes()));
    }

    /** Tries candidates one after the other: what clears the finding and does no harm is a fix, of the rest pairs may be made. */
    private void tryAll(
            Collection<List<Change>> candidates,
            Reading reading,
            Finding finding,
            List<Fix> fixes,
            Pairs pairs,
            BooleanSupplier cancelled,
            Consumer<List<Fix>> progress) {
        for (List<Change> changes : candidates) {
            if (cancelled.getAsBoolean()) {
                return;
            }
            Made made = made(reading, changes, finding);
            if (made != null && clears(made, finding) && made.fix.isSafe() && isWorthIt(made.fix, finding)) {
                add(made.fix, fixes);
                progress.accept(fixes);
            } else if (made != null && finding.isBad()) {
                pairs.add(made);
            }
        }
    }

    /** Whether a fix of something minor resolves more than it causes; of something serious any minor finding is worth it. */
    static boolean isWorthIt(Fix fix, Finding finding) {
        return finding.isBad()
                || fix.created().isEmpty()
                || fix.created().size() < fix.cleared().size();
    }

    /** Adds a fix, best first, unless a part of it does as much. */
    static void add(Fix fix, List<Fix> fixes) {
        if (fixes.stream().noneMatch(other -> isPartOf(other, fix))) {
            fixes.removeIf(other -> isPartOf(fix, other));
            fixes.add(fix);
            fixes.sort(RANK);
        }
    }

    private static boolean isPartOf(Fix part, Fix whole) {
        return part.changes().size() < whole.changes().size()
                && part.merit().worth() >= whole.merit().worth()
                && whole.changes().containsAll(part.changes());
    }

    /** Whether changes that were made clear a finding. */
    static boolean clears(Made made, Finding finding) {
        return made.fix.cleared().contains(finding.identity());
    }

    /** Changes that were made: what they do, and the rig with them, read. */
    record Made(Fix fix, Reading after) {}

    /** The rig with changes that fit it, read. */
    Reading read(Reading before, List<Change> changes) {
        return tried == null ? audit.read(before, changes) : tried.read(before, changes);
    }

    /** Makes changes and audits the rig; null if they do not fit it. */
    @Nullable
    Made made(Reading before, List<Change> changes) {
        return made(before, changes, null);
    }

    /** Applies changes and compares both readings. The finding they were tried for isn't counted as a side effect. */
    @Nullable
    Made made(Reading before, List<Change> changes, @Nullable Finding finding) {
        Reading after;
        try {
            after = read(before, changes);
        } catch (Changes.Conflict e) {
            return null; // two gates of one route that are one setting with different values cannot both be met
        }
        Outcome outcome = Outcome.between(audit, before, after);
        Finding meant = finding != null || outcome.cleared().isEmpty()
                ? finding
                : outcome.cleared().getFirst();
        List<String> cleared =
                outcome.cleared().stream().map(Finding::identity).sorted().toList();
        SideEffects effects = SideEffects.between(before, after, finding);
        Merit merit = Merit.of(
                before,
                after,
                changes,
                outcome.cleared(),
                outcome.worth(),
                outcome.revealed(),
                outcome.bad(),
                effects,
                meant,
                whenGood(before));
        return new Made(
                new Fix(
                        changes,
                        Steps.of(before.rig(), after.rig(), changes),
                        cleared,
                        outcome.created(),
                        effects,
                        restores(changes),
                        merit,
                        Work.of(before.rig(), changes)),
                after);
    }
}
