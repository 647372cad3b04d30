package org.gullyrun.benchmarks;

import java.util.List;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.compare.Comparison;
import org.gullyrun.core.compare.Matching;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.SafeOrder;
import org.gullyrun.core.repair.WholeRepair;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
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

/** What the second half of the job takes on the sample show: the repair, its order, and a comparison with blame. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 5)
@Measurement(iterations = 4, time = 5)
public class RepairBenchmark {
    private final Case show = SampleShow.make();
    private final Audit audit = RuleCatalogue.on(show.terms(), show.showHours()).quick();
    private final Rig good = show.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
    private final Rig found = show.survey(SampleShow.AS_FOUND).orElseThrow().rig();
    private final Reading reading = audit.read(found, show.brief());
    /** All fourteen differences of the two surveys, taken back. */
    private final List<Change> fourteen = Changes.between(found, good);

    /** The repair of the survey as found, none of whose changes can be left out. */
    @Benchmark
    public Repair repair() {
        return Objects.requireNonNull(new WholeRepair(audit, null, reading, Conditions.NONE, () -> false).best());
    }

    /** The safe order of fourteen changes. */
    @Benchmark
    public SafeOrder.Order orderOfFourteen() {
        return SafeOrder.of(audit, reading, fourteen, true);
    }

    /** A comparison of both surveys with blame. */
    @Benchmark
    public Comparison compare() {
        return Comparison.of(audit, good, found, show.brief(), Matching.of(good, found), () -> false);
    }
}
