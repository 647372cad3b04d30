package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sentences;
import org.jspecify.annotations.Nullable;

/**
 * What else listeners notice of a change: deliveries that were good and change, and those that newly arrive.
 *
 * @param effects each pair of source and listener once, in the rig's order of sources
 */
public record SideEffects(List<Effect> effects) {
    /** A change of level that is noticed, dB. */
    private static final double NOTICED = 1.0;
    /** Two effects are both told in a price where they take at most so many letters. */
    private static final int SHORT = 64;

    public SideEffects {
        effects = List.copyOf(effects);
    }

    /** How a listener minds. */
    enum Sort {
        /** It is gone, fainter, or comes another way. */
        LESS,
        /** It is louder, which hardly anybody minds who wants to hear it. */
        LOUDER,
        /** It may be heard, and wasn't. */
        NEW
    }

    /** What happens to a delivery. */
    enum How {
        GONE(Sort.LESS, " loses ", " lose ", ""),
        NEW(Sort.NEW, " newly gets ", " newly get ", ""),
        LOUDER(Sort.LOUDER, " gets ", " get ", " louder"),
        FAINTER(Sort.LESS, " gets ", " get ", " fainter"),
        ANOTHER_WAY(Sort.LESS, " gets ", " get ", " another way");

        private final Sort sort;
        private final String one;
        private final String several;
        private final String behind;

        How(Sort sort, String one, String several, String behind) {
            this.sort = sort;
            this.one = one;
            this.several = several;
            this.behind = behind;
        }
    }

    /** What a listener notices of one source. */
    record Effect(String listener, String source, How how) {}

    /** What happens alike to some sources at some listeners. */
    private record Line(Set<String> listeners, Set<String> sources, How how) {
        String told(Function<List<String>, String> names) {
            String verb = listeners.size() > 1
                    ? how.several
                    : Sentences.verb(listeners.iterator().next(), how.one, how.several);
            return names.apply(List.copyOf(listeners)) + verb + names.apply(List.copyOf(sources)) + how.behind;
        }
    }

    /** What listeners notice between two readings. */
    public static SideEffects between(Reading before, Reading after) {
        return between(before, after, null);
    }

    /** Whether nothing is noticed. */
    public boolean isEmpty() {
        return effects.isEmpty();
    }

    /** How many pairs of source and listener are noticed to differ. */
    public int size() {
        return effects.size();
    }

    /** How many of one sort there are. */
    int count(Sort sort) {
        return (int) effects.stream().filter(e -> e.how.sort == sort).count();
    }

    /** All of it, a line for what happens alike: "Dome ears and Guests newly get Chimes". */
    public List<String> words() {
        return lines().stream().map(line -> line.told(Sentences::list)).toList();
    }

    /** One line with as much as a price has room for: "Live and 3 others get Host louder, and 1 more". */
    public String brief() {
        List<String> told =
                lines().stream().map(line -> line.told(Sentences::few)).toList();
        String all = String.join(" · ", told);
        return told.isEmpty()
                ? "no side effects"
                : told.size() == 1 || told.size() == 2 && all.length() <= SHORT
                        ? all
                        : told.getFirst() + ", and " + (told.size() - 1) + " more";
    }

    /** The effects, joined where the same happens to a source at several listeners, or to several sources at the same. */
    private List<Line> lines() {
        record Source(String name, How how) {}
        record Listeners(Set<String> names, How how) {}
        Map<Source, Set<String>> bySource = new LinkedHashMap<>();
        effects.forEach(e -> bySource.computeIfAbsent(new Source(e.source, e.how), x -> new LinkedHashSet<>())
                .add(e.listener));
        Map<Listeners, Set<String>> byListeners = new LinkedHashMap<>();
        bySource.forEach((source, names) -> byListeners
                .computeIfAbsent(new Listeners(names, source.how), x -> new LinkedHashSet<>())
                .add(source.name));
        List<Line> lines = new ArrayList<>();
        byListeners.forEach((who, sources) -> lines.add(new Line(who.names, sources, who.how)));
        return lines;
    }

    /** Whether cells can be set side by side: no source, listener or scene came or went. */
    public static boolean comparable(Reading before, Reading after) {
        return before.scenes().size() == after.scenes().size()
                && before.rig().of(Kind.OUTLET).size()
                        == after.rig().of(Kind.OUTLET).size()
                && before.rig().of(Kind.SOURCE).size()
                        == after.rig().of(Kind.SOURCE).size();
    }

    /**
     * The same without what a finding is about.
     *
     * @param finding null if there is none to leave out
     */
    static SideEffects between(Reading before, Reading after, @Nullable Finding finding) {
        List<Effect> altered = new ArrayList<>();
        int outlets = before.rig().of(Kind.OUTLET).size();
        int sources = before.rig().of(Kind.SOURCE).size();
        if (!comparable(before, after)) {
            return new SideEffects(altered);
        }
        for (int s = 0; s < sources; s++) {
            int[] differing = differing(before, after, s);
            for (int o = 0; differing.length > 0 && o < outlets; o++) {
                for (int i : differing) {
                    CellReading a = before.scenes().get(i).cell(s, o);
                    boolean wasGood = a.verdict() == Verdict.GOOD || a.verdict() == Verdict.FAINT;
                    CellReading b = after.scenes().get(i).cell(s, o);
                    boolean comes = !a.delivery().arrives()
                            && b.delivery().arrives()
                            && a.wish() != Wish.MUST
                            && b.verdict() == Verdict.GOOD;
                    if ((wasGood || comes) && (finding == null || !finding.isAbout(a)) && differs(a, b)) {
                        altered.add(effect(a, b));
                        break;
                    }
                }
            }
        }
        return new SideEffects(altered);
    }

    /** The scenes in which anything differs for a source, of readings that can be set side by side. */
    public static int[] differing(Reading before, Reading after, int source) {
        return IntStream.range(0, before.scenes().size())
                .filter(i -> !after.scenes().get(i).sharesRow(before.scenes().get(i), source))
                .toArray();
    }

    /** Whether a listener would notice the difference: another verdict, or more than 1 dB. */
    private static boolean differs(CellReading a, CellReading b) {
        return a.verdict() != b.verdict()
                || Math.abs(a.delivery().strength() - b.delivery().strength()) > NOTICED;
    }

    /** What the listener notices of it. */
    private static Effect effect(CellReading a, CellReading b) {
        double by = b.delivery().strength() - a.delivery().strength();
        How how = !b.delivery().arrives()
                ? How.GONE
                : !a.delivery().arrives()
                        ? How.NEW
                        : by > NOTICED ? How.LOUDER : by < -NOTICED ? How.FAINTER : How.ANOTHER_WAY;
        return new Effect(a.outlet().name(), a.source().name(), how);
    }
}
