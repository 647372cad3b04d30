package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointWords;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.flow.route.Route;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code gullyrun trace}: where sources travel, and which closed gates stop them. */
@Command(
        name = "trace",
        mixinStandardHelpOptions = true,
        description = "Traces sources to listeners, hop by hop, and lists loops.")
final class TraceCommand implements Callable<Integer> {
    @Mixin
    CaseArgument argument = new CaseArgument();

    @Option(names = "--source", paramLabel = "S", description = "Id or name of one source; all if not given.")
    @Nullable
    String source;

    @Option(names = "--listener", paramLabel = "L", description = "Id or name of one listener; all if not given.")
    @Nullable
    String outlet;

    @Option(names = "--json", description = "As JSON; the fields are described in docs/formats/trace-json.md.")
    boolean json;

    @Spec
    CommandSpec spec = CommandSpec.create();

    @Override
    public Integer call() throws Exception {
        CaseArgument.Opened opened = argument.open();
        Rig rig = opened.survey().rig();
        String wantedSource = wanted(rig, Kind.SOURCE, source);
        String wantedOutlet = wanted(rig, Kind.OUTLET, outlet);
        List<Map<String, Object>> scenes = new ArrayList<>();
        PrintWriter out = spec.commandLine().getOut();
        for (int i : opened.scenes()) {
            SceneReading scene = opened.reading().scenes().get(i);
            List<CellReading> cells = scene.cells().stream()
                    .filter(c -> wantedSource.isEmpty() || c.source().id().equals(wantedSource))
                    .filter(c -> wantedOutlet.isEmpty() || c.outlet().id().equals(wantedOutlet))
                    .toList();
            if (json) {
                Map<String, Object> one = new LinkedHashMap<>();
                one.put("production", scene.key().production());
                one.put("scene", scene.key().scene());
                one.put("name", scene.name());
                one.put(
                        "cells",
                        cells.stream().map(c -> PlainData.cell(scene, c)).toList());
                one.put(
                        "loops",
                        scene.loops().stream()
                                .map(l -> PlainData.loop(scene.graph(), l))
                                .toList());
                one.put(
                        "electricLoops",
                        scene.electricLoops().stream()
                                .map(l -> PlainData.loop(scene.graph(), l))
                                .toList());
                scenes.add(one);
            } else {
                boolean whole = wantedSource.isEmpty() && wantedOutlet.isEmpty();
                text(out, scene, cells, whole ? scene.loops() : List.of());
            }
        }
        if (json) {
            Map<String, Object> all = new LinkedHashMap<>();
            all.put("case", opened.what().title());
            all.put("survey", opened.survey().id());
            all.put("scenes", scenes);
            out.print(Json.write(all) + "\n");
        }
        return Exit.OK;
    }

    /** The element that a name means; the whole of a kind if none is given. */
    private static String wanted(Rig rig, Kind kind, @Nullable String name) {
        if (name == null) {
            return "";
        }
        return CaseArgument.named(rig.of(kind), name)
                .map(Element::id)
                .orElseThrow(() -> new UsageProblem("There is no " + kind.noun() + " '" + name + "'. There are: "
                        + String.join(
                                ", ", rig.of(kind).stream().map(Element::id).toList())));
    }

    /** Prints what arrives at each listener, the strongest routes first, and loops. */
    private static void text(PrintWriter out, SceneReading scene, List<CellReading> cells, List<Loop> loops) {
        out.println("Scene " + scene.name());
        for (CellReading cell : cells) {
            out.println();
            out.println(cell.source().name() + " → " + cell.outlet().name() + " ("
                    + cell.wish().adjective() + "): " + cell.verdict().word());
            if (cell.delivery().arrives()) {
                out.println("  " + arrival(cell));
                double level = cell.usualLevel() - cell.delivery().strength();
                scene.routes(cell, PlainData.MOST_ROUTES).routes().stream()
                        .sorted(Comparator.comparingDouble(route -> -route.gain()))
                        .forEach(route -> ladder(out, scene.graph(), route, level));
            } else {
                BlockedRoute route = scene.blocked(cell);
                out.println(route.exists() ? "  closed gates:" : "  not connected");
                route.closed().forEach(g -> out.println("    " + g.why()));
            }
        }
        for (Loop loop : loops) {
            out.println();
            out.println("Loop, " + (loop.buildsUp() ? "builds up" : "margin " + Decimals.one(loop.margin()) + " dB"));
            loop.circles().stream()
                    .limit(PlainData.MOST_ROUTES)
                    .forEach(c -> out.println("  " + Decimals.one(c.gain()) + " dB, " + Decimals.one(c.time())
                            + " ms a round: " + String.join(" → ", names(scene.graph(), c.segments()))));
        }
        out.println();
    }

    /** How much arrives, and when: "2 routes, −30.0 dBFS, at worst −29.9 dBFS, after 5.0 to 113.0 ms". */
    private static String arrival(CellReading cell) {
        Delivery delivery = cell.delivery();
        String first = Decimals.one(delivery.first());
        String last = Decimals.one(delivery.last());
        String usual = Decimals.one(cell.usualLevel());
        String worst = Decimals.one(cell.worstLevel());
        return (delivery.atLeast() ? "at least " : "") + delivery.routes()
                + (delivery.routes() == 1 ? " route, " : " routes, ") + usual + " dBFS"
                + (usual.equals(worst) ? "" : ", at worst " + worst + " dBFS")
                + ", after " + first + (first.equals(last) ? "" : " to " + last) + " ms";
    }

    /** Prints a route as a ladder: a line for each point with level and delay so far, and what leads there. */
    private static void ladder(PrintWriter out, FlowGraph graph, Route route, double level) {
        out.println("  " + Decimals.one(route.gain()) + " dB, " + Decimals.one(route.delay()) + " ms");
        double running = level;
        double delay = 0;
        for (int s : route.segments()) {
            running += graph.gain(s);
            delay += graph.latency(s);
            String hop = PointWords.hop(graph, s);
            out.printf(
                    Locale.ROOT,
                    "    %7s dBFS %7s ms  %s%s%n",
                    Decimals.one(running),
                    Decimals.one(delay),
                    PointWords.name(graph, graph.to(s)),
                    hop.isEmpty() ? "" : " (" + hop + ")");
        }
    }

    /** The names of the points on a circle, each once. */
    private static List<String> names(FlowGraph graph, List<Integer> segments) {
        List<String> names = new ArrayList<>(List.of(PointWords.name(graph, graph.from(segments.getFirst()))));
        for (int s : segments) {
            String name = PointWords.name(graph, graph.to(s));
            if (!names.getLast().equals(name)) {
                names.add(name);
            }
        }
        return names;
    }
}
