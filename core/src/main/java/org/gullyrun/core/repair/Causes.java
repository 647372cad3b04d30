package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * Finds the settings that stand behind the findings of a reading: the change that clears most first, then on the rig so
 * changed the next, until nothing is left that a change can clear.
 *
 * <p>Needs: a reading and the audit that made it. Gives: groups of findings, each with the change behind it; what each
 * clears was found by making it, after those before it, and auditing again.
 *
 * <p>Not every candidate is made: each is first held able to clear what it comes from the evidence of, and whatever has a
 * way that it touches ({@link Touched}); made and audited is what could clear most, until no other could clear more (lazy
 * greedy search, Minoux 1978). Cost: one audit for each that is made, some at a time on several threads.
 */
public final class Causes {

    /**
     * The findings that go away by one change.
     *
     * @param remedy the change, and what it clears and alters on the rig as the groups before leave it
     * @param findings the findings of the reading that it clears, worst first
     */
    public record Group(Remedy remedy, List<Finding> findings) {
        public Group {
            findings = List.copyOf(findings);
        }
    }

    /**
     * What stands behind a reading.
     *
     * @param groups in the order in which the changes were made
     * @param left findings above a note that no change clears
     * @param done whether it was worked out to the end
     */
    public record Found(List<Group> groups, List<Finding> left, boolean done) {
        /** Nothing worked out yet. */
        public static final Found NOTHING = new Found(List.of(), List.of(), false);

        public Found {
            groups = List.copyOf(groups);
            left = List.copyOf(left);
        }

        /** How many findings the changes clear. */
        public int cleared() {
            return groups.stream().mapToInt(g -> g.findings().size()).sum();
        }
    }

    /** A candidate: what it might clear, and once it has been made, what it does. */
    private static final class Option {
        final List<Change> changes;
        final Set<String> mayClear = new HashSet<>();
        /** What it does; null until it has been made. */
        @Nullable
        Remedy remedy;
        /** After how many changes it was made. */
        int at = -1;
        /** Whether it has brought something new, and nothing made since concerns that. */
        boolean stuck;

        Option(List<Change> changes) {
            this.changes = changes;
        }

        Collection<String> clears() {
            return remedy == null ? mayClear : remedy.cleared();
        }

        boolean brings() {
            return remedy != null && !remedy.created().isEmpty();
        }
    }

    private static final int MOST_TRIES = 40;
    /** So many candidates are made at a time: what comes next in turn is mostly needed too. */
    private static final int AT_A_TIME = 2;

    private final Remedies remedies;
    private final Reading first;
    private final BooleanSupplier cancelled;
    private final Consumer<Found> progress;
    private final Map<List<Change>, Option> known = new LinkedHashMap<>();
    private final Set<String> seen = new HashSet<>();
    private final Set<String> told = new HashSet<>();
    private final List<Group> groups = new ArrayList<>();
    private Reading now;
    private Touched touched;
    private Map<String, Finding> open;
    /** How many changes have been made: what was tried before the last of them has to be tried again. */
    private int readings;

    private Causes(Audit audit, Reading reading, BooleanSupplier cancelled, Consumer<Found> progress) {
        this.remedies = new Remedies(audit);
        this.first = reading;
        this.now = reading;
        this.touched = new Touched(reading);
        this.cancelled = cancelled;
        this.progress = progress;
        this.open = open(reading);
    }

    /**
     * Works out what stands behind the findings of a reading.
     *
     * @param cancelled asked before each trial; what was found so far is then given, not done
     * @param progress told of every group as it is found
     */
    public static Found of(Audit audit, Reading reading, BooleanSupplier cancelled, Consumer<Found> progress) {
        return new Causes(audit, reading, cancelled, progress).find();
    }

    private static Map<String, Finding> open(Reading reading) {
        Map<String, Finding> open = new LinkedHashMap<>();
        reading.findings().stream().filter(f -> f.severity() != Severity.NOTE).forEach(f -> open.put(f.identity(), f));
        return open;
    }

    private Found find() {
        while (!cancelled.getAsBoolean()) {
            Option best = best();
            if (best == null) {
                List<Finding> left = first.findings().stream()
                        .filter(f -> open.containsKey(f.identity()))
                        .toList();
                return new Found(groups, left, !cancelled.getAsBoolean());
            }
            take(best, Objects.requireNonNull(best.remedy));
            progress.accept(new Found(groups, List.of(), false));
        }
        return new Found(groups, List.of(), false);
    }

    private void take(Option best, Remedy remedy) {
        Set<String> before = open.keySet();
        now = after(best);
        touched = new Touched(now);
        Map<String, Finding> after = open(now);
        List<Finding> gone = first.findings().stream()
                .filter(f -> before.contains(f.identity())
                        && (remedy.cleared().contains(f.identity()) || !after.containsKey(f.identity())))
                .toList();
        gone.forEach(f -> told.add(f.identity())); // what is down to minor counts as cleared, once
        told.forEach(after::remove);
        open = after;
        known.remove(best.changes);
        known.values().forEach(o -> o.stuck = o.brings() && !concernsAlike(best, o));
        if (!gone.isEmpty()) {
            groups.add(new Group(remedy, gone));
        }
        readings++;
    }

    /** The change that clears most of what is open, verified on the rig as it stands; null if none clears anything. */
    private @Nullable Option best() {
        lookAtTheRest();
        List<Option> blocked = known.values().stream()
                .filter(o -> o.stuck)
                .sorted(order())
                .collect(Collectors.toCollection(ArrayList::new));
        while (!cancelled.getAsBoolean()) {
            List<Option> inTurn = known.values().stream()
                    .filter(o -> !blocked.contains(o) && clears(o) > 0)
                    .sorted(order())
                    .limit(AT_A_TIME)
                    .toList();
            if (inTurn.isEmpty()) {
                if (!lookAtTheRest() && blocked.stream().noneMatch(o -> o.stuck)) {
                    return null;
                }
                blocked.removeIf(o -> o.stuck); // nothing else is left: they are looked at once more
                known.values().forEach(o -> o.stuck = false);
                continue;
            }
            Option top = inTurn.getFirst();
            if (!isMade(top)) {
                make(inTurn);
            } else if (!top.brings()) {
                Option before = unblocking(blocked, top);
                return before == null ? top : before;
            } else {
                blocked.add(top);
            }
        }
        return null;
    }

    /** The rig as it stands with a candidate that fits it, read. Not kept: on big rigs each takes megabytes. */
    private Reading after(Option option) {
        return remedies.read(now, option.changes);
    }

    private boolean isMade(Option option) {
        return option.at == readings;
    }

    /** Makes those of some candidates that have not been made on the rig as it stands. */
    private void make(Collection<Option> options) {
        options.parallelStream()
                .filter(o -> !isMade(o) && !cancelled.getAsBoolean())
                .forEach(o -> {
                    o.remedy = remedies.made(now, o.changes);
                    o.at = readings;
                });
        options.stream().filter(o -> isMade(o) && o.remedy == null).forEach(o -> known.remove(o.changes));
    }

    /** Clears most; alters fewest other deliveries; fewest settings; sentence. What has not been made might be best. */
    private Comparator<Option> order() {
        return Comparator.comparingInt((Option o) -> -clears(o))
                .thenComparingInt(o -> o.remedy == null ? 0 : o.remedy.disturbance())
                .thenComparingInt(o -> o.changes.size())
                .thenComparing(o -> o.remedy == null ? "" : o.remedy.sentence());
    }

    /**
     * Collects what might clear each finding, and looks again at what nothing known clears: what was cleared may have
     * hidden what clears it. Whether there was anything to look at.
     */
    private boolean lookAtTheRest() {
        boolean any = false;
        for (Finding finding : List.copyOf(open.values())) {
            String identity = finding.identity();
            boolean isNew = seen.add(identity);
            if (isNew || !isCleared(identity) && seen.add(identity + "@" + readings)) {
                collect(finding);
                any = true;
            }
        }
        return any;
    }

    private boolean isCleared(String identity) {
        return known.values().stream().anyMatch(o -> !o.brings() && o.clears().contains(identity));
    }

    /**
     * A change that makes way for one that clears more but would, as things stand, bring something new: of a default that
     * moved, say, while something that must not be there plays on it.
     */
    private @Nullable Option unblocking(List<Option> blocked, Option instead) {
        int tries = 0;
        for (Option large : blocked) {
            if (clears(large) <= clears(instead)) {
                continue;
            }
            List<Option> small = known.values().stream()
                    .filter(o -> !o.brings() && clears(o) > 0 && concernsAlike(o, large))
                    .sorted(order())
                    .toList();
            for (Option option : small) {
                if (cancelled.getAsBoolean() || ++tries > MOST_TRIES) {
                    return null;
                }
                make(List.of(option));
                if (!isMade(option) || option.remedy == null || option.brings() || clears(option) == 0) {
                    continue;
                }
                Remedy then = remedies.made(after(option), large.changes);
                if (then != null && then.created().isEmpty() && clears(then.cleared()) > clears(instead)) {
                    return option;
                }
            }
        }
        return null;
    }

    /** Whether one clears something of a source or element about which the other brings something new. */
    private static boolean concernsAlike(Option first, Option large) {
        return large.remedy != null
                && large.remedy.created().stream()
                        .allMatch(c -> first.clears().stream().anyMatch(f -> about(f).equals(about(c))));
    }

    private static String about(String identity) {
        String subject = identity.substring(identity.indexOf(':') + 1);
        int end = subject.indexOf('>');
        return end < 0 ? subject : subject.substring(0, end);
    }

    private void collect(Finding finding) {
        for (List<Change> changes : Candidates.of(now, finding)) {
            Option option = known.computeIfAbsent(changes, Option::new);
            if (!isMade(option)) {
                if (option.remedy != null || option.mayClear.isEmpty()) {
                    option.remedy = null;
                    option.mayClear.clear();
                    touched.by(changes, open.values()).forEach(f -> option.mayClear.add(f.identity()));
                }
                option.mayClear.add(finding.identity());
            }
        }
    }

    private int clears(Option option) {
        return clears(option.clears());
    }

    /** Bad findings count more than any number of others. */
    private int clears(Collection<String> identities) {
        int sum = 0;
        for (String identity : identities) {
            Finding finding = open.get(identity);
            sum += finding == null ? 0 : finding.isBad() ? 1000 : 1;
        }
        return sum;
    }
}
