package org.gullyrun.benchmarks;

import java.util.List;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import org.gullyrun.core.LargeRigs;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.flow.route.Deliveries;
import org.gullyrun.core.flow.route.OpenView;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long it takes to answer: the sample show, and a rig of some 1 900 points and 7 000 segments. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 2)
@Measurement(iterations = 5, time = 2)
public class AuditBenchmark {
    private final Audit audit = RuleCatalogue.usual();
    private final Audit quick = audit.quick();
    private final Case sample = SampleShow.make();
    private final Rig found = sample.survey(SampleShow.AS_FOUND).orElseThrow().rig();
    private final Reading reading = audit.read(found, sample.brief());
    private final Finding worst = reading.findings().getFirst();
    private final Rig large = LargeRigs.make(1, 200, 50, 20);
    private final Brief largeBrief = LargeRigs.brief(200);
    private final Reading largeReading = quick.read(large, largeBrief);
    private final Rig largeChanged = Changes.apply(
            large, List.of(Objects.requireNonNull(Change.set(large, "input-0003", Productions.TRACK.of(1), false))));
    private final Rig largeRerouted = Changes.apply(
            large,
            List.of(Objects.requireNonNull(
                    Change.set(large, "app-0003-out", Applications.PROGRAM_CHOICE, Choice.to("play-0004")))));
    private final SceneKey scene = SceneKey.axis(large).getFirst();

    /** Compile, deliver and audit the whole sample case, all scenes. */
    @Benchmark
    public Reading sampleAudit() {
        return audit.read(found, sample.brief());
    }

    /** The same without the deep rules. */
    @Benchmark
    public Reading sampleQuick() {
        return quick.read(found, sample.brief());
    }

    /**
     * The sample case with everything: all rules, and root causes, each change verified. It calls so
     * much different code that the compilers need a minute to have done with it.
     */
    @Benchmark
    @Warmup(iterations = 12, time = 5)
    public Object sampleCauses() {
        Reading all = audit.read(found, sample.brief());
        return RootCauses.of(quick, all, () -> false, x -> {});
    }

    /** All fixes of the sample's worst finding, each verified. */
    @Benchmark
    public Object sampleFixes() {
        return new Fixes(quick).find(reading, worst, () -> false);
    }

    /** Compile one scene of the large rig. */
    @Benchmark
    public FlowGraph largeCompile() {
        return FlowGraph.of(large, scene);
    }

    /** Compile and deliver one scene of the large rig. */
    @Benchmark
    public Deliveries largeDeliver() {
        return Deliveries.of(OpenView.of(FlowGraph.of(large, scene), false));
    }

    /** Compile all 20 scenes of the large rig. */
    @Benchmark
    public Object largeCompileAll() {
        return FlowGraph.all(large, SceneKey.axis(large));
    }

    /** Read the large rig again after one change. */
    @Benchmark
    public Reading largeAfterOneChange() {
        return quick.read(largeChanged, largeBrief, largeReading);
    }

    /** The same after a change that leads a program to another device. */
    @Benchmark
    public Reading largeAfterOneChoice() {
        return quick.read(largeRerouted, largeBrief, largeReading);
    }

    /** Audit the large rig, all 20 scenes. */
    @Benchmark
    public Reading largeAudit() {
        return quick.read(large, largeBrief);
    }
}
