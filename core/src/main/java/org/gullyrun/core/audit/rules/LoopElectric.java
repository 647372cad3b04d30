package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.route.Loop;

/** Does sound come back to where it was, in the graph without couplings? */
final class LoopElectric implements Rule {
    @Override
    public String id() {
        return "loop.electric";
    }

    @Override
    public Topic topic() {
        return Topic.LOOP;
    }

    @Override
    public String question() {
        return "Does sound come back to where it was?";
    }

    @Override
    public String severity() {
        return "Critical if it builds up or a circle is above {loop.critical}; else major; below {loop.minor} minor.";
    }

    @Override
    public Rests rests() {
        return Rests.LOOPS;
    }

    @Override
    public List<Finding> check(AuditContext context) {
        LoopTelling telling = new LoopTelling(id(), context);
        IntStream.range(0, context.scenes().size()).forEach(i -> {
            for (Loop loop : context.scenes().get(i).electricLoops()) {
                telling.add(i, loop, loop.circles(), severity(context, loop));
            }
        });
        return telling.findings();
    }

    /** Critical if it builds up or comes close to it, minor if it dies down at once. */
    private static Severity severity(AuditContext context, Loop loop) {
        if (loop.buildsUp() || loop.strongest().gain() > context.thresholds().of(Threshold.LOOP_CRITICAL) + 1e-9) {
            return Severity.CRITICAL;
        }
        return loop.loopGain() < context.thresholds().of(Threshold.LOOP_MINOR) ? Severity.MINOR : Severity.MAJOR;
    }
}
