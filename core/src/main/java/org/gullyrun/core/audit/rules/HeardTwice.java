package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Thresholds;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.flow.route.Route;
import org.gullyrun.core.flow.route.RouteSearch;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Outlets;
import org.jspecify.annotations.Nullable;

/**
 * Does an outlet get one source more than once, with copies within 20 dB of the strongest route?
 *
 * <p>Source of the classes: the first notch of a sum of two copies Δ apart lies at 1000/(2Δ) Hz; up to some 30 ms speech
 * fuses with its copy, by 50 ms it no longer does (precedence effect, Haas 1951).
 */
final class HeardTwice extends PairRule {
    /** How copies are noticed, by how far they are apart. */
    enum Apart {
        STACKED("Louder, and it may clip.", "stacked"),
        COMB("Hollow and metallic, like talking through a pipe.", "comb"),
        SLAP("Thick, as in a small room.", "slap"),
        ECHO("A separate repeat.", "echo"),
        NOT_KNOWN(
                "It is heard more than once; how it sounds depends on a delay that is still unknown.",
                "timing not known");

        final String noticed;
        final String word;

        Apart(String noticed, String word) {
            this.noticed = noticed;
            this.word = word;
        }
    }

    @Override
    public String id() {
        return "double";
    }

    @Override
    public Topic topic() {
        return Topic.DOUBLE;
    }

    @Override
    public String question() {
        return "Does a listener hear one source more than once?";
    }

    @Override
    public String severity() {
        return "Critical at live, major elsewhere; at the same time (within {double.stacked}) major and minor. One step less where the copy is more than {double.fainter} below the strongest, at most minor from {double.minor}. Copies more than {double.within} below don't count.";
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        if (cell.verdict() != Verdict.DOUBLE) {
            return null;
        }
        boolean live = cell.outlet().get(Outlets.SORT) == Outlets.Sort.LIVE;
        Severity full = apart(context.thresholds(), scene, cell) == Apart.STACKED
                ? live ? Severity.MAJOR : Severity.MINOR
                : live ? Severity.CRITICAL : Severity.MAJOR;
        return byDepth(context.thresholds(), full, cell.delivery());
    }

    /** A fainter copy makes less of a ripple: 20·log10((1 + a) / (1 − a)) for copies a = 10^(−d/20) apart. */
    private static Severity byDepth(Thresholds t, Severity full, Delivery delivery) {
        double below = delivery.strongestGain() - delivery.copyGain();
        if (below <= t.of(Threshold.COPY_FAINTER) + 1e-9) {
            return full;
        }
        return below > t.of(Threshold.COPY_MINOR) + 1e-9 ? full.less().atMost(Severity.MINOR) : full.less();
    }

    /** What the time between the strongest two sounds like; not known where an assumed latency decides it. */
    static Apart apart(Thresholds t, SceneReading scene, CellReading cell) {
        List<List<Integer>> two = two(scene, cell);
        if (two.size() == 2) {
            Map<Address, Integer> times = new HashMap<>();
            passes(scene, two.get(0), 1, times);
            passes(scene, two.get(1), -1, times);
            if (times.values().stream().anyMatch(n -> n != 0)) {
                return Apart.NOT_KNOWN; // what both pass as often makes them late alike, whatever it is
            }
        }
        double apart = cell.delivery().copyApart();
        return apart <= t.of(Threshold.STACKED) + 1e-9
                ? Apart.STACKED
                : apart < t.of(Threshold.COMB) ? Apart.COMB : apart < t.of(Threshold.SLAP) ? Apart.SLAP : Apart.ECHO;
    }

    /** Counts how often a route passes each latency that is not yet known. */
    private static void passes(SceneReading scene, List<Integer> route, int by, Map<Address, Integer> times) {
        for (int segment : route) {
            for (Address at : scene.graph().assumed(segment)) {
                switch (at.key()) {
                    case "latency", "delay", "passLatency", "captureLatency", "cueLatency" ->
                        times.merge(at, by, Integer::sum);
                    default -> {}
                }
            }
        }
    }

    /** The strongest route and the copy that counts; the strongest alone if the copy is among more than can be listed. */
    private static List<List<Integer>> two(SceneReading scene, CellReading cell) {
        Delivery d = cell.delivery();
        Route copy = scene.firstRoute(
                cell,
                route -> Math.abs(route.gain() - d.copyGain()) < 1e-8
                        && Math.abs(Math.abs(route.delay() - d.strongestDelay()) - d.copyApart()) < 1e-8
                        && !route.segments().equals(d.strongest()));
        return copy == null ? List.of(d.strongest()) : List.of(d.strongest(), copy.segments());
    }

    /** How many routes are strong enough to count; more than the limit of the search if there are more than that. */
    private static long heard(Thresholds t, SceneReading scene, CellReading cell) {
        if (cell.delivery().atLeast() || cell.delivery().routes() > RouteSearch.EXACT) {
            return RouteSearch.EXACT + 1;
        }
        RouteSearch.Found found = scene.routes(cell, RouteSearch.EXACT);
        double least = cell.delivery().strongestGain() - t.of(Threshold.COPY_WITHIN) - 1e-9;
        long count = found.routes().stream().filter(r -> r.gain() >= least).count();
        return found.more() ? RouteSearch.EXACT + 1 : count;
    }

    /**
     * By how much copies at the same time make the strongest louder, in dB: the same sound adds up in amplitude, so two
     * equal ones by 6.0 and three by 9.5 dB. Where there are more routes than can be listed, by their powers.
     */
    private static double stacked(Thresholds t, SceneReading scene, CellReading cell) {
        Delivery d = cell.delivery();
        RouteSearch.Found found = scene.routes(cell, RouteSearch.EXACT);
        if (found.more()) {
            return d.strength() - d.strongestGain();
        }
        double amplitude = 0;
        double power = 0;
        for (Route route : found.routes()) {
            double below = route.gain() - d.strongestGain();
            boolean together = Math.abs(route.delay() - d.strongestDelay()) <= t.of(Threshold.STACKED) + 1e-9;
            amplitude += together ? Math.pow(10, below / 20) : 0;
            power += together ? 0 : Math.pow(10, below / 10);
        }
        return 10 * Math.log10(amplitude * amplitude + power);
    }

    @Override
    Telling tell(AuditContext context, int scene, CellReading cell, String inScenes) {
        SceneReading reading = context.scenes().get(scene);
        Delivery d = cell.delivery();
        Apart apart = apart(context.thresholds(), reading, cell);
        double below = Math.max(0, d.strongestGain() - d.copyGain());
        double rise = apart == Apart.STACKED
                ? stacked(context.thresholds(), reading, cell)
                : d.strength() - d.strongestGain();
        List<Figure> figures = new ArrayList<>(List.of(
                new Figure("apart", d.copyApart(), "ms"),
                new Figure("rise", rise, "dB"),
                new Figure("copy below strongest", below, "dB")));
        String notch = "";
        if (d.copyApart() > context.thresholds().of(Threshold.STACKED)) {
            double hertz = 1000 / (2 * d.copyApart());
            figures.add(new Figure("first notch", hertz, "Hz"));
            notch = ", first notch at " + Math.round(hertz) + " Hz";
        }
        if (below > 0.05) {
            double a = Math.pow(10, -below / 20);
            figures.add(new Figure("ripple", 20 * Math.log10((1 + a) / (1 - a)), "dB"));
        }
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        long heard = heard(context.thresholds(), reading, cell);
        String times = heard > RouteSearch.EXACT ? "many times" : heard > 2 ? heard + " times" : "twice";
        String space = apart == Apart.NOT_KNOWN
                ? ""
                : apart == Apart.STACKED ? ", at the same time" : ", " + Say.of(d.copyApart(), "ms") + " apart";
        List<List<Integer>> two = two(reading, cell);
        FlowGraph graph = reading.graph();
        String routes = two.size() < 2
                ? ""
                : heard > 2
                        ? ", for instance "
                                + Spoken.through(graph, two.get(0), two.get(1)) + " and "
                                + Spoken.through(graph, two.get(1), two.get(0))
                        : ": once "
                                + Spoken.through(graph, two.get(0), two.get(1)) + ", and once "
                                + Spoken.through(graph, two.get(1), two.get(0));
        return new Telling(
                new Finding.Words(
                        outlet + Say.verb(outlet, " hears ", " hear ") + source + " " + times + space,
                        source + Say.verb(source, " reaches ", " reach ") + outlet + " " + times + routes + ".",
                        Say.sentence(
                                source + " at " + outlet + " by " + Say.routes(d.routes(), d.atLeast()) + space
                                        + (below < 0.05
                                                ? ", equally loud"
                                                : ", " + Say.of(below, "dB") + " apart in level"),
                                inScenes + ":",
                                apart.word + (apart == Apart.COMB ? notch : "") + ", +" + Say.of(rise, "dB")),
                        (heard > RouteSearch.EXACT ? "many" : heard > 2 ? String.valueOf(heard) : "two")
                                + " routes are open at once",
                        apart.noticed),
                new Evidence(
                        scene,
                        two.stream()
                                .map(route -> reading.trace(Evidence.Form.ROUTE, route))
                                .toList(),
                        List.of()),
                figures);
    }
}
