package org.gullyrun.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/**
 * What listeners hear, and what is found, in one reading of a rig against another: after something that is tried, after a
 * step of a repair, or in a later survey.
 *
 * <p>Needs: two readings in which what is the same has the same id. Cost: linear in the cells of all scenes.
 *
 * @param gained by listener, what is heard and wasn't, in one scene at least
 * @param lost by listener, what was heard and isn't, in one scene at least
 * @param moved by listener, what is heard as before but otherwise, each with how
 * @param come the findings above a note that have come or got more severe, worst first
 * @param gone the findings above a note that have gone or got less severe, worst first
 */
public record Difference(
        List<Heard> gained, List<Heard> lost, List<Heard> moved, List<Finding> come, List<Finding> gone) {
    /** Delays that differ by no more than this count as the same, ms. */
    private static final double SAME_DELAY = 5;

    /**
     * Sources at one listener.
     *
     * @param outlet the id of the listener
     * @param name its name
     * @param sources what is said of its sources, in the order of the rig: their names, with how they moved
     * @param isWrong whether one of them must not arrive
     */
    public record Heard(String outlet, String name, List<String> sources, boolean isWrong) {
        public Heard {
            sources = List.copyOf(sources);
        }
    }

    /** The same source at the same listener in the same scene, before and after. */
    private record Pair(CellReading before, CellReading after) {
        boolean came() {
            return !before.delivery().arrives() && after.delivery().arrives();
        }

        boolean went() {
            return before.delivery().arrives() && !after.delivery().arrives();
        }

        /** How it is heard otherwise; empty if it isn't. */
        String moved() {
            Delivery was = before.delivery();
            Delivery is = after.delivery();
            List<String> words = new ArrayList<>();
            if (is(before, Verdict.DOUBLE) != is(after, Verdict.DOUBLE)) {
                words.add(is(after, Verdict.DOUBLE) ? "twice" : "no longer twice");
            }
            double louder = after.usualLevel() - before.usualLevel();
            if (Math.abs(louder) > HeardDifference.SAME_LEVEL) {
                words.add(
                        String.format(Locale.ROOT, "%.1f dB %s", Math.abs(louder), louder > 0 ? "louder" : "quieter"));
            }
            double later = is.strongestDelay() - was.strongestDelay();
            if (Math.abs(later) > SAME_DELAY) {
                words.add(String.format(Locale.ROOT, "%.0f ms %s", Math.abs(later), later > 0 ? "later" : "earlier"));
            }
            return String.join(", ", words);
        }

        private static boolean is(CellReading cell, Verdict verdict) {
            return cell.verdict() == verdict;
        }
    }

    public Difference {
        gained = List.copyOf(gained);
        lost = List.copyOf(lost);
        moved = List.copyOf(moved);
        come = List.copyOf(come);
        gone = List.copyOf(gone);
    }

    /**
     * The difference between two readings.
     *
     * @param audit says which findings count: those of rules that only some readings ask don't
     * @param scene the place of a scene in the later reading; -1 for all of them
     */
    public static Difference of(Audit audit, Reading before, Reading after, int scene) {
        List<Heard> gained = new ArrayList<>();
        List<Heard> lost = new ArrayList<>();
        List<Heard> moved = new ArrayList<>();
        List<SceneReading[]> scenes = scenes(before, after, scene);
        int[] sources = places(before.rig(), after.rig(), Kind.SOURCE);
        int[] outlets = places(before.rig(), after.rig(), Kind.OUTLET);
        for (int o = 0; o < outlets.length; o++) {
            Element outlet = after.rig().of(Kind.OUTLET).get(o);
            List<String> come = new ArrayList<>();
            List<String> gone = new ArrayList<>();
            List<String> other = new ArrayList<>();
            boolean wrong = false;
            for (int s = 0; s < sources.length; s++) {
                boolean comes = false;
                boolean goes = false;
                String moves = "";
                for (SceneReading[] pair : scenes) {
                    CellReading is = pair[1].cell(s, o);
                    if (sources[s] < 0 || outlets[o] < 0) {
                        comes |= is.delivery().arrives();
                        continue;
                    }
                    CellReading was = pair[0].cell(sources[s], outlets[o]);
                    if (was == is) {
                        continue;
                    }
                    Pair cell = new Pair(was, is);
                    comes |= cell.came();
                    goes |= cell.went();
                    wrong |= cell.came() && is.verdict() == Verdict.LEAK;
                    moves = moves.isEmpty()
                                    && was.delivery().arrives()
                                    && is.delivery().arrives()
                            ? cell.moved()
                            : moves;
                }
                String name = after.rig().of(Kind.SOURCE).get(s).name();
                if (comes) {
                    come.add(name);
                }
                if (goes) {
                    gone.add(name);
                }
                if (!comes && !goes && !moves.isEmpty()) {
                    other.add(name + " " + moves);
                }
            }
            add(gained, outlet, come, wrong);
            add(lost, outlet, gone, false);
            add(moved, outlet, other, false);
        }
        return new Difference(gained, lost, moved, worse(audit, after, before), worse(audit, before, after));
    }

    private static void add(List<Heard> to, Element outlet, List<String> sources, boolean wrong) {
        if (!sources.isEmpty()) {
            to.add(new Heard(outlet.id(), outlet.name(), sources, wrong));
        }
    }

    /** The scenes that both have, each before and after. */
    static List<SceneReading[]> scenes(Reading before, Reading after, int scene) {
        List<SceneReading[]> both = new ArrayList<>();
        for (int i = 0; i < after.scenes().size(); i++) {
            SceneReading is = after.scenes().get(i);
            int was = before.placeOf(is);
            if ((scene < 0 || scene == i) && was >= 0) {
                both.add(new SceneReading[] {before.scenes().get(was), is});
            }
        }
        return both;
    }

    /** For each element of a kind in the later rig its place in the earlier one; −1 if it is new. */
    private static int[] places(Rig before, Rig after, Kind kind) {
        Map<String, Integer> was = new HashMap<>();
        for (Element element : before.of(kind)) {
            was.put(element.id(), was.size());
        }
        return after.of(kind).stream()
                .mapToInt(e -> was.getOrDefault(e.id(), -1))
                .toArray();
    }

    /** The findings above a note that are in one reading and not, or less severe, in another. */
    private static List<Finding> worse(Audit audit, Reading in, Reading than) {
        Map<String, Severity> others = new HashMap<>();
        than.findings().forEach(f -> others.put(f.identity(), f.severity()));
        return in.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE
                        && audit.asks(f.rule())
                        && !others.getOrDefault(f.identity(), Severity.NOTE).atLeast(f.severity()))
                .toList();
    }

    /** Whether nothing is different for any listener. */
    public boolean isNothing() {
        return gained.isEmpty() && lost.isEmpty() && moved.isEmpty() && come.isEmpty() && gone.isEmpty();
    }
}
