package org.gullyrun.core.compare;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.jspecify.annotations.Nullable;

/**
 * The fewest of some changes that bring a finding about.
 *
 * <p>Needs: a rig as it was, read, and the changes since. Gives: for a finding a set of changes that brings it about when made
 * in the rig as it was, of which none can be left out. Every single change is tried first, then every pair of not too many;
 * what takes more is narrowed down by delta debugging (Zeller and Hildebrandt, Simplifying and isolating failure-inducing input,
 * 2002). Cost: an audit for each set that is tried; sets are tried once for all findings.
 */
final class Blame {
    /** Of so many changes at most every pair is tried. */
    private static final int MOST_PAIRED = 24;

    private final Audit audit;
    private final Reading from;
    private final List<Change> changes;
    private final BooleanSupplier cancelled;
    /** The findings of each set that was tried, by identity; empty where a set doesn't fit the rig. */
    private final Map<BitSet, Map<String, Severity>> tried = new HashMap<>();

    Blame(Audit audit, Reading from, List<Change> changes, BooleanSupplier cancelled) {
        this.audit = audit;
        this.from = from;
        this.changes = changes;
        this.cancelled = cancelled;
    }

    /** The changes to blame for a finding; none if even all of them don't bring it about, or it was cancelled. */
    List<Change> of(Finding finding) {
        int n = changes.size();
        if (cancelled.getAsBoolean() || !brings(set(IntStream.range(0, n)), finding)) {
            return List.of();
        }
        for (int i = 0; i < n && !cancelled.getAsBoolean(); i++) {
            if (brings(set(IntStream.of(i)), finding)) {
                return List.of(changes.get(i));
            }
        }
        BitSet few = n <= MOST_PAIRED ? pair(finding) : null;
        BitSet least = few == null ? narrowed(finding) : few;
        return cancelled.getAsBoolean()
                ? List.of()
                : least.stream().mapToObj(changes::get).toList();
    }

    /** The first pair that brings it about; null if none does. */
    private @Nullable BitSet pair(Finding finding) {
        for (int i = 0; i < changes.size(); i++) {
            for (int j = i + 1; j < changes.size() && !cancelled.getAsBoolean(); j++) {
                BitSet pair = set(IntStream.of(i, j));
                if (brings(pair, finding)) {
                    return pair;
                }
            }
        }
        return null;
    }

    /** Leaves out ever smaller parts, as long as what is left still brings it about. */
    private BitSet narrowed(Finding finding) {
        List<Integer> left =
                new ArrayList<>(IntStream.range(0, changes.size()).boxed().toList());
        int parts = 2;
        while (left.size() > 1 && !cancelled.getAsBoolean()) {
            int size = Math.ceilDiv(left.size(), parts);
            boolean fewer = false;
            for (int at = 0; at < left.size() && !fewer; at += size) {
                List<Integer> others = new ArrayList<>(left);
                others.subList(at, Math.min(left.size(), at + size)).clear();
                if (!others.isEmpty() && brings(set(others.stream().mapToInt(x -> x)), finding)) {
                    left = others;
                    parts = Math.max(2, parts - 1);
                    fewer = true;
                }
            }
            if (!fewer) {
                if (size == 1) {
                    break;
                }
                parts = Math.min(left.size(), 2 * parts);
            }
        }
        return set(left.stream().mapToInt(x -> x));
    }

    private static BitSet set(IntStream members) {
        BitSet set = new BitSet();
        members.forEach(set::set);
        return set;
    }

    /** Whether a set of changes brings a finding about that is as bad, or at least serious where it is serious. */
    private boolean brings(BitSet set, Finding finding) {
        Severity there = tried.computeIfAbsent(set, this::read).get(finding.identity());
        return there != null && (there.atLeast(finding.severity()) || finding.isBad() && there.atLeast(Severity.MAJOR));
    }

    /** The findings of the rig as it was with a set of changes. */
    private Map<String, Severity> read(BitSet set) {
        Map<String, Severity> found = new HashMap<>();
        try {
            Reading after = audit.read(from, set.stream().mapToObj(changes::get).toList());
            after.findings().forEach(f -> found.put(f.identity(), f.severity()));
        } catch (Changes.Conflict e) {
            return found; // something refers to what another change adds
        }
        return found;
    }
}
