package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sentences;
import org.jspecify.annotations.Nullable;

/** What else listeners notice of a change: deliveries that were good and change, and those that newly arrive. */
public final class SideEffects {
    /** A change of level that is noticed, dB. */
    private static final double NOTICED = 1.0;

    private SideEffects() {}

    /** How a listener minds. */
    enum Sort {
        /** It is gone, fainter, or comes another way. */
        LESS,
        /** It is louder, which hardly anybody minds who wants to hear it. */
        LOUDER,
        /** It may be heard, and wasn't. */
        NEW
    }

    /**
     * What a listener notices of one source.
     *
     * @param words what it is, in plain words
     */
    record Effect(String words, Sort sort) {}

    /** What listeners notice between two readings, in words, each pair of source and listener once. */
    public static List<String> between(Reading before, Reading after) {
        return of(before, after, null).stream().map(Effect::words).toList();
    }

    /** Whether cells can be set side by side: no source, listener or scene came or went. */
    public static boolean comparable(Reading before, Reading after) {
        return before.scenes().size() == after.scenes().size()
                && before.rig().of(Kind.OUTLET).size()
                        == after.rig().of(Kind.OUTLET).size()
                && before.rig().of(Kind.SOURCE).size()
                        == after.rig().of(Kind.SOURCE).size();
    }

    /** Each delivery that was good and changes, and each that newly arrives, once for all scenes. */
    static List<Effect> of(Reading before, Reading after, @Nullable Finding finding) {
        List<Effect> altered = new ArrayList<>();
        int outlets = before.rig().of(Kind.OUTLET).size();
        int sources = before.rig().of(Kind.SOURCE).size();
        if (!comparable(before, after)) {
            return altered;
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
        return altered;
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
        String pair = a.outlet().name();
        String source = a.source().name();
        String gets = Sentences.verb(pair, " gets ", " get ");
        if (!b.delivery().arrives()) {
            return new Effect(pair + Sentences.verb(pair, " loses ", " lose ") + source, Sort.LESS);
        }
        if (!a.delivery().arrives()) {
            return new Effect(pair + " newly" + gets + source, Sort.NEW);
        }
        double by = b.delivery().strength() - a.delivery().strength();
        boolean louder = by > NOTICED;
        String how = louder ? " louder" : by < -NOTICED ? " fainter" : " another way";
        return new Effect(pair + gets + source + how, louder ? Sort.LOUDER : Sort.LESS);
    }
}
