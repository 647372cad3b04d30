package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/** A change that may be a root cause: what it might fix, and once it has been made and audited, what it does. */
final class CauseCandidate {
    /**
     * By the rank of {@link Fixes#RANK}. What has not been made might lose and change nothing; how much there is to do for it
     * is known beforehand, so that of many that fix the same only those have to be made that could come first.
     */
    static final Comparator<CauseCandidate> ORDER = Comparator.comparingInt((CauseCandidate o) -> -o.worth)
            .thenComparing(o -> o.work.cutsAtStart())
            .thenComparingInt(o -> o.fix == null ? 0 : o.fix.merit().unprocessed())
            .thenComparingInt(o -> o.fix == null ? 0 : o.fix.merit().lost())
            .thenComparing(o -> !o.restores)
            .thenComparingInt(o -> o.work.away())
            .thenComparingInt(o -> o.fix == null ? 0 : o.fix.merit().disturbance())
            .thenComparingInt(o -> o.work.effort())
            .thenComparingInt(o -> o.changes.size())
            .thenComparingInt(o -> o.work.depth())
            .thenComparing(CauseCandidate::amongEqual)
            .thenComparingInt(o -> o.number);

    final List<Change> changes;
    final Set<String> mayClear = new HashSet<>();
    /** What it does; null until it has been made. */
    @Nullable
    Fix fix;
    /** What it does on the rig as it was found; null until it has been made there. */
    @Nullable
    Fix alone;
    /** The rig with it, read; null where that is not kept. */
    @Nullable
    Reading after;
    /** After how many changes it was made. */
    int at = -1;
    /** How much of what is open it clears, or might. */
    int worth;

    /** After how many others it was thought of. */
    final int number;
    /** What it cleared once it had been made after another that was to make way for it; null if it brought something. */
    final Map<CauseCandidate, @Nullable Set<String>> afterOthers = new IdentityHashMap<>();
    /** Whether it was not made because it is certain to lose a must. */
    boolean loses;
    /** Whether it has brought something new, and nothing made since concerns that. */
    boolean stuck;

    private final Work work;
    private final boolean restores;

    /** A candidate that has not been made. */
    CauseCandidate(Rig rig, List<Change> changes, int number, boolean restores) {
        this.changes = changes;
        this.number = number;
        this.work = Work.of(rig, changes);
        this.restores = restores;
    }

    /** Of two that are alike in all else: what hasn't been made first, as it could be better. */
    private static int amongEqual(CauseCandidate a, CauseCandidate b) {
        return a.fix == null || b.fix == null
                ? Boolean.compare(a.fix != null, b.fix != null)
                : Merit.ALIKE.compare(a.fix.merit(), b.fix.merit());
    }

    /** What it fixes; until it has been made, what it might. */
    Collection<String> clears() {
        return fix == null ? mayClear : fix.cleared();
    }

    /** Whether it is known to bring something bad. */
    boolean brings() {
        return loses || fix != null && !fix.isSafe();
    }

    /** How much is built anew for it; see {@link Work}. */
    int effort() {
        return work.effort();
    }

    /** Whether something new has to be built for it. */
    boolean buildsAnew() {
        return changes.stream().anyMatch(Work::buildsAnew);
    }

    /** The first so many of some that clear something, in order. */
    static List<CauseCandidate> first(Collection<CauseCandidate> options, int most, Predicate<CauseCandidate> wanted) {
        List<CauseCandidate> first = new ArrayList<>();
        for (CauseCandidate option : options) {
            int at = first.size();
            if (option.worth == 0 || at == most && option.worth < first.getLast().worth || !wanted.test(option)) {
                continue;
            }
            while (at > 0 && isBefore(option, first.get(at - 1))) {
                at--;
            }
            if (at < most) {
                first.add(at, option);
                if (first.size() > most) {
                    first.removeLast();
                }
            }
        }
        return first;
    }

    /** The same order, the part that mostly decides first: there are thousands of comparisons. */
    private static boolean isBefore(CauseCandidate a, CauseCandidate b) {
        return a.worth != b.worth ? a.worth > b.worth : ORDER.compare(a, b) < 0;
    }

    /** Whether it fixes something of any source or element about which another brings something new. */
    boolean concernsAnyOf(CauseCandidate large) {
        return alike(large) > 0;
    }

    /** Whether it fixes something of each source or element about which another brings something bad. */
    boolean concernsAlike(CauseCandidate large) {
        return large.fix != null && alike(large) >= large.fix.merit().bad(); // minor ones are among those created
    }

    private long alike(CauseCandidate large) {
        return large.fix == null
                ? 0
                : large.fix.created().stream()
                        .filter(c -> clears().stream().anyMatch(f -> about(f).equals(about(c))))
                        .count();
    }

    /** The source or element that a finding is about, from its identity. */
    private static String about(String identity) {
        String subject = identity.substring(identity.indexOf(':') + 1);
        int end = subject.indexOf('>');
        return end < 0 ? subject : subject.substring(0, end);
    }
}
