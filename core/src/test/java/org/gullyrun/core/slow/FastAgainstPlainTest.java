package org.gullyrun.core.slow;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.slow.SlowAudit.SlowRoute;
import org.gullyrun.core.slow.SlowBlocked.Explained;
import org.junit.jupiter.api.Test;

/** The program's graph, deliveries, loops and findings against a second, plain calculation, on all kinds of elements. */
class FastAgainstPlainTest {
    private static final int RIGS = RandomRigs.many(800, 20_000);
    private static final double CLOSE = 1e-6;
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private final AtomicInteger cells = new AtomicInteger();
    private final AtomicInteger arriving = new AtomicInteger();
    private final AtomicInteger loops = new AtomicInteger();
    private final AtomicInteger findings = new AtomicInteger();
    private final AtomicInteger absent = new AtomicInteger();
    private final AtomicInteger explained = new AtomicInteger();
    private final AtomicInteger open = new AtomicInteger();

    @TakesLong
    @Test
    void whatTheProgramSaysIsWhatTryingEverythingSays() {
        IntStream.range(0, RIGS).parallel().forEach(this::compare);
        assertTrue(cells.get() > 25 * RIGS, "cells: " + cells);
        assertTrue(arriving.get() > 5 * RIGS / 2, "cells with something arriving: " + arriving);
        assertTrue(loops.get() > RIGS / 7, "loops: " + loops);
        assertTrue(findings.get() > 7 * RIGS / 10, "findings: " + findings);
        assertTrue(explained.get() > RIGS / 2, "musts explained by what is down: " + explained);
        assertTrue(open.get() < absent.get() / 20, "musts not decided: " + open + ", of " + absent);
    }

    private void compare(int seed) {
        Rig rig = RandomRigs.of(100_000L + seed);
        Brief brief = brief(rig, new Random(seed));
        Reading reading = AUDIT.read(rig, brief);
        List<SlowAudit> slow = new ArrayList<>();
        Map<String, Severity> expected = new TreeMap<>();
        boolean[] skipped = {false};
        Map<String, Expected.Due> due = new TreeMap<>();
        for (SceneReading scene : reading.scenes()) {
            SlowGraph graph =
                    new SlowGraph(rig, scene.key().production(), scene.key().scene());
            SlowAudit plain = new SlowAudit(graph);
            slow.add(plain);
            graphs("seed " + seed, scene, graph);
            loops("seed " + seed, scene, plain);
            for (Element source : rig.of(Kind.SOURCE)) {
                for (Element outlet : rig.of(Kind.OUTLET)) {
                    skipped[0] |= !cell("seed " + seed, rig, brief, scene, graph, plain, source, outlet, expected, due);
                }
            }
        }
        if (!skipped[0]) {
            findings("seed " + seed, reading, expected, due);
        }
    }

    private static String key(String from, String to, String by, double gain, double late, boolean open, boolean air) {
        return from.replace("#track0", "#track") + ">" + to.replace("#track0", "#track") + " " + by + " "
                + Math.rint(gain * 1e6) / 1e6 + " " + Math.rint(late * 1e6) / 1e6 + " " + open + " " + air;
    }

    /** Every segment, open or closed, with its gain and latency. */
    private static void graphs(String at, SceneReading scene, SlowGraph graph) {
        List<String> fast = new ArrayList<>();
        FlowGraph g = scene.graph();
        for (int s = 0; s < g.segments(); s++) {
            fast.add(key(
                    g.id(g.from(s)).text(),
                    g.id(g.to(s)).text(),
                    g.segmentElement(s),
                    g.gain(s) + 0.0,
                    g.latency(s),
                    g.isOpen(s),
                    g.isCoupling(s)));
        }
        List<String> plain = new ArrayList<>();
        graph.segments.forEach(
                s -> plain.add(key(s.from(), s.to(), s.by(), s.gain() + 0.0, s.late(), s.open(), s.air())));
        fast.sort(null);
        plain.sort(null);
        if (!plain.equals(fast)) {
            List<String> only = new ArrayList<>(plain);
            only.removeAll(fast);
            List<String> extra = new ArrayList<>(fast);
            extra.removeAll(plain);
            throw new AssertionError(at + " " + scene.key() + "\nonly plain: " + only + "\nonly fast: " + extra);
        }
    }

    private void loops(String at, SceneReading scene, SlowAudit plain) {
        for (boolean electric : new boolean[] {false, true}) {
            Map<Set<String>, Loop> fast = new HashMap<>();
            for (Loop loop : electric ? scene.electricLoops() : scene.loops()) {
                Set<String> points = new HashSet<>();
                loop.points().forEach(p -> points.add(scene.graph().id(p).text().replace("#track0", "#track")));
                fast.put(points, loop);
            }
            assertEquals(plain.loops(electric), fast.keySet(), at);
            fast.forEach((points, loop) -> {
                loops.incrementAndGet();
                double radius = plain.radius(points, electric);
                if (Math.abs(radius - 1) > 1e-4) {
                    assertEquals(radius > 1, loop.buildsUp(), at + " radius " + radius);
                }
            });
        }
    }

    /** One cell and what follows from it; false if it has too many routes to try them all. */
    private boolean cell(
            String at,
            Rig rig,
            Brief brief,
            SceneReading scene,
            SlowGraph graph,
            SlowAudit plain,
            Element source,
            Element outlet,
            Map<String, Severity> expected,
            Map<String, Expected.Due> due) {
        CellReading fast = scene.cell(
                rig.of(Kind.SOURCE).indexOf(source), rig.of(Kind.OUTLET).indexOf(outlet));
        String where = at + " " + scene.key().scene() + " " + source.id() + ">" + outlet.id();
        Wish wish = SlowAudit.wish(rig, brief, source, outlet, scene.key().scene());
        assertEquals(wish, fast.wish(), where);
        List<SlowRoute> routes = plain.routes(source.id(), outlet.id());
        cells.incrementAndGet();
        if (routes == null) {
            return false;
        }
        Delivery d = fast.delivery();
        assertEquals(routes.size(), d.routes(), where);
        if (!routes.isEmpty()) {
            arriving.incrementAndGet();
            double[] copy = SlowAudit.copy(routes);
            assertEquals(SlowAudit.strength(routes), d.strength(), CLOSE, where);
            assertEquals(SlowAudit.worst(routes), d.worst(), CLOSE, where);
            assertEquals(routes.stream().mapToDouble(SlowRoute::late).min().orElseThrow(), d.first(), CLOSE, where);
            assertEquals(routes.stream().mapToDouble(SlowRoute::late).max().orElseThrow(), d.last(), CLOSE, where);
            assertEquals(SlowAudit.strongest(routes).gain(), d.strongestGain(), CLOSE, where);
            assertEquals(SlowAudit.strongest(routes).late(), d.strongestDelay(), CLOSE, where);
            assertEquals(copy[0], d.copyGain(), CLOSE, where);
            assertEquals(copy[1], d.copyApart(), CLOSE, where);
        }
        boolean met = wish == Wish.MUST
                && plain.isMetElsewhere(rig, brief, source, outlet, scene.key().scene());
        Wish counts = met ? Wish.MAY : wish;
        Expected.of(rig, brief, source, outlet, scene.key().scene(), counts, routes, expected);
        if (wish == Wish.MUST) {
            SlowBlocked.Explained here = Expected.isAbsent(rig, source, outlet, counts, routes)
                    ? SlowBlocked.explained(graph, source.id(), outlet.id(), !routes.isEmpty())
                    : null;
            String pair = source.id() + ">" + outlet.id();
            due.put(pair, due.getOrDefault(pair, new Expected.Due(0, List.of())).with(here));
        }
        return true;
    }

    private void findings(String at, Reading reading, Map<String, Severity> expected, Map<String, Expected.Due> due) {
        Set<String> compared =
                Set.of("leak", "double", "double.faint", "loop.far-end", "track.mixed", "missing", "scene.gap");
        Map<String, Severity> sure = new TreeMap<>(expected);
        Set<String> unsure = new HashSet<>();
        due.forEach((pair, musts) -> {
            musts.explained()
                    .forEach(e ->
                            (e == Explained.UNSURE ? open : e == Explained.YES ? explained : absent).incrementAndGet());
            if (musts.isUnsure()) {
                unsure.add(pair);
            } else {
                String[] ends = pair.split(">");
                Expected.absent(reading.rig().get(ends[0]), reading.rig().get(ends[1]), musts, sure);
            }
        });
        Map<String, Severity> fast = new TreeMap<>();
        Map<String, Boolean> assumed = new HashMap<>();
        for (Finding finding : reading.findings()) {
            boolean isAbsent =
                    finding.rule().equals("missing") || finding.rule().equals("scene.gap");
            if (compared.contains(finding.rule())
                    && !(isAbsent && unsure.contains(finding.subject().text()))) {
                fast.put(finding.identity(), finding.severity());
                assumed.put(finding.identity(), finding.assumed());
            }
        }
        assertEquals(sure.keySet(), fast.keySet(), at);
        sure.forEach((identity, severity) -> {
            findings.incrementAndGet();
            // With a latency that is not known the class is "timing not known", so the severity is that of comb.
            if (!(identity.startsWith("double:") && assumed.get(identity))) {
                assertEquals(severity, fast.get(identity), at + " " + identity);
            }
        });
    }

    private static Brief brief(Rig rig, Random random) {
        Brief brief = Brief.EMPTY;
        for (Element source : rig.of(Kind.SOURCE)) {
            for (Element outlet : rig.of(Kind.OUTLET)) {
                if (random.nextInt(4) > 0) {
                    String scene = random.nextInt(6) == 0 ? "z" + random.nextInt(2) : "";
                    brief = brief.with(
                            new Brief.Cell(source.id(), outlet.id(), scene),
                            Wish.values()[random.nextInt(Wish.values().length)]);
                }
            }
        }
        return brief;
    }
}
