package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Predicate;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.rig.Change;
import org.jspecify.annotations.Nullable;

/**
 * Finds the root causes of the findings of a reading: the change that fixes most first, then on the rig so
 * changed the next, until nothing is left that a change can clear.
 *
 * <p>Needs: a reading and the audit that made it. Gives: groups of findings, each with the change behind it; what each
 * clears was found by making it, after those before it, and auditing again.
 *
 * <p>Not every candidate is made: each is first held able to clear what it comes from the evidence of, and whatever has a
 * route that it touches ({@link AffectedFindings}); made and audited is what could clear most, until no other could clear more (lazy
 * greedy search, Minoux 1978). Cost: one audit for each that is made, some at a time on several threads.
 */
public final class RootCauses {

    /**
     * The findings that go away by one change.
     *
     * @param fix the change, and what it clears and alters on the rig as the groups before leave it
     * @param findings the findings of the reading that it clears, worst first
     */
    public record Group(Fix fix, List<Finding> findings) {
        public Group {
            findings = List.copyOf(findings);
        }
    }

    /** How far causes were worked out. */
    public enum Progress {
        WORKING,
        DONE,
        /** There was no time to try all candidates: more may exist. */
        OUT_OF_TIME
    }

    /**
     * The root causes of the findings of a reading.
     *
     * @param groups in the order in which the changes were made
     * @param left findings above a note that no change clears
     * @param state how far it was worked out
     */
    public record Found(List<Group> groups, List<Finding> left, Progress state) {
        /** Nothing worked out yet. */
        public static final Found NOTHING = new Found(List.of(), List.of(), Progress.WORKING);

        public Found {
            groups = List.copyOf(groups);
            left = List.copyOf(left);
        }

        /** Whether it was worked out to the end. */
        public boolean done() {
            return state == Progress.DONE;
        }

        /** Whether nothing more comes: it is worked out, or as far as there was time. */
        public boolean ended() {
            return state != Progress.WORKING;
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
        Fix fix;
        /** The rig with it, read; null where that is not kept. */
        @Nullable
        Reading after;
        /** After how many changes it was made. */
        int at = -1;
        /** How much of what is open it clears, or might. */
        int worth;

        final String sentence;
        /** What it cleared once it had been made after another that was to make way for it; null if it brought something. */
        final Map<Option, @Nullable Set<String>> afterOthers = new IdentityHashMap<>();
        /** Whether it was not made because it is certain to lose a must. */
        boolean loses;
        /** Whether it has brought something new, and nothing made since concerns that. */
        boolean stuck;

        Option(List<Change> changes, String sentence) {
            this.changes = changes;
            this.sentence = sentence;
        }

        Collection<String> clears() {
            return fix == null ? mayClear : fix.cleared();
        }

        boolean brings() {
            return loses || fix != null && !fix.created().isEmpty();
        }
    }

    /** Clears most; alters fewest other deliveries; fewest settings; sentence. What has not been made might be best. */
    private static final Comparator<Option> ORDER = Comparator.comparingInt((Option o) -> -o.worth)
            .thenComparingInt(o -> o.fix == null ? 0 : o.fix.disturbance())
            .thenComparingInt(o -> o.fix == null ? 0 : o.fix.unprocessed())
            .thenComparingInt(o -> o.changes.size())
            .thenComparing(o -> o.sentence);

    private static final int MOST_TRIES = 40;
    /** So many candidates are made at a time: what comes next in turn is mostly needed too. */
    private static final int AT_A_TIME = 2;

    private final Audit audit;
    private final Fixes fixes;
    private final Reading first;
    private final BooleanSupplier cancelled;
    private final BooleanSupplier outOfTime;
    private final Consumer<Found> progress;
    private final Map<List<Change>, Option> known = new LinkedHashMap<>();
    private final Set<String> seen = new HashSet<>();
    private final Set<String> told = new HashSet<>();
    private final List<Group> groups = new ArrayList<>();
    private Reading now;
    private AffectedFindings touched;
    private CertainLosses losses;
    private Map<String, Finding> open;
    /** The best candidate so far, and those made last: their rigs are kept as they were read. */
    private @Nullable Option kept;

    private List<Option> lastMade = List.of();
    /** How many changes have been made: what was tried before the last of them has to be tried again. */
    private int readings;

    private RootCauses(
            Audit audit,
            Reading reading,
            BooleanSupplier cancelled,
            BooleanSupplier outOfTime,
            Consumer<Found> progress) {
        this.audit = audit;
        this.fixes = new Fixes(audit);
        this.first = reading;
        this.now = reading;
        this.touched = new AffectedFindings(reading);
        this.losses = new CertainLosses(reading);
        this.cancelled = () -> cancelled.getAsBoolean() || outOfTime.getAsBoolean();
        this.outOfTime = outOfTime;
        this.progress = progress;
        this.open = open(reading);
    }

    /**
     * Works out the root causes of the findings of a reading, as far as the audit's rules have found them.
     *
     * @param cancelled asked before each trial; what was found so far is then given, not done
     * @param progress told of every group as it is found
     */
    public static Found of(Audit audit, Reading reading, BooleanSupplier cancelled, Consumer<Found> progress) {
        return of(audit, reading, cancelled, () -> false, progress);
    }

    /**
     * The same, but not for longer than there is time.
     *
     * @param outOfTime asked before each trial, as {@code cancelled} is; what was found so far says then that more may exist
     */
    public static Found of(
            Audit audit,
            Reading reading,
            BooleanSupplier cancelled,
            BooleanSupplier outOfTime,
            Consumer<Found> progress) {
        return new RootCauses(audit, reading, cancelled, outOfTime, progress).find();
    }

    private Map<String, Finding> open(Reading reading) {
        Map<String, Finding> open = new LinkedHashMap<>();
        // A reading may hold findings of rules that are not asked again: nothing can be said of what clears those.
        reading.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE && audit.asks(f.rule()))
                .forEach(f -> open.put(f.identity(), f));
        return open;
    }

    private Found find() {
        while (!cancelled.getAsBoolean()) {
            Option best = best();
            if (best == null) {
                List<Finding> left = first.findings().stream()
                        .filter(f -> open.containsKey(f.identity()))
                        .toList();
                return new Found(groups, left, ended(Progress.DONE));
            }
            take(best, Objects.requireNonNull(best.fix));
            progress.accept(new Found(groups, List.of(), Progress.WORKING));
        }
        return new Found(groups, List.of(), ended(Progress.WORKING));
    }

    private Progress ended(Progress otherwise) {
        return outOfTime.getAsBoolean()
                ? Progress.OUT_OF_TIME
                : cancelled.getAsBoolean() ? Progress.WORKING : otherwise;
    }

    private void take(Option best, Fix fix) {
        Set<String> before = open.keySet();
        now = after(best);
        kept = null;
        lastMade = List.of();
        touched = new AffectedFindings(now);
        losses = new CertainLosses(now);
        Map<String, Finding> after = open(now);
        List<Finding> gone = first.findings().stream()
                .filter(f -> before.contains(f.identity())
                        && (fix.cleared().contains(f.identity()) || !after.containsKey(f.identity())))
                .toList();
        gone.forEach(f -> told.add(f.identity())); // what is down to minor counts as cleared, once
        told.forEach(after::remove);
        open = after;
        known.remove(best.changes);
        for (Option option : known.values()) {
            option.stuck = option.brings() && !concernsAlike(best, option);
            if (!option.stuck) {
                option.afterOthers.clear();
            }
            option.after = null;
            weigh(option);
        }
        if (!gone.isEmpty()) {
            groups.add(new Group(fix, gone));
        }
        readings++;
    }

    /** The change that clears most of what is open, verified on the rig as it stands; null if none clears anything. */
    private @Nullable Option best() {
        lookAtTheRest();
        Set<Option> blocked = Collections.newSetFromMap(new IdentityHashMap<>());
        known.values().stream().filter(o -> o.stuck).forEach(blocked::add);
        while (!cancelled.getAsBoolean()) {
            List<Option> inTurn = first(known.values(), AT_A_TIME, o -> !blocked.contains(o));
            if (inTurn.isEmpty()) {
                if (!lookAtTheRest() && blocked.stream().noneMatch(o -> o.stuck)) {
                    return null;
                }
                blocked.removeIf(o -> o.stuck); // nothing else is left: they are looked at once more
                for (Option option : known.values()) {
                    option.stuck = false;
                    option.afterOthers.clear();
                }
                continue;
            }
            Option top = inTurn.getFirst();
            if (lose(inTurn)) {
                continue;
            }
            if (!isMade(top)) {
                make(inTurn);
            } else if (!top.brings()) {
                Option before = unblocking(first(blocked, blocked.size(), x -> true), top);
                return before == null ? top : before;
            } else {
                blocked.add(top);
            }
        }
        return null;
    }

    /** The first so many of some that clear something, in order. */
    private static List<Option> first(Collection<Option> options, int most, Predicate<Option> wanted) {
        List<Option> first = new ArrayList<>();
        for (Option option : options) {
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

    private static boolean isBefore(Option a, Option b) {
        return a.worth != b.worth ? a.worth > b.worth : ORDER.compare(a, b) < 0;
    }

    /** The rig as it stands with a candidate that fits it, read. */
    private Reading after(Option option) {
        return option.after == null ? fixes.read(now, option.changes) : option.after;
    }

    private boolean isMade(Option option) {
        return option.at == readings;
    }

    /** Marks those of some candidates that are certain to lose a must; whether there was one. */
    private boolean lose(Collection<Option> options) {
        boolean any = false;
        for (Option option : options) {
            if (!isMade(option)) {
                option.loses = losses.isCertain(option.changes);
                if (option.loses) {
                    option.fix = null;
                    option.at = readings;
                    weigh(option);
                    any = true;
                }
            }
        }
        return any;
    }

    /** Makes those of some candidates that have not been made on the rig as it stands. */
    private void make(Collection<Option> options) {
        List<Option> due = options.stream().filter(o -> !isMade(o)).toList();
        due.parallelStream().filter(o -> !cancelled.getAsBoolean()).forEach(o -> {
            Fixes.Made made = fixes.made(now, o.changes);
            o.fix = made == null ? null : made.fix();
            o.after = made == null || o.brings() ? null : made.after();
            o.at = readings;
        });
        for (Option option : due) {
            if (isMade(option) && option.fix == null) {
                known.remove(option.changes);
            }
            weigh(option);
        }
        keep(due);
    }

    /** Keeps the rigs of those last made and of the best so far, no more: on big rigs each takes megabytes. */
    private void keep(List<Option> last) {
        Option best = last.stream()
                .filter(o -> o.after != null)
                .min(ORDER)
                .filter(o -> kept == null || ORDER.compare(o, kept) < 0)
                .orElse(kept);
        for (Option option : lastMade) {
            if (option != best && !last.contains(option)) {
                option.after = null;
            }
        }
        if (kept != null && kept != best && !last.contains(kept)) {
            kept.after = null;
        }
        kept = best;
        lastMade = last;
    }

    /**
     * Collects what might clear each finding, and looks again at what nothing known clears: what was cleared may have
     * hidden what clears it. Whether there was anything to look at.
     */
    private boolean lookAtTheRest() {
        Set<String> cleared = new HashSet<>();
        known.values().stream().filter(o -> !o.brings()).forEach(o -> cleared.addAll(o.clears()));
        boolean any = false;
        for (Finding finding : List.copyOf(open.values())) {
            if (cancelled.getAsBoolean()) {
                return any;
            }
            String identity = finding.identity();
            boolean isNew = seen.add(identity);
            if (isNew || !cleared.contains(identity) && seen.add(identity + "@" + readings)) {
                collect(finding, cleared);
                any = true;
            }
        }
        return any;
    }

    /**
     * A change that makes way for one that clears more but would, as things stand, bring something new: of a default that
     * moved, say, while something that must not be there plays on it.
     */
    private @Nullable Option unblocking(List<Option> blocked, Option instead) {
        int tries = 0;
        for (Option large : blocked) {
            if (large.worth <= instead.worth || tries == MOST_TRIES) {
                continue;
            }
            List<Option> small = first(
                    known.values(),
                    MOST_TRIES - tries,
                    o -> !o.brings() && concernsAlike(o, large) && mayMakeWay(o, large, instead.worth));
            for (int i = 0; i < small.size() && !cancelled.getAsBoolean(); i += AT_A_TIME) {
                List<Option> some = small.subList(i, Math.min(i + AT_A_TIME, small.size()));
                tries += some.size();
                lose(some);
                make(some);
                List<Option> fit = some.stream()
                        .filter(o -> isMade(o) && o.fix != null && !o.brings() && o.worth > 0)
                        .toList();
                List<@Nullable Set<String>> then =
                        fit.parallelStream().map(o -> clearedAfter(o, large)).toList();
                for (int k = 0; k < fit.size(); k++) {
                    large.afterOthers.put(fit.get(k), then.get(k));
                    if (mayMakeWay(fit.get(k), large, instead.worth)) {
                        return fit.get(k);
                    }
                }
            }
        }
        return null;
    }

    /** What one change clears once another has been made; null if it brings something even then. */
    private @Nullable Set<String> clearedAfter(Option small, Option large) {
        Fixes.Made made = fixes.made(after(small), large.changes);
        return made == null || !made.fix().created().isEmpty()
                ? null
                : Set.copyOf(made.fix().cleared());
    }

    /** Whether one change is not known to clear less than so much after another, or to bring something even then. */
    private boolean mayMakeWay(Option small, Option large, int worth) {
        if (!large.afterOthers.containsKey(small)) {
            return true;
        }
        Set<String> cleared = large.afterOthers.get(small);
        return cleared != null && clears(cleared) > worth;
    }

    /** Whether one clears something of a source or element about which the other brings something new. */
    private static boolean concernsAlike(Option first, Option large) {
        return large.fix != null
                && large.fix.created().stream()
                        .allMatch(c -> first.clears().stream().anyMatch(f -> about(f).equals(about(c))));
    }

    private static String about(String identity) {
        String subject = identity.substring(identity.indexOf(':') + 1);
        int end = subject.indexOf('>');
        return end < 0 ? subject : subject.substring(0, end);
    }

    /** Collects what might clear a finding, and adds to a set what those might clear. */
    private void collect(Finding finding, Set<String> cleared) {
        for (List<Change> changes : Candidates.of(now, finding)) {
            Option option = known.computeIfAbsent(changes, c -> new Option(c, Fixes.sentence(now.rig(), c)));
            if (!isMade(option)) {
                if (option.fix != null || option.mayClear.isEmpty()) {
                    option.fix = null;
                    option.mayClear.clear();
                    touched.by(changes, open.values()).forEach(f -> option.mayClear.add(f.identity()));
                }
                option.mayClear.add(finding.identity());
                weigh(option);
            }
            if (!option.brings()) {
                cleared.addAll(option.clears());
            }
        }
    }

    private void weigh(Option option) {
        option.worth = clears(option.clears());
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
