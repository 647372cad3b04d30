package org.gullyrun.core.audit.rules;

import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.route.Loop;

/** Does sound come back to where it was through the air? */
final class LoopAir implements Rule {
    @Override
    public String id() {
        return "loop.air";
    }

    @Override
    public Topic topic() {
        return Topic.LOOP;
    }

    @Override
    public String question() {
        return "Does sound come back to where it was through the air?";
    }

    @Override
    public String severity() {
        return "Critical if it builds up; major if the strongest circle through the air is above {loop.air}; else minor.";
    }

    @Override
    public Rests rests() {
        return Rests.LOOPS;
    }

    @Override
    public List<Finding> check(AuditContext context) {
        LoopTelling telling = new LoopTelling(id(), context);
        for (int i = 0; i < context.scenes().size(); i++) {
            SceneReading scene = context.scenes().get(i);
            for (Loop loop : scene.loops()) {
                List<Loop.Circle> air = loop.circles().stream()
                        .filter(c -> c.segments().stream().anyMatch(scene.graph()::isCoupling))
                        .toList();
                if (!air.isEmpty()) {
                    telling.add(i, loop, air, severity(context, scene, loop, air));
                }
            }
        }
        return telling.findings();
    }

    /**
     * A loop that already builds up without the air has a rule of its own, so only its circles through the air
     * count here.
     */
    private static Severity severity(AuditContext context, SceneReading scene, Loop loop, List<Loop.Circle> air) {
        double strongest = air.stream().mapToDouble(Loop.Circle::gain).max().orElseThrow();
        boolean inner = scene.electricLoops().stream()
                .anyMatch(e -> e.buildsUp() && loop.points().containsAll(e.points()));
        if (inner ? strongest >= -1e-9 : loop.buildsUp()) {
            return Severity.CRITICAL;
        }
        return strongest > context.thresholds().of(Threshold.AIR_MAJOR) + 1e-9 ? Severity.MAJOR : Severity.MINOR;
    }
}
