package org.gullyrun.benchmarks;

import java.util.concurrent.TimeUnit;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.flow.Deliveries;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.flow.OpenView;
import org.gullyrun.core.flow.SceneKey;
import org.gullyrun.core.repair.Remedies;
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
    private final Case sample = SampleShow.make();
    private final Rig found = sample.survey(SampleShow.AS_FOUND).orElseThrow().rig();
    private final Reading reading = audit.read(found, sample.brief());
    private final Finding worst = reading.findings().getFirst();
    private final Rig large = LargeRigs.make(1, 200, 50, 20);
    private final Brief largeBrief = LargeRigs.brief(200);
    private final SceneKey scene = SceneKey.axis(large).getFirst();

    /** Compile, deliver and audit the whole sample case, all scenes. */
    @Benchmark
    public Reading sampleAudit() {
        return audit.read(found, sample.brief());
    }

    /** All remedies of the sample's worst finding, each verified. */
    @Benchmark
    public Object sampleRemedies() {
        return new Remedies(audit).find(reading, worst, () -> false);
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

    /** Audit the large rig, all 20 scenes. */
    @Benchmark
    public Reading largeAudit() {
        return audit.read(large, largeBrief);
    }
}
