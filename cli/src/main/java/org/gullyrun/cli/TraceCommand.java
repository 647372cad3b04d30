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
import org.gullyrun.core.flow.BlockedWay;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.flow.Loop;
import org.gullyrun.core.flow.Run;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code gullyrun trace}: where sources travel, and what closes the way where they do not. */
@Command(
        name = "trace",
        mixinStandardHelpOptions = true,
        description = "Traces sources to outlets, hop by hop, and lists loops.")
final class TraceCommand implements Callable<Integer> {
    @Mixin
    CaseArgument argument = new CaseArgument();

    @Option(names = "--source", paramLabel = "S", description = "Id or name of one source; all if not given.")
    @Nullable
    String source;

    @Option(names = "--outlet", paramLabel = "O", description = "Id or name of one outlet; all if not given.")
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
                one.put("cells", cells.stream().map(c -> Plain.cell(scene, c)).toList());
                one.put(
                        "loops",
                        scene.loops().stream()
                                .map(l -> Plain.loop(scene.graph(), l))
                                .toList());
                one.put(
                        "electricLoops",
                        scene.electricLoops().stream()
                                .map(l -> Plain.loop(scene.graph(), l))
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

    private static String wanted(Rig rig, Kind kind, @Nullable String name) {
        if (name == null) {
            return "";
        }
        return rig.of(kind).stream()
                .filter(e -> e.id().equals(name) || e.name().equalsIgnoreCase(name))
                .map(Element::id)
                .findFirst()
                .orElseThrow(() -> new UsageProblem("There is no " + kind.noun() + " '" + name + "'. There are: "
                        + String.join(
                                ", ", rig.of(kind).stream().map(Element::id).toList())));
    }

    private static void text(PrintWriter out, SceneReading scene, List<CellReading> cells) {
        out.println("Scene " + scene.name());
        for (CellReading cell : cells) {
            out.println();
            out.println(cell.source().name() + " → " + cell.outlet().name() + ": "
                    + cell.verdict().word() + " (the brief says " + cell.wish().word() + ")");
            if (cell.delivery().arrives()) {
                out.printf(
                        Locale.ROOT,
                        "  %s%d run(s), usual %.1f dBFS, worst %.1f dBFS, first %.1f ms, last %.1f ms%n",
                        cell.delivery().atLeast() ? "at least " : "",
                        cell.delivery().runs(),
                        cell.usualLevel(),
                        cell.worstLevel(),
                        cell.delivery().first(),
                        cell.delivery().last());
                for (Run run : scene.runs(cell, Plain.MOST_RUNS).runs()) {
                    ladder(
                            out,
                            scene.graph(),
                            run,
                            cell.usualLevel() - cell.delivery().strength());
                }
            } else {
                BlockedWay way = scene.blocked(cell);
                out.println(way.exists() ? "  closed:" : "  there is no way");
                way.closed().forEach(g -> out.println("    " + g.why()));
            }
        }
        for (Loop loop : scene.loops()) {
            out.println();
            out.printf(
                    Locale.ROOT,
                    "Loop of %d points, %s%n",
                    loop.points().size(),
                    loop.runsAway() ? "builds up" : String.format(Locale.ROOT, "margin %.1f dB", loop.margin()));
            loop.circles().stream()
                    .limit(Plain.MOST_RUNS)
                    .forEach(c -> out.printf(
                            Locale.ROOT,
                            "  %.1f dB each %.1f ms: %s%n",
                            c.gain(),
                            c.time(),
                            String.join(" → ", Plain.points(scene.graph(), c.segments()))));
        }
        out.println();
    }

    private static void ladder(PrintWriter out, FlowGraph graph, Run run, double level) {
        out.printf(Locale.ROOT, "  %+.1f dB, %.1f ms%n", run.gain(), run.delay());
        double running = level;
        double delay = 0;
        for (int s : run.segments()) {
            running += graph.gain(s);
            delay += graph.latency(s);
            String rate = graph.converts(s) ? "  rate changes" : "";
            out.printf(Locale.ROOT, "    %7.1f dBFS %7.1f ms  %s%s%n", running, delay, graph.id(graph.to(s)), rate);
        }
    }
}
