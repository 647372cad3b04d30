package org.gullyrun.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Verdict;
import org.jspecify.annotations.Nullable;

/**
 * What one listener hears, set against what it heard before.
 *
 * @param shown what it hears now, with the sources that are no longer heard in their places
 * @param marks how each source shown differs, by its id
 * @param caption the difference in a few words; empty if there is none
 * @param isWorse whether it now hears what it must not, or lacks what it must hear, and didn't before
 */
public record HeardDifference(Hearing shown, Map<String, Mark> marks, String caption, boolean isWorse) {
    /** A level that moved by no more than this many dB counts as the same. */
    static final double SAME_LEVEL = 1;

    /** How one source differs. */
    public enum Sort {
        /** Not at all. */
        SAME,
        /** It is heard and wasn't. */
        CAME,
        /** It was heard and isn't. */
        WENT,
        /** It is heard as before, but louder, fainter, or more or less often. */
        MOVED
    }

    /**
     * How one source differs.
     *
     * @param sort how
     * @param levelBefore dBFS, NaN if nothing arrived
     */
    public record Mark(Sort sort, double levelBefore) {}

    public HeardDifference {
        marks = Map.copyOf(marks);
    }

    /** What a listener hears, set against nothing. */
    public static HeardDifference plain(Hearing hearing) {
        return new HeardDifference(hearing, Map.of(), "", false);
    }

    /** Whether it is set against something. */
    public boolean isMarked() {
        return !marks.isEmpty();
    }

    /** Each listener of now in the order of the rig, against itself before; a listener that is new heard nothing. */
    public static List<HeardDifference> all(List<Hearing> before, List<Hearing> now) {
        Map<String, Hearing> was = new HashMap<>();
        before.forEach(h -> was.put(h.outlet(), h));
        return now.stream().map(h -> of(was.get(h.outlet()), h)).toList();
    }

    private static HeardDifference of(@Nullable Hearing before, Hearing now) {
        Map<String, Hearing.Drop> was = new LinkedHashMap<>();
        if (before != null) {
            before.drops().forEach(d -> was.put(d.source(), d));
        }
        Map<String, Mark> marks = new HashMap<>();
        List<Hearing.Drop> shown = new ArrayList<>();
        int came = 0;
        int went = 0;
        int once = 0;
        int twice = 0;
        List<String> wrong = new ArrayList<>();
        for (Hearing.Drop drop : now.drops()) {
            Hearing.Drop old = was.remove(drop.source());
            Mark mark = mark(old, drop);
            marks.put(drop.source(), mark);
            shown.add(drop);
            came += mark.sort == Sort.CAME ? 1 : 0;
            went += mark.sort == Sort.WENT ? 1 : 0;
            once += mark.sort == Sort.MOVED && old != null && isTwice(old) && !isTwice(drop) ? 1 : 0;
            twice += mark.sort == Sort.MOVED && old != null && !isTwice(old) && isTwice(drop) ? 1 : 0;
            boolean asBad = old != null && old.verdict() == drop.verdict();
            if (!asBad && (drop.verdict() == Verdict.LEAK || drop.verdict() == Verdict.MISSING)) {
                wrong.add(drop.name());
            }
        }
        for (Hearing.Drop gone : was.values()) {
            if (arrives(gone)) {
                marks.put(gone.source(), new Mark(Sort.WENT, gone.level()));
                shown.add(gone);
                went++;
            }
        }
        List<String> words = new ArrayList<>();
        say(words, came, came + " new");
        say(words, went, went + " gone");
        say(words, twice, twice + " twice");
        say(words, once, once + " once");
        say(words, before != null && before.coil() && !now.coil() ? 1 : 0, "no loop");
        say(words, now.coil() && (before == null || !before.coil()) ? 1 : 0, "loop");
        boolean worse = !wrong.isEmpty() || now.coil() && (before == null || !before.coil());
        return new HeardDifference(
                new Hearing(now.outlet(), now.name(), now.coil(), List.copyOf(shown)),
                marks,
                String.join(", ", words),
                worse);
    }

    private static void say(List<String> words, int count, String said) {
        if (count > 0) {
            words.add(said);
        }
    }

    private static Mark mark(Hearing.@Nullable Drop before, Hearing.Drop now) {
        double was = before == null ? Double.NaN : before.level();
        boolean did = before != null && arrives(before);
        boolean does = arrives(now);
        Sort sort;
        if (did != does) {
            sort = does ? Sort.CAME : Sort.WENT;
        } else if (before != null
                && did
                && (Math.abs(was - now.level()) > SAME_LEVEL || isTwice(before) != isTwice(now))) {
            sort = Sort.MOVED;
        } else {
            sort = Sort.SAME;
        }
        return new Mark(sort, was);
    }

    private static boolean arrives(Hearing.Drop drop) {
        return !Double.isNaN(drop.level());
    }

    private static boolean isTwice(Hearing.Drop drop) {
        return drop.verdict() == Verdict.DOUBLE;
    }
}
