package org.gullyrun.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.flow.route.Deliveries;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.flow.route.OpenView;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.jgrapht.GraphPath;
import org.jgrapht.alg.shortestpath.AllDirectedPaths;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.DirectedMultigraph;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How many routes a ladder of diamonds has: 2 to the power of the rungs; summed here, listed one by one there. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 2)
public class LadderBenchmark {
    /** How many diamonds stand one behind the other. */
    @Param({"10", "16", "18", "60"})
    public int rungs;

    private OpenView view =
            OpenView.of(FlowGraph.of(ladder(1), SceneKey.axis(ladder(1)).getFirst()), false);

    /** Compiles the ladder; that is not what is measured. */
    @Setup
    public void compile() {
        Rig rig = ladder(rungs);
        view = OpenView.of(FlowGraph.of(rig, SceneKey.axis(rig).getFirst()), false);
    }

    /** Microphones, each passed on twice to the same loudspeaker, which a wire joins to the next microphone. */
    static Rig ladder(int rungs) {
        List<Element> all = new ArrayList<>();
        all.add(Element.of(Kind.SOURCE, "source").with(Sources.AT, "r0"));
        for (int i = 0; i < rungs; i++) {
            all.add(device("r" + i, Devices.Direction.RECORDING));
            all.add(device("p" + i, Devices.Direction.PLAYBACK));
            for (String twin : List.of("a", "b")) {
                all.add(Element.of(Kind.PASS_THROUGH, twin + i)
                        .with(Links.PASS_FROM, "r" + i)
                        .with(Links.PASS_TO, Choice.to("p" + i)));
            }
            if (i + 1 < rungs) {
                all.add(Element.of(Kind.WIRE, "w" + i)
                        .with(Links.WIRE_FROM, "p" + i)
                        .with(Links.WIRE_TO, "r" + (i + 1)));
            }
        }
        all.add(Element.of(Kind.OUTLET, "ears")
                .with(Outlets.SORT, Outlets.Sort.EARS)
                .with(Outlets.DEVICE, Choice.to("p" + (rungs - 1))));
        return Rig.of(all);
    }

    private static Element device(String id, Devices.Direction direction) {
        return Element.of(Kind.DEVICE, id).with(Devices.MACHINE, "pc").with(Devices.DIRECTION, direction);
    }

    /** The exact number of routes, with all their sums. */
    @Benchmark
    public long summed() {
        FlowGraph graph = view.graph();
        Delivery delivery = Deliveries.of(view).get(graph.point("source"), graph.point("ears"));
        if (delivery.routes() != 1L << rungs) {
            throw new IllegalStateException("runs: " + delivery.routes());
        }
        return delivery.routes();
    }

    /** The same number by listing all simple paths, as far as that gets: beyond 18 rungs it is not tried. */
    @Benchmark
    public long listed() {
        if (rungs > 18) {
            return 0;
        }
        DirectedMultigraph<Integer, DefaultEdge> graph = new DirectedMultigraph<>(DefaultEdge.class);
        for (int i = 0; i <= 2 * rungs; i++) {
            graph.addVertex(i);
        }
        for (int i = 0; i < rungs; i++) {
            graph.addEdge(2 * i, 2 * i + 1);
            graph.addEdge(2 * i, 2 * i + 1);
            graph.addEdge(2 * i + 1, 2 * i + 2);
        }
        List<GraphPath<Integer, DefaultEdge>> paths =
                new AllDirectedPaths<>(graph).getAllPaths(0, 2 * rungs, true, null);
        if (paths.size() != 1 << rungs) {
            throw new IllegalStateException("paths: " + paths.size());
        }
        return paths.size();
    }
}
