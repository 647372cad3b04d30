package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.flow.route.Route;
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

    @Option(names = "--outlet", paramLabel = "O", description = "Id or name of one listener; all if not given.")
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
                text(out, scene, cells);
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

    /** Prints what arrives at each listener. */
    private static void text(PrintWriter out, SceneReading scene, List<CellReading> cells) {
        out.println("Scene " + scene.name());
        for (CellReading cell : cells) {
            out.println();
            out.println(cell.source().name() + " → " + cell.outlet().name() + ": "
                    + cell.verdict().word() + " (the brief says " + cell.wish().word() + ")");
            if (cell.delivery().arrives()) {
                out.printf(
                        Locale.ROOT,
                        "  %s%d %s, usual %s dBFS, worst %s dBFS, first %.1f ms, last %.1f ms%n",
                        cell.delivery().atLeast() ? "at least " : "",
                        cell.delivery().routes(),
                        cell.delivery().routes() == 1 ? "route" : "routes",
                        decibels(cell.usualLevel()),
                        decibels(cell.worstLevel()),
                        cell.delivery().first(),
                        cell.delivery().last());
                for (Route route : scene.routes(cell, PlainData.MOST_ROUTES).routes()) {
                    ladder(
                            out,
                            scene.graph(),
                            route,
                            cell.usualLevel() - cell.delivery().strength());
                }
            } else {
                BlockedRoute route = scene.blocked(cell);
                out.println(route.exists() ? "  closed gates:" : "  not connected");
                route.closed().forEach(g -> out.println("    " + g.why()));
            }
        }
        for (Loop loop : scene.loops()) {
            out.println();
            out.printf(
                    Locale.ROOT,
                    "Loop of %d points, %s%n",
                    loop.points().size(),
                    loop.buildsUp() ? "builds up" : "margin " + decibels(loop.margin()) + " dB");
            loop.circles().stream()
                    .limit(PlainData.MOST_ROUTES)
                    .forEach(c -> out.printf(
                            Locale.ROOT,
                            "  %s dB, %.1f ms a round: %s%n",
                            decibels(c.gain()),
                            c.time(),
                            String.join(" → ", PlainData.points(scene.graph(), c.segments()))));
        }
        out.println();
    }

    /** Prints a route as a ladder: a line for each hop with gain, level and delay so far. */
    private static void ladder(PrintWriter out, FlowGraph graph, Route route, double level) {
        out.printf(
                Locale.ROOT,
                "  %s%s dB, %.1f ms%n",
                route.gain() >= 0 ? "+" : "",
                decibels(route.gain()),
                route.delay());
        double running = level;
        double delay = 0;
        for (int s : route.segments()) {
            running += graph.gain(s);
            delay += graph.latency(s);
            String rate = graph.converts(s) ? "  resampled" : "";
            out.printf(
                    Locale.ROOT,
                    "    %7s dBFS %7.1f ms  %s%s%n",
                    decibels(running),
                    delay,
                    graph.id(graph.to(s)),
                    rate);
        }
    }

    /** A level or gain with one decimal and a true minus sign. */
    private static String decibels(double value) {
        return String.format(Locale.ROOT, "%.1f", value).replace('-', '−');
    }
}
